package tertulia.app.chart;

import java.util.List;
import tertulia.app.display.AdviceWords;
import tertulia.core.firmness.RankShares;

/** How often each contender takes each place: a disc for each, as large as the share. */
public final class RanksChart {
  private static final double LEFT = 250;
  private static final double RIGHT = 790;
  private static final double TOP = 28;
  private static final double ROW = 44;
  private static final double LARGEST = 17;
  private static final double WIDEST = 90;
  private static final int LONGEST = 30;

  private RanksChart() {}

  /**
   * The picture.
   *
   * @param order of the rows, all of them contenders with shares
   */
  public static String draw(RankShares shares, List<Drawn> order) {
    double column = Math.min(WIDEST, (RIGHT - LEFT) / order.size());
    Svg svg = new Svg();
    svg.open(
        "svg",
        "class",
        "ranks",
        "viewBox",
        "0 0 812 " + Svg.number(TOP + ROW * order.size() + 6),
        "role",
        "img",
        "aria-label",
        "How often each takes each place; the table below says the same");
    for (int rank = 1; rank <= order.size(); rank++) {
      svg.text(LEFT + (rank - 0.5) * column, 16, "tick", "middle", "place " + rank);
    }
    for (int i = 0; i < order.size(); i++) {
      double y = TOP + ROW * i + ROW / 2 - 4;
      Drawn contender = order.get(i);
      Marks.draw(svg, contender.mark(), 12, y);
      Wrapped.draw(svg, 28, y + 4, "lab", "start", contender.name(), LONGEST);
      svg.leaf(
          "line",
          "class",
          "grid",
          "x1",
          LEFT,
          "x2",
          LEFT + column * order.size(),
          "y1",
          // between the rows: through the figures it would strike them out
          y + ROW / 2,
          "y2",
          y + ROW / 2);
      for (int rank = 1; rank <= order.size(); rank++) {
        disc(
            svg,
            contender,
            rank,
            shares.share(contender.id(), rank),
            LEFT + (rank - 0.5) * column,
            y);
      }
    }
    return svg.close("svg").toString();
  }

  /** The area of a disc is in proportion to its share. */
  private static void disc(Svg svg, Drawn contender, int rank, double share, double x, double y) {
    if (share > 0) {
      String reads = AdviceWords.percent(share);
      svg.open("g")
          .title(contender.name() + ", place " + rank + ": " + reads)
          .leaf(
              "circle",
              "class",
              "area m" + contender.mark(),
              "cx",
              x,
              "cy",
              y,
              "r",
              Math.max(1.5, LARGEST * Math.sqrt(share)))
          .text(x, y + 4, "lab", "middle", share >= 0.005 ? reads : "")
          .close("g");
    }
  }
}
