package tertulia.core.evaluation;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static tertulia.core.Samples.EUR;
import static tertulia.core.Samples.JAN_2027;
import static tertulia.core.Samples.list;
import static tertulia.core.Samples.money;
import static tertulia.core.Samples.plan;
import static tertulia.core.Samples.seats;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import org.testng.annotations.Test;
import tertulia.core.growth.Demand;
import tertulia.core.growth.Group;
import tertulia.core.growth.Growth;
import tertulia.core.growth.Measure;
import tertulia.core.money.ExchangeRates;
import tertulia.core.money.PriceRise;
import tertulia.core.path.BaseAndPeakWay;
import tertulia.core.path.PlanPaths;
import tertulia.core.pricing.BillingTerm;
import tertulia.core.pricing.SideBySide;
import tertulia.core.pricing.Tool;
import tertulia.core.scoring.Panel;
import tertulia.core.time.Horizon;

/** The seats needed all year on the year's term, the season's by the month. */
public class TermsSideBySideTest {
  private static Selection selection(SideBySide.Said terms) {
    Tool tool =
        new Tool(
                "t",
                "Tool",
                "Vendor",
                List.of(
                    plan(
                        "Crew",
                        list(BillingTerm.YEARLY_UP_FRONT, seats("6.35")),
                        list(BillingTerm.MONTHLY, seats("7.20")))))
            .withSideBySide(new SideBySide(SideBySide.Said.NOT_SAID, Set.of(), terms));
    List<Integer> listed =
        IntStream.range(0, 24).mapToObj(m -> m % 12 >= 4 && m % 12 <= 8 ? 75 : 52).toList();
    return new Selection(
        "Which?",
        "",
        LocalDate.of(2026, 12, 1),
        new Horizon(JAN_2027, 24),
        EUR,
        PriceRise.NONE,
        List.of(new Group("g", "Crew", new Growth.Listed(listed), List.of())),
        Map.of(Measure.SEATS, new Demand(BigDecimal.ZERO, Map.of("g", BigDecimal.ONE))),
        Optional.empty(),
        List.of(),
        List.of(),
        List.of(new Contender(tool, Map.of(), List.of(), null)),
        new Panel(List.of()),
        ExchangeRates.NONE);
  }

  @Test
  public void theCostIsTheMixtureWhereTheVendorLetsTermsStandSideBySide() {
    // C21: 9 580.80, 300.05 less than C14's best path
    CostsOverall costs = Costs.of(selection(SideBySide.Said.YES), WhatIf.START).overall();
    assertEquals(costs.total("t"), Optional.of(money("9580.80")));
    assertEquals(costs.running("t").orElseThrow().getLast(), money("9580.80"));
    assertEquals(
        ((PlanPaths.Found) costs.way("t")).best().label(),
        "Crew, monthly + Crew, yearly, up front");
    assertEquals(costs.baseAndPeak("t").map(BaseAndPeakWay::mostCommitted), Optional.of(52));
    assertEquals(
        costs.wayForAll("t") instanceof PlanPaths.Found found
            ? found.best().ledger().total(tertulia.core.billing.CostTiming.SPREAD)
            : null,
        money("9880.85"));
    PlanPaths.Found found = (PlanPaths.Found) costs.way("t");
    assertEquals(found.best().ledger().idleMoney(), money("0.00"));
    assertTrue(found.best().held(0).isEmpty());
    assertEquals(found.best().held(5).getAsInt(), 23);
  }

  @Test
  public void whatNobodyHasSaidIsNotCounted() {
    CostsOverall open = Costs.of(selection(SideBySide.Said.NOT_SAID), WhatIf.START).overall();
    assertEquals(open.total("t"), Optional.of(money("9880.85")));
    assertTrue(open.baseAndPeak("t").isPresent());
    CostsOverall no = Costs.of(selection(SideBySide.Said.NO), WhatIf.START).overall();
    assertEquals(no.total("t"), Optional.of(money("9880.85")));
    assertEquals(no.baseAndPeak("t"), Optional.empty());
  }
}
