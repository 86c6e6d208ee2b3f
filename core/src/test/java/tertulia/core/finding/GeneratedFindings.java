package tertulia.core.finding;

import static org.testng.Assert.assertTrue;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.joda.money.Money;
import org.testng.annotations.AfterClass;
import org.testng.annotations.DataProvider;
import tertulia.core.evaluation.Costs;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.path.Outcome;
import tertulia.core.path.SteadyCost;

/**
 * What is said of generated selections, each kind of finding against the evaluation it speaks of.
 */
abstract class GeneratedFindings {
  private static final int SEEDS = 150;
  private final Map<String, Integer> seen = new HashMap<>();
  private final Class<?> side;

  /**
   * @param side of which every kind has to be met
   */
  GeneratedFindings(Class<? extends Finding> side) {
    this.side = side;
  }

  @DataProvider
  public Object[][] seeds() {
    Object[][] seeds = new Object[SEEDS][];
    for (int seed = 0; seed < SEEDS; seed++) {
      seeds[seed] = new Object[] {seed};
    }
    return seeds;
  }

  void met(String kind) {
    seen.merge(kind, 1, Integer::sum);
  }

  void met(Object finding) {
    met(finding.getClass().getSimpleName());
  }

  boolean wasMet(String kind) {
    return seen.containsKey(kind);
  }

  /** Every kind has to have been met, or its check has checked nothing. */
  @AfterClass
  public void everyKindWasMet() {
    for (Class<?> kind : side.getPermittedSubclasses()) {
      assertTrue(wasMet(kind.getSimpleName()), kind + " of " + seen);
    }
  }

  static Costs at(Costs costs, int people) {
    return costs.at(new WhatIf.Moment.Headcount(people, costs.occasion().month()));
  }

  /** What a tool costs for so many people, by the exact path. */
  static Optional<Money> cost(Costs costs, String tool, int people) {
    return cost(at(costs, people), tool);
  }

  /** What a tool costs in the month under discussion, what is owned then counted. */
  static Optional<Money> cost(Costs then, String tool) {
    return then.now().steady(tool) instanceof Outcome.Found<SteadyCost> found
        ? then.now().steadyTime(tool).map(found.best().money()::plus)
        : Optional.empty();
  }

  /** The least a tool can cost for so many people in cents, by the exact path. */
  static long least(Costs costs, String tool, int people) {
    return least(at(costs, people), tool);
  }

  /** The least a tool can cost in the month under discussion, in cents. */
  static long least(Costs then, String tool) {
    return switch (then.now().steady(tool)) {
      case Outcome.NoPlan<SteadyCost> none -> Long.MAX_VALUE;
      case Outcome.Unpriced<SteadyCost> unpriced ->
          unpriced.low().isEmpty() || then.now().steadyTime(tool).isEmpty()
              ? Long.MIN_VALUE
              : unpriced
                  .low()
                  .get()
                  .money()
                  .plus(then.now().steadyTime(tool).get())
                  .getAmountMinorLong();
      case Outcome.Found<SteadyCost> found ->
          found.isAtMost() || then.now().steadyTime(tool).isEmpty()
              ? Long.MIN_VALUE
              : found
                  .low()
                  .map(SteadyCost::money)
                  .filter(low -> low.isLessThan(found.best().money()))
                  .orElse(found.best().money())
                  .plus(then.now().steadyTime(tool).get())
                  .getAmountMinorLong();
    };
  }
}
