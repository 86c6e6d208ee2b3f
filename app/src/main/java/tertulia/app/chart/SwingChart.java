package tertulia.app.chart;

import java.math.BigDecimal;
import java.util.Optional;
import tertulia.core.scoring.Interval;

/** How far a total moves between the two ends of an assumption, on a line from 0 to 1. */
public final class SwingChart {
  private static final double WIDTH = 220;
  private static final double EDGE = 6;
  private static final double LINE = 11;

  private SwingChart() {}

  /**
   * One line.
   *
   * @param low the total at one end; empty if the contender is out there
   * @param high the total at the other
   * @param mark of the contender, 1 to 8
   * @param says what it shows
   */
  public static String draw(
      Optional<BigDecimal> low, Optional<BigDecimal> high, int mark, String says) {
    Svg svg = new Svg();
    open(svg, says);
    double from = x(low.orElse(BigDecimal.ZERO));
    double to = x(high.orElse(BigDecimal.ZERO));
    part(svg, "area m" + mark, Math.min(from, to), Math.max(from, to));
    return svg.close("svg").toString();
  }

  private static void open(Svg svg, String says) {
    svg.open(
        "svg",
        "class",
        "swing",
        "viewBox",
        "0 0 220 22",
        "width",
        "220",
        "height",
        "22",
        "role",
        "img",
        "aria-label",
        says);
    svg.leaf("line", "class", "grid", "x1", EDGE, "x2", WIDTH - EDGE, "y1", LINE, "y2", LINE);
  }

  private static void part(Svg svg, String look, double from, double to) {
    svg.leaf(
        "rect",
        "class",
        look,
        "x",
        from,
        "y",
        LINE - 5,
        "width",
        Math.max(2, to - from),
        "height",
        10.0);
  }

  /** A bar from nothing to a total, paler between the ends of what is known. */
  public static String bar(Interval total, int mark, String says) {
    Svg svg = new Svg();
    open(svg, says);
    double low = x(total.low());
    part(svg, "area m" + mark, x(BigDecimal.ZERO), low);
    if (!total.isExact()) {
      part(svg, "area unsure m" + mark, low, x(total.high()));
    }
    return svg.close("svg").toString();
  }

  private static double x(BigDecimal total) {
    return EDGE + (WIDTH - 2 * EDGE) * total.doubleValue();
  }
}
