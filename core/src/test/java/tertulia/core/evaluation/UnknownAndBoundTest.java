package tertulia.core.evaluation;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static tertulia.core.Samples.EUR;
import static tertulia.core.Samples.JAN_2027;
import static tertulia.core.Samples.PAGE;
import static tertulia.core.Samples.list;
import static tertulia.core.Samples.money;
import static tertulia.core.Samples.seats;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.testng.annotations.Test;
import tertulia.core.Samples;
import tertulia.core.billing.CostTiming;
import tertulia.core.billing.EarlyTerminationPolicy;
import tertulia.core.fit.Answer;
import tertulia.core.fit.Capability;
import tertulia.core.fit.Fact;
import tertulia.core.fit.Importance;
import tertulia.core.fit.Need;
import tertulia.core.fit.Question;
import tertulia.core.fit.Reason;
import tertulia.core.fit.Verdict;
import tertulia.core.growth.Demand;
import tertulia.core.growth.Group;
import tertulia.core.growth.Growth;
import tertulia.core.growth.Measure;
import tertulia.core.growth.Scenario;
import tertulia.core.labour.Labour;
import tertulia.core.labour.StaffEffort;
import tertulia.core.money.ExchangeRates;
import tertulia.core.money.PriceRise;
import tertulia.core.money.UnitPrice;
import tertulia.core.path.CostByHeadcount;
import tertulia.core.path.LeftOut;
import tertulia.core.path.Outcome;
import tertulia.core.path.PlanPaths;
import tertulia.core.path.SteadyCost;
import tertulia.core.path.Terms;
import tertulia.core.pricing.AddOn;
import tertulia.core.pricing.Allowance;
import tertulia.core.pricing.BillingTerm;
import tertulia.core.pricing.Charge;
import tertulia.core.pricing.Included;
import tertulia.core.pricing.Owned;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.PlanPrices;
import tertulia.core.pricing.PriceList;
import tertulia.core.pricing.SeatRange;
import tertulia.core.pricing.Tax;
import tertulia.core.pricing.Tool;
import tertulia.core.pricing.UnitRule;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Interval;
import tertulia.core.scoring.Member;
import tertulia.core.scoring.Panel;
import tertulia.core.time.Horizon;

/** Unknown, bound, nothing and free are four different things. */
public class UnknownAndBoundTest {
  private static final Capability SIGN_ON = new Capability("sign-on", "Single sign-on");
  private static final Need MUST = new Need(SIGN_ON, new Importance.Must(false));
  private static final Criterion COST =
      new Criterion("cost", "Cost", new Criterion.Cost(BigDecimal.valueOf(400), BigDecimal.ZERO));
  private static final Measure RUNS = Measure.AUTOMATION_RUNS;

  private static Allowance allows(Measure measure, String most) {
    Included included = new Included(new BigDecimal(most), BigDecimal.ZERO, Measure.SEATS);
    return new Allowance(measure, new Allowance.Limit.Hard(included), PAGE);
  }

  private static Plan plan(
      String name, @Nullable Integer cap, List<Allowance> allowances, PriceList... lists) {
    return new Plan(
        name.toLowerCase(),
        name,
        new SeatRange(Measure.SEATS, 0, cap),
        lists.length == 0 ? new PlanPrices.OnRequest() : new PlanPrices.Listed(List.of(lists)),
        Tax.NOT_INCLUDED,
        allowances,
        PAGE);
  }

  private static Plan plan(String name, PriceList... lists) {
    return plan(name, null, List.of(), lists);
  }

  private static PriceList monthly(Charge... charges) {
    return list(BillingTerm.MONTHLY, charges);
  }

  private static Contender tool(String name, @Nullable Owned owned, Plan... plans) {
    return new Contender(
        new Tool(name, name, "Maker", List.of(plans), List.of(), Optional.ofNullable(owned)),
        Map.of(),
        List.of(),
        null,
        new StaffEffort(
            BigDecimal.ONE, BigDecimal.ZERO, BigDecimal.ZERO, BigDecimal.ONE, BigDecimal.ZERO, 0));
  }

