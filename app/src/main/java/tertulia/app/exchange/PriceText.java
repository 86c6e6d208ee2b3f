package tertulia.app.exchange;

import java.math.BigDecimal;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.joda.money.CurrencyUnit;
import tertulia.core.money.UnitPrice;

/**
 * A price as it is kept: {@code 8.40} a month (or once, or for each use), {@code 100 a year},
 * {@code 180 for 24 months}.
 *
 * @param amount what is stated, for all months together
 * @param months that it is stated for
 */
public record PriceText(BigDecimal amount, int months) {
  private static final Pattern WRITTEN =
      Pattern.compile("\\s*(\\S+)(?: (?:a (year)|for ([0-9]{1,2}) months))?\\s*");
  private static final int YEAR = 12;

  /**
   * Reads what is kept.
   *
   * @throws IllegalArgumentException if it is no price
   */
  public static PriceText of(String text) {
    Matcher written = WRITTEN.matcher(text);
    if (!written.matches()) {
      // the sentence says how a number is written
      return new PriceText(Codes.decimal(text), 1);
    }
    return new PriceText(
        Codes.decimal(written.group(1)),
        written.group(2) != null
            ? YEAR
            : written.group(3) != null ? Codes.whole(written.group(3)) : 1);
  }

  /** A sum for a year. */
  static PriceText aYear(BigDecimal amount) {
    return new PriceText(amount, YEAR);
  }

  /** As the core has it. */
  public UnitPrice in(CurrencyUnit currency) {
    return UnitPrice.typed(currency, amount, months);
  }

  /** As it is kept. */
  public String text() {
    return amount.toPlainString() + period();
  }

  /** What follows the amount; empty where it is a price a month, once or for each use. */
  public String period() {
    return switch (months) {
      case 1 -> "";
      case YEAR -> " a year";
      default -> " for " + months + " months";
    };
  }

  /** Both ends of a range, the period said once where it is the same. */
  public static String range(String low, String high) {
    if (low.equals(high)) {
      return low;
    }
    PriceText from = of(low);
    PriceText to = of(high);
    // what is said once holds for both ends
    return from.months == to.months
        ? from.amount.toPlainString() + " to " + to.text()
        : said(from) + " to " + said(to);
  }

  private static String said(PriceText end) {
    return end.months == 1 ? end.text() + " a month" : end.text();
  }
}
