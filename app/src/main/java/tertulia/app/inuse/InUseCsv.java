package tertulia.app.inuse;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tertulia.app.exchange.CsvTable;
import tertulia.app.exchange.Fault;
import tertulia.app.exchange.Faults;
import tertulia.core.inuse.Beside;

/** What is in use as a table: a row for each tool, or a row for each invoice. */
final class InUseCsv {
  /** The headings that mean a field. */
  private static final Map<String, List<String>> HEADINGS =
      Map.of(
          "tool", List.of("tool", "name", "software", "application"),
          "plan", List.of("plan", "edition", "tier"),
          "units", List.of("units", "seats", "licences", "licenses", "quantity"),
          "price", List.of("price", "unit price", "price a seat", "price per seat", "as paid"),
          "currency", List.of("currency"),
          "term", List.of("term", "billing", "billing term"),
          "ends", List.of("ends", "end", "paid until", "until", "term ends", "renewal"),
          "notice", List.of("notice", "notice by", "notice day", "cancel by"),
          "users", List.of("users", "groups", "used by", "teams"),
          "areas", List.of("areas", "area", "work area", "work areas", "used for"));

  private InUseCsv() {}

  /** All rows, or none if anything was refused; faults are named by row. */
  static List<InUseLine.Read> read(byte[] bytes, InUseLine line, Faults faults) {
    Optional<CsvTable> table = faults.at("File", () -> CsvTable.read(bytes));
    if (table.isEmpty()) {
      return List.of();
    }
    List<Invoices.Row> typed =
        Invoices.isIn(table.get()) ? Invoices.read(table.get(), faults) : rows(table.get(), faults);
    if (typed.size() > Beside.MOST) {
      faults.add(
          "File", "There are " + typed.size() + " tools; at most " + Beside.MOST + " are read.");
      return List.of();
    }
    List<InUseLine.Read> all = new ArrayList<>();
    for (Invoices.Row row : typed) {
      Faults own = new Faults();
      line.read(row.typed(), own).ifPresent(all::add);
      for (Fault fault : own.all()) {
        faults.add("Row " + row.number() + ", " + fault.at(), fault.message());
      }
    }
    return faults.isEmpty() ? all : List.of();
  }

  /** A row for each tool. */
  private static List<Invoices.Row> rows(CsvTable table, Faults faults) {
    Map<String, Integer> columns = table.columns(HEADINGS);
    if (!columns.containsKey("tool") || !columns.containsKey("units")) {
      faults.add(
          "Row 1",
          "A table of what is in use needs the columns tool and seats; these are there: "
              + String.join(", ", table.written())
              + ". It may have plan, price, currency, term, ends, notice, users and areas, too.");
      return List.of();
    }
    List<Invoices.Row> all = new ArrayList<>();
    Map<String, Integer> rows = new HashMap<>();
    for (CsvTable.Numbered row : table.rows()) {
      Map<String, String> typed = new HashMap<>();
      columns.forEach((field, place) ->
          typed.put(field, place < row.cells().size() ? row.cells().get(place) : ""));
      all.add(new Invoices.Row(row.number(), typed));
      Integer before = rows.putIfAbsent(typed.getOrDefault("tool", "").strip(), row.number());
      if (before != null) {
        faults.add(
            "Row " + row.number() + ", tool",
            "This tool stands in row " + before + " already. Write one row with all its seats.");
      }
    }
    return all;
  }

  /** The table that {@link #read} reads. */
  static String write(List<Map<String, String>> lines) {
    return CsvTable.write(
        InUseLine.FIELDS,
        lines.stream()
            .map(line -> InUseLine.FIELDS.stream().map(f -> line.getOrDefault(f, "")).toList())
            .toList());
  }
}
