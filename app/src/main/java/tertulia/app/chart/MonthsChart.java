package tertulia.app.chart;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import org.joda.money.Money;
import tertulia.app.display.Dates;
import tertulia.app.display.Figures;
import tertulia.core.billing.InvoiceLine.Kind;
import tertulia.core.time.Horizon;

/** Cost over the months: each tool's months stacked by kind of charge, or all tools as lines. */
public final class MonthsChart {
  private static final double WIDTH = 1216;
  private static final int A_ROW = 3;
  private static final double GAP = 26;
  private static final double LEFT = 44;
  private static final double HEIGHT = 150;
  private static final double TOP = 24;
  private static final double BOTTOM = 112;
  private final Horizon horizon;
  private final Svg svg = new Svg();

  /** One tool's months by kind of charge. */
  public record Panel(String name, int mark, Map<Kind, List<Money>> kinds) {}

  private MonthsChart(Horizon horizon) {
    this.horizon = horizon;
  }

  private static double amount(Money money) {
    return money.getAmount().doubleValue();
  }

  /** A panel for each tool, all on one scale; what is given back hangs below the line. */
  public static String byKind(List<Panel> panels, Horizon horizon, String view) {
    return new MonthsChart(horizon).panels(panels, view);
  }

  private String panels(List<Panel> panels, String view) {
    int rows = Math.ceilDiv(panels.size(), A_ROW);
    open(HEIGHT * Math.max(1, rows), "Cost of each month by kind of charge, " + view);
    double most = panels.stream().mapToDouble(this::highest).max().orElse(1);
    double width = (WIDTH - GAP * (A_ROW - 1)) / A_ROW;
    for (int i = 0; i < panels.size(); i++) {
      double left = i % A_ROW * (width + GAP) + LEFT;
      double top = Math.floorDiv(i, A_ROW) * HEIGHT;
      Scale y = Scale.over(most, 3, top + BOTTOM, top + TOP);
      panel(panels.get(i), left, left + width - LEFT, top, y);
    }
    return svg.close("svg").toString();
  }

  private void open(double height, String label) {
    svg.open(
        "svg",
        "class",
        "costs months",
        "viewBox",
        "0 0 1216 " + Svg.number(height),
        "role",
        "img",
        "aria-label",
        label);
  }

  private double highest(Panel panel) {
    double most = 0;
    for (int m = 0; m < horizon.months(); m++) {
      double sum = 0;
      for (List<Money> months : panel.kinds().values()) {
        sum += Math.max(0, amount(months.get(m)));
      }
      most = Math.max(most, sum);
    }
    return most;
  }

  private void panel(Panel panel, double left, double right, double top, Scale y) {
    svg.text(left, top + 12, "call m" + panel.mark(), "start", panel.name());
    grid(left, right, y);
    double step = (right - left) / horizon.months();
    for (int m = 0; m < horizon.months(); m++) {
      column(panel, left + m * step, step, m, y);
    }
    years(left, step, top + BOTTOM);
    StringBuilder words = new StringBuilder();
    panel
        .kinds()
        .forEach((kind, months) ->
            words
                .append(words.isEmpty() ? "" : " · ")
                .append(kind.words())
                .append(' ')
                .append(Figures.money(months.stream().reduce(Money::plus).orElseThrow())));
    svg.text(left, top + BOTTOM + 31, "tick", "start", words.toString());
  }

  private void grid(double left, double right, Scale y) {
    for (double tick : y.ticks()) {
      double at = y.at(tick);
      svg.leaf(
          "line",
          "class",
          tick == 0 ? "grid base" : "grid",
          "x1",
          left,
          "x2",
          right,
          "y1",
          at,
          "y2",
          at);
      svg.text(left - 6, at + 4, "tick", "end", y.label(tick));
    }
  }

  private void years(double left, double step, double bottom) {
    for (int m : TimeAxis.labelled(horizon, step)) {
      svg.text(left + m * step, bottom + 15, "tick", "start", Dates.shortMonth(horizon.month(m)));
    }
  }

  private void column(Panel panel, double x, double step, int m, Scale y) {
    double up = 0;
    double down = 0;
    StringBuilder words = new StringBuilder(Dates.shortMonth(horizon.month(m)));
    List<double[]> boxes = new ArrayList<>();
    List<Kind> kinds = new ArrayList<>();
    for (Map.Entry<Kind, List<Money>> entry : panel.kinds().entrySet()) {
      Money money = entry.getValue().get(m);
      if (!money.isZero()) {
        double value = amount(money);
        double from = value > 0 ? up : down;
        boxes.add(new double[] {from, from + value});
        kinds.add(entry.getKey());
        up += Math.max(0, value);
        down += Math.min(0, value);
        words.append(", ").append(entry.getKey().words()).append(' ').append(Figures.money(money));
      }
    }
    if (boxes.isEmpty()) {
      return;
    }
    svg.open("g").title(words.toString());
    for (int i = 0; i < boxes.size(); i++) {
      double high = y.at(Math.max(boxes.get(i)[0], boxes.get(i)[1]));
      double low = y.at(Math.min(boxes.get(i)[0], boxes.get(i)[1]));
      svg.leaf(
          "rect",
          "class",
          "kind-" + kinds.get(i).name().toLowerCase(java.util.Locale.ROOT),
          "x",
          x,
          "y",
          high,
          "width",
          Math.max(1, step - 1),
          "height",
          Math.max(0.5, low - high));
    }
    svg.close("g");
  }

  /** All tools in one picture. */
  public static String byTool(List<Monthly> lines, Horizon horizon, String view) {
    return new MonthsChart(horizon).lines(lines, view);
  }

  private String lines(List<Monthly> lines, String view) {
    double height = 270;
    double right = WIDTH - 14 - EndLabels.room(lines.stream().map(Monthly::name).toList());
    open(height, "Cost of each month by tool, " + view);
    double most =
        lines.stream()
            .flatMap(line -> line.months().stream())
            .mapToDouble(MonthsChart::amount)
            .max()
            .orElse(1);
    Scale y = Scale.over(most, 5, 230, 14);
    grid(LEFT, right, y);
    double step = (right - LEFT) / horizon.months();
    years(LEFT, step, 230);
    for (Monthly line : lines) {
      StringBuilder d = new StringBuilder();
      for (int m = 0; m < horizon.months(); m++) {
        String at = Svg.number(y.at(amount(line.months().get(m))));
        d.append(m == 0 ? 'M' : 'L')
            .append(Svg.number(LEFT + m * step))
            .append(' ')
            .append(at)
            .append('H')
            .append(Svg.number(LEFT + (m + 1) * step));
      }
      svg.leaf("path", "class", "line m" + line.mark(), "d", d);
    }
    List<Monthly> sorted =
        lines.stream()
            .sorted(Comparator.comparing((Monthly l) -> amount(l.months().getLast())).reversed())
            .toList();
    double[] apart =
        EndLabels.apart(
            sorted.stream().mapToDouble(l -> y.at(amount(l.months().getLast()))).toArray(),
            14,
            height - 20);
    for (int i = 0; i < apart.length; i++) {
      Monthly line = sorted.get(i);
      double at = apart[i] + 4;
      svg.leaf(
          "line",
          "class",
          "line m" + line.mark(),
          "x1",
          right + 8,
          "x2",
          right + 28,
          "y1",
          at - 4,
          "y2",
          at - 4);
      svg.text(right + 34, at, "call", "start", line.name());
    }
    return svg.close("svg").toString();
  }
}
