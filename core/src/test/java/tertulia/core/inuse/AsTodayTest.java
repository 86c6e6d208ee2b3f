package tertulia.core.inuse;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;
import static tertulia.core.Samples.EUR;
import static tertulia.core.Samples.PAGE;
import static tertulia.core.Samples.capped;
import static tertulia.core.Samples.eur;
import static tertulia.core.Samples.list;
import static tertulia.core.Samples.money;
import static tertulia.core.Samples.plan;
import static tertulia.core.Samples.seats;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.joda.money.Money;
import org.testng.annotations.Test;
import tertulia.core.billing.CostTiming;
import tertulia.core.billing.UnitsNeeded;
import tertulia.core.fit.Fit;
import tertulia.core.growth.Demand;
import tertulia.core.growth.Measure;
import tertulia.core.money.ExchangeRates;
import tertulia.core.money.PriceRise;
import tertulia.core.money.UnitPrice;
import tertulia.core.path.Market;
import tertulia.core.path.Terms;
import tertulia.core.pricing.BillingTerm;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.PlanPrices;
import tertulia.core.pricing.SeatRange;
import tertulia.core.time.Horizon;

public class AsTodayTest {
  private static final YearMonth DECEMBER = YearMonth.of(2026, 12);
  private static final YearMonth JUNE = YearMonth.of(2027, 6);
  private static final LocalDate TODAY = LocalDate.of(2026, 11, 24);
  private static final Plan SUITE =
      plan(
          "Office",
          list(BillingTerm.YEARLY_UP_FRONT, seats("10")),
          list(BillingTerm.YEARLY_PAID_MONTHLY, seats("10")),
          list(BillingTerm.MONTHLY, seats("10")));

  private static Market market(Horizon horizon) {
    return new Market(
        new Fit(List.of()),
        Map.of(Measure.SEATS, new Demand(BigDecimal.ZERO, Map.of("all", BigDecimal.ONE))),
        EUR,
        ExchangeRates.NONE,
        TODAY,
        Terms.ANY,
        Optional.empty(),
        horizon);
  }

  private static InUse use(Plan plan, BillingTerm term, int held, String paid, InUse.Until until) {
    return new InUse(
        "suite",
        "Suite",
        plan,
        term,
        new InUse.Held(Measure.SEATS, held),
        paid.isEmpty() ? Optional.empty() : Optional.of(eur(paid)),
        until,
        List.of("all"),
        List.of("chat"));
  }

  private static InUse.Until until(YearMonth last) {
    return new InUse.Until.Running(last, Optional.empty());
  }

  private static AsToday asToday(InUse use, List<UnitsNeeded> needed) {
    Horizon horizon = new Horizon(DECEMBER, needed.size());
    return AsToday.of(use, needed, market(horizon), PriceRise.NONE, horizon, TODAY);
  }

  private static UnitsNeeded needed(int seats) {
    return new UnitsNeeded(Map.of("seats", BigDecimal.valueOf(seats)), seats);
  }

  private static Together together(List<AsToday> stays, List<AsToday> goes) {
    return new Together(stays, goes, EUR, 24);
  }

  /** 28 people and 4/3 more a month. */
  private static List<UnitsNeeded> bureau() {
    List<UnitsNeeded> months = new ArrayList<>();
    for (int m = 0; m < 24; m++) {
      months.add(
          needed(
              BigDecimal.valueOf(28 * 3 + 4L * m)
                  .divide(BigDecimal.valueOf(3), 0, RoundingMode.HALF_UP)
                  .intValueExact()));
    }
    return months;
  }

  @Test
  public void theBureauKeepsItsSuiteAndAddsATool() {
    // C26
    AsToday suite =
        asToday(use(SUITE, BillingTerm.YEARLY_UP_FRONT, 30, "10", until(JUNE)), bureau());
    assertEquals(suite.free(), 7);
    assertEquals(suite.paid().total(CostTiming.SPREAD), money("170.00"));
    assertEquals(suite.total(CostTiming.SPREAD), Optional.of(money("8330.00")));
    assertEquals(suite.owed().total(CostTiming.SPREAD), money("0.00"), "it is paid");
    Money chat = money("4160.00");
    assertEquals(
        together(List.of(suite), List.of()).total(CostTiming.SPREAD).map(chat::plus),
        Optional.of(money("12490.00")));
    assertEquals(
        together(List.of(), List.of(suite)).total(CostTiming.SPREAD).map(chat::plus),
        Optional.of(chat));
  }

