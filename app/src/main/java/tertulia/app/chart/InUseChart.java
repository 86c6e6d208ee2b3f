package tertulia.app.chart;

import java.time.LocalDate;
import java.time.YearMonth;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import tertulia.core.time.Horizon;

/**
 * A tool in use as a strip over the months: what is needed as an area, what is paid for as a line
 * to the end of the term, idle units hatched between them, the day of notice as a knot.
 */
public final class InUseChart {
  private static final int WIDTH = 480;
  private static final int HEIGHT = 40;
  private static final double BASE = 35;
  private static final double TALL = 26;

  private InUseChart() {}

  /**
   * What it shows.
   *
   * @param horizon the months drawn
   * @param needed by month; none: not known
   * @param held units that are paid for
   * @param free the first month not owed any more; empty: it can be ended in any month
   * @param notice the day of notice
   */
  public record Strip(
      Horizon horizon,
      List<Integer> needed,
      int held,
      Optional<YearMonth> free,
      Optional<LocalDate> notice) {}

  /** The years above the strips. */
  public static String years(Horizon horizon) {
    Svg svg = opened("Months", 20);
    svg.text(0, 15, "tick now", "start", "today");
    for (int m : TimeAxis.labelled(horizon, step(horizon))) {
      if (m > 1 && horizon.month(m).getMonthValue() == 1) {
        svg.text(x(horizon, m) + 3, 15, "tick", "start", "" + horizon.month(m).getYear());
      }
    }
    return svg.close("svg").toString();
  }

  private static Svg opened(String says, int height) {
    return new Svg()
        .open(
            "svg",
            "class",
            "chart usestrip",
            "viewBox",
            "0 0 " + WIDTH + " " + height,
            "role",
            "img",
            "aria-label",
            says);
  }

  /** One strip. */
  public static String of(Strip strip, String says) {
    Svg svg = opened(says, HEIGHT);
    int most = Math.max(1, Math.max(strip.held(), strip.needed().stream().reduce(0, Math::max)));
    for (int m : TimeAxis.labelled(strip.horizon(), step(strip.horizon()))) {
      if (m > 1) {
        double x = x(strip.horizon(), m);
        svg.leaf("line", "class", "axis", "x1", x, "x2", x, "y1", 4, "y2", BASE);
      }
    }
    double end =
        strip.free().map(free -> x(strip.horizon(), strip.horizon().indexOf(free))).orElse(0.0);
    area(svg, strip, most);
    idle(svg, strip, most, end);
    double held = y(strip.held(), most);
    if (end > 0) {
      svg.leaf("line", "class", "paid", "x1", 0, "x2", end, "y1", held, "y2", held);
      svg.leaf("line", "class", "ends", "x1", end, "x2", end, "y1", 2, "y2", BASE);
    }
    svg.leaf("line", "class", "paid", "x1", 0, "x2", end, "y1", BASE, "y2", BASE);
    svg.leaf("line", "class", "loose", "x1", end, "x2", WIDTH, "y1", BASE, "y2", BASE);
    svg.leaf("circle", "class", "now", "cx", 3, "cy", BASE, "r", "3.5");
    notice(svg, strip);
    return svg.close("svg").toString();
  }

  private static void area(Svg svg, Strip strip, int most) {
    if (strip.needed().isEmpty()) {
      return;
    }
    StringBuilder path = new StringBuilder("M0 " + BASE);
    for (int m = 0; m < strip.needed().size(); m++) {
      double y = y(strip.needed().get(m), most);
      path.append(" L").append(x(strip.horizon(), m)).append(' ').append(y);
      path.append(" L").append(x(strip.horizon(), m + 1)).append(' ').append(y);
    }
    svg.leaf("path", "class", "needed", "d", path.append(" L" + WIDTH + " " + BASE + " Z"));
  }

  /** Between what is paid for and what is needed of it, while it is owed. */
  private static void idle(Svg svg, Strip strip, int most, double end) {
    for (int m = 0; m < strip.needed().size(); m++) {
      double from = x(strip.horizon(), m);
      double to = Math.min(end, x(strip.horizon(), m + 1));
      if (to > from && strip.needed().get(m) < strip.held()) {
        double top = y(strip.held(), most);
        double foot = y(strip.needed().get(m), most);
        for (double at : strokes(from, to)) {
          double reach = Math.min(foot - top, to - at);
          svg.leaf(
              "line", "class", "idle", "x1", at, "x2", at + reach, "y1", top + reach, "y2", top);
        }
      }
    }
  }

  private static List<Double> strokes(double from, double to) {
    List<Double> strokes = new ArrayList<>();
    for (double at = from; at < to; at += 5) {
      strokes.add(at);
    }
    return strokes;
  }

  private static void notice(Svg svg, Strip strip) {
    strip
        .notice()
        .map(day -> x(strip.horizon(), day))
        .filter(at -> at > 0 && at < WIDTH)
        .ifPresent(at -> {
          svg.leaf("line", "class", "knot", "x1", at, "x2", at, "y1", 6, "y2", BASE);
          svg.leaf(
              "path", "class", "knot", "d", "M" + at + " " + (BASE - 5) + " l5 5 l-5 5 l-5 -5 z");
        });
  }

  private static double step(Horizon horizon) {
    return (double) WIDTH / horizon.months();
  }

  private static double x(Horizon horizon, int m) {
    return Math.clamp(m, 0, horizon.months()) * step(horizon);
  }

  private static double x(Horizon horizon, LocalDate day) {
    YearMonth month = YearMonth.from(day);
    double part = (double) ChronoUnit.DAYS.between(month.atDay(1), day) / month.lengthOfMonth();
    return (horizon.indexOf(month) + part) * step(horizon);
  }

  private static double y(int units, int most) {
    return BASE - TALL * units / most;
  }
}
