package tertulia.app.chart;

import java.util.ArrayList;
import java.util.List;

/** Text broken into lines, at blanks where there are any. */
final class Wrapped {
  private static final double HEIGHT = 14;

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

  /** Draws a text about a line, in as many lines as it needs. */
  static void draw(Svg svg, double x, double y, String look, String anchor, String text, int most) {
    List<String> lines = lines(text, most);
    double top = y - (lines.size() - 1) * HEIGHT / 2;
    for (int i = 0; i < lines.size(); i++) {
      svg.text(x, top + i * HEIGHT, look, anchor, lines.get(i));
    }
  }
}
