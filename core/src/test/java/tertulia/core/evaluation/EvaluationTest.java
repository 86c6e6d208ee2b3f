package tertulia.core.evaluation;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;
import static tertulia.core.Samples.EUR;
import static tertulia.core.Samples.JAN_2027;
import static tertulia.core.Samples.PAGE;
import static tertulia.core.Samples.capped;
import static tertulia.core.Samples.list;
import static tertulia.core.Samples.money;
import static tertulia.core.Samples.plan;
import static tertulia.core.Samples.seats;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.core.billing.CostTiming;
import tertulia.core.evaluation.WhatIf.Moment;
import tertulia.core.fit.Answer;
import tertulia.core.fit.Capability;
import tertulia.core.fit.Fact;
import tertulia.core.fit.Importance;
import tertulia.core.fit.Need;
import tertulia.core.growth.Demand;
import tertulia.core.growth.Group;
import tertulia.core.growth.Growth;
import tertulia.core.growth.Measure;
import tertulia.core.growth.Scenario;
import tertulia.core.growth.Step;
import tertulia.core.money.ExchangeRates;
import tertulia.core.money.PriceRise;
import tertulia.core.path.FixedPlan;
import tertulia.core.path.OptionName;
import tertulia.core.path.Outcome;
import tertulia.core.path.PlanNeeded;
import tertulia.core.path.PlanPaths;
import tertulia.core.path.SteadyCost;
import tertulia.core.path.Terms;
import tertulia.core.pricing.BillingTerm;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.Tool;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Mark;
import tertulia.core.scoring.Member;
import tertulia.core.scoring.Panel;
import tertulia.core.scoring.PublicRating;
import tertulia.core.scoring.Totals;
import tertulia.core.time.Horizon;
import tertulia.core.working.Derivation;
import tertulia.core.working.NoSuchFigure;

/** One small selection, built by hand and worked out by hand. */
public class EvaluationTest {
  private static final Capability LIST = new Capability("list", "Waiting list");
  private static final Capability TEXT = new Capability("text", "Text messages");
  private static final Criterion COST =
      new Criterion("cost", "Cost", new Criterion.Cost(BigDecimal.valueOf(200), BigDecimal.ZERO));
  private static final Criterion EASE = new Criterion("ease", "Ease", new Criterion.Judged());
  private static final Criterion COVER =
      new Criterion("cover", "Coverage", new Criterion.Coverage());
  private static final Criterion STARS =
      new Criterion(
          "stars", "Stars", new Criterion.Ratings(new BigDecimal("3.5"), BigDecimal.valueOf(50)));

  private static Contender contender(
      String name, @Nullable String aside, Map<String, Answer> answers, Plan... plans) {
    Map<String, Map<String, Fact>> facts = new java.util.HashMap<>();
    for (Plan plan : plans) {
      Map<String, Fact> own = new java.util.HashMap<>();
      answers.forEach((capability, answer) -> own.put(capability, new Fact(answer, PAGE)));
      facts.put(plan.id(), own);
    }
    List<PublicRating> ratings =
        name.equals("Ash")
            ? List.of(new PublicRating(new BigDecimal("4.6"), 180, PAGE))
            : List.of();
    return new Contender(
        new Tool(name.toLowerCase(), name, "Maker", List.of(plans)), facts, ratings, aside);
  }

  private static final Contender ASH =
      contender(
          "Ash",
          null,
          Map.of("list", Answer.YES, "text", Answer.PARTLY),
          capped("Small", 12, list(BillingTerm.MONTHLY, seats("5"))),
          plan(
              "Large",
              list(BillingTerm.MONTHLY, seats("10")),
              list(BillingTerm.YEARLY_UP_FRONT, seats("8"))));
  private static final Contender BIRCH =
      contender(
          "Birch",
          null,
          Map.of("list", Answer.NO),
          plan("Only", list(BillingTerm.MONTHLY, seats("9"))));
  private static final Contender CEDAR =
      contender("Cedar", null, Map.of(), capped("Tiny", 5, list(BillingTerm.MONTHLY, seats("1"))));
  private static final Contender DOUGLAS =
      contender(
          "Douglas", "too loud", Map.of(), plan("Any", list(BillingTerm.MONTHLY, seats("1"))));

