package tertulia.core.scoring;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.function.Function;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.core.working.Derivation;

public class TotalsTest {
  private static final Criterion EASE = new Criterion("ease", "Ease", new Criterion.Judged());
  private static final Criterion HELP = new Criterion("help", "Help", new Criterion.Judged());
  private static final List<Criterion> BOTH = List.of(EASE, HELP);

  private static Member member(String name, int share, int ease, int help, Object... marks) {
    Map<String, Map<String, Mark>> given = new HashMap<>();
    for (int i = 0; i + 2 < marks.length + 1; i += 3) {
      Integer points = (Integer) marks[i + 2];
      given
          .computeIfAbsent((String) marks[i], c -> new HashMap<>())
          .put((String) marks[i + 1], new Mark(points < 0 ? null : BigDecimal.valueOf(points), ""));
    }
    return new Member(name, name, share, Map.of("ease", ease, "help", help), given);
  }

  private static String weight(Panel panel, Criterion criterion) {
    return panel
        .groupWeights(BOTH)
        .map(w -> w.get(criterion.id()).setScale(4, RoundingMode.HALF_UP).toPlainString())
        .orElse("none");
  }

  @DataProvider
  public Object[][] panels() {
    return new Object[][] {
      {List.of(member("A", 1, 30, 10)), "0.7500"},
      {List.of(member("A", 1, 30, 10), member("B", 1, 1, 3)), "0.5000"},
      {List.of(member("A", 1, 30, 10), member("B", 3, 1, 3)), "0.3750"},
      {List.of(member("A", 1, 30, 10), member("B", 0, 1, 3)), "0.7500"},
      {List.of(member("A", 0, 30, 10), member("B", 0, 1, 3)), "0.5000"},
      {List.of(member("A", 1, 30, 10), member("B", 5, 0, 0)), "0.7500"},
      {List.of(member("A", 1, 0, 0)), "none"},
      {List.of(), "none"},
    };
  }

  @Test(dataProvider = "panels")
  public void weightsAreNormalisedAndAveragedByShares(List<Member> members, String ease) {
    assertEquals(weight(new Panel(members), EASE), ease);
  }

  @Test
  public void marksAreAveragedByTheSharesOfThoseWhoGaveOne() {
    Panel panel =
        new Panel(
            List.of(
                member("A", 1, 1, 1, "ease", "x", 8),
                member("B", 3, 1, 1, "ease", "x", 4),
                member("C", 2, 1, 1, "ease", "x", -1),
                member("D", 9, 1, 1)));
    assertEquals(
        Judgement.of(panel, EASE, "x").interval().low().compareTo(new BigDecimal("0.5")), 0);
    Value nobody = Judgement.of(panel, HELP, "x");
    assertEquals(nobody.interval(), Interval.UNKNOWN);
    assertTrue(nobody.working() instanceof Derivation.Missing);
  }

  private static Value exactly(String value) {
    return new Value(
        Interval.exactly(new BigDecimal(value)), new Derivation.Stated("value", value));
  }

  private static Value between(BigDecimal low, BigDecimal high) {
    return low.compareTo(high) == 0
        ? workedOut(low.toString())
        : new Value(new Interval(low, high), new Derivation.Missing("value", "not known"));
  }

  private static Totals totals(
      List<Criterion> criteria,
      Map<String, BigDecimal> weights,
      Map<String, Map<String, Value>> values) {
    return new Totals(criteria, weights, values);
  }

  private static Function<Criterion, Derivation> weight(Totals totals) {
    return criterion ->
        new Derivation.Entered(
            criterion.id(), new tertulia.core.working.Quantity(totals.weight(criterion), ""));
  }

