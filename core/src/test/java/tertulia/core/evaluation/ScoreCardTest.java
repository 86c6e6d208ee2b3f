package tertulia.core.evaluation;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.core.Generated;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Interval;
import tertulia.core.scoring.Totals;

/** The score card against the totals' own winners, and against the values themselves. */
public class ScoreCardTest {
  @DataProvider
  public Object[][] seeds() {
    Object[][] seeds = new Object[80][];
    for (int seed = 0; seed < seeds.length; seed++) {
      seeds[seed] = new Object[] {seed};
    }
    return seeds;
  }

  @Test(dataProvider = "seeds")
  public void winnersAreThoseOfTheTotalsAndTheHeaviestComesFirst(int seed) {
    Evaluation read = Generated.evaluation(seed);
    ScoreCard card = read.scoreCard();
    read.scores()
        .totals()
        .ifPresent(totals -> {
          card.criteria()
              .forEach(line -> assertEquals(line.winner(), totals.winner(line.criterion())));
          totals
              .values()
              .keySet()
              .forEach(c -> assertEquals(card.won(c).size(), totals.wins(c), c));
          BigDecimal before = BigDecimal.ONE;
          for (ScoreCard.OfCriterion line : card.criteria()) {
            assertTrue(line.weight().orElseThrow().compareTo(before) <= 0);
            before = line.weight().orElseThrow();
          }
        });
    assertEquals(
        card.criteria().stream().map(line -> line.criterion().id()).collect(Collectors.toSet()),
        read.costs().overall().feasible().isEmpty()
            ? Set.of()
            : read.scores().criteria().stream().map(Criterion::id).collect(Collectors.toSet()));
  }

  @Test(dataProvider = "seeds")
  public void whoLosesIsBehindInEveryCaseAndWinnersLoseNothing(int seed) {
    ScoreCard card = Generated.evaluation(seed).scoreCard();
    for (String contender : card.contenders()) {
      for (ScoreCard.OfCriterion line : card.lost(contender)) {
        Interval best = line.value(line.winner().contender());
        assertTrue(
            best.low().subtract(line.value(contender).high()).compareTo(new BigDecimal("0.05"))
                >= 0);
        assertFalse(card.won(contender).contains(line));
        assertFalse(card.tied(contender).contains(line));
      }
    }
  }

  @Test
  public void levelOnesTieAndAThirdWithinATieTiesToo() {
    Criterion ease = new Criterion("ease", "Ease", new Criterion.Judged());
    Map<String, Interval> values = new java.util.LinkedHashMap<>();
    values.put("a", Interval.exactly(new BigDecimal("0.70")));
    values.put("b", Interval.exactly(new BigDecimal("0.66")));
    values.put("c", Interval.exactly(new BigDecimal("0.65")));
    ScoreCard.OfCriterion line =
        new ScoreCard.OfCriterion(ease, java.util.Optional.empty(), values);
    assertEquals(line.winner(), new Totals.Winner.Tied("a"));
    assertEquals(line.ahead(), List.of("a", "b"));
    assertEquals(line.behind(), List.of("c"));
    assertEquals(line.lead(), new BigDecimal("0.04"));
  }

  @Test(dataProvider = "seeds")
  public void needsAreThoseThatTellApart(int seed) {
    Evaluation read = Generated.evaluation(seed);
    ScoreCard card = read.scoreCard();
    read.selection()
        .needs()
        .forEach(need -> {
          Set<Met> ways =
              card.contenders().stream()
                  .map(c -> read.costs().met(c, need))
                  .collect(Collectors.toSet());
          assertEquals(
              card.needs().stream().anyMatch(line -> line.need().equals(need)), ways.size() > 1);
        });
    for (ScoreCard.OfNeed line : card.needs()) {
      assertTrue(line.ahead().stream().noneMatch(c -> line.of(c) == Met.NO));
      line.met()
          .forEach((contender, met) ->
              assertEquals(
                  card.lacks(contender).contains(line), met != Met.YES && met != Met.OUTSIDE));
    }
  }
}
