package tertulia.core.evaluation;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.joda.money.Money;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Interval;
import tertulia.core.scoring.Totals;

/**
 * What each contender is worth without its cost, against what it costs over the whole period.
 *
 * @param points ranked contenders with a known cost, in the contenders' order
 * @param withoutCost those ranked whose cost is not known
 */
public record ValueForMoney(List<Point> points, List<String> withoutCost) {
  public ValueForMoney {
    points = List.copyOf(points);
    withoutCost = List.copyOf(withoutCost);
  }

  /**
   * One contender.
   *
   * @param value from 0 to 1: the total over the criteria other than cost, their weights
   *     renormalised
   * @param cost over the whole period, as it is read
   * @param beatenBy those that are, for certain, at least as good in both and better in one
   */
  public record Point(String contender, Interval value, Amount cost, List<String> beatenBy) {
    public Point {
      beatenBy = List.copyOf(beatenBy);
    }

    /** Whether this one is, for certain, at least as good in both and better in one. */
    private boolean beats(Point other) {
      boolean notWorse = !Totals.isAbove(other.value.high(), value.low());
      boolean better = Totals.isAbove(value.low(), other.value.high());
      return other
          .cost
          .low()
          .filter(low -> !low.isLessThan(cost.high()))
          .filter(low -> notWorse && (better || low.isGreaterThan(cost.high())))
          .isPresent();
    }
  }

  /**
   * From one contender to the next dearer one that is not beaten either.
   *
   * @param each what one hundredth more of worth costs over the whole period, rounded half-up
   */
  public record StepUp(String from, String to, Money each) {}

  /**
   * What more worth costs, along those that nobody beats and of which worth and cost are known
   * exactly, from the cheapest; none if there are fewer than two.
   */
  public List<StepUp> stepsUp() {
    List<Point> unbeaten =
        points.stream()
            .filter(p -> p.beatenBy().isEmpty() && p.value().isExact() && p.cost().isExact())
            .sorted(java.util.Comparator.comparing(p -> p.cost().high()))
            .toList();
    List<StepUp> steps = new ArrayList<>();
    for (int i = 1; i < unbeaten.size(); i++) {
      Point less = unbeaten.get(i - 1);
      Point more = unbeaten.get(i);
      BigDecimal worth = more.value().low().subtract(less.value().low());
      if (Totals.isAbove(worth, BigDecimal.ZERO)) {
        steps.add(
            new StepUp(
                less.contender(),
                more.contender(),
                more.cost()
                    .high()
                    .minus(less.cost().high())
                    .dividedBy(worth.movePointRight(2), java.math.RoundingMode.HALF_UP)));
      }
    }
    return steps;
  }

  /** Empty if there are no totals, or nothing but cost has weight. */
  public static Optional<ValueForMoney> of(Evaluation evaluation) {
    return evaluation.scores().totals().flatMap(totals -> of(totals, evaluation.costs()));
  }

  private static Optional<ValueForMoney> of(Totals totals, Costs costs) {
    List<Criterion> worth = totals.criteria().stream().filter(c -> !c.isCost()).toList();
    BigDecimal weights =
        worth.stream().map(totals::weight).reduce(BigDecimal.ZERO, BigDecimal::add);
    if (weights.signum() == 0) {
      return Optional.empty();
    }
    List<Point> alone = new ArrayList<>();
    List<String> withoutCost = new ArrayList<>();
    for (String contender : totals.values().keySet()) {
      Interval value = value(totals, contender, worth, weights);
      costs
          .overall()
          .totalBounds(contender)
          .ifPresentOrElse(
              cost -> alone.add(new Point(contender, value, cost, List.of())),
              () -> withoutCost.add(contender));
    }
    return Optional.of(
        new ValueForMoney(alone.stream().map(point -> beaten(point, alone)).toList(), withoutCost));
  }

  private static Interval value(
      Totals totals, String contender, List<Criterion> worth, BigDecimal weights) {
    BigDecimal low = BigDecimal.ZERO;
    BigDecimal high = BigDecimal.ZERO;
    for (Criterion criterion : worth) {
      Interval value = totals.value(contender, criterion).interval();
      low = low.add(totals.weight(criterion).multiply(value.low()));
      high = high.add(totals.weight(criterion).multiply(value.high()));
    }
    return new Interval(
        low.divide(weights, MathContext.DECIMAL128), high.divide(weights, MathContext.DECIMAL128));
  }

  private static Point beaten(Point point, List<Point> all) {
    return new Point(
        point.contender(),
        point.value(),
        point.cost(),
        all.stream().filter(other -> other.beats(point)).map(Point::contender).toList());
  }
}
