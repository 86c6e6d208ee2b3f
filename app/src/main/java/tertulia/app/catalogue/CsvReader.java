package tertulia.app.catalogue;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.CsvTable;
import tertulia.app.exchange.ToolSheet;

/** Reads a catalogue as CSV into price pages; what is refused is told by row and column. */
final class CsvReader {
  private final List<Refusal> refusals = new ArrayList<>();
  private final CsvTable table;
  private final CsvCells cells;

  private CsvReader(CsvTable table) {
    this.table = table;
    this.cells = new CsvCells(table);
  }

  /**
   * What a file holds.
   *
   * @param rows the first row of each sheet, in the sheets' order
   */
  record Sheets(
      List<ToolSheet> sheets, List<Integer> rows, List<Refusal> refusals, boolean decimalComma) {}

  static Sheets read(CsvTable table) {
    return new CsvReader(table).sheets();
  }

  private Sheets sheets() {
    for (CsvColumn needed : List.of(CsvColumn.LINE, CsvColumn.TOOL)) {
      if (!cells.has(needed)) {
        refuse(
            1,
            needed.heading(),
            "There is no column \"" + needed.heading() + "\". The first row names the columns.");
        return new Sheets(List.of(), List.of(), refusals, cells.decimalComma());
      }
    }
    for (String name : table.header()) {
      if (!CsvColumn.headings().contains(name)) {
        refuse(1, name, "Unknown column \"" + name + "\". Rename or remove it.");
      }
    }
    if (cells.isMixed()) {
      refuse(
          1,
          CsvColumn.VALUE.heading(),
          "Some numbers have a decimal comma and some a decimal point. Use one of them.");
    }
    Map<String, List<CsvTable.Numbered>> tools = new LinkedHashMap<>();
    for (CsvTable.Numbered row : table.rows()) {
      if (isWhole(row)) {
        String id = cells.raw(row, CsvColumn.TOOL_ID);
        String name = cells.raw(row, CsvColumn.TOOL);
        tools
            .computeIfAbsent(Codes.slug(id.isEmpty() ? name : id), slug -> new ArrayList<>())
            .add(row);
      }
    }
    List<ToolSheet> sheets = new ArrayList<>();
    List<Integer> first = new ArrayList<>();
    tools.forEach((id, rows) -> {
      CsvPage page = new CsvPage(id, cells, refusals);
      rows.forEach(page::add);
      page.sheet()
          .ifPresent(sheet -> {
            sheets.add(sheet);
            first.add(rows.getFirst().number());
          });
    });
    return new Sheets(sheets, first, refusals, cells.decimalComma());
  }

  private boolean isWhole(CsvTable.Numbered row) {
    if (row.cells().size() < table.header().size()) {
      refuse(
          row.number(),
          "",
          "The row has "
              + row.cells().size()
              + " cells, the header "
              + table.header().size()
              + ": the file seems cut off here. Export it again.");
      return false;
    }
    if (row.cells().stream().anyMatch(cell -> cell.indexOf('�') >= 0)) {
      refuse(
          row.number(),
          "",
          "Letters were lost when this file was saved (�). Save it again as CSV in UTF-8.");
      return false;
    }
    if (cells.raw(row, CsvColumn.TOOL).isEmpty()) {
      refuse(row.number(), "tool", "Which tool is this row about? Name it.");
      return false;
    }
    return true;
  }

  private void refuse(int row, String field, String reason) {
    refusals.add(Refusal.of(row, field, reason));
  }
}
