package tertulia.core.sensitivity;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static tertulia.core.Samples.EUR;
import static tertulia.core.Samples.JAN_2027;
import static tertulia.core.Samples.eur;
import static tertulia.core.Samples.list;
import static tertulia.core.Samples.money;
import static tertulia.core.Samples.plan;
import static tertulia.core.Samples.seats;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.testng.annotations.Test;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Costs;
import tertulia.core.evaluation.Selection;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.growth.Demand;
import tertulia.core.growth.Group;
import tertulia.core.growth.Growth;
import tertulia.core.growth.Measure;
import tertulia.core.inuse.AsToday;
import tertulia.core.inuse.InUse;
import tertulia.core.inuse.Together;
import tertulia.core.money.ExchangeRates;
import tertulia.core.money.PriceRise;
import tertulia.core.pricing.BillingTerm;
import tertulia.core.pricing.Offer;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.Tool;
import tertulia.core.scoring.Panel;
import tertulia.core.time.Horizon;

public class BeginningTest {
  private static final LocalDate TODAY = LocalDate.of(2026, 12, 15);

  private static Offer april(int year) {
    return new Offer(
        "April " + year,
        new Offer.Benefit.Percent(new BigDecimal("0.4")),
        12,
        new Offer.Conditions(
            Set.of(), Set.of(), false, LocalDate.of(year, 4, 1), LocalDate.of(year, 4, 30), 0),
        null,
        Set.of());
  }

  private static Selection selection(PriceRise rise, List<Offer> offers) {
    Tool tool =
        new Tool(
            "new",
            "New",
            "Vendor",
            List.of(plan("Crew", list(BillingTerm.MONTHLY, seats("8")))),
            offers,
            Optional.empty());
    return new Selection(
        "Which?",
        "",
        TODAY,
        new Horizon(JAN_2027, 24),
        EUR,
        rise,
        List.of(new Group("g", "All", new Growth.Hires(30, BigDecimal.ZERO), List.of())),
        Map.of(Measure.SEATS, new Demand(BigDecimal.ZERO, Map.of("g", BigDecimal.ONE))),
        Optional.empty(),
        List.of(),
        List.of(),
        List.of(new Contender(tool, Map.of(), List.of(), null)),
        new Panel(List.of()),
        ExchangeRates.NONE);
  }

  private static AsToday old(Selection selection, BillingTerm term, InUse.Until until) {
    Plan plan = plan("Old", list(term, seats("10")));
    InUse use =
        new InUse(
            "old",
            "Old",
            plan,
            term,
            new InUse.Held(Measure.SEATS, 30),
            Optional.of(eur("10")),
            until,
            List.of("g"),
            List.of());
    Costs costs = Costs.of(selection, WhatIf.START);
    return AsToday.of(
        use,
        costs.overall().months(),
        costs.market(),
        selection.rise(),
        selection.horizon(),
        TODAY);
  }

  private static Beginning beginning(Selection selection, AsToday old) {
    return new Beginning(
        selection,
        WhatIf.START,
        "new",
        new Together(List.of(), List.of(old), selection.currency(), selection.horizon().months()));
  }

  @Test
  public void waitingForAnOfferThatComesBack() {
    // C23: as today 300.00 a month, free to end any month; new 240.00, 40 % off from April on
    Selection s = selection(PriceRise.NONE, List.of(april(2027), april(2028)));
    Beginning beginning = beginning(s, old(s, BillingTerm.MONTHLY, new InUse.Until.AnyTime(0)));
    assertEquals(beginning.in(0).cost(), Optional.of(money("5760.00")));
    assertEquals(beginning.in(3).cost(), Optional.of(money("4788.00")));
    assertEquals(beginning.in(15).cost(), Optional.of(money("5796.00")));
    assertEquals(beginning.cheapest().orElseThrow().month(), 3);
    assertEquals(beginning.each().size(), 13);
  }

  private static Offer everyYear(String name, int first, int last, String off) {
    return new Offer(
        name,
        new Offer.Benefit.Percent(new BigDecimal(off)),
        12,
        new Offer.Conditions(
            Set.of(),
            Set.of(),
            false,
            LocalDate.of(2026, 4, first),
            LocalDate.of(2026, 4, last),
            0,
            true),
        null,
        Set.of());
  }

  @Test
  public void anOfferInsideAMonthCountsOnItsBestDay() {
    // C23's offer every year between two days of April: 5 760.00, 4 788.00, 5 796.00
    Selection s = selection(PriceRise.NONE, List.of(everyYear("Spring", 10, 20, "0.4")));
    Beginning beginning = beginning(s, old(s, BillingTerm.MONTHLY, new InUse.Until.AnyTime(0)));
    assertEquals(beginning.in(0).cost(), Optional.of(money("5760.00")));
    assertEquals(
        beginning.in(3),
        new Beginning.Begun(
            3, LocalDate.of(2027, 4, 10), List.of("Spring"), Optional.of(money("4788.00"))));
    assertEquals(beginning.on(LocalDate.of(2028, 4, 20)).cost(), Optional.of(money("5796.00")));
    assertEquals(
        beginning.on(LocalDate.of(2028, 4, 21)),
        new Beginning.Begun(
            15, LocalDate.of(2028, 4, 21), List.of(), Optional.of(money("6660.00"))));
    assertThrows(IllegalArgumentException.class, () -> beginning.on(LocalDate.of(2029, 1, 1)));
  }

