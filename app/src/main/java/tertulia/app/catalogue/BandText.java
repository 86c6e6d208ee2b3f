package tertulia.app.catalogue;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.Consumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.PriceText;
import tertulia.app.exchange.ToolSheet;
import tertulia.app.exchange.TypedNumber;
import tertulia.app.exchange.TypedPrice;

/**
 * Bands in words that cannot be mistaken, one a line: "to 25: 8.40 each", "to 25: 90 in all",
 * "above: 5.10 each plus 40", also "up to 75 people 190 in all, then 2.90 each". The short way, "25
 * 8.40", "25 0 90" and "more 5.10", is read too.
 */
final class BandText {
  private static final Pattern LINE =
      Pattern.compile(
          "(?:(?:up\\s+)?to\\s+|≤\\s*)?(?<upTo>[0-9.,'’]+|more|above|then)"
              + "(?:\\s+(?:people|persons|seats|users|members|heads|staff|units))?"
              + "(?:\\s*[:=]|\\s+at\\b|\\s+for\\b|\\s)\\s*(?<price>.+)");
  private static final Pattern EACH =
      Pattern.compile(
          "(?<each>.+?)\\s*\\beach"
              + "(?:\\s*(?:and|plus|\\+)\\s*(?<flat>.+?)(?:\\s+(?:in\\s+all|flat))?)?");
  private static final Pattern IN_ALL = Pattern.compile("(?<flat>.+?)\\s+(?:in\\s+all|flat)");

  /** Lines, semicolons, and commas before the last band. */
  private static final String APART = "\\s*(?:\\R|;|,(?=\\s*(?:then|above|more)\\b))\\s*";

  /** More characters than any band takes. */
  private static final int LONGEST = 120;

  private BandText() {}

  /**
   * The bands of a cell, one a line or set apart by semicolons.
   *
   * @param refused is told of every line that is none, with a sentence
   */
  static List<ToolSheet.BandPart> read(String text, String currency, Consumer<String> refused) {
    List<ToolSheet.BandPart> bands = new ArrayList<>();
    for (String line : text.strip().split(APART)) {
      try {
        bands.add(band(line.strip(), currency));
      } catch (IllegalArgumentException e) {
        refused.accept(e.getMessage());
      }
    }
    return bands;
  }

  /** Whether a price is written as bands where one for each unit belongs. */
  static boolean isBands(String text, String currency) {
    List<String> refused = new ArrayList<>();
    return text.strip().toLowerCase(Locale.ROOT).matches("(?s)(?:up\\s+)?to\\b.*")
        && !read(text, currency, refused::add).isEmpty()
        && refused.isEmpty();
  }

  private static ToolSheet.BandPart band(String line, String currency) {
    Matcher found = LINE.matcher(line.toLowerCase(Locale.ROOT));
    if (line.length() > LONGEST || !found.matches()) {
      throw refused(line);
    }
    String upTo = found.group("upTo");
    // signs and codes of a currency are in capitals
    String price = line.substring(found.start("price"));
    String lower = price.toLowerCase(Locale.ROOT);
    Matcher each = EACH.matcher(lower);
    if (each.matches()) {
      return band(upTo, part(price, each, "each"), part(price, each, "flat"), currency);
    }
    Matcher inAll = IN_ALL.matcher(lower);
    if (inAll.matches()) {
      return band(upTo, null, part(price, inAll, "flat"), currency);
    }
    String[] numbers = price.strip().split("\\s+");
    if (numbers.length > 2) {
      throw refused(line);
    }
    return band(upTo, numbers[0], numbers.length == 2 ? numbers[1] : null, currency);
  }

  private static @Nullable String part(String price, Matcher words, String group) {
    return words.group(group) == null
        ? null
        : price.substring(words.start(group), words.end(group));
  }

  private static ToolSheet.BandPart band(
      String upTo, @Nullable String each, @Nullable String flat, String currency) {
    return new ToolSheet.BandPart(
        List.of("more", "above", "then").contains(upTo)
            ? null
            : Integer.valueOf(TypedNumber.readWhole(upTo)),
        each == null ? "0" : TypedPrice.read(each, currency, true),
        flat == null ? "0" : TypedPrice.read(flat, currency, true));
  }

  private static IllegalArgumentException refused(String line) {
    return new IllegalArgumentException(
        "\""
            + Codes.shortened(line)
            + "\" is not a band. Write one a line, up to how many units and what they cost: \"to"
            + " 25: 8.40 each\", \"to 25: 90 in all\", \"above: 5.10 each\".");
  }

  /** The bands in words; of an assumed price each number that differs is a range. */
  static List<String> lines(ToolSheet.BandedPart low, ToolSheet.BandedPart high) {
    List<String> lines = new ArrayList<>();
    for (int i = 0; i < low.bands().size(); i++) {
      ToolSheet.BandPart band = low.bands().get(i);
      ToolSheet.BandPart top = high.bands().get(Math.min(i, high.bands().size() - 1));
      lines.add((band.upTo() == null ? "above" : "to " + band.upTo()) + ": " + price(band, top));
    }
    return lines;
  }

  private static String price(ToolSheet.BandPart low, ToolSheet.BandPart high) {
    String each = ChargeTexts.range(low.each(), high.each());
    String flat = ChargeTexts.range(low.flat(), high.flat());
    if (isNothing(low.flat()) && isNothing(high.flat())) {
      return each + " each";
    }
    return isNothing(low.each()) && isNothing(high.each())
        ? flat + " in all"
        : each + " each plus " + flat;
  }

  private static boolean isNothing(String number) {
    return PriceText.of(number).amount().signum() == 0;
  }
}
