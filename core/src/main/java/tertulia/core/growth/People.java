package tertulia.core.growth;

import java.math.BigDecimal;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import tertulia.core.time.Horizon;

/**
 * Headcounts by group. The counts may be scaled to a wanted total, exactly: headcount(group) =
 * count · numerator / denominator.
 *
 * @param counts whole people by group id, in the groups' order
 * @param numerator at least 0
 * @param denominator at least 1
 */
public record People(Map<String, Integer> counts, long numerator, long denominator) {
  public People {
    counts = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(counts));
    if (numerator < 0 || denominator < 1) {
      throw new IllegalArgumentException(
          "People are scaled by a share of 0 or more; found " + numerator + "/" + denominator);
    }
  }

  /** The planned people of month {@code m}. */
  public static People planned(List<Group> groups, Horizon horizon, int m, Scenario scenario) {
    Map<String, Integer> counts = new LinkedHashMap<>();
    groups.forEach(g -> counts.put(g.id(), g.headcount(horizon, m, scenario)));
    return new People(counts, 1, 1);
  }

  /**
   * {@code n} people in the shares of these; all at 0 if there is nobody here to take a share of.
   */
  public People scaledTo(int n) {
    long now = counts.values().stream().mapToLong(Integer::longValue).sum();
    return now == 0 ? new People(counts, 0, 1) : new People(counts, n, now);
  }

  /**
   * All people, rounded to whole ones; exact for planned people and for people scaled to a total.
   */
  public int total() {
    long sum = counts.values().stream().mapToLong(Integer::longValue).sum();
    return Math.toIntExact(sum * numerator / denominator);
  }

  /** count · rate summed over the groups, before scaling. */
  BigDecimal weighted(Map<String, BigDecimal> rates) {
    BigDecimal sum = BigDecimal.ZERO;
    for (Map.Entry<String, BigDecimal> rate : rates.entrySet()) {
      int count = counts.getOrDefault(rate.getKey(), 0);
      sum = sum.add(rate.getValue().multiply(BigDecimal.valueOf(count)));
    }
    return sum;
  }
}
