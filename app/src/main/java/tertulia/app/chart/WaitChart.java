package tertulia.app.chart;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.joda.money.Money;
import tertulia.app.display.Dates;
import tertulia.app.display.Figures;
import tertulia.core.time.Horizon;

/** What it costs in all by the month in which each contender is begun, beside staying as today. */
public final class WaitChart {
  private static final int WIDTH = 860;
  private static final int HEIGHT = 250;
  private static final double LEFT = 62;
  private static final double TOP = 18;
  private static final double BOTTOM = 208;
  private final Svg svg = new Svg();
  private final Horizon horizon;
  private final List<Line> lines;
  private final Optional<Money> asToday;
  private final double right;
  private final int months;
  private final Scale y;

  /**
   * A contender.
   *
   * @param costs by month of beginning, the first at once; empty: not known
   * @param best the month in which it is the least
   */
  public record Line(String name, int mark, List<Optional<Money>> costs, int best) {
    private List<Money> known() {
      return costs.stream().flatMap(Optional::stream).toList();
    }
  }

  private WaitChart(Horizon horizon, List<Line> lines, Optional<Money> asToday) {
    this.horizon = horizon;
    this.lines =
        lines.stream()
            .sorted(Comparator.comparing((Line line) -> line.known().getLast()).reversed())
            .toList();
    this.asToday = asToday;
    this.months = lines.getFirst().costs().size();
    this.right = WIDTH - EndLabels.room(lines.stream().map(Line::name).toList());
    double least = asToday.map(WaitChart::of).orElse(Double.MAX_VALUE);
    double most = asToday.map(WaitChart::of).orElse(0.0);
    for (Line line : lines) {
      for (Money cost : line.known()) {
        least = Math.min(least, of(cost));
        most = Math.max(most, of(cost));
      }
    }
    // room below the lowest point for its figure
    double room = (most - least) * 0.2;
    this.y = Scale.between(Math.max(0, least - room), most, 4, BOTTOM, TOP);
  }

  /**
   * The picture; empty if nobody has a figure.
   *
   * @param asToday what it costs to stay with what is in use; empty: not known
   */
  public static String draw(
      Horizon horizon, List<Line> lines, Optional<Money> asToday, String says) {
    List<Line> known = lines.stream().filter(line -> !line.known().isEmpty()).toList();
    return known.isEmpty() ? "" : new WaitChart(horizon, known, asToday).draw(says);
  }

  private String draw(String says) {
    svg.open(
        "svg",
        "class",
        "chart wait",
        "viewBox",
        "0 0 " + WIDTH + " " + HEIGHT,
        "role",
        "img",
        "aria-label",
        says);
    for (double tick : y.ticks()) {
      svg.leaf(
          "line", "class", "grid", "x1", LEFT, "x2", right, "y1", y.at(tick), "y2", y.at(tick));
      svg.text(LEFT - 8, y.at(tick) + 4, "tick", "end", y.label(tick));
    }
    for (int m = 0; m < months; m += 3) {
      String anchor = m == 0 ? "start" : m == months - 1 ? "end" : "middle";
      svg.text(x(m), BOTTOM + 20, "tick", anchor, Dates.shortMonth(horizon.month(m)));
    }
    asToday.ifPresent(this::asToday);
    lines.forEach(this::curve);
    lines.forEach(this::best);
    ends();
    return svg.close("svg").toString();
  }

  private void asToday(Money cost) {
    double at = y.at(of(cost));
    svg.leaf("line", "class", "today", "x1", LEFT, "x2", right, "y1", at, "y2", at);
    svg.text(LEFT + 6, at - 5, "tick", "start", "as today " + Figures.money(cost));
  }

  private void curve(Line line) {
    StringBuilder path = new StringBuilder();
    boolean gap = true;
    for (int m = 0; m < months; m++) {
      Optional<Money> cost = line.costs().get(m);
      if (cost.isPresent()) {
        path.append(gap ? " M" : " L")
            .append(Svg.number(x(m)))
            .append(' ')
            .append(Svg.number(y.at(of(cost.get()))));
      }
      gap = cost.isEmpty();
    }
    svg.leaf("path", "class", "line m" + line.mark(), "d", path.toString().strip());
  }

  /** The least of a curve, apart from it. */
  private void best(Line line) {
    line.costs()
        .get(line.best())
        .ifPresent(cost -> {
          double at = x(line.best());
          svg.leaf("circle", "class", "cross", "cx", at, "cy", y.at(of(cost)), "r", "5");
          boolean late = at > (LEFT + right) / 2;
          svg.text(
              late ? at - 8 : at + 8,
              y.at(of(cost)) + 18,
              "name",
              late ? "end" : "start",
              Figures.money(cost));
        });
  }

  private void ends() {
    double[] at =
        EndLabels.apart(
            lines.stream().mapToDouble(line -> y.at(of(line.known().getLast()))).toArray(),
            TOP,
            BOTTOM);
    for (int i = 0; i < at.length; i++) {
      Marks.draw(svg, lines.get(i).mark(), right + 12, at[i]);
      svg.text(right + 24, at[i] + 4, "lab", "start", lines.get(i).name());
    }
  }

  private static double of(Money money) {
    return money.getAmount().doubleValue();
  }

  private double x(int m) {
    return months < 2 ? LEFT : LEFT + (right - LEFT) * m / (months - 1);
  }
}
