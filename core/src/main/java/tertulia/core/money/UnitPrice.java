package tertulia.core.money;

import static java.util.Objects.requireNonNull;

import java.math.BigDecimal;
import java.math.RoundingMode;
import org.joda.money.CurrencyUnit;

/**
 * A list price, exact.
 *
 * @param currency what it is charged in
 * @param amount 0 or more, at most four decimals; what is typed is at most {@link #MOST}, what is
 *     computed from it is not bound by that
 */
public record UnitPrice(CurrencyUnit currency, BigDecimal amount) {
  private static final int DECIMALS = 4;

  /** The most that can be typed. */
  public static final BigDecimal MOST = BigDecimal.valueOf(1_000_000_000);

  public UnitPrice {
    requireNonNull(currency);
    if (amount.signum() < 0) {
      throw new IllegalArgumentException(
          "A price cannot be below 0; found " + amount.toPlainString() + ". Enter 0 or more.");
    }
    amount = amount.stripTrailingZeros();
    if (amount.scale() > DECIMALS) {
      throw new IllegalArgumentException(
          "A price has at most 4 decimals; found " + amount.toPlainString() + ". Round it.");
    }
  }

  public static UnitPrice of(String currency, String amount) {
    return new UnitPrice(CurrencyUnit.of(currency), new BigDecimal(amount));
  }

  /**
   * A price as it was typed.
   *
   * @throws IllegalArgumentException if it lies above {@link #MOST}
   */
  public static UnitPrice typed(CurrencyUnit currency, BigDecimal amount) {
    if (amount.compareTo(MOST) > 0) {
      throw new IllegalArgumentException(
          "A price cannot be above 1,000,000,000; found "
              + amount.toPlainString()
              + ". Check the decimal point.");
    }
    return new UnitPrice(currency, amount);
  }

  public boolean isFree() {
    return amount.signum() == 0;
  }

  /** So much of this price, rounded half-up to four decimals; {@code part} 0 or more. */
  public UnitPrice times(BigDecimal part) {
    return new UnitPrice(currency, amount.multiply(part).setScale(DECIMALS, RoundingMode.HALF_UP));
  }

  /** This price after {@code years} yearly rises, rounded half-up to four decimals. */
  public UnitPrice raised(PriceRise rise, int years) {
    return rise.isNone() || years == 0
        ? this
        : new UnitPrice(
            currency, amount.multiply(rise.factor(years)).setScale(DECIMALS, RoundingMode.HALF_UP));
  }
}
