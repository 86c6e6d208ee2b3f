package tertulia.core.sensitivity;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Optional;
import org.joda.money.Money;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.core.Generated;
import tertulia.core.evaluation.Amount;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.Selection;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.growth.Measure;
import tertulia.core.path.CostByHeadcount;
import tertulia.core.scoring.Interval;

/** The answer by size of buyer against the sweep by headcount and the sizes of the winner map. */
public class BySizeTest {
  private static final List<Integer> PEOPLE = List.of(1, 2, 7, 10, 24, 100);

  @DataProvider
  public Object[][] seeds() {
    Object[][] seeds = new Object[60][];
    for (int seed = 0; seed < seeds.length; seed++) {
      seeds[seed] = new Object[] {seed};
    }
    return seeds;
  }

  @Test(dataProvider = "seeds")
  public void costsAreThoseOfTheSweep(int seed) {
    Evaluation read = Generated.evaluation(seed);
    CostByHeadcount swept = read.costs().curves().costByHeadcount();
    for (BySize size : new Sensitivity(read).bySize(PEOPLE)) {
      for (BySize.Line line : size.lines()) {
        Optional<Money> there =
            swept.curve(line.contender()).at(size.people()).map(point -> point.money());
        assertEquals(line.monthly().map(Amount::high), there, line.contender() + size.people());
      }
      List<Money> known =
          size.lines().stream().flatMap(l -> l.monthly().stream()).map(Amount::high).toList();
      assertEquals(size.cheapest().isEmpty(), known.isEmpty());
      for (BySize.Line line : size.lines()) {
        boolean least =
            line.monthly()
                .map(Amount::high)
                .filter(own -> known.stream().noneMatch(own::isGreaterThan))
                .isPresent();
        assertEquals(size.cheapest().contains(line.contender()), least);
      }
    }
  }

  @Test(dataProvider = "seeds")
  public void whoLeadsInEveryCaseIsTheBestAndNobodyReachesIt(int seed) {
    for (BySize size : new Sensitivity(Generated.evaluation(seed)).bySize(PEOPLE)) {
      if (size.leader().isEmpty() || !size.byTotals()) {
        continue;
      }
      String leader = size.leader().get();
      assertEquals(size.best().getFirst().contender(), leader);
      Interval own = size.best().getFirst().total().orElseThrow();
      size.lines().stream()
          .filter(line -> !line.contender().equals(leader))
          .flatMap(line -> line.total().stream())
          .forEach(
              other -> assertTrue(own.low().doubleValue() >= other.high().doubleValue() - 1e-9));
    }
  }

  @Test(dataProvider = "seeds")
  public void withoutPeopleOneSeatEachIsRead(int seed) {
    Selection nobody = Generated.selection(seed).peopled(List.of()).asking(List.of());
    Evaluation read =
        Evaluation.of(
            nobody.with().demands(java.util.Map.of()).build().forAnybody(10), WhatIf.START);
    WhatIf.Moment ten = new WhatIf.Moment.Headcount(10);
    assertEquals(read.costs().at(ten).people().total(), 10);
    assertEquals(read.costs().at(ten).occasion().units().of(Measure.SEATS).getAsInt(), 10);
    assertTrue(new Sensitivity(read).byHeadcount().isPresent());
  }

  /** The leader is that of the sizes, and the lead is the best's total less the second's. */
  @Test(dataProvider = "seeds")
  public void theLeaderAndTheLeadAreThoseOfTheSizes(int seed) {
    Sensitivity sensitivity = new Sensitivity(Generated.evaluation(seed));
    Sizes sizes = sensitivity.byHeadcount().orElseThrow();
    for (BySize size : sensitivity.bySize(List.of(1, 9, 24, sizes.sizes(), sizes.sizes() + 1))) {
      assertEquals(
          size.leader(),
          size.people() > sizes.sizes() ? Optional.empty() : sizes.certainLeader(size.people()));
      List<Double> totals =
          size.lines().stream()
              .flatMap(line -> line.total().stream())
              .map(total -> total.midpoint().doubleValue())
              .sorted(java.util.Comparator.reverseOrder())
              .toList();
      assertEquals(size.lead().isPresent(), totals.size() > 1);
      size.lead()
          .ifPresent(lead ->
              assertEquals(lead.exactly().doubleValue(), totals.get(0) - totals.get(1), 1e-12));
    }
  }
}