  @Test
  public void whatIsPaidMonthlyIsOwedToItsEnd() {
    // C23, its second half: 300.00 a month until June, from January, 24 months
    List<UnitsNeeded> thirty = java.util.Collections.nCopies(24, needed(30));
    Horizon horizon = new Horizon(YearMonth.of(2027, 1), 24);
    InUse old = use(SUITE, BillingTerm.YEARLY_PAID_MONTHLY, 30, "10", until(JUNE));
    AsToday now = AsToday.of(old, thirty, market(horizon), PriceRise.NONE, horizon, TODAY);
    assertEquals(now.owed().total(CostTiming.SPREAD), money("1800.00"));
    assertEquals(now.total(CostTiming.SPREAD), Optional.of(money("7200.00")));
    assertEquals(
        together(List.of(), List.of(now)).total(CostTiming.SPREAD).map(money("5760.00")::plus),
        Optional.of(money("7560.00")));
  }

  /** Month by month, by the words of the rule. */
  private static BigDecimal byHand(
      int free, int held, BigDecimal paid, boolean upFront, int[] seats, boolean yearly) {
    BigDecimal ten = BigDecimal.TEN;
    BigDecimal sum = BigDecimal.ZERO;
    int most = held;
    for (int m = 0; m < free; m++) {
      most = Math.max(most, seats[m]);
      sum = sum.add(paid.multiply(BigDecimal.valueOf(upFront ? most - held : most)));
    }
    for (int start = free; start < seats.length; start += yearly ? 12 : 1) {
      int units = 0;
      for (int m = start; m < Math.min(seats.length, start + (yearly ? 12 : 1)); m++) {
        units = Math.max(units, seats[m]);
        sum = sum.add(ten.multiply(BigDecimal.valueOf(units)));
      }
    }
    return sum;
  }

  @Test
  public void itIsWhatTheRuleSaysMonthByMonth() {
    Random random = new Random(8);
    for (int round = 0; round < 200; round++) {
      int[] seats = random.ints(24, 10, 40).toArray();
      int held = 10 + random.nextInt(30);
      int free = random.nextInt(25);
      boolean upFront = random.nextBoolean();
      BigDecimal paid = BigDecimal.valueOf(5 + random.nextInt(10));
      InUse use =
          use(
              SUITE,
              upFront ? BillingTerm.YEARLY_UP_FRONT : BillingTerm.YEARLY_PAID_MONTHLY,
              held,
              paid.toPlainString(),
              until(DECEMBER.plusMonths(free - 1L)));
      List<UnitsNeeded> needed = new ArrayList<>();
      for (int n : seats) {
        needed.add(needed(n));
      }
      AsToday now = asToday(use, needed);
      String said = round + ": free " + free + " " + upFront + " " + now.free();
      assertEquals(now.free(), free, said);
      assertEquals(
          now.total(CostTiming.SPREAD)
              .orElseThrow()
              .getAmount()
              .compareTo(byHand(free, held, paid, upFront, seats, true)),
          0,
          said);
      assertEquals(
          now.owed()
              .total(CostTiming.SPREAD)
              .getAmount()
              .compareTo(
                  upFront
                      ? BigDecimal.ZERO
                      : paid.multiply(BigDecimal.valueOf((long) free * held))),
          0,
          said);
      List<Money> months = now.months(CostTiming.SPREAD).orElseThrow();
      assertEquals(
          months.stream().reduce(Money::plus), now.total(CostTiming.SPREAD), "by month, " + said);
    }
  }

