package tertulia.app.chart;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;

/** Values of several people on one short line, each dot with the person's initial. */
public final class DotStrip {
  private static final double WIDTH = 120;
  private static final double EDGE = 8;
  private static final double LINE = 15;
  private static final double LETTER = 8;
  private static final double APART = 2;

  private DotStrip() {}

  /** Somebody's value, and how it reads. */
  public record Dot(String person, double value, String reads) {}

  /**
   * Draws values from 0 to {@code most}; larger ones stand at the end. Nothing if there are none.
   */
  public static String draw(List<Dot> dots, double most, String about) {
    if (dots.isEmpty()) {
      return "";
    }
    Svg svg = new Svg();
    String says =
        dots.stream().map(d -> d.person() + " " + d.reads()).collect(Collectors.joining(", "));
    svg.open(
        "svg",
        "class",
        "dots",
        "viewBox",
        "0 0 120 22",
        "width",
        "120",
        "height",
        "22",
        "role",
        "img",
        "aria-label",
        about + ": " + says);
    svg.title(says);
    svg.leaf("line", "class", "grid", "x1", EDGE, "x2", WIDTH - EDGE, "y1", LINE, "y2", LINE);
    List<Dot> sorted =
        dots.stream().sorted(java.util.Comparator.comparingDouble(Dot::value)).toList();
    List<Label> labels = new ArrayList<>();
    for (Dot dot : sorted) {
      double x = EDGE + (WIDTH - 2 * EDGE) * Math.min(1, dot.value() / most);
      svg.leaf("circle", "class", "dot", "cx", x, "cy", LINE, "r", "3.2");
      labels.add(new Label(x, x, initial(dot.person())));
      while (labels.size() > 1 && labels.getLast().meets(labels.get(labels.size() - 2))) {
        Label last = labels.removeLast();
        labels.add(labels.removeLast().with(last));
      }
    }
    labels.forEach(label -> svg.text(label.middle(), 9, "initial", "middle", label.initials()));
    return svg.close("svg").toString();
  }

  /** The initials above dots that lie near each other, side by side in the order of the dots. */
  private record Label(double from, double to, String initials) {
    private double width() {
      return LETTER * initials.codePointCount(0, initials.length());
    }

    private double middle() {
      return Math.clamp((from + to) / 2, width() / 2, WIDTH - width() / 2);
    }

    private boolean meets(Label before) {
      return middle() - width() / 2 < before.middle() + before.width() / 2 + APART;
    }

    private Label with(Label next) {
      return new Label(from, next.to, initials + next.initials);
    }
  }

  private static String initial(String person) {
    return person.isEmpty() ? "?" : person.substring(0, person.offsetByCodePoints(0, 1));
  }
}
