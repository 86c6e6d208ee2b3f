package tertulia.core.billing;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import tertulia.core.growth.Demand;
import tertulia.core.growth.Measure;
import tertulia.core.growth.People;
import tertulia.core.pricing.Charge;
import tertulia.core.pricing.PriceList;

/**
 * Whole units needed of each measure at one moment. A measure nobody stated a demand for is absent.
 */
public record UnitsNeeded(Map<String, Integer> byMeasure) {
  public UnitsNeeded {
    byMeasure = Map.copyOf(byMeasure);
  }

  /** The demand of {@code people} for every measure with a stated demand. */
  public static UnitsNeeded of(Map<Measure, Demand> demands, People people) {
    Map<String, Integer> units = new HashMap<>();
    demands.forEach((measure, demand) -> units.put(measure.id(), demand.units(people)));
    return new UnitsNeeded(units);
  }

  /** Units of {@code measure}; empty if no demand was stated, which is not zero. */
  public OptionalInt of(Measure measure) {
    Integer units = byMeasure.get(measure.id());
    return units == null ? OptionalInt.empty() : OptionalInt.of(units);
  }

  /** Labels of the measures a price list counts that have no stated demand, in order. */
  public List<String> unstatedFor(PriceList list) {
    Set<String> labels =
        list.charges().stream()
            .filter(Charge.Counted.class::isInstance)
            .map(charge -> ((Charge.Counted) charge).measure())
            .filter(measure -> of(measure).isEmpty())
            .map(Measure::label)
            .collect(Collectors.toCollection(TreeSet::new));
    return List.copyOf(labels);
  }
}
