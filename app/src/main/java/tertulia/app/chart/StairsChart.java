package tertulia.app.chart;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import tertulia.app.display.Figures;

/**
 * Figures from one day to another, a step for each cause: one continuous line a contender. Between
 * the first and the last level stand sums of the parts.
 */
public final class StairsChart {
  private static final int HEIGHT = 250;
  private static final double TOP = 26;
  private static final double FLOOR = HEIGHT - 34;
  private static final double LEFT = 52;
  private static final int TICKS = 4;

  private final Svg svg = new Svg();
  private final List<String> steps;
  private final Scale scale;
  private final double right;

  private StairsChart(String says, List<String> steps, Scale scale, int width, double right) {
    this.steps = steps;
    this.scale = scale;
    this.right = right;
    svg.open(
        "svg",
        "class",
        "chart stairs",
        "viewBox",
        "0 0 " + width + " " + HEIGHT,
        "role",
        "img",
        "aria-label",
        says);
  }

  /**
   * A line.
   *
   * @param then its level at the start
   * @param parts what each step adds, as many as there are steps
   * @param words what stands at its end
   */
  public record Line(Drawn drawn, BigDecimal then, List<BigDecimal> parts, String words) {
    /** Levels from the start to the end, one more than there are steps. */
    List<Double> levels() {
      List<Double> levels = new ArrayList<>();
      BigDecimal level = then;
      levels.add(level.doubleValue());
      for (BigDecimal part : parts) {
        level = level.add(part);
        levels.add(level.doubleValue());
      }
      return levels;
    }
  }

  /** Where the axis begins if that is not 0, such as "0.45"; else empty. */
  public static String begins(List<Line> lines) {
    Scale scale = scale(lines);
    return scale.least() == 0 ? "" : scale.label(scale.least());
  }

  private static Scale scale(List<Line> lines) {
    double least =
        lines.stream().flatMap(l -> l.levels().stream()).min(Double::compare).orElse(0.0);
    double most = lines.stream().flatMap(l -> l.levels().stream()).max(Double::compare).orElse(1.0);
    return least < most / 2
        ? new Scale(0, Math.max(most, 1e-9), Scale.step(Math.max(most, 1e-9) / TICKS), FLOOR, TOP)
        : Scale.between(least, most, TICKS, FLOOR, TOP);
  }

  /** One line as stairs with what each step adds. */
  public static String one(Line line, List<String> steps, String says, List<String> amounts) {
    int width = 380;
    StairsChart chart = new StairsChart(says, steps, scale(List.of(line)), width, width - 6);
    chart.frame();
    chart.blocks(line, amounts);
    return chart.svg.close("svg").toString();
  }

  /** Several lines with their names at their ends. */
  public static String several(List<Line> lines, List<String> steps, String says) {
    int width = 560;
    double room = EndLabels.room(lines.stream().map(Line::words).toList());
    StairsChart chart =
        new StairsChart(says, steps, scale(lines), width, width - Math.min(room, 210));
    chart.frame();
    lines.forEach(chart::line);
    chart.ends(lines);
    return chart.svg.close("svg").toString();
  }

  private double wide() {
    return (right - LEFT) / (steps.size() + 2);
  }

  private void frame() {
    for (double tick : scale.ticks()) {
      double y = scale.at(tick);
      if (y < TOP - 8) {
        continue;
      }
      svg.leaf("line", "class", "grid", "x1", LEFT, "x2", right, "y1", y, "y2", y);
      svg.text(LEFT - 6, y + 4, "tick", "end", scale.label(tick));
    }
    svg.leaf("line", "class", "axis", "x1", LEFT, "x2", right, "y1", FLOOR, "y2", FLOOR);
    List<String> names = new ArrayList<>();
    names.add("decided");
    names.addAll(steps);
    names.add("today");
    for (int i = 0; i < names.size(); i++) {
      boolean low = names.size() > 5 && i % 2 == 1;
      svg.text(LEFT + (i + 0.5) * wide(), FLOOR + (low ? 30 : 16), "tick", "middle", names.get(i));
    }
  }

  /** The first and the last level as areas, each step as a block between two levels. */
  private void blocks(Line line, List<String> amounts) {
    List<Double> levels = line.levels();
    area(0, levels.getFirst());
    area(steps.size() + 1, levels.getLast());
    label(0, levels.getFirst(), amounts.getFirst());
    for (int s = 0; s < steps.size(); s++) {
      double before = levels.get(s);
      double after = levels.get(s + 1);
      double top = scale.at(Math.max(before, after));
      double x = LEFT + (s + 1) * wide();
      svg.leaf(
          "rect",
          "class",
          after >= before ? "step up" : "step down",
          "x",
          x,
          "y",
          top,
          "width",
          wide(),
          "height",
          Math.max(1, scale.at(Math.min(before, after)) - top));
      label(s + 1, Math.max(before, after), amounts.get(s + 1));
    }
    label(steps.size() + 1, levels.getLast(), amounts.getLast());
    svg.leaf("path", "class", "line m" + line.drawn().mark(), "d", path(levels));
  }

  private void area(int place, double level) {
    double y = scale.at(level);
    svg.leaf(
        "rect",
        "class",
        "level",
        "x",
        LEFT + place * wide(),
        "y",
        y,
        "width",
        wide(),
        "height",
        Math.max(0, FLOOR - y));
  }

  private void label(int place, double level, String words) {
    svg.text(LEFT + (place + 0.5) * wide(), scale.at(level) - 6, "call", "middle", words);
  }

  /** Across from the middle of one step to that of the next, and up or down there. */
  private String path(List<Double> levels) {
    StringBuilder path = new StringBuilder();
    path.append('M').append(point(LEFT, levels.getFirst()));
    for (int s = 0; s < steps.size(); s++) {
      double x = LEFT + (s + 1.5) * wide();
      path.append('L').append(point(x, levels.get(s)));
      path.append('L').append(point(x, levels.get(s + 1)));
    }
    return path.append('L').append(point(right, levels.getLast())).toString();
  }

  private String point(double x, double level) {
    return Svg.number(x) + " " + Svg.number(scale.at(level));
  }

  private void line(Line line) {
    svg.open("g");
    svg.title(line.drawn().name() + ", " + line.words());
    svg.leaf("path", "class", "line m" + line.drawn().mark(), "d", path(line.levels()));
    svg.close("g");
  }

  private void ends(List<Line> lines) {
    List<Line> sorted =
        lines.stream().sorted(Comparator.comparing(l -> -l.levels().getLast())).toList();
    double[] at =
        EndLabels.apart(
            sorted.stream().mapToDouble(l -> scale.at(l.levels().getLast())).toArray(), TOP, FLOOR);
    for (int i = 0; i < sorted.size(); i++) {
      Marks.draw(svg, sorted.get(i).drawn().mark(), right + 12, at[i]);
      svg.text(right + 22, at[i] + 4, "name", "start", sorted.get(i).words());
    }
  }

  /** What a step adds, with its sign. */
  public static String signed(BigDecimal amount, String figure) {
    return amount.signum() == 0 ? "0" : (amount.signum() > 0 ? "+" : "−") + figure;
  }

  /** A part of a total with three decimals and its sign. */
  public static String part(BigDecimal amount) {
    return signed(amount, Figures.lead(amount));
  }
}
