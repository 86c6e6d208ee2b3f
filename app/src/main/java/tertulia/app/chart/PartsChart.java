package tertulia.app.chart;

import java.util.List;
import org.joda.money.Money;
import tertulia.app.display.Figures;

/** What several things bought together come to, side by side with one that is bought alone. */
public final class PartsChart {
  private static final double WIDTH = 980;
  private static final double LEFT = 2;
  private static final double RIGHT = 890;
  private static final double ROW = 54;
  private static final double TOP = 6;
  private static final double CHARACTER = 6.6;

  private PartsChart() {}

  /**
   * A bar.
   *
   * @param mark of the contender
   * @param parts in order; one for what is bought alone
   */
  public record Bar(String name, int mark, List<Part> parts) {
    private double sum() {
      return parts.stream().mapToDouble(part -> of(part.cost())).sum();
    }
  }

  /** What one of several comes to. */
  public record Part(String name, Money cost) {}

  private static double of(Money money) {
    return money.getAmount().doubleValue();
  }

  /** The picture, with the same scale for all bars. */
  public static String draw(List<Bar> bars, String says) {
    double most = bars.stream().mapToDouble(Bar::sum).max().orElse(0);
    double unit = most == 0 ? 0 : (RIGHT - LEFT) / most;
    Svg svg =
        new Svg()
            .open(
                "svg",
                "class",
                "chart parts",
                "viewBox",
                "0 0 " + (int) WIDTH + " " + (int) (TOP + bars.size() * ROW),
                "role",
                "img",
                "aria-label",
                says);
    for (int i = 0; i < bars.size(); i++) {
      bar(svg, bars.get(i), TOP + i * ROW, unit);
    }
    return svg.close("svg").toString();
  }

  private static void bar(Svg svg, Bar bar, double y, double unit) {
    Marks.draw(svg, bar.mark(), LEFT + 6, y + 6);
    svg.text(LEFT + 20, y + 11, "lab", "start", bar.name());
    double x = LEFT;
    for (Part part : bar.parts()) {
      double width = of(part.cost()) * unit;
      svg.leaf(
          "rect",
          "class",
          "part m" + bar.mark(),
          "x",
          x,
          "y",
          y + 20,
          "width",
          Math.max(0, width - 2),
          "height",
          "20");
      if (bar.parts().size() > 1) {
        svg.text(x + 6, y + 34, "tick", "start", words(part, width - 12));
      }
      x += width;
    }
    Money whole = bar.parts().stream().map(Part::cost).reduce(Money::plus).orElseThrow();
    svg.text(x + 4, y + 35, "name", "start", Figures.money(whole));
  }

  /** As much as there is room for: the name with the amount, the amount, or nothing. */
  private static String words(Part part, double room) {
    String amount = Figures.money(part.cost());
    String whole = part.name() + " " + amount;
    return whole.length() * CHARACTER < room
        ? whole
        : amount.length() * CHARACTER < room ? amount : "";
  }
}
