package tertulia.core.money;

import java.math.BigDecimal;

/**
 * A yearly rise of list prices assumed by the buyer.
 *
 * @param perYear as a fraction, above −1 and at most 10: 0.04 is four percent a year
 */
public record PriceRise(BigDecimal perYear) {
  public static final PriceRise NONE = new PriceRise(BigDecimal.ZERO);

  public PriceRise {
    if (perYear.compareTo(BigDecimal.ONE.negate()) <= 0 || perYear.compareTo(BigDecimal.TEN) > 0) {
      throw new IllegalArgumentException(
          "A price rise lies above −100 % and at most at 1000 % a year; found "
              + perYear.movePointRight(2).toPlainString()
              + " %.");
    }
  }

  public static PriceRise ofPercent(String percent) {
    return new PriceRise(new BigDecimal(percent).movePointLeft(2));
  }

  public boolean isNone() {
    return perYear.signum() == 0;
  }

  /** (1 + rise) to the power of {@code years}, exact. */
  public BigDecimal factor(int years) {
    return BigDecimal.ONE.add(perYear).pow(years);
  }
}
