package tertulia.core.pricing;

import static java.util.Objects.requireNonNull;

import java.math.BigDecimal;
import org.joda.money.Money;

/**
 * Something a buyer gets elsewhere where a plan does not have it.
 *
 * @param what it is, such as "Single sign-on"
 * @param by what it is covered by, such as "the directory we run ourselves"
 * @param monthly what that costs a month, 0 to 1,000,000, in the selection's currency; price rises,
 *     offers and terms do not touch it
 */
public record ExternalCover(String what, String by, Money monthly) {
  private static final BigDecimal MOST = BigDecimal.valueOf(1_000_000);

  public ExternalCover {
    requireNonNull(monthly);
    if (by.isBlank()) {
      throw new IllegalArgumentException(
          "\"" + what + "\" is covered outside, but not by what. Name what covers it.");
    }
    if (monthly.isNegative() || monthly.getAmount().compareTo(MOST) > 0) {
      throw new IllegalArgumentException(
          "What covers \""
              + what
              + "\" costs between 0 and 1,000,000 a month; found "
              + monthly
              + ".");
    }
  }
}
