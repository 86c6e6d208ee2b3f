package tertulia.app.chart;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import tertulia.app.display.Figures;
import tertulia.core.path.CostByHeadcount;
import tertulia.core.path.CostByHeadcount.Curve;
import tertulia.core.path.CostByHeadcount.Lead;
import tertulia.core.path.CostByHeadcount.PlanChange;
import tertulia.core.path.CostByHeadcount.Point;
import tertulia.core.path.OptionName;

/** Monthly cost by headcount, with plan changes and crossings labelled where they are. */
public final class CostChart {
  private static final double LEFT = 56;
  private static final double WIDTH = 812;
  private static final double TOP = 18;
  private static final double BOTTOM = 296;
  private static final int MOST_PLAN_LABELS = 5;
  private static final double JUMP = 6;
  private final CostByHeadcount costs;
  private final List<Drawn> lines;
  private final Optional<CostByHeadcount> ifConfirmed;
  private final Read read;
  private final Across across;
  private final Scale x;
  private final Scale y;
  private final Svg svg = new Svg();
  private final double right;
  private final Labels labels;

  /**
   * What the reader looks at.
   *
   * @param people headcount under discussion
   * @param lowest lowest planned headcount
   * @param highest highest planned headcount
   */
  public record Read(int people, int lowest, int highest) {}

  /**
   * What runs across the picture.
   *
   * @param words in the plural, such as "people"
   * @param step how much of it lies between two points
   * @param field name of the field in which so many of it are typed
   */
  public record Across(String words, int step, String field) {
    public static final Across PEOPLE = new Across("people", 1, "people");
  }

  private CostChart(
      CostByHeadcount costs,
      Optional<CostByHeadcount> ifConfirmed,
      List<Drawn> lines,
      Read read,
      Across across) {
    this.costs = costs;
    this.ifConfirmed = ifConfirmed;
    this.lines = lines;
    this.read = read;
    this.across = across;
    this.right = WIDTH - Math.max(140, EndLabels.room(lines.stream().map(Drawn::name).toList()));
    this.labels = new Labels(LEFT, TOP - 4, right, BOTTOM - 4);
    double wanted = Math.max(Math.max(read.highest(), read.people()) * 1.7, 40);
    this.x = Scale.over(Math.min(wanted, costs.most()), 8, LEFT, right);
    this.y = Scale.over(highestShown(), 6, BOTTOM, TOP);
  }

  /** Draws the picture as an SVG element. */
  public static String draw(CostByHeadcount costs, List<Drawn> lines, Read read) {
    return draw(costs, lines, read, Across.PEOPLE);
  }

  /**
   * As above, dashed where a contender has no figure but would have one.
   *
   * @param ifConfirmed what they would cost if what is open turned out well
   */
  public static String draw(
      CostByHeadcount costs, CostByHeadcount ifConfirmed, List<Drawn> lines, Read read) {
    return new CostChart(costs, Optional.of(ifConfirmed), lines, read, Across.PEOPLE).draw();
  }

  /** As above across another quantity; everything that is read is counted in steps of it. */
  public static String draw(CostByHeadcount costs, List<Drawn> lines, Read read, Across across) {
    return new CostChart(costs, Optional.empty(), lines, read, across).draw();
  }

  /** How many people the picture reaches to. */
  public static int reach(CostByHeadcount costs, Read read) {
    return new CostChart(costs, Optional.empty(), List.of(), read, Across.PEOPLE).lastN();
  }

  private int lastN() {
    return (int) Math.min(x.most(), costs.most());
  }

  /** A line that costs so many times the next would press all others flat; it is cut off there. */
  private static final double RUNAWAY = 2.5;

  /** The highest cost shown. What costs nothing, or has no figure, sets no measure for others. */
  private double highestShown() {
    List<Double> tops =
        lines.stream()
            .map(line ->
                Math.max(
                    top(costs.curve(line.id())),
                    ifConfirmed.map(open -> top(open.curve(line.id()))).orElse(0.0)))
            .filter(top -> top > 0)
            .sorted(Comparator.reverseOrder())
            .toList();
    return switch (tops.size()) {
      case 0 -> 1;
      case 1 -> tops.getFirst();
      default -> Math.min(tops.get(0), RUNAWAY * tops.get(1));
    };
  }

  private double top(Curve curve) {
    return IntStream.rangeClosed(1, lastN())
        .mapToDouble(n -> curve.at(n).map(CostChart::amount).orElse(0.0))
        .max()
        .orElse(0);
  }

  private static double amount(Point point) {
    return point.money().getAmount().doubleValue();
  }

