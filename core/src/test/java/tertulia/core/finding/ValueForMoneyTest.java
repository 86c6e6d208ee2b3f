package tertulia.core.finding;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;
import tertulia.core.Generated;
import tertulia.core.evaluation.Costs;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.Selection;
import tertulia.core.evaluation.ValueForMoney;
import tertulia.core.evaluation.ValueForMoney.Point;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Interval;
import tertulia.core.scoring.Panel;
import tertulia.core.scoring.Totals;

public class ValueForMoneyTest {
  private static final int SEEDS = 150;

  /** One person's totals where cost is no criterion at all are the values. */
  @Test
  public void theValueIsTheTotalWithoutCost() {
    int compared = 0;
    for (int seed = 0; seed < SEEDS; seed++) {
      Selection all = Generated.selection(seed);
      for (var member : all.panel().members()) {
        Panel alone = new Panel(List.of(member));
        Optional<ValueForMoney> value = ValueForMoney.of(evaluate(all, all.criteria(), alone));
        List<Criterion> worth =
            all.criteria().stream().filter(c -> !(c.kind() instanceof Criterion.Cost)).toList();
        Optional<Totals> totals = evaluate(all, worth, alone).scores().totals();
        if (value.isPresent() && totals.isPresent()) {
          for (Point point : value.get().points()) {
            Interval total = totals.get().total(point.contender());
            near(point.value().low(), total.low());
            near(point.value().high(), total.high());
            compared++;
          }
        }
      }
    }
    assertTrue(compared > 100, compared + " compared");
  }

  /** What a tool costs is left out on a guessed scale as on a stated one. */
  @Test
  public void aGuessedScaleOfCostIsLeftOutToo() {
    int compared = 0;
    for (int seed = 0; seed < SEEDS; seed++) {
      Selection stated = Generated.selection(seed);
      List<Criterion> guessing =
          stated.criteria().stream()
              .map(c ->
                  c.isCost() ? new Criterion(c.id(), c.name(), new Criterion.CostAsFound()) : c)
              .toList();
      Optional<ValueForMoney> one =
          ValueForMoney.of(evaluate(stated, stated.criteria(), stated.panel()));
      Optional<ValueForMoney> other = ValueForMoney.of(evaluate(stated, guessing, stated.panel()));
      assertEquals(
          one.map(v -> v.points().stream().map(ValueForMoney.Point::value).toList()),
          other.map(v -> v.points().stream().map(ValueForMoney.Point::value).toList()));
      compared += one.isPresent() ? 1 : 0;
    }
    assertTrue(compared > 20, compared + " compared");
  }

  private static Evaluation evaluate(Selection s, List<Criterion> criteria, Panel panel) {
    return Evaluation.of(s.judgedUnder(criteria).judgedBy(panel), WhatIf.START);
  }

  private static void near(BigDecimal one, BigDecimal other) {
    assertTrue(one.subtract(other).abs().compareTo(Totals.LEVEL) < 0, one + " and " + other);
  }

  /** Beaten for certain: whatever the values and costs are within their bounds. */
  @Test
  public void onlyWhoIsBeatenAtEveryEndIsBeaten() {
    int beaten = 0;
    int known = 0;
    for (int seed = 0; seed < SEEDS; seed++) {
      Evaluation evaluation = Generated.evaluation(seed);
      Optional<ValueForMoney> value = ValueForMoney.of(evaluation);
      if (value.isEmpty()) {
        continue;
      }
      Costs costs = evaluation.costs();
      assertEquals(
          value.get().points().size() + value.get().withoutCost().size(),
          costs.overall().feasible().size());
      for (Point point : value.get().points()) {
        known++;
        assertEquals(Optional.of(point.cost()), costs.overall().totalBounds(point.contender()));
        for (Point other : value.get().points()) {
          boolean says = point.beatenBy().contains(other.contender());
          assertEquals(
              says, other != point && isBeatenAtEveryEnd(point, other), seed + ": " + point);
          beaten += says ? 1 : 0;
        }
      }
    }
    assertTrue(beaten > 20 && known > 100, beaten + " of " + known);
  }

  private static boolean isBeatenAtEveryEnd(Point point, Point by) {
    if (point.cost().low().isEmpty()) {
      return false;
    }
    for (BigDecimal mine : List.of(point.value().low(), point.value().high())) {
      for (BigDecimal theirs : List.of(by.value().low(), by.value().high())) {
        boolean dearer = point.cost().low().get().isGreaterThan(by.cost().high());
        boolean notCheaper = !point.cost().low().get().isLessThan(by.cost().high());
        boolean worse = Totals.isAbove(theirs, mine);
        boolean notBetter = !Totals.isAbove(mine, theirs);
        if (!(notCheaper && notBetter && (dearer || worse))) {
          return false;
        }
      }
    }
    return true;
  }
}
