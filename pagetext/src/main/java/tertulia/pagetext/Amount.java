package tertulia.pagetext;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * An amount of money in a text.
 *
 * @param start where it begins
 * @param end behind its last character
 */
record Amount(BigDecimal value, String currency, int start, int end, Set<Assumed> assumed) {
  private static final String CODES =
      "EUR|USD|GBP|CHF|SEK|NOK|DKK|PLN|CZK|HUF|RON|JPY|CNY|AUD|CAD|NZD|SGD|HKD|INR|BRL|MXN|ZAR|ILS";
  private static final String WORDS = "(?:[Ee]uros?|[Dd]ollars?|zł|Kč|₹)";
  private static final String SIGN =
      "(?:US\\$|CA\\$|C\\$|A\\$|AU\\$|NZ\\$|[€$£¥]|\\b(?:" + CODES + ")\\b)";
  private static final Pattern ONE_SIGN = Pattern.compile(SIGN);
  private static final Pattern MONEY =
      Pattern.compile(
          "(?<before>"
              + SIGN
              + ")\\s?(?<first>"
              + Numbers.NUMBER
              + ")(?:[.,][-–—]+)?|(?<![0-9.,])(?<second>"
              + Numbers.NUMBER
              + ")(?:[.,][-–—]+)?\\s?(?<after>"
              + SIGN
              + "|\\b"
              + WORDS
              + "(?!\\p{L}))");
  private static final Map<String, String> SIGNS =
      Map.of(
          "€", "EUR", "£", "GBP", "$", "USD", "¥", "JPY", "US$", "USD", "CA$", "CAD", "C$", "CAD",
          "A$", "AUD");
  private static final Map<String, String> MORE_SIGNS = Map.of("AU$", "AUD", "NZ$", "NZD");

  /** By what a page says whose crowns it means. */
  private static final Map<String, String> CROWNS =
      Map.of(
          "NOK", "\\bNOK\\b|(?i:norwegian (?:kroner?|crowns?))",
          "SEK", "\\bSEK\\b|(?i:swedish (?:kronor|krona|crowns?))",
          "DKK", "\\bDKK\\b|(?i:danish (?:kroner?|crowns?))",
          "ISK", "\\bISK\\b|(?i:icelandic (?:kr[oó]n(?:a|ur)|crowns?))");

  /** The amounts of a text, in its order. */
  static List<Amount> in(String text, Numbers numbers) {
    List<Amount> amounts = new ArrayList<>();
    Matcher found = MONEY.matcher(text);
    while (found.find()) {
      String sign = found.group("before") == null ? found.group("after") : found.group("before");
      String number = found.group("first") == null ? found.group("second") : found.group("first");
      Numbers.Read read = numbers.read(number);
      Set<Assumed> assumed = EnumSet.noneOf(Assumed.class);
      if (sign.equals("$") || sign.equals("¥") || sign.matches("[Dd]ollars?")) {
        assumed.add(Assumed.WHOSE_CURRENCY);
      }
      if (!read.sure()) {
        assumed.add(Assumed.WHICH_SEPARATOR);
      }
      amounts.add(new Amount(read.value(), code(sign), found.start(), found.end(), assumed));
    }
    return amounts;
  }

  /** A text in which "kr" is the one crown that its codes name; the same if they name none. */
  static String crowns(String text) {
    List<String> named =
        CROWNS.entrySet().stream()
            .filter(crown -> Pattern.compile(crown.getValue()).matcher(text).find())
            .map(Map.Entry::getKey)
            .sorted()
            .toList();
    return named.size() == 1
        ? text.replaceAll(
            "(?<=\\d)\\s?kr\\b\\.?|\\bkr\\b\\.?\\s?(?=\\d)|(?<=\\d)\\s?kroner?\\b",
            " " + named.getFirst() + " ")
        : text;
  }

  /** The first sign or code of a currency in a text; empty if there is none. */
  static Optional<String> sign(String text) {
    Matcher sign = ONE_SIGN.matcher(text);
    return sign.find() ? Optional.of(sign.group()) : Optional.empty();
  }

  static boolean isIn(String text) {
    return MONEY.matcher(text).find();
  }

  private static String code(String sign) {
    if (sign.matches(WORDS)) {
      return switch (sign.toLowerCase(Locale.ROOT).charAt(0)) {
        case 'e' -> "EUR";
        case 'd' -> "USD";
        case 'z' -> "PLN";
        case 'k' -> "CZK";
        default -> "INR";
      };
    }
    @Nullable String known = SIGNS.get(sign);
    return known == null ? MORE_SIGNS.getOrDefault(sign, sign) : known;
  }
}