  private static Selection selection(List<Need> needs, List<Criterion> criteria) {
    Step summer = new Step("summer", YearMonth.of(2027, 6), YearMonth.of(2027, 8), 6, true);
    Group crew = new Group("crew", "Crew", new Growth.Hires(10, BigDecimal.ZERO), List.of(summer));
    Member one =
        new Member(
            "p1",
            "One",
            1,
            Map.of("cost", 1, "ease", 1, "cover", 1, "stars", 1),
            Map.of("ease", Map.of("ash", Mark.of(8), "birch", Mark.of(4))));
    return new Selection(
        "Which?",
        "",
        LocalDate.of(2026, 11, 24),
        new Horizon(JAN_2027, 12),
        EUR,
        PriceRise.NONE,
        List.of(crew),
        Map.of(Measure.SEATS, new Demand(BigDecimal.ZERO, Map.of("crew", BigDecimal.ONE))),
        java.util.Optional.empty(),
        needs,
        criteria,
        List.of(ASH, BIRCH, CEDAR, DOUGLAS),
        new Panel(List.of(one)),
        ExchangeRates.NONE);
  }

  private static final Selection FULL =
      selection(
          List.of(
              new Need(LIST, new Importance.Should(3)), new Need(TEXT, new Importance.Should(1))),
          List.of(COST, EASE, COVER, STARS));

  private static Evaluation at(Moment moment, Terms terms, CostTiming view) {
    return Evaluation.of(FULL, new WhatIf(moment, Scenario.EXPECTED, terms, view));
  }

  private static String steady(Evaluation evaluation, String contender) {
    return evaluation.costs().now().steady(contender) instanceof Outcome.Found<SteadyCost> found
        ? found.best().option().label() + " " + found.best().money().getAmount().toPlainString()
        : "none";
  }

  @DataProvider
  public Object[][] moments() {
    return new Object[][] {
      {new Moment.Month(0), Terms.ANY, "Small, monthly 50.00", "Only, monthly 90.00", "none"},
      {
        new Moment.Month(5),
        Terms.ANY,
        "Large, yearly, up front 128.00",
        "Only, monthly 144.00",
        "none"
      },
      {new Moment.Month(5), Terms.MONTHLY, "Large, monthly 160.00", "Only, monthly 144.00", "none"},
      {
        new Moment.Headcount(4),
        Terms.ANY,
        "Small, monthly 20.00",
        "Only, monthly 36.00",
        "Tiny, monthly 4.00"
      },
      {new Moment.Headcount(4), Terms.COMMITTED, "Large, yearly, up front 32.00", "none", "none"},
    };
  }

  @Test(dataProvider = "moments")
  public void thePlanFollowsPeopleAndTerms(
      Moment moment, Terms terms, String ash, String birch, String cedar) {
    Evaluation evaluation = at(moment, terms, CostTiming.SPREAD);
    assertEquals(steady(evaluation, "ash"), ash);
    assertEquals(steady(evaluation, "birch"), birch);
    assertEquals(steady(evaluation, "cedar"), cedar);
  }

  @Test
  public void onlyContendersWithAPlanForAllMonthsAreRanked() {
    Evaluation evaluation = Evaluation.of(FULL, WhatIf.START);
    assertEquals(
        evaluation.costs().overall().feasible().stream().map(Contender::id).toList(),
        List.of("ash", "birch"));
    assertTrue(evaluation.costs().overall().stay("cedar") instanceof Outcome.NoPlan<FixedPlan>);
    assertEquals(evaluation.scores().totals().orElseThrow().values().keySet().size(), 2);
    assertEquals(evaluation.costs().now().orderByCost(), List.of("ash", "birch"));
    assertEquals(evaluation.costs().overall().lowestPlanned(), 10);
    assertEquals(evaluation.costs().overall().highestPlanned(), 16);
  }

  @Test
  public void theCheapestStayIsThatOfTheViewAndScoresReadTheSpread() {
    // yearly: 10 · 8 · 12 in January and 6 · 8 · 7 in June; monthly: 9 · 10 + 3 · 16 seats at 10
    Outcome.Found<FixedPlan> ash =
        (Outcome.Found<FixedPlan>) Evaluation.of(FULL, WhatIf.START).costs().overall().stay("ash");
    assertEquals(ash.best().option().label(), "Large, yearly, up front");
    assertEquals(ash.best().ledger().total(CostTiming.SPREAD), money("1296.00"));
    assertEquals(ash.others().getFirst().ledger().total(CostTiming.SPREAD), money("1380.00"));
    Evaluation cash = at(new Moment.Month(0), Terms.ANY, CostTiming.CASH);
    assertEquals(
        cash.scores().totals().orElseThrow().standings(),
        Evaluation.of(FULL, WhatIf.START).scores().totals().orElseThrow().standings());
  }