  private String draw() {
    svg.open(
        "svg",
        "class",
        "costs",
        "viewBox",
        "0 0 812 334",
        "role",
        "img",
        "aria-label",
        summary(),
        "data-reach",
        lastN(),
        "data-left",
        LEFT,
        "data-right",
        right,
        "data-most",
        x.most(),
        "data-step",
        across.step(),
        "data-words",
        across.words(),
        "data-field",
        across.field());
    grid();
    planned();
    svg.open("clipPath", "id", "plot-" + across.field())
        .leaf("rect", "x", LEFT, "y", TOP - 2, "width", right - LEFT, "height", BOTTOM - TOP + 4)
        .close("clipPath");
    svg.open("g", "clip-path", "url(#plot-" + across.field() + ")");
    lines.forEach(this::curve);
    lines.forEach(this::ifConfirmed);
    svg.close("g");
    now();
    crossings();
    planChanges();
    ends();
    svg.leaf(
        "line",
        "class",
        "reading",
        "x1",
        LEFT,
        "x2",
        LEFT,
        "y1",
        TOP,
        "y2",
        BOTTOM,
        "visibility",
        "hidden");
    return svg.close("svg").toString();
  }

  private String summary() {
    return "Monthly cost by number of "
        + across.words()
        + ". "
        + costs.leads().stream()
            .filter(lead -> lead.n() <= lastN())
            .map(lead -> "From " + many(lead.n()) + ": " + leader(lead) + ".")
            .collect(Collectors.joining(" "));
  }

  private String many(long points) {
    return Figures.whole(points * across.step());
  }

  private String leader(Lead lead) {
    return lead.tool().map(this::name).orElse("nobody has a figure");
  }

