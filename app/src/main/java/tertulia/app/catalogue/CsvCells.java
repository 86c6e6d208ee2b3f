package tertulia.app.catalogue;

import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import tertulia.app.exchange.CsvTable;

/** The cells of a catalogue as CSV by column, with a decimal comma read as a point. */
final class CsvCells {
  private static final Pattern COMMA = Pattern.compile("\\d,\\d");
  private static final Pattern POINT = Pattern.compile("\\d\\.\\d");

  /** Lines whose cells hold numbers; in others a comma is a comma. */
  private static final Set<String> OF_NUMBERS =
      Set.of("plan", "price", "allowance", "offer", "rating", "owned", "connector");

  private static final List<CsvColumn> NUMBERS =
      List.of(CsvColumn.VALUE, CsvColumn.PACK, CsvColumn.INCLUDED, CsvColumn.TAX);

  private final Map<String, Integer> places = new HashMap<>();
  private final boolean comma;
  private final boolean point;

  CsvCells(CsvTable table) {
    for (int i = 0; i < table.header().size(); i++) {
      places.put(table.header().get(i), i);
    }
    this.comma = holds(table, COMMA);
    this.point = holds(table, POINT);
  }

  private boolean holds(CsvTable table, Pattern number) {
    return table.rows().stream()
        .anyMatch(row ->
            Arrays.stream(CsvColumn.values())
                .filter(column -> isNumber(row, column))
                .anyMatch(column -> number.matcher(raw(row, column)).find()));
  }

  /** Minutes are a number wherever they stand. */
  private boolean isNumber(CsvTable.Numbered row, CsvColumn column) {
    return column == CsvColumn.MINUTES
        || NUMBERS.contains(column)
            && OF_NUMBERS.contains(raw(row, CsvColumn.LINE).toLowerCase(Locale.ROOT));
  }

  boolean has(CsvColumn column) {
    return places.containsKey(column.heading());
  }

  boolean decimalComma() {
    return comma && !point;
  }

  /** Whether some numbers have a comma and some a point. */
  boolean isMixed() {
    return comma && point;
  }

  /** A cell as it stands, without surrounding blanks; empty if there is no such column. */
  String raw(CsvTable.Numbered row, CsvColumn column) {
    Integer place = places.get(column.heading());
    return place == null || place >= row.cells().size() ? "" : row.cells().get(place).strip();
  }

  /** A cell as it stands, with the blanks around it. */
  String whole(CsvTable.Numbered row, CsvColumn column) {
    Integer place = places.get(column.heading());
    return place == null || place >= row.cells().size() ? "" : row.cells().get(place);
  }

  /** A cell that may hold a number, with a decimal point. */
  String cell(CsvTable.Numbered row, CsvColumn column) {
    String text = raw(row, column);
    boolean number = decimalComma() && isNumber(row, column);
    return number ? text.replaceAll("(?<=\\d),(?=\\d)", ".") : text;
  }
}
