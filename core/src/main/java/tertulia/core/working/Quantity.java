package tertulia.core.working;

import static java.util.Objects.requireNonNull;

import java.math.BigDecimal;
import org.joda.money.Money;

/**
 * An exact amount and what it counts.
 *
 * @param amount exact, any sign
 * @param unit a currency code, a measure such as "seats", "months", or empty for a pure number
 */
public record Quantity(BigDecimal amount, String unit) {
  public Quantity {
    requireNonNull(amount);
    requireNonNull(unit);
  }

  public static Quantity of(long amount, String unit) {
    return new Quantity(BigDecimal.valueOf(amount), unit);
  }

  public static Quantity of(Money money) {
    return new Quantity(money.getAmount(), money.getCurrencyUnit().getCode());
  }
}
