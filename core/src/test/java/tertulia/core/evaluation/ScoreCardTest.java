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
import tertulia.core.fit.Capability;
import tertulia.core.fit.Importance;
import tertulia.core.fit.Need;
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

  private static Interval range(String low, String high) {
    return new Interval(new BigDecimal(low), new BigDecimal(high));
  }

  private static ScoreCard.OfCriterion line(String id, Interval a, Interval b, Interval c) {
    Map<String, Interval> values = new java.util.LinkedHashMap<>();
    values.put("a", a);
    values.put("b", b);
    values.put("c", c);
    return new ScoreCard.OfCriterion(
        new Criterion(id, id, new Criterion.Judged()), java.util.Optional.empty(), values);
  }

  @Test
  public void eachWinsTiesAndLosesWhereItsValuesSaySo() {
    ScoreCard.OfCriterion ease = line("ease", exact("0.9"), exact("0.5"), exact("0.2"));
    ScoreCard.OfCriterion help = line("help", exact("0.50"), exact("0.20"), exact("0.46"));
    ScoreCard card = new ScoreCard(List.of("a", "b", "c"), List.of(ease, help), List.of());
    assertEquals(card.won("a"), List.of(ease));
    assertEquals(card.won("c"), List.of());
    assertEquals(card.tied("a"), List.of(help));
    assertEquals(card.tied("c"), List.of(help));
    assertEquals(card.tied("b"), List.of());
    assertEquals(card.lost("c"), List.of(ease));
    assertEquals(card.lost("b"), List.of(help));
    assertEquals(card.lost("a"), List.of());
    assertEquals(ease.behind(), List.of("c", "b"));
    assertEquals(ease.lead(), new BigDecimal("0.4"));
  }

  private static Interval exact(String value) {
    return Interval.exactly(new BigDecimal(value));
  }

  /** Not only the second by the middle may still come first. */
  @Test
  public void itIsOpenWhileSomebodyCouldBeAbove() {
    assertFalse(line("x", exact("0.5"), exact("0.4"), exact("0.3")).isOpen());
    assertTrue(line("x", exact("0.5"), exact("0.4"), range("0.1", "0.6")).isOpen());
    assertFalse(line("x", exact("0.5"), exact("0.4"), range("0.1", "0.5")).isOpen(), "level");
    assertTrue(line("x", range("0.5", "0.7"), exact("0.55"), exact("0.3")).isOpen());
    assertFalse(line("x", range("0.5", "0.7"), exact("0.45"), exact("0.3")).isOpen());
  }

  /** Of what nobody has marked, or may not see, nobody is said to be ahead. */
  @Test
  public void whereNothingIsKnownNobodyIsAhead() {
    ScoreCard.OfCriterion none = line("x", Interval.UNKNOWN, Interval.UNKNOWN, Interval.UNKNOWN);
    assertTrue(none.isUndecided() && none.isOpen());
    assertEquals(none.ahead(), List.of());
    assertFalse(line("x", exact("0.5"), exact("0.5"), exact("0.1")).isUndecided(), "a known tie");
    ScoreCard.OfCriterion open = line("x", range("0.5", "0.9"), exact("0.55"), exact("0.1"));
    assertFalse(open.isUndecided());
    assertEquals(open.ahead(), List.of("a"));
  }

  @Test
  public void needsStandByHowMuchTheyMatter() {
    int both = 0;
    for (int seed = 0; seed < 60; seed++) {
      for (boolean could : new boolean[] {true, false}) {
        List<Need> needs =
            List.of(
                new Need(
                    new Capability("a", "A"),
                    could ? new Importance.Could() : new Importance.Should(2)),
                new Need(new Capability("b", "B"), new Importance.Should(9)));
        ScoreCard card =
            Evaluation.of(Generated.selection(seed).asking(needs), WhatIf.START).scoreCard();
        if (card.needs().size() == 2) {
          both++;
          assertEquals(card.needs().getFirst().need(), needs.getLast());
        }
      }
    }
    assertTrue(both > 5, both + " tell apart by both");
  }
}
