package tertulia.core.path;

import java.math.BigDecimal;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tertulia.core.fit.Offering;
import tertulia.core.growth.Demand;
import tertulia.core.growth.Measure;
import tertulia.core.growth.People;

/**
 * The steady monthly cost of several tools by how much there is of one measure, with the people of
 * one month. Everything is exact to one step.
 *
 * @param step how much of the measure lies between two points, 1 or more
 * @param points the n-th is for n × {@code step}
 */
public record CostByQuantity(Measure measure, int step, CostByHeadcount points) {
  private static final int LEAST_SWEPT = 20;
  private static final int[] STEPS = {1, 2, 5, 10, 20, 50, 100, 200, 500, 1000};

  /** Demands beyond this are refused everywhere. */
  private static final BigDecimal MOST = BigDecimal.valueOf(1_000_000);

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
   * @param highest the most that is needed of the measure
   */
  public static Optional<CostByQuantity> sweep(
      Map<String, List<Offering>> tools,
      Market market,
      People people,
      Measure measure,
      int month,
      long highest) {
    Map<Measure, Demand> demands = new LinkedHashMap<>();
    for (Map.Entry<Measure, Demand> demand : market.demands().entrySet()) {
      BigDecimal units = demand.getValue().units(demand.getKey(), people);
      if (units.compareTo(MOST) > 0) {
        return Optional.empty();
      }
      demands.put(demand.getKey(), new Demand(units, Map.of()).onTopOf(demand.getValue().stock()));
    }
    long reach = Math.max(LEAST_SWEPT, 2 * highest);
    int step = step(reach);
    // the quantity takes the place of the people, so that the sweep is the same
    String each = "each";
    BigDecimal stock =
        demands.containsKey(measure) ? demands.get(measure).stock() : BigDecimal.ZERO;
    demands.put(
        measure,
        new Demand(BigDecimal.ZERO, Map.of(each, BigDecimal.valueOf(step))).onTopOf(stock));
    return Optional.of(
        new CostByQuantity(
            measure,
            step,
            CostByHeadcount.sweep(
                tools,
                market.demanding(demands),
                new People(Map.of(each, 1), 1, 1),
                month,
                (int) Math.min(CostByHeadcount.MOST_SWEPT, Math.ceilDiv(reach, step)))));
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
