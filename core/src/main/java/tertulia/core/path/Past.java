package tertulia.core.path;

import java.util.List;
import java.util.Optional;
import tertulia.core.fit.Offering;
import tertulia.core.pricing.BillingTerm;

/**
 * What was bought in months that are over: it was bought as it was, whatever is known now, and a
 * term that runs goes on.
 *
 * @param offerings of the price page that was in force before today's; none if it is the same
 * @param begun the terms that began in those months, in order
 * @param until the first plan month that is not over
 */
public record Past(List<Offering> offerings, List<Begun> begun, int until) {
  /** Nothing is over. */
  public static final Past NONE = new Past(List.of(), List.of(), 0);

  public Past {
    offerings = List.copyOf(offerings);
    begun = List.copyOf(begun);
  }

  /**
   * A term.
   *
   * @param end the month after the last in which the plan was meant to be used
   */
  public record Begun(int start, int end, String plan, List<String> addOns, BillingTerm term) {
    public Begun {
      addOns = List.copyOf(addOns);
    }

    /**
     * What of some options it was: with its add-ons, or, where other ones are asked for now, the
     * plan with those; none if it is not sold under that term any more.
     */
    List<Option> among(List<Option> options) {
      List<Option> like =
          options.stream()
              .filter(option -> plan.equals(option.plan().id()))
              .filter(option -> term.equals(option.list().term()))
              .filter(option -> option.plan().inForce().contains(start))
              .toList();
      List<Option> same = like.stream().filter(o -> o.addOns().equals(addOns)).toList();
      return same.isEmpty() ? like : same;
    }
  }

  /** The terms of a way that began before a month. */
  public static List<Begun> begun(PlanPath way, int until) {
    return way.legs().stream()
        .filter(leg -> leg.months().from() < until)
        .map(leg ->
            new Begun(
                leg.months().from(),
                leg.months().end(),
                leg.option().plan().id(),
                leg.option().addOns(),
                leg.option().list().term()))
        .toList();
  }

  /** The term that began in a month; empty if the month is not over, or nothing is known of it. */
  Optional<Begun> begunIn(int month) {
    return begun.stream().filter(term -> term.start() == month).findFirst();
  }

  /** Whether a month is over, and something was bought for it. */
  boolean covers(int month) {
    return month < until && !begun.isEmpty();
  }

  /** Whether a term of an option that began before runs in a month. */
  boolean runs(String plan, int month) {
    return begun.stream()
        .filter(term -> term.plan().equals(plan))
        .anyMatch(
            term -> term.start() <= month && month < term.start() + term.term().monthsCommitted());
  }
}
