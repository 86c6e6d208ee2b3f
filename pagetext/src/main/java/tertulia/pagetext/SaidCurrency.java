package tertulia.pagetext;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** A currency that a page names once for all its prices, none of which has a sign of its own. */
final class SaidCurrency {
  private static final Pattern SAID =
      Pattern.compile(
          "(?i)\\b(?:prices?|amounts?|sums?|figures?|rates?|fees?)\\b[^.]{0,30}?\\bin (?:(?<code>[A-Z]{3})\\b|(?:US |american )?(?<word>(?:swiss |norwegian |swedish |danish )?(?:euros?|dollars?|pounds?|francs?|krone[rn]?|krono?r|yen)))");

  private static final Pattern BARE = Pattern.compile("(?i)(?:from )?(?=\\d)");

  private SaidCurrency() {}

  /** The code of that currency; empty if amounts have signs, or no currency is said. */
  static Optional<String> of(List<Line> lines) {
    if (lines.stream().anyMatch(line -> Amount.isIn(line.text()))) {
      return Optional.empty();
    }
    return lines.stream()
        .map(line -> SAID.matcher(line.text()))
        .filter(Matcher::find)
        .flatMap(said -> code(said).stream())
        .findFirst();
  }

  private static Optional<String> code(Matcher said) {
    if (said.group("code") != null) {
      return Amount.sign(said.group("code").toUpperCase(Locale.ROOT));
    }
    String word = said.group("word").toLowerCase(Locale.ROOT);
    String country = word.contains(" ") ? word.substring(0, word.indexOf(' ')) : "";
    return switch (word.substring(word.indexOf(' ') + 1, word.indexOf(' ') + 3)) {
      case "eu" -> Optional.of("EUR");
      case "do" -> Optional.of("USD");
      case "po" -> Optional.of("GBP");
      case "fr" -> country.equals("swiss") ? Optional.of("CHF") : Optional.empty();
      case "ye" -> Optional.of("JPY");
      default ->
          switch (country) {
            case "norwegian" -> Optional.of("NOK");
            case "swedish" -> Optional.of("SEK");
            case "danish" -> Optional.of("DKK");
            default -> Optional.empty();
          };
    };
  }

  /** "9.80 a seat a month" with its currency before it. */
  static List<Line> beside(List<Line> lines) {
    return of(lines)
        .map(code -> lines.stream().map(line -> beside(line, code)).toList())
        .orElse(lines);
  }

  private static Line beside(Line line, String code) {
    Matcher bare = BARE.matcher(line.text());
    if (line.isRow() || !bare.lookingAt()) {
      return line;
    }
    String amount = line.text().substring(0, bare.end()) + code + " ";
    String priced = amount + line.text().substring(bare.end());
    boolean price =
        !Wording.in(line.text()).isNothing()
            && Amount.isIn(priced)
            && !Wording.hasMore(priced.substring(amount.length()).replaceFirst("^[\\d.,]+", ""));
    return price ? new Line(line.number(), priced, line.mark()) : line;
  }
}
