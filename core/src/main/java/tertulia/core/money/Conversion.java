package tertulia.core.money;

import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/** The outcome of bringing an amount into another currency. */
public sealed interface Conversion {
  /** The amount in the wanted currency; the rate is empty if it was in that currency already. */
  record Converted(Money money, Optional<ExchangeRate> rate) implements Conversion {}

  /** There is no rate for this pair on or before the date; never read as one to one. */
  record NoRate(CurrencyUnit from, CurrencyUnit to) implements Conversion {
    /** Such as "no rate GBP to EUR". */
    public String reason() {
      return "no rate " + from + " to " + to;
    }
  }
}
