package tertulia.core.finding;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNotEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.joda.money.Money;
import org.testng.annotations.Test;
import tertulia.core.Generated;
import tertulia.core.Samples;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Costs;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.NeedCosts;
import tertulia.core.evaluation.Selection;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.fit.Answer;
import tertulia.core.fit.Capability;
import tertulia.core.fit.Need;
import tertulia.core.fit.Reason;
import tertulia.core.growth.Measure;
import tertulia.core.path.OptionName;
import tertulia.core.path.Outcome;
import tertulia.core.path.SteadyCost;
import tertulia.core.pricing.Allowance;
import tertulia.core.pricing.BillingTerm;
import tertulia.core.pricing.Included;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.PlanPrices;
import tertulia.core.pricing.SeatRange;
import tertulia.core.pricing.Tax;
import tertulia.core.pricing.Tool;

/** What is said of fit, and of the plans of one tool. */
public class FitFindingsTest extends GeneratedFindings {
  FitFindingsTest() {
    super(FitFinding.class);
  }

  @Test(dataProvider = "seeds")
  public void whatIsSaidOfFitIsSo(int seed) {
    Costs costs = Generated.evaluation(seed).costs();
    for (FitFinding finding : new FitFindings(costs).all()) {
      met(finding);
      switch (finding) {
        case FitFinding.OnlyTogether together -> {
          assertTrue(together.needs().size() > 1);
          Costs without =
              Evaluation.of(Generated.without(costs.selection(), together.needs()), costs.whatIf())
                  .costs();
          assertNotEquals(
              without.overall().total(together.tool()),
              costs.overall().total(together.tool()),
              "giving up all of them changes something");
          if (together.effect() instanceof NeedCosts.Effect.Costs more) {
            assertEquals(
                more.exact(),
                costs.overall().totalBounds(together.tool()).orElseThrow().isExact()
                    && without.overall().totalBounds(together.tool()).orElseThrow().isExact());
          }
          List<NeedCosts.Line> lines = costs.overall().needCosts().lines();
          for (Need need : together.needs()) {
            NeedCosts.Effect alone =
                lines.stream()
                    .filter(line -> line.need().equals(need))
                    .findFirst()
                    .orElseThrow()
                    .byContender()
                    .get(together.tool());
            switch (together.effect()) {
              case NeedCosts.Effect.Costs c ->
                  assertTrue(((NeedCosts.Effect.Costs) alone).more().isZero(), "nothing alone");
              case NeedCosts.Effect.RulesOut out ->
                  assertTrue(alone instanceof NeedCosts.Effect.NoTotal, "none without one alone");
              case NeedCosts.Effect.NoTotal none -> throw new AssertionError("not a finding");
            }
          }
        }
        case FitFinding.NotTheFirst not -> {
          SteadyCost taken = ((Outcome.Found<SteadyCost>) costs.now().steady(not.tool())).best();
          assertEquals(taken.option().label(), not.taken());
          assertEquals(taken.money(), not.cost().high());
          assertEquals(
              not.cost().isExact(),
              least(costs, not.tool())
                  == cost(costs, not.tool()).map(Money::getAmountMinorLong).orElse(0L));
          List<Plan> plans = costs.selection().contender(not.tool()).tool().plans();
          List<OptionName> does =
              plans.stream()
                  .map(OptionName::of)
                  .filter(plan ->
                      costs.now().against(not.tool()).getOrDefault(plan, List.of()).isEmpty())
                  .toList();
          assertEquals(does.getFirst().plan(), not.first());
          assertTrue(does.indexOf(OptionName.of(taken.option().plan())) > 0, does.toString());
        }
        case FitFinding.NoPlanDoes none -> throw new AssertionError("of one tool");
        case FitFinding.FirstThatDoes first -> throw new AssertionError("of one tool");
        case FitFinding.WillNotDo not -> throw new AssertionError("of one tool");
        case FitFinding.NextBrings next -> throw new AssertionError("of one tool");
        case FitFinding.NoPlan none -> {
          assertFalse(costs.now().steady(none.tool()) instanceof Outcome.Found);
          assertEquals(
              none.toConfirm(),
              costs.now().against(none.tool()).values().stream()
                  .anyMatch(reasons -> reasons.stream().noneMatch(Reason::excludes)),
              "what nothing excludes may do, once it is confirmed");
          none.conflicts()
              .smallest()
              .forEach(set ->
                  costs
                      .now()
                      .against(none.tool())
                      .forEach((plan, reasons) ->
                          assertTrue(
                              reasons.stream().map(Reason::requirement).anyMatch(set::contains),
                              plan.label())));
        }
      }
    }
  }

  @Test(dataProvider = "seeds")
  public void whatIsSaidOfAToolsPlansIsSo(int seed) {
    Costs costs = Generated.evaluation(seed).costs();
    Capability a = new Capability("a", "Need a");
    Capability b = new Capability("b", "Need b");
    for (Contender contender : costs.selection().active()) {
      List<Plan> plans = contender.tool().plans();
      List<Boolean> does =
          plans.stream()
              .map(p ->
                  costs
                      .now()
                      .against(contender.id())
                      .getOrDefault(OptionName.of(p), List.of())
                      .isEmpty())
              .toList();
      int first = does.indexOf(true);
      PlanFindings findings = new PlanFindings(costs, contender, List.of(a, b));
      List<String> out = new ArrayList<>();
      for (FitFinding finding : findings.all()) {
        met(finding);
        switch (finding) {
          case FitFinding.NoPlanDoes none -> assertEquals(first, -1);
          case FitFinding.FirstThatDoes found -> {
            assertEquals(found.plan(), plans.get(first).name());
            assertEquals(found.isFirst(), first == 0);
          }
          case FitFinding.WillNotDo not -> {
            out.add(not.plan());
            assertFalse(not.reasons().isEmpty());
          }
          case FitFinding.NextBrings next -> next(costs, contender, first, next);
          case FitFinding.NotTheFirst not -> assertEquals(not.first(), plans.get(first).name());
          case FitFinding.OnlyTogether together -> throw new AssertionError("of all needs");
          case FitFinding.NoPlan none -> throw new AssertionError("of all plans");
        }
      }
      assertEquals(
          out, first < 0 ? List.of() : plans.subList(0, first).stream().map(Plan::name).toList());
    }
  }

