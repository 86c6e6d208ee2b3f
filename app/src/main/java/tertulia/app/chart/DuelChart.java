package tertulia.app.chart;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import tertulia.app.display.Figures;

/**
 * Leads by criterion: a bar from the middle towards the one ahead, as long as the lead and as high
 * as the criterion's weight.
 */
public final class DuelChart {
  private static final double MIDDLE = 480;
  private static final double REACH = 210;
  private static final double LABEL = 216;
  private static final double TOP = 30;
  private static final double ROW = 30;
  private static final double THICKEST = 22;
  private static final double TIE = 0.05;
  private static final double EDGE = 0.15;

  private DuelChart() {}

  /**
   * One criterion.
   *
   * @param weight 0 to 1; empty if nobody has weighed
   * @param by above 0 the lead of the left one, below 0 of the right one
   */
  public record Line(String name, Optional<BigDecimal> weight, BigDecimal by, String margin) {}

  /** Draws the criteria in the order given. */
  public static String draw(Drawn left, Drawn right, List<Line> lines) {
    double bottom = TOP + ROW * lines.size();
    Svg svg = new Svg();
    svg.open(
        "svg",
        "class",
        "duel",
        "viewBox",
        "0 0 812 " + Svg.number(bottom + 20),
        "role",
        "img",
        "aria-label",
        "Leads of " + left.name() + " and " + right.name() + " by criterion; its table follows");
    double most =
        Math.max(
            0.3, lines.stream().mapToDouble(l -> Math.abs(l.by().doubleValue())).max().orElse(1));
    for (double edge : new double[] {-EDGE, -TIE, TIE, EDGE}) {
      double x = MIDDLE - REACH * edge / most;
      svg.leaf("line", "class", "grid", "x1", x, "x2", x, "y1", TOP - 6, "y2", bottom);
    }
    svg.leaf("line", "class", "base", "x1", MIDDLE, "x2", MIDDLE, "y1", TOP - 6, "y2", bottom);
    Marks.draw(svg, left.mark(), MIDDLE - REACH, TOP - 16);
    svg.text(MIDDLE - REACH + 12, TOP - 12, "lab", "start", left.name());
    Marks.draw(svg, right.mark(), MIDDLE + REACH, TOP - 16);
    svg.text(MIDDLE + REACH - 12, TOP - 12, "lab", "end", right.name());
    double heaviest =
        lines.stream()
            .mapToDouble(line -> line.weight().map(BigDecimal::doubleValue).orElse(1.0))
            .max()
            .orElse(1);
    for (int i = 0; i < lines.size(); i++) {
      line(svg, left, right, lines.get(i), TOP + ROW * i, most, heaviest);
    }
    svg.text(
        MIDDLE,
        bottom + 14,
        "tick",
        "middle",
        "between the inner lines a tie, to the outer an edge");
    return svg.close("svg").toString();
  }

  private static void line(
      Svg svg, Drawn left, Drawn right, Line line, double top, double most, double heaviest) {
    double by = line.by().doubleValue();
    double x = MIDDLE - REACH * by / most;
    double weight = line.weight().map(BigDecimal::doubleValue).orElse(heaviest);
    double thick = Math.max(3, THICKEST * weight / heaviest);
    Drawn ahead = by > 0 ? left : right;
    svg.text(LABEL - 8, top + ROW / 2 + 4, "call", "end", line.name());
    svg.open("g", "class", "m" + ahead.mark());
    svg.leaf(
        "rect",
        "class",
        "leadbar",
        "x",
        Math.min(x, MIDDLE),
        "y",
        top + (ROW - thick) / 2,
        "width",
        Math.abs(x - MIDDLE),
        "height",
        thick);
    svg.title(
        line.name()
            + ": "
            + (by == 0 ? "level" : ahead.name() + " by " + Figures.lead(line.by()))
            + ", "
            + line.margin());
    svg.close("g");
    boolean leftAhead = by > 0;
    svg.text(
        leftAhead ? x - 5 : x + 5,
        top + ROW / 2 + 4,
        "note",
        leftAhead ? "end" : "start",
        line.margin());
  }
}
