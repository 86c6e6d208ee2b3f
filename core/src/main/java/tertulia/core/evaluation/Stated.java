package tertulia.core.evaluation;

import static java.util.Objects.requireNonNull;

import java.math.BigDecimal;
import java.util.LinkedHashMap;
import java.util.Map;
import tertulia.core.growth.Demand;
import tertulia.core.growth.Measure;

/**
 * "If there were so many" of a measure, whoever the people are.
 *
 * @param units 0 to 1,000,000, whole if the measure is; of a flow and of what adds up, a month
 */
public record Stated(Measure measure, BigDecimal units) {
  private static final BigDecimal MOST = BigDecimal.valueOf(1_000_000);

  public Stated {
    requireNonNull(measure);
    if (units.signum() < 0 || units.compareTo(MOST) > 0) {
      throw new IllegalArgumentException(
          "So many "
              + measure.label()
              + " lie between 0 and 1,000,000; found "
              + units.toPlainString()
              + ".");
    }
    if (measure.whole() && units.stripTrailingZeros().scale() > 0) {
      throw new IllegalArgumentException(
          "There are only whole " + measure.label() + "; found " + units.toPlainString() + ".");
    }
  }

  /** Demands with this one in place of what is needed of its measure. */
  Map<Measure, Demand> in(Map<Measure, Demand> demands) {
    Map<Measure, Demand> stated = new LinkedHashMap<>(demands);
    Demand before = demands.get(measure);
    stated.put(
        measure,
        new Demand(units, Map.of()).onTopOf(before == null ? BigDecimal.ZERO : before.stock()));
    return stated;
  }
}
