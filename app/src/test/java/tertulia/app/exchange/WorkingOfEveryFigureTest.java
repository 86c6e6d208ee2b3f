package tertulia.app.exchange;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.core.billing.CostTiming;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.Figure;
import tertulia.core.evaluation.Selection;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.evaluation.WhatIf.Moment;
import tertulia.core.growth.Measure;
import tertulia.core.growth.Scenario;
import tertulia.core.labour.StaffTime;
import tertulia.core.path.FixedPlan;
import tertulia.core.path.Outcome;
import tertulia.core.path.PlanPaths;
import tertulia.core.path.SteadyCost;
import tertulia.core.path.Terms;
import tertulia.core.scoring.Criterion;
import tertulia.core.working.Derivation;
import tertulia.core.working.Quantity;

/** Every figure of the demonstration can be asked "why", and its working ends in the figure. */
public class WorkingOfEveryFigureTest {
  private static final Selection SELECTION = Demo.selection();

  @DataProvider
  public Object[][] whatIfs() {
    List<Object[]> all = new ArrayList<>();
    List<Moment> moments =
        List.of(new Moment.Month(0), new Moment.Month(17), new Moment.Headcount(121));
    for (Moment moment : moments) {
      for (Terms terms : Terms.values()) {
        for (CostTiming view : CostTiming.values()) {
          all.add(new Object[] {new WhatIf(moment, Scenario.EXPECTED, terms, view)});
        }
      }
    }
    all.add(new Object[] {WhatIf.START.at(new Moment.Headcount(5000))});
    return all.toArray(Object[][]::new);
  }

  private static Optional<BigDecimal> amount(Evaluation evaluation, Figure figure) {
    return evaluation.explain(figure).value().map(Quantity::amount);
  }

  private static void same(Optional<BigDecimal> explained, BigDecimal figure) {
    assertTrue(explained.isPresent());
    assertEquals(explained.get().compareTo(figure), 0, explained + " against " + figure);
  }

  @Test(dataProvider = "whatIfs")
  public void costs(WhatIf whatIf) {
    Evaluation evaluation = Evaluation.of(SELECTION, whatIf);
    CostTiming view = whatIf.view();
    same(
        amount(evaluation, new Figure.Headcount()),
        BigDecimal.valueOf(evaluation.costs().people().total()));
    for (Measure measure : SELECTION.demands().keySet()) {
      int units = evaluation.costs().occasion().units().of(measure).getAsInt();
      same(amount(evaluation, new Figure.Units(measure.id())), BigDecimal.valueOf(units));
    }
    for (Contender contender : SELECTION.contenders()) {
      String id = contender.id();
      if (evaluation.costs().now().steady(id) instanceof Outcome.Found<SteadyCost> found) {
        same(amount(evaluation, new Figure.Steady(id)), found.best().money().getAmount());
        evaluation.explain(new Figure.Dearer(id));
      } else {
        assertFalse(amount(evaluation, new Figure.Steady(id)).isPresent(), "an unknown is no zero");
      }
      contender
          .offerings()
          .forEach(offering ->
              evaluation
                  .costs()
                  .now()
                  .planAlone(offering)
                  .ifPresent(cost ->
                      same(
                          amount(evaluation, new Figure.PlanAlone(id, offering.plan().id())),
                          cost.money().getAmount())));
      for (Measure measure : SELECTION.demands().keySet()) {
        Optional<BigDecimal> left =
            evaluation
                .costs()
                .now()
                .roomNow(id, measure)
                .flatMap(room -> room.most(0).map(most -> most.subtract(room.used().getFirst())));
        Optional<BigDecimal> explained = amount(evaluation, new Figure.Room(id, measure.id()));
        assertEquals(explained.isPresent(), left.isPresent(), measure.label());
        left.ifPresent(units -> same(explained, units));
      }
      if (evaluation.costs().overall().stay(id) instanceof Outcome.Found<FixedPlan> found) {
        same(
            amount(evaluation, new Figure.Horizon(id)),
            found.best().ledger().total(view).getAmount());
      } else {
        assertFalse(
            amount(evaluation, new Figure.Horizon(id)).isPresent(), "an unknown is no zero");
      }
      if (evaluation.costs().overall().way(id) instanceof PlanPaths.Found found) {
        var ledger = found.best().ledger();
        same(amount(evaluation, new Figure.BestWay(id)), ledger.total(view).getAmount());
        same(amount(evaluation, new Figure.Idle(id)), ledger.idleMoney().getAmount());
        same(amount(evaluation, new Figure.PastHorizon(id)), ledger.pastHorizon(view).getAmount());
        same(amount(evaluation, new Figure.Month(id, 20)), ledger.months(view).get(20).getAmount());
      } else {
        assertFalse(
            amount(evaluation, new Figure.BestWay(id)).isPresent(), "an unknown is no zero");
        assertFalse(amount(evaluation, new Figure.Full(id)).isPresent(), "an unknown is no zero");
      }
      if (evaluation.costs().overall().takes(id) instanceof StaffTime.Known known) {
        same(amount(evaluation, new Figure.Time(id)), known.time().total().getAmount());
      } else {
        assertFalse(amount(evaluation, new Figure.Time(id)).isPresent(), "an unknown is no zero");
      }
      WhatIf fully =
          new WhatIf(whatIf.moment(), whatIf.scenario(), whatIf.terms(), view, WhatIf.Basis.FULL);
      Evaluation.of(SELECTION, fully)
          .costs()
          .overall()
          .total(id)
          .ifPresent(full -> same(amount(evaluation, new Figure.Full(id)), full.getAmount()));
    }
  }

