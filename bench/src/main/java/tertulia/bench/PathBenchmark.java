package tertulia.bench;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import tertulia.core.billing.CostTiming;
import tertulia.core.billing.EarlyTerminationPolicy;
import tertulia.core.billing.UnitsNeeded;
import tertulia.core.fit.Fit;
import tertulia.core.fit.Offering;
import tertulia.core.growth.Demand;
import tertulia.core.growth.Measure;
import tertulia.core.money.ExchangeRates;
import tertulia.core.money.PriceRise;
import tertulia.core.money.UnitPrice;
import tertulia.core.path.Market;
import tertulia.core.path.PlanPaths;
import tertulia.core.path.Terms;
import tertulia.core.pricing.BillingTerm;
import tertulia.core.pricing.Charge;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.PlanPrices;
import tertulia.core.pricing.PriceList;
import tertulia.core.pricing.SeatRange;
import tertulia.core.pricing.UnitRule;
import tertulia.core.time.Horizon;
import tertulia.core.working.Ground;
import tertulia.core.working.Provenance;

/** The best way through 6 plans of 3 terms over 120 months. */
@State(Scope.Benchmark)
public class PathBenchmark {
  private static final Horizon TEN_YEARS = new Horizon(YearMonth.of(2027, 1), 120);
  private final List<Offering> plans = new ArrayList<>();
  private final List<UnitsNeeded> months = new ArrayList<>();
  private Market market;

  @Setup
  public void layOut() {
    Provenance page = Provenance.of(LocalDate.of(2026, 11, 12), Ground.MAKERS_CLAIM);
    for (int p = 0; p < 6; p++) {
      PlanPrices prices =
          new PlanPrices.Listed(
              List.of(
                  list(BillingTerm.MONTHLY, 9 + 3 * p),
                  list(BillingTerm.YEARLY_UP_FRONT, 7 + 3 * p),
                  list(new BillingTerm(24, BillingTerm.Payment.UP_FRONT), 6 + 3 * p)));
      SeatRange range = new SeatRange(Measure.SEATS, 0, p == 5 ? null : 40 * (p + 1));
      plans.add(new Offering(new Plan("p" + p, "Plan " + p, range, prices, page), Map.of()));
    }
    for (int m = 0; m < 120; m++) {
      int seasonal = m % 12 >= 4 && m % 12 <= 8 ? 25 : 0;
      months.add(UnitsNeeded.whole(Map.of("seats", 30 + m + seasonal)));
    }
    market =
        new Market(
            new Fit(List.of()),
            Map.of(Measure.SEATS, new Demand(BigDecimal.ZERO, Map.of("g", BigDecimal.ONE))),
            CurrencyUnit.EUR,
            ExchangeRates.NONE,
            LocalDate.of(2026, 11, 24),
            Terms.ANY,
            Optional.empty(),
            TEN_YEARS);
  }

  private static PriceList list(BillingTerm term, int price) {
    return new PriceList(
        term,
        CurrencyUnit.EUR,
        List.of(
            new Charge.PerUnit(
                "Seats", Measure.SEATS, UnitPrice.of("EUR", price + ".40"), UnitRule.PLAIN)));
  }

  /** One best way. */
  @Benchmark
  public PlanPaths way() {
    return PlanPaths.through(
        plans,
        market,
        months,
        PriceRise.ofPercent("3"),
        TEN_YEARS,
        CostTiming.SPREAD,
        EarlyTerminationPolicy.CREDITED,
        Money.zero(CurrencyUnit.EUR));
  }
}
