package tertulia.core.money;

import static java.util.Objects.requireNonNull;

import java.math.BigDecimal;
import java.math.RoundingMode;
import org.joda.money.CurrencyUnit;

/**
 * A list price, exact and as it was stated: so much a month, or a sum for so many months. 100.00 a
 * year is kept as that and not as 8.3333 a month, so that twelve months of it are 100.00.
 *
 * @param currency what it is charged in
 * @param stated 0 or more, at most four decimals, for all {@code months} together; what is typed is
 *     at most {@link #MOST}, what is computed from it is not bound by that
 * @param months that it is stated for: 1 to {@value #LONGEST}; 1 for what is not paid by the month
 */
public record UnitPrice(CurrencyUnit currency, BigDecimal stated, int months) {
  private static final int DECIMALS = 4;

  /** The most months a sum is stated for. */
  public static final int LONGEST = 60;

  /**
   * Decimals of a month's share that does not come out even. Every price is a whole number of
   * ten-thousandths divided by at most {@value #LONGEST}, so sums of shares differ from what they
   * stand for far less than any two amounts that are told apart: {@link Rounding} takes that out.
   */
  private static final int SHARE_DECIMALS = 50;

  /** The most that can be typed. */
  public static final BigDecimal MOST = BigDecimal.valueOf(1_000_000_000);

  public UnitPrice {
    requireNonNull(currency);
    if (stated.signum() < 0) {
      throw new IllegalArgumentException(
          "A price cannot be below 0; found " + stated.toPlainString() + ". Enter 0 or more.");
    }
    if (months < 1 || months > LONGEST) {
      throw new IllegalArgumentException(
          "A price is stated for 1 to " + LONGEST + " months; found " + months + ".");
    }
    stated = stated.stripTrailingZeros();
    if (stated.scale() > DECIMALS) {
      throw new IllegalArgumentException(
          "A price has at most 4 decimals; found " + stated.toPlainString() + ". Round it.");
    }
  }

  /** So much a month, or once, or for each use. */
  public UnitPrice(CurrencyUnit currency, BigDecimal stated) {
    this(currency, stated, 1);
  }

  public static UnitPrice of(String currency, String amount) {
    return new UnitPrice(CurrencyUnit.of(currency), new BigDecimal(amount));
  }

  /**
   * A price as it was typed.
   *
   * @throws IllegalArgumentException if it lies above {@link #MOST}
   */
  public static UnitPrice typed(CurrencyUnit currency, BigDecimal stated, int months) {
    if (stated.compareTo(MOST) > 0) {
      throw new IllegalArgumentException(
          "A price cannot be above 1,000,000,000; found "
              + stated.toPlainString()
              + ". Check the decimal point.");
    }
    return new UnitPrice(currency, stated, months);
  }

  public boolean isFree() {
    return stated.signum() == 0;
  }

  /**
   * The share of one month: exact where it comes out even, else to {@value #SHARE_DECIMALS}
   * decimals, which {@link Rounding} makes good.
   */
  public BigDecimal amount() {
    return months == 1
        ? stated
        : stated
            .divide(BigDecimal.valueOf(months), SHARE_DECIMALS, RoundingMode.HALF_UP)
            .stripTrailingZeros();
  }

  /** So much of this price, rounded half-up to four decimals; {@code part} 0 or more. */
  public UnitPrice times(BigDecimal part) {
    return with(stated.multiply(part));
  }

  /** This price after {@code years} yearly rises of what is stated, half-up to four decimals. */
  public UnitPrice raised(PriceRise rise, int years) {
    return rise.isNone() || years == 0 ? this : with(stated.multiply(rise.factor(years)));
  }

  private UnitPrice with(BigDecimal exact) {
    return new UnitPrice(currency, exact.setScale(DECIMALS, RoundingMode.HALF_UP), months);
  }

  /** Such as "a month", "a year" or "for 24 months". */
  public String period() {
    return switch (months) {
      case 1 -> "a month";
      case 12 -> "a year";
      default -> "for " + months + " months";
    };
  }
}