  @Test(dataProvider = "whatIfs")
  public void scores(WhatIf whatIf) {
    Evaluation evaluation = Evaluation.of(SELECTION, whatIf);
    for (Criterion criterion : evaluation.scores().criteria()) {
      same(
          amount(evaluation, new Figure.Weight(criterion.id())),
          evaluation.scores().totals().orElseThrow().weight(criterion));
    }
    for (Contender contender : evaluation.costs().overall().feasible()) {
      var total = evaluation.scores().totals().orElseThrow().total(contender.id());
      Derivation working = evaluation.explain(new Figure.Total(contender.id())).parts().getFirst();
      evaluation.explain(new Figure.Wins(contender.id()));
      if (total.isExact()) {
        same(working.value().map(Quantity::amount), total.low());
      } else {
        same(working.parts().getFirst().value().map(Quantity::amount), total.low());
        same(working.parts().getLast().value().map(Quantity::amount), total.high());
      }
    }
  }

  @Test
  public void workingsLeadDownToDatedFacts() {
    Evaluation evaluation = Evaluation.of(SELECTION, WhatIf.START);
    for (String id : List.of("slotmeer", "halvard-desk", "pierbook", "quaymate")) {
      assertTrue(dated(evaluation.explain(new Figure.Horizon(id))), id);
    }
  }

  private static boolean dated(Derivation working) {
    return switch (working) {
      case Derivation.Entered entered -> entered.source().isPresent();
      case Derivation.Stated stated -> stated.source().isPresent();
      default -> working.parts().stream().anyMatch(WorkingOfEveryFigureTest::dated);
    };
  }

  @Test
  public void whoeverIsSetAsideOrOutIsNotRanked() {
    Evaluation evaluation = Evaluation.of(SELECTION, WhatIf.START);
    assertEquals(
        evaluation.costs().overall().feasible().stream().map(Contender::id).toList(),
        List.of("slotmeer", "halvard-desk", "pierbook", "quaymate", "tollen-suite"));
    WhatIf monthly =
        new WhatIf(new Moment.Month(0), Scenario.EXPECTED, Terms.MONTHLY, CostTiming.SPREAD);
    Evaluation withoutYears = Evaluation.of(SELECTION, monthly);
    // Tollen sells no monthly term; its whole house is on request, so it stays in, without a figure
    assertTrue(withoutYears.costs().overall().stay("tollen-suite") instanceof Outcome.Unpriced);
    assertTrue(
        withoutYears.explain(new Figure.Total("gangway-ledger")) instanceof Derivation.Missing m
            && m.reason().startsWith("set aside"));
  }
}
