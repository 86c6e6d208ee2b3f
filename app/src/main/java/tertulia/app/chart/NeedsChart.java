package tertulia.app.chart;

import java.util.List;
import org.joda.money.Money;
import tertulia.app.display.Figures;

/** What each must costs: a bar for the selection, a mark for each contender. */
public final class NeedsChart {
  private static final double WIDTH = 1216;
  private static final double LEFT = 250;
  private static final double RIGHT = 960;
  private static final double ROW = 26;
  private static final double TOP = 8;

  private NeedsChart() {}

  /** What a must costs one contender. */
  public record Dot(String name, int mark, Money more) {}

  /**
   * One must.
   *
   * @param selection what it costs the selection
   * @param out names of contenders it rules out
   */
  public record Bar(String need, Money selection, List<Dot> dots, List<String> out) {}

  private static double amount(Money money) {
    return money.getAmount().doubleValue();
  }

  /** Draws the musts in the order given. */
  public static String draw(List<Bar> bars, int months) {
    Svg svg = new Svg();
    double height = TOP + ROW * bars.size() + 22;
    svg.open(
        "svg",
        "class",
        "costs needs",
        "viewBox",
        "0 0 1216 " + Svg.number(height),
        "role",
        "img",
        "aria-label",
        "What each must costs over " + months + " months");
    double most =
        bars.stream()
            .flatMapToDouble(bar ->
                java.util.stream.DoubleStream.concat(
                    java.util.stream.DoubleStream.of(amount(bar.selection())),
                    bar.dots().stream().mapToDouble(dot -> amount(dot.more()))))
            .max()
            .orElse(1);
    Scale x = Scale.over(most, 5, LEFT, RIGHT);
    double bottom = TOP + ROW * bars.size();
    for (double tick : x.ticks()) {
      svg.leaf(
          "line",
          "class",
          tick == 0 ? "grid base" : "grid",
          "x1",
          x.at(tick),
          "x2",
          x.at(tick),
          "y1",
          TOP,
          "y2",
          bottom);
      svg.text(x.at(tick), bottom + 15, "tick", "middle", Figures.whole((long) tick));
    }
    for (int i = 0; i < bars.size(); i++) {
      row(svg, bars.get(i), TOP + ROW * i, x);
    }
    return svg.close("svg").toString();
  }

  private static void row(Svg svg, Bar bar, double top, Scale x) {
    double middle = top + ROW / 2;
    svg.text(LEFT - 10, middle + 4, "call", "end", shortened(bar.need()));
    if (bar.selection().isPositive()) {
      svg.leaf(
          "rect",
          "class",
          "needbar",
          "x",
          LEFT,
          "y",
          top + 5,
          "width",
          x.at(amount(bar.selection())) - LEFT,
          "height",
          ROW - 10);
    }
    for (Dot dot : bar.dots()) {
      svg.open("g", "class", "m" + dot.mark())
          .title(dot.name() + ": " + Figures.moneyIn(dot.more()));
      svg.leaf(
          "circle",
          "class",
          "counted m" + dot.mark(),
          "cx",
          x.at(Math.max(0, amount(dot.more()))),
          "cy",
          middle,
          "r",
          4.5);
      svg.close("g");
    }
    String words =
        (bar.selection().isZero()
                ? "costs the selection nothing"
                : "costs the selection " + Figures.moneyIn(bar.selection()))
            + (bar.out().isEmpty() ? "" : "; rules out " + String.join(", ", bar.out()));
    svg.text(RIGHT + 12, middle + 4, "note", "start", shortened(words));
  }

  private static String shortened(String text) {
    return text.length() > 40 ? text.substring(0, 39) + "…" : text;
  }
}