  private static void next(
      Costs costs, Contender contender, int first, FitFinding.NextBrings next) {
    Plan before = contender.tool().plans().get(first);
    Plan plan = contender.tool().plans().get(first + 1);
    assertFalse(costs.planTags(contender).get(first + 1).tooSmall(), "it is sold for so many");
    assertEquals(next.plan(), plan.name());
    List<String> asked =
        costs.selection().needs().stream().map(need -> need.capability().id()).toList();
    List<String> gains = new ArrayList<>();
    List<String> beyond = new ArrayList<>();
    for (String id : List.of("a", "b")) {
      boolean had = contender.facts().get(before.id()).get(id).answer() == Answer.YES;
      boolean has = contender.facts().get(plan.id()).get(id).answer() == Answer.YES;
      if (has && !had) {
        (asked.contains(id) ? gains : beyond).add(id);
      }
    }
    assertEquals(next.gains().stream().map(need -> need.capability().id()).toList(), gains);
    assertEquals(next.beyond().stream().map(Capability::id).toList(), beyond);
    Optional<Money> own =
        costs.now().planAlone(contender.offerings().get(first + 1)).map(c -> c.money());
    Optional<Money> was =
        costs.now().planAlone(contender.offerings().get(first)).map(c -> c.money());
    assertEquals(next.more().isPresent(), own.isPresent() && was.isPresent());
    next.more().ifPresent(more -> assertEquals(was.get().plus(more), own.get()));
  }

  private static Included account(int most) {
    return new Included(
        java.math.BigDecimal.valueOf(most), java.math.BigDecimal.ZERO, Measure.SEATS);
  }

  private static Plan allowing(String name, String price, Map<Measure, Allowance.Limit> limits) {
    return new Plan(
        name.toLowerCase(java.util.Locale.ROOT),
        name,
        SeatRange.ANY,
        new PlanPrices.Listed(List.of(Samples.list(BillingTerm.MONTHLY, Samples.seats(price)))),
        Tax.NOT_INCLUDED,
        limits.entrySet().stream()
            .map(limit -> new Allowance(limit.getKey(), limit.getValue(), Samples.PAGE))
            .toList(),
        Samples.PAGE);
  }

  /** A larger allowance is told though nobody has said how much is used; one not known is not. */
  @Test
  public void theNextPlanNamesWhatItAllowsMoreOf() {
    Map<Measure, Allowance.Limit> small = new java.util.LinkedHashMap<>();
    small.put(Measure.CALENDARS, new Allowance.Limit.Hard(account(5)));
    small.put(Measure.AUTOMATION_RUNS, new Allowance.Limit.Hard(account(100)));
    small.put(Measure.PHONE_LINES, new Allowance.Limit.Hard(account(2)));
    small.put(Measure.GIGABYTES_KEPT, new Allowance.Limit.Hard(account(9)));
    Map<Measure, Allowance.Limit> large = new java.util.LinkedHashMap<>();
    large.put(Measure.CALENDARS, new Allowance.Limit.Unlimited());
    large.put(Measure.AUTOMATION_RUNS, new Allowance.Limit.Hard(account(250)));
    large.put(Measure.PHONE_LINES, new Allowance.Limit.Hard(account(2)));
    large.put(Measure.GIGABYTES_KEPT, new Allowance.Limit.Unknown());
    Contender tool =
        new Contender(
            new Tool(
                "t",
                "T",
                "Maker",
                List.of(allowing("Small", "2", small), allowing("Large", "3", large))),
            Map.of(),
            List.of(),
            null);
    Selection asked = Generated.selection(3).asking(List.of()).among(List.of(tool));
    Selection unstated =
        new Selection(
            asked.title(),
            asked.purpose(),
            asked.asOf(),
            asked.horizon(),
            asked.currency(),
            asked.rise(),
            asked.groups(),
            Map.of(
                Measure.SEATS,
                java.util.Objects.requireNonNull(asked.demands().get(Measure.SEATS))),
            asked.averagePayment(),
            asked.needs(),
            asked.criteria(),
            asked.contenders(),
            asked.panel(),
            asked.rates());
    Costs costs = Costs.of(unstated, WhatIf.START);
    FitFinding.NextBrings next =
        new PlanFindings(costs, tool, List.of())
            .all().stream()
                .filter(FitFinding.NextBrings.class::isInstance)
                .map(FitFinding.NextBrings.class::cast)
                .findFirst()
                .orElseThrow();
    assertEquals(
        next.allowances(),
        List.of(
            new FitFinding.Larger(Measure.CALENDARS, account(5), Optional.empty()),
            new FitFinding.Larger(
                Measure.AUTOMATION_RUNS, account(100), Optional.of(account(250)))));
  }
}
