package tertulia.core.scoring;

import java.math.BigDecimal;
import java.math.MathContext;

/**
 * A value known exactly or only within bounds.
 *
 * @param low not above high
 */
public record Interval(BigDecimal low, BigDecimal high) {
  /** Nothing is known of a value between 0 and 1. */
  public static final Interval UNKNOWN = new Interval(BigDecimal.ZERO, BigDecimal.ONE);

  private static final BigDecimal TWO = BigDecimal.valueOf(2);

  public Interval {
    if (low.compareTo(high) > 0) {
      throw new IllegalArgumentException("An interval runs upwards; found " + low + " to " + high);
    }
  }

  public static Interval exactly(BigDecimal value) {
    return new Interval(value, value);
  }

  public boolean isExact() {
    return low.compareTo(high) == 0;
  }

  public BigDecimal midpoint() {
    return low.add(high).divide(TWO, MathContext.DECIMAL128);
  }
}
