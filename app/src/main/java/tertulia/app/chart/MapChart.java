package tertulia.app.chart;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tertulia.app.display.Figures;
import tertulia.core.firmness.WinnerMap;

/** Who leads by size, across, and weight of cost, upwards; today's point is marked. */
public final class MapChart {
  private static final double LEFT = 52;
  private static final double RIGHT = 790;
  private static final double TOP = 14;
  private static final double BOTTOM = 274;
  private static final int LEAST_FOR_A_NAME = 120;
  private final Svg svg = new Svg();
  private final WinnerMap map;
  private final Map<String, Drawn> contenders;
  private final int reach;
  private final long step;

  private MapChart(WinnerMap map, Map<String, Drawn> contenders, int reach, long step) {
    this.map = map;
    this.contenders = contenders;
    this.reach = reach;
    this.step = step;
  }

  /**
   * The picture.
   *
   * @param contenders by id
   * @param reach sizes drawn, from 1
   * @param step how much of the size lies between two
   * @param unit what is counted, such as "people"
   * @param now the size under discussion; 0: none
   * @param weight of cost at the table, 0 to 1
   */
  public static String draw(
      WinnerMap map,
      Map<String, Drawn> contenders,
      int reach,
      long step,
      String unit,
      int now,
      double weight) {
    return new MapChart(map, contenders, Math.min(reach, map.sizes()), step)
        .draw(unit, now, weight);
  }

  private String draw(String unit, int now, double weight) {
    svg.open(
        "svg",
        "class",
        "winnermap",
        "viewBox",
        "0 0 812 322",
        "role",
        "img",
        "aria-label",
        "Who leads by number of " + unit + " and weight of cost; the table below says the same");
    areas();
    svg.leaf("line", "class", "base", "x1", LEFT, "x2", RIGHT, "y1", BOTTOM, "y2", BOTTOM);
    for (int percent = 0; percent <= 100; percent += 25) {
      svg.text(LEFT - 8, y(percent) + 4, "tick", "end", percent + " %");
    }
    Scale scale = Scale.over(reach * (double) step, 8, LEFT, RIGHT);
    for (double tick : scale.ticks()) {
      if (tick > 0 && tick <= reach * (double) step) {
        double x = edge(tick / step + 0.5);
        svg.text(x, BOTTOM + 18, "tick", "middle", Figures.whole(Math.round(tick)));
      }
    }
    svg.text((LEFT + RIGHT) / 2, BOTTOM + 36, "tick", "middle", unit);
    names();
    if (now >= 1 && now <= reach) {
      double x = edge(now + 0.5);
      double y = y(weight * 100);
      svg.leaf("line", "class", "now", "x1", x, "x2", x, "y1", TOP, "y2", BOTTOM);
      svg.leaf("line", "class", "now", "x1", LEFT, "x2", RIGHT, "y1", y, "y2", y);
      svg.leaf("circle", "class", "here", "cx", x, "cy", y, "r", "5");
    }
    return svg.close("svg").toString();
  }

  /** The left edge of a size; half a step on is its middle. */
  private double edge(double size) {
    return LEFT + (RIGHT - LEFT) * (size - 1) / reach;
  }

  private static double y(double percent) {
    return BOTTOM - (BOTTOM - TOP) * percent / 100;
  }

  /**
   * Sizes in a row that are alike are drawn as one, and all of a contender in one outline, so that
   * no seams show.
   */
  private void areas() {
    Map<Run, StringBuilder> outlines = new LinkedHashMap<>();
    int from = 1;
    for (int size = 2; size <= reach + 1; size++) {
      if (size > reach || !column(size).equals(column(from))) {
        for (Run run : column(from)) {
          outlines
              .computeIfAbsent(
                  new Run(run.leader(), run.certain(), 0, 0), all -> new StringBuilder())
              .append(outline(run, edge(from), edge(size)));
        }
        from = size;
      }
    }
    outlines.forEach(this::area);
  }

  /** A hair wider than it is: within one outline nothing counts twice. */
  private static String outline(Run run, double left, double right) {
    return "M"
        + Svg.number(left)
        + " "
        + Svg.number(y(Math.min(100, run.to() + 0.5)))
        + "H"
        + Svg.number(right + 0.3)
        + "V"
        + Svg.number(y(Math.max(0, run.from() - 0.5)))
        + "H"
        + Svg.number(left)
        + "Z";
  }

  private void area(Run of, StringBuilder outline) {
    Drawn contender = of.leader().map(contenders::get).orElse(null);
    if (contender != null) {
      svg.open(
              "path",
              "class",
              (of.certain() ? "area m" : "area unsure m") + contender.mark(),
              "d",
              outline.toString())
          .title(contender.name() + (of.certain() ? "" : ", not in every case"))
          .close("path");
    }
  }

  /** Weights in a row with the same leader, as sure as each other. */
  private record Run(Optional<String> leader, boolean certain, int from, int to) {}

  private List<Run> column(int size) {
    List<Run> runs = new ArrayList<>();
    int from = 0;
    for (int percent = 1; percent <= WinnerMap.WEIGHTS; percent++) {
      if (percent == WinnerMap.WEIGHTS
          || !map.leader(size, percent).equals(map.leader(size, from))
          || map.certainLeader(size, percent).isPresent()
              != map.certainLeader(size, from).isPresent()) {
        runs.add(
            new Run(
                map.leader(size, from),
                map.certainLeader(size, from).isPresent(),
                from,
                percent - 1));
        from = percent;
      }
    }
    return runs;
  }

  /** Each name once, in the middle of the widest stretch of its largest row. */
  private void names() {
    Map<String, double[]> best = new HashMap<>();
    for (int percent = 4; percent <= 96; percent += 4) {
      int from = 1;
      for (int size = 2; size <= reach + 1; size++) {
        if (size > reach || !map.leader(size, percent).equals(map.leader(from, percent))) {
          int start = from;
          int end = size;
          int row = percent;
          map.leader(from, percent)
              .ifPresent(id -> {
                double width = edge(end) - edge(start);
                double middle = Math.abs(row - 50);
                double[] known = best.get(id);
                if (known == null
                    || width > known[0] + 1
                    || width > known[0] - 1 && middle < known[3]) {
                  best.put(id, new double[] {width, (edge(end) + edge(start)) / 2, y(row), middle});
                }
              });
          from = size;
        }
      }
    }
    best.forEach((id, place) -> {
      Drawn contender = contenders.get(id);
      if (contender != null) {
        boolean roomy = place[0] > Math.max(LEAST_FOR_A_NAME, contender.name().length() * 8.0);
        Marks.draw(
            svg,
            contender.mark(),
            place[1] - (roomy ? contender.name().length() * 3.6 + 8 : 0),
            place[2]);
        if (roomy) {
          svg.text(place[1] + 6, place[2] + 4, "lab", "middle", contender.name());
        }
      }
    });
  }
}
