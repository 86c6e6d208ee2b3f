package tertulia.core.money;

import static java.util.Objects.requireNonNull;

import java.math.BigDecimal;
import java.time.LocalDate;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/**
 * One unit of {@code from} costs {@code rate} units of {@code to}.
 *
 * @param rate above 0
 * @param on the day the rate was published
 * @param source who published it
 */
public record ExchangeRate(
    CurrencyUnit from, CurrencyUnit to, BigDecimal rate, LocalDate on, String source) {
  public ExchangeRate {
    requireNonNull(on);
    requireNonNull(source);
    if (rate.signum() <= 0) {
      throw new IllegalArgumentException(
          "A rate of exchange is above 0; found " + rate.toPlainString() + ".");
    }
    if (from.equals(to)) {
      throw new IllegalArgumentException(
          "A rate leads from one currency to another; found " + from + " twice.");
    }
  }

  /**
   * {@code money} in the other currency, rounded once, half-up.
   *
   * @throws IllegalArgumentException if the money is not in {@link #from}
   */
  public Money convert(Money money) {
    if (!money.getCurrencyUnit().equals(from)) {
      throw new IllegalArgumentException("A rate from " + from + " cannot convert " + money);
    }
    return Rounding.toMinorUnit(money.getAmount().multiply(rate), to);
  }

  /** How the rate reads in a working: "at 1.1642 EUR for 1 GBP of 2026-11-20 (source)". */
  public String words() {
    return "at "
        + rate.toPlainString()
        + " "
        + to
        + " for 1 "
        + from
        + " of "
        + on
        + " ("
        + source
        + ")";
  }
}
