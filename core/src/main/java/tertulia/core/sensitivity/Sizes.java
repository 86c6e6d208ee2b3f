package tertulia.core.sensitivity;

import static java.util.Objects.requireNonNull;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.joda.money.Money;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Costs;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.firmness.Reweighed;
import tertulia.core.firmness.WinnerMap;
import tertulia.core.growth.Measure;
import tertulia.core.growth.People;
import tertulia.core.path.CostByHeadcount;
import tertulia.core.path.Dimension;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Interval;
import tertulia.core.scoring.Totals;

/**
 * Who leads at which size, taken by itself: what each contender costs a month there and whether it
 * does what is needed, with all else as it is read. The cost is read a head, on the scale of the
 * criterion, which is one a month, divided by the people there are in the mean of the plan. As long
 * as nobody has weighed, the cost alone decides.
 */
public final class Sizes {
  private final Axis axis;
  private final int step;
  private final int now;
  private final double weight;
  private final WinnerMap map;
  private final boolean byTotals;
  private final Optional<Criterion.Cost> scale;

  /** What grows along a size. */
  public sealed interface Axis {
    /** People, in today's shares of the groups. */
    record Headcount() implements Axis {}

    /** A measure, for the people under discussion. */
    record Quantity(Measure measure) implements Axis {}
  }

  private Sizes(
      Axis axis,
      int step,
      int now,
      double weight,
      WinnerMap map,
      boolean byTotals,
      Optional<Criterion.Cost> scale) {
    this.axis = axis;
    this.step = step;
    this.now = now;
    this.weight = weight;
    this.map = map;
    this.byTotals = byTotals;
    this.scale = scale;
  }

  /** By headcount; empty if there are no people, or nobody to compare. */
  public static Optional<Sizes> byHeadcount(Evaluation read) {
    int people = read.costs().people().total();
    return people == 0 || read.selection().active().isEmpty()
        ? Optional.empty()
        : Optional.of(
            of(read, new Axis.Headcount(), read.costs().curves().costByHeadcount(), 1, people));
  }

  /** By another quantity; empty if more is needed of something than can be counted. */
  public static Optional<Sizes> byQuantity(Evaluation read, Measure measure) {
    if (read.selection().active().isEmpty()) {
      return Optional.empty();
    }
    return read.costs()
        .curves()
        .costBy(new Dimension.Quantity(measure))
        .map(swept ->
            of(
                read,
                new Axis.Quantity(measure),
                swept.points(),
                swept.step(),
                read.costs().occasion().units().of(measure).stream()
                    .map(units -> Math.ceilDiv(units, swept.step()))
                    .findFirst()
                    .orElse(0)));
  }

  /** The measures a selection states that are not people. */
  public static List<Measure> quantities(Costs costs) {
    return costs.market().demands().keySet().stream().filter(m -> !m.isPeople()).toList();
  }

  private static Sizes of(Evaluation read, Axis axis, CostByHeadcount swept, int step, int now) {
    Scaled scaled = new Scaled(mean(read.costs()), axis, read.costs().people().total());
    Optional<Totals> totals = read.scores().totals();
    Optional<Criterion> cost =
        totals.flatMap(t -> t.criteria().stream().filter(Criterion::isCost).findFirst());
    Optional<Criterion.Cost> scale = cost.flatMap(read.costs().overall()::scale);
    List<WinnerMap.Worth> worths = new ArrayList<>();
    for (Contender contender : read.selection().active()) {
      Interval rest =
          totals
              .map(t -> rest(read, t, cost, contender.id()))
              .orElse(Interval.exactly(BigDecimal.ZERO));
      double[] low = new double[swept.most()];
      double[] high = new double[swept.most()];
      for (int n = 1; n <= swept.most(); n++) {
        worth(swept.curve(contender.id()), n, totals, scale, scaled, low, high);
      }
      worths.add(
          new WinnerMap.Worth(
              contender.id(), rest.low().doubleValue(), rest.high().doubleValue(), low, high));
    }
    double weight =
        totals.map(t -> cost.map(t::weight).orElse(BigDecimal.ZERO).doubleValue()).orElse(1.0);
    return new Sizes(
        axis,
        step,
        now,
        weight,
        WinnerMap.of(worths, swept.most()),
        totals.isPresent(),
        scale.map(s -> aHead(s, scaled.mean())));
  }

