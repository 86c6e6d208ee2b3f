package tertulia.core.money;

import java.math.BigDecimal;
import java.math.RoundingMode;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/** The one place where exact amounts become money: half-up to the currency's minor unit. */
public final class Rounding {
  private Rounding() {}

  /**
   * Decimals beyond which an amount only differs from what it stands for because a share did not
   * come out even ({@link UnitPrice#amount}): half of 0.25 must not become a trifle less.
   */
  private static final int MEANT = 30;

  /** {@code exact} in {@code currency}, rounded half-up: 59.395 EUR becomes 59.40 EUR. */
  public static Money toMinorUnit(BigDecimal exact, CurrencyUnit currency) {
    BigDecimal meant = exact.scale() > MEANT ? exact.setScale(MEANT, RoundingMode.HALF_UP) : exact;
    return Money.of(currency, meant, RoundingMode.HALF_UP);
  }

  /**
   * {@code total} divided evenly over {@code months} months; leftover minor units go one each to
   * the earliest months. 250.00 over 12 gives four months of 20.84 and eight of 20.83. A negative
   * total is spread as its opposite, negated.
   *
   * @param months at least 1
   */
  public static Money[] spread(Money total, int months) {
    if (months < 1) {
      throw new IllegalArgumentException(
          "An amount is spread over at least 1 month, not " + months);
    }
    long minor = total.getAmountMinorLong();
    long base = minor / months;
    long leftover = Math.abs(minor % months);
    int sign = Long.signum(minor);
    Money[] shares = new Money[months];
    for (int m = 0; m < months; m++) {
      shares[m] = Money.ofMinor(total.getCurrencyUnit(), base + (m < leftover ? sign : 0));
    }
    return shares;
  }
}
