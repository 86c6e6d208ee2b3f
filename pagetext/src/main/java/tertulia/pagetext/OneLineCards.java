package tertulia.pagetext;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;

/**
 * Cards and lists that were copied into one line each: "Pro For teams $14 per host a month 9 hosts
 * · 24 h", or "1 GB · 3 users · search".
 */
final class OneLineCards {
  private static final String GAP = "\\s{2,}";
  private static final String DOT = "\\s+[·•]\\s+";

  private OneLineCards() {}

  /** The lines with every part of such a card in a line of its own. */
  static List<Line> unfolded(List<Line> lines) {
    List<Line> unfolded = new ArrayList<>();
    boolean cards = lines.stream().filter(OneLineCards::isCard).count() >= 2;
    for (Line line : lines) {
      if (cards && isCard(line)) {
        unfolded.add(new Line(line.number(), "", Line.Prefix.NONE));
        for (String part : line.text().split(GAP)) {
          unfolded.addAll(listed(line, part));
        }
        unfolded.add(new Line(line.number(), "", Line.Prefix.NONE));
      } else if (isList(line)) {
        unfolded.addAll(listed(line, line.text()));
      } else {
        unfolded.add(line);
      }
    }
    return unfolded;
  }

  private static boolean isCard(Line line) {
    String[] parts = line.text().split(GAP);
    return !line.isRow()
        && parts.length >= 3
        && Known.isNameLike(parts[0])
        && Stream.of(parts)
            .anyMatch(part -> Amount.isIn(part) || Known.isFree(part) || Known.isOnRequest(part));
  }

  /** Whether a line is a list of what is counted or had, and no menu, address or price. */
  private static boolean isList(Line line) {
    String[] parts = line.text().split(DOT);
    return !line.isRow()
        && parts.length >= 2
        && !Amount.isIn(line.text())
        && !Known.isFooter(line.text())
        && Stream.of(parts)
            .anyMatch(
                part -> part.matches("(?i)(?:up to )?\\d[\\d.,]*\\s\\p{L}.*|unlimited\\s\\p{L}.*"));
  }

  private static List<Line> listed(Line line, String part) {
    String[] parts = part.split(DOT);
    return Amount.isIn(part) || parts.length < 2
        ? List.of(new Line(line.number(), part, Line.Prefix.NONE))
        : Stream.of(parts).map(one -> new Line(line.number(), one, Line.Prefix.BULLET)).toList();
  }
}
