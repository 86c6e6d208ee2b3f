package tertulia.pagetext;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** Puts together what copying has torn apart. */
final class Joined {
  /** A shorter text is not said to be spaced out. */
  private static final int FEWEST_SPACED = 12;

  /** In how many rows below the names of plans their prices stand. */
  private static final int PRICED_WITHIN = 3;

  private Joined() {}

  /**
   * Plans across without labels, "Free⇥Team" and below "$0⇥$6": each column by itself is a plan
   * with its list.
   */
  static List<Line> columns(List<Line> lines) {
    if (lines.stream().noneMatch(Line::isRow)) {
      List<Line> tabbed = lines.stream().map(Joined::tabbed).toList();
      return tabbed.stream().anyMatch(Line::isRow)
              && isHeadedByPlans(tabbed.stream().filter(Line::isRow).toList())
          ? columns(tabbed)
          : lines;
    }
    List<Line> rows = lines.stream().filter(Line::isRow).toList();
    if (rows.size() < 2 || !isHeadedByPlans(rows)) {
      return lines;
    }
    int last = lines.lastIndexOf(rows.getLast());
    // a line right below, "per user, billed annually", is said of all columns
    Optional<Line> below =
        lines.stream()
            .skip(last + 1)
            .limit(1)
            .filter(line -> Wording.isAll(line.text()) && !Amount.isIn(line.text()))
            .findFirst();
    List<Line> rest = lines.subList(last + (below.isPresent() ? 2 : 1), lines.size());
    List<String> heads = Stream.of(rows.getFirst().text().split("\t")).map(String::strip).toList();
    // what follows is of the whole page, unless it speaks of the plans once more by name
    boolean again = rest.stream().anyMatch(line -> heads.contains(line.text()));
    List<Line> joined =
        new ArrayList<>(lines.subList(0, last).stream().filter(line -> !line.isRow()).toList());
    joined.addAll(again ? List.of() : rest);
    int columns = rows.getFirst().text().split("\t").length;
    for (int c = 0; c < columns; c++) {
      joined.add(new Line(rows.getFirst().number(), "", Line.Prefix.NONE));
      for (Line row : rows) {
        String[] cells = row.text().split("\t");
        if (c < cells.length && !cells[c].isBlank() && !cells[c].strip().matches("[-–—✗✕]")) {
          joined.add(Line.of(row.number(), cells[c].strip()));
        }
      }
      below.ifPresent(joined::add);
    }
    joined.add(new Line(rows.getLast().number(), "", Line.Prefix.NONE));
    joined.addAll(again ? rest : List.of());
    return joined;
  }

  /**
   * Cards that stand side by side and were copied row by row: names, below them as many prices, and
   * then what is said of each, as many lines at a time.
   */
  static List<Line> cards(List<Line> lines) {
    for (int prices = 2; prices < lines.size(); prices++) {
      int n = 0;
      while (prices + n < lines.size() && isBarePrice(lines.get(prices + n))) {
        n++;
      }
      boolean paid =
          lines.subList(prices, prices + n).stream().anyMatch(line -> Amount.isIn(line.text()));
      if (n >= 2 && paid && prices >= n && areNames(lines.subList(prices - n, prices))) {
        return cards(lines, prices, n);
      }
      prices += n;
    }
    return lines;
  }

  private static boolean areNames(List<Line> lines) {
    return lines.stream()
            .allMatch(line -> Known.isNameLike(line.text()) || Known.isFree(line.text()))
        && lines.stream().map(Line::text).distinct().count() == lines.size();
  }

  private static boolean isBarePrice(Line line) {
    return Known.isFree(line.text())
        || Known.isOnRequest(line.text())
        || line.text().matches("(?:from )?\\D{0,4}[\\d.,' ’]+\\D{0,4}") && Amount.isIn(line.text());
  }

  private static List<Line> cards(List<Line> lines, int prices, int n) {
    int end = prices + n;
    while (end + n <= lines.size() && isOfEach(lines.subList(end, end + n))) {
      end += n;
    }
    List<Line> joined = new ArrayList<>(lines.subList(0, prices - n));
    for (int c = 0; c < n; c++) {
      joined.add(new Line(lines.get(prices - n + c).number(), "", Line.Prefix.NONE));
      for (int i = prices - n + c; i < end; i += n) {
        joined.add(lines.get(i));
      }
    }
    joined.add(new Line(lines.get(end - 1).number(), "", Line.Prefix.NONE));
    joined.addAll(lines.subList(end, lines.size()));
    return joined;
  }

  /** Whether as many lines as there are cards say the same kind of thing of each. */
  private static boolean isOfEach(List<Line> lines) {
    return lines.stream().allMatch(line -> Wording.isAll(line.text()))
        || lines.stream().allMatch(line -> Known.isButton(line.text()))
        || lines.stream().allMatch(line -> line.text().equals(lines.getFirst().text()))
            && !lines.getFirst().isBlank();
  }

  /** "Free | Pro | Max" with tabs for the bars. */
  private static Line tabbed(Line line) {
    // a dash in the first column is read as what stands before a line of a list
    return line.text().matches("[^|]*(?:(?:^|\\s)\\|\\s[^|]*){1,9}")
        ? new Line(line.number(), line.text().replaceAll("\\s*\\|\\s", "\t"), Line.Prefix.NONE)
        : line;
  }

  private static boolean isHeadedByPlans(List<Line> rows) {
    if (rows.size() < 2) {
      return false;
    }
    String[] head = rows.getFirst().text().split("\t");
    return head.length >= 2
        && Stream.of(head)
            .allMatch(cell -> Known.isNameLike(cell.strip()) || Known.isFree(cell.strip()))
        && rows.stream().skip(1).limit(PRICED_WITHIN).anyMatch(Joined::isOfPrices);
  }

  private static boolean isOfPrices(Line row) {
    String[] cells = row.text().split("\t");
    return cells.length >= 2
        && Stream.of(cells)
            .map(String::strip)
            .allMatch(cell -> Amount.isIn(cell) || Known.isFree(cell) || Known.isOnRequest(cell));
  }

  /** Of a text in which a blank line follows every line, only where there were more of them. */
  static List<Line> singleSpaced(List<Line> lines) {
    long pairs = 0;
    for (int i = 0; i + 1 < lines.size(); i++) {
      pairs += !lines.get(i).isBlank() && !lines.get(i + 1).isBlank() ? 1 : 0;
    }
    long written = lines.stream().filter(line -> !line.isBlank()).count();
    if (written < FEWEST_SPACED || pairs * 10 > written) {
      return lines;
    }
    List<Line> single = new ArrayList<>();
    for (int i = 0; i < lines.size(); i++) {
      boolean more = i > 0 && lines.get(i).isBlank() && lines.get(i - 1).isBlank();
      if (!lines.get(i).isBlank() || more) {
        single.add(lines.get(i));
      }
    }
    return single;
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
      } else if (!joined.isEmpty() && isThen(joined.getLast(), line)) {
        Line counted = joined.removeLast();
        joined.add(new Line(counted.number(), counted.text() + ", " + line.text(), counted.mark()));
      } else {
        joined.add(line);
      }
    }
    return joined;
  }

  /** "1,500 responses a month" and below it "then €4 for 500". */
  private static boolean isThen(Line before, Line line) {
    return line.text().matches("(?i)(?:and )?then\\b.*")
        && Amount.isIn(line.text())
        && before.text().matches("(?i)(?:up to )?\\d.*")
        && !before.isRow()
        && !line.isRow()
        && !Amount.isIn(before.text());
  }
}
