package tertulia.app.chart;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import tertulia.app.display.Dates;
import tertulia.app.display.Figures;
import tertulia.core.growth.Group;
import tertulia.core.growth.Growth;
import tertulia.core.growth.Scenario;
import tertulia.core.growth.Step;
import tertulia.core.time.Horizon;

/** People by group over the months: plan, dated changes, and what really happened. */
public final class PeopleChart {
  private static final double LEFT = 48;
  private static final double RIGHT = 1040;
  private static final double TOP = 30;
  private static final double BOTTOM = 330;
  private static final int MARKS = 8;
  private static final double ROW = 15;
  private final Horizon horizon;
  private final List<Line> lines;
  private final Scenario scenario;
  private final Scale y;
  private final Svg svg = new Svg();

  /**
   * One group.
   *
   * @param place its place in the form, for the points that can be moved
   * @param counted people who were really there, by plan month; months before the plan are negative
   */
  public record Line(int place, Group group, Map<Integer, Integer> counted) {}

  private PeopleChart(Horizon horizon, List<Line> lines, Scenario scenario) {
    this.horizon = horizon;
    this.lines = lines;
    this.scenario = scenario;
    int most = 1;
    for (Line line : lines) {
      for (int m = 0; m < horizon.months(); m++) {
        most = Math.max(most, line.group().headcount(horizon, m, scenario));
      }
      most = Math.max(most, line.counted().values().stream().max(Integer::compare).orElse(0));
    }
    this.y = Scale.over(most * 1.08, 5, BOTTOM, TOP);
  }

  /**
   * Draws the groups.
   *
   * @param movable whether points can be moved
   */
  public static String draw(Horizon horizon, List<Line> lines, Scenario scenario, boolean movable) {
    return new PeopleChart(horizon, lines, scenario).draw(movable);
  }

  private String draw(boolean movable) {
    svg.open(
        "svg",
        "class",
        "costs growth",
        "viewBox",
        "0 0 1216 372",
        "role",
        movable ? "group" : "img",
        "aria-label",
        "People by group from "
            + Dates.shortMonth(horizon.start())
            + " on, growth "
            + scenario.words(),
        "data-top",
        TOP,
        "data-bottom",
        BOTTOM,
        "data-most",
        y.most());
    grid();
    lines.forEach(this::line);
    steps();
    ends();
    if (movable) {
      lines.forEach(this::handles);
    }
    return svg.close("svg").toString();
  }

  private double x(int m) {
    int last = horizon.months() - 1;
    return LEFT + (RIGHT - LEFT) * (last == 0 ? 0.5 : (double) m / last);
  }

  private void grid() {
    for (double tick : y.ticks()) {
      double at = y.at(tick);
      svg.leaf(
          "line",
          "class",
          tick == 0 ? "grid base" : "grid",
          "x1",
          LEFT,
          "x2",
          RIGHT,
          "y1",
          at,
          "y2",
          at);
      svg.text(LEFT - 8, at + 4, "tick", "end", "" + (long) tick);
    }
    for (int m : TimeAxis.labelled(horizon, x(1) - x(0))) {
      svg.leaf("line", "class", "grid", "x1", x(m), "x2", x(m), "y1", BOTTOM, "y2", BOTTOM + 5);
      svg.text(x(m), BOTTOM + 18, "tick", "start", Dates.shortMonth(horizon.month(m)));
    }
  }

  private static int mark(Line line) {
    return line.place() % MARKS + 1;
  }

  private void line(Line line) {
    StringBuilder d = new StringBuilder();
    int before = -1;
    for (int m = 0; m < horizon.months(); m++) {
      int people = line.group().headcount(horizon, m, scenario);
      String at = Svg.number(y.at(people));
      if (m == 0) {
        d.append('M').append(Svg.number(x(m))).append(' ').append(at);
      } else if (people != before) {
        // people come in a month, not on the way to it
        d.append('H').append(Svg.number(x(m))).append('V').append(at);
      }
      before = people;
    }
    d.append('H').append(Svg.number(x(horizon.months() - 1)));
    svg.leaf("path", "class", "line m" + mark(line), "d", d);
    line.counted()
        .forEach((m, people) -> {
          if (horizon.contains(m)) {
            svg.open(
                    "circle",
                    "class",
                    "counted m" + mark(line),
                    "cx",
                    x(m),
                    "cy",
                    y.at(people),
                    "r",
                    3.2)
                .title(
                    line.group().name()
                        + ": "
                        + people
                        + " were there in "
                        + Dates.shortMonth(horizon.month(m)))
                .close("circle");
          }
        });
  }

