package tertulia.app.chart;

import java.time.YearMonth;
import java.util.List;
import tertulia.app.display.Dates;
import tertulia.app.display.Figures;

/**
 * Pictures of a record. They carry their own colours, as they are drawn on paper and in files where
 * no style sheet reaches them; on the screen the style sheet goes before those.
 */
public final class RecordChart {
  private static final int WIDTH = 680;
  private static final int HEIGHT = 86;
  private static final int FLOOR = 62;
  private static final int CEILING = 18;
  private static final String FONT = "Source Sans, sans-serif";

  private RecordChart() {}

  /**
   * People by month, as an area with its first, its fewest and its most.
   *
   * @param people of each month, at least one month
   */
  public static String people(YearMonth start, List<Integer> people) {
    int most = Math.max(1, people.stream().mapToInt(Integer::intValue).max().orElse(1));
    double wide = (double) WIDTH / people.size();
    Svg svg = new Svg();
    svg.open(
        "svg",
        "xmlns",
        "http://www.w3.org/2000/svg",
        "class",
        "recordpeople",
        "viewBox",
        "0 0 " + WIDTH + " " + HEIGHT,
        "width",
        WIDTH,
        "height",
        HEIGHT,
        "role",
        "img",
        "aria-label",
        "People from "
            + Dates.month(start)
            + ": "
            + Figures.whole(people.getFirst())
            + " at first, "
            + Figures.whole(most)
            + " at most");
    StringBuilder area = new StringBuilder("M0 " + FLOOR);
    for (int m = 0; m < people.size(); m++) {
      double y = y(people.get(m), most);
      area.append('L').append(Svg.number(m * wide)).append(' ').append(Svg.number(y));
      area.append('L').append(Svg.number((m + 1) * wide)).append(' ').append(Svg.number(y));
    }
    area.append('L').append(WIDTH).append(' ').append(FLOOR).append('Z');
    svg.leaf("path", "d", area, "class", "area", "fill", "#d7e2df");
    svg.leaf(
        "line", "x1", 0, "x2", WIDTH, "y1", FLOOR, "y2", FLOOR, "class", "base", "stroke",
        "#22302f");
    int peak = people.indexOf(most);
    label(svg, 2, y(people.getFirst(), most) - 4, "start", Figures.whole(people.getFirst()));
    if (most > people.getFirst()) {
      boolean right = (peak + 0.5) * wide > WIDTH / 2.0;
      double x = right ? (peak + 1) * wide - 2 : peak * wide + 2;
      label(svg, x, y(most, most) - 4, right ? "end" : "start", Figures.whole(most));
    }
    for (int m = 0; m < people.size(); m++) {
      if (m == 0 || start.plusMonths(m).getMonthValue() == 1 && m > 3) {
        tick(svg, m * wide, "start", Dates.shortMonth(start.plusMonths(m)));
      }
    }
    return svg.close("svg").toString();
  }

  private static double y(int people, int most) {
    return FLOOR - (FLOOR - CEILING) * (double) people / most;
  }

  private static void label(Svg svg, double x, double y, String anchor, String text) {
    svg.open(
        "text",
        "x",
        x,
        "y",
        y,
        "text-anchor",
        anchor,
        "class",
        "call",
        "font-family",
        FONT,
        "font-size",
        13,
        "font-weight",
        600,
        "fill",
        "#22302f");
    svg.content(text).close("text");
  }

  private static void tick(Svg svg, double x, String anchor, String text) {
    svg.leaf("line", "x1", x, "x2", x, "y1", FLOOR - 3, "y2", FLOOR + 3, "stroke", "#22302f");
    svg.open(
        "text",
        "x",
        x + 3,
        "y",
        FLOOR + 16,
        "text-anchor",
        anchor,
        "class",
        "tick",
        "font-family",
        FONT,
        "font-size",
        12,
        "fill",
        "#5a6665");
    svg.content(text).close("text");
  }

  /** A total on its line from 0 to 1. */
  public record Total(String name, double low, double high, boolean chosen) {}

  /** Totals from 0 to 1, a line a contender, the best first. */
  public static String totals(List<Total> totals) {
    int row = 22;
    int left = 150;
    int right = WIDTH - 60;
    int height = totals.size() * row + 22;
    Svg svg = new Svg();
    svg.open(
        "svg",
        "xmlns",
        "http://www.w3.org/2000/svg",
        "class",
        "recordtotals",
        "viewBox",
        "0 0 " + WIDTH + " " + height,
        "width",
        WIDTH,
        "height",
        height,
        "role",
        "img",
        "aria-label",
        "Totals from 0 to 1");
    for (int tenth = 0; tenth <= 10; tenth += 2) {
      double x = left + (right - left) * tenth / 10.0;
      svg.leaf(
          "line",
          "x1",
          x,
          "x2",
          x,
          "y1",
          4,
          "y2",
          height - 18,
          "class",
          "grid",
          "stroke",
          "#ddd8cc");
      svg.open(
          "text",
          "x",
          x,
          "y",
          height - 4,
          "text-anchor",
          "middle",
          "class",
          "tick",
          "font-family",
          FONT,
          "font-size",
          12,
          "fill",
          "#5a6665");
      svg.content(tenth == 10 ? "1" : "0." + tenth).close("text");
    }
    for (int i = 0; i < totals.size(); i++) {
      Total total = totals.get(i);
      double y = i * row + 15;
      double from = left + (right - left) * total.low();
      double to = left + (right - left) * total.high();
      String look = total.chosen() ? "chosen" : "other";
      String colour = total.chosen() ? "#0e5560" : "#8a8375";
      svg.open(
          "text",
          "x",
          0,
          "y",
          y + 4,
          "class",
          look,
          "font-family",
          FONT,
          "font-size",
          13,
          "font-weight",
          total.chosen() ? 600 : 400,
          "fill",
          "#22302f");
      svg.content(total.name().length() > 22 ? total.name().substring(0, 21) + "…" : total.name())
          .close("text");
      svg.leaf(
          "line",
          "x1",
          from,
          "x2",
          Math.max(to, from + 1),
          "y1",
          y,
          "y2",
          y,
          "class",
          look,
          "stroke",
          colour,
          "stroke-width",
          4);
      svg.leaf("circle", "cx", (from + to) / 2, "cy", y, "r", 5, "class", look, "fill", colour);
    }
    return svg.close("svg").toString();
  }
}
