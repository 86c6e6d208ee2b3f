package tertulia.core.difference;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static tertulia.core.Samples.EUR;
import static tertulia.core.Samples.JAN_2027;
import static tertulia.core.Samples.PAGE;
import static tertulia.core.Samples.capped;
import static tertulia.core.Samples.list;
import static tertulia.core.Samples.plan;
import static tertulia.core.Samples.seats;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.testng.annotations.Test;
import tertulia.core.decision.Proviso;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.Selection;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.fit.Answer;
import tertulia.core.fit.Capability;
import tertulia.core.fit.Fact;
import tertulia.core.fit.Importance;
import tertulia.core.fit.Need;
import tertulia.core.growth.Demand;
import tertulia.core.growth.Group;
import tertulia.core.growth.Growth;
import tertulia.core.growth.Measure;
import tertulia.core.growth.Step;
import tertulia.core.money.ExchangeRates;
import tertulia.core.money.PriceRise;
import tertulia.core.pricing.BillingTerm;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.PlanPrices;
import tertulia.core.pricing.SeatRange;
import tertulia.core.pricing.Tool;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Mark;
import tertulia.core.scoring.Member;
import tertulia.core.scoring.Panel;
import tertulia.core.time.Horizon;
import tertulia.core.time.MonthSpan;

public class ConditionsTest {
  private static final LocalDate TODAY = LocalDate.of(2027, 7, 15);
  private static final Capability OFFLINE = new Capability("offline", "Works offline");

  private static Contender tool(String id, Answer offline, Plan... plans) {
    return new Contender(
        new Tool(id, id.toUpperCase(java.util.Locale.ROOT), "Vendor", List.of(plans)),
        Map.of(plans[0].id(), Map.of("offline", new Fact(offline, PAGE))),
        List.of(),
        null);
  }

  private static Selection selection(List<Group> groups, List<Contender> contenders, int mark) {
    return new Selection(
        "Which?",
        "",
        LocalDate.of(2027, 1, 1),
        new Horizon(JAN_2027, 24),
        EUR,
        PriceRise.NONE,
        groups,
        Map.of(Measure.SEATS, new Demand(BigDecimal.ZERO, Map.of("crew", BigDecimal.ONE))),
        Optional.empty(),
        List.of(new Need(OFFLINE, new Importance.Should(1))),
        List.of(new Criterion("ease", "Ease", new Criterion.Judged())),
        contenders,
        new Panel(
            mark < 0
                ? List.of()
                : List.of(
                    new Member(
                        "p1",
                        "One",
                        1,
                        Map.of("ease", 1),
                        Map.of("ease", Map.of("a", Mark.of(mark), "b", Mark.of(5)))))),
        ExchangeRates.NONE);
  }

  private static final Step SEASON =
      new Step("season", JAN_2027.plusMonths(3), JAN_2027.plusMonths(4), 10, true);

  /** 10 and one more a month, with 10 more in April and May. */
  private static List<Group> growing() {
    return List.of(
        new Group("crew", "Crew", new Growth.Hires(10, BigDecimal.ONE), List.of(SEASON)),
        new Group("office", "Office", new Growth.Hires(5, BigDecimal.ZERO), List.of()));
  }

  private static Selection usual(String price, int mark) {
    return selection(
        growing(),
        List.of(
            tool("a", Answer.YES, plan("Crew", list(BillingTerm.MONTHLY, seats(price)))),
            tool("b", Answer.NO, plan("Port", list(BillingTerm.MONTHLY, seats("9"))))),
        mark);
  }

  private static Conditions conditions(Selection then, Selection now, int month) {
    return new Conditions(
        Evaluation.of(then, WhatIf.START), Evaluation.of(now, WhatIf.START), "a", month);
  }

  private static Conditions.Watched watch(Proviso proviso, Conditions conditions) {
    return conditions.watch(proviso, TODAY, List::of);
  }

  private static Proviso crew(Proviso.Bound bound, int limit) {
    return new Proviso.Number(new Proviso.Counted.OfGroup("crew"), bound, limit);
  }

  private static Standing.When month(int m) {
    return new Standing.When.Month(JAN_2027.plusMonths(m));
  }