  private static String value(Evaluation evaluation, String contender, Criterion criterion) {
    var interval = evaluation.scores().value(contender, criterion).orElseThrow().interval();
    String low = interval.low().setScale(4, RoundingMode.HALF_UP).toPlainString();
    return interval.isExact()
        ? low
        : low + " to " + interval.high().setScale(4, RoundingMode.HALF_UP).toPlainString();
  }

  @Test
  public void valuesAreThoseWorkedOutByHand() {
    Evaluation evaluation = Evaluation.of(FULL, WhatIf.START);
    // Small at 5 but for June to August: 9 · 10 · 5 + 3 · 16 · 10 = 930; 77.50 a month
    assertEquals(value(evaluation, "ash", COST), "0.6125");
    // 9 · (9 · 10 + 3 · 16) = 1242; 103.50 a month
    assertEquals(value(evaluation, "birch", COST), "0.4825");
    assertEquals(value(evaluation, "ash", EASE), "0.8000");
    // yes of weight 3, partly of weight 1
    assertEquals(value(evaluation, "ash", COVER), "0.8750");
    // no of weight 3, unknown of weight 1
    assertEquals(value(evaluation, "birch", COVER), "0.0000 to 0.2500");
    // (4.360870 − 1) / 4
    assertEquals(value(evaluation, "ash", STARS), "0.8402");
    assertEquals(value(evaluation, "birch", STARS), "0.0000 to 1.0000");
    Totals totals = evaluation.scores().totals().orElseThrow();
    assertEquals(
        totals.total("ash").low().setScale(4, RoundingMode.HALF_UP), new BigDecimal("0.7819"));
    assertEquals(
        totals.total("birch").low().setScale(4, RoundingMode.HALF_UP), new BigDecimal("0.2206"));
    assertEquals(
        totals.total("birch").high().setScale(4, RoundingMode.HALF_UP), new BigDecimal("0.5331"));
    assertEquals(totals.standings().getFirst().worstRank(), 1);
  }

  @Test
  public void withoutShouldNeedsCoverageIsDroppedAndWeightsRenormalised() {
    Evaluation evaluation =
        Evaluation.of(selection(List.of(), List.of(COST, EASE, COVER, STARS)), WhatIf.START);
    assertEquals(evaluation.scores().criteria(), List.of(COST, EASE, STARS));
    Totals totals = evaluation.scores().totals().orElseThrow();
    BigDecimal sum = totals.weights().values().stream().reduce(BigDecimal.ZERO, BigDecimal::add);
    assertEquals(sum.setScale(20, RoundingMode.HALF_UP).compareTo(BigDecimal.ONE), 0);
    assertThrows(NoSuchFigure.class, () -> evaluation.explain(new Figure.Weight("cover")));
  }

  @Test
  public void aMustExcludesWhereALargeWeightWouldOnlyCost() {
    Evaluation evaluation =
        Evaluation.of(
            selection(List.of(new Need(LIST, new Importance.Must(false))), List.of(COST, EASE)),
            WhatIf.START);
    assertEquals(
        evaluation.costs().overall().feasible().stream().map(Contender::id).toList(),
        List.of("ash"));
    Outcome.NoPlan<SteadyCost> cedar =
        (Outcome.NoPlan<SteadyCost>) evaluation.costs().now().steady("cedar");
    assertFalse(cedar.isUnconfirmed(), "its cap is passed, too");
    Outcome.NoPlan<SteadyCost> few =
        (Outcome.NoPlan<SteadyCost>)
            Evaluation.of(evaluation.selection(), WhatIf.START.at(new Moment.Headcount(3)))
                .costs()
                .now()
                .steady("cedar");
    assertTrue(few.isUnconfirmed(), "only the must is not known");
  }

