package tertulia.bench;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.joda.money.CurrencyUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import tertulia.core.fit.Fit;
import tertulia.core.fit.Offering;
import tertulia.core.growth.Demand;
import tertulia.core.growth.Measure;
import tertulia.core.growth.People;
import tertulia.core.money.ExchangeRates;
import tertulia.core.money.UnitPrice;
import tertulia.core.path.CostByHeadcount;
import tertulia.core.path.Market;
import tertulia.core.path.Terms;
import tertulia.core.pricing.BillingTerm;
import tertulia.core.pricing.Charge;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.PlanPrices;
import tertulia.core.pricing.PriceList;
import tertulia.core.pricing.SeatRange;
import tertulia.core.pricing.UnitRule;
import tertulia.core.working.Ground;
import tertulia.core.working.Provenance;

/**
 * How the sweep by headcount grows with the number of people and of tools, beside a bare loop of
 * the same arithmetic: demand, unit price, rounding, cheapest. Quote the two as a ratio of one run.
 */
@State(Scope.Benchmark)
public class SweepBenchmark {
  @Param({"500", "5000"})
  int people;

  @Param({"5", "20"})
  int tools;

  private final Map<String, List<Offering>> offerings = new LinkedHashMap<>();
  private Market market;

  /** Three plans a tool, each sold monthly and yearly. */
  @Setup
  public void layOut() {
    Provenance page = Provenance.of(LocalDate.of(2026, 11, 12), Ground.MAKERS_CLAIM);
    for (int t = 0; t < tools; t++) {
      List<Offering> plans = new ArrayList<>();
      for (int p = 0; p < 3; p++) {
        String price = (3 + t % 5 + 4 * p) + ".40";
        PlanPrices prices =
            new PlanPrices.Listed(
                List.of(
                    list(BillingTerm.MONTHLY, price), list(BillingTerm.YEARLY_UP_FRONT, price)));
        SeatRange range = new SeatRange(Measure.SEATS, 0, p == 2 ? null : 40 * (p + 1));
        plans.add(new Offering(new Plan("p" + p, "Plan " + p, range, prices, page), Map.of()));
      }
      offerings.put("t" + t, plans);
    }
    market =
        new Market(
            new Fit(List.of()),
            Map.of(Measure.SEATS, new Demand(BigDecimal.ZERO, Map.of("g", BigDecimal.ONE))),
            CurrencyUnit.EUR,
            ExchangeRates.NONE,
            LocalDate.of(2026, 11, 24),
            Terms.ANY,
            java.util.Optional.empty(),
            new tertulia.core.time.Horizon(java.time.YearMonth.of(2027, 1), 36));
  }

  private static PriceList list(BillingTerm term, String price) {
    return new PriceList(
        term,
        CurrencyUnit.EUR,
        List.of(
            new Charge.PerUnit(
                "Seats", Measure.SEATS, UnitPrice.of("EUR", price), UnitRule.PLAIN)));
  }

  /** One whole sweep. */
  @Benchmark
  public CostByHeadcount sweep() {
    return CostByHeadcount.sweep(offerings, market, new People(Map.of("g", 10), 1, 1), 0, people);
  }

  /** The same arithmetic by hand, in whole ten-thousandths, for plans known beforehand. */
  @Benchmark
  public long bareLoop() {
    long sum = 0;
    for (int t = 0; t < tools; t++) {
      long[] minors = new long[people];
      int[] chosen = new int[people];
      int before = -1;
      int changes = 0;
      for (int n = 1; n <= people; n++) {
        int needed = Math.ceilDiv(10 * n, 10);
        long least = Long.MAX_VALUE;
        int best = -1;
        for (int p = 0; p < 3; p++) {
          if (p == 2 || needed <= 40 * (p + 1)) {
            long price = (3 + t % 5 + 4L * p) * 10_000 + 4_000;
            for (int term = 0; term < 2; term++) {
              long minor = (price * needed + 50) / 100;
              if (minor < least) {
                least = minor;
                best = 2 * p + term;
              }
            }
          }
        }
        minors[n - 1] = least;
        chosen[n - 1] = best;
        changes += best == before ? 0 : 1;
        before = best;
      }
      sum += minors[people - 1] + chosen[people - 1] + changes;
    }
    return sum;
  }
}
