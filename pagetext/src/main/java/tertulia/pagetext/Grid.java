package tertulia.pagetext;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * A table with plans across: rows with tabs or bars between cells, or cells one below the other as
 * copying leaves them.
 *
 * @param head the cells that name the plans
 * @param around the lines that are no part of it
 */
record Grid(List<Line> head, List<Labelled> rows, List<Line> around) {
  /** A row; a cell that is empty says nothing. */
  record Labelled(Line label, List<Line> cells) {}

  /** The head of a column that holds no plan. */
  private static final Pattern NOTES =
      Pattern.compile("(?i)(?:notes?|remarks?|comments?|source|seen)");

  private static final int FEWEST_ROWS = 2;
  private static final Pattern COUNT =
      Pattern.compile(
          "(?i)(?:up to )?"
              + Numbers.NUMBER
              + "(?:\\s?(?:-|–|to)\\s?"
              + Numbers.NUMBER
              + ")?\\+?(?:\\s?(?:GB|TB|users?|seats?|days?|hours?))?|unlimited");

  static Optional<Grid> of(List<Line> lines) {
    return rowwise(lines).or(() -> flattened(lines));
  }

  private static Optional<Grid> rowwise(List<Line> lines) {
    Optional<Grid> down = downwards(lines);
    if (down.isPresent()) {
      return down;
    }
    List<Line> head = List.of();
    List<Labelled> rows = new ArrayList<>();
    List<Line> around = new ArrayList<>();
    int labels = 1;
    String section = "";
    for (Line line : lines) {
      List<Line> cells = cells(line);
      Optional<String> heading = head.isEmpty() ? Optional.empty() : section(line, cells);
      if (heading.isPresent()) {
        section = heading.get();
      } else if (cells.size() < 2) {
        around.add(line);
      } else if (head.isEmpty() && ToolName.isAboutTool(line)) {
        around.add(line);
      } else if (head.isEmpty()) {
        int first = labels(cells);
        List<Line> names = withoutBlanksBehind(cells.subList(first, cells.size()));
        boolean noted = names.size() > 2 && NOTES.matcher(names.getLast().text()).matches();
        names = noted ? names.subList(0, names.size() - 1) : names;
        if (isHead(names)) {
          head = List.copyOf(names);
          labels = first;
        } else {
          around.add(line);
        }
      } else {
        rows.add(labelled(cells, labels, section));
        // what stands behind the plans' cells is said of the row, and of no plan
        cells.stream()
            .skip(labels + head.size())
            .filter(cell -> !cell.isBlank())
            .forEach(around::add);
      }
    }
    return head.isEmpty() || rows.isEmpty()
        ? Optional.empty()
        : Optional.of(new Grid(head, rows, around));
  }

  /** How many columns hold labels: those before the first name. */
  private static int labels(List<Line> head) {
    int labels = 1;
    while (labels < head.size() - 1 && head.get(labels).isBlank()) {
      labels++;
    }
    return labels;
  }

  private static List<Line> withoutBlanksBehind(List<Line> cells) {
    int end = cells.size();
    while (end > 0 && cells.get(end - 1).isBlank()) {
      end--;
    }
    return cells.subList(0, end);
  }

  /**
   * How one pays for what the rows below say, "Monthly subscription", by a row of its own; blank: a
   * heading that says no such thing; empty: no heading.
   */
  private static Optional<String> section(Line line, List<Line> cells) {
    String text = cells.isEmpty() ? line.text() : cells.getFirst().text();
    boolean alone = cells.stream().skip(1).allMatch(Line::isBlank);
    if (!alone || text.isBlank() || Amount.isIn(text)) {
      return Optional.empty();
    }
    boolean paid = Wording.isAll(text) && Wording.in(text).term().isPresent();
    return paid ? Optional.of(text) : cells.isEmpty() ? Optional.empty() : Optional.of("");
  }

  private static Labelled labelled(List<Line> cells, int labels, String section) {
    int end = Math.min(labels, cells.size());
    String label =
        cells.subList(0, end).stream()
            .map(Line::text)
            .filter(text -> !text.isBlank())
            .collect(Collectors.joining(", "));
    if (!section.isEmpty() && cells.stream().skip(end).anyMatch(cell -> Amount.isIn(cell.text()))) {
      label += ", " + section.toLowerCase(Locale.ROOT);
    }
    Line first = cells.getFirst();
    return new Labelled(
        new Line(first.number(), label, first.mark()), cells.subList(end, cells.size()));
  }

  /** Whether cells name plans: some of them may be called Free, or Custom. */
  private static boolean isHead(List<Line> cells) {
    return !cells.isEmpty()
        && cells.stream().allMatch(cell -> isHead(cell) || isBasis(cell))
        && cells.stream().anyMatch(Grid::isHead);
  }

  private static boolean isBasis(Line cell) {
    return Known.isFree(cell.text()) || Known.isOnRequest(cell.text());
  }

