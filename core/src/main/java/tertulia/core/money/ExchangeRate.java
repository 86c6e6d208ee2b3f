package tertulia.core.money;

import static java.util.Objects.requireNonNull;

import java.math.BigDecimal;
import java.time.LocalDate;
import org.joda.money.CurrencyUnit;

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
}
