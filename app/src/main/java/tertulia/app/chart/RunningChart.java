package tertulia.app.chart;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.joda.money.Money;
import tertulia.app.display.Dates;
import tertulia.app.display.Figures;
import tertulia.core.time.Horizon;

/** What each contender has cost by the end of each month, with the months where lines cross. */
public final class RunningChart {
  private static final double WIDTH = 1160;
  private static final double LEFT = 64;
  private static final double TOP = 16;
  private static final double BOTTOM = 246;
  private final Svg svg = new Svg();
  private final Horizon horizon;
  private final List<Monthly> lines;
  private final double right;
  private final double step;
  private final Scale y;
  private final Labels labels;

  private RunningChart(Horizon horizon, List<Monthly> lines) {
    this.horizon = horizon;
    this.lines = lines.stream().sorted(Comparator.comparing(RunningChart::end).reversed()).toList();
    this.right = WIDTH - EndLabels.room(lines.stream().map(Monthly::name).toList());
    this.step = (right - LEFT) / horizon.months();
    this.y =
        Scale.over(lines.stream().mapToDouble(RunningChart::end).max().orElse(1), 5, BOTTOM, TOP);
    this.labels = new Labels(LEFT, TOP - 4, right, BOTTOM - 4);
  }

  /** From a month on a line stays below another. */
  public record Crossing(int month, String words, Money at) {}

  /** The picture; empty without lines. */
  public static String draw(Horizon horizon, List<Monthly> lines, List<Crossing> crossings) {
    return lines.isEmpty() ? "" : new RunningChart(horizon, lines).draw(crossings);
  }

  private static double amount(Money money) {
    return money.getAmount().doubleValue();
  }

  private static double end(Monthly line) {
    return amount(line.months().getLast());
  }

  private String draw(List<Crossing> crossings) {
    String summary =
        "Cost so far. "
            + lines.stream()
                .map(line -> line.name() + ": " + Figures.money(line.months().getLast()))
                .collect(Collectors.joining("; "));
    svg.open(
        "svg",
        "class",
        "running",
        "viewBox",
        "0 0 " + (int) WIDTH + " 276",
        "role",
        "img",
        "aria-label",
        summary);
    grid();
    lines.forEach(this::line);
    // every point first, so that no name lies on one
    crossings.forEach(c -> labels.keepFree(x(c.month() + 1), y.at(amount(c.at())), 7));
    crossings.forEach(this::crossing);
    ends();
    return svg.close("svg").toString();
  }

  private void grid() {
    for (double tick : y.ticks()) {
      String look = tick == 0 ? "grid base" : "grid";
      svg.leaf("line", "class", look, "x1", LEFT, "x2", right, "y1", y.at(tick), "y2", y.at(tick));
      svg.text(LEFT - 8, y.at(tick) + 4, "tick", "end", y.label(tick));
    }
    for (int m : TimeAxis.labelled(horizon, step)) {
      svg.text(x(m), BOTTOM + 20, "tick", "start", Dates.shortMonth(horizon.month(m)));
    }
  }

  /** The start of month {@code m}; its sum stands at its end. */
  private double x(int m) {
    return LEFT + m * step;
  }

  private void line(Monthly line) {
    StringBuilder d = new StringBuilder("M" + Svg.number(LEFT) + " " + Svg.number(BOTTOM));
    for (int m = 0; m < line.months().size(); m++) {
      double at = y.at(amount(line.months().get(m)));
      d.append('L').append(Svg.number(x(m + 1))).append(' ').append(Svg.number(at));
      labels.keepFree(x(m + 1), at, 4);
    }
    svg.leaf("path", "class", line.mark() == 0 ? "line plainline" : "line m" + line.mark(), "d", d);
  }

  private void crossing(Crossing crossing) {
    double cx = x(crossing.month() + 1);
    double cy = y.at(amount(crossing.at()));
    Optional<Labels.Place> place = labels.place(crossing.words(), cx, cy);
    place.ifPresent(p -> {
      double toward = p.y() < cy ? p.y() + 4 : p.y() - 12;
      svg.leaf("line", "class", "lead", "x1", cx, "y1", cy, "x2", cx, "y2", toward);
      svg.text(p.x(), p.y(), "call", p.anchor(), crossing.words());
    });
    svg.leaf("circle", "class", "cross", "cx", cx, "cy", cy, "r", "5");
  }

  private void ends() {
    double[] at =
        EndLabels.apart(lines.stream().mapToDouble(line -> y.at(end(line))).toArray(), TOP, BOTTOM);
    for (int i = 0; i < at.length; i++) {
      Monthly line = lines.get(i);
      if (line.mark() > 0) {
        Marks.draw(svg, line.mark(), right + 12, at[i]);
      }
      svg.text(right + 24, at[i] + 4, "lab", "start", line.name());
    }
  }
}