  private static Optional<Standing.Found> amount(String amount) {
    return Optional.of(new Standing.Found.Amount(new BigDecimal(amount)));
  }

  @Test
  public void peopleAreLookedAtMonthByMonth() {
    Selection s = usual("10", 8);
    // 10 11 12 23 24 15 16 … 33 in month 23, with 35 and 36 in months 15 and 16
    assertEquals(
        watch(crew(Proviso.Bound.AT_MOST, 20), conditions(s, s, 6)),
        new Conditions.Watched(
            crew(Proviso.Bound.AT_MOST, 20),
            new Standing.WillBreak(month(11), amount("21")),
            List.of(new MonthSpan(3, 5))));
    assertEquals(
        watch(crew(Proviso.Bound.AT_MOST, 20), conditions(s, s, 4)).standing(),
        new Standing.Broken(month(3), amount("24")));
    assertEquals(
        watch(crew(Proviso.Bound.AT_MOST, 20), conditions(s, s, 14)).standing(),
        new Standing.Broken(month(11), amount("24")));
    assertEquals(
        watch(crew(Proviso.Bound.AT_MOST, 36), conditions(s, s, 0)).standing(),
        new Standing.Holds(amount("10")));
    assertEquals(
        watch(crew(Proviso.Bound.AT_MOST, 9), conditions(s, s, -3)).standing(),
        new Standing.WillBreak(month(0), amount("10")));
    assertEquals(
        watch(crew(Proviso.Bound.AT_LEAST, 12), conditions(s, s, 1)).standing(),
        new Standing.Broken(month(0), amount("11")));
    assertEquals(
        watch(crew(Proviso.Bound.AT_MOST, 9), conditions(s, s, 24)).standing(),
        new Standing.NotKnown(Standing.NotKnown.Why.OVER));
  }

  @Test
  public void whatIsCountedIsEverybodyAGroupOrWhatIsNeeded() {
    Selection s = usual("10", 8);
    Conditions now = conditions(s, s, 0);
    assertEquals(
        watch(new Proviso.Number(new Proviso.Counted.Everybody(), Proviso.Bound.AT_MOST, 16), now)
            .standing(),
        new Standing.WillBreak(month(2), amount("17")));
    assertEquals(
        watch(
                new Proviso.Number(
                    new Proviso.Counted.Needed(Measure.SEATS), Proviso.Bound.AT_MOST, 12),
                now)
            .standing(),
        new Standing.WillBreak(month(3), amount("23")));
    assertEquals(
        watch(
                new Proviso.Number(new Proviso.Counted.OfGroup("gone"), Proviso.Bound.AT_MOST, 12),
                now)
            .standing(),
        new Standing.NotKnown(Standing.NotKnown.Why.SUBJECT));
    assertEquals(
        watch(
                new Proviso.Number(
                    new Proviso.Counted.Needed(Measure.BOARDS), Proviso.Bound.AT_MOST, 12),
                now)
            .standing(),
        new Standing.NotKnown(Standing.NotKnown.Why.SUBJECT));
  }

  @Test
  public void costIsLookedAtByTheMonthAndOverAll() {
    Selection s = usual("10", 8);
    Conditions now = conditions(s, s, 0);
    assertEquals(
        watch(new Proviso.MonthlyCost(new BigDecimal("230")), now).standing(),
        new Standing.WillBreak(month(4), amount("240.00")));
    // 10 … 33 is 516, and 10 more in four months
    assertEquals(
        watch(new Proviso.WholeCost(new BigDecimal("5560")), now).standing(),
        new Standing.Holds(amount("5560.00")));
    assertEquals(
        watch(new Proviso.WholeCost(new BigDecimal("5559.99")), now).standing(),
        new Standing.Broken(Optional.empty(), amount("5560.00")));
  }

  private static Selection priced(PlanPrices prices) {
    Plan plan = new Plan("crew", "Crew", SeatRange.ANY, prices, PAGE);
    return selection(growing(), List.of(tool("a", Answer.YES, plan)), -1);
  }