  /** Each dated change where it begins, its words kept apart from the others'. */
  private void steps() {
    TreeMap<Integer, List<String>> words = new TreeMap<>();
    for (Line line : lines) {
      for (Step step : line.group().steps()) {
        int m = horizon.indexOf(step.from());
        boolean happens = step.onlyIn() == null || step.onlyIn().equals(scenario.id());
        if (horizon.contains(m) && happens) {
          String sign = step.change() < 0 ? " −" : " +";
          String every = step.everyYear() ? " every year" : "";
          words
              .computeIfAbsent(m, key -> new ArrayList<>())
              .add(step.label() + sign + Math.abs(step.change()) + every);
          double at = y.at(line.group().headcount(horizon, m, scenario));
          svg.open(
                  "path",
                  "class",
                  "knot",
                  "d",
                  "M" + Svg.number(x(m) - 4) + " " + Svg.number(at) + "l4 -4l4 4l-4 4Z")
              .title(
                  line.group().name()
                      + ": "
                      + step.label()
                      + sign
                      + Math.abs(step.change())
                      + every)
              .close("path");
        }
      }
    }
    double[] free = {0, 0, 0};
    words.forEach((m, labels) -> {
      String text = String.join(", ", labels);
      double width = 6.4 * text.length();
      double left = Math.min(x(m), RIGHT - width);
      for (int row = 0; row < free.length; row++) {
        if (left >= free[row]) {
          double at = 12 + row * ROW;
          svg.leaf(
              "line", "class", "lead thin", "x1", x(m), "x2", x(m), "y1", at + 3, "y2", BOTTOM);
          svg.text(left, at, "note", "start", text);
          free[row] = left + width + 12;
          break;
        }
      }
    });
  }

  /** Names at the ends of the lines, moved apart where they would touch. */
  private void ends() {
    int last = horizon.months() - 1;
    List<Line> sorted =
        lines.stream()
            .sorted(
                Comparator.comparing((Line l) -> l.group().headcount(horizon, last, scenario))
                    .reversed())
            .toList();
    double free = TOP - 10;
    for (Line line : sorted) {
      int people = line.group().headcount(horizon, last, scenario);
      double at = Math.max(free + ROW, y.at(people) + 4);
      free = at;
      svg.open("g", "class", "endmark m" + mark(line));
      svg.leaf(
          "line",
          "class",
          "line m" + mark(line),
          "x1",
          RIGHT + 10,
          "x2",
          RIGHT + 30,
          "y1",
          at - 4,
          "y2",
          at - 4);
      svg.text(RIGHT + 36, at, "call", "start", line.group().name() + " " + people);
      svg.close("g");
    }
  }

  /** Points that can be taken and moved: the start and the end, or every month of a list. */
  private void handles(Line line) {
    Group group = line.group();
    int last = horizon.months() - 1;
    int first = group.start().map(horizon::indexOf).filter(m -> m > 0).orElse(0);
    List<Integer> months = new ArrayList<>();
    switch (group.growth()) {
      case Growth.Listed listed -> {
        for (int m = first; m <= Math.min(last, first + listed.values().size() - 1); m++) {
          months.add(m);
        }
      }
      case Growth.Hires hires -> months.addAll(List.of(first, last));
      case Growth.Percent percent -> months.addAll(List.of(first, last));
    }
    for (int m : months) {
      handle(line, m);
    }
  }

  private void handle(Line line, int m) {
    int people = line.group().headcount(horizon, m, scenario);
    String label = line.group().name() + " in " + Dates.shortMonth(horizon.month(m));
    svg.open(
            "circle",
            "class",
            "handle m" + mark(line),
            "id",
            "handle-" + line.place() + "-" + m,
            "cx",
            x(m),
            "cy",
            y.at(people),
            "r",
            line.group().growth() instanceof Growth.Listed ? 4 : 6,
            "tabindex",
            0,
            "role",
            "slider",
            "aria-label",
            label,
            "aria-valuemin",
            0,
            "aria-valuemax",
            (long) y.most(),
            "aria-valuenow",
            people,
            "aria-valuetext",
            Figures.counted(people, "people"),
            "data-group",
            line.place(),
            "data-month",
            m)
        .title(label + ": " + people + ". Pull it, or use the arrow keys")
        .close("circle");
  }
}