  /** Ten people, a seat each, and whatever else is stated, over two years. */
  private static Selection selection(
      Map<Measure, String> fixed, List<Need> needs, PriceRise rise, Contender... contenders) {
    Map<Measure, Demand> demands = new java.util.LinkedHashMap<>();
    demands.put(Measure.SEATS, new Demand(BigDecimal.ZERO, Map.of("g", BigDecimal.ONE)));
    fixed.forEach((m, units) -> demands.put(m, new Demand(new BigDecimal(units), Map.of())));
    return new Selection(
        "Which?",
        "",
        LocalDate.of(2026, 11, 24),
        new Horizon(JAN_2027, 24),
        EUR,
        rise,
        List.of(new Group("g", "All", new Growth.Hires(10, BigDecimal.ZERO), List.of())),
        demands,
        Optional.empty(),
        needs,
        List.of(COST),
        List.of(contenders),
        new Panel(List.of(new Member("p1", "One", 1, Map.of("cost", 1), Map.of()))),
        ExchangeRates.NONE,
        Scenario.STANDARD,
        new BuyingPolicy(
            EarlyTerminationPolicy.CREDITED,
            new Labour(Optional.of(BigDecimal.valueOf(40)), BigDecimal.ZERO, Optional.empty())));
  }

  private static Evaluation evaluate(Map<Measure, String> fixed, Contender... contenders) {
    return Evaluation.of(selection(fixed, List.of(), PriceRise.NONE, contenders), WhatIf.START);
  }

  private static SteadyCost steady(Evaluation evaluation, String id) {
    return ((Outcome.Found<SteadyCost>) evaluation.costs().now().steady(id)).best();
  }

  private static PlanPaths.Found way(Evaluation evaluation, String id) {
    return (PlanPaths.Found) evaluation.costs().overall().way(id);
  }

  @Test
  public void aPlanThatSaysNothingOfWhatItsSisterLimitsIsNotConfirmed() {
    Plan small = plan("Small", monthly(seats("2")));
    Plan large = plan("Large", null, List.of(allows(RUNS, "9000")), monthly(seats("5")));
    Evaluation evaluation = evaluate(Map.of(RUNS, "500"), tool("t", null, small, large));
    assertEquals(steady(evaluation, "t").option().label(), "Large, monthly");
    assertEquals(
        Samples.verdict(evaluation.costs().now().steady("t").passedOver(), "Small, monthly")
            .reasons(),
        List.of(new Reason.Silent(RUNS, "Large")));
    assertEquals(way(evaluation, "t").best().label(), "Large, monthly");
    // nothing is used: nothing has to be allowed
    assertEquals(
        steady(evaluate(Map.of(RUNS, "0"), tool("t", null, small, large)), "t").option().label(),
        "Small, monthly");
    // unlimited is a statement, as is a charge by the unit
    Allowance endless = new Allowance(RUNS, new Allowance.Limit.Unlimited(), PAGE);
    Plan said = plan("Small", null, List.of(endless), monthly(seats("2")));
    assertEquals(
        steady(evaluate(Map.of(RUNS, "500"), tool("t", null, said, large)), "t").option().label(),
        "Small, monthly");
    Plan charged =
        plan(
            "Small",
            monthly(new Charge.PerUnit("Runs", RUNS, UnitPrice.of("EUR", "0.01"), UnitRule.PLAIN)));
    assertEquals(
        steady(evaluate(Map.of(RUNS, "500"), tool("t", null, charged, large)), "t")
            .option()
            .label(),
        "Small, monthly");
  }

  @Test
  public void aToolThatIsSilentAltogetherAndALimitOnWhatNobodyStatedAreOpenQuestions() {
    Contender silent = tool("silent", null, plan("Only", monthly(seats("5"))));
    Contender limits =
        tool(
            "limits",
            null,
            plan("Only", null, List.of(allows(Measure.BOARDS, "3")), monthly(seats("5"))));
    Evaluation evaluation = evaluate(Map.of(RUNS, "500"), silent, limits);
    assertEquals(
        evaluation.costs().questions("silent"), List.of(new Question.NothingSaid(RUNS, "Only")));
    assertEquals(
        evaluation.costs().questions("limits"),
        List.of(
            new Question.UseUnstated(Measure.BOARDS, "Only", "3 for the account"),
            new Question.NothingSaid(RUNS, "Only")));
    assertTrue(evaluation.costs().questions("limits").getFirst().isOurs());
    assertTrue(
        evaluation.costs().now().steady("limits") instanceof Outcome.Found, "no verdict changes");
    // stated, it is judged
    assertTrue(
        evaluate(Map.of(Measure.BOARDS, "4"), limits).costs().now().steady("limits")
            instanceof Outcome.NoPlan);
  }