  @Test
  public void offersOfDifferentDaysAreNotAddedUp() {
    // one day only: 40 % from the 1st to the 9th, 50 % from the 10th; both would be more
    Selection s =
        selection(
            PriceRise.NONE,
            List.of(everyYear("Early", 1, 9, "0.4"), everyYear("Late", 10, 30, "0.5")));
    Beginning beginning = beginning(s, old(s, BillingTerm.MONTHLY, new InUse.Until.AnyTime(0)));
    // 3 × 300 + 12 × 120 + 9 × 240
    assertEquals(
        beginning.in(3),
        new Beginning.Begun(
            3, LocalDate.of(2027, 4, 10), List.of("Late"), Optional.of(money("4500.00"))));
    assertEquals(beginning.on(LocalDate.of(2027, 4, 9)).cost(), Optional.of(money("4788.00")));
  }

  @Test
  public void whatIsOwedUntilJuneIsOwedAnyway() {
    // C23: as today 300.00 paid monthly until June, new 240.00
    Selection s = selection(PriceRise.NONE, List.of());
    Beginning beginning =
        beginning(
            s,
            old(
                s,
                BillingTerm.YEARLY_PAID_MONTHLY,
                new InUse.Until.Running(YearMonth.of(2027, 6), Optional.empty())));
    assertEquals(beginning.in(0).cost(), Optional.of(money("7560.00")));
    assertEquals(beginning.in(6).cost(), Optional.of(money("6120.00")));
    assertEquals(beginning.cheapest().orElseThrow().month(), 6);
    // the term is renewed in July for a year, and then due to its end
    assertEquals(beginning.in(7).cost(), Optional.of(money("9480.00")));
  }

  @Test
  public void itIsSaidWhetherWaitingPays() {
    Selection offered = selection(PriceRise.NONE, List.of(april(2027)));
    assertEquals(
        beginning(offered, old(offered, BillingTerm.MONTHLY, new InUse.Until.AnyTime(0))).advice(),
        new Beginning.Advice.Later(3, money("4788.00"), money("972.00")));
    Selection plain = selection(PriceRise.NONE, List.of());
    assertEquals(
        beginning(plain, old(plain, BillingTerm.MONTHLY, new InUse.Until.AnyTime(0))).advice(),
        new Beginning.Advice.AtOnce(money("5760.00")));
    Selection dear =
        plain.among(plain.contenders().stream().map(c -> c.times(new BigDecimal("2"))).toList());
    // 480.00 a month against 300.00: 12 × 300 + 12 × 480, and not 24 × 480
    assertEquals(
        beginning(dear, old(dear, BillingTerm.MONTHLY, new InUse.Until.AnyTime(0))).advice(),
        new Beginning.Advice.LaterStillLess(12, money("9360.00"), money("2160.00")));
    Selection dearInApril =
        dear.among(
            dear.contenders().stream()
                .map(c ->
                    c.withTool(
                        new Tool(
                            "new",
                            "New",
                            "Vendor",
                            c.tool().plans(),
                            List.of(everyYear("Spring", 10, 20, "0.25")),
                            Optional.empty())))
                .toList());
    // in April 3 × 300 + 12 × 360 + 9 × 480, against 24 × 480; in month s after it 300 s + 480 (24
    // − s)
    assertEquals(
        beginning(dearInApril, old(dearInApril, BillingTerm.MONTHLY, new InUse.Until.AnyTime(0)))
            .advice(),
        new Beginning.Advice.LaterAndLessAgain(3, money("9540.00"), money("1980.00"), 12));
    Selection nowhere =
        plain.exchangedAt(ExchangeRates.NONE).withCurrency(org.joda.money.CurrencyUnit.of("NOK"));
    assertEquals(
        new Beginning(
                nowhere,
                WhatIf.START,
                "new",
                new Together(List.of(), List.of(), nowhere.currency(), 24))
            .advice(),
        new Beginning.Advice.NotKnown());
  }

  @Test
  public void listPricesRiseAsIfThePlanHadBegun() {
    Selection s = selection(PriceRise.ofPercent("10"), List.of());
    Beginning beginning = beginning(s, old(s, BillingTerm.MONTHLY, new InUse.Until.AnyTime(0)));
    // 12 × 240 + 12 × 264; from July: 6 × 300 + 6 × 240 + 12 × 264
    assertEquals(beginning.in(0).cost(), Optional.of(money("6048.00")));
    assertEquals(beginning.in(6).cost(), Optional.of(money("6408.00")));
  }
}
