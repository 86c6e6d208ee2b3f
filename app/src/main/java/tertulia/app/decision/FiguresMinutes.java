package tertulia.app.decision;

import java.math.BigDecimal;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import tertulia.app.chart.RecordChart;
import tertulia.app.decision.Minutes.Block;
import tertulia.app.decision.Minutes.Cell;
import tertulia.app.decision.Minutes.Section;
import tertulia.app.display.Dates;
import tertulia.app.display.Figures;
import tertulia.app.display.Voice;
import tertulia.app.exchange.Results;

/**
 * The tables of a record: contenders with their figures, who won where, the answer by size.
 *
 * @param choice id of the contender that was chosen
 */
record FiguresMinutes(Results results, String choice) {
  /** So many contenders stand side by side on a sheet. */
  private static final int ABREAST = 5;

  /** The middle of a total that is there. */
  static BigDecimal middle(Results.ContenderResult contender) {
    Results.ScoreResult total = Objects.requireNonNull(contender.total());
    return new BigDecimal(total.low()).add(new BigDecimal(total.high())).divide(BigDecimal.TWO);
  }

  /** Its cost over all months, if that is one figure. */
  static Optional<BigDecimal> exact(Results.ContenderResult contender) {
    Results.CostResult cost = contender.horizon();
    return cost == null || cost.amount() == null || cost.atMost() || cost.low() != null
        ? Optional.empty()
        : Optional.of(new BigDecimal(cost.amount()));
  }

  Optional<Section> contenders() {
    List<Results.ContenderResult> compared =
        results.contenders().stream().filter(c -> c.setAside() == null).toList();
    if (compared.isEmpty()) {
      return Optional.empty();
    }
    List<Block> blocks = new ArrayList<>();
    for (int from = 0; from < compared.size(); from += ABREAST) {
      blocks.add(
          Block.table(figures(compared.subList(from, Math.min(compared.size(), from + ABREAST)))));
    }
    List<RecordChart.Total> totals =
        compared.stream()
            .filter(c -> c.total() != null)
            .sorted(Comparator.comparing(FiguresMinutes::middle, Comparator.reverseOrder()))
            .map(c ->
                new RecordChart.Total(
                    c.name(),
                    Double.parseDouble(Objects.requireNonNull(c.total()).low()),
                    Double.parseDouble(c.total().high()),
                    isChoice(c)))
            .toList();
    if (!totals.isEmpty()) {
      blocks.add(Block.picture(RecordChart.totals(totals), Voice.say("record.short.totals")));
    }
    return Section.of("contenders", "Contenders", blocks);
  }

  private List<List<Cell>> figures(List<Results.ContenderResult> compared) {
    List<List<Cell>> rows = new ArrayList<>();
    rows.add(row("", compared, c -> Cell.words(c.name())));
    rows.add(
        row(
            "Plan and term",
            compared,
            c ->
                Cell.words(
                    c.horizon() == null
                        ? c.notCounted().isEmpty() ? "none" : c.notCounted().getLast()
                        : c.horizon().option())));
    rows.add(
        row(
            "A month, " + Dates.shortMonth(YearMonth.parse(results.start())),
            compared,
            c -> cost(c, c.firstMonth()).asking("steady", c.id())));
    rows.add(
        row(
            months(),
            compared,
            c -> cost(c, c.horizon()).asking(c.inUse() == null ? "way" : "inall", c.id())));
    if (compared.stream().anyMatch(c -> c.inUse() != null)) {
      rows.add(row(Voice.say("use.part.record.own"), compared, c -> of(c, Results.UseResult::own)));
      rows.add(
          row(Voice.say("use.part.record.stays"), compared, c -> of(c, Results.UseResult::stays)));
      rows.add(
          row(Voice.say("use.part.record.owed"), compared, c -> of(c, Results.UseResult::owed)));
    }
    years(compared).forEach(rows::add);
    if (compared.stream().anyMatch(c -> c.total() != null)) {
      rows.add(
          row(
              "Total, 0 to 1",
              compared,
              c ->
                  c.total() == null
                      ? Cell.words("—")
                      : Cell.figure(c.total().words(), isChoice(c))
                          .noting(rank(c.total()))
                          .asking("total", c.id())));
    }
    return rows;
  }

  private static String rank(Results.ScoreResult total) {
    return "rank "
        + total.bestRank()
        + (total.bestRank() == total.worstRank() ? "" : " to " + total.worstRank());
  }

  private boolean isChoice(Results.ContenderResult contender) {
    return contender.id().equals(choice);
  }

  private Cell cost(Results.ContenderResult contender, Results.@Nullable CostResult cost) {
    return cost == null ? Cell.words("not known") : Cell.figure(cost.words(), isChoice(contender));
  }

  /** A part of what a contender comes to with what is in use. */
  private static Cell of(
      Results.ContenderResult contender, Function<Results.UseResult, @Nullable String> part) {
    Results.UseResult use = contender.inUse();
    if (use == null) {
      return Cell.words("—");
    }
    String amount = part.apply(use);
    return Cell.words(amount == null ? "not known" : Results.grouped(amount));
  }

