package tertulia.app.chart;

import java.util.List;
import java.util.Optional;
import org.joda.money.Money;
import tertulia.app.display.Figures;

/**
 * What each plan costs by how many people there are, a small picture over its column: all share
 * their lines across, so that the eye compares along them. The bead is at the people read, the
 * curve ends where the plan does.
 *
 * @param top the amount at the upper edge
 * @param most the people at the right edge
 * @param people that are read
 */
public record PlanTagChart(double top, double step, String unit, int most, int people) {
  private static final int HEIGHT = 150;
  private static final int FLOOR = 132;
  private static final int CEILING = 14;

  /** An amount beyond so many times the middle one ends at the upper edge. */
  private static final double BEYOND = 4;

  /** An amount for so many people. */
  public record Point(int people, double amount) {}

  /**
   * One plan.
   *
   * @param mark number of its contender's mark
   * @param points by people
   * @param now the amount for the people read; empty if there is none
   * @param cap the most people it is sold for; empty: no end
   * @param onRequest whether nobody has a price
   * @param read whether its contender is on it
   */
  public record Drawn(
      int mark,
      List<Point> points,
      Optional<Money> now,
      Optional<Integer> cap,
      boolean onRequest,
      boolean read) {}

  /** A scale that holds the amounts for the people read. */
  public static PlanTagChart of(List<Money> now, String unit, int most, int people) {
    List<Double> amounts = now.stream().map(m -> m.getAmount().doubleValue()).sorted().toList();
    double middle = amounts.isEmpty() ? 1 : amounts.get(amounts.size() / 2);
    double largest = amounts.isEmpty() ? 1 : amounts.getLast();
    double wanted =
        Math.max(1e-2, (middle > 0 ? Math.min(largest, BEYOND * middle) : largest) * 1.2);
    double step = Scale.step(wanted / 3);
    return new PlanTagChart(Math.ceil(wanted / step) * step, step, unit, most, people);
  }

  /** What the lines across stand for, from the top down. */
  public List<String> scale() {
    List<String> lines = new java.util.ArrayList<>();
    for (double at = top; at > -step / 2; at -= step) {
      lines.add(at == Math.rint(at) ? Figures.whole(Math.round(at)) : Svg.number(at));
    }
    lines.set(0, lines.getFirst() + " " + unit);
    return lines;
  }

  /** A picture of the scale alone, beside those of the plans. */
  public String axis() {
    Svg svg = new Svg();
    svg.open(
        "svg", "class", "plantag axis", "width", "100%", "height", HEIGHT, "aria-hidden", "true");
    List<String> lines = scale();
    for (int i = 0; i < lines.size(); i++) {
      double y = y(top - i * step);
      svg.leaf("line", "x1", "0", "x2", "100%", "y1", y, "y2", y, "class", "across");
      svg.text(0, y - 3, "note", "start", lines.get(i));
    }
    return svg.close("svg").toString();
  }

  private double y(double amount) {
    return FLOOR - (FLOOR - CEILING) * Math.min(amount, top * 1.1) / top;
  }

  private double x(int n) {
    return most == 1 ? 50 : 4 + 92.0 * (n - 1) / (most - 1);
  }

  /** A plan's picture. */
  public String draw(Drawn plan) {
    Svg svg = new Svg();
    svg.open(
        "svg",
        "class",
        "plantag m" + plan.mark() + (plan.read() ? " read" : ""),
        "width",
        "100%",
        "height",
        HEIGHT,
        "role",
        "img",
        "aria-label",
        words(plan));
    for (double at = 0; at <= top + step / 2; at += step) {
      svg.leaf("line", "x1", "0", "x2", "100%", "y1", y(at), "y2", y(at), "class", "across");
    }
    if (plan.onRequest()) {
      svg.leaf("line", "x1", "15%", "x2", "85%", "y1", 26, "y2", 26, "class", "open");
      percent(svg, 50, 20, "note", "middle", "on request");
      return svg.close("svg").toString();
    }
    curve(svg, plan);
    plan.cap()
        .filter(cap -> cap < most)
        .ifPresent(cap -> {
          double at =
              plan.points().stream()
                  .filter(p -> p.people() <= cap)
                  .reduce((a, b) -> b)
                  .map(Point::amount)
                  .orElse(0.0);
          svg.leaf(
              "line",
              "x1",
              Svg.number(x(cap)) + "%",
              "x2",
              Svg.number(x(cap)) + "%",
              "y1",
              y(at) - 6,
              "y2",
              y(at) + 6,
              "class",
              "cap");
          boolean left = x(cap) < 50;
          percent(
              svg,
              left ? 4 : 96,
              Math.min(HEIGHT - 6, y(at) + 17),
              "note",
              left ? "start" : "end",
              "ends at " + Figures.whole(cap));
        });
    plan.now()
        .ifPresent(now -> {
          double amount = now.getAmount().doubleValue();
          svg.leaf(
              "circle",
              "cx",
              Svg.number(x(people)) + "%",
              "cy",
              y(amount),
              "r",
              plan.read() ? 5 : 4,
              "class",
              "bead");
          percent(
              svg, x(people), Math.max(11, y(amount) - 10), "amount", "middle", Figures.money(now));
        });
    return svg.close("svg").toString();
  }

  private void curve(Svg svg, Drawn plan) {
    if (plan.points().isEmpty()) {
      return;
    }
    StringBuilder path = new StringBuilder();
    for (Point point : plan.points()) {
      path.append(path.isEmpty() ? "M" : "L")
          .append(Svg.number(x(point.people())))
          .append(' ')
          .append(Svg.number(y(point.amount())));
    }
    svg.open(
        "svg",
        "viewBox",
        "0 0 100 " + HEIGHT,
        "preserveAspectRatio",
        "none",
        "width",
        "100%",
        "height",
        HEIGHT);
    svg.leaf("path", "d", path.toString(), "class", "curve", "vector-effect", "non-scaling-stroke");
    svg.close("svg");
  }

  private static void percent(
      Svg svg, double x, double y, String look, String anchor, String text) {
    svg.open(
        "text", "x", Svg.number(x) + "%", "y", Svg.number(y), "class", look, "text-anchor", anchor);
    svg.content(text);
    svg.close("text");
  }

  private String words(Drawn plan) {
    String amount =
        plan.onRequest()
            ? "on request"
            : plan.now()
                .map(now ->
                    Figures.money(now) + " " + unit + " for " + Figures.counted(people, "people"))
                .orElse("no figure for " + Figures.counted(people, "people"));
    return amount + plan.cap().map(cap -> "; ends at " + Figures.whole(cap)).orElse("");
  }
}
