package tertulia.core.firmness;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import tertulia.core.scoring.Interval;
import tertulia.core.scoring.Totals;

/**
 * Who leads for every size and every weight of cost from 0 to 100 %, the other weights in
 * proportion. A size is a headcount, or another quantity in steps.
 */
public final class WinnerMap {
  /** Weights of cost, in percent, from 0. */
  public static final int WEIGHTS = 101;

  private static final int NOBODY = -1;
  private static final double LEVEL = Totals.LEVEL.doubleValue();
  private final List<Worth> worths;
  private final int sizes;

  private WinnerMap(List<Worth> worths, int sizes) {
    this.worths = List.copyOf(worths);
    this.sizes = sizes;
  }

  /**
   * What a contender is worth at each size.
   *
   * @param restLow its total without cost, the other weights brought to 1, at the least
   * @param restHigh the same at the most
   * @param costLow by size from 1, at [n − 1]: what its cost is worth at the least; NaN where it
   *     does not do
   * @param costHigh the same at the most
   */
  public record Worth(
      String contender, double restLow, double restHigh, double[] costLow, double[] costHigh) {
    private boolean does(int n) {
      return !Double.isNaN(costLow[n]);
    }

    private double low(int n, double weight) {
      return sum(weight, costLow[n], restLow);
    }

    private double high(int n, double weight) {
      return sum(weight, costHigh[n], restHigh);
    }

    /** A cost without a bound counts for nothing where cost has no weight. */
    private static double sum(double weight, double cost, double rest) {
      return (weight == 0 ? 0 : weight * cost) + (1 - weight) * rest;
    }
  }

  /**
   * A map; its points are worked out as they are asked for, as most of it never is.
   *
   * @param worths one for each contender, in their order: of those that are level the first leads
   * @param sizes how many there are
   */
  public static WinnerMap of(List<Worth> worths, int sizes) {
    return new WinnerMap(worths, sizes);
  }

  private int leaderAt(int n, double weight) {
    int leader = NOBODY;
    double most = 0;
    for (int t = 0; t < worths.size(); t++) {
      if (worths.get(t).does(n)) {
        double both = worths.get(t).low(n, weight) + worths.get(t).high(n, weight);
        if (leader == NOBODY || both - most >= 2 * LEVEL) {
          leader = t;
          most = both;
        }
      }
    }
    return leader;
  }

  private boolean isAboveAll(int leader, int n, double weight) {
    double low = worths.get(leader).low(n, weight);
    for (int t = 0; t < worths.size(); t++) {
      if (t != leader && worths.get(t).does(n) && !(low - worths.get(t).high(n, weight) >= LEVEL)) {
        return false;
      }
    }
    return true;
  }

  /** How many sizes there are, from 1. */
  public int sizes() {
    return sizes;
  }

  /** Contender ids in the order of the map. */
  public List<String> contenders() {
    return worths.stream().map(Worth::contender).toList();
  }

  /** What the cost of a contender is worth at a size; empty where it does not do. */
  public Optional<Interval> cost(String contender, int size) {
    return worth(contender)
        .filter(w -> w.does(size - 1))
        .map(w -> between(w.costLow()[size - 1], w.costHigh()[size - 1]));
  }

  /** Its total without cost, the other weights brought to 1; empty if it is not on the map. */
  public Optional<Interval> rest(String contender) {
    return worth(contender).map(w -> between(w.restLow(), w.restHigh()));
  }

  private Optional<Worth> worth(String contender) {
    return worths.stream().filter(w -> w.contender().equals(contender)).findFirst();
  }

  private static Interval between(double low, double high) {
    return new Interval(BigDecimal.valueOf(low), BigDecimal.valueOf(high));
  }

  /**
   * Who leads; empty if nobody does what is needed at that size.
   *
   * @param size from 1
   * @param percent weight of cost, 0 to 100
   */
  public Optional<String> leader(int size, int percent) {
    int leader = leaderAt(size - 1, percent / 100.0);
    return leader == NOBODY ? Optional.empty() : Optional.of(worths.get(leader).contender());
  }

  /** Who leads whatever the unknown values are, and with nobody level; empty if nobody does. */
  public Optional<String> certainLeader(int size, int percent) {
    return certainLeaderAt(size, percent / 100.0);
  }

  /** The same for any weight of cost, 0 to 1. */
  public Optional<String> certainLeaderAt(int size, double weight) {
    int leader = leaderAt(size - 1, weight);
    return leader != NOBODY && isAboveAll(leader, size - 1, weight)
        ? Optional.of(worths.get(leader).contender())
        : Optional.empty();
  }
}
