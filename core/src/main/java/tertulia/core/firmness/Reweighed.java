package tertulia.core.firmness;

import java.math.BigDecimal;
import java.math.MathContext;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Interval;
import tertulia.core.scoring.Totals;

/**
 * Totals with another weight of one criterion, the others in proportion. If it has all the weight
 * there is no proportion; then the others count alike.
 */
public record Reweighed(Totals totals) {
  private static final MathContext ROOM = MathContext.DECIMAL128;

  /**
   * The total of a contender.
   *
   * @param weight of the criterion, 0 to 1
   */
  public Interval total(String contender, Criterion criterion, BigDecimal weight) {
    Interval value = totals.value(contender, criterion).interval();
    Interval rest = rest(contender, criterion);
    BigDecimal others = BigDecimal.ONE.subtract(weight);
    return new Interval(
        weight.multiply(value.low()).add(others.multiply(rest.low())),
        weight.multiply(value.high()).add(others.multiply(rest.high())));
  }

  /** By how much one is ahead of another at the middle of their totals; negative if behind. */
  public BigDecimal lead(String one, String other, Criterion criterion, BigDecimal weight) {
    return total(one, criterion, weight)
        .midpoint()
        .subtract(total(other, criterion, weight).midpoint());
  }

  /** The total over all criteria but one, their weights brought to 1. */
  public Interval rest(String contender, Criterion without) {
    BigDecimal low = BigDecimal.ZERO;
    BigDecimal high = BigDecimal.ZERO;
    BigDecimal weights = BigDecimal.ZERO;
    boolean alike = totals.weight(without).compareTo(BigDecimal.ONE) == 0;
    for (Criterion criterion : totals.criteria()) {
      if (!criterion.equals(without)) {
        BigDecimal weight = alike ? BigDecimal.ONE : totals.weight(criterion);
        Interval value = totals.value(contender, criterion).interval();
        low = low.add(weight.multiply(value.low()));
        high = high.add(weight.multiply(value.high()));
        weights = weights.add(weight);
      }
    }
    return weights.signum() == 0
        ? Interval.exactly(BigDecimal.ZERO)
        : new Interval(low.divide(weights, ROOM), high.divide(weights, ROOM));
  }
}