  @Test
  public void anAllowanceForEachSeatWithoutStatedSeatsIsAnOpenQuestion() {
    Included each = new Included(BigDecimal.ONE, BigDecimal.TEN, Measure.LIGHT_SEATS);
    Plan plan =
        plan(
            "Only",
            null,
            List.of(new Allowance(RUNS, new Allowance.Limit.Hard(each), PAGE)),
            monthly(seats("5")));
    Evaluation evaluation = evaluate(Map.of(RUNS, "500"), tool("t", null, plan));
    assertTrue(evaluation.costs().now().steady("t") instanceof Outcome.Found);
    assertEquals(
        evaluation.costs().questions("t"),
        List.of(new Question.SeatsUnstated(RUNS, Measure.LIGHT_SEATS, "Only")));
  }

  @Test
  public void whatFailsForCertainIsOutWhetherOrNotItHasAPrice() {
    Plan pounds =
        plan(
            "Pounds",
            5,
            List.of(),
            new PriceList(
                BillingTerm.MONTHLY,
                CurrencyUnit.GBP,
                List.of(new Charge.Flat("Account", UnitPrice.of("GBP", "9")))));
    Contender capped = tool("capped", null, pounds);
    Contender requested = tool("requested", null, plan("Asked", 5, List.of()));
    Contender silent =
        tool(
            "silent",
            null,
            plan("Asked"),
            plan("Large", 5, List.of(allows(RUNS, "9000")), monthly(seats("5"))));
    Contender fine = tool("fine", null, plan("Only", monthly(seats("5"))));
    Evaluation evaluation = evaluate(Map.of(RUNS, "1"), capped, requested, silent, fine);
    assertEquals(
        evaluation.costs().overall().feasible().stream().map(Contender::id).toList(),
        List.of("fine"));
    assertEquals(
        evaluation.scores().totals().orElseThrow().standings().size(), 1, "the others are out");
    assertFalse(((PlanPaths.Gap) evaluation.costs().overall().way("capped")).isUnpriced());
    assertFalse(((PlanPaths.Gap) evaluation.costs().overall().way("requested")).isUnpriced());
    assertTrue(((PlanPaths.Gap) evaluation.costs().overall().way("silent")).isUnconfirmed());
  }

  @Test
  public void aTotalIsAtMostOnlyBesideWhatStandsBeforeItAndIsThenARange() {
    Plan asked = plan("Asked");
    Plan listed = plan("Listed", monthly(seats("10")));
    Evaluation before = evaluate(Map.of(), tool("t", null, asked, listed));
    Evaluation behind = evaluate(Map.of(), tool("t", null, listed, asked));
    assertTrue(way(before, "t").isAtMost());
    assertFalse(way(behind, "t").isAtMost());
    assertEquals(way(behind, "t").leftOut().size(), 1, "what is left out is named all the same");
    // (100 − 400) / (0 − 400) = 0.75
    Interval value = before.scores().value("t", COST).orElseThrow().interval();
    assertEquals(value.low().compareTo(new BigDecimal("0.75")), 0);
    assertEquals(value.high(), BigDecimal.ONE);
    assertTrue(behind.scores().value("t", COST).orElseThrow().interval().isExact());
    CostByHeadcount swept = before.costs().curves().costByHeadcount();
    assertTrue(swept.curve("t").at(10).orElseThrow().atMost());
    assertFalse(behind.costs().curves().costByHeadcount().curve("t").at(10).orElseThrow().atMost());
  }

  @Test
  public void anotherTermOfThePlanTakenDoesNotStandBeforeIt() {
    PriceList byRuns =
        list(
            BillingTerm.YEARLY_UP_FRONT,
            seats("8"),
            new Charge.PerUnit("Runs", RUNS, UnitPrice.of("EUR", "1"), UnitRule.PLAIN));
    Plan plan =
        plan(
            "Only",
            byRuns,
            monthly(
                seats("10"),
                // by the month runs are said not to be charged, so their number need not be known
                new Charge.PerUnit("Runs", RUNS, UnitPrice.of("EUR", "0"), UnitRule.PLAIN)));
    Evaluation evaluation = evaluate(Map.of(), tool("t", null, plan));
    assertEquals(way(evaluation, "t").leftOut().size(), 1);
    assertFalse(way(evaluation, "t").isAtMost());
    assertFalse(((Outcome.Found<SteadyCost>) evaluation.costs().now().steady("t")).isAtMost());
  }

