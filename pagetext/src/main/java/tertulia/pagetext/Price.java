package tertulia.pagetext;

import static java.util.Objects.requireNonNull;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Optional;
import tertulia.core.growth.Measure;
import tertulia.core.pricing.BillingTerm;

/**
 * A price as a page states it.
 *
 * @param amount in units of the currency, not negative
 * @param currency ISO 4217
 * @param every what period it is for
 * @param each of what it is the price of one; empty: of the account
 * @param term how long the buyer is bound by it and how it is paid
 * @param isFrom whether the page says "from" before it, so that it is the least it costs
 */
public record Price(
    BigDecimal amount,
    String currency,
    Every every,
    Optional<Measure> each,
    BillingTerm term,
    boolean isFrom) {
  private static final BigDecimal YEAR = BigDecimal.valueOf(12);

  /** The period an amount is for. */
  public enum Every {
    MONTH,
    YEAR
  }

  public Price {
    requireNonNull(currency);
    requireNonNull(every);
    requireNonNull(term);
    if (amount.signum() < 0) {
      throw new IllegalArgumentException("A price is not negative; found " + amount + ".");
    }
  }

  /** The price a month; of a year's a twelfth, half-up to four decimals. */
  public BigDecimal aMonth() {
    return switch (every) {
      case MONTH -> amount;
      case YEAR -> amount.divide(YEAR, 4, RoundingMode.HALF_UP);
    };
  }
}
