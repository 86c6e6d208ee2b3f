package tertulia.core.path;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.joda.money.Money;
import tertulia.core.billing.UnitsNeeded;
import tertulia.core.fit.Offering;
import tertulia.core.growth.Measure;
import tertulia.core.growth.People;

/**
 * A price for the whole staff beside one for named seats of the same tool.
 *
 * @param whole the whole-staff option's steady cost a month
 * @param named from so many named people on the whole-staff price is cheaper
 * @param before what the seats of one person fewer cost a month
 * @param at what the seats of so many named people cost a month
 */
public record WholeStaff(SteadyCost whole, int named, SteadyCost before, SteadyCost at) {

  /**
   * Finds the number of named people from which the whole-staff price is cheaper, for a staff of
   * {@code people}. Empty if the tool does not sell both, or one of them stays cheaper for
   * everybody. At 18 a head against seats at 41, and 120 staff, it is the 53rd.
   */
  public static Optional<WholeStaff> of(
      List<Offering> offerings, Market market, People people, EvaluationPoint needed) {
    Optional<SteadyCost> whole = cheapest(offerings, market, needed, true);
    if (whole.isEmpty() || people.total() < 1) {
      return Optional.empty();
    }
    Money cost = whole.get().money();
    int low = 0;
    int high = people.total();
    if (!isDearer(offerings, market, needed, high, cost)
        || isDearer(offerings, market, needed, 1, cost)) {
      return Optional.empty();
    }
    while (high - low > 1) {
      int middle = (low + high) / 2;
      if (isDearer(offerings, market, needed, middle, cost)) {
        high = middle;
      } else {
        low = middle;
      }
    }
    int named = high;
    return seats(offerings, market, needed, named - 1)
        .flatMap(before ->
            seats(offerings, market, needed, named)
                .map(at -> new WholeStaff(whole.get(), named, before, at)));
  }

  private static boolean isDearer(
      List<Offering> offerings, Market market, EvaluationPoint needed, int named, Money whole) {
    return seats(offerings, market, needed, named)
        .map(cost -> cost.money().isGreaterThan(whole))
        .orElse(true);
  }

  private static Optional<SteadyCost> seats(
      List<Offering> offerings, Market market, EvaluationPoint needed, int named) {
    Map<String, BigDecimal> units = new HashMap<>(needed.units().byMeasure());
    units.put(Measure.SEATS.id(), BigDecimal.valueOf(named));
    return cheapest(
        offerings,
        market,
        new EvaluationPoint(
            new UnitsNeeded(units, needed.units().people()), needed.month(), needed.owned()),
        false);
  }

  /** The cheapest option that counts the whole staff, or that counts seats and not the staff. */
  private static Optional<SteadyCost> cheapest(
      List<Offering> offerings, Market market, EvaluationPoint needed, boolean whole) {
    List<SteadyCost> all = new ArrayList<>();
    Outcome<SteadyCost> outcome =
        SteadyCost.cheapest(Candidates.of(offerings, market), market, needed, Optional.empty());
    if (outcome instanceof Outcome.Found<SteadyCost> found) {
      all.add(found.best());
      all.addAll(found.others());
    }
    return all.stream()
        .filter(cost -> {
          List<Measure> measures = cost.option().list().measures();
          return whole
              ? measures.contains(Measure.WHOLE_STAFF)
              : measures.contains(Measure.SEATS) && !measures.contains(Measure.WHOLE_STAFF);
        })
        .min(java.util.Comparator.comparing(SteadyCost::money));
  }
}
