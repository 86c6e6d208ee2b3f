package tertulia.core.evaluation;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.joda.money.Money;
import tertulia.core.fit.Reason;
import tertulia.core.path.Option;
import tertulia.core.path.PlanPath;
import tertulia.core.path.PlanPaths;
import tertulia.core.path.SteadyCost;

/**
 * What each contender would cost if every fact and allowance that is not known turned out well,
 * where that is less than its confirmed figure, or where it has none. It is shown beside what is
 * confirmed and is no figure of the totals.
 */
public final class Confirmation {
  private final Costs confirmed;

  Confirmation(Costs confirmed) {
    this.confirmed = confirmed;
  }

  /** What is not known of a plan, and has to be confirmed before it counts. */
  public record Open(String plan, Reason reason) {}

  /**
   * The cheapest plan that is not out for certain, for the people under discussion.
   *
   * @param monthly what it costs a month, as it is read
   * @param open what has to be confirmed for it, never empty
   */
  public record Now(SteadyCost cost, Amount monthly, List<Open> open) {
    public Now {
      open = List.copyOf(open);
    }
  }

  /**
   * The cheapest path through plans that are not out for certain, over the horizon.
   *
   * @param total what it costs, as it is read
   * @param open what has to be confirmed for it, never empty
   */
  public record Whole(PlanPath path, Amount total, List<Open> open) {
    public Whole {
      open = List.copyOf(open);
    }
  }

  /** For the people under discussion; empty if nothing that is open would make it cheaper. */
  public Optional<Now> now(String contender) {
    return confirmed
        .ifConfirmed()
        .now()
        .best(contender)
        .flatMap(cost ->
            confirmed
                .ifConfirmed()
                .now()
                .monthly(contender)
                .filter(amount -> isLess(amount, confirmed.now().monthly(contender)))
                .map(amount -> new Now(cost, amount, open(cost.option()))))
        .filter(found -> !found.open().isEmpty());
  }

  /** Over the horizon; empty if nothing that is open would make it cheaper. */
  public Optional<Whole> whole(String contender) {
    CostsOverall confident = confirmed.ifConfirmed().overall();
    return confident.way(contender) instanceof PlanPaths.Found found
        ? confident
            .totalBounds(contender)
            .filter(amount -> isLess(amount, confirmed.overall().totalBounds(contender)))
            .map(amount -> new Whole(found.best(), amount, open(found.best())))
            .filter(whole -> !whole.open().isEmpty())
        : Optional.empty();
  }

  private static boolean isLess(Amount amount, Optional<Amount> known) {
    Optional<Money> before = known.map(Amount::high);
    return before.isEmpty() || amount.high().isLessThan(before.get());
  }

  private List<Open> open(Option option) {
    return confirmed
        .market()
        .fit()
        .at(
            option.offering(),
            option.list(),
            confirmed.occasion().units(),
            confirmed.selection().horizon().month(confirmed.occasion().owned()))
        .reasons()
        .stream()
        .map(reason -> new Open(option.plan().name(), reason))
        .toList();
  }

  /** Of each plan and requirement what is open first. */
  private List<Open> open(PlanPath path) {
    Map<List<String>, Open> open = new LinkedHashMap<>();
    for (PlanPath.Leg leg : path.legs()) {
      for (int m = leg.months().from(); m < leg.months().end(); m++) {
        for (Reason reason : confirmed.overall().reasonsIn(leg.option(), m)) {
          open.putIfAbsent(
              List.of(leg.option().plan().id(), reason.requirement()),
              new Open(leg.option().plan().name(), reason));
        }
      }
    }
    return new ArrayList<>(open.values());
  }
}