  private interface Told {
    Cell of(Results.ContenderResult contender);
  }

  private static List<Cell> row(String label, List<Results.ContenderResult> contenders, Told told) {
    List<Cell> row = new ArrayList<>();
    row.add(Cell.words(label));
    contenders.forEach(c -> row.add(told.of(c)));
    return row;
  }

  /** What the months of each calendar year come to, where every month has one figure. */
  private List<List<Cell>> years(List<Results.ContenderResult> compared) {
    YearMonth start = YearMonth.parse(results.start());
    Map<Integer, Map<String, BigDecimal>> years = new TreeMap<>();
    for (Results.ContenderResult c : compared) {
      List<String> months = c.months();
      if (months != null && exact(c).isPresent()) {
        for (int m = 0; m < months.size(); m++) {
          years
              .computeIfAbsent(start.plusMonths(m).getYear(), y -> new LinkedHashMap<>())
              .merge(c.id(), new BigDecimal(months.get(m)), BigDecimal::add);
        }
      }
    }
    List<List<Cell>> rows = new ArrayList<>();
    if (years.size() > 1) {
      years.forEach((year, sums) ->
          rows.add(
              row(
                  "of it " + year,
                  compared,
                  c ->
                      sums.containsKey(c.id())
                          ? Cell.figure(
                              Results.grouped(sums.get(c.id()).toPlainString()), isChoice(c))
                          : Cell.words("—"))));
    }
    return rows;
  }

  Optional<Section> card() {
    Results.SideResult side = results.side();
    if (side == null || side.card().isEmpty()) {
      return Optional.empty();
    }
    List<List<Cell>> rows = new ArrayList<>();
    rows.add(
        Stream.of("Criterion or need", "Weight", "Who wins, by how much", "Why")
            .map(Cell::words)
            .toList());
    for (Results.CardResult line : side.card()) {
      rows.add(
          List.of(
              Cell.words(line.name()).noting(Objects.requireNonNullElse(line.meaning(), "")),
              Cell.words(line.weight() == null ? "" : weight(line.weight())),
              Cell.words(
                  (line.ahead().isEmpty() ? "nobody for certain" : names(line.ahead()))
                      + (line.margin().isEmpty() ? "" : ", " + line.margin())),
              Cell.words(String.join(" ", line.why()))));
    }
    List<Block> blocks = new ArrayList<>();
    if (!side.says().isEmpty()) {
      blocks.add(Block.text(String.join(" ", side.says())));
    }
    blocks.add(Block.table(rows));
    return Section.of("card", "Who won where", blocks);
  }

  private static String weight(String weight) {
    return weight.matches("[0-9.]+") ? Figures.percent(new BigDecimal(weight)) : weight;
  }

  Optional<Section> sides() {
    Results.SideResult side = results.side();
    if (side == null) {
      return Optional.empty();
    }
    List<List<Cell>> rows = new ArrayList<>();
    rows.add(Stream.of("", "Wins", "Comes last in", "Lacks", "Opinions").map(Cell::words).toList());
    for (Results.SidesResult one : side.contenders()) {
      rows.add(
          List.of(
              Cell.words(name(one.contender())),
              Cell.words(list(one.wins(), "no criterion")),
              Cell.words(list(one.last(), "none for certain")),
              Cell.words(list(one.lacks(), "nothing of it")),
              Cell.words(list(one.opinions(), "none"))));
    }
    return rows.size() < 2
        ? Optional.empty()
        : Section.of("sides", "By contender", Block.table(rows));
  }

  private static String list(List<String> things, String none) {
    return things.isEmpty() ? none : String.join("; ", things);
  }

  Optional<Section> sizes() {
    Results.SideResult side = results.side();
    if (side == null || side.bySize().isEmpty()) {
      return Optional.empty();
    }
    List<List<Cell>> rows = new ArrayList<>();
    rows.add(
        Stream.of("A month for", "Leads", "Cheapest, " + results.currency())
            .map(Cell::words)
            .toList());
    for (Results.SizeResult size : side.bySize()) {
      rows.add(
          List.of(
              Cell.words(Figures.counted(size.people(), "people")),
              Cell.words(
                  size.leads() != null
                      ? name(size.leads())
                      : size.ahead() == null
                          ? "nobody"
                          : name(size.ahead()) + ", not in every case"),
              Cell.words(
                  size.cheapest().isEmpty()
                      ? "not known"
                      : names(size.cheapest())
                          + ", "
                          + Objects.requireNonNull(size.costs().get(size.cheapest().getFirst()))
                              .words())));
    }
    return Section.of("sizes", "By size of buyer", Block.table(rows));
  }

  private String months() {
    return Figures.counted(results.people().size(), "months");
  }

  private String name(String contender) {
    return results.contenders().stream()
        .filter(c -> c.id().equals(contender))
        .map(Results.ContenderResult::name)
        .findFirst()
        .orElse(contender);
  }

  private String names(List<String> contenders) {
    return contenders.stream().map(this::name).collect(Collectors.joining(", "));
  }
}