  /** Where a sister plan charges for it or has no end of it, silence is no yes either. */
  @Test
  public void aPlanIsNotFreeOfWhatItsSisterSpeaksOf() {
    Plan small = plan("Small", monthly(seats("2")));
    Charge perRun = new Charge.PerUnit("Runs", RUNS, UnitPrice.of("EUR", "1"), UnitRule.PLAIN);
    for (Plan sister :
        List.of(
            plan("Large", monthly(seats("5"), perRun)),
            new Plan(
                "large",
                "Large",
                new SeatRange(Measure.SEATS, 0, null),
                new PlanPrices.Listed(List.of(monthly(seats("5")))),
                Tax.NOT_INCLUDED,
                List.of(new Allowance(RUNS, new Allowance.Limit.Unlimited(), PAGE)),
                PAGE))) {
      Evaluation evaluation = evaluate(Map.of(RUNS, "40"), tool("t", null, small, sister));
      assertEquals(steady(evaluation, "t").option().plan().name(), "Large");
      assertTrue(
          evaluation.costs().now().steady("t").passedOver().values().stream()
              .anyMatch(Verdict.Unconfirmed.class::isInstance));
      assertEquals(
          steady(evaluate(Map.of(RUNS, "0"), tool("t", null, small, sister)), "t")
              .option()
              .plan()
              .name(),
          "Small");
    }
  }

  /** 400 guests that cost so much by the month are not free by the year, where nothing is said. */
  @Test
  public void whatAnotherTermChargesForIsNotFreeWhereNothingIsSaid() {
    Charge guests =
        new Charge.Usage("Runs", RUNS, Included.NOTHING, BigDecimal.ONE, UnitPrice.of("EUR", "1"));
    PriceList byMonth = monthly(seats("10"), guests);
    PriceList byYear = list(BillingTerm.YEARLY_UP_FRONT, seats("8"));
    Contender silent = tool("t", null, plan("Only", byMonth, byYear));
    Evaluation evaluation = evaluate(Map.of(RUNS, "40"), silent);
    assertEquals(
        silent.tool().plans().getFirst().notSaid(BillingTerm.YEARLY_UP_FRONT), List.of("Runs"));
    Outcome.Found<SteadyCost> now =
        (Outcome.Found<SteadyCost>) evaluation.costs().now().steady("t");
    // 10 seats and 40 runs by the month; by the year at least the seats
    assertEquals(now.best().money(), money("140.00"));
    assertEquals(now.low().orElseThrow().money(), money("80.00"));
    assertFalse(now.isAtMost());
    assertEquals(
        LeftOut.words(now.leftOut()),
        "Only, yearly, up front: no price is said under this term for “Runs”");
    Evaluation onlyYear =
        Evaluation.of(
            selection(Map.of(RUNS, "40"), List.of(), PriceRise.NONE, silent),
            new WhatIf(
                WhatIf.START.moment(),
                WhatIf.START.scenario(),
                Terms.COMMITTED,
                WhatIf.START.view(),
                WhatIf.START.basis()));
    Outcome.Unpriced<SteadyCost> least =
        (Outcome.Unpriced<SteadyCost>) onlyYear.costs().now().steady("t");
    assertEquals(least.low().orElseThrow().money(), money("80.00"));
    CostByHeadcount swept = evaluation.costs().curves().costByHeadcount();
    assertEquals(swept.curve("t").low(10).orElseThrow(), money("80.00"));
    assertTrue(way(evaluation, "t").low().isPresent());
  }

  @Test
  public void whatIsBoughtOnceBearsOnEveryMonthAndIsNeverFree() {
    Charge bought =
        new Charge.OneOff("Licence", UnitPrice.of("EUR", "470.4"), Optional.of(Measure.SEATS));
    Contender once = tool("once", null, plan("Box", monthly(bought)));
    Contender rented = tool("rented", null, plan("Rent", monthly(seats("20"))));
    Evaluation evaluation = evaluate(Map.of(), once, rented);
    // 10 · 470.40 / 24
    assertEquals(steady(evaluation, "once").money(), money("196.00"));
    assertEquals(steady(evaluation, "once").boughtOnce(), money("196.00"));
    assertEquals(
        steady(evaluation, "once").explain().value().orElseThrow().amount(),
        new BigDecimal("196.00"));
    assertEquals(steady(evaluation, "rented").boughtOnce(), money("0.00"));
    assertEquals(
        evaluation.costs().curves().costByHeadcount().curve("once").at(10).orElseThrow().money(),
        money("196.00"));
    assertEquals(
        way(evaluation, "once").best().ledger().total(CostTiming.SPREAD), money("4704.00"));
  }