  /** A table with a plan in each row, under a head that says what each column is. */
  private static Optional<Grid> downwards(List<Line> lines) {
    List<Line> around = new ArrayList<>();
    List<List<Line>> table = new ArrayList<>();
    for (Line line : lines) {
      List<Line> cells = cells(line);
      if (cells.size() < 3 || !table.isEmpty() && cells.size() != table.getFirst().size()) {
        around.add(line);
      } else {
        table.add(cells);
      }
    }
    if (table.size() < 3) {
      return Optional.empty();
    }
    int first = planColumn(table);
    if (first > 0) {
      int from = first;
      table.replaceAll(row -> row.subList(from, row.size()));
    }
    if (!isHeadOfColumns(table.getFirst())) {
      return Optional.empty();
    }
    List<List<Line>> plans = table.subList(1, table.size());
    boolean named =
        plans.stream()
            .map(List::getFirst)
            .allMatch(cell -> Known.isNameLike(cell.text()) || isBasis(cell));
    long priced =
        plans.stream().filter(row -> row.stream().skip(1).anyMatch(Grid::isPrice)).count();
    if (!named || 2 * priced < plans.size()) {
      return Optional.empty();
    }
    List<Labelled> rows = new ArrayList<>();
    for (int c = 1; c < table.getFirst().size(); c++) {
      int column = c;
      rows.add(
          new Labelled(
              table.getFirst().get(c), plans.stream().map(row -> row.get(column)).toList()));
    }
    return Optional.of(new Grid(plans.stream().map(List::getFirst).toList(), rows, around));
  }

  /** Where the plans' names stand: behind columns that say the same in every row, if any. */
  private static int planColumn(List<List<Line>> table) {
    for (int c = 1; c < table.getFirst().size() - 1; c++) {
      int column = c;
      boolean same =
          table.stream().skip(1).map(row -> row.get(column - 1).text()).distinct().count() == 1;
      if (!same) {
        return 0;
      }
      if (table.getFirst().get(c).text().matches("(?i)plans?|packages?|tiers?|editions?")) {
        return c;
      }
    }
    return 0;
  }

  private static boolean isHeadOfColumns(List<Line> head) {
    return head.getFirst().text().matches("(?i)(?:plans?|packages?|tiers?|editions?|name|)")
        && head.stream()
            .skip(1)
            .anyMatch(cell ->
                !Wording.in(cell.text()).isNothing()
                    || cell.text().matches("(?i).*\\b(?:price|cost)s?\\b.*"));
  }

  /** A cell that may name a plan, with its price behind it or without. */
  private static boolean isHead(Line cell) {
    String text = cell.text();
    return Known.isNameLike(text) && !text.matches("[\\d.,]+")
        || Amount.isIn(text) && !text.matches("^[\\d€$£¥].*");
  }

  private static List<Line> cells(Line line) {
    boolean bars = !line.isRow() && line.text().matches("[^|]*(\\|[^|]*){2,}");
    if (!line.isRow() && !bars) {
      return List.of();
    }
    String text = bars ? line.text().replaceAll("^\\||\\|$", "") : line.text();
    if (bars && text.matches("[-:| ]+")) {
      return List.of();
    }
    List<Line> cells = new ArrayList<>();
    for (String cell : text.split(bars ? "\\|" : "\t", -1)) {
      cells.add(new Line(line.number(), cell.strip(), Line.Prefix.NONE));
    }
    return cells;
  }

  /** Names of at least two plans one below the other, then labels, each with a cell a plan. */
  private static Optional<Grid> flattened(List<Line> all) {
    List<Line> lines = all.stream().filter(line -> !line.isBlank()).toList();
    for (int from = 0; from < lines.size(); from++) {
      for (int plans = 5; plans >= 2; plans--) {
        Optional<Grid> grid = flattened(lines, from, plans);
        if (grid.isPresent()) {
          return grid;
        }
      }
    }
    return Optional.empty();
  }

  private static Optional<Grid> flattened(List<Line> lines, int from, int plans) {
    if (from + plans >= lines.size()
        || !lines.subList(from, from + plans).stream().allMatch(l -> Known.isNameLike(l.text()))) {
      return Optional.empty();
    }
    List<Labelled> rows = new ArrayList<>();
    int at = from + plans;
    while (at + plans < lines.size()) {
      Line label = lines.get(at);
      List<Line> cells = lines.subList(at + 1, at + 1 + plans);
      if (isCell(label)
          || !cells.stream().allMatch(cell -> isCell(cell) || isCountOf(label, cell))) {
        break;
      }
      rows.add(new Labelled(label, List.copyOf(cells)));
      at += plans + 1;
    }
    boolean priced =
        rows.size() == 1
            && rows.getFirst().label().text().matches("(?i)(?:price|cost|per)\\b.*")
            && rows.getFirst().cells().stream().allMatch(Grid::isPrice);
    if (rows.size() < FEWEST_ROWS && !priced) {
      return Optional.empty();
    }
    List<Line> around = new ArrayList<>(lines.subList(0, from));
    around.addAll(lines.subList(at, lines.size()));
    return Optional.of(new Grid(lines.subList(from, from + plans), rows, around));
  }

  private static boolean isPrice(Line line) {
    return line.text().matches("(?i)(?:from )?[^\\d]{0,4}[\\d.,' ’]+.{0,24}")
            && Amount.isIn(line.text())
        || Known.isFree(line.text())
        || Known.isOnRequest(line.text());
  }

  /** "At least 40 languages" under "Languages". */
  private static boolean isCountOf(Line label, Line cell) {
    String text = cell.text();
    String counted = label.text();
    boolean ofIt =
        text.regionMatches(true, text.length() - counted.length(), counted, 0, counted.length());
    return GridReading.isCount(
        ofIt ? text.substring(0, text.length() - counted.length()).strip() : text);
  }

  /** Whether a line is what a cell of such a table holds, and no label. */
  private static boolean isCell(Line line) {
    String text = line.text();
    return GridReading.answer(text).isPresent() || isPrice(line) || COUNT.matcher(text).matches();
  }
}
