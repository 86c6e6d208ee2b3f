package tertulia.bench;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.joda.money.CurrencyUnit;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Selection;
import tertulia.core.fit.Answer;
import tertulia.core.fit.Capability;
import tertulia.core.fit.Fact;
import tertulia.core.fit.Importance;
import tertulia.core.fit.Need;
import tertulia.core.growth.Demand;
import tertulia.core.growth.Group;
import tertulia.core.growth.Growth;
import tertulia.core.growth.Measure;
import tertulia.core.growth.Step;
import tertulia.core.money.ExchangeRates;
import tertulia.core.money.PriceRise;
import tertulia.core.money.UnitPrice;
import tertulia.core.pricing.BillingTerm;
import tertulia.core.pricing.Charge;
import tertulia.core.pricing.Included;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.PlanPrices;
import tertulia.core.pricing.PriceList;
import tertulia.core.pricing.SeatRange;
import tertulia.core.pricing.Tool;
import tertulia.core.pricing.UnitRule;
import tertulia.core.scoring.Panel;
import tertulia.core.time.Horizon;
import tertulia.core.working.Ground;
import tertulia.core.working.Provenance;

/** A selection of 8 contenders with 4 plans each, 12 musts and charges for use, over 36 months. */
final class EightContenders {
  private static final Provenance PAGE =
      Provenance.of(LocalDate.of(2026, 11, 12), Ground.MAKERS_CLAIM);

  private EightContenders() {}

  static Selection selection() {
    Random random = new Random(7);
    List<Need> needs = new ArrayList<>();
    for (int n = 0; n < 12; n++) {
      needs.add(new Need(new Capability("n" + n, "Need " + n), new Importance.Must(false)));
    }
    List<Contender> contenders = new ArrayList<>();
    for (int t = 0; t < 8; t++) {
      contenders.add(contender("t" + t, random));
    }
    Step season = new Step("season", YearMonth.of(2027, 5), YearMonth.of(2027, 9), 25, true);
    Map<Measure, Demand> demands = new LinkedHashMap<>();
    demands.put(Measure.SEATS, new Demand(BigDecimal.ZERO, Map.of("g", BigDecimal.ONE)));
    demands.put(
        Measure.AUTOMATION_RUNS,
        new Demand(BigDecimal.valueOf(500), Map.of("g", BigDecimal.valueOf(40))));
    return new Selection(
        "Which?",
        "",
        LocalDate.of(2026, 11, 24),
        new Horizon(YearMonth.of(2027, 1), 36),
        CurrencyUnit.EUR,
        PriceRise.ofPercent("3"),
        List.of(new Group("g", "All", new Growth.Hires(60, BigDecimal.ONE), List.of(season))),
        demands,
        Optional.empty(),
        needs,
        List.of(),
        contenders,
        new Panel(List.of()),
        ExchangeRates.NONE);
  }

  private static Contender contender(String id, Random random) {
    List<Plan> plans = new ArrayList<>();
    Map<String, Map<String, Fact>> facts = new HashMap<>();
    for (int p = 0; p < 4; p++) {
      PlanPrices prices =
          new PlanPrices.Listed(
              List.of(
                  list(BillingTerm.MONTHLY, 9 + 3 * p, p),
                  list(BillingTerm.YEARLY_UP_FRONT, 7 + 3 * p, p)));
      SeatRange range = new SeatRange(Measure.SEATS, 0, p == 3 ? null : 60 * (p + 1));
      plans.add(new Plan("p" + p, "Plan " + p, range, prices, PAGE));
      Map<String, Fact> own = new HashMap<>();
      for (int n = 0; n < 12; n++) {
        boolean has = p == 3 || random.nextInt(4) < p + 1;
        own.put("n" + n, new Fact(has ? Answer.YES : Answer.NO, PAGE));
      }
      facts.put("p" + p, own);
    }
    return new Contender(new Tool(id, id, "Maker", plans), facts, List.of(), null);
  }

  private static PriceList list(BillingTerm term, int price, int plan) {
    Included included =
        new Included(BigDecimal.valueOf(500), BigDecimal.valueOf(10L * plan), Measure.SEATS);
    return new PriceList(
        term,
        CurrencyUnit.EUR,
        List.of(
            new Charge.PerUnit(
                "Seats", Measure.SEATS, UnitPrice.of("EUR", price + ".40"), UnitRule.PLAIN),
            new Charge.Usage(
                "Runs",
                Measure.AUTOMATION_RUNS,
                included,
                BigDecimal.valueOf(100),
                UnitPrice.of("EUR", "1.90"))));
  }
}
