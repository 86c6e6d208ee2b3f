package tertulia.core.pricing;

import java.math.BigDecimal;
import java.math.MathContext;

/**
 * Whether list prices hold tax. Every figure is told before tax, so that pages with and without it
 * stand side by side: an amount that holds 21 % is divided by 1.21, before the line is rounded.
 *
 * @param included as a fraction of the price before tax, 0 to 1; 0: prices are before tax
 */
public record Tax(BigDecimal included) {
  public static final Tax NOT_INCLUDED = new Tax(BigDecimal.ZERO);

  public Tax {
    if (included.signum() < 0 || included.compareTo(BigDecimal.ONE) > 0) {
      throw new IllegalArgumentException(
          "Tax held in a price lies between 0 and 100 %; found "
              + included.movePointRight(2).toPlainString()
              + " %.");
    }
  }

  public boolean isIncluded() {
    return included.signum() > 0;
  }

  /** {@code amount} without the tax it holds, to 34 digits. */
  public BigDecimal without(BigDecimal amount) {
    return isIncluded()
        ? amount.divide(BigDecimal.ONE.add(included), MathContext.DECIMAL128)
        : amount;
  }

  /** Such as "holds 21 % tax". */
  public String words() {
    return isIncluded()
        ? "holds " + included.movePointRight(2).stripTrailingZeros().toPlainString() + " % tax"
        : "before tax";
  }
}
