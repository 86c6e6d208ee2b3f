package tertulia.app.chart;

import java.util.List;
import tertulia.app.display.Dates;
import tertulia.core.evaluation.Selection;
import tertulia.core.growth.Group;
import tertulia.core.growth.Scenario;
import tertulia.core.growth.Step;
import tertulia.core.time.Horizon;

/** The people planned over the months, above the cord the bead runs on. */
public final class ThreadChart {
  private static final double WIDTH = 1216;
  private static final double EDGE = 10;
  private static final double CORD = 50;
  private static final double LOWEST = 44;
  private static final double HIGHEST = 16;
  private static final double CLEARANCE = 150;

  private ThreadChart() {}

  /** Draws the headcounts of all months with the steps that change them for good. */
  public static String draw(List<Integer> people, Selection selection, Scenario scenario) {
    Svg svg = new Svg();
    svg.open("svg", "class", "thread", "viewBox", "0 0 1216 58", "aria-hidden", "true");
    String line = profile(people);
    svg.leaf(
        "path",
        "class",
        "fillp",
        "d",
        line + "L" + Svg.number(WIDTH - EDGE) + " 50L" + Svg.number(EDGE) + " 50Z");
    svg.leaf("path", "class", "people", "d", line);
    svg.leaf("line", "class", "cord", "x1", EDGE, "x2", WIDTH - EDGE, "y1", CORD, "y2", CORD);
    years(svg, selection.horizon());
    steps(svg, selection, scenario);
    return svg.close("svg").toString();
  }

  private static double x(int m, int months) {
    return EDGE + (WIDTH - 2 * EDGE) * (months == 1 ? 0.5 : (double) m / (months - 1));
  }

  private static String profile(List<Integer> people) {
    int most = people.stream().mapToInt(Integer::intValue).max().orElse(1);
    StringBuilder d = new StringBuilder();
    for (int m = 0; m < people.size(); m++) {
      double share = most == 0 ? 0 : (double) people.get(m) / most;
      double y = LOWEST - (LOWEST - HIGHEST) * share;
      d.append(m == 0 ? 'M' : 'L')
          .append(Svg.number(x(m, people.size())))
          .append(' ')
          .append(Svg.number(y));
    }
    return d.toString();
  }

  private static void years(Svg svg, Horizon horizon) {
    double step = x(1, horizon.months()) - x(0, horizon.months());
    for (int m : TimeAxis.labelled(horizon, step)) {
      double x = x(m, horizon.months());
      svg.leaf("line", "class", "cord", "x1", x, "x2", x, "y1", CORD - 4, "y2", CORD + 4);
      svg.text(x + 4, 13, "tick", "start", Dates.shortMonth(horizon.month(m)));
    }
  }

  private static void steps(Svg svg, Selection selection, Scenario scenario) {
    double free = 0;
    for (Group group : selection.groups()) {
      for (Step step : group.steps()) {
        int m = selection.horizon().indexOf(step.from());
        boolean happens = step.inForce(step.from(), scenario);
        if (happens && step.end().isEmpty() && selection.horizon().contains(m)) {
          double x = x(m, selection.horizon().months());
          svg.leaf("path", "class", "knot", "d", "M" + Svg.number(x - 4) + " 50l4 -4l4 4l-4 4Z");
          if (Math.abs(x - free) > CLEARANCE) {
            boolean late = x > WIDTH - CLEARANCE;
            String label =
                step.label() + (step.change() < 0 ? " −" : " +") + Math.abs(step.change());
            svg.text(late ? x - 8 : x + 8, 45, "note", late ? "end" : "start", label);
            free = x;
          }
        }
      }
    }
  }
}
