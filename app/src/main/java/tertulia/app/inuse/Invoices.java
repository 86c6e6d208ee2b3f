package tertulia.app.inuse;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tertulia.app.exchange.CsvTable;
import tertulia.app.exchange.Fault;
import tertulia.app.exchange.Faults;
import tertulia.app.exchange.TermCode;
import tertulia.app.exchange.TypedDate;
import tertulia.app.exchange.TypedNumber;

/**
 * Invoices as a table: of each tool the period that ends last says what is paid for. Several
 * invoices up to that day are added up; the price is that of the one that covers most months.
 */
final class Invoices {
  private static final int DECIMALS = 4;
  private static final Map<String, List<String>> HEADINGS =
      Map.of(
          "tool", List.of("tool", "name", "software", "application", "vendor", "supplier"),
          "plan", List.of("plan", "edition", "tier"),
          "units", List.of("units", "seats", "licences", "licenses", "quantity"),
          "amount", List.of("amount", "net", "net amount", "amount before tax"),
          "currency", List.of("currency"),
          "from", List.of("from", "period from", "begins"),
          "to", List.of("to", "period to", "ends", "until"),
          "users", List.of("users", "groups", "used by", "teams"),
          "areas", List.of("areas", "area", "work area", "work areas", "used for"));

  private Invoices() {}

  /**
   * What a row says, as one types it.
   *
   * @param number of the row it stands in
   */
  record Row(int number, Map<String, String> typed) {}

  /**
   * One invoice.
   *
   * @param from first month it covers
   * @param to last month it covers
   */
  private record Line(
      int number,
      Map<String, String> cells,
      int units,
      BigDecimal amount,
      YearMonth from,
      YearMonth to) {
    int months() {
      return (int) from.until(to, java.time.temporal.ChronoUnit.MONTHS) + 1;
    }
  }

  /** Whether a table lists invoices: amounts for periods. */
  static boolean isIn(CsvTable table) {
    return columns(table).keySet().containsAll(List.of("tool", "amount", "from", "to"));
  }

  /** The tools in use that invoices tell of; rows that cannot be read add faults. */
  static List<Row> read(CsvTable table, Faults faults) {
    Map<String, Integer> columns = columns(table);
    if (!columns.containsKey("units")) {
      faults.add(
          "Row 1",
          "Invoices need the column seats, too, to know what one costs; these are there: "
              + String.join(", ", table.written())
              + ".");
      return List.of();
    }
    Map<String, List<Line>> tools = new LinkedHashMap<>();
    for (CsvTable.Numbered row : table.rows()) {
      Map<String, String> cells = new HashMap<>();
      columns.forEach((field, place) ->
          cells.put(field, place < row.cells().size() ? row.cells().get(place).strip() : ""));
      Faults own = new Faults();
      line(row.number(), cells, own)
          .ifPresent(line ->
              tools
                  .computeIfAbsent(
                      cells.getOrDefault("tool", "").toLowerCase(java.util.Locale.ROOT),
                      name -> new ArrayList<>())
                  .add(line));
      for (Fault fault : own.all()) {
        faults.add("Row " + row.number() + ", " + fault.at(), fault.message());
      }
    }
    List<Row> rows = new ArrayList<>();
    tools.values().forEach(lines -> row(lines, faults).ifPresent(rows::add));
    return rows;
  }

  private static Optional<Line> line(int number, Map<String, String> cells, Faults faults) {
    Optional<Integer> units =
        faults.at("units", () -> positive(TypedNumber.readWhole(cells.getOrDefault("units", ""))));
    Optional<BigDecimal> amount =
        faults.at("amount", () -> TypedNumber.read(cells.getOrDefault("amount", "")).value());
    Optional<YearMonth> from =
        faults.at("from", () -> YearMonth.from(TypedDate.day(cells.getOrDefault("from", ""))));
    Optional<YearMonth> to =
        faults.at("to", () -> YearMonth.from(TypedDate.day(cells.getOrDefault("to", ""))));
    if (units.isEmpty() || amount.isEmpty() || from.isEmpty() || to.isEmpty()) {
      return Optional.empty();
    }
    if (to.get().isBefore(from.get())) {
      faults.add("to", "This period ends before it begins. Write its last day.");
      return Optional.empty();
    }
    return Optional.of(new Line(number, cells, units.get(), amount.get(), from.get(), to.get()));
  }

  private static int positive(int units) {
    if (units < 1) {
      throw new IllegalArgumentException(
          "An invoice is for one seat or more; found "
              + units
              + ". Leave out what is not for seats.");
    }
    return units;
  }

  private static Optional<Row> row(List<Line> lines, Faults faults) {
    YearMonth last = lines.stream().map(Line::to).max(Comparator.naturalOrder()).orElseThrow();
    List<Line> current = lines.stream().filter(line -> line.to().equals(last)).toList();
    Line longest =
        current.stream().max(Comparator.comparingInt(Line::months)).orElse(current.getFirst());
    Optional<TermCode> term =
        TermCode.ALL.stream()
            .filter(code -> code.term().monthsCommitted() == longest.months())
            .filter(code -> longest.months() == 1 || code.upFront())
            .findFirst();
    if (term.isEmpty()) {
      faults.add(
          "Row " + longest.number() + ", to",
          "This invoice covers "
              + longest.months()
              + " months; a term has 1, 12, 24 or 36. Write the whole term, or enter the tool by"
              + " hand.");
      return Optional.empty();
    }
    BigDecimal each =
        longest
            .amount()
            .divide(BigDecimal.valueOf(longest.units()), DECIMALS, RoundingMode.HALF_UP)
            .stripTrailingZeros();
    Map<String, String> typed = new HashMap<>(longest.cells());
    typed.put("units", "" + current.stream().mapToInt(Line::units).sum());
    typed.put("price", each.toPlainString() + period(longest.months()));
    typed.put("term", term.get().code());
    typed.put("ends", longest.months() == 1 ? "" : last.toString());
    typed.keySet().removeAll(List.of("amount", "from", "to"));
    return Optional.of(new Row(longest.number(), typed));
  }

  private static String period(int months) {
    return switch (months) {
      case 1 -> "";
      case 12 -> " a year";
      default -> " for " + months + " months";
    };
  }

  private static Map<String, Integer> columns(CsvTable table) {
    return table.columns(HEADINGS);
  }
}
