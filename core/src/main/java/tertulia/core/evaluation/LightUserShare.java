package tertulia.core.evaluation;

import java.math.BigDecimal;
import java.util.LinkedHashMap;
import java.util.Map;
import tertulia.core.growth.Demand;
import tertulia.core.growth.Measure;

/** The demand if so many of those who need a seat did with a light one. */
final class LightUserShare {
  private static final Demand NONE = new Demand(BigDecimal.ZERO, Map.of());

  private LightUserShare() {}

  /**
   * Full and light seats together stay as they were; {@code share} of them are light.
   *
   * @param share 0 to 1
   */
  static Map<Measure, Demand> demands(Map<Measure, Demand> demands, BigDecimal share) {
    if (!demands.containsKey(Measure.SEATS)) {
      return demands;
    }
    Demand all =
        demands
            .getOrDefault(Measure.SEATS, NONE)
            .plus(demands.getOrDefault(Measure.LIGHT_SEATS, NONE));
    Map<Measure, Demand> split = new LinkedHashMap<>(demands);
    split.put(Measure.SEATS, all.times(BigDecimal.ONE.subtract(share)));
    split.put(Measure.LIGHT_SEATS, all.times(share));
    return split;
  }
}
