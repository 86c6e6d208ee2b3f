package tertulia.pagetext;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/** Tables without tabs: columns set apart by spaces, or "Plan: value" below each label. */
final class Aligned {
  private static final Pattern GAP = Pattern.compile("\\s{2,}");
  private static final Pattern OF_PLAN =
      Pattern.compile("(?<plan>\\p{Lu}[\\p{L}\\p{N} ]{0,24}):\\s+(?<value>\\S.*)");
  private static final int FEWEST = 3;

  private Aligned() {}

  /** Blocks of at least three lines with as many columns each as rows with tabs. */
  static List<Line> columns(List<Line> lines) {
    List<Line> tabbed = new ArrayList<>();
    int at = 0;
    while (at < lines.size()) {
      int end = at;
      while (end < lines.size() && isAligned(lines.get(end))) {
        end++;
      }
      List<Line> block = lines.subList(at, end);
      int most = block.stream().mapToInt(line -> cells(line).length).max().orElse(0);
      boolean head = end > at && cells(block.getFirst()).length == most - 1;
      boolean even =
          (block.size() >= FEWEST || isNamesAndPrices(block))
              && block.stream().skip(head ? 1 : 0).allMatch(line -> cells(line).length == most);
      for (Line line : block) {
        String text = String.join("\t", cells(line));
        boolean first = head && line == block.getFirst();
        tabbed.add(
            even ? new Line(line.number(), first ? "\t" + text : text, Line.Prefix.NONE) : line);
      }
      if (end < lines.size()) {
        tabbed.add(lines.get(end));
      }
      at = end + 1;
    }
    return tabbed;
  }

  /** Two rows that need no third: names of plans and, below them, their prices. */
  private static boolean isNamesAndPrices(List<Line> block) {
    return block.size() == 2
        && cells(block.getFirst()).length == cells(block.getLast()).length
        && Stream.of(cells(block.getFirst())).allMatch(Known::isNameLike)
        && Stream.of(cells(block.getLast()))
            .allMatch(cell -> Amount.isIn(cell) || Known.isFree(cell) || Known.isOnRequest(cell));
  }

  private static boolean isAligned(Line line) {
    return !line.isBlank()
        && !line.isRow()
        && !line.text().contains("|")
        && cells(line).length >= 2;
  }

  private static String[] cells(Line line) {
    // a dash in the first column was read as what stands before a line of a list
    boolean dash = line.mark() == Line.Prefix.BULLET && GAP.matcher(line.text()).find();
    return GAP.split(dash ? "-  " + line.text() : line.text());
  }

  /**
   * "Guests" above "Small: 2" and "Large: 50", and others like it, as rows of a table with the
   * plans across.
   */
  static List<Line> byLabel(List<Line> lines) {
    Map<Integer, Map<String, String>> runs = new LinkedHashMap<>();
    for (int i = 1; i < lines.size(); i++) {
      if (valueOf(lines.get(i)).isEmpty() || !valueOf(lines.get(i - 1)).isEmpty()) {
        continue;
      }
      Map<String, String> run = new LinkedHashMap<>();
      for (int j = i; j < lines.size() && !valueOf(lines.get(j)).isEmpty(); j++) {
        run.putAll(valueOf(lines.get(j)));
      }
      if (run.size() >= 2 && Known.isNameLike(lines.get(i - 1).text())) {
        runs.put(i - 1, run);
      }
    }
    List<String> plans =
        runs.isEmpty() ? List.of() : List.copyOf(runs.values().iterator().next().keySet());
    if (runs.size() < 2
        || !plans.stream()
            .allMatch(plan -> lines.stream().anyMatch(line -> line.text().equals(plan)))
        || !runs.values().stream().allMatch(run -> List.copyOf(run.keySet()).equals(plans))) {
      return lines;
    }
    List<Line> rows = new ArrayList<>();
    int first = runs.keySet().iterator().next();
    for (int i = 0; i < lines.size(); i++) {
      if (i == first) {
        rows.add(
            new Line(lines.get(i).number(), "\t" + String.join("\t", plans), Line.Prefix.NONE));
      }
      Map<String, String> run = runs.getOrDefault(i, Map.of());
      rows.add(
          run.isEmpty()
              ? lines.get(i)
              : new Line(
                  lines.get(i).number(),
                  lines.get(i).text() + "\t" + String.join("\t", run.values()),
                  Line.Prefix.NONE));
      i += run.size();
    }
    return rows;
  }

  /** The plan and what is said of it; empty if a line is no such thing. */
  private static Map<String, String> valueOf(Line line) {
    Matcher of = OF_PLAN.matcher(line.text());
    return !line.isRow() && of.matches() ? Map.of(of.group("plan"), of.group("value")) : Map.of();
  }
}