  private String name(String id) {
    return lines.stream()
        .filter(line -> line.id().equals(id))
        .map(Drawn::name)
        .findFirst()
        .orElse(id);
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
          right,
          "y1",
          at,
          "y2",
          at);
      svg.text(LEFT - 8, at + 4, "tick", "end", y.label(tick));
    }
    for (double tick : x.ticks()) {
      svg.text(x.at(tick), 316, "tick", "middle", many((long) tick));
    }
    svg.text((LEFT + right) / 2, 329, "tick", "middle", across.words());
  }

  private void planned() {
    double from = x.at(read.lowest());
    double to = x.at(read.highest());
    svg.leaf(
        "rect",
        "class",
        "season",
        "x",
        from,
        "y",
        TOP,
        "width",
        Math.max(1, to - from),
        "height",
        BOTTOM - TOP);
    String text =
        read.lowest() == read.highest()
            ? "all months"
            : many(read.lowest()) + " to " + many(read.highest()) + " over the months";
    svg.text((from + to) / 2, TOP + 12, "note", "middle", text);
    for (double at = from; at < to; at += 12) {
      labels.keepFree(at, TOP + 8, 9);
    }
  }

  private void curve(Drawn line) {
    Curve curve = costs.curve(line.id());
    StringBuilder d = new StringBuilder();
    List<String> amounts = new ArrayList<>();
    Optional<Point> before = Optional.empty();
    for (int n = 1; n <= lastN(); n++) {
      Optional<Point> point = curve.at(n);
      amounts.add(point.map(p -> Figures.money(p.money())).orElse("—"));
      if (point.isPresent()) {
        double height = y.at(amount(point.get()));
        labels.keepFree(x.at(n), height, 4);
        boolean joined = before.isPresent() && !jumps(before.get(), point.get());
        if (before.isPresent() && !joined) {
          connector(line, n, before.get(), point.get());
        }
        d.append(joined ? 'L' : 'M')
            .append(Svg.number(x.at(n)))
            .append(' ')
            .append(Svg.number(height));
      }
      before = point;
    }
    svg.leaf(
        "path",
        "class",
        "line m" + line.mark(),
        "d",
        d,
        "data-name",
        line.name(),
        "data-costs",
        String.join("|", amounts));
  }

  /** Dashed where there is no figure yet. */
  private void ifConfirmed(Drawn line) {
    StringBuilder d = new StringBuilder();
    boolean joined = false;
    for (int n = 1; n <= lastN(); n++) {
      Optional<Point> open = openPoint(line, n);
      if (open.isPresent()) {
        d.append(joined ? 'L' : 'M')
            .append(Svg.number(x.at(n)))
            .append(' ')
            .append(Svg.number(y.at(amount(open.get()))));
      }
      joined = open.isPresent();
    }
    if (!d.isEmpty()) {
      svg.open("path", "class", "line open m" + line.mark(), "d", d);
      svg.title(line.name() + ", if confirmed");
      svg.close("path");
    }
  }

  private Optional<Point> openPoint(Drawn line, int n) {
    return costs.curve(line.id()).at(n).isPresent()
        ? Optional.empty()
        : ifConfirmed.flatMap(open -> open.curve(line.id()).at(n));
  }

  private boolean jumps(Point before, Point now) {
    return !before.option().equals(now.option())
        && Math.abs(y.at(amount(before)) - y.at(amount(now))) > JUMP;
  }

  private void connector(Drawn line, int n, Point before, Point now) {
    double at = x.at(n - 0.5);
    svg.leaf(
        "line",
        "class",
        "jump m" + line.mark(),
        "x1",
        at,
        "x2",
        at,
        "y1",
        y.at(amount(before)),
        "y2",
        y.at(amount(now)));
  }

  private void now() {
    double at = x.at(read.people());
    svg.leaf("line", "class", "now", "x1", at, "x2", at, "y1", TOP + 20, "y2", BOTTOM);
    svg.text(at + 5, BOTTOM - 8, "call", "start", many(read.people()));
    labels.keepFree(at + 12, BOTTOM - 12, 14);
  }

  private void crossings() {
    for (Lead lead : costs.leads()) {
      Optional<Double> height =
          lead.tool().flatMap(id -> costs.curve(id).at(lead.n())).map(p -> y.at(amount(p)));
      if (lead.n() > 1 && lead.n() <= lastN() && height.isPresent()) {
        crossing(x.at(lead.n()), height.get(), "from " + many(lead.n()) + ": " + leader(lead));
      }
    }
  }

  private void crossing(double cx, double cy, String text) {
    labels.keepFree(cx, cy, 7);
    Optional<Labels.Place> place = labels.place(text, cx, cy);
    place.ifPresent(p -> {
      svg.leaf("line", "class", "lead", "x1", cx, "y1", cy, "x2", cx, "y2", toward(p, cy));
      svg.text(p.x(), p.y(), "call", p.anchor(), text);
    });
    svg.leaf("circle", "class", "cross", "cx", cx, "cy", cy, "r", "5.5");
  }

  private static double toward(Labels.Place place, double cy) {
    return place.y() < cy ? place.y() + 4 : place.y() - 12;
  }

  /** Labels the plan changes with the greatest jumps; all of them are in the table. */
  private void planChanges() {
    int labelled = 0;
    for (Drawn line : lines) {
      List<PlanChange> changes = costs.curve(line.id()).changes();
      for (PlanChange change : changes.subList(Math.min(1, changes.size()), changes.size())) {
        if (change.n() <= lastN() && labelled < MOST_PLAN_LABELS) {
          labelled += planChange(line, change) ? 1 : 0;
        }
      }
    }
  }

  private boolean planChange(Drawn line, PlanChange change) {
    Curve curve = costs.curve(line.id());
    Optional<Point> shown = curve.at(change.n()).or(() -> curve.at(change.n() - 1));
    if (shown.isEmpty() || amount(shown.get()) > y.most()) {
      return false;
    }
    double cx = x.at(change.n());
    double cy = y.at(amount(shown.get()));
    svg.leaf("circle", "class", "turn m" + line.mark(), "cx", cx, "cy", cy, "r", "2.6");
    String plan = change.option().map(OptionName::label).orElse("no plan");
    String text = line.name() + ": " + plan + " from " + many(change.n());
    Optional<Labels.Place> place = labels.place(text, cx, cy);
    place.ifPresent(p -> {
      svg.leaf("line", "class", "lead thin", "x1", cx, "y1", cy, "x2", cx, "y2", toward(p, cy));
      svg.text(p.x(), p.y(), "note", p.anchor(), text);
    });
    return place.isPresent();
  }

  private void ends() {
    record End(Drawn line, double y) {}
    List<End> ends = new ArrayList<>();
    for (Drawn line : lines) {
      lastShown(costs.curve(line.id()))
          .or(() -> ifConfirmed.flatMap(open -> lastShown(open.curve(line.id()))))
          .ifPresent(at -> ends.add(new End(line, at)));
    }
    ends.sort(Comparator.comparingDouble(End::y));
    double[] at = EndLabels.apart(ends.stream().mapToDouble(End::y).toArray(), TOP, BOTTOM);
    for (int i = 0; i < at.length; i++) {
      Marks.draw(svg, ends.get(i).line().mark(), right + 12, at[i]);
      svg.text(right + 24, at[i] + 4, "lab", "start", ends.get(i).line().name());
    }
  }

  /** Height of the last point of a curve, kept within the picture. */
  private Optional<Double> lastShown(Curve curve) {
    for (int n = lastN(); n >= 1; n--) {
      Optional<Point> point = curve.at(n);
      if (point.isPresent()) {
        BigDecimal amount = point.get().money().getAmount();
        return Optional.of(Math.max(TOP, y.at(amount.doubleValue())));
      }
    }
    return Optional.empty();
  }
}
