package tertulia.app.fit;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.joda.money.Money;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.app.exchange.Demo;
import tertulia.core.billing.CostTiming;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.HeadToHead;
import tertulia.core.evaluation.Selection;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.growth.Scenario;
import tertulia.core.path.Terms;
import tertulia.core.scoring.Interval;
import tertulia.core.scoring.Totals;

/** What a head to head says in words against the figures themselves, for any two and any thread. */
public class VersusWordsTest {
  private static final BigDecimal TIE = new BigDecimal("0.05");
  private static final BigDecimal EDGE = new BigDecimal("0.15");

  @DataProvider
  public Object[][] threads() {
    List<Object[]> all = new ArrayList<>();
    for (int month : new int[] {0, 17}) {
      for (Terms terms : List.of(Terms.ANY, Terms.MONTHLY, Terms.COMMITTED)) {
        for (CostTiming view : CostTiming.values()) {
          all.add(
              new Object[] {
                new WhatIf(new WhatIf.Moment.Month(month), Scenario.EXPECTED, terms, view)
              });
        }
      }
    }
    return all.toArray(new Object[0][]);
  }

  @Test(dataProvider = "threads")
  public void theWordsNeverContradictTheFigures(WhatIf whatIf) {
    Selection selection = Demo.selection();
    Evaluation evaluation = Evaluation.of(selection, whatIf);
    for (Contender left : selection.active()) {
      for (Contender right : selection.active()) {
        if (!left.equals(right)) {
          check(evaluation, left, right);
        }
      }
    }
  }

  private static void check(Evaluation evaluation, Contender left, Contender right) {
    String l = left.tool().name();
    String r = right.tool().name();
    HeadToHead found = evaluation.headToHead(left.id(), right.id());
    String says = String.join(" ", VersusWords.verdict(found, l, r));
    Optional<BigDecimal> lead = lead(evaluation.scores().totals(), left.id(), right.id());
    Optional<Money> money =
        evaluation
            .costs()
            .overall()
            .total(left.id())
            .flatMap(a -> evaluation.costs().overall().total(right.id()).map(a::minus));
    assertEquals(says.contains("There is no total to compare"), lead.isEmpty(), says);
    boolean tie = lead.map(by -> by.abs().compareTo(TIE) < 0).orElse(false);
    assertEquals(says.contains("In the total they are a tie"), tie, says);
    boolean leftAhead = lead.map(by -> by.compareTo(TIE) >= 0).orElse(false);
    boolean rightAhead = lead.map(by -> by.negate().compareTo(TIE) >= 0).orElse(false);
    assertEquals(says.contains(l + " is ahead in the total"), leftAhead, says);
    assertEquals(says.contains(r + " is ahead in the total"), rightAhead, says);
    boolean clear = lead.map(by -> by.abs().compareTo(EDGE) >= 0).orElse(false);
    assertEquals(says.matches(".*ahead in the total by [0-9.]+, clear.*"), clear, says);
    boolean leftCheaper = money.map(Money::isNegative).orElse(false);
    boolean rightCheaper = money.map(Money::isPositive).orElse(false);
    assertEquals(says.contains(l + " is cheaper over the plan months"), leftCheaper, says);
    assertEquals(says.contains(r + " is cheaper over the plan months"), rightCheaper, says);
    assertEquals(says.contains("is not known."), money.isEmpty(), says);
    assertEquals(
        says.contains("has both the better total and the lower cost"),
        leftAhead && leftCheaper || rightAhead && rightCheaper,
        says);
    assertEquals(
        says.matches(".* has the better total, .* the lower cost.*"),
        leftAhead && rightCheaper || rightAhead && leftCheaper,
        says);
  }

  private static Optional<BigDecimal> lead(Optional<Totals> totals, String left, String right) {
    return totals
        .filter(t -> t.values().containsKey(left) && t.values().containsKey(right))
        .map(t -> middle(t.total(left)).subtract(middle(t.total(right))));
  }

  private static BigDecimal middle(Interval total) {
    return total.low().add(total.high()).divide(BigDecimal.TWO);
  }

  @Test
  public void whatWouldTurnItIsSaidWithItsFigures() {
    Evaluation evaluation = Evaluation.of(Demo.selection(), WhatIf.START);
    HeadToHead found = evaluation.headToHead("slotmeer", "halvard-desk");
    List<String> turns = VersusWords.turns(found, id -> id);
    assertTrue(
        turns.contains("From 29 people, halvard-desk is cheaper."), String.join("\n", turns));
    assertTrue(
        turns.stream()
            .anyMatch(t ->
                t.startsWith(
                    "If the weight of “Ease at the freight desk” were 60.2\u00a0% instead of 33.3\u00a0%")),
        String.join("\n", turns));
    // 0.1346 of the rest against 0.1333 of ease: 0.2018 / 0.3352
    List<String> closer =
        VersusWords.turns(evaluation.headToHead("pierbook", "halvard-desk"), id -> id);
    // cost weighs 19.3 %; a criterion the leader wins is turned by weighing less
    assertTrue(
        closer.stream().anyMatch(t -> t.contains("“Cost” were 1")), String.join("\n", closer));
    assertFalse(turns.stream().anyMatch(t -> t.contains("−")), String.join("\n", turns));
  }
}