  @Test
  public void everyKindOfFigureHasAWorking() {
    Evaluation evaluation = Evaluation.of(FULL, WhatIf.START);
    List<Figure> figures = new ArrayList<>();
    figures.add(new Figure.Headcount());
    figures.add(new Figure.Units("seats"));
    for (Criterion criterion : evaluation.scores().criteria()) {
      figures.add(new Figure.Weight(criterion.id()));
      figures.add(new Figure.Winner(criterion.id()));
    }
    for (Contender c : FULL.contenders()) {
      figures.addAll(
          List.of(
              new Figure.Steady(c.id()),
              new Figure.Horizon(c.id()),
              new Figure.Month(c.id(), 3),
              new Figure.PastHorizon(c.id()),
              new Figure.Idle(c.id()),
              new Figure.Dearer(c.id()),
              new Figure.Plans(c.id()),
              new Figure.Total(c.id()),
              new Figure.Wins(c.id()),
              new Figure.Value(c.id(), "ease")));
    }
    for (Figure figure : figures) {
      Derivation working = evaluation.explain(figure);
      assertFalse(working.label().isBlank(), figure.toString());
      boolean says =
          working.value().isPresent()
              || !working.parts().isEmpty()
              || working instanceof Derivation.Missing;
      assertTrue(says, figure + " says nothing");
    }
  }

  @Test
  public void whatItWouldTakeIsTheSmallestThatDoes() {
    // ash comes to 930.00 over the year, birch to 1242.00
    Evaluation evaluation = Evaluation.of(FULL, WhatIf.START);
    assertEquals(evaluation.costs().remedies("ash"), List.of());
    Remedy.Discount discount = (Remedy.Discount) evaluation.costs().remedies("birch").getFirst();
    // 8 · 9 · 0.748 rounds to 6.732 a seat; 138 · 6.732 = 929.02, and 6.741 makes 930.26
    assertEquals(discount.percent().toPlainString(), "25.2");
    assertEquals(discount.rival(), money("930.00"));
    assertTrue(discount.becomes().isLessThan(discount.rival()));
    PlanPaths less = evaluation.costs().overall().wayAt("birch", new BigDecimal("0.749"));
    Money dearer = ((PlanPaths.Found) less).best().ledger().total(CostTiming.SPREAD);
    assertFalse(dearer.isLessThan(discount.rival()));
    // no headcount does: ash is at 5 a seat up to 12 people, then at 8; nor do other terms
    assertEquals(evaluation.costs().remedies("birch").size(), 1);
  }

  @Test
  public void lightUsersTakeLightSeats() {
    WhatIf light =
        new WhatIf(
            new Moment.Month(0),
            Scenario.EXPECTED,
            Terms.ANY,
            CostTiming.SPREAD,
            WhatIf.Basis.SUBSCRIPTION,
            java.util.Optional.of(new BigDecimal("0.25")),
            java.util.Optional.empty(),
            java.util.Optional.empty());
    Evaluation evaluation = Evaluation.of(FULL, light);
    // 10 people: 7.5 and 2.5, each rounded up
    assertEquals(evaluation.costs().overall().months().getFirst().of(Measure.SEATS).getAsInt(), 8);
    assertEquals(
        evaluation.costs().overall().months().getFirst().of(Measure.LIGHT_SEATS).getAsInt(), 3);
  }

  @Test
  public void otherPeopleShareWhatDoesNotDependOnThem() {
    Evaluation first = Evaluation.of(FULL, WhatIf.START);
    Evaluation june = first.at(new Moment.Month(5));
    Evaluation anew = Evaluation.of(FULL, WhatIf.START.at(new Moment.Month(5)));
    assertEquals(june.costs().people(), anew.costs().people());
    assertEquals(june.costs().now().orderByCost(), anew.costs().now().orderByCost());
    assertEquals(
        june.scores().totals().orElseThrow().standings(),
        anew.scores().totals().orElseThrow().standings());
    assertTrue(june.costs().curves().costByHeadcount() == first.costs().curves().costByHeadcount());
  }

  private static final Capability SIGN_ON = new Capability("sign-on", "Single sign-on");
  private static final Capability AUDIT = new Capability("audit", "Audit trail");

