package tertulia.core.working;

import static java.util.Objects.requireNonNull;

import java.math.BigDecimal;
import org.joda.money.Money;

/**
 * An exact amount and what it counts.
 *
 * @param amount exact, any sign
 * @param unit a currency code, a measure such as "seats", "months", or empty for a pure number
 * @param one what follows a one; empty: as is usual in English
 */
public record Quantity(BigDecimal amount, String unit, String one) {
  public Quantity {
    requireNonNull(amount);
    requireNonNull(unit);
    requireNonNull(one);
  }

  /** Of a unit whose singular is as usual in English. */
  public Quantity(BigDecimal amount, String unit) {
    this(amount, unit, "");
  }

  public static Quantity of(long amount, String unit) {
    return new Quantity(BigDecimal.valueOf(amount), unit);
  }

  public static Quantity of(Money money) {
    return new Quantity(money.getAmount(), money.getCurrencyUnit().getCode());
  }
}
