package tertulia.core.sensitivity;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.joda.money.Money;
import tertulia.core.billing.Ledger;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Costs;
import tertulia.core.evaluation.Selection;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.inuse.AsToday;
import tertulia.core.inuse.Together;
import tertulia.core.pricing.InForce;
import tertulia.core.pricing.Tool;

/**
 * What it costs to begin with a contender later, over the same months: until then everything stays
 * as it is, from then on the contender, and what is still owed of what it replaces.
 *
 * @param beside what is in use: what the contender replaces, and what stays whenever it begins
 */
public record Beginning(Selection selection, WhatIf whatIf, String contender, Together beside) {
  /** Months by which a beginning is put off at most, unless a day is named. */
  public static final int MOST_MONTHS = 12;

  public Beginning {
    selection.contender(contender);
  }

  /**
   * Begun in a month.
   *
   * @param month the plan month, 0: at once
   * @param cost over all plan months; empty: not known
   */
  public record Begun(int month, Optional<Money> cost) {}

  /**
   * Begun in a plan month.
   *
   * @param month from 0 to the last
   */
  public Begun in(int month) {
    Optional<Money> staying = beside.staying(whatIf.view());
    Optional<Money> sum = own(month).flatMap(own -> staying.map(own::plus));
    for (AsToday use : beside.goes()) {
      Optional<Ledger> before = use.until(month);
      sum = sum.flatMap(money -> before.map(due -> money.plus(due.total(whatIf.view()))));
    }
    return new Begun(month, sum);
  }

  /** At once and by each month after that, as far as the plan goes. */
  public List<Begun> each() {
    return IntStream.rangeClosed(0, Math.min(MOST_MONTHS, selection.horizon().months() - 1))
        .mapToObj(this::in)
        .toList();
  }

  /** The cheapest, the earliest of several; empty if none has a figure. */
  public Optional<Begun> cheapest() {
    return each().stream()
        .filter(begun -> begun.cost().isPresent())
        .min(Comparator.comparing(begun -> begun.cost().orElseThrow()));
  }

  /** Whether it pays to wait. */
  public sealed interface Advice {
    /** To begin at once costs the least. */
    record AtOnce(Money cost) implements Advice {}

    /**
     * To begin later costs less.
     *
     * @param best the cheapest beginning, the earliest of several
     * @param cost then
     * @param less than if it is begun at once, above 0
     */
    record Later(int best, Money cost, Money less) implements Advice {}

    /**
     * Each month of waiting costs less: what is in use is cheaper as long as was tried.
     *
     * @param last the last month tried
     * @param cost if it is begun then
     * @param less than if it is begun at once, above 0
     */
    record LaterStillLess(int last, Money cost, Money less) implements Advice {}

    /** What it costs if begun at once is not known. */
    record NotKnown() implements Advice {}
  }

  /** Whether it pays to wait, of the beginnings that have a figure. */
  public Advice advice() {
    Optional<Money> atOnce = in(0).cost();
    if (atOnce.isEmpty()) {
      return new Advice.NotKnown();
    }
    List<Begun> each = each();
    Begun best =
        each.stream()
            .filter(begun -> begun.cost().isPresent())
            .min(Comparator.comparing(begun -> begun.cost().orElseThrow()))
            .orElseThrow();
    Money cost = best.cost().orElseThrow();
    if (best.month() > 0 && best.month() == each.getLast().month() && falls(each)) {
      return new Advice.LaterStillLess(best.month(), cost, atOnce.get().minus(cost));
    }
    return best.month() == 0
        ? new Advice.AtOnce(cost)
        : new Advice.Later(best.month(), cost, atOnce.get().minus(cost));
  }

  private static boolean falls(List<Begun> each) {
    return IntStream.range(1, each.size())
        .allMatch(i ->
            each.get(i).cost().isPresent()
                && each.get(i - 1)
                    .cost()
                    .filter(before -> before.isGreaterThan(each.get(i).cost().orElseThrow()))
                    .isPresent());
  }

  /** The contender's own cost from a month on; its list prices rise as if the plan had begun. */
  private Optional<Money> own(int month) {
    List<Contender> one = new ArrayList<>();
    one.add(from(selection.contender(contender), month));
    Selection later = selection.among(one).unjudged().from(month, whatIf.scenario());
    return Costs.of(later, whatIf.at(new WhatIf.Moment.Month(0))).overall().own(contender);
  }

  private static Contender from(Contender contender, int month) {
    Tool tool = contender.tool();
    InForce since = new InForce(-month, InForce.LAST, Optional.empty());
    return contender.withTool(
        new Tool(
            tool.id(),
            tool.name(),
            tool.maker(),
            tool.plans().stream().map(plan -> plan.in(since)).toList(),
            tool.offers(),
            tool.owned()));
  }
}
