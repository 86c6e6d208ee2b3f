package tertulia.core.growth;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;
import static tertulia.core.Samples.JAN_2027;

import java.math.BigDecimal;
import java.math.MathContext;
import java.time.YearMonth;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.core.time.Horizon;

public class GroupTest {
  private static final Horizon THREE_YEARS = new Horizon(JAN_2027, 36);

  @DataProvider
  public Object[][] months() {
    Step season = new Step("season", YearMonth.of(2027, 5), YearMonth.of(2027, 9), 26, true);
    Step winter = new Step("winter", YearMonth.of(2027, 11), YearMonth.of(2028, 2), -3, true);
    Step route = new Step("route", YearMonth.of(2028, 3), null, 9, false);
    Step closing = new Step("closing", YearMonth.of(2027, 2), null, -100, false);
    return new Object[][] {
      {List.of(season), 3, 20},
      {List.of(season), 4, 46},
      {List.of(season), 8, 46},
      {List.of(season), 9, 20},
      {List.of(season), 16, 46},
      {List.of(season), 33, 20},
      {List.of(winter), 9, 20},
      {List.of(winter), 10, 17},
      {List.of(winter), 13, 17},
      {List.of(winter), 14, 20},
      {List.of(winter), 22, 17},
      {List.of(route), 13, 20},
      {List.of(route), 14, 29},
      {List.of(route), 35, 29},
      {List.of(season, route), 16, 55},
      {List.of(closing), 1, 0},
    };
  }

  @Test(dataProvider = "months")
  public void stepsCountInTheirMonths(List<Step> steps, int m, int people) {
    Group group = new Group("g", "Crew", new Growth.Hires(20, BigDecimal.ZERO), steps);
    assertEquals(group.headcount(THREE_YEARS, m, Scenario.EXPECTED), people);
  }

  @Test
  public void theScenarioTouchesGrowthAndNotSteps() {
    Step route = new Step("route", JAN_2027, null, 10, false);
    Group group = new Group("g", "Crew", new Growth.Hires(20, BigDecimal.ONE), List.of(route));
    assertEquals(group.headcount(THREE_YEARS, 10, Scenario.LOW), 35);
    assertEquals(group.headcount(THREE_YEARS, 10, Scenario.EXPECTED), 40);
    assertEquals(group.headcount(THREE_YEARS, 10, Scenario.HIGH), 45);
  }

  @Test
  public void listedValuesHoldPastTheirEnd() {
    Growth listed = new Growth.Listed(List.of(8, 10, 13));
    assertEquals(
        IntStream.range(0, 5).map(m -> listed.at(m, BigDecimal.ONE).intValueExact()).toArray(),
        new int[] {8, 10, 13, 13, 13});
    assertEquals(listed.at(2, new BigDecimal("0.5")), new BigDecimal("10.5"));
  }

  @Test
  public void halvesAreRoundedUpExactly() {
    // 1.44^(6/12) is 1.2, so 12.5 people is a true half that a binary root would miss
    Growth percent = new Growth.Percent(125, new BigDecimal("0.44"));
    BigDecimal half = percent.at(6, BigDecimal.ONE).divide(BigDecimal.valueOf(12));
    assertEquals(half.round(new MathContext(30)).compareTo(new BigDecimal("12.5")), 0);
    Group group = new Group("g", "Crew", new Growth.Percent(5, new BigDecimal("0.21")), List.of());
    assertEquals(group.headcount(THREE_YEARS, 6, Scenario.EXPECTED), 6);
  }

  @Test
  public void theTwelfthRootToThePowerOfTwelveGivesTheNumberBack() {
    for (String x : List.of("0.0004", "0.4", "1", "1.12", "2.5", "11", "16")) {
      BigDecimal back = TwelfthRoot.of(new BigDecimal(x)).pow(12, new MathContext(45));
      BigDecimal off = back.divide(new BigDecimal(x), new MathContext(45)).subtract(BigDecimal.ONE);
      assertTrue(off.abs().compareTo(new BigDecimal("1e-36")) < 0, x + " is off by " + off);
    }
  }

