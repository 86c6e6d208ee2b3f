package tertulia.app.chart;

import java.util.List;
import java.util.stream.Collectors;

/** Values of several people on one short line, each dot with the person's initial. */
public final class DotStrip {
  private static final double WIDTH = 120;
  private static final double EDGE = 8;
  private static final double LINE = 15;
  private static final double CLOSE = 11;

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
    double before = -CLOSE;
    boolean raised = false;
    for (Dot dot : sorted) {
      double x = EDGE + (WIDTH - 2 * EDGE) * Math.min(1, dot.value() / most);
      raised = x - before < CLOSE && !raised;
      svg.leaf("circle", "class", "dot", "cx", x, "cy", LINE, "r", "3.2");
      svg.text(x, raised ? 6 : 10, "initial", "middle", initial(dot.person()));
      before = x;
    }
    return svg.close("svg").toString();
  }

  private static String initial(String person) {
    return person.isEmpty() ? "?" : person.substring(0, person.offsetByCodePoints(0, 1));
  }
}
