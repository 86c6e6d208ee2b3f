package tertulia.app.chart;

import java.util.ArrayList;
import java.util.List;

/** Text broken into lines, at blanks where there are any. */
final class Wrapped {
  private Wrapped() {}

  /** Lines of at most so many characters; every character but the blanks between lines is kept. */
  static List<String> lines(String text, int most) {
    List<String> lines = new ArrayList<>();
    String rest = text.strip();
    while (rest.length() > most) {
      int blank = rest.lastIndexOf(' ', most);
      int end = blank <= 0 ? most : blank;
      lines.add(rest.substring(0, end));
      rest = rest.substring(end).stripLeading();
    }
    lines.add(rest);
    return lines;
  }
}