  @Test
  public void onceTheDayOfNoticeIsPastTheNextTermIsOwed() {
    InUse.Until june = new InUse.Until.Running(JUNE, Optional.of(LocalDate.of(2026, 11, 24)));
    InUse use = use(SUITE, BillingTerm.YEARLY_UP_FRONT, 30, "10", june);
    assertEquals(use.free(TODAY), YearMonth.of(2027, 7));
    assertEquals(use.free(TODAY.plusDays(1)), YearMonth.of(2028, 7));
    assertEquals(use.free(LocalDate.of(2027, 11, 24)), YearMonth.of(2028, 7));
    assertEquals(use.free(LocalDate.of(2027, 11, 25)), YearMonth.of(2029, 7));
    InUse free = use(SUITE, BillingTerm.MONTHLY, 30, "9", new InUse.Until.AnyTime(30));
    assertEquals(free.free(TODAY), YearMonth.of(2027, 1));
    assertEquals(free.free(LocalDate.of(2027, 1, 31)), YearMonth.of(2027, 4), "30 days on");
  }

  @Test
  public void withoutATermThePriceAsPaidIsKeptUntilItCanEnd() {
    List<UnitsNeeded> thirty = java.util.Collections.nCopies(12, needed(30));
    AsToday now =
        asToday(use(SUITE, BillingTerm.MONTHLY, 20, "9", new InUse.Until.AnyTime(30)), thirty);
    // December at 9.00 for 30, from January at list
    assertEquals(now.free(), 1);
    assertEquals(now.total(CostTiming.SPREAD), Optional.of(money("3570.00")));
    assertEquals(now.owed().total(CostTiming.SPREAD), money("180.00"));
  }

  @Test
  public void pastItsCapOrWithoutAListItHasNoFigure() {
    Plan small = capped("Small", 35, list(BillingTerm.YEARLY_UP_FRONT, seats("10")));
    AsToday capped =
        asToday(use(small, BillingTerm.YEARLY_UP_FRONT, 30, "10", until(JUNE)), bureau());
    // 37 people in July, the first month that is not paid
    assertEquals(capped.why(), Optional.of(new AsToday.Why.PastCap(7, 37, 35)));
    assertTrue(capped.total(CostTiming.SPREAD).isEmpty());
    Plan asked = new Plan("r", "Port", SeatRange.ANY, new PlanPrices.OnRequest(), PAGE);
    AsToday request =
        asToday(use(asked, BillingTerm.YEARLY_PAID_MONTHLY, 30, "10", until(JUNE)), bureau());
    assertEquals(request.why(), Optional.of(new AsToday.Why.NoList()));
    assertEquals(
        request.owed().total(CostTiming.SPREAD), money("2100.00"), "what is known is told");
    AsToday foreign =
        asToday(
            new InUse(
                "suite",
                "Suite",
                SUITE,
                BillingTerm.YEARLY_UP_FRONT,
                new InUse.Held(Measure.SEATS, 30),
                Optional.of(UnitPrice.of("GBP", "9")),
                until(JUNE),
                List.of(),
                List.of()),
            bureau());
    assertEquals(foreign.why(), Optional.of(new AsToday.Why.NoRate("GBP")));
    AsToday whole =
        asToday(
            use(asked, BillingTerm.YEARLY_UP_FRONT, 30, "10", until(YearMonth.of(2030, 1))),
            bureau());
    assertTrue(
        whole.total(CostTiming.SPREAD).isPresent(),
        "it is paid for all months, so no list is needed");
  }

  @Test
  public void whatCannotBeIsRefused() {
    assertThrows(IllegalArgumentException.class, () -> new InUse.Held(Measure.SEATS, -1));
    assertThrows(IllegalArgumentException.class, () -> new InUse.Until.AnyTime(401));
    assertThrows(
        IllegalArgumentException.class,
        () -> new InUse.Until.Running(JUNE, Optional.of(LocalDate.of(2027, 7, 1))));
    assertThrows(
        IllegalArgumentException.class,
        () -> use(SUITE, BillingTerm.MONTHLY, 30, "10", until(JUNE)));
  }
}