  /**
   * Interval totals and ranks against every way the unknown values could turn out at their ends.
   */
  @Test
  public void intervalsAndRanksHoldForEveryWayTheUnknownsTurnOut() {
    Random dice = new Random(31);
    for (int round = 0; round < 200; round++) {
      Map<String, BigDecimal> weights = new LinkedHashMap<>();
      BigDecimal first = BigDecimal.valueOf(dice.nextInt(11)).movePointLeft(1);
      weights.put("ease", first);
      weights.put("help", BigDecimal.ONE.subtract(first));
      Map<String, Map<String, Value>> values = new LinkedHashMap<>();
      for (String contender : List.of("x", "y", "z")) {
        Map<String, Value> own = new LinkedHashMap<>();
        for (Criterion c : BOTH) {
          BigDecimal a = BigDecimal.valueOf(dice.nextInt(11)).movePointLeft(1);
          BigDecimal b = dice.nextBoolean() ? a : a.max(BigDecimal.valueOf(0.7));
          own.put(c.id(), between(a, b));
        }
        values.put(contender, own);
      }
      checkAgainstEnumeration(weights, values);
    }
  }

  private static void checkAgainstEnumeration(
      Map<String, BigDecimal> weights, Map<String, Map<String, Value>> values) {
    Totals totals = totals(BOTH, weights, values);
    Map<String, List<BigDecimal>> seen = new HashMap<>();
    Map<String, List<Integer>> ranks = new HashMap<>();
    List<String> names = new ArrayList<>(values.keySet());
    for (int ends = 0; ends < 1 << 6; ends++) {
      Map<String, BigDecimal> exact = new HashMap<>();
      for (int i = 0; i < 3; i++) {
        BigDecimal sum = BigDecimal.ZERO;
        for (int c = 0; c < 2; c++) {
          Interval v = values.get(names.get(i)).get(BOTH.get(c).id()).interval();
          BigDecimal end = (ends >> (2 * i + c) & 1) == 0 ? v.low() : v.high();
          sum = sum.add(weights.get(BOTH.get(c).id()).multiply(end));
        }
        exact.put(names.get(i), sum);
      }
      for (String name : names) {
        long above = exact.values().stream().filter(v -> v.compareTo(exact.get(name)) > 0).count();
        seen.computeIfAbsent(name, k -> new ArrayList<>()).add(exact.get(name));
        ranks.computeIfAbsent(name, k -> new ArrayList<>()).add((int) above + 1);
      }
    }
    for (Totals.Standing s : totals.standings()) {
      List<BigDecimal> all = seen.get(s.contender());
      assertEquals(s.total().low().compareTo(java.util.Collections.min(all)), 0);
      assertEquals(s.total().high().compareTo(java.util.Collections.max(all)), 0);
      assertEquals(s.bestRank(), (int) java.util.Collections.min(ranks.get(s.contender())));
      assertTrue(s.worstRank() >= java.util.Collections.max(ranks.get(s.contender())));
      totals.explain(s.contender(), weight(totals));
    }
  }

  @Test
  public void theWorkingOfATotalAddsUpToIt() {
    Map<String, BigDecimal> weights = new LinkedHashMap<>();
    weights.put("ease", new BigDecimal("0.3"));
    weights.put("help", new BigDecimal("0.7"));
    Totals totals =
        totals(
            BOTH, weights, Map.of("x", Map.of("ease", workedOut("0.8"), "help", workedOut("0.5"))));
    Derivation.Sum sum = (Derivation.Sum) totals.explain("x", weight(totals));
    assertEquals(sum.quantity().amount().compareTo(new BigDecimal("0.59")), 0);
    assertEquals(sum.parts().size(), 2);
  }

  private static Value workedOut(String value) {
    return new Value(
        Interval.exactly(new BigDecimal(value)),
        new Derivation.Entered(
            "mark", new tertulia.core.working.Quantity(new BigDecimal(value), "")));
  }

  @DataProvider
  public Object[][] leads() {
    return new Object[][] {
      {"0.049", Totals.Margin.TIE},
      {"0.05", Totals.Margin.EDGE},
      {"0.149", Totals.Margin.EDGE},
      {"0.15", Totals.Margin.CLEAR},
      {"0", Totals.Margin.TIE},
    };
  }

