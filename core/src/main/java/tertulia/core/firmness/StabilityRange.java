package tertulia.core.firmness;

import static java.util.Objects.requireNonNull;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.List;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Totals;

/**
 * How far the weight of one criterion may go, the others in proportion, until somebody else leads.
 * Totals are read at the middle of what they can be.
 *
 * @param weight as the table has it, 0 to 1
 * @param low where the leader stops leading on the way down
 * @param high where it does on the way up
 */
public record StabilityRange(Criterion criterion, BigDecimal weight, End low, End high) {
  public StabilityRange {
    requireNonNull(criterion);
    requireNonNull(weight);
    requireNonNull(low);
    requireNonNull(high);
  }

  /**
   * One end.
   *
   * @param weight 0 to 1; there the leader is level with those who take over
   * @param takesOver contenders that lead beyond it; none if there is no beyond
   */
  public record End(BigDecimal weight, List<String> takesOver) {
    public End {
      takesOver = List.copyOf(takesOver);
    }
  }

  /** Whether the lead is shared already, so that any weight may turn it. */
  public boolean isNone() {
    return low.weight().compareTo(high.weight()) == 0;
  }

  /**
   * The room of every weight; none if there are fewer than two contenders or two criteria.
   *
   * @param totals those of the table
   */
  public static List<StabilityRange> of(Totals totals) {
    if (totals.values().size() < 2 || totals.criteria().size() < 2) {
      return List.of();
    }
    Reweighed totalsAt = new Reweighed(totals);
    List<String> first = first(totals);
    return totals.criteria().stream()
        .map(criterion -> of(totals, totalsAt, criterion, first))
        .toList();
  }

  /** Those whose midpoint is highest, more than one if they are level. */
  static List<String> first(Totals totals) {
    List<Totals.Standing> standings = totals.standings();
    BigDecimal most = standings.getFirst().total().midpoint();
    return standings.stream()
        .filter(standing -> !Totals.isAbove(most, standing.total().midpoint()))
        .map(Totals.Standing::contender)
        .toList();
  }

  private static StabilityRange of(
      Totals totals, Reweighed totalsAt, Criterion criterion, List<String> first) {
    BigDecimal weight = totals.weight(criterion);
    if (first.size() > 1) {
      End here = new End(weight, first.subList(1, first.size()));
      return new StabilityRange(criterion, weight, here, here);
    }
    Ends low = new Ends(BigDecimal.ZERO, true);
    Ends high = new Ends(BigDecimal.ONE, false);
    for (String rival : totals.values().keySet()) {
      if (!rival.equals(first.getFirst())) {
        BigDecimal atNothing = totalsAt.lead(first.getFirst(), rival, criterion, BigDecimal.ZERO);
        BigDecimal atAll = totalsAt.lead(first.getFirst(), rival, criterion, BigDecimal.ONE);
        if (Totals.isAbove(BigDecimal.ZERO, atNothing)) {
          low.add(crossing(atNothing, atAll), rival);
        }
        if (Totals.isAbove(BigDecimal.ZERO, atAll)) {
          high.add(crossing(atNothing, atAll), rival);
        }
      }
    }
    return new StabilityRange(criterion, weight, low.end(), high.end());
  }

  /** Where a lead that changes evenly from one end to the other is nothing. */
  private static BigDecimal crossing(BigDecimal atNothing, BigDecimal atAll) {
    return atNothing.divide(atNothing.subtract(atAll), MathContext.DECIMAL128);
  }

  /** The nearest of several ends, and who stands there. */
  private static final class Ends {
    private final boolean below;
    private BigDecimal weight;
    private final List<String> takesOver = new ArrayList<>();

    Ends(BigDecimal last, boolean below) {
      this.weight = last;
      this.below = below;
    }

    void add(BigDecimal at, String rival) {
      boolean same = at.subtract(weight).abs().compareTo(Totals.LEVEL) < 0;
      boolean nearer = below ? at.compareTo(weight) > 0 : at.compareTo(weight) < 0;
      if (takesOver.isEmpty() || nearer && !same) {
        takesOver.clear();
        weight = at;
        takesOver.add(rival);
      } else if (same) {
        takesOver.add(rival);
      }
    }

    End end() {
      return new End(weight, takesOver);
    }
  }
}