  @Test
  public void demandIsRoundedUpOnceAfterTheSum() {
    Demand demand =
        new Demand(
            new BigDecimal("0.2"), Map.of("a", new BigDecimal("0.4"), "b", new BigDecimal("0.3")));
    People people = new People(Map.of("a", 1, "b", 1), 1, 1);
    assertEquals(demand.units(Measure.SEATS, people).intValueExact(), 1);
    assertEquals(
        demand.units(Measure.SEATS, new People(Map.of("a", 2, "b", 1), 1, 1)).intValueExact(), 2);
  }

  @Test
  public void scalingKeepsSharesExactly() {
    People today = new People(Map.of("a", 2, "b", 1), 1, 1);
    Demand perHead = new Demand(BigDecimal.ZERO, Map.of("a", BigDecimal.ONE, "b", BigDecimal.ONE));
    Demand onlyB = new Demand(BigDecimal.ZERO, Map.of("b", BigDecimal.ONE));
    for (int n = 1; n <= 300; n++) {
      assertEquals(perHead.units(Measure.SEATS, today.scaledTo(n)).intValueExact(), n);
      assertEquals(
          onlyB.units(Measure.SEATS, today.scaledTo(n)).intValueExact(), Math.ceilDiv(n, 3));
      assertEquals(today.scaledTo(n).total(), n);
    }
  }

  @Test
  public void whatMakesNoSenseIsRefusedWithASentence() {
    IllegalArgumentException e =
        org.testng.Assert.expectThrows(
            IllegalArgumentException.class,
            () -> new Step("season", YearMonth.of(2027, 9), YearMonth.of(2027, 5), 3, false));
    assertEquals(
        e.getMessage(),
        "Step \"season\" ends in 2027-05, before it starts in 2027-09. Swap the two months.");
    assertThrows(
        IllegalArgumentException.class,
        () -> new Step("x", YearMonth.of(2027, 1), YearMonth.of(2028, 1), 3, true));
    assertThrows(IllegalArgumentException.class, () -> new Growth.Hires(-1, BigDecimal.ONE));
    assertThrows(
        IllegalArgumentException.class, () -> new Growth.Percent(10, new BigDecimal("-0.7")));
    assertThrows(IllegalArgumentException.class, () -> new Horizon(JAN_2027, 0));
    assertThrows(IllegalArgumentException.class, () -> new Horizon(JAN_2027, 121));
  }

  @Test
  public void theWorkingOfAHeadcountEndsInItsValue() {
    Step route = new Step("route", JAN_2027, null, 10, false);
    Group group =
        new Group("g", "Crew", new Growth.Percent(46, new BigDecimal("0.12")), List.of(route));
    assertEquals(
        group.explain(THREE_YEARS, 6, Scenario.EXPECTED).value().orElseThrow().amount(),
        BigDecimal.valueOf(59));
  }

  @Test
  public void aGroupGrowsFromItsOwnMonth() {
    Group early =
        new Group(
            "g", "Crew", new Growth.Hires(20, BigDecimal.ONE), List.of(), JAN_2027.minusMonths(6));
    Group late =
        new Group(
            "g", "Crew", new Growth.Hires(20, BigDecimal.ONE), List.of(), JAN_2027.plusMonths(3));
    assertEquals(early.headcount(THREE_YEARS, 0, Scenario.EXPECTED), 26);
    assertEquals(late.headcount(THREE_YEARS, 2, Scenario.EXPECTED), 20);
    assertEquals(late.headcount(THREE_YEARS, 5, Scenario.EXPECTED), 22);
  }

  @Test
  public void aStepMayHappenInOneScenarioOnly() {
    Step route = new Step("third route", JAN_2027, null, 7, false, "route");
    Group group = new Group("g", "Crew", new Growth.Hires(20, BigDecimal.ZERO), List.of(route));
    Scenario with = new Scenario("route", "with the third route", BigDecimal.ONE);
    assertEquals(group.headcount(THREE_YEARS, 3, Scenario.EXPECTED), 20);
    assertEquals(group.headcount(THREE_YEARS, 3, with), 27);
  }

