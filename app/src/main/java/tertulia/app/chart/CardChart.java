package tertulia.app.chart;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import tertulia.core.scoring.Interval;

/**
 * One line of the score card as a picture: a band as thick as the criterion's weight from 0 to 1,
 * coloured as long as the winner's lead, dashed where what is not known could overturn it.
 */
public final class CardChart {
  private static final double LEFT = 26;
  private static final double WIDTH = 260;
  private static final double MIDDLE = 20;
  private static final double THICKEST = 30;
  private static final double THINNEST = 7;

  private CardChart() {}

  /** A contender's value, 0 to 1; a range where it is not known. */
  public record Placed(Drawn drawn, Interval value) {}

  /**
   * The lead of the first over the second.
   *
   * @param mark number of the winner's mark
   * @param open whether what is not known could overturn it
   */
  public record Lead(int mark, BigDecimal from, BigDecimal to, boolean open) {}

  /**
   * Draws one criterion.
   *
   * @param weight of the heaviest, 0 to 1; 1 if nobody has set weights
   * @param lead empty for a tie
   * @param words what it shows
   */
  public static String draw(
      BigDecimal weight, List<Placed> placed, Optional<Lead> lead, String words) {
    double thick = Math.max(THINNEST, THICKEST * weight.doubleValue());
    Svg svg = begin(words);
    svg.leaf(
        "rect",
        "class",
        "band",
        "x",
        LEFT,
        "y",
        MIDDLE - thick / 2,
        "width",
        WIDTH,
        "height",
        thick);
    lead.ifPresent(won -> {
      double from = x(won.from());
      double to = x(won.to());
      svg.leaf(
          "rect",
          "class",
          "won m" + won.mark() + (won.open() ? " open" : ""),
          "x",
          from,
          "y",
          MIDDLE - thick / 2,
          "width",
          Math.max(1, to - from),
          "height",
          thick);
    });
    marks(svg, placed);
    return svg.close("svg").toString();
  }

  /** Draws one need: no, in part, yes. */
  public static String need(List<Placed> placed, String words) {
    Svg svg = begin(words);
    svg.leaf("line", "class", "grid", "x1", LEFT, "x2", LEFT + WIDTH, "y1", MIDDLE, "y2", MIDDLE);
    marks(svg, placed);
    return svg.close("svg").toString();
  }

  private static Svg begin(String words) {
    Svg svg = new Svg();
    return svg.open(
        "svg", "class", "cardline", "viewBox", "0 0 312 40", "role", "img", "aria-label", words);
  }

  /** Those that are level stand above and below each other; unknown ones at the left. */
  private static void marks(Svg svg, List<Placed> placed) {
    java.util.Map<Long, Integer> there = new java.util.HashMap<>();
    for (Placed one : placed) {
      Interval value = one.value();
      boolean unknown = value.equals(Interval.UNKNOWN);
      if (!value.isExact() && !unknown) {
        svg.leaf(
            "line",
            "class",
            "range m" + one.drawn().mark(),
            "x1",
            x(value.low()),
            "x2",
            x(value.high()),
            "y1",
            MIDDLE,
            "y2",
            MIDDLE);
      }
      double x = unknown ? 10 : x(value.midpoint());
      int before = there.merge(Math.round(x / 7), 1, Integer::sum) - 1;
      double off = before == 0 ? 0 : (before % 2 == 1 ? -1 : 1) * 11.0 * ((before + 1) / 2);
      Marks.draw(svg, one.drawn().mark(), x, Math.clamp(MIDDLE + off, 5, 35));
      if (unknown) {
        svg.text(19, MIDDLE + 4 + off, "note", "start", "?");
      }
    }
  }

  private static double x(BigDecimal value) {
    return LEFT + WIDTH * value.doubleValue();
  }
}
