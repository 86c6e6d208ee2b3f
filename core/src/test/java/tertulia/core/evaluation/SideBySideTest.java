package tertulia.core.evaluation;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static tertulia.core.Samples.EUR;
import static tertulia.core.Samples.JAN_2027;
import static tertulia.core.Samples.PAGE;
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
import org.joda.money.Money;
import org.testng.annotations.Test;
import tertulia.core.fit.Answer;
import tertulia.core.fit.Begins;
import tertulia.core.fit.Capability;
import tertulia.core.fit.Fact;
import tertulia.core.fit.Importance;
import tertulia.core.fit.Need;
import tertulia.core.growth.Demand;
import tertulia.core.growth.Group;
import tertulia.core.growth.Growth;
import tertulia.core.growth.Measure;
import tertulia.core.money.ExchangeRates;
import tertulia.core.money.PriceRise;
import tertulia.core.path.CostByHeadcount;
import tertulia.core.path.PlanPaths;
import tertulia.core.pricing.BillingTerm;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.PlanPrices;
import tertulia.core.pricing.SideBySide;
import tertulia.core.pricing.Tool;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Interval;
import tertulia.core.scoring.Panel;
import tertulia.core.time.Horizon;

/** What a tool costs follows the split where its vendor lets plans stand side by side. */
public class SideBySideTest {
  private static final Capability RECORDS = new Capability("records", "Records");
  private static final Capability SEARCH = new Capability("search", "Search");
  private static final Plan CREW = plan("Crew", list(BillingTerm.MONTHLY, seats("6.40")));
  private static final Plan FLEET = plan("Fleet", list(BillingTerm.MONTHLY, seats("16.90")));

  private static Selection selection(SideBySide said) {
    Tool tool = new Tool("t", "Tool", "Vendor", List.of(CREW, FLEET)).withSideBySide(said);
    Map<String, Map<String, Fact>> facts =
        Map.of(
            "crew", Map.of("records", no(), "search", no()),
            "fleet", Map.of("records", yes(), "search", yes()));
    return new Selection(
        "Which?",
        "",
        LocalDate.of(2026, 12, 1),
        new Horizon(JAN_2027, 12),
        EUR,
        PriceRise.NONE,
        List.of(group("a", 168), group("b", 12)),
        Map.of(
            Measure.SEATS,
            new Demand(BigDecimal.ZERO, Map.of("a", BigDecimal.ONE, "b", BigDecimal.ONE))),
        Optional.empty(),
        List.of(
            new Need(
                RECORDS, new Importance.Must(false), Optional.empty(), Begins.AT_ONCE, Set.of("b")),
            new Need(SEARCH, new Importance.Should(1))),
        List.of(new Criterion("c", "What should be there", new Criterion.Coverage())),
        List.of(new Contender(tool, facts, List.of(), null)),
        new Panel(List.of()),
        ExchangeRates.NONE);
  }

  private static Fact yes() {
    return new Fact(Answer.YES, PAGE);
  }

  private static Fact no() {
    return new Fact(Answer.NO, PAGE);
  }

  private static Group group(String id, int people) {
    return new Group(id, "Group " + id, new Growth.Hires(people, BigDecimal.ZERO), List.of());
  }

  private static SideBySide said(SideBySide.Said plans) {
    return new SideBySide(plans, Set.of(), SideBySide.Said.NOT_SAID);
  }

  @Test
  public void everyFigureFollowsTheSplit() {
    // C22, for twelve months
    Costs costs = Costs.of(selection(said(SideBySide.Said.YES)), WhatIf.START);
    assertTrue(costs.overall().isSplitTaken("t"));
    assertEquals(costs.overall().total("t"), Optional.of(money("15336.00")));
    assertEquals(costs.overall().spreadTotal("t"), Optional.of(money("15336.00")));
    assertEquals(costs.now().monthly("t"), Optional.of(Amount.exactly(money("1278.00"))));
    CostByHeadcount.Curve curve = costs.curves().costByHeadcount().curve("t");
    assertEquals(curve.at(180).orElseThrow().money(), money("1278.00"));
    // fifteen people: 14 and 1, in today's shares
    assertEquals(curve.at(15).orElseThrow().money(), money("106.50"));
    for (int n : List.of(1, 7, 100, 333)) {
      assertEquals(
          costs.at(new WhatIf.Moment.Headcount(n, 0)).now().monthly("t").map(Amount::high),
          curve.at(n).map(CostByHeadcount.Point::money),
          n + " people");
    }
    assertEquals(costs.overall().running("t").orElseThrow().getLast(), money("15336.00"));
  }

