package tertulia.app.chart;

import java.util.List;
import java.util.OptionalInt;
import tertulia.app.display.Dates;
import tertulia.core.time.Horizon;

/**
 * Each contender's way through its plans as a ribbon over the months: as high as the units held,
 * filled as far as they are used, cut where plan or term changes.
 */
public final class RibbonChart {
  private static final double RIGHT = 1204;
  private static final double WIDTH = 1216;
  private static final double HEAD = 22;
  private static final double LANE = 62;
  private static final double BAND = 34;
  private static final double LETTER = 6.4;

  private final double left;

  private RibbonChart(double left) {
    this.left = left;
  }

  /**
   * One contender.
   *
   * @param held units held by month; empty where nothing is counted
   * @param used units needed by month
   * @param gap what is wrong where there is no way; empty if there is one
   */
  public record Lane(
      String name,
      int mark,
      List<Stretch> stretches,
      List<OptionalInt> held,
      List<OptionalInt> used,
      String gap) {}

  /** Months from (included) to end (not included) under one option. */
  public record Stretch(String label, int from, int end) {}

  /** Draws all lanes over one axis of months. */
  public static String draw(List<Lane> lanes, Horizon horizon) {
    List<String> names = lanes.stream().map(Lane::name).toList();
    return new RibbonChart(Math.max(128, EndLabels.room(names))).drawn(lanes, horizon);
  }

  private String drawn(List<Lane> lanes, Horizon horizon) {
    double height = HEAD + LANE * lanes.size();
    Svg svg = new Svg();
    svg.open(
        "svg",
        "class",
        "ribbons",
        "viewBox",
        "0 0 " + Svg.number(WIDTH) + " " + Svg.number(height),
        "role",
        "img",
        "aria-label",
        "The cheapest path through each contender's plans; its table follows");
    axis(svg, horizon, height);
    for (int i = 0; i < lanes.size(); i++) {
      lane(svg, lanes.get(i), horizon.months(), HEAD + LANE * i);
    }
    return svg.close("svg").toString();
  }

  private double x(int m, int months) {
    return left + (RIGHT - left) * m / months;
  }

  private void axis(Svg svg, Horizon horizon, double height) {
    double step = x(1, horizon.months()) - x(0, horizon.months());
    for (int m : TimeAxis.labelled(horizon, step)) {
      double x = x(m, horizon.months());
      svg.leaf("line", "class", "grid", "x1", x, "x2", x, "y1", HEAD - 6, "y2", height);
      svg.text(x + 4, HEAD - 8, "tick", "start", Dates.shortMonth(horizon.month(m)));
    }
  }

  private void lane(Svg svg, Lane lane, int months, double top) {
    double base = top + LANE - 8;
    Marks.draw(svg, lane.mark(), 8, base - BAND / 2);
    svg.text(20, base - BAND / 2 + 4, "lab", "start", lane.name());
    if (!lane.gap().isEmpty()) {
      svg.text(left + 4, base - BAND / 2 + 4, "note", "start", lane.gap());
    }
    int most = lane.held().stream().mapToInt(units -> units.orElse(0)).max().orElse(0);
    for (Stretch stretch : lane.stretches()) {
      stretch(svg, lane, stretch, months, base, most);
    }
    svg.leaf("line", "class", "base", "x1", left, "x2", RIGHT, "y1", base, "y2", base);
  }

  private void stretch(Svg svg, Lane lane, Stretch stretch, int months, double base, int most) {
    String look = "m" + lane.mark();
    svg.open("g", "class", "stretch " + look);
    svg.leaf("path", "class", "heldband", "d", area(lane.held(), stretch, months, base, most));
    svg.leaf("path", "class", "usedband", "d", area(lane.used(), stretch, months, base, most));
    double x = x(stretch.from(), months);
    svg.leaf("line", "class", "cut", "x1", x, "x2", x, "y1", base - BAND - 14, "y2", base);
    double room = x(stretch.end(), months) - x - 6;
    String label = fitted(stretch.label(), room);
    svg.text(x + 4, base - BAND - 4, "call", "start", label);
    svg.title(stretch.label());
    svg.close("g");
  }

  /** A label if there is room for all of it; it can be read by pointing and in the table. */
  private static String fitted(String label, double room) {
    int letters = (int) (room / LETTER);
    return label.length() <= letters ? label : "";
  }

  /** Steps month by month; without units the full height. */
  private String area(List<OptionalInt> units, Stretch stretch, int months, double base, int most) {
    StringBuilder d =
        new StringBuilder("M" + Svg.number(x(stretch.from(), months)) + " " + Svg.number(base));
    for (int m = stretch.from(); m < stretch.end(); m++) {
      int count = units.get(m).orElse(most);
      double y = base - BAND * (most == 0 ? 1 : Math.min(1.0, (double) count / most));
      d.append("L").append(Svg.number(x(m, months))).append(' ').append(Svg.number(y));
      d.append("L").append(Svg.number(x(m + 1, months))).append(' ').append(Svg.number(y));
    }
    return d + "L" + Svg.number(x(stretch.end(), months)) + " " + Svg.number(base) + "Z";
  }
}
