package tertulia.core.finding;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.List;
import java.util.Optional;
import org.joda.money.Money;
import org.testng.annotations.Test;
import tertulia.core.Generated;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Costs;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.Figure;
import tertulia.core.evaluation.Selection;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.path.CostByHeadcount;
import tertulia.core.path.Outcome;
import tertulia.core.path.PlanPaths;
import tertulia.core.path.SteadyCost;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.PlanPrices;
import tertulia.core.pricing.PriceList;
import tertulia.core.pricing.Tool;
import tertulia.core.scoring.Interval;
import tertulia.core.working.Derivation;

/**
 * Of a "from" price only the least is known. What is said of it is compared with an assumed range
 * from that least to so much that nobody would take it.
 */
public class FromPriceTest {
  private static final BigDecimal FAR = new BigDecimal("100000");
  private static final int SELECTIONS = 300;

  private static Plan ranged(Plan plan) {
    if (!(plan.prices() instanceof PlanPrices.From from)) {
      return plan;
    }
    List<PriceList> far = plan.times(FAR).charged();
    return new Plan(
        plan.id(),
        plan.name(),
        plan.range(),
        new PlanPrices.Assumed(from.least(), far),
        plan.tax(),
        plan.allowances(),
        plan.source());
  }

  private static Contender ranged(Contender contender) {
    Tool tool = contender.tool();
    List<Plan> plans = tool.plans().stream().map(FromPriceTest::ranged).toList();
    return new Contender(
        new Tool(tool.id(), tool.name(), tool.maker(), plans, tool.offers(), tool.owned()),
        contender.facts(),
        contender.ratings(),
        null,
        contender.takes().orElse(null));
  }

  /** Leaving out what is free: nothing times anything is nothing. */
  private static boolean hasFrom(Contender contender) {
    if (contender.tool().owned().isPresent()
        || contender.tool().plans().stream()
            .anyMatch(plan ->
                plan.charged().stream().anyMatch(list -> !plan.notSaid(list.term()).isEmpty()))) {
      // what is not said under a term is a bound of another kind, and what is owned has no end
      return false;
    }
    List<Plan> from = contender.tool().plans().stream().filter(Plan::isFrom).toList();
    return !from.isEmpty()
        && from.stream()
            .allMatch(
                plan -> plan.times(FAR).charged().stream().noneMatch(plan.charged()::contains));
  }

  private static Selection ranged(Selection selection) {
    return new Selection(
        selection.title(),
        selection.purpose(),
        selection.asOf(),
        selection.horizon(),
        selection.currency(),
        selection.rise(),
        selection.groups(),
        selection.demands(),
        selection.averagePayment(),
        selection.needs(),
        selection.criteria(),
        selection.contenders().stream().map(FromPriceTest::ranged).toList(),
        selection.panel(),
        selection.rates(),
        selection.scenarios(),
        selection.practice());
  }

  @Test
  public void itIsARangeWithoutAHighEnd() {
    int found = 0;
    int least = 0;
    int ways = 0;
    for (int seed = 1; seed < SELECTIONS; seed++) {
      Selection selection = Generated.selection(seed);
      Evaluation from = Evaluation.of(selection, WhatIf.START);
      Evaluation range = Evaluation.of(ranged(selection), WhatIf.START);
      for (Contender contender : selection.active()) {
        String id = contender.id();
        if (hasFrom(contender)) {
          switch (from.costs().now().steady(id)) {
            case Outcome.Found<SteadyCost> one -> found += sameEnds(one, range, id);
            case Outcome.Unpriced<SteadyCost> one -> least += sameLeast(one, range, id);
            case Outcome.NoPlan<SteadyCost> none ->
                assertTrue(range.costs().now().steady(id) instanceof Outcome.NoPlan);
          }
          ways += sameWay(from.costs(), range.costs(), id);
          sameSweep(from.costs(), range.costs(), id);
        }
      }
    }
    assertTrue(found > 10 && least > 10 && ways > 20, found + " " + least + " " + ways);
  }

  private static int sameEnds(Outcome.Found<SteadyCost> from, Evaluation range, String id) {
    Outcome.Found<SteadyCost> other = (Outcome.Found<SteadyCost>) range.costs().now().steady(id);
    assertEquals(from.best().money(), other.best().money(), id);
    assertEquals(low(from), low(other), id);
    return 1;
  }

  private static Money low(Outcome.Found<SteadyCost> found) {
    return found.low().orElse(found.best()).money();
  }

  private static int sameLeast(Outcome.Unpriced<SteadyCost> from, Evaluation range, String id) {
    if (!(range.costs().now().steady(id) instanceof Outcome.Found<SteadyCost> other)
        || other.isAtMost()) {
      return 0;
    }
    assertEquals(from.low().orElseThrow().money(), low(other), id);
    assertEquals(range.costs().now().monthly(id).orElseThrow().low(), Optional.of(low(other)));
    return 1;
  }

