package tertulia.core.path;

import java.math.BigDecimal;
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
import tertulia.core.pricing.Charge;
import tertulia.core.pricing.PriceList;

/**
 * What every tool of a selection is priced against.
 *
 * @param reporting the currency of every figure
 * @param rates rates of exchange; the latest on or before {@code ratesOf} is used for all months
 * @param demands units needed per measure; a measure that is not there is not known
 * @param averagePayment average value of a payment in the reporting currency; empty: not known
 * @param monthsKept how many months a sum has gathered where a steady state is asked for
 */
public record Market(
    Fit fit,
    Map<Measure, Demand> demands,
    CurrencyUnit reporting,
    ExchangeRates rates,
    LocalDate ratesOf,
    Terms terms,
    Optional<BigDecimal> averagePayment,
    int monthsKept) {

  /** This market with other needs. */
  public Market asking(Fit others) {
    return new Market(
        others, demands, reporting, rates, ratesOf, terms, averagePayment, monthsKept);
  }

  /** This market with other terms allowed. */
  public Market allowing(Terms others) {
    return new Market(fit, demands, reporting, rates, ratesOf, others, averagePayment, monthsKept);
  }

  /** The units {@code people} need. */
  public UnitsNeeded units(People people) {
    return UnitsNeeded.of(demands, people, monthsKept);
  }

  boolean needsRate(PriceList list) {
    return !list.currency().equals(reporting);
  }

  Optional<ExchangeRate> rate(PriceList list) {
    return rates.latest(list.currency(), reporting, ratesOf);
  }

  /** Why a list has no figure for these units; empty if it has one. */
  Optional<String> whyUnpriced(PriceList list, UnitsNeeded units) {
    return whyUnpriced(list, list.measures(), units);
  }

  /** As above, with the measures the list counts. */
  Optional<String> whyUnpriced(PriceList list, List<Measure> measures, UnitsNeeded units) {
    List<String> unstated = units.unstated(measures);
    if (!unstated.isEmpty()) {
      return Optional.of("no demand stated for " + String.join(", ", unstated));
    }
    if (needsRate(list) && rate(list).isEmpty()) {
      return Optional.of("no rate " + list.currency() + " to " + reporting);
    }
    return list.charges().stream().anyMatch(Charge.PaymentFee.class::isInstance)
        ? whyNoPayments(list)
        : Optional.empty();
  }

  private Optional<String> whyNoPayments(PriceList list) {
    if (averagePayment.isEmpty()) {
      return Optional.of("no average payment stated");
    }
    return averagePayment(list).isEmpty()
        ? Optional.of("no rate " + reporting + " to " + list.currency() + " for payments")
        : Optional.empty();
  }

  /** The average payment in the list's currency; empty if it or the rate to it is not known. */
  Optional<BigDecimal> averagePayment(PriceList list) {
    return needsRate(list)
        ? averagePayment.flatMap(value ->
            rates
                .latest(reporting, list.currency(), ratesOf)
                .map(rate -> rate.rate().multiply(value)))
        : averagePayment;
  }
}
