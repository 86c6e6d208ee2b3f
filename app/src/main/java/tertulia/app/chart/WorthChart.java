package tertulia.app.chart;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.joda.money.Money;
import tertulia.app.display.Figures;
import tertulia.core.evaluation.ValueForMoney;
import tertulia.core.evaluation.ValueForMoney.Point;

/** What each contender is worth against what it costs: up is better liked, right is cheaper. */
public final class WorthChart {
  private static final double LEFT = 52;
  private static final double RIGHT = 790;
  private static final double TOP = 16;
  private static final double BOTTOM = 168;
  private final Svg svg = new Svg();
  private final Labels labels = new Labels(LEFT, TOP - 8, RIGHT + 10, BOTTOM - 2);
  private final List<Point> points;
  private final Map<String, Placed> contenders;
  private final Scale x;
  private final Scale y;

  private WorthChart(ValueForMoney worth, List<Placed> contenders) {
    this.points = worth.points();
    this.contenders =
        contenders.stream().collect(Collectors.toMap(Placed::id, Function.identity()));
    double least = points.stream().mapToDouble(WorthChart::lowCost).min().orElse(0);
    double most = points.stream().mapToDouble(p -> amount(p.cost().high())).max().orElse(1);
    this.x = Scale.between(least, most, 5, RIGHT - 24, LEFT + 24);
    double low = points.stream().mapToDouble(p -> p.value().low().doubleValue()).min().orElse(0);
    double high = points.stream().mapToDouble(p -> p.value().high().doubleValue()).max().orElse(1);
    this.y = Scale.between(low, high, 4, BOTTOM, TOP + 6);
  }

  /**
   * A contender as it is drawn.
   *
   * @param mark 1 to 8
   * @param first whether it is the one the answer is about
   */
  public record Placed(String id, String name, int mark, boolean first) {}

  /** The picture; empty if no contender has both a value and a cost. */
  public static String draw(ValueForMoney worth, List<Placed> contenders) {
    return worth.points().isEmpty() ? "" : new WorthChart(worth, contenders).draw();
  }

  private static double amount(Money money) {
    return money.getAmount().doubleValue();
  }

  private static double lowCost(Point point) {
    return amount(point.cost().low().orElse(point.cost().high()));
  }

  private String draw() {
    String summary =
        "Score against cost: "
            + points.stream().map(this::reading).collect(Collectors.joining("; "));
    svg.open(
        "svg", "class", "worth", "viewBox", "0 0 812 196", "role", "img", "aria-label", summary);
    grid();
    points.forEach(point -> labels.keepFree(x(point), y(point), 8));
    points.forEach(this::bars);
    points.stream().filter(this::isFirst).forEach(this::point);
    points.stream().filter(point -> !isFirst(point)).forEach(this::point);
    return svg.close("svg").toString();
  }

  private void grid() {
    for (double tick : y.ticks()) {
      svg.leaf(
          "line", "class", "grid", "x1", LEFT, "x2", RIGHT, "y1", y.at(tick), "y2", y.at(tick));
      svg.text(LEFT - 8, y.at(tick) + 4, "tick", "end", decimals(tick, y.step()));
    }
    svg.leaf("line", "class", "base", "x1", LEFT, "x2", RIGHT, "y1", BOTTOM, "y2", BOTTOM);
    for (double tick : x.ticks()) {
      svg.text(x.at(tick), BOTTOM + 18, "tick", "middle", Figures.whole(Math.round(tick)));
    }
  }

  private static String decimals(double tick, double step) {
    return String.format(Locale.ENGLISH, step < 0.1 ? "%.2f" : "%.1f", tick);
  }

  private double x(Point point) {
    return x.at(amount(point.cost().high()));
  }

  private double y(Point point) {
    return y.at(point.value().midpoint().doubleValue());
  }

  private boolean isFirst(Point point) {
    return contender(point).first();
  }

  private Placed contender(Point point) {
    return Objects.requireNonNull(contenders.get(point.contender()));
  }

  /** How far each may lie elsewhere; a cost that may be anything below is open to the right. */
  private void bars(Point point) {
    String look = "within m" + contender(point).mark();
    if (!point.value().isExact()) {
      double low = y.at(point.value().low().doubleValue());
      double high = y.at(point.value().high().doubleValue());
      svg.leaf("line", "class", look, "x1", x(point), "x2", x(point), "y1", low, "y2", high);
      labels.keepFree(x(point), high, x(point), low);
    }
    if (!point.cost().isExact()) {
      double to = point.cost().low().map(low -> x.at(amount(low))).orElse(RIGHT);
      String open = point.cost().low().isPresent() ? look : look + " open";
      svg.leaf("line", "class", open, "x1", x(point), "x2", to, "y1", y(point), "y2", y(point));
      labels.keepFree(x(point), y(point), to, y(point));
    }
  }

  private void point(Point point) {
    Placed contender = contender(point);
    boolean beaten = !point.beatenBy().isEmpty();
    svg.open("g", "class", beaten ? "beaten" : "unbeaten").title(reading(point));
    Marks.draw(svg, contender.mark(), x(point), y(point));
    svg.close("g");
    String label = contender.name() + (beaten ? ", beaten" : "");
    String look = contender.first() ? "call" : "lab";
    labels
        .place(label, x(point), y(point))
        .ifPresent(place ->
            svg.text(
                place.x(), place.y(), beaten ? look + " beaten" : look, place.anchor(), label));
  }

  private String reading(Point point) {
    String cost =
        point.cost().isExact()
            ? Figures.money(point.cost().high())
            : point
                .cost()
                .low()
                .map(low -> Figures.money(low) + " to " + Figures.money(point.cost().high()))
                .orElseGet(() -> "at most " + Figures.money(point.cost().high()));
    return contender(point).name()
        + ": "
        + Figures.score(point.value())
        + " for "
        + cost
        + (point.beatenBy().isEmpty() ? "" : ", beaten in both");
  }
}
