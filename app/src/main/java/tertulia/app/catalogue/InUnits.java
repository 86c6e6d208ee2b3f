package tertulia.app.catalogue;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tertulia.core.growth.Measure;

/** Amounts as pages write them, "500 MB" or "2 hours", in the unit in which they are counted. */
final class InUnits {
  private static final Pattern AMOUNT =
      Pattern.compile("(?<number>\\d+(?:\\.\\d+)?)\\s*(?<unit>[a-z]+)(?=\\s|$|\\+)");

  /** How many gigabytes each is; a gigabyte has 1,000 megabytes. */
  private static final Map<String, BigDecimal> GIGABYTES =
      Map.of("mb", new BigDecimal("0.001"), "gb", BigDecimal.ONE, "tb", BigDecimal.valueOf(1000));

  private static final BigDecimal MINUTES_OF_AN_HOUR = BigDecimal.valueOf(60);
  private static final int DECIMALS = 4;

  private InUnits() {}

  /**
   * A cell with plain numbers; what is no such amount stays as it is, and is read or refused where
   * it is read.
   *
   * @param cell in lower case
   * @param measure what is counted
   */
  static String of(String cell, String measure) {
    return AMOUNT
        .matcher(cell)
        .replaceAll(found -> Matcher.quoteReplacement(plain(found, measure)));
  }

  private static String plain(java.util.regex.MatchResult found, String measure) {
    BigDecimal number = new BigDecimal(found.group("number"));
    String unit = found.group("unit").toLowerCase(Locale.ROOT);
    if (measure.equals(Measure.GIGABYTES_KEPT.id()) && GIGABYTES.containsKey(unit)) {
      return number.multiply(GIGABYTES.get(unit)).stripTrailingZeros().toPlainString();
    }
    boolean hours = unit.matches("h|hours?");
    boolean minutes = unit.matches("min|minutes?");
    if (measure.equals(Measure.RECORDING_MINUTES.id()) && (hours || minutes)) {
      return (hours ? number.multiply(MINUTES_OF_AN_HOUR) : number).toPlainString();
    }
    if (measure.equals(Measure.RECORDED_HOURS.id()) && (hours || minutes)) {
      return (hours ? number : number.divide(MINUTES_OF_AN_HOUR, DECIMALS, RoundingMode.HALF_UP))
          .toPlainString();
    }
    return found.group();
  }
}
