package tertulia.pagetext;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Columns that stand below one another by the place where they begin, some of whose cells are
 * empty: as rows with tabs.
 */
final class Positioned {
  private static final Pattern GAP = Pattern.compile("^ +| {2,}| $");
  private static final int FEWEST_ROWS = 3;

  /** How many characters a cell may begin beside its column. */
  private static final int OFF = 1;

  private Positioned() {}

  /** Where a cell begins, and what is in it. */
  private record Cell(int start, String text) {}

  /** The text, with such blocks as rows with tabs; as many lines as before. */
  static String tabbed(String text) {
    List<String> lines = new ArrayList<>(List.of(text.split("\\R", -1)));
    for (int head = 0; head < lines.size(); head++) {
      List<Cell> columns = cells(lines.get(head));
      int end = columns.size() < 2 ? head : end(lines, head, columns);
      if (isTable(lines.subList(head, end), columns)) {
        for (int i = head; i < end; i++) {
          lines.set(i, row(cells(lines.get(i)), columns));
        }
        head = end;
      }
    }
    return String.join("\n", lines);
  }

  /** Behind the last line all of whose cells stand below one of the head's. */
  private static int end(List<String> lines, int head, List<Cell> columns) {
    int end = head;
    for (int i = head; i < lines.size(); i++) {
      List<Cell> cells = cells(lines.get(i));
      boolean below =
          !lines.get(i).contains("\t")
              && !lines.get(i).contains("|")
              && cells.stream().allMatch(cell -> column(cell, columns).isPresent());
      // a paragraph that begins where the first column does is none of its cells
      boolean alone = cells.size() == 1 && cells.getFirst().start() <= OFF;
      if (!below || alone) {
        break;
      }
      end = cells.isEmpty() ? end : i + 1;
    }
    return end;
  }

  /** Whether it has rows enough, and empty cells: full rows need no places to be told apart. */
  private static boolean isTable(List<String> lines, List<Cell> columns) {
    List<List<Cell>> rows =
        lines.stream().map(Positioned::cells).filter(cells -> !cells.isEmpty()).toList();
    return rows.stream().filter(cells -> cells.size() >= 2).count() >= FEWEST_ROWS
        && rows.stream().anyMatch(cells -> cells.size() < columns.size());
  }

  private static String row(List<Cell> cells, List<Cell> columns) {
    if (cells.isEmpty()) {
      return "";
    }
    String[] row = new String[columns.size()];
    java.util.Arrays.fill(row, "");
    for (Cell cell : cells) {
      row[column(cell, columns).orElseThrow()] = cell.text();
    }
    return String.join("\t", row);
  }

  private static Optional<Integer> column(Cell cell, List<Cell> columns) {
    for (int c = 0; c < columns.size(); c++) {
      if (Math.abs(columns.get(c).start() - cell.start()) <= OFF) {
        return Optional.of(c);
      }
    }
    return Optional.empty();
  }

  private static List<Cell> cells(String line) {
    List<Cell> cells = new ArrayList<>();
    int start = 0;
    Matcher gap = GAP.matcher(line);
    while (start < line.length()) {
      boolean found = gap.find(start);
      int end = found ? gap.start() : line.length();
      if (end > start) {
        cells.add(new Cell(start, line.substring(start, end)));
      }
      start = found ? gap.end() : line.length();
    }
    return cells;
  }
}