  @Test
  public void whatLiesOnBothSidesOfALimitSaysNothing() {
    Selection range =
        priced(
            new PlanPrices.Assumed(
                List.of(list(BillingTerm.MONTHLY, seats("8"))),
                List.of(list(BillingTerm.MONTHLY, seats("10")))));
    Conditions now = conditions(range, range, 0);
    Standing cost = new Standing.NotKnown(Standing.NotKnown.Why.COST);
    assertEquals(watch(new Proviso.WholeCost(new BigDecimal("5000")), now).standing(), cost);
    assertTrue(watch(new Proviso.WholeCost(new BigDecimal("4000")), now).standing().isBroken());
    assertEquals(
        watch(new Proviso.WholeCost(new BigDecimal("5560")), now).standing(),
        new Standing.Holds(amount("5560.00")));
    assertEquals(watch(new Proviso.MonthlyCost(new BigDecimal("90")), now).standing(), cost);
    assertEquals(
        watch(new Proviso.MonthlyCost(new BigDecimal("110")), now).standing(),
        cost,
        "96 to 120 in March");
    Selection from = priced(new PlanPrices.From(List.of(list(BillingTerm.MONTHLY, seats("8")))));
    Conditions least = conditions(from, from, 0);
    assertTrue(watch(new Proviso.WholeCost(new BigDecimal("4000")), least).standing().isBroken());
    assertEquals(watch(new Proviso.WholeCost(new BigDecimal("9000")), least).standing(), cost);
    assertEquals(watch(new Proviso.MonthlyCost(new BigDecimal("9000")), least).standing(), cost);
    Selection asked = priced(new PlanPrices.OnRequest());
    assertEquals(
        watch(new Proviso.WholeCost(new BigDecimal("9000")), conditions(asked, asked, 0))
            .standing(),
        cost);
    assertEquals(
        watch(new Proviso.PriceRisen(BigDecimal.TEN), conditions(asked, asked, 0)).standing(),
        cost);
  }

  @Test
  public void thePriceOfWhatWasChosenMayRiseSoMuch() {
    Selection then = usual("24", 8);
    Conditions risen = conditions(then, usual("33", 8), 6);
    assertEquals(
        watch(new Proviso.PriceRisen(BigDecimal.TEN), risen).standing(),
        new Standing.Broken(Optional.empty(), amount("37.5")));
    assertEquals(
        watch(new Proviso.PriceRisen(new BigDecimal("37.5")), risen).standing(),
        new Standing.Holds(amount("37.5")));
    assertEquals(
        watch(new Proviso.PriceRisen(BigDecimal.ZERO), conditions(then, usual("20", 8), 6))
            .standing(),
        new Standing.Holds(amount("-16.7")));
    Selection other =
        selection(
            growing(),
            List.of(
                tool("a", Answer.YES, plan("Deck", list(BillingTerm.MONTHLY, seats("10")))),
                then.contender("b")),
            8);
    assertEquals(
        watch(new Proviso.PriceRisen(BigDecimal.TEN), conditions(then, other, 6)).standing(),
        new Standing.Broken(Optional.empty(), Optional.of(new Standing.Found.Gone())));
  }

  @Test
  public void thePlanIsTheOneThatWasChosenForTheMonth() {
    Plan small = capped("Small", 20, list(BillingTerm.MONTHLY, seats("3")));
    Plan large = plan("Large", list(BillingTerm.MONTHLY, seats("8")));
    List<Group> fewer =
        List.of(new Group("crew", "Crew", new Growth.Hires(8, BigDecimal.ONE), List.of()));
    List<Group> more =
        List.of(new Group("crew", "Crew", new Growth.Hires(10, BigDecimal.ONE), List.of()));
    Selection then = selection(fewer, List.of(tool("a", Answer.YES, small, large)), -1);
    Selection now = selection(more, List.of(tool("a", Answer.YES, small, large)), -1);
    // 21 people in month 13 then, in month 11 now: two months earlier
    assertEquals(
        watch(new Proviso.SamePlan(), conditions(then, then, 0)).standing(),
        new Standing.Holds(Optional.of(new Standing.Found.Plan("Small"))));
    assertEquals(
        watch(new Proviso.SamePlan(), conditions(then, now, 5)).standing(),
        new Standing.WillBreak(month(11), Optional.of(new Standing.Found.Plan("Large"))));
    assertEquals(
        watch(new Proviso.SamePlan(), conditions(then, now, 13)).before(),
        List.of(new MonthSpan(11, 13)));
  }