  @Test
  public void ownedUnitsCountInTheMonthTheAccountIsPaidAndAddOnsAreNot() {
    Charge flat = new Charge.Flat("Account", UnitPrice.of("EUR", "30"));
    Charge extra = new Charge.Flat("Audit", UnitPrice.of("EUR", "7"));
    PriceList list =
        new PriceList(
            BillingTerm.MONTHLY,
            EUR,
            List.of(flat, seats("5", new UnitRule(12, 1, 0))),
            List.of(new AddOn("Audit", List.of(extra))),
            Optional.empty());
    Owned owned = new Owned("only", Measure.SEATS, 4, LocalDate.of(2027, 6, 30));
    Contender tool =
        new Contender(
            new Tool("t", "t", "Maker", List.of(plan("Only", list)), List.of(), Optional.of(owned)),
            Map.of("only", Map.of("sign-on", new Fact(Answer.BY_ADD_ON, "Audit", PAGE))),
            List.of(),
            null);
    Evaluation evaluation =
        Evaluation.of(selection(Map.of(), List.of(MUST), PriceRise.NONE, tool), WhatIf.START);
    // a minimum of 12, 10 needed, 4 owned: 8 are billed, and the add-on
    assertEquals(steady(evaluation, "t").money(), money("47.00"));
    Evaluation after = evaluation.at(new WhatIf.Moment.Month(6));
    assertEquals(steady(after, "t").money(), money("97.00"));
    assertEquals(
        steady(evaluation, "t").owned().orElseThrow().words(), "4 seats until 30 Jun 2027");
    assertTrue(steady(after, "t").owned().isEmpty());
    // for good it is at list: the plan goes on after June
    assertEquals(
        evaluation.costs().curves().costByHeadcount().curve("t").at(10).orElseThrow().money(),
        money("97.00"));
    Evaluation typed = evaluation.at(new WhatIf.Moment.Headcount(10, 0));
    assertEquals(steady(typed, "t").money(), money("97.00"));
    assertEquals(
        after.costs().curves().costByHeadcount().curve("t").at(10).orElseThrow().money(),
        money("97.00"));
    assertEquals(
        way(evaluation, "t").best().ledger().months(CostTiming.SPREAD).subList(5, 7),
        List.of(money("47.00"), money("97.00")));
  }

  @Test
  public void ownedUnitsThatNobodyNeedsGiveNoAllowanceAndOnceIsPaidForGood() {
    Included each = new Included(BigDecimal.ZERO, BigDecimal.TEN, Measure.SEATS);
    Charge fee = new Charge.OneOff("Start", UnitPrice.of("EUR", "24"), Optional.of(Measure.SEATS));
    Plan plan =
        plan(
            "Only",
            null,
            List.of(new Allowance(RUNS, new Allowance.Limit.Hard(each), PAGE)),
            monthly(seats("5"), fee));
    Owned owned = new Owned("only", Measure.SEATS, 40, LocalDate.of(2030, 1, 1));
    Evaluation fits = evaluate(Map.of(RUNS, "100"), tool("t", owned, plan));
    assertEquals(steady(fits, "t").money(), money("0.00"));
    assertEquals(way(fits, "t").best().ledger().total(CostTiming.SPREAD), money("0.00"));
    assertTrue(
        evaluate(Map.of(RUNS, "101"), tool("t", owned, plan)).costs().now().steady("t")
            instanceof Outcome.NoPlan,
        "ten seats are needed, so ten count");
  }

  @Test
  public void theAdvertisedPriceAsksForNeitherMustsNorQuantities() {
    Plan small = plan("Small", null, List.of(allows(RUNS, "10")), monthly(seats("1")));
    Plan large = plan("Large", null, List.of(allows(RUNS, "9000")), monthly(seats("5")));
    Evaluation evaluation = evaluate(Map.of(RUNS, "500"), tool("t", null, small, large));
    assertEquals(steady(evaluation, "t").option().label(), "Large, monthly");
    Outcome<SteadyCost> bare = evaluation.costs().now().withoutNeeds("t");
    assertEquals(((Outcome.Found<SteadyCost>) bare).best().option().label(), "Small, monthly");
    // but not for nobody: a cap on people holds
    Plan tiny = plan("Tiny", 3, List.of(), monthly(seats("1")));
    assertEquals(
        ((Outcome.Found<SteadyCost>)
                evaluate(Map.of(), tool("t", null, tiny, large)).costs().now().withoutNeeds("t"))
            .best()
            .option()
            .label(),
        "Large, monthly");
  }

