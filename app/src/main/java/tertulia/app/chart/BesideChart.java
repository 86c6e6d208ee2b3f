package tertulia.app.chart;

import java.math.BigDecimal;
import java.math.RoundingMode;

/**
 * What a contender comes to with what is in use, as one bar: what is still owed, what stays, its
 * own cost. The bars of several share one scale, so that the eye compares what is left.
 */
public final class BesideChart {
  private static final int WIDTH = 430;
  private static final int HEIGHT = 26;
  private static final double TOP = 4;
  private static final double THICK = 18;
  private static final int ROOM = 56;

  private BesideChart() {}

  /**
   * One bar.
   *
   * @param most the longest of all bars
   * @param words the three amounts as they are written; empty: nothing is written
   */
  public record Bar(
      int mark,
      BigDecimal owed,
      BigDecimal stays,
      BigDecimal own,
      BigDecimal most,
      String staysWords,
      String ownWords) {}

  /** The bar as a picture. */
  public static String of(Bar bar, String says) {
    Svg svg =
        new Svg()
            .open(
                "svg",
                "class",
                "chart beside m" + bar.mark(),
                "viewBox",
                "0 0 " + WIDTH + " " + HEIGHT,
                "role",
                "img",
                "aria-label",
                says);
    double x = 0;
    x = part(svg, "owed", x, width(bar.owed(), bar.most()), "");
    x = part(svg, "stays", x, width(bar.stays(), bar.most()), bar.staysWords());
    x = part(svg, "own", x, width(bar.own(), bar.most()), bar.ownWords());
    svg.leaf("line", "class", "tip", "x1", x, "x2", x, "y1", TOP - 2, "y2", TOP + THICK + 2);
    return svg.close("svg").toString();
  }

  private static double part(Svg svg, String look, double x, double wide, String words) {
    if (wide <= 0) {
      return x;
    }
    svg.leaf("rect", "class", look, "x", x, "y", TOP, "width", wide, "height", THICK);
    if (wide > ROOM && !words.isEmpty()) {
      svg.text(x + wide - 6, TOP + 13, "note", "end", words);
    }
    return x + wide;
  }

  private static double width(BigDecimal amount, BigDecimal most) {
    return most.signum() == 0
        ? 0
        : amount
            .multiply(BigDecimal.valueOf(WIDTH - 4))
            .divide(most, 2, RoundingMode.HALF_UP)
            .doubleValue();
  }
}
