package tertulia.app.chart;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;

/**
 * A condition as a cord over the months of the plan: whole while it holds, cut in the month in
 * which it breaks, dashed where nothing can be foreseen.
 */
public final class CordChart {
  private static final int WIDTH = 360;
  private static final int HEIGHT = 22;
  private static final double Y = 11;

  private CordChart() {}

  /** A stretch of days, the end not part of it. */
  public record Stretch(LocalDate from, LocalDate until) {}

  /**
   * How it runs.
   *
   * @param first the first day of the plan
   * @param last the day after its last
   * @param cut from when it is broken, or will be; empty if it is not
   * @param broken whether it is broken today
   * @param known until when something can be said of it
   * @param gaps when it was broken before
   */
  public record Cord(
      LocalDate first,
      LocalDate last,
      LocalDate today,
      Optional<LocalDate> cut,
      boolean broken,
      LocalDate known,
      List<Stretch> gaps) {}

  /** The years above the cords, with today. */
  public static String years(LocalDate first, LocalDate last, LocalDate today) {
    Svg svg = opened("Years of the plan");
    for (int year = first.getYear(); year <= last.getYear(); year++) {
      LocalDate day = LocalDate.of(year, 1, 1);
      LocalDate at = day.isBefore(first) ? first : day;
      double x = x(first, last, at);
      if (at.isBefore(last) && x < WIDTH - 34) {
        svg.leaf("line", "class", "axis", "x1", x, "x2", x, "y1", 2, "y2", 18);
        svg.text(x + 4, 15, "tick", "start", "" + year);
      }
    }
    if (!today.isBefore(first) && today.isBefore(last)) {
      double x = x(first, last, today);
      svg.leaf("circle", "class", "now", "cx", x, "cy", 18, "r", "3");
    }
    return svg.close("svg").toString();
  }

  private static Svg opened(String says) {
    Svg svg = new Svg();
    return svg.open(
        "svg",
        "class",
        "chart cord",
        "viewBox",
        "0 0 " + WIDTH + " " + HEIGHT,
        "role",
        "img",
        "aria-label",
        says);
  }

  /** One cord. */
  public static String of(Cord cord, String says) {
    Svg svg = opened(says);
    double start = x(cord, cord.first());
    double end = x(cord, cord.last());
    double known = x(cord, cord.known());
    double cut = cord.cut().map(day -> x(cord, day)).orElse(end);
    double whole = Math.min(cut, known);
    line(svg, "whole", start, whole);
    if (cord.cut().isPresent()) {
      line(svg, cord.broken() ? "off broken" : "off breaks", cut, end);
      for (double stroke : new double[] {cut - 3, cut + 3}) {
        svg.leaf(
            "line",
            "class",
            cord.broken() ? "cut broken" : "cut breaks",
            "x1",
            stroke,
            "x2",
            stroke,
            "y1",
            Y - 6,
            "y2",
            Y + 6);
      }
    } else if (known < end) {
      line(svg, "open", known, end);
    }
    for (Stretch gap : cord.gaps()) {
      line(svg, "gap", x(cord, gap.from()), x(cord, gap.until()));
    }
    if (!cord.today().isBefore(cord.first()) && cord.today().isBefore(cord.last())) {
      svg.leaf("circle", "class", "now", "cx", x(cord, cord.today()), "cy", Y, "r", "4.5");
    }
    return svg.close("svg").toString();
  }

  private static void line(Svg svg, String look, double from, double to) {
    if (to > from) {
      svg.leaf("line", "class", look, "x1", from, "x2", to, "y1", Y, "y2", Y);
    }
  }

  private static double x(Cord cord, LocalDate day) {
    return x(cord.first(), cord.last(), day);
  }

  private static double x(LocalDate first, LocalDate last, LocalDate day) {
    double all = ChronoUnit.DAYS.between(first, last);
    double at = Math.clamp((double) ChronoUnit.DAYS.between(first, day), 0.0, all);
    return 4 + (WIDTH - 8) * at / all;
  }
}
