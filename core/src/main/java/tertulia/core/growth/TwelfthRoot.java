package tertulia.core.growth;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;

/**
 * The twelfth root of a positive number to 40 digits, so that rounding to people is never a guess.
 */
final class TwelfthRoot {
  private static final MathContext ROOM = new MathContext(50, RoundingMode.HALF_EVEN);
  private static final BigDecimal TWELVE = BigDecimal.valueOf(12);
  private static final int ROUNDS = 3;

  private TwelfthRoot() {}

  /**
   * Newton’s method from the double root: each round doubles the 15 digits, so that two would do.
   */
  static BigDecimal of(BigDecimal x) {
    BigDecimal root = new BigDecimal(Math.pow(x.doubleValue(), 1.0 / 12));
    for (int i = 0; i < ROUNDS; i++) {
      BigDecimal power = root.pow(11, ROOM);
      BigDecimal step = root.multiply(power, ROOM).subtract(x).divide(power.multiply(TWELVE), ROOM);
      root = root.subtract(step, ROOM);
    }
    return root.round(Growth.ROOM);
  }
}