  private static Selection with(Answer offline) {
    return selection(
        growing(),
        List.of(tool("a", offline, plan("Crew", list(BillingTerm.MONTHLY, seats("10"))))),
        -1);
  }

  @Test
  public void whatItHasItStillHas() {
    Proviso has = new Proviso.StillHas("offline");
    Selection then = with(Answer.YES);
    assertEquals(
        watch(has, conditions(then, with(Answer.YES), 3)).standing(),
        new Standing.Holds(Optional.empty()));
    assertEquals(
        watch(has, conditions(then, with(Answer.PARTLY), 3)).standing(),
        new Standing.Broken(Optional.empty(), Optional.of(new Standing.Found.Gone())));
    assertEquals(
        watch(has, conditions(with(Answer.PARTLY), with(Answer.PARTLY), 3)).standing(),
        new Standing.Holds(Optional.empty()));
    assertTrue(watch(has, conditions(then, with(Answer.NO), 3)).standing().isBroken());
    assertEquals(
        watch(has, conditions(then, with(Answer.UNKNOWN), 3)).standing(),
        new Standing.NotKnown(Standing.NotKnown.Why.FACT));
    assertEquals(
        watch(new Proviso.StillHas("else"), conditions(then, then, 3)).standing(),
        new Standing.NotKnown(Standing.NotKnown.Why.SUBJECT));
  }

  @Test
  public void itLeadsInEveryCaseOrNot() {
    Proviso leads = new Proviso.Leads();
    Selection ahead = usual("10", 8);
    assertEquals(
        watch(leads, conditions(ahead, ahead, 3)).standing(), new Standing.Holds(Optional.empty()));
    assertEquals(
        watch(leads, conditions(ahead, usual("10", 4), 3)).standing(),
        new Standing.Broken(Optional.empty(), Optional.of(new Standing.Found.Contender("b"))));
    assertTrue(watch(leads, conditions(ahead, usual("10", 5), 3)).standing().isBroken(), "a tie");
    assertEquals(
        watch(leads, conditions(ahead, usual("10", -1), 3)).standing(),
        new Standing.NotKnown(Standing.NotKnown.Why.TOTALS));
  }

  @Test
  public void sinceWhenIsAskedOfTheDaysOnWhichSomethingChanged() {
    Proviso leads = new Proviso.Leads();
    Selection ahead = usual("10", 8);
    Selection behind = usual("10", 2);
    List<Conditions.Earlier> history = new ArrayList<>();
    int day = 1;
    for (Selection s : List.of(behind, ahead, behind, behind)) {
      history.add(new Conditions.Earlier(LocalDate.of(2027, 7, day++), conditions(ahead, s, 6)));
    }
    assertEquals(
        conditions(ahead, behind, 6).watch(leads, TODAY, () -> history).standing(),
        new Standing.Broken(
            new Standing.When.Day(LocalDate.of(2027, 7, 3)),
            Optional.of(new Standing.Found.Contender("b"))));
    assertEquals(
        conditions(ahead, ahead, 6).watch(leads, TODAY, () -> history).standing(),
        new Standing.Holds(Optional.empty()));
  }

  @Test
  public void aDayEndsWithItself() {
    Selection s = usual("10", 8);
    Conditions now = conditions(s, s, 6);
    Standing.When next = new Standing.When.Day(TODAY.plusDays(1));
    assertEquals(
        watch(new Proviso.Until(TODAY), now).standing(),
        new Standing.WillBreak(next, Optional.empty()));
    assertEquals(
        watch(new Proviso.Until(TODAY.minusDays(1)), now).standing(),
        new Standing.Broken(new Standing.When.Day(TODAY), Optional.empty()));
  }

  @Test
  public void whatCannotBeALimitIsRefused() {
    for (Runnable wrong :
        List.<Runnable>of(
            () -> crew(Proviso.Bound.AT_MOST, -1),
            () -> new Proviso.MonthlyCost(new BigDecimal("-0.01")),
            () -> new Proviso.WholeCost(new BigDecimal("-1")),
            () -> new Proviso.PriceRisen(new BigDecimal("-1")))) {
      org.testng.Assert.assertThrows(IllegalArgumentException.class, wrong::run);
    }
  }
}