  @Test
  public void aSumHasGatheredWhatTheMonthsSoFarBrought() {
    Plan plan =
        plan(
            "Only",
            monthly(
                new Charge.PerUnit(
                    "Kept", Measure.GIGABYTES_KEPT, UnitPrice.of("EUR", "1"), UnitRule.PLAIN)));
    Evaluation first = evaluate(Map.of(Measure.GIGABYTES_KEPT, "3"), tool("t", null, plan));
    assertEquals(steady(first, "t").money(), money("3.00"));
    assertEquals(steady(first.at(new WhatIf.Moment.Month(4)), "t").money(), money("15.00"));
    assertEquals(steady(first.at(new WhatIf.Moment.Headcount(20, 4)), "t").money(), money("15.00"));
    assertEquals(
        first
            .at(new WhatIf.Moment.Month(4))
            .costs()
            .curves()
            .costByHeadcount()
            .curve("t")
            .at(20)
            .orElseThrow()
            .money(),
        money("15.00"));
    assertEquals(
        first.costs().curves().costByHeadcount().curve("t").at(20).orElseThrow().money(),
        money("3.00"));
  }

  @Test
  public void underFullCostEveryReaderCountsPeoplesTimeAndTheViewChangesNoScore() {
    Contender cheap =
        new Contender(
            new Tool("cheap", "cheap", "Maker", List.of(plan("Only", monthly(seats("5"))))),
            Map.of("only", Map.of("sign-on", new Fact(Answer.YES, PAGE))),
            List.of(),
            null,
            new StaffEffort(
                BigDecimal.ZERO,
                BigDecimal.ZERO,
                BigDecimal.ZERO,
                BigDecimal.TEN,
                BigDecimal.ZERO,
                0));
    Contender light =
        new Contender(
            new Tool(
                "light",
                "light",
                "Maker",
                List.of(
                    plan("Bare", list(BillingTerm.YEARLY_UP_FRONT, seats("4"))),
                    plan("Full", list(BillingTerm.YEARLY_UP_FRONT, seats("6"))))),
            Map.of(
                "full",
                Map.of("sign-on", new Fact(Answer.YES, PAGE)),
                "bare",
                Map.of("sign-on", new Fact(Answer.NO, PAGE))),
            List.of(),
            null,
            new StaffEffort(
                BigDecimal.ZERO,
                BigDecimal.ZERO,
                BigDecimal.ZERO,
                BigDecimal.ZERO,
                BigDecimal.ZERO,
                0));
    Selection selection = selection(Map.of(), List.of(MUST), PriceRise.NONE, cheap, light);
    List<List<?>> standings = new ArrayList<>();
    for (CostTiming view : CostTiming.values()) {
      Evaluation full =
          Evaluation.of(
              selection,
              new WhatIf(
                  new WhatIf.Moment.Month(0),
                  Scenario.EXPECTED,
                  Terms.ANY,
                  view,
                  WhatIf.Basis.FULL));
      standings.add(full.scores().totals().orElseThrow().standings());
      // by subscription cheap leads with 50 against 60; ten hours at 40 turn it
      assertTrue(full.costs().remedies("light").isEmpty(), "it is the cheapest already");
      assertEquals(
          full.headToHead("cheap", "light").horizon(),
          new HeadToHead.Apart.Cheaper(HeadToHead.Side.RIGHT, money("9360.00"), false));
      NeedCosts.Line line = full.costs().overall().needCosts().lines().getFirst();
      assertEquals(
          line.selection(),
          Optional.of(
              new NeedCosts.Effect.Costs(
                  money("480.00"), money("1440.00"), money("960.00"), true)));
    }
    assertEquals(standings.get(0), standings.get(1));
  }

  @Test
  public void costsAreTheSameWhoeverJudges() {
    Contender tool = tool("t", null, plan("Only", monthly(seats("5"))));
    Selection selection = selection(Map.of(), List.of(), PriceRise.NONE, tool);
    Costs costs = Costs.of(selection.unjudged(), WhatIf.START);
    Evaluation judged = Evaluation.of(selection, costs);
    assertTrue(judged.costs() == costs);
    assertEquals(
        judged.scores().totals().orElseThrow().standings(),
        Evaluation.of(selection, WhatIf.START).scores().totals().orElseThrow().standings());
    assertEquals(Arrays.asList(costs.selection().criteria().toArray()), List.of());
  }
}
