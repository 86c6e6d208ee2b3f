package tertulia.core.path;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;
import tertulia.core.fit.Offering;
import tertulia.core.growth.People;

/**
 * The steady monthly cost of several tools for n = 1 … most people, with every n at which something
 * changes. Where two are equal the one that was cheapest at n − 1 stays.
 *
 * @param curves by tool id, in the tools' order
 * @param leads who is cheapest from which n on; empty where nobody has a figure
 */
public record CostByHeadcount(int most, Map<String, Curve> curves, List<Lead> leads) {
  /** A sweep covers at least this many people and at most {@link #MOST_SWEPT}. */
  public static final int LEAST_SWEPT = 500;

  public static final int MOST_SWEPT = 5_000;

  public CostByHeadcount {
    leads = List.copyOf(leads);
  }

  /** One tool's costs, kept as whole minor units of the reporting currency. */
  public static final class Curve {
    private final CurrencyUnit currency;
    private final long[] minors;
    private final int[] chosen;
    private final boolean[] atMost;
    private final List<String> options;
    private final List<PlanChange> changes;

    Curve(
        CurrencyUnit currency,
        long[] minors,
        int[] chosen,
        boolean[] atMost,
        List<String> options,
        List<PlanChange> changes) {
      this.currency = currency;
      this.minors = minors;
      this.chosen = chosen;
      this.atMost = atMost;
      this.options = List.copyOf(options);
      this.changes = List.copyOf(changes);
    }

    /** The cost for n people; empty without a qualifying plan or without a figure. */
    public Optional<Point> at(int n) {
      return hasFigure(n)
          ? Optional.of(
              new Point(
                  Money.ofMinor(currency, minors[n - 1]),
                  options.get(chosen[n - 1]),
                  atMost[n - 1]))
          : Optional.empty();
    }

    /** Every n at which the plan changes, the first at n = 1. */
    public List<PlanChange> changes() {
      return changes;
    }

    private boolean hasFigure(int n) {
      return chosen[n - 1] >= 0;
    }

    private long minor(int n) {
      return minors[n - 1];
    }
  }

  /**
   * What a tool costs for so many people.
   *
   * @param option label of plan and term
   * @param atMost whether an alternative without a figure was left out
   */
  public record Point(Money money, String option, boolean atMost) {}

  /** From n people on the tool would be on this option; empty: on none with a figure. */
  public record PlanChange(int n, Optional<String> option) {}

  /** From n people on this tool is cheapest; empty: none has a figure. */
  public record Lead(int n, Optional<String> tool) {}

  /** How far a sweep reaches: 500, or twice the highest planned headcount, up to 5,000. */
  public static int reach(int highestPlanned) {
    return Math.min(MOST_SWEPT, Math.max(LEAST_SWEPT, 2 * highestPlanned));
  }

  /**
   * Sweeps n = 1 … most.
   *
   * @param tools offerings by tool id, in the order that decides the first tie
   * @param today the people whose shares hold for every n
   */
  public static CostByHeadcount sweep(
      Map<String, List<Offering>> tools, Market market, People today, int most) {
    Sweep sweep = new Sweep(market, today, most);
    Map<String, Curve> curves = new LinkedHashMap<>();
    tools.forEach((id, offerings) -> curves.put(id, sweep.curve(offerings)));
    return new CostByHeadcount(most, curves, leads(curves, most));
  }

  private static List<Lead> leads(Map<String, Curve> curves, int most) {
    List<Lead> leads = new ArrayList<>();
    Optional<String> before = Optional.empty();
    for (int n = 1; n <= most; n++) {
      Optional<String> leader = cheapest(curves, n, before);
      if (n == 1 || !leader.equals(before)) {
        leads.add(new Lead(n, leader));
      }
      before = leader;
    }
    return leads;
  }

  private static Optional<String> cheapest(
      Map<String, Curve> curves, int n, Optional<String> before) {
    @Nullable String best = null;
    long least = 0;
    for (Map.Entry<String, Curve> entry : curves.entrySet()) {
      if (entry.getValue().hasFigure(n)) {
        long minor = entry.getValue().minor(n);
        boolean stays = before.isPresent() && before.get().equals(entry.getKey());
        if (best == null || minor < least || minor == least && stays) {
          best = entry.getKey();
          least = minor;
        }
      }
    }
    return Optional.ofNullable(best);
  }

  /**
   * Every n at which two tools change order: the one that was not dearer becomes strictly dearer.
   * Where one of them has no figure there is no order.
   */
  public List<Integer> orderChanges(String first, String second) {
    List<Integer> changes = new ArrayList<>();
    int order = 0;
    for (int n = 1; n <= most; n++) {
      if (curve(first).hasFigure(n) && curve(second).hasFigure(n)) {
        int now = Long.compare(curve(first).minor(n), curve(second).minor(n));
        if (now != 0) {
          if (order != 0 && now != order) {
            changes.add(n);
          }
          order = now;
        }
      }
    }
    return changes;
  }

  /**
   * The curve of a tool.
   *
   * @throws IllegalArgumentException if the tool was not swept
   */
  public Curve curve(String tool) {
    Curve curve = curves.get(tool);
    if (curve == null) {
      throw new IllegalArgumentException("No curve for tool " + tool);
    }
    return curve;
  }
}