  private static Interval rest(
      Evaluation read, Totals totals, Optional<Criterion> cost, String contender) {
    if (totals.values().containsKey(contender)) {
      return cost.map(c -> new Reweighed(totals).rest(contender, c))
          .orElseGet(() -> totals.total(contender));
    }
    BigDecimal low = BigDecimal.ZERO;
    BigDecimal high = BigDecimal.ZERO;
    BigDecimal weights = BigDecimal.ZERO;
    boolean alike =
        cost.map(totals::weight).filter(w -> w.compareTo(BigDecimal.ONE) == 0).isPresent();
    for (Criterion criterion : totals.criteria()) {
      if (cost.filter(criterion::equals).isEmpty()) {
        BigDecimal weight = alike ? BigDecimal.ONE : totals.weight(criterion);
        Interval worth = read.worth(contender, criterion);
        low = low.add(weight.multiply(worth.low()));
        high = high.add(weight.multiply(worth.high()));
        weights = weights.add(weight);
      }
    }
    return weights.signum() == 0
        ? Interval.exactly(BigDecimal.ZERO)
        : new Interval(
            low.divide(weights, java.math.MathContext.DECIMAL128),
            high.divide(weights, java.math.MathContext.DECIMAL128));
  }

  /** What the cost at a size is worth; not a number where the contender does not do. */
  private static void worth(
      CostByHeadcount.Curve curve,
      int n,
      Optional<Totals> totals,
      Optional<Criterion.Cost> scale,
      Scaled scaled,
      double[] low,
      double[] high) {
    if (!curve.does(n)) {
      low[n - 1] = Double.NaN;
      high[n - 1] = Double.NaN;
      return;
    }
    Optional<Double> most = curve.at(n).map(point -> scaled.amount(point.money(), n));
    Optional<Double> least = curve.low(n).map(money -> scaled.amount(money, n));
    if (totals.isEmpty()) {
      // in place of a value the cost itself, turned round: the more the worse
      low[n - 1] = most.map(x -> -x).orElse(Double.NEGATIVE_INFINITY);
      high[n - 1] = least.map(x -> -x).orElse(0.0);
      return;
    }
    low[n - 1] = scale.isEmpty() ? 0 : most.map(x -> value(scale.get(), x)).orElse(0.0);
    high[n - 1] = scale.isEmpty() ? 0 : least.map(x -> value(scale.get(), x)).orElse(1.0);
  }

  /** How many people there are in the mean of the plan. */
  private static BigDecimal mean(Costs costs) {
    long all = costs.overall().planned().stream().mapToLong(People::total).sum();
    return BigDecimal.valueOf(all)
        .divide(
            BigDecimal.valueOf(costs.overall().planned().size()), java.math.MathContext.DECIMAL128);
  }

  /** Brings a month's amount to the people in the mean of the plan. */
  private record Scaled(BigDecimal mean, Axis axis, int people) {
    double amount(Money money, int n) {
      int heads = axis instanceof Axis.Headcount ? n : people;
      double amount = money.getAmount().doubleValue();
      return heads == 0 ? amount : amount * mean.doubleValue() / heads;
    }
  }

  private static double value(Criterion.Cost scale, double x) {
    double worst = scale.worst().doubleValue();
    double best = scale.best().doubleValue();
    return Math.min(1, Math.max(0, (x - worst) / (best - worst)));
  }

  public Axis axis() {
    return axis;
  }

  /** The weight of cost at the table, 0 to 1; 1 while nobody has weighed. */
  public double weight() {
    return weight;
  }