  @Test
  public void withoutItEverybodyIsOnTheDearPlan() {
    for (SideBySide.Said said : List.of(SideBySide.Said.NO, SideBySide.Said.NOT_SAID)) {
      Costs costs = Costs.of(selection(said(said)), WhatIf.START);
      assertFalse(costs.overall().isSplitTaken("t"));
      assertEquals(costs.overall().total("t"), Optional.of(money("36504.00")));
      assertEquals(costs.now().monthly("t"), Optional.of(Amount.exactly(money("3042.00"))));
    }
    assertEquals(
        Costs.of(selection(said(SideBySide.Said.NO)), WhatIf.START).overall().split("t"),
        Optional.empty());
  }

  @Test
  public void whatNobodyHasSaidStandsBesideIt() {
    Costs costs = Costs.of(selection(said(SideBySide.Said.NOT_SAID)), WhatIf.START);
    assertEquals(
        costs.overall().split("t").map(split -> total(split.paths())),
        Optional.of(money("15336.00")));
    assertEquals(costs.ifConfirmed().overall().total("t"), Optional.of(money("15336.00")));
  }

  private static Money total(PlanPaths paths) {
    return ((PlanPaths.Found) paths).best().ledger().total(tertulia.core.billing.CostTiming.SPREAD);
  }

  /** Crew lacks both musts; without the one of everybody it is the plan of most. */
  @Test
  public void aMustOfEverybodyCostsWhatTheSplitWithoutItSaves() {
    Selection asked = selection(said(SideBySide.Said.YES));
    Need searching = new Need(SEARCH, new Importance.Must(false));
    Selection both =
        asked.withNeeds(List.of(asked.needs().getFirst(), searching)).withCriteria(List.of());
    Costs costs = Costs.of(both, WhatIf.START);
    assertEquals(costs.overall().total("t"), Optional.of(money("36504.00")));
    assertEquals(
        costs.overall().totalWithout("t", Set.of(searching)).map(Amount::high),
        Optional.of(money("15336.00")));
    // the same question, asked of the same costs
    assertEquals(
        costs.asking(both.withNeeds(asked.needs().subList(0, 1))).overall().spreadTotal("t"),
        Optional.of(money("15336.00")));
  }

  /** A plan on request that is enough for all may be cheaper than any split. */
  @Test
  public void whatMayBeCheaperForAllMakesTheSplitAnUpperBound() {
    Plan asked =
        plan("Whole", list(BillingTerm.MONTHLY, seats("1"))).priced(new PlanPrices.OnRequest());
    Selection plain = selection(said(SideBySide.Said.YES));
    Contender was = plain.contenders().getFirst();
    Contender open =
        was.with()
            .tool(was.tool().withPlans(List.of(asked, CREW, FLEET)))
            .facts(
                Map.of(
                    "whole", Map.of("records", yes(), "search", yes()),
                    "crew", Map.of("records", no(), "search", no()),
                    "fleet", Map.of("records", yes(), "search", yes())))
            .build();
    Costs costs = Costs.of(plain.withContenders(List.of(open)), WhatIf.START);
    assertTrue(costs.overall().isSplitTaken("t"));
    assertTrue(((PlanPaths.Found) costs.overall().way("t")).isAtMost());
    assertEquals(
        costs.overall().totalBounds("t"),
        Optional.of(new Amount(Optional.empty(), money("15336.00"))));
    assertEquals(
        costs.now().monthly("t"), Optional.of(new Amount(Optional.empty(), money("1278.00"))));
    CostByHeadcount.Curve curve = costs.curves().costByHeadcount().curve("t");
    assertTrue(curve.at(180).orElseThrow().atMost());
    assertEquals(curve.low(180), Optional.empty());
    // without it the split is the figure
    assertFalse(
        Costs.of(plain, WhatIf.START)
            .curves()
            .costByHeadcount()
            .curve("t")
            .at(180)
            .orElseThrow()
            .atMost());
  }

  @Test
  public void onlyPlansThatTheVendorNamesStandSideBySide() {
    SideBySide crewAlone =
        new SideBySide(SideBySide.Said.YES, Set.of("crew"), SideBySide.Said.NOT_SAID);
    assertEquals(
        Costs.of(selection(crewAlone), WhatIf.START).overall().total("t"),
        Optional.of(money("36504.00")));
  }

  @Test
  public void coverageCountsByThePeopleWhosePlanMeetsIt() {
    Evaluation evaluation = Evaluation.of(selection(said(SideBySide.Said.YES)), WhatIf.START);
    Criterion criterion = evaluation.selection().criteria().getFirst();
    Interval worth = evaluation.worth("t", criterion);
    assertTrue(worth.isExact());
    assertEquals(
        worth.low().setScale(6, java.math.RoundingMode.HALF_UP), new BigDecimal("0.066667"));
  }
}