  private static int sameWay(Costs from, Costs range, String id) {
    return switch (from.overall().way(id)) {
      case PlanPaths.Found found -> {
        assertEquals(from.overall().totalBounds(id), range.overall().totalBounds(id), id);
        yield 1;
      }
      case PlanPaths.Gap gap -> {
        if (gap.low().isPresent()) {
          assertEquals(
              from.overall().leastTotal(id),
              range.overall().totalBounds(id).orElseThrow().low(),
              id);
        } else if (range.overall().way(id) instanceof PlanPaths.Found other) {
          assertTrue(other.isAtMost(), id);
        }
        yield gap.low().isPresent() ? 1 : 0;
      }
    };
  }

  /** Where both have a figure it is the same; where only the range has one it is out of reach. */
  private static void sameSweep(Costs from, Costs range, String id) {
    CostByHeadcount.Curve one = from.curves().costByHeadcount().curves().get(id);
    CostByHeadcount.Curve other = range.curves().costByHeadcount().curves().get(id);
    for (int n = 1; n <= 60; n++) {
      Optional<Money> figure = one.at(n).map(CostByHeadcount.Point::money);
      Optional<Money> known = other.at(n).map(CostByHeadcount.Point::money);
      // nothing times anything is nothing: a band that is free stays so at both ends
      if (figure.isPresent() && known.filter(Money::isZero).isEmpty()) {
        assertEquals(known, figure, id + " at " + n);
      }
    }
  }

  @Test
  public void whatIsDearerAtLeastCannotBeCheaper() {
    int certain = 0;
    int open = 0;
    for (int seed = 1; seed < SELECTIONS; seed++) {
      Evaluation evaluation = Evaluation.of(Generated.selection(seed), WhatIf.START);
      Costs costs = evaluation.costs();
      Optional<CostFinding.WholePeriod> whole = new CostFindings(costs).wholePeriod();
      if (whole.isPresent()) {
        Money figure = costs.overall().total(whole.get().whole().getFirst()).orElseThrow();
        for (Contender contender : costs.selection().active()) {
          Optional<Money> least = costs.overall().leastTotal(contender.id());
          boolean dearer =
              least.filter(l -> !l.isLessThan(figure)).isPresent()
                  && whole
                      .get()
                      .now()
                      .flatMap(now ->
                          costs
                              .now()
                              .leastMonthly(contender.id())
                              .map(l ->
                                  !l.isLessThan(costs.now().monthly(now).orElseThrow().high())))
                      .orElse(false);
          if (least.isPresent()) {
            boolean mayBeLess = whole.get().open().contains(contender.id());
            certain += dearer ? 1 : 0;
            open += mayBeLess ? 1 : 0;
            assertTrue(!dearer || !mayBeLess, contender.id() + " of " + seed);
            assertTrue(
                !least.get().isLessThan(figure) || mayBeLess, contender.id() + " of " + seed);
          }
        }
      }
    }
    assertTrue(certain > 3 && open > 3, certain + " " + open);
  }

  /** What is known of a month is known of a head, and of a year. */
  @Test
  public void theLeastAHeadIsTheLeastAMonthDivided() {
    int met = 0;
    for (int seed = 1; seed < SELECTIONS; seed++) {
      Evaluation evaluation = Evaluation.of(Generated.selection(seed), WhatIf.START);
      Costs costs = evaluation.costs();
      BigDecimal people = BigDecimal.valueOf(costs.people().total());
      for (Contender contender : costs.selection().active()) {
        Optional<Money> least = costs.now().leastMonthly(contender.id());
        for (int months : List.of(1, 12)) {
          assertEquals(
              costs.now().leastPerHead(contender.id(), months).map(Money::getAmount),
              least.map(money ->
                  money
                      .getAmount()
                      .multiply(BigDecimal.valueOf(months))
                      .divide(people, 2, RoundingMode.HALF_UP)));
          Derivation why = evaluation.explain(new Figure.PerHead(contender.id(), months));
          if (least.isPresent()) {
            assertTrue(why.value().isEmpty(), "a bound is no figure");
            assertEquals(
                why.parts().getFirst().value().orElseThrow().amount(),
                costs.now().leastPerHead(contender.id(), months).orElseThrow().getAmount());
            met++;
          }
        }
      }
    }
    assertTrue(met > 6, "only " + met);
  }

  /** Worth what its least is worth, or less. */
  @Test
  public void itsValueReachesDownToNothing() {
    int met = 0;
    for (int seed = 1; seed < SELECTIONS; seed++) {
      Evaluation evaluation = Evaluation.of(Generated.selection(seed), WhatIf.START);
      for (Contender contender : evaluation.costs().overall().feasible()) {
        if (evaluation.costs().overall().way(contender.id()) instanceof PlanPaths.Gap gap
            && gap.low().isPresent()
            && evaluation.scores().totals().isPresent()) {
          Interval value =
              evaluation
                  .scores()
                  .totals()
                  .get()
                  .value(contender.id(), evaluation.selection().criteria().getFirst())
                  .interval();
          assertEquals(value.low().signum(), 0);
          assertTrue(value.high().compareTo(BigDecimal.ONE) <= 0);
          met += value.high().compareTo(BigDecimal.ONE) < 0 ? 1 : 0;
        }
      }
    }
    assertTrue(met > 3, "met " + met);
  }
}
