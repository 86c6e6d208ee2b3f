package tertulia.pagetext;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import tertulia.core.growth.Measure;
import tertulia.pagetext.PageReading.BandSaid;

/** Prices by how many there are: "26 to 100 users: €4 each", a line each. */
final class Bands {
  private static final String SEATS =
      "(?:users?|seats?|members?|people|licen[cs]es?|editors?|agents?|employees?|hosts?|calendars?|phone lines?)";
  private static final Pattern BAND =
      Pattern.compile(
          "(?i)^(?:(?:from\\s)?(?<a>\\d[\\d.,]*)\\s?(?:-|–|—|to)\\s?(?<b>\\d[\\d.,]*)|(?:up to|first)\\s(?<c>\\d[\\d.,]*)|(?<d>\\d[\\d.,]*)\\s?\\+|(?:more than|above|over)\\s(?<e>\\d[\\d.,]*)|(?<g>\\d[\\d.,]*)\\s(?:or|and)\\smore)\\s*(?<unit>"
              + SEATS
              + ")?\\s*(?:[:=–—-]|at|for|cost)?\\s*(?<rest>.*)$");

  private final Numbers numbers;
  private final List<Line> lines = new ArrayList<>();

  Bands(Numbers numbers) {
    this.numbers = numbers;
  }

  /** Whether a line is the price of one band: "26 to 100 users: €4 each". */
  static boolean isOne(String text) {
    return BAND.matcher(text).matches();
  }

  void add(Line line) {
    lines.add(line);
  }

  boolean isEmpty() {
    return lines.isEmpty();
  }

  /** Where the first of them stands. */
  Passage first() {
    return lines.getFirst().passage();
  }

  /**
   * The bands, in the order of the page.
   *
   * @param priced the plan's other lines about its price
   * @param page what is said of all prices
   * @param several whether the page knows more than one way of billing
   */
  List<Said<BandSaid>> read(List<Line> priced, Wording page, boolean several) {
    Wording beside = Wording.NOTHING;
    for (Line line : priced) {
      beside = Amount.isIn(line.text()) ? beside : beside.or(Wording.in(line.text()));
    }
    List<Said<BandSaid>> bands = new ArrayList<>();
    for (Line line : lines) {
      Matcher band = BAND.matcher(line.text());
      if (band.matches()) {
        band(band, line, beside, page, several).ifPresent(bands::add);
      }
    }
    return bands;
  }

  private Optional<Said<BandSaid>> band(
      Matcher band, Line line, Wording beside, Wording page, boolean several) {
    @Nullable String end = band.group("b") == null ? band.group("c") : band.group("b");
    Optional<Integer> upTo = Optional.ofNullable(end).map(n -> numbers.read(n).value().intValue());
    List<Clause.Stated> stated =
        Clause.of(List.of(new Line(line.number(), band.group("rest"), line.mark())), numbers)
            .stated();
    boolean said =
        band.group("rest").matches("(?i).*\\beach\\b.*")
            || beside
                .or(stated.isEmpty() ? Wording.NOTHING : stated.getFirst().wording())
                .of()
                .isPresent();
    Set<Assumed> assumed = said ? Set.of() : Set.of(rises() ? Assumed.IN_ALL : Assumed.FOR_WHOM);
    Optional<Measure> unit = Optional.ofNullable(band.group("unit")).flatMap(Units::of);
    Wording of =
        new Wording(
            Optional.of(
                new Wording.Of(
                    said || !rises() ? Optional.of(unit.orElse(Measure.SEATS)) : Optional.empty())),
            Optional.empty(),
            Optional.empty(),
            false,
            false);
    return Clause.prices(stated, beside.or(of), page, several).stream()
        .findFirst()
        .map(price ->
            new Said<>(new BandSaid(upTo, price.value()), line.passage(), price.assumed())
                .assuming(assumed));
  }

  /** Whether larger bands cost more, so that each price is one of all units. */
  private boolean rises() {
    List<BigDecimal> amounts =
        lines.stream().map(line -> Amount.in(line.text(), numbers).getFirst().value()).toList();
    return amounts.getFirst().compareTo(amounts.getLast()) < 0;
  }
}
