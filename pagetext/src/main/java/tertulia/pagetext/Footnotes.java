package tertulia.pagetext;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Puts what a footnote says of a price where the price stands. */
final class Footnotes {
  private static final String MARKS = "[¹²³⁴⁵⁶⁷⁸⁹†‡]";
  private static final Pattern NOTE = Pattern.compile("^(?<mark>" + MARKS + ")\\s*(?<text>\\S.*)$");
  private static final Pattern MARKED =
      Pattern.compile("^(?<text>.*\\S)\\s*(?<mark>" + MARKS + ")$");
  private static final Pattern SENTENCE = Pattern.compile("(?<=[\\p{L})])\\.(?:\\s+|$)");

  /** "€11 (Editor)": what is said of one plan in a sentence about several. */
  private static final Pattern OF_ONE =
      Pattern.compile("(?<said>[^():]+?)\\s*\\((?<plan>[^()]+)\\)");

  private Footnotes() {}

  /** The lines with their notes; a note that says nothing of prices stays where it is. */
  static List<Line> resolved(List<Line> lines) {
    Map<String, String> notes = new HashMap<>();
    for (Line line : lines) {
      Matcher note = NOTE.matcher(line.text());
      if (note.matches()) {
        notes.putIfAbsent(note.group("mark"), note.group("text"));
      }
    }
    List<Line> resolved = new ArrayList<>();
    for (Line line : lines) {
      Matcher note = NOTE.matcher(line.text());
      Matcher marked = MARKED.matcher(line.text());
      if (note.matches()) {
        resolved.addAll(left(line, note.group("text")));
      } else if (marked.matches() && notes.containsKey(marked.group("mark"))) {
        resolved.add(withNote(line, marked.group("text"), notes.get(marked.group("mark"))));
      } else {
        resolved.add(line);
      }
    }
    return resolved;
  }

  private static Line withNote(Line line, String text, String note) {
    String first = SENTENCE.split(note)[0];
    boolean billed = Amount.isIn(text) && Wording.in(first).term().isPresent();
    return new Line(line.number(), billed ? text + ", " + lower(first) : text, line.mark());
  }

  /** What of a note is not said beside the price: sentences about single plans, and all others. */
  private static List<Line> left(Line line, String note) {
    List<Line> left = new ArrayList<>();
    for (String sentence : SENTENCE.split(note)) {
      List<Line> ofOne = ofOne(line, sentence);
      if (!ofOne.isEmpty()) {
        left.addAll(ofOne);
      } else if (Wording.in(sentence).term().isEmpty()) {
        left.add(new Line(line.number(), sentence, line.mark()));
      }
    }
    return left;
  }

  private static List<Line> ofOne(Line line, String sentence) {
    int colon = sentence.indexOf(':');
    String lead = colon < 0 ? "" : sentence.substring(0, colon).strip();
    List<Line> ofOne = new ArrayList<>();
    Matcher each = OF_ONE.matcher(sentence.substring(colon + 1));
    while (each.find()) {
      String said = each.group("said").replaceFirst("^\\s*(?:,|and|&)\\s*", "").strip();
      if (Amount.isIn(said)) {
        ofOne.add(
            new Line(
                line.number(),
                said + (lead.isEmpty() ? "" : ", " + lower(lead)) + " (" + each.group("plan") + ")",
                line.mark()));
      }
    }
    return ofOne;
  }

  private static String lower(String text) {
    return text.substring(0, 1).toLowerCase(Locale.ROOT) + text.substring(1);
  }
}
