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
  private static final int ROW = 22;
  private static final int LONGEST_NAME = 22;
  private static final String INK = "#22302f";
  private static final String SOFT = "#5a6665";

  private final Svg svg = new Svg();

  private RecordChart(String look, int height, String says) {
    svg.open(
        "svg",
        "xmlns",
        "http://www.w3.org/2000/svg",
        "class",
        look,
        "viewBox",
        "0 0 " + WIDTH + " " + height,
        "width",
        WIDTH,
        "height",
        height,
        "role",
        "img",
        "aria-label",
        says);
  }

  private String done() {
    return svg.close("svg").toString();
  }

  private void line(String look, String colour, double x1, double y1, double x2, double y2) {
    svg.leaf("line", "x1", x1, "y1", y1, "x2", x2, "y2", y2, "class", look, "stroke", colour);
  }

  private void text(
      String look, double x, double y, String anchor, int size, boolean bold, String text) {
    svg.open(
        "text",
        "x",
        x,
        "y",
        y,
        "text-anchor",
        anchor,
        "class",
        look,
        "font-family",
        "Source Sans, sans-serif",
        "font-size",
        size,
        "font-weight",
        bold ? 600 : 400,
        "fill",
        look.equals("tick") ? SOFT : INK);
    svg.content(text).close("text");
  }

  /**
   * People by month, as an area with its first and its most.
   *
   * @param people of each month, at least one month
   */
  public static String people(YearMonth start, List<Integer> people) {
    int most = Math.max(1, people.stream().mapToInt(Integer::intValue).max().orElse(1));
    RecordChart chart =
        new RecordChart(
            "recordpeople",
            HEIGHT,
            "People from "
                + Dates.month(start)
                + ": "
                + Figures.whole(people.getFirst())
                + " at first, "
                + Figures.whole(most)
                + " at most");
    chart.area(people, most);
    chart.line("base", INK, 0, FLOOR, WIDTH, FLOOR);
    double wide = (double) WIDTH / people.size();
    chart.text(
        "call",
        2,
        y(people.getFirst(), most) - 4,
        "start",
        13,
        true,
        Figures.whole(people.getFirst()));
    if (most > people.getFirst()) {
      int peak = people.indexOf(most);
      boolean right = (peak + 0.5) * wide > WIDTH / 2.0;
      double x = right ? (peak + 1) * wide - 2 : peak * wide + 2;
      chart.text(
          "call", x, y(most, most) - 4, right ? "end" : "start", 13, true, Figures.whole(most));
    }
    for (int m = 0; m < people.size(); m++) {
      YearMonth month = start.plusMonths(m);
      if (m == 0 || month.getMonthValue() == 1 && m > 3) {
        chart.line("base", INK, m * wide, FLOOR - 3, m * wide, FLOOR + 3);
        chart.text("tick", m * wide + 3, FLOOR + 16, "start", 12, false, Dates.shortMonth(month));
      }
    }
    return chart.done();
  }

  private void area(List<Integer> people, int most) {
    double wide = (double) WIDTH / people.size();
    StringBuilder area = new StringBuilder("M0 " + FLOOR);
    for (int m = 0; m < people.size(); m++) {
      String y = Svg.number(y(people.get(m), most));
      area.append('L').append(Svg.number(m * wide)).append(' ').append(y);
      area.append('L').append(Svg.number((m + 1) * wide)).append(' ').append(y);
    }
    area.append('L').append(WIDTH).append(' ').append(FLOOR).append('Z');
    svg.leaf("path", "d", area, "class", "area", "fill", "#d7e2df");
  }

  private static double y(int people, int most) {
    return FLOOR - (FLOOR - CEILING) * (double) people / most;
  }

  /** A total between its ends, 0 to 1. */
  public record Total(String name, double low, double high, boolean chosen) {}

  /** Totals from 0 to 1, a line a contender, in their order. */
  public static String totals(List<Total> totals) {
    int left = 150;
    int wide = WIDTH - 60 - left;
    int height = totals.size() * ROW + 22;
    RecordChart chart = new RecordChart("recordtotals", height, "Totals from 0 to 1");
    for (int tenth = 0; tenth <= 10; tenth += 2) {
      double x = left + wide * tenth / 10.0;
      chart.line("grid", "#ddd8cc", x, 4, x, height - 18);
      chart.text("tick", x, height - 4, "middle", 12, false, tenth == 10 ? "1" : "0." + tenth);
    }
    for (int i = 0; i < totals.size(); i++) {
      chart.total(totals.get(i), i * ROW + 15, left, wide);
    }
    return chart.done();
  }

  private void total(Total total, double y, int left, int wide) {
    String look = total.chosen() ? "chosen" : "other";
    String colour = total.chosen() ? "#0e5560" : "#8a8375";
    double from = left + wide * total.low();
    double to = left + wide * total.high();
    String name = total.name();
    text(
        look,
        0,
        y + 4,
        "start",
        13,
        total.chosen(),
        name.length() > LONGEST_NAME ? name.substring(0, LONGEST_NAME - 1) + "…" : name);
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
}
