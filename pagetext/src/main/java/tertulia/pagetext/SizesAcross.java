package tertulia.pagetext;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;

/**
 * A table with plans down and numbers of people across, "Team, per person⇥£3.20⇥£2.80": each row is
 * a plan with its prices by size, a line each.
 */
final class SizesAcross {
  private static final Pattern SIZE =
      Pattern.compile(
          "(?i)(?:(?:up to|over|more than|above|from) )?\\d[\\d.,]*(?:\\s?(?:-|–|—|to)\\s?\\d[\\d.,]*)?\\s?\\+?(?: (?:or|and) more)?(?: (?:users?|people|persons?|seats?|members?|employees?))?");
  private static final Pattern NAMED =
      Pattern.compile("(?i)\\b(?:users?|people|persons?|seats?|members?|employees?)$");
  private static final Pattern LABEL = Pattern.compile("\\s*[,:(–—/]\\s*|\\s+(?=per\\b)");

  private SizesAcross() {}

  /** The lines with such a table written as plans one below the other. */
  static List<Line> unrolled(List<Line> lines) {
    for (int head = 0; head + 1 < lines.size(); head++) {
      List<String> sizes = cells(lines.get(head));
      if (sizes.size() >= 3
          && sizes.stream().skip(1).allMatch(cell -> SIZE.matcher(cell).matches())) {
        return unrolled(lines, head, sizes);
      }
    }
    return down(lines);
  }

  /** "1–10 people⇥€29 a month" and others below it: each is a plan by its size. */
  private static List<Line> down(List<Line> lines) {
    if (lines.stream().filter(SizesAcross::isSizeAndPrice).count() < 2) {
      return lines;
    }
    List<Line> down = new ArrayList<>();
    for (Line line : lines) {
      if (isSizeAndPrice(line)) {
        List<String> cells = cells(line);
        boolean named = NAMED.matcher(cells.getFirst()).find();
        String many = named ? cells.getFirst() : cells.getFirst() + " people";
        down.add(new Line(line.number(), "", Line.Prefix.NONE));
        down.add(new Line(line.number(), many, Line.Prefix.NONE));
        down.add(new Line(line.number(), cells.get(1), Line.Prefix.NONE));
        down.add(new Line(line.number(), "", Line.Prefix.NONE));
      } else {
        down.add(line);
      }
    }
    return down;
  }

  private static boolean isSizeAndPrice(Line line) {
    List<String> cells = cells(line);
    return cells.size() == 2
        && SIZE.matcher(cells.getFirst()).matches()
        && (Amount.isIn(cells.get(1))
            || Known.isFree(cells.get(1))
            || Known.isOnRequest(cells.get(1)));
  }

  private static List<Line> unrolled(List<Line> lines, int head, List<String> sizes) {
    int end = head + 1;
    List<Line> plans = new ArrayList<>();
    while (end < lines.size() && isPlan(cells(lines.get(end)), sizes.size())) {
      plans.addAll(plan(lines.get(end), sizes));
      end++;
    }
    if (plans.isEmpty()) {
      return lines;
    }
    List<Line> unrolled = new ArrayList<>(lines.subList(0, head));
    unrolled.addAll(plans);
    unrolled.add(new Line(lines.get(end - 1).number(), "", Line.Prefix.NONE));
    unrolled.addAll(lines.subList(end, lines.size()));
    return unrolled;
  }

  private static boolean isPlan(List<String> cells, int columns) {
    return cells.size() == columns
        && Known.isNameLike(LABEL.split(cells.getFirst())[0])
        && cells.stream().skip(1).allMatch(SizesAcross::isPrice)
        && cells.stream().skip(1).anyMatch(Amount::isIn);
  }

  private static boolean isPrice(String cell) {
    return cell.matches("(?:[-–—])?")
        || Amount.isIn(cell)
        || Known.isFree(cell)
        || Known.isOnRequest(cell);
  }

  private static List<Line> plan(Line row, List<String> sizes) {
    List<String> cells = cells(row);
    String label = cells.getFirst();
    String name = LABEL.split(label)[0];
    String words = label.substring(name.length()).replaceFirst("^[\\s,:(–—/]+", "");
    String how = words.isBlank() ? "" : ", " + words.replaceFirst("\\)$", "");
    List<Line> plan = new ArrayList<>();
    plan.add(new Line(row.number(), "", Line.Prefix.NONE));
    plan.add(new Line(row.number(), name, Line.Prefix.NONE));
    for (int c = 1; c < sizes.size(); c++) {
      if (cells.get(c).length() > 1) {
        String many =
            sizes.get(c).replaceFirst("(?i)\\s(?:users?|people|persons?|employees?)$", "");
        String price = Amount.isIn(cells.get(c)) ? cells.get(c) + how : cells.get(c);
        plan.add(new Line(row.number(), many + " users: " + price, Line.Prefix.NONE));
      }
    }
    return plan;
  }

  private static List<String> cells(Line line) {
    return Optional.of(line)
        .filter(Line::isRow)
        .map(row -> List.of(row.text().split("\t", -1)).stream().map(String::strip).toList())
        .orElse(List.of());
  }
}