  /**
   * What the cost of a contender is worth at a place, 0 to 1; empty where it does not do what is
   * needed, or nobody has weighed.
   */
  Optional<Interval> cost(String contender, int place) {
    return byTotals ? map.cost(contender, place) : Optional.empty();
  }

  /** What all else of a contender is worth, 0 to 1; empty as long as nobody has weighed. */
  Optional<Interval> rest(String contender) {
    return byTotals ? map.rest(contender) : Optional.empty();
  }

  /** Whether totals decide; else the cost alone does. */
  public boolean isByTotals() {
    return byTotals;
  }

  /**
   * The total of a contender at a place, 0 to 1; empty where it does not do what is needed, the
   * place was not looked at, or nobody has weighed.
   */
  Optional<Interval> total(String contender, int place) {
    if (place < 1 || place > sizes()) {
      return Optional.empty();
    }
    BigDecimal share = BigDecimal.valueOf(weight);
    return cost(contender, place)
        .flatMap(own ->
            rest(contender)
                .map(others ->
                    new Interval(
                        mean(share, own.low(), others.low()),
                        mean(share, own.high(), others.high()))));
  }

  private static BigDecimal mean(BigDecimal share, BigDecimal own, BigDecimal others) {
    return share.multiply(own).add(BigDecimal.ONE.subtract(share).multiply(others));
  }

  /** The map of who leads by size and weight of cost; empty without totals or a scale of cost. */
  public Optional<WinnerMap> map() {
    return byTotals && scale.isPresent() ? Optional.of(map) : Optional.empty();
  }

  private static Criterion.Cost aHead(Criterion.Cost scale, BigDecimal people) {
    return people.signum() == 0
        ? scale
        : new Criterion.Cost(
            scale.worst().divide(people, 6, RoundingMode.HALF_UP),
            scale.best().divide(people, 6, RoundingMode.HALF_UP));
  }

  /** The scale of cost a head and month; empty if cost is no criterion. */
  public Optional<Criterion.Cost> scale() {
    return scale;
  }

  /** The place of the size under discussion, from 1; 0 if there is nothing of it. */
  public int now() {
    return now;
  }

  /** How many sizes were looked at. */
  public int sizes() {
    return map.sizes();
  }

  /** The headcount or quantity at a place. */
  public long size(int place) {
    return (long) place * step;
  }

  /** Who leads for certain at a place, with the weight of cost that the table has. */
  public Optional<String> certainLeader(int place) {
    return map.certainLeaderAt(place, weight);
  }

  /** Sizes in a row with one certain leader each, or none, without a gap. */
  public List<Stretch> stretches() {
    List<Stretch> stretches = new ArrayList<>();
    int from = 1;
    Optional<String> leader = certainLeader(1);
    for (int place = 2; place <= sizes() + 1; place++) {
      Optional<String> here = place > sizes() ? Optional.empty() : certainLeader(place);
      if (place > sizes() || !here.equals(leader)) {
        stretches.add(new Stretch(leader, from, place - 1));
        from = place;
        leader = here;
      }
    }
    return stretches;
  }

  /** The sizes in a row around the one under discussion at which a contender leads for certain. */
  public Optional<Condition.Between> around(String tool) {
    return stretches().stream()
        .filter(stretch -> stretch.holds(now) && stretch.leader().equals(Optional.of(tool)))
        .findFirst()
        .map(stretch ->
            new Condition.Between(
                axis,
                size(stretch.from()),
                size(stretch.to()),
                stretch.from() == 1,
                stretch.to() == sizes()));
  }

  /** Places in a row, both ends included; the leader is empty where nobody leads for certain. */
  public record Stretch(Optional<String> leader, int from, int to) {
    public Stretch {
      requireNonNull(leader);
    }

    boolean holds(int place) {
      return from <= place && place <= to;
    }

    int length() {
      return to - from + 1;
    }
  }
}
