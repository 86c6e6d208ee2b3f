package tertulia.core.evaluation;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.joda.money.Money;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.core.Generated;
import tertulia.core.fit.Importance;
import tertulia.core.fit.Need;

/** What a should costs against what it costs as a must of the same question. */
public class ShouldCostsTest {
  @DataProvider
  public Object[][] seeds() {
    Object[][] seeds = new Object[80][];
    for (int seed = 0; seed < seeds.length; seed++) {
      seeds[seed] = new Object[] {seed};
    }
    return seeds;
  }

  /** The generated question with its first must as a should. */
  private static Optional<Evaluation> relaxed(int seed) {
    Evaluation read = Generated.evaluation(seed);
    List<Need> needs = new ArrayList<>(read.selection().needs());
    if (needs.isEmpty()) {
      return Optional.empty();
    }
    needs.set(0, new Need(needs.getFirst().capability(), new Importance.Should(2)));
    return Optional.of(Evaluation.of(read.selection().asking(needs), read.whatIf()));
  }

  @Test(dataProvider = "seeds")
  public void aShouldCostsWhatItCostsAsAMust(int seed) {
    Optional<Evaluation> asked = relaxed(seed);
    if (asked.isEmpty()) {
      return;
    }
    CostsOverall as = asked.get().costs().overall();
    CostsOverall with = Costs.of(Generated.selection(seed), asked.get().whatIf()).overall();
    ShouldCosts.Line line = as.shouldCosts().lines().getFirst();
    assertEquals(line.need(), asked.get().selection().needs().getFirst());
    line.byContender()
        .forEach((contender, effect) -> {
          Optional<Money> now = as.totalBounds(contender).map(Amount::high);
          Optional<Money> then = with.totalBounds(contender).map(Amount::high);
          switch (effect) {
            case ShouldCosts.Effect.Has has -> assertEquals(then, now);
            case ShouldCosts.Effect.Takes takes -> {
              assertEquals(now.map(takes.more()::plus), then);
              assertTrue(takes.more().isPositive());
              assertEquals(
                  takes.exact(),
                  as.totalBounds(contender).orElseThrow().isExact()
                      && with.totalBounds(contender).orElseThrow().isExact());
            }
            case ShouldCosts.Effect.Lacks lacks ->
                assertTrue(now.isPresent() && then.isEmpty(), contender);
            case ShouldCosts.Effect.NoTotal none -> assertTrue(now.isEmpty());
          }
        });
  }

  @Test
  public void everyKindIsAmongThem() {
    java.util.Set<Class<?>> kinds = new java.util.HashSet<>();
    for (int seed = 0; seed < 80; seed++) {
      relaxed(seed)
          .ifPresent(read ->
              read.costs()
                  .overall()
                  .shouldCosts()
                  .lines()
                  .forEach(
                      line -> line.byContender().values().forEach(e -> kinds.add(e.getClass()))));
    }
    assertEquals(kinds.size(), 4, kinds.toString());
  }
}
