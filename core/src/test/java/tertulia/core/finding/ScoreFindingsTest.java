package tertulia.core.finding;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.joda.money.Money;
import org.testng.annotations.Test;
import tertulia.core.Generated;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.Selection;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Interval;
import tertulia.core.scoring.Totals;

/** What is said of who leads. */
public class ScoreFindingsTest extends GeneratedFindings {
  ScoreFindingsTest() {
    super(ScoreFinding.class);
  }

  @Test(dataProvider = "seeds")
  public void whatIsSaidOfTheLeadIsSo(int seed) {
    Evaluation evaluation = Generated.evaluation(seed);
    ScoreFindings findings = new ScoreFindings(evaluation);
    ScoreFinding lead = findings.lead();
    met(lead);
    Optional<Totals> totals = evaluation.scores().totals();
    switch (lead) {
      case ScoreFinding.NoTotals none -> {
        assertTrue(totals.isEmpty());
        assertEquals(none.anybodyRanked(), !evaluation.costs().overall().feasible().isEmpty());
      }
      case ScoreFinding.Leads leads ->
          totals.orElseThrow().values().keySet().stream()
              .filter(id -> !id.equals(leads.tool()))
              .forEach(id ->
                  assertTrue(leads.total().low().compareTo(totals.get().total(id).high()) > 0, id));
      case ScoreFinding.LevelLead level -> {
        assertTrue(level.tools().size() > 1);
        level
            .tools()
            .forEach(id -> {
              Interval total = totals.orElseThrow().total(id);
              assertTrue(total.isExact());
              assertTrue(total.low().subtract(level.total()).abs().compareTo(Totals.LEVEL) < 0, id);
            });
      }
      case ScoreFinding.OpenLead open -> {
        assertFalse(open.open().isEmpty(), "something is open");
        assertTrue(open.worst() > 1);
        assertTrue(
            open.open().stream()
                .allMatch(name ->
                    evaluation.scores().criteria().stream()
                        .filter(c -> c.name().equals(name))
                        .anyMatch(c ->
                            totals.orElseThrow().values().keySet().stream()
                                .anyMatch(id -> !totals.get().value(id, c).interval().isExact()))));
      }
      case ScoreFinding.OutsideScale outside -> throw new AssertionError("a warning");
      case ScoreFinding.CountedTwice twice -> throw new AssertionError("a warning");
      case ScoreFinding.GuessedScale guess -> throw new AssertionError("a warning");
      case ScoreFinding.WorthUnder worth -> throw new AssertionError("no lead");
    }
    for (ScoreFinding.WorthUnder under : findings.worths()) {
      met(under);
      Criterion criterion =
          evaluation.scores().criteria().stream()
              .filter(c -> c.name().equals(under.criterion()))
              .findFirst()
              .orElseThrow();
      BigDecimal before = BigDecimal.ONE;
      for (ScoreFinding.WorthUnder.Worth worth : under.worths()) {
        assertEquals(
            worth.value(),
            evaluation.scores().value(worth.tool(), criterion).orElseThrow().interval());
        assertTrue(worth.value().midpoint().compareTo(before) <= 0, "the most first");
        before = worth.value().midpoint();
      }
      assertEquals(under.worths().size(), evaluation.costs().overall().feasible().size());
    }
    for (ScoreFinding.CountedTwice twice : findings.countedTwice()) {
      met(twice);
      assertEquals(twice, new ScoreFinding.CountedTwice("Felt price", "Cost", true));
    }
    for (ScoreFinding.OutsideScale outside : findings.outsideScale()) {
      met(outside);
      Criterion.Cost proposed = new Criterion.Cost(outside.worst(), outside.best());
      Set<BigDecimal> told = new HashSet<>();
      Set<Money> amounts = new HashSet<>();
      for (String id : outside.tools()) {
        Money total = evaluation.costs().overall().spreadTotal(id).orElseThrow();
        amounts.add(total);
        told.add(
            proposed
                .valueOf(
                    total
                        .getAmount()
                        .divide(
                            BigDecimal.valueOf(Generated.MONTHS),
                            10,
                            java.math.RoundingMode.HALF_UP))
                .stripTrailingZeros());
      }
      assertTrue(amounts.size() > 1, "they differ");
      assertEquals(told.size(), amounts.size(), "the scale proposed tells them apart");
    }
  }

  /** What would be guessed of the same contenders, against the values a stated scale gives them. */
  @Test(dataProvider = "seeds")
  public void aGuessedScaleHoldsAllContenders(int seed) {
    Selection stated = Generated.selection(seed);
    List<Criterion> criteria =
        stated.criteria().stream()
            .map(c ->
                c.kind() instanceof Criterion.Cost
                    ? new Criterion(c.id(), c.name(), new Criterion.CostAsFound())
                    : c)
            .toList();
    Evaluation guessing = Evaluation.of(stated.judgedUnder(criteria), WhatIf.START);
    List<BigDecimal> costs =
        guessing.costs().overall().feasible().stream()
            .flatMap(c -> guessing.costs().overall().spreadTotal(c.id()).stream())
            .map(m ->
                m.getAmount()
                    .divide(
                        BigDecimal.valueOf(Generated.MONTHS), 10, java.math.RoundingMode.HALF_UP))
            .sorted()
            .toList();
    List<ScoreFinding.GuessedScale> guessed = new ScoreFindings(guessing).guessedScales();
    boolean apart = !costs.isEmpty() && !costs.getFirst().equals(costs.getLast());
    assertEquals(!guessed.isEmpty(), apart, "a scale needs two that differ: " + costs);
    for (ScoreFinding.GuessedScale guess : guessed) {
      met(guess);
      assertTrue(guess.worst().compareTo(costs.getLast()) >= 0, guess + " of " + costs);
      assertTrue(guess.best().compareTo(costs.getFirst()) <= 0, guess + " of " + costs);
      BigDecimal halfAgain = costs.getFirst().multiply(new BigDecimal("1.5"));
      assertTrue(
          guess.worst().compareTo(halfAgain) >= 0, "a few percent are not everything: " + guess);
      Criterion same =
          new Criterion("cost", "Cost", new Criterion.Cost(guess.worst(), guess.best()));
      Evaluation scaled =
          Evaluation.of(
              stated.judgedUnder(List.of(same, stated.criteria().getLast())), WhatIf.START);
      for (Contender contender : guessing.costs().overall().feasible()) {
        assertEquals(
            guessing
                .scores()
                .value(contender.id(), criteria.getFirst())
                .map(v -> v.interval())
                .orElseThrow(),
            scaled.scores().value(contender.id(), same).map(v -> v.interval()).orElseThrow());
      }
    }
  }
}
