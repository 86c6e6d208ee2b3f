package tertulia.app.chart;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import tertulia.core.firmness.StabilityRange;

/** How far each weight may go on one scale, with who takes over at each end. */
public final class RoomChart {
  private static final double LEFT = 230;
  private static final double RIGHT = 770;
  private static final double TOP = 12;
  private static final double ROW = 30;
  private static final int LONGEST = 30;

  private RoomChart() {}

  /**
   * The picture; empty without rooms.
   *
   * @param contenders by id
   * @param leader id of who leads as the weights are
   */
  public static String draw(
      List<StabilityRange> rooms, Map<String, Drawn> contenders, String leader) {
    if (rooms.isEmpty()) {
      return "";
    }
    double bottom = TOP + rooms.size() * ROW;
    Svg svg = new Svg();
    svg.open(
        "svg",
        "class",
        "rooms",
        "viewBox",
        "0 0 812 " + Svg.number(bottom + 26),
        "role",
        "img",
        "aria-label",
        "Stable range of each weight; the table below says the same");
    for (int percent = 0; percent <= 100; percent += 10) {
      double x = x(BigDecimal.valueOf(percent).movePointLeft(2));
      svg.leaf("line", "class", "grid", "x1", x, "x2", x, "y1", TOP, "y2", bottom);
      if (percent % 20 == 0) {
        svg.text(x, bottom + 18, "tick", "middle", percent + " %");
      }
    }
    for (int i = 0; i < rooms.size(); i++) {
      row(svg, rooms.get(i), TOP + i * ROW + ROW / 2, contenders, leader);
    }
    return svg.close("svg").toString();
  }

  private static double x(BigDecimal weight) {
    return LEFT + (RIGHT - LEFT) * weight.doubleValue();
  }

  private static void row(
      Svg svg, StabilityRange room, double y, Map<String, Drawn> contenders, String leader) {
    Wrapped.draw(svg, LEFT - 22, y + 4, "lab", "end", room.criterion().name(), LONGEST);
    double from = x(room.low().weight());
    double to = x(room.high().weight());
    svg.leaf("line", "class", "base", "x1", LEFT, "x2", RIGHT, "y1", y, "y2", y);
    svg.leaf(
        "rect",
        "class",
        "area m" + mark(contenders, leader),
        "x",
        from,
        "y",
        y - 6,
        "width",
        Math.max(2, to - from),
        "height",
        12.0);
    end(svg, room.low(), from - 11, y, contenders);
    end(svg, room.high(), to + 11, y, contenders);
    double at = x(room.weight());
    svg.leaf("line", "class", "now", "x1", at, "x2", at, "y1", y - 10, "y2", y + 10);
  }

  /** The mark of who takes over stands just beyond the end. */
  private static void end(
      Svg svg, StabilityRange.End end, double x, double y, Map<String, Drawn> contenders) {
    if (!end.takesOver().isEmpty()) {
      svg.open("g");
      svg.title(
          String.join(", ", end.takesOver().stream().map(id -> name(contenders, id)).toList()));
      Marks.draw(svg, mark(contenders, end.takesOver().getFirst()), x, y);
      svg.close("g");
    }
  }

  private static int mark(Map<String, Drawn> contenders, String id) {
    Drawn contender = contenders.get(id);
    return contender == null ? 1 : contender.mark();
  }

  private static String name(Map<String, Drawn> contenders, String id) {
    Drawn contender = contenders.get(id);
    return contender == null ? id : contender.name();
  }
}