  /** A small plan without either capability, a middle one with one each, a large one with both. */
  private static Selection costly(List<Need> needs) {
    Map<String, Map<String, Fact>> facts =
        Map.of(
            "small",
                Map.of("sign-on", new Fact(Answer.NO, PAGE), "audit", new Fact(Answer.NO, PAGE)),
            "middle",
                Map.of("sign-on", new Fact(Answer.YES, PAGE), "audit", new Fact(Answer.YES, PAGE)));
    Plan small = plan("Small", list(BillingTerm.MONTHLY, seats("5")));
    Plan middle = plan("Middle", list(BillingTerm.MONTHLY, seats("8")));
    Contender elm =
        new Contender(
            new Tool("elm", "Elm", "Maker", List.of(small, middle)), facts, List.of(), null);
    Selection before = selection(needs, List.of(COST));
    return new Selection(
        before.title(),
        "",
        before.asOf(),
        before.horizon(),
        EUR,
        before.rise(),
        before.groups(),
        before.demands(),
        before.averagePayment(),
        needs,
        List.of(COST),
        List.of(elm, CEDAR),
        before.panel(),
        before.rates());
  }

  @Test
  public void aMustCostsWhatItsTotalIsDearerThanWithoutIt() {
    Need signOn = new Need(SIGN_ON, new Importance.Must(false));
    NeedCosts.Line line =
        Evaluation.of(costly(List.of(signOn)), WhatIf.START)
            .costs()
            .overall()
            .needCosts()
            .lines()
            .getFirst();
    // 138 seats a year at 8 instead of 5
    assertEquals(
        line.byContender().get("elm"),
        new NeedCosts.Effect.Costs(money("414.00"), money("1104.00"), money("690.00"), true));
    assertEquals(line.byContender().get("cedar"), new NeedCosts.Effect.NoTotal());
    assertEquals(line.amount(money("0.00")), money("414.00"));
    // the second way: two selections, one without the must
    Evaluation with = Evaluation.of(costly(List.of(signOn)), WhatIf.START);
    Evaluation without = Evaluation.of(costly(List.of()), WhatIf.START);
    assertEquals(
        with.costs()
            .overall()
            .total("elm")
            .orElseThrow()
            .minus(without.costs().overall().total("elm").orElseThrow()),
        money("414.00"));
    assertEquals(
        with.explain(new Figure.NeedCost("sign-on", "elm")).value().orElseThrow().amount(),
        new BigDecimal("414.00"));
    assertEquals(
        with.explain(new Figure.NeedCostOfAll("sign-on")).value().orElseThrow().amount(),
        new BigDecimal("414.00"));
  }

  @Test
  public void mustsThatCostSomethingOnlyTogetherAreFound() {
    // either alone still takes the middle plan because of the other
    Need signOn = new Need(SIGN_ON, new Importance.Must(false));
    Need audit = new Need(AUDIT, new Importance.Must(false));
    NeedCosts costs =
        Evaluation.of(costly(List.of(signOn, audit)), WhatIf.START).costs().overall().needCosts();
    for (NeedCosts.Line line : costs.lines()) {
      assertEquals(((NeedCosts.Effect.Costs) line.byContender().get("elm")).more(), money("0.00"));
    }
    NeedCosts.Together together = costs.together().get("elm").getFirst();
    assertEquals(together.needs(), List.of(signOn, audit));
    assertEquals(((NeedCosts.Effect.Costs) together.effect()).more(), money("414.00"));
  }

  @Test
  public void aMustThatNobodyHasConfirmedLeavesNoTotalAndRulesNothingOut() {
    Need text = new Need(TEXT, new Importance.Must(false));
    NeedCosts.Line line =
        Evaluation.of(costly(List.of(text)), WhatIf.START)
            .costs()
            .overall()
            .needCosts()
            .lines()
            .getFirst();
    assertEquals(
        line.byContender().get("elm"), new NeedCosts.Effect.RulesOut(money("690.00"), true));
  }

  @Test
  public void thePlanNeededChangesWhereItsCapIsPassed() {
    Evaluation evaluation = Evaluation.of(FULL, WhatIf.START);
    List<PlanNeeded> needed = evaluation.costs().overall().plansNeeded("ash");
    // 10 people, 16 from June to August, and Small holds 12
    assertEquals(
        needed.stream()
            .map(n ->
                n.plan().map(OptionName::plan).orElse("none")
                    + " "
                    + n.months().from()
                    + "–"
                    + n.months().end())
            .toList(),
        List.of("Small 0–5", "Large 5–8", "Small 8–12"));
    assertEquals(needed.getFirst().stops().getFirst().sentence(), "seats: 16 of 12");
    assertEquals(
        evaluation.costs().overall().plansNeeded("cedar").getFirst().plan(),
        java.util.Optional.empty());
    assertEquals(
        evaluation.costs().now().conflicts("cedar").smallest(),
        List.of(java.util.Set.of("so many seats")));
  }
}