  @Test(dataProvider = "leads")
  public void marginsAreDecimalNotBinary(String lead, Totals.Margin margin) {
    assertEquals(Totals.Margin.of(new BigDecimal(lead)), margin);
    BigDecimal low = new BigDecimal("0.1");
    Totals totals =
        totals(
            List.of(EASE),
            Map.of("ease", BigDecimal.ONE),
            new LinkedHashMap<>(
                Map.of(
                    "x", Map.of("ease", exactly("0.1")),
                    "y", Map.of("ease", exactly(low.add(new BigDecimal(lead)).toString())))));
    assertEquals(
        totals.winner(EASE),
        margin == Totals.Margin.TIE
            ? new Totals.Winner.Tied(totals.winner(EASE).contender())
            : new Totals.Winner.Won("y", margin));
    assertEquals(totals.wins("y"), margin == Totals.Margin.TIE ? 0L : 1L);
  }

  @Test
  public void totalsNearerThanABillionthAreEqual() {
    java.math.MathContext room = java.math.MathContext.DECIMAL64;
    Map<String, BigDecimal> weights = new LinkedHashMap<>();
    weights.put("ease", BigDecimal.valueOf(2).divide(BigDecimal.valueOf(3), room));
    weights.put("help", BigDecimal.ONE.divide(BigDecimal.valueOf(3), room));
    BigDecimal eight = BigDecimal.valueOf(8).divide(BigDecimal.valueOf(9), room);
    BigDecimal seven = BigDecimal.valueOf(7).divide(BigDecimal.valueOf(9), room);
    Map<String, Map<String, Value>> values = new LinkedHashMap<>();
    // 2/3 · 7/9 + 1/3 · 1 and 2/3 · 8/9 + 1/3 · 7/9 are both 23/27
    values.put("x", Map.of("ease", exactly(seven.toString()), "help", exactly("1")));
    values.put("y", Map.of("ease", exactly(eight.toString()), "help", exactly(seven.toString())));
    for (Totals.Standing s : totals(BOTH, weights, values).standings()) {
      assertEquals(s.bestRank(), 1);
      assertEquals(s.worstRank(), 2);
    }
    assertEquals(totals(BOTH, weights, values).standings().getFirst().contender(), "x");
  }

  @Test
  public void aCriterionWhoseBestRangesMeetIsNobodysAndASoleContenderWinsNothing() {
    Map<String, BigDecimal> one = Map.of("ease", BigDecimal.ONE);
    Map<String, Map<String, Value>> values = new LinkedHashMap<>();
    values.put("x", Map.of("ease", between(new BigDecimal("0.6"), BigDecimal.ONE)));
    values.put("y", Map.of("ease", between(new BigDecimal("0.2"), new BigDecimal("0.7"))));
    Totals open = totals(List.of(EASE), one, values);
    assertEquals(open.winner(EASE), new Totals.Winner.Open("x", Totals.Margin.CLEAR));
    assertEquals(open.wins("x"), 0L);
    values.put("y", Map.of("ease", exactly("0.5")));
    assertEquals(
        totals(List.of(EASE), one, values).winner(EASE),
        new Totals.Winner.Won("x", Totals.Margin.CLEAR));
    // level with y on second place, and not below x for certain
    values.put("z", Map.of("ease", between(new BigDecimal("0.2"), new BigDecimal("0.8"))));
    assertEquals(totals(List.of(EASE), one, values).wins("x"), 0L);
    values.remove("y");
    values.remove("z");
    assertEquals(totals(List.of(EASE), one, values).winner(EASE), new Totals.Winner.Alone("x"));
    assertEquals(totals(List.of(EASE), one, values).wins("x"), 0L);
  }

  @Test
  public void costsAreMeasuredOnTheStatedScaleAndClamped() {
    Criterion.Cost scale = new Criterion.Cost(new BigDecimal("1100"), new BigDecimal("300"));
    for (Map.Entry<String, String> e :
        Map.of("300", "1", "1100", "0", "700", "0.5", "20", "1", "5000", "0").entrySet()) {
      assertEquals(
          scale.valueOf(new BigDecimal(e.getKey())).compareTo(new BigDecimal(e.getValue())), 0);
    }
    assertThrows(
        IllegalArgumentException.class, () -> new Criterion.Cost(BigDecimal.TEN, BigDecimal.TEN));
    assertEquals(Optional.empty(), Panel.ownWeights(member("A", 1, 0, 0), BOTH));
  }
}
