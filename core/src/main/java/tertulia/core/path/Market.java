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
import tertulia.core.time.Horizon;

/**
 * What every tool of a selection is priced against.
 *
 * @param reporting the currency of every figure
 * @param rates rates of exchange; the latest on or before {@code ratesOf} is used for all months
 * @param demands units needed per measure; a measure that is not there is not known
 * @param averagePayment average value of a payment in the reporting currency; empty: not known
 * @param horizon the plan months
 */
public record Market(
    Fit fit,
    Map<Measure, Demand> demands,
    CurrencyUnit reporting,
    ExchangeRates rates,
    LocalDate ratesOf,
    Terms terms,
    Optional<BigDecimal> averagePayment,
    Horizon horizon) {

  /** This market with other needs. */
  public Market asking(Fit others) {
    return new Market(others, demands, reporting, rates, ratesOf, terms, averagePayment, horizon);
  }

  /** This market with other demands. */
  public Market demanding(Map<Measure, Demand> others) {
    return new Market(fit, others, reporting, rates, ratesOf, terms, averagePayment, horizon);
  }

  /** This market with another average payment, in the reporting currency. */
  Market paying(BigDecimal other) {
    return new Market(fit, demands, reporting, rates, ratesOf, terms, Optional.of(other), horizon);
  }

  /** This market with other terms allowed. */
  public Market allowing(Terms others) {
    return new Market(fit, demands, reporting, rates, ratesOf, others, averagePayment, horizon);
  }

  /**
   * What {@code people} need in plan month {@code m} if there were always so many: a sum has
   * gathered m + 1 months of their flow.
   */
  public EvaluationPoint occasion(People people, int m) {
    return new EvaluationPoint(UnitsNeeded.of(demands, people, m + 1), m);
  }

  /**
   * What {@code people} would need for good, as of plan month {@code m}: only what is owned to the
   * end of the plan counts as owned.
   */
  public EvaluationPoint lasting(People people, int m) {
    return new EvaluationPoint(UnitsNeeded.of(demands, people, m + 1), m, horizon.months() - 1);
  }

  boolean needsRate(PriceList list) {
    return !list.currency().equals(reporting);
  }

  public Optional<ExchangeRate> rate(PriceList list) {
    return needsRate(list) ? rates.latest(list.currency(), reporting, ratesOf) : Optional.empty();
  }

  /** Why a list has no figure for these units; empty if it has one. */
  Optional<NoFigure> whyUnpriced(PriceList list, UnitsNeeded units) {
    return whyUnpriced(list, list.measures(), units);
  }

  /** As above, with the measures the list counts. */
  Optional<NoFigure> whyUnpriced(PriceList list, List<Measure> measures, UnitsNeeded units) {
    List<Measure> unstated = units.unstated(measures);
    if (!unstated.isEmpty()) {
      return Optional.of(new NoFigure.NoDemand(unstated));
    }
    if (units.isTooMuch(measures)) {
      return Optional.of(new NoFigure.TooLarge());
    }
    if (needsRate(list) && rate(list).isEmpty()) {
      return Optional.of(new NoFigure.NoRate(list.currency(), reporting));
    }
    return list.charges().stream().anyMatch(Market::needsAveragePayment)
        ? whyNoPayments(list)
        : Optional.empty();
  }

  /** Whether a charge is a share of payments, so that it matters how much they are. */
  public static boolean needsAveragePayment(Charge charge) {
    return charge instanceof Charge.PaymentFee fee && fee.share().signum() > 0;
  }

  private Optional<NoFigure> whyNoPayments(PriceList list) {
    if (averagePayment.isEmpty()) {
      return Optional.of(new NoFigure.NoAveragePayment());
    }
    return averagePayment(list).isEmpty()
        ? Optional.of(new NoFigure.NoPaymentRate(reporting, list.currency()))
        : Optional.empty();
  }

  /** The average payment in the list's currency; empty if it or the rate to it is not known. */
  public Optional<BigDecimal> averagePayment(PriceList list) {
    return needsRate(list)
        ? averagePayment.flatMap(value ->
            rates
                .latest(reporting, list.currency(), ratesOf)
                .map(rate -> rate.rate().multiply(value)))
        : averagePayment;
  }
}
