package tertulia.pagetext;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * One line of a page.
 *
 * @param number counted from 1
 * @param text without space around it and the mark before it; may be empty
 * @param mark what stood before it
 */
record Line(int number, String text, Prefix mark) {
  /** What a list puts before its lines. */
  enum Prefix {
    NONE,
    BULLET,
    TICK,
    CROSS
  }

  /** What a page puts behind the name of a plan it would like to sell. */
  private static final String PRAISED =
      "(?i)\\s*[(–—-]\\s*(?:most popular|popular|recommended|best value|most chosen|new)\\)?$";

  private static final String HEADED =
      "^(?:Plan|Edition|Package|Tier|Version|Subscription):\\s+(?=\\p{Lu})";

  /** A picture before a line that is none of the marks of a list. */
  private static final String PICTURE =
      "^(?:[\\x{1F000}-\\x{1FAFF}\\x{2600}-\\x{2610}\\x{2613}-\\x{26FF}\\x{FE0F}\\x{200D}]\\s*)+(?=[\\p{L}\\d])";

  private static final Pattern TICK = Pattern.compile("^(?:[✓✔☑✅]|\\[x\\]|\\(x\\))\\s*(?=\\S)");
  private static final Pattern CROSS = Pattern.compile("^(?:[✗✘✕❌☒]|\\[ \\]|\\( \\))\\s*(?=\\S)");
  private static final Pattern BULLET = Pattern.compile("^(?:[•·▪◦●*]|[-–—](?=\\s))\\s*(?=\\S)");

  /** The lines of a text; cells of a row keep the tabs between them. */
  static List<Line> of(String text) {
    List<Line> lines = new ArrayList<>();
    String[] parts = text.split("\\R", -1);
    for (int i = 0; i < parts.length; i++) {
      lines.add(of(i + 1, parts[i]));
    }
    return lines;
  }

  static Line of(int number, String raw) {
    // no-break and thin spaces are spaces; zero-width characters are nothing
    String plain =
        raw.replaceAll("[\\u00a0\\u2007\\u2009\\u202f]", " ")
            .replaceAll("[\\u200b-\\u200d\\ufeff]", "");
    if (plain.indexOf('\t') >= 0) {
      return new Line(number, plain, Prefix.NONE);
    }
    // "1. Loft" is called "Loft"
    String text =
        plain
            .strip()
            .replaceFirst(PICTURE, "")
            .replaceFirst(HEADED, "")
            .replaceFirst("^\\d{1,2}[.)]\\s+(?=\\p{Lu})", "")
            .replaceFirst(PRAISED, "");
    for (Prefix mark : List.of(Prefix.TICK, Prefix.CROSS, Prefix.BULLET)) {
      Matcher found = pattern(mark).matcher(text);
      if (found.find()) {
        return new Line(number, text.substring(found.end()).strip(), mark);
      }
    }
    return new Line(number, text, Prefix.NONE);
  }

  private static Pattern pattern(Prefix mark) {
    return switch (mark) {
      case TICK -> TICK;
      case CROSS -> CROSS;
      case BULLET, NONE -> BULLET;
    };
  }

  boolean isBlank() {
    return text.isBlank();
  }

  boolean isRow() {
    return text.indexOf('\t') >= 0;
  }

  Passage passage() {
    return new Passage(number, text.replace('\t', ' ').strip());
  }
}
