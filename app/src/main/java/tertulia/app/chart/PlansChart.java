package tertulia.app.chart;

import java.util.List;
import tertulia.app.display.Dates;
import tertulia.core.time.Horizon;

/**
 * Every plan of each contender as a line of months: filled where it would do, hatched where
 * something is not confirmed, bare with the reason where it is out.
 */
public final class PlansChart {
  private static final double RIGHT = 1204;
  private static final double WIDTH = 1216;
  private static final double HEAD = 22;
  private static final double LINE = 20;
  private static final double GAP = 8;
  private static final double BAR = 13;
  private static final double LETTER = 6.2;

  private final double left;

  private PlansChart(double left) {
    this.left = left;
  }

  /** Whether a plan would do. */
  public enum State {
    DOES("does"),
    UNCONFIRMED("unsure"),
    OUT("out");

    private final String look;

    State(String look) {
      this.look = look;
    }
  }

  /** A contender with its plans in the maker's order. */
  public record Tool(String name, int mark, List<Plan> plans) {}

  public record Plan(String name, List<Stretch> stretches) {}

  /**
   * Months from (included) to end (not included).
   *
   * @param words what is said of them; empty where the plan would do
   */
  public record Stretch(int from, int end, State state, String words) {}

  /** Draws all contenders over one axis of months. */
  public static String draw(List<Tool> tools, Horizon horizon) {
    List<String> plans =
        tools.stream().flatMap(tool -> tool.plans().stream()).map(Plan::name).toList();
    double names = EndLabels.room(tools.stream().map(Tool::name).toList());
    return new PlansChart(Math.max(230, names + EndLabels.room(plans))).drawn(tools, horizon);
  }

  private String drawn(List<Tool> tools, Horizon horizon) {
    double height =
        HEAD + tools.stream().mapToDouble(tool -> tool.plans().size() * LINE + GAP).sum();
    Svg svg = new Svg();
    svg.open(
        "svg",
        "class",
        "planmonths",
        "viewBox",
        "0 0 " + Svg.number(WIDTH) + " " + Svg.number(height),
        "role",
        "img",
        "aria-label",
        "Every plan month by month; its table follows");
    svg.open(
            "pattern",
            "id",
            "unsure",
            "width",
            "6",
            "height",
            "6",
            "patternUnits",
            "userSpaceOnUse",
            "patternTransform",
            "rotate(45)")
        .leaf("line", "class", "hatch", "x1", "0", "y1", "0", "x2", "0", "y2", "6")
        .close("pattern");
    for (int m : TimeAxis.labelled(horizon, x(1, horizon) - x(0, horizon))) {
      double x = x(m, horizon);
      svg.leaf("line", "class", "grid", "x1", x, "x2", x, "y1", HEAD - 6, "y2", height - GAP);
      svg.text(x + 4, HEAD - 8, "tick", "start", Dates.shortMonth(horizon.month(m)));
    }
    double top = HEAD;
    for (Tool tool : tools) {
      Marks.draw(svg, tool.mark(), 8, top + LINE / 2);
      svg.text(20, top + LINE / 2 + 4, "lab", "start", tool.name());
      for (Plan plan : tool.plans()) {
        line(svg, tool, plan, horizon, top);
        top += LINE;
      }
      top += GAP;
    }
    return svg.close("svg").toString();
  }

  private double x(int m, Horizon horizon) {
    return left + (RIGHT - left) * m / horizon.months();
  }

  private void line(Svg svg, Tool tool, Plan plan, Horizon horizon, double top) {
    svg.text(left - 10, top + LINE / 2 + 4, "call", "end", plan.name());
    for (Stretch stretch : plan.stretches()) {
      double x = x(stretch.from(), horizon);
      double width = x(stretch.end(), horizon) - x;
      svg.open("g", "class", "m" + tool.mark());
      svg.leaf(
          "rect",
          "class",
          "planbar " + stretch.state().look,
          "x",
          x + 0.5,
          "y",
          top + (LINE - BAR) / 2,
          "width",
          Math.max(1, width - 1),
          "height",
          BAR);
      if (!stretch.words().isEmpty()) {
        svg.text(x + 5, top + LINE / 2 + 4, "note", "start", fitted(stretch.words(), width - 8));
      }
      svg.title(
          tool.name()
              + ", "
              + plan.name()
              + ": "
              + (stretch.words().isEmpty() ? "would do" : stretch.words()));
      svg.close("g");
    }
  }

  /** A text if there is room for all of it; it can be read by pointing and in the table. */
  private static String fitted(String text, double room) {
    int letters = (int) (room / LETTER);
    return text.length() <= letters ? text : "";
  }
}
