package tertulia.app.chart;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.joda.money.Money;
import tertulia.app.display.Dates;
import tertulia.app.display.Figures;
import tertulia.core.time.Horizon;

/** What it costs in all by the month in which a contender is begun. */
public final class WaitChart {
  private static final int WIDTH = 430;
  private static final int HEIGHT = 220;
  private static final double LEFT = 62;
  private static final double RIGHT = 416;
  private static final double TOP = 18;
  private static final double BOTTOM = 180;

  private WaitChart() {}

  /**
   * The picture.
   *
   * @param costs by month of beginning, the first at once; empty: not known
   * @param best the cheapest
   */
  public static String draw(
      Horizon horizon, List<Optional<Money>> costs, int best, int mark, String says) {
    OptionalDouble least =
        costs.stream().flatMap(Optional::stream).mapToDouble(WaitChart::of).min();
    OptionalDouble most = costs.stream().flatMap(Optional::stream).mapToDouble(WaitChart::of).max();
    if (least.isEmpty() || most.isEmpty()) {
      return "";
    }
    // room below the lowest point for its figure
    double room = (most.getAsDouble() - least.getAsDouble()) * 0.2;
    Scale y =
        Scale.between(Math.max(0, least.getAsDouble() - room), most.getAsDouble(), 4, BOTTOM, TOP);
    Svg svg =
        new Svg()
            .open(
                "svg",
                "class",
                "chart wait m" + mark,
                "viewBox",
                "0 0 " + WIDTH + " " + HEIGHT,
                "role",
                "img",
                "aria-label",
                says);
    for (double tick : y.ticks()) {
      svg.leaf(
          "line", "class", "grid", "x1", LEFT, "x2", RIGHT, "y1", y.at(tick), "y2", y.at(tick));
      svg.text(LEFT - 8, y.at(tick) + 4, "tick", "end", y.label(tick));
    }
    StringBuilder path = new StringBuilder();
    for (int m = 0; m < costs.size(); m++) {
      Optional<Money> cost = costs.get(m);
      if (cost.isPresent()) {
        path.append(path.isEmpty() ? "M" : " L")
            .append(x(m, costs.size()))
            .append(' ')
            .append(y.at(of(cost.get())));
      }
    }
    svg.leaf("path", "class", "curve", "d", path);
    for (int m = 0; m < costs.size(); m++) {
      int month = m;
      costs
          .get(m)
          .ifPresent(cost -> {
            svg.leaf(
                "circle",
                "class",
                month == best ? "point best" : "point",
                "cx",
                x(month, costs.size()),
                "cy",
                y.at(of(cost)),
                "r",
                month == best ? "5" : "3");
          });
      if (m % 3 == 0) {
        svg.text(
            x(m, costs.size()),
            BOTTOM + 20,
            "tick",
            m == 0 ? "start" : m == costs.size() - 1 ? "end" : "middle",
            Dates.shortMonth(horizon.month(m)));
      }
    }
    costs
        .get(best)
        .ifPresent(cost -> {
          double at = x(best, costs.size());
          boolean late = at > (LEFT + RIGHT) / 2;
          svg.text(
              late ? at - 8 : at + 8,
              y.at(of(cost)) + 18,
              "name",
              late ? "end" : "start",
              Figures.money(cost));
        });
    return svg.close("svg").toString();
  }

  private static double of(Money money) {
    return money.getAmount().doubleValue();
  }

  private static double x(int m, int months) {
    return months < 2 ? LEFT : LEFT + (RIGHT - LEFT) * m / (months - 1);
  }
}