  @DataProvider
  public Object[][] turned() {
    List<Integer> listed = List.of(8, 8, 9);
    return new Object[][] {
      {new Growth.Hires(20, BigDecimal.ZERO), 0, 23, "23, 0 more a month"},
      {new Growth.Hires(20, BigDecimal.ZERO), 12, 26, "20, 0.5 more a month"},
      {new Growth.Percent(46, BigDecimal.ZERO), 12, 52, "46, growing 13.04 % a year"},
      {new Growth.Percent(46, BigDecimal.ZERO), 0, 50, "50, growing 0 % a year"},
      {new Growth.Listed(listed), 1, 12, "listed month by month, from 8"},
      {new Growth.Listed(listed), 5, 12, "listed month by month, from 8"},
    };
  }

  /** Pulling a point leads through it, by the growth's own method. */
  @Test(dataProvider = "turned")
  public void growthIsTurnedThroughAPoint(Growth growth, int m, int people, String words) {
    Growth turned = growth.through(m, people);
    assertEquals(turned.words(), words);
    Group group = new Group("g", "Crew", turned, List.of());
    assertEquals(group.headcount(THREE_YEARS, m, Scenario.EXPECTED), people);
  }

  @Test
  public void nobodyGrowsByNoRate() {
    IllegalArgumentException refused =
        org.testng.Assert.expectThrows(
            IllegalArgumentException.class,
            () -> new Growth.Percent(0, BigDecimal.ZERO).through(6, 5));
    assertTrue(refused.getMessage().startsWith("Nobody is there at the start"));
  }

  @Test
  public void aPointIsPulledWithItsStepsOn() {
    Step season = new Step("season", JAN_2027, JAN_2027.plusMonths(2), 24, true);
    Group group = new Group("g", "Crew", new Growth.Hires(22, BigDecimal.ZERO), List.of(season));
    Group turned = group.through(THREE_YEARS, 0, 50);
    assertEquals(turned.headcount(THREE_YEARS, 0, Scenario.EXPECTED), 50);
    assertEquals(turned.headcount(THREE_YEARS, 6, Scenario.EXPECTED), 26);
  }

  @Test
  public void rebasingGrowsOnFromThoseWhoWereThere() {
    Step route = new Step("route", JAN_2027, null, 3, false);
    Group hires =
        new Group("g", "Crew", new Growth.Hires(20, BigDecimal.ONE), List.of(route))
            .rebased(THREE_YEARS, JAN_2027.plusMonths(6), 31);
    assertEquals(hires.headcount(THREE_YEARS, 6, Scenario.EXPECTED), 31);
    assertEquals(hires.headcount(THREE_YEARS, 10, Scenario.EXPECTED), 35);
    Group listed =
        new Group("g", "Crew", new Growth.Listed(List.of(8, 9, 10, 12)), List.of())
            .rebased(THREE_YEARS, JAN_2027.plusMonths(2), 11);
    assertEquals(listed.headcount(THREE_YEARS, 2, Scenario.EXPECTED), 11);
    assertEquals(listed.headcount(THREE_YEARS, 3, Scenario.EXPECTED), 13);
  }

  @Test
  public void aScenarioNeedsANameAndALikelyMultiplier() {
    assertThrowsSaying(() -> new Scenario("x", " ", BigDecimal.ONE), "A scenario needs a name");
    assertThrowsSaying(
        () -> new Scenario("x", "wild", BigDecimal.TEN), "the multiplier lies between 0 and 3");
  }

  private static void assertThrowsSaying(org.testng.Assert.ThrowingRunnable run, String words) {
    IllegalArgumentException refused =
        org.testng.Assert.expectThrows(IllegalArgumentException.class, run);
    assertTrue(refused.getMessage().contains(words), refused.getMessage());
  }
}
