package tertulia.core.billing;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import tertulia.core.growth.Demand;
import tertulia.core.growth.Measure;
import tertulia.core.growth.People;

/**
 * Units needed of each measure in one month. A measure nobody stated a demand for is absent.
 *
 * @param people who are there, whether or not they need anything
 */
public record UnitsNeeded(Map<String, BigDecimal> byMeasure, int people) {
  private static final BigDecimal MOST = BigDecimal.valueOf(Integer.MAX_VALUE);

  /** Whether more is needed of something than can be counted. */
  public boolean isTooMuch(List<Measure> measures) {
    for (Measure measure : measures) {
      Optional<BigDecimal> amount = amount(measure);
      if (amount.isPresent() && amount.get().compareTo(MOST) >= 0) {
        return true;
      }
    }
    return false;
  }

  public UnitsNeeded {
    byMeasure = Map.copyOf(byMeasure);
  }

  /** Whole units by measure id. */
  public static UnitsNeeded whole(Map<String, Integer> byMeasure) {
    Map<String, BigDecimal> units = new HashMap<>();
    byMeasure.forEach((measure, count) -> units.put(measure, BigDecimal.valueOf(count)));
    return new UnitsNeeded(units, 0);
  }

  /**
   * The demand of {@code people} for every measure with a stated demand.
   *
   * @param monthsKept how many months of this demand a sum has gathered, on top of what was there
   */
  public static UnitsNeeded of(Map<Measure, Demand> demands, People people, int monthsKept) {
    Map<String, BigDecimal> units = new HashMap<>();
    demands.forEach((measure, demand) -> {
      BigDecimal now = demand.units(measure, people);
      boolean sum = measure.nature() == Measure.Nature.SUM;
      units.put(
          measure.id(),
          sum ? demand.stock().add(now.multiply(BigDecimal.valueOf(monthsKept))) : now);
    });
    return new UnitsNeeded(units, people.total());
  }

  /** The demand month by month; sums add up the flows of all months so far to what was there. */
  public static List<UnitsNeeded> byMonth(Map<Measure, Demand> demands, List<People> planned) {
    List<UnitsNeeded> months = new ArrayList<>();
    Map<String, BigDecimal> kept = new HashMap<>();
    for (People people : planned) {
      Map<String, BigDecimal> units = new HashMap<>(of(demands, people, 1).byMeasure);
      demands.forEach((measure, demand) -> {
        if (measure.nature() == Measure.Nature.SUM) {
          BigDecimal before = kept.getOrDefault(measure.id(), demand.stock());
          kept.put(measure.id(), before.add(demand.units(measure, people)));
          units.put(measure.id(), kept.get(measure.id()));
        }
      });
      months.add(new UnitsNeeded(units, people.total()));
    }
    return months;
  }

  /** Units of {@code measure}, exact; empty if no demand was stated, which is not zero. */
  public Optional<BigDecimal> amount(Measure measure) {
    return Optional.ofNullable(byMeasure.get(measure.id()));
  }

  /**
   * Units of {@code measure} where only whole ones can be held: rounded up; never more than {@link
   * Integer#MAX_VALUE}, beyond which nothing has a figure.
   */
  public OptionalInt of(Measure measure) {
    BigDecimal units = byMeasure.get(measure.id());
    return units == null
        ? OptionalInt.empty()
        : OptionalInt.of(units.setScale(0, RoundingMode.CEILING).min(MOST).intValue());
  }

  /** Those of {@code measures} that have no stated demand, by their labels. */
  public List<Measure> unstated(List<Measure> measures) {
    // asked of every option for every headcount, and hardly ever is anything missing
    List<Measure> unstated = new ArrayList<>(0);
    for (Measure measure : measures) {
      if (!byMeasure.containsKey(measure.id())) {
        unstated.add(measure);
      }
    }
    unstated.sort(Comparator.comparing(Measure::label));
    return List.copyOf(unstated);
  }
}
