package tertulia.app.catalogue;

import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tertulia.app.exchange.Codes;
import tertulia.core.growth.Measure;

/**
 * An allowance as it is typed into a cell: "15", "1.5 a seat", "15 + 1.5 a seat", "2 a light seat".
 *
 * @param perAccount a decimal
 * @param perSeat a decimal
 * @param seats id of the measure that counts
 */
record IncludedText(String perAccount, String perSeat, String seats) {
  static final IncludedText NOTHING = new IncludedText("0", "0", "seats");
  private static final Pattern EACH = Pattern.compile("(\\S+)\\s+an?\\s+(.+)");

  /**
   * Reads a cell.
   *
   * @param measures what there may be so many of for each
   * @throws IllegalArgumentException with the ways to write it
   */
  static IncludedText read(String text, List<Measure> measures) {
    String[] parts = text.strip().split("\\s*\\+\\s*");
    if (parts.length > 2) {
      throw refused(text);
    }
    IncludedText found = NOTHING;
    for (String part : parts) {
      Matcher each = EACH.matcher(part);
      found =
          each.matches()
              ? new IncludedText(
                  found.perAccount, number(each.group(1)), measure(each.group(2), measures))
              : new IncludedText(number(part), found.perSeat, found.seats);
    }
    return found;
  }

  private static String number(String text) {
    return Codes.decimal(text).toPlainString();
  }

  private static String measure(String singular, List<Measure> measures) {
    String wanted = singular.strip();
    return measures.stream()
        .filter(measure ->
            measure.one().equalsIgnoreCase(wanted) || measure.label().equalsIgnoreCase(wanted))
        .findFirst()
        .map(Measure::id)
        .orElseThrow(() -> refused(singular));
  }

  private static IllegalArgumentException refused(String text) {
    return new IllegalArgumentException(
        "\""
            + text.strip()
            + "\" is no allowance. Write \"15\" for the account, \"1.5 a seat\", or both: \"15 +"
            + " 1.5 a seat\".");
  }

  /** As it is typed; empty for nothing. */
  String text() {
    boolean account = !isZero(perAccount);
    boolean seat = !isZero(perSeat);
    String each = perSeat + " a " + Codes.measure(seats).one();
    return account && seat ? perAccount + " + " + each : seat ? each : account ? perAccount : "";
  }

  private static boolean isZero(String number) {
    return number.matches("0*[.]?0*");
  }
}
