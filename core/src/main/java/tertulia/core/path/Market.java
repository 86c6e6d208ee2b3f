package tertulia.core.path;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import tertulia.core.billing.UnitsNeeded;
import tertulia.core.fit.Fit;
import tertulia.core.growth.Demand;
import tertulia.core.growth.Measure;
import tertulia.core.growth.People;
import tertulia.core.money.ExchangeRate;
import tertulia.core.money.ExchangeRates;
import tertulia.core.pricing.PriceList;

/**
 * What every tool of a selection is priced against.
 *
 * @param reporting the currency of every figure
 * @param rates rates of exchange; the latest on or before {@code ratesOf} is used for all months
 * @param demands units needed per measure; a measure that is not there is not known
 */
public record Market(
    Fit fit,
    Map<Measure, Demand> demands,
    CurrencyUnit reporting,
    ExchangeRates rates,
    LocalDate ratesOf,
    Terms terms) {

  /** The units {@code people} need. */
  public UnitsNeeded units(People people) {
    return UnitsNeeded.of(demands, people);
  }

  boolean needsRate(PriceList list) {
    return !list.currency().equals(reporting);
  }

  Optional<ExchangeRate> rate(PriceList list) {
    return rates.latest(list.currency(), reporting, ratesOf);
  }

  /** Why a list has no figure for these units; empty if it has one. */
  Optional<String> whyUnpriced(PriceList list, UnitsNeeded units) {
    List<String> unstated = units.unstatedFor(list);
    if (!unstated.isEmpty()) {
      return Optional.of("no demand stated for " + String.join(", ", unstated));
    }
    return needsRate(list) && rate(list).isEmpty()
        ? Optional.of("no rate " + list.currency() + " to " + reporting)
        : Optional.empty();
  }
}
