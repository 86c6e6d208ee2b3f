package tertulia.bench;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.LinkedHashMap;
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
import tertulia.core.growth.Group;
import tertulia.core.growth.Growth;
import tertulia.core.growth.Measure;
import tertulia.core.growth.People;
import tertulia.core.growth.Scenario;
import tertulia.core.money.ExchangeRates;
import tertulia.core.money.PriceRise;
import tertulia.core.money.UnitPrice;
import tertulia.core.path.Market;
import tertulia.core.path.PlanPaths;
import tertulia.core.path.Split;
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

/** Five groups on plans of their own: 4 plans of 3 terms over 36 months, beside one way for all. */
@State(Scope.Benchmark)
public class SplitBenchmark {
  private static final Horizon THREE_YEARS = new Horizon(YearMonth.of(2027, 1), 36);
  private final List<Offering> plans = new ArrayList<>();
  private Split.Setting setting;

  @Setup
  public void layOut() {
    Provenance page = Provenance.of(LocalDate.of(2026, 11, 12), Ground.MAKERS_CLAIM);
    for (int p = 0; p < 4; p++) {
      PlanPrices prices =
          new PlanPrices.Listed(
              List.of(
                  list(BillingTerm.MONTHLY, p, 9 + 3 * p),
                  list(BillingTerm.YEARLY_UP_FRONT, p, 7 + 3 * p),
                  list(new BillingTerm(24, BillingTerm.Payment.UP_FRONT), p, 6 + 3 * p)));
      SeatRange range = new SeatRange(Measure.SEATS, 0, p == 3 ? null : 30 * (p + 1));
      plans.add(new Offering(new Plan("p" + p, "Plan " + p, range, prices, page), Map.of()));
    }
    List<Group> groups = new ArrayList<>();
    Map<String, BigDecimal> each = new LinkedHashMap<>();
    for (int g = 0; g < 5; g++) {
      groups.add(
          new Group(
              "g" + g,
              "Group " + g,
              new Growth.Hires(8 + 5 * g, new BigDecimal("0.25")),
              List.of()));
      each.put("g" + g, BigDecimal.ONE);
    }
    List<People> planned = new ArrayList<>();
    for (int m = 0; m < 36; m++) {
      planned.add(People.planned(groups, THREE_YEARS, m, Scenario.EXPECTED));
    }
    setting =
        new Split.Setting(
            new Market(
                new Fit(List.of()),
                Map.of(Measure.SEATS, new Demand(BigDecimal.TWO, each)),
                CurrencyUnit.EUR,
                ExchangeRates.NONE,
                LocalDate.of(2026, 11, 24),
                Terms.ANY,
                Optional.empty(),
                THREE_YEARS),
            groups,
            planned,
            PriceRise.ofPercent("3"),
            THREE_YEARS,
            CostTiming.SPREAD,
            EarlyTerminationPolicy.CREDITED,
            Money.zero(CurrencyUnit.EUR));
  }

  private static PriceList list(BillingTerm term, int plan, int price) {
    return new PriceList(
        term,
        CurrencyUnit.EUR,
        List.of(
            new Charge.Flat("Account", UnitPrice.of("EUR", plan + "9.00")),
            new Charge.PerUnit(
                "Seats", Measure.SEATS, UnitPrice.of("EUR", price + ".40"), UnitRule.PLAIN)));
  }

  /** The best split. */
  @Benchmark
  public Optional<Split> split() {
    return Split.cheapest(plans, setting);
  }

  /** One best way for all. */
  @Benchmark
  public PlanPaths all() {
    return PlanPaths.through(
        plans,
        setting.market(),
        UnitsNeeded.byMonth(setting.market().demands(), setting.planned()),
        setting.rise(),
        setting.horizon(),
        setting.view(),
        setting.leaving(),
        setting.changing());
  }
}
