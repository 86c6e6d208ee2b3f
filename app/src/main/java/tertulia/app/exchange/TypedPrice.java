package tertulia.app.exchange;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * A price as it stands on a page: {@code $8}, {@code 8,40 €}, {@code EUR 1,299.00}, {@code 96 a
 * year}, {@code 96/12} or {@code free}.
 */
public final class TypedPrice {
  /** Unit prices carry so many decimals. */
  private static final int DECIMALS = 4;

  private static final int LONGEST = 60;
  private static final Pattern TWELFTH = Pattern.compile("([^/]+)/\\s*12\\s*");
  private static final String CURRENCY = "([€$£¥]|[A-Z]{3})?";
  private static final String EVERY =
      "(?:(?:a|per|/)\\s*(month|year)|(monthly|yearly)|for\\s+([0-9]{1,2}) months)?";
  private static final Pattern PRICE =
      Pattern.compile(CURRENCY + "\\s*([^A-Za-z€$£¥]+?)\\s*" + CURRENCY + "\\s*" + EVERY);

  /** What a sign may stand for. */
  private static final Map<String, List<String>> SIGNS =
      Map.of(
          "€", List.of("EUR"),
          "£", List.of("GBP"),
          "$", List.of("USD", "CAD", "AUD", "NZD", "SGD", "HKD", "MXN"),
          "¥", List.of("JPY", "CNY"));

  private TypedPrice() {}

  /** Whether a text says that nothing is charged, which is another thing than saying nothing. */
  public static boolean isNothing(String text) {
    String typed = text.strip();
    return typed.equalsIgnoreCase("free") || typed.equalsIgnoreCase("not charged");
  }

  /**
   * Reads a price.
   *
   * @param currency in which the prices beside it are
   * @param monthly whether it is paid by the month, so that it may be stated for a year
   * @return as it is written in files, see {@link PriceText}
   * @throws IllegalArgumentException if it is none, or of another currency
   */
  public static String read(String text, String currency, boolean monthly) {
    String typed = text.strip();
    if (isNothing(typed)) {
      return "0";
    }
    Matcher price = PRICE.matcher(typed);
    // longer than any price, and matching takes the square of its length
    if (typed.length() > LONGEST || !price.matches()) {
      return TypedNumber.read(text).text();
    }
    checkCurrency(typed, price.group(1), currency);
    checkCurrency(typed, price.group(3), currency);
    BigDecimal value = TypedNumber.read(price.group(2)).value();
    String every = price.group(4) == null ? price.group(5) : price.group(4);
    String months = price.group(6);
    if (months != null && monthly) {
      return new PriceText(value, Integer.parseInt(months)).text();
    }
    if (months != null) {
      every = months + " months";
    }
    if (every != null && !monthly) {
      throw new IllegalArgumentException(
          "\""
              + Codes.shortened(text)
              + "\": this is paid once or by use, not every "
              + every
              + ". Write the amount alone.");
    }
    if (every != null && every.startsWith("year")) {
      return PriceText.aYear(value).text();
    }
    Matcher twelfth = TWELFTH.matcher(price.group(2));
    if (monthly && twelfth.matches()) {
      return PriceText.aYear(TypedNumber.read(twelfth.group(1)).value()).text();
    }
    return typed.contains("/")
        ? TypedNumber.plain(value.setScale(Math.min(value.scale(), DECIMALS), RoundingMode.HALF_UP))
            .toPlainString()
        : value.toPlainString();
  }

  private static void checkCurrency(String typed, @Nullable String sign, String currency) {
    String wanted = currency.strip().toUpperCase(Locale.ROOT);
    if (sign != null && !SIGNS.getOrDefault(sign, List.of(sign)).contains(wanted)) {
      throw new IllegalArgumentException(
          "\""
              + Codes.shortened(typed)
              + "\" is in "
              + sign
              + ", and the prices of this plan are in "
              + wanted
              + ". Change one of them.");
    }
  }
}
