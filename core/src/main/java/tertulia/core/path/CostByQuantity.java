package tertulia.core.path;

import java.math.BigDecimal;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.IntFunction;
import tertulia.core.fit.Offering;
import tertulia.core.growth.Demand;
import tertulia.core.growth.Measure;
import tertulia.core.growth.People;

/**
 * The steady monthly cost of several tools by how much there is of something, with the people of
 * one month. Everything is exact to one step.
 *
 * @param step how much lies between two points, 1 or more: units of the measure, or of the
 *     reporting currency for an average payment
 * @param points the n-th is for n × {@code step}
 */
public record CostByQuantity(Dimension dimension, int step, CostByHeadcount points) {
  private static final int LEAST_SWEPT = 20;
  private static final int[] STEPS = {1, 2, 5, 10, 20, 50, 100, 200, 500, 1000};

  /** Demands beyond this are refused everywhere. */
  private static final BigDecimal MOST = BigDecimal.valueOf(1_000_000);

  /** In place of the people, so that the sweep is the same. */
  private static final String EACH = "each";

  private static final People ONE = new People(Map.of(EACH, 1), 1, 1);

  /** The quantity at the n-th point. */
  public long quantity(int n) {
    return (long) n * step;
  }

  /**
   * Sweeps up to twice of what is needed at most, in steps that keep it within the points of a
   * sweep by headcount. Empty if the people need more of something than can be counted.
   *
   * @param tools offerings by tool id, in the order that decides the first tie
   * @param people of the month under discussion; what they need of other measures stays
   * @param highest the most that is needed of the measure, or the average payment that is stated
   */
  public static Optional<CostByQuantity> sweep(
      Map<String, List<Offering>> tools,
      Market market,
      People people,
      Dimension dimension,
      int month,
      long highest) {
    return needed(market, people)
        .map(demands -> {
          long reach = Math.max(LEAST_SWEPT, 2 * highest);
          int step = step(reach);
          int most = (int) Math.min(CostByHeadcount.MOST_SWEPT, Math.ceilDiv(reach, step));
          CostByHeadcount points =
              switch (dimension) {
                case Dimension.Quantity quantity ->
                    CostByHeadcount.sweep(
                        tools,
                        always(market.demanding(growing(demands, quantity.measure(), step))),
                        ONE,
                        month,
                        month,
                        most);
                case Dimension.AveragePayment payment -> {
                  Market fixed = market.demanding(demands);
                  IntFunction<Market> paying =
                      n -> fixed.paying(BigDecimal.valueOf((long) n * step));
                  yield CostByHeadcount.sweep(tools, paying, ONE, month, month, most);
                }
              };
          return new CostByQuantity(dimension, step, points);
        });
  }

  private static IntFunction<Market> always(Market market) {
    return n -> market;
  }

  /** What the people need of each measure, whoever there is; empty if it is too much of one. */
  private static Optional<Map<Measure, Demand>> needed(Market market, People people) {
    Map<Measure, Demand> demands = new LinkedHashMap<>();
    for (Map.Entry<Measure, Demand> demand : market.demands().entrySet()) {
      BigDecimal units = demand.getValue().units(demand.getKey(), people);
      if (units.compareTo(MOST) > 0) {
        return Optional.empty();
      }
      demands.put(demand.getKey(), new Demand(units, Map.of()).onTopOf(demand.getValue().stock()));
    }
    return Optional.of(demands);
  }

  private static Map<Measure, Demand> growing(
      Map<Measure, Demand> demands, Measure measure, int step) {
    Map<Measure, Demand> growing = new LinkedHashMap<>(demands);
    Demand before = demands.get(measure);
    growing.put(
        measure,
        new Demand(BigDecimal.ZERO, Map.of(EACH, BigDecimal.valueOf(step)))
            .onTopOf(before == null ? BigDecimal.ZERO : before.stock()));
    return growing;
  }

  private static int step(long reach) {
    for (int step : STEPS) {
      if (reach <= (long) step * CostByHeadcount.MOST_SWEPT) {
        return step;
      }
    }
    return STEPS[STEPS.length - 1];
  }
}
