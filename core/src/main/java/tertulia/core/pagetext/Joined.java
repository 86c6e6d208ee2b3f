package tertulia.core.pagetext;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;

/** Puts together what copying has torn apart. */
final class Joined {
  private Joined() {}

  /**
   * Plans across without labels, "Free⇥Team" and below "$0⇥$6": each column by itself is a plan
   * with its list.
   */
  static List<Line> columns(List<Line> lines) {
    List<Line> rows = lines.stream().filter(Line::isRow).toList();
    if (rows.size() < 2 || !isHeadedByPlans(rows)) {
      return lines;
    }
    List<Line> joined = new ArrayList<>(lines.stream().filter(line -> !line.isRow()).toList());
    int columns = rows.getFirst().text().split("\t").length;
    for (int c = 0; c < columns; c++) {
      joined.add(new Line(rows.getFirst().number(), "", Line.Prefix.NONE));
      for (Line row : rows) {
        String[] cells = row.text().split("\t");
        if (c < cells.length && !cells[c].isBlank() && !cells[c].strip().matches("[-–—✗✕]")) {
          joined.add(Line.of(row.number(), cells[c].strip()));
        }
      }
    }
    return joined;
  }

  private static boolean isHeadedByPlans(List<Line> rows) {
    String[] head = rows.get(0).text().split("\t");
    String[] below = rows.get(1).text().split("\t");
    return head.length >= 2
        && Stream.of(head)
            .allMatch(cell -> Known.isNameLike(cell.strip()) || Known.isFree(cell.strip()))
        && below.length >= 2
        && Stream.of(below)
            .map(String::strip)
            .allMatch(cell -> Amount.isIn(cell) || Known.isFree(cell) || Known.isOnRequest(cell));
  }

  /** "€" above "8" is "€8"; "8" above "€" is not, as it may be anything. */
  static List<Line> lines(List<Line> torn) {
    List<Line> joined = new ArrayList<>();
    for (int i = 0; i < torn.size(); i++) {
      Line line = torn.get(i);
      boolean sign = line.text().matches("[€$£¥]|(?:EUR|USD|GBP|CHF)");
      if (sign && i + 1 < torn.size() && torn.get(i + 1).text().matches("\\d.*")) {
        joined.add(new Line(line.number(), line.text() + torn.get(i + 1).text(), line.mark()));
        i++;
      } else {
        joined.add(line);
      }
    }
    return joined;
  }
}
