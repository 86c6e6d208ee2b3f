package tertulia.core.evaluation;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.joda.money.Money;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.core.Generated;
import tertulia.core.path.SteadyCost;
import tertulia.core.path.Terms;

/** A plan's own price against what the contender costs if only that plan is read. */
public class PlanTagTest {
  @DataProvider
  public Object[][] seeds() {
    Object[][] seeds = new Object[60][];
    for (int seed = 0; seed < seeds.length; seed++) {
      seeds[seed] = new Object[] {seed};
    }
    return seeds;
  }

  @Test(dataProvider = "seeds")
  public void aPlanThatIsEnoughCostsWhatTheContenderDoesOnItAlone(int seed) {
    Evaluation read = Generated.evaluation(seed);
    WhatIf subscription =
        new WhatIf(
            read.whatIf().moment(), read.whatIf().scenario(), Terms.ANY, read.whatIf().view());
    Costs all = Costs.of(read.selection(), subscription);
    for (Contender contender : read.selection().contenders()) {
      for (PlanTag tag : all.planTags(contender)) {
        String plan = tag.offering().plan().id();
        Costs alone = Costs.of(read.selection().on(Map.of(contender.id(), plan)), subscription);
        assertEquals(alone.selection().contender(contender.id()).plans().size(), 1);
        alone
            .now()
            .best(contender.id())
            .ifPresent(cost -> {
              assertEquals(tag.cost().map(SteadyCost::money), Optional.of(cost.money()), plan);
              assertTrue(!tag.tooSmall());
            });
        Optional<Money> cheaper =
            List.of(tag.monthly(), tag.committed()).stream()
                .flatMap(Optional::stream)
                .map(SteadyCost::money)
                .min(Money::compareTo);
        assertEquals(tag.cost().map(SteadyCost::money), cheaper);
        assertTrue(tag.cost().isEmpty() || tag.least().isEmpty());
      }
    }
  }

  @Test(dataProvider = "seeds")
  public void theCurveOfAPlanPassesThroughItsTag(int seed) {
    Evaluation read = Generated.evaluation(seed);
    Costs ten = read.costs().at(new WhatIf.Moment.Headcount(10));
    for (Contender contender : read.selection().contenders()) {
      for (PlanTag tag : ten.planTags(contender)) {
        Optional<Money> there =
            ten.curves().planAlone(tag.offering(), List.of(10)).getFirst().map(SteadyCost::money);
        assertEquals(there, tag.tooSmall() ? Optional.empty() : tag.cost().map(SteadyCost::money));
      }
    }
  }

  @Test
  public void anUnknownPlanChangesNothing() {
    Selection selection = Generated.selection(3);
    assertEquals(selection.on(Map.of("t0", "none", "nobody", "p0")), selection);
  }

  private static Optional<Money> sold(PlanTag tag) {
    return tag.tooSmall() ? Optional.empty() : tag.cost().map(SteadyCost::money);
  }

  /** A year is twelve months, a head its share, and a step the difference to the plan before. */
  @Test(dataProvider = "seeds")
  public void whatIsReadOffATagFollowsFromItsMonth(int seed) {
    Evaluation read = Generated.evaluation(seed);
    Costs seven = read.costs().at(new WhatIf.Moment.Headcount(7));
    for (Contender contender : read.selection().contenders()) {
      List<PlanTag> page = seven.planTags(contender);
      assertEquals(page.size(), contender.plans().size());
      List<Optional<Money>> steps = PlanTag.steps(page);
      for (int i = 0; i < page.size(); i++) {
        PlanTag tag = page.get(i);
        Optional<Money> month = tag.cost().map(SteadyCost::money);
        assertEquals(tag.aYear(), month.map(money -> money.multipliedBy(12)));
        assertEquals(
            tag.aHead(tag.cost()),
            month.map(money -> money.dividedBy(7, java.math.RoundingMode.HALF_UP)));
        Optional<Money> before = i == 0 ? Optional.empty() : sold(page.get(i - 1));
        assertEquals(
            steps.get(i).map(step -> step.plus(before.orElseThrow())),
            before.isPresent() ? sold(tag) : Optional.empty());
        assertEquals(steps.get(i).isPresent(), before.isPresent() && sold(tag).isPresent());
        assertEquals(
            tag.tooSmall(),
            tag.offering().plan().range().cap().isPresent()
                && tag.offering().plan().range().cap().getAsInt() < 7);
      }
    }
  }
}
