package tertulia.app.chart;

import java.util.List;
import org.joda.money.Money;
import tertulia.app.display.Figures;

/** What each must costs: a bar for the selection, a mark for each contender. */
public final class NeedsChart {
  private static final double LEFT = 250;
  private static final double RIGHT = 960;
  private static final double ROW = 26;
  private static final double LINE = 14;
  private static final int A_LINE = 36;
  private static final double TOP = 8;

  private NeedsChart() {}

  /** What a must costs one contender. */
  public record Dot(String name, int mark, Money more) {}

  /**
   * One must.
   *
   * @param selection what it costs the selection
   * @param out names of contenders it rules out
   * @param open names of contenders of which it is not confirmed
   */
  public record Bar(
      String need, Money selection, List<Dot> dots, List<String> out, List<String> open) {}

  private static double amount(Money money) {
    return money.getAmount().doubleValue();
  }

  /** Draws the musts in the order given. */
  public static String draw(List<Bar> bars, int months) {
    Svg svg = new Svg();
    double height = TOP + bars.stream().mapToDouble(NeedsChart::height).sum() + 22;
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
    double bottom = height - 22;
    for (double tick : x.ticks()) {
      if (tick > 0 && most == 0) {
        // where nothing costs anything, there is nothing to read off
        break;
      }
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
      svg.text(x.at(tick), bottom + 15, "tick", "middle", x.label(tick));
    }
    double top = TOP;
    for (Bar bar : bars) {
      row(svg, bar, top, x);
      top += height(bar);
    }
    return svg.close("svg").toString();
  }

  private static void row(Svg svg, Bar bar, double top, Scale x) {
    double middle = top + height(bar) / 2;
    text(svg, LEFT - 10, middle, "call", "end", bar.need());
    if (bar.selection().isPositive()) {
      svg.leaf(
          "rect",
          "class",
          "needbar",
          "x",
          LEFT,
          "y",
          middle - ROW / 2 + 5,
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
    text(svg, RIGHT + 12, middle, "note", "start", words(bar));
  }

  private static String words(Bar bar) {
    return (bar.selection().isZero()
            ? "costs the selection nothing"
            : "costs the selection " + Figures.moneyIn(bar.selection()))
        + (bar.out().isEmpty() ? "" : "; rules out " + String.join(", ", bar.out()))
        + (bar.open().isEmpty() ? "" : "; not confirmed for " + String.join(", ", bar.open()));
  }

  /** A row is as high as its words take. */
  private static double height(Bar bar) {
    int lines =
        Math.max(
            Wrapped.lines(bar.need(), A_LINE).size(), Wrapped.lines(words(bar), A_LINE).size());
    return ROW + LINE * (lines - 1);
  }

  private static void text(
      Svg svg, double x, double middle, String look, String anchor, String text) {
    List<String> lines = Wrapped.lines(text, A_LINE);
    double y = middle + 4 - LINE * (lines.size() - 1) / 2;
    for (String line : lines) {
      svg.text(x, y, look, anchor, line);
      y += LINE;
    }
  }
}
