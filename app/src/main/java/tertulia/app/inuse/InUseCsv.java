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

/** What is in use as a table: a row for each tool. */
final class InUseCsv {
  /** Other headings that mean a field. */
  private static final Map<String, List<String>> HEADINGS =
      Map.of(
          "tool", List.of("name", "software", "application"),
          "plan", List.of("edition", "tier"),
          "units", List.of("seats", "licences", "licenses", "quantity"),
          "price", List.of("unit price", "price a seat", "price per seat", "as paid"),
          "currency", List.of(),
          "term", List.of("billing", "billing term"),
          "ends", List.of("end", "paid until", "until", "term ends", "renewal"),
          "notice", List.of("notice by", "notice day", "cancel by"),
          "users", List.of("groups", "used by", "teams"),
          "areas", List.of("area", "work area", "work areas", "used for"));

  private InUseCsv() {}

  /** All rows, or none if anything was refused; faults are named by row. */
  static List<InUseLine.Read> read(byte[] bytes, InUseLine line, Faults faults) {
    Optional<CsvTable> table = faults.at("File", () -> CsvTable.read(bytes));
    if (table.isEmpty()) {
      return List.of();
    }
    Map<String, Integer> columns = columns(table.get());
    if (!columns.containsKey("tool") || !columns.containsKey("units")) {
      faults.add(
          "Row 1",
          "A table of what is in use needs the columns tool and seats; these are there: "
              + String.join(", ", table.get().written())
              + ". It may have plan, price, currency, term, ends, notice, users and areas, too.");
      return List.of();
    }
    if (table.get().rows().size() > Beside.MOST) {
      faults.add(
          "File",
          "There are "
              + table.get().rows().size()
              + " rows; at most "
              + Beside.MOST
              + " are read.");
      return List.of();
    }
    List<InUseLine.Read> all = new ArrayList<>();
    Map<String, Integer> rows = new HashMap<>();
    for (CsvTable.Numbered row : table.get().rows()) {
      Map<String, String> typed = new HashMap<>();
      columns.forEach((field, place) ->
          typed.put(field, place < row.cells().size() ? row.cells().get(place) : ""));
      Faults own = new Faults();
      line.read(typed, own).ifPresent(all::add);
      for (Fault fault : own.all()) {
        faults.add("Row " + row.number() + ", " + fault.at(), fault.message());
      }
      Integer before = rows.putIfAbsent(typed.getOrDefault("tool", "").strip(), row.number());
      if (before != null) {
        faults.add(
            "Row " + row.number() + ", tool",
            "This tool stands in row " + before + " already. Write one row with all its seats.");
      }
    }
    return faults.isEmpty() ? all : List.of();
  }

  private static Map<String, Integer> columns(CsvTable table) {
    Map<String, Integer> columns = new HashMap<>();
    for (int i = 0; i < table.header().size(); i++) {
      String heading = table.header().get(i);
      for (String field : InUseLine.FIELDS) {
        if (heading.equals(field) || HEADINGS.getOrDefault(field, List.of()).contains(heading)) {
          columns.putIfAbsent(field, i);
        }
      }
    }
    return columns;
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
