package tertulia.core.billing;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static tertulia.core.Samples.EUR;
import static tertulia.core.Samples.JAN_2027;
import static tertulia.core.Samples.bill;
import static tertulia.core.Samples.due;
import static tertulia.core.Samples.eur;
import static tertulia.core.Samples.growing;
import static tertulia.core.Samples.list;
import static tertulia.core.Samples.money;
import static tertulia.core.Samples.plan;
import static tertulia.core.Samples.seats;
import static tertulia.core.Samples.seatsByMonth;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.joda.money.Money;
import org.testng.annotations.Test;
import tertulia.core.Samples;
import tertulia.core.growth.Measure;
import tertulia.core.money.PriceRise;
import tertulia.core.pricing.BillingTerm;
import tertulia.core.pricing.Charge;
import tertulia.core.pricing.Included;
import tertulia.core.pricing.Offer;
import tertulia.core.pricing.Owned;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.PlanPrices;
import tertulia.core.pricing.PriceList;
import tertulia.core.pricing.SeatRange;
import tertulia.core.pricing.Tax;
import tertulia.core.pricing.UnitRule;
import tertulia.core.time.Horizon;
import tertulia.core.working.Derivation;

/** One-offs, usage, minimums, offers, what is owned, and tax, on invoices. */
public class EveryChargeTest {
  private static final PriceRise FOUR = PriceRise.ofPercent("4");

  @Test
  public void aOneOffIsPaidOnceAndForEveryUnitMoreThanEverBefore() {
    PriceList list =
        list(
            BillingTerm.MONTHLY,
            new Charge.OneOff("Set-up", eur("250"), Optional.empty()),
            new Charge.OneOff("Training", eur("30"), Optional.of(Measure.SEATS)));
    Ledger ledger = bill(list, seatsByMonth(4, 3, 6, 5, 6, 6, 6, 6, 6, 6, 6, 6, 7), FOUR);
    // 250 + 4 × 30; then 2 more; the last in the second year at 31.20
    assertEquals(due(ledger), List.of("m0 370.00", "m2 60.00", "m12 31.20"));
  }

  @Test
  public void usageIsBilledForItsMonthUnderAYearlyTermAndRisesWithTheMonth() {
    Charge.Usage runs =
        new Charge.Usage(
            "Runs",
            Measure.AUTOMATION_RUNS,
            new Included(BigDecimal.valueOf(1000), BigDecimal.valueOf(50), Measure.SEATS),
            BigDecimal.valueOf(500),
            eur("9"));
    PriceList list = list(BillingTerm.YEARLY_UP_FRONT, seats("5"), runs);
    List<UnitsNeeded> months = new ArrayList<>();
    for (int m = 0; m < 14; m++) {
      int used = m == 3 ? 1501 : m == 13 ? 3000 : 0;
      int held = m < 2 ? 12 : 10;
      months.add(UnitsNeeded.whole(Map.of("seats", held, "automation-runs", used)));
    }
    Ledger ledger = bill(list, months, FOUR);
    // m3: 1000 + 50 × 10 needed, not the 12 held: 1 above, one block. m13: 1500 above, at 9.36
    assertEquals(due(ledger), List.of("m0 720.00", "m3 9.00", "m12 624.00", "m13 28.08"));
  }

  @Test
  public void whatIsMissingToAYearlyMinimumIsInvoicedAtTheYearsEnd() {
    PriceList list =
        new PriceList(
            BillingTerm.MONTHLY, EUR, List.of(seats("10")), List.of(), Optional.of(eur("500")));
    Ledger ledger = bill(list, growing(3, 0, 16), PriceRise.NONE);
    // 12 × 30 = 360, 140 missing in month 11; 4 months owe 500 × 4 / 12 = 166.67, 46.67 missing
    assertEquals(ledger.months(CostTiming.CASH).get(11), money("170.00"));
    assertEquals(ledger.months(CostTiming.CASH).get(15), money("76.67"));
    assertEquals(ledger.total(CostTiming.SPREAD), money("666.67"));
    assertEquals(ledger.months(CostTiming.SPREAD).get(0), money("41.67"));
    assertEquals(
        bill(list, growing(6, 0, 12), PriceRise.NONE).total(CostTiming.CASH), money("720.00"));
  }

  @Test
  public void ownedSeatsCostNothingUntilTheirDay() {
    PriceList list =
        list(
            BillingTerm.MONTHLY,
            seats("10", new UnitRule(5, 1, 0)),
            new Charge.Flat("Account", eur("20")));
    Plan plan = plan("Plan", list);
    Purchase purchase =
        new Purchase(
            plan,
            list,
            seatsByMonth(4, 9, 9, 9),
            PriceRise.NONE,
            new Horizon(JAN_2027, 4),
            Optional.empty(),
            List.of(),
            Optional.of(new Owned(plan.id(), Measure.SEATS, 6, LocalDate.of(2027, 3, 15))));
    // 4 of 6 owned: nothing; 3 more; the last month is past the day: 9 seats and the account
    assertEquals(
        due(Biller.bill(purchase, Optional.empty())), List.of("m1 30.00", "m2 30.00", "m3 110.00"));
  }

  @Test
  public void taxHeldInAPriceIsTakenOutBeforeTheLineIsRounded() {
    PriceList list = list(BillingTerm.YEARLY_UP_FRONT, seats("9.99"));
    Plan plan =
        new Plan(
            "p",
            "Plan",
            SeatRange.ANY,
            new PlanPrices.Listed(List.of(list)),
            new Tax(new BigDecimal("0.21")),
            List.of(),
            Samples.PAGE);
    Ledger ledger = bill(plan, list, growing(7, 0, 12), PriceRise.NONE);
    // 7 × 9.99 × 12 = 839.16; / 1.21 = 693.5206…
    assertEquals(ledger.total(CostTiming.CASH), money("693.52"));
  }

  private static Offer offer(String name, Offer.Benefit benefit, Integer months, String group) {
    return new Offer(name, benefit, months, Offer.Conditions.NONE, group, Set.of());
  }

  private static Ledger with(PriceList list, List<UnitsNeeded> months, Offer... offers) {
    Purchase purchase = Samples.purchase(plan("Plan", list), list, months, FOUR);
    return Biller.bill(purchase.with(List.of(offers)), Optional.empty());
  }

  @Test
  public void offersCountInTheirOrder() {
    PriceList monthly = list(BillingTerm.MONTHLY, seats("10"));
    Offer free = offer("Free", new Offer.Benefit.Free(), 1, null);
    Offer fixed = offer("Fixed", new Offer.Benefit.Fixed(eur("8")), 3, null);
    Offer dear = offer("Dear", new Offer.Benefit.Fixed(eur("12")), 3, null);
    Offer tenth = offer("Tenth", new Offer.Benefit.Percent(new BigDecimal("0.1")), 4, null);
    Offer half = offer("Half", new Offer.Benefit.Percent(new BigDecimal("0.5")), 4, null);
    Offer voucher = offer("Voucher", new Offer.Benefit.AmountOff(eur("15"), 2), null, null);
    Ledger ledger = with(monthly, growing(5, 0, 5), half, dear, voucher, tenth, fixed, free);
    // free; 5 × 8 × 0.5 × 0.9 = 18, less 15; the same; 5 × 10 × 0.45 = 22.50; list
    assertEquals(due(ledger), List.of("m1 3.00", "m2 3.00", "m3 22.50", "m4 50.00"));
  }

  @Test
  public void anAmountOffNeverMakesAnInvoiceNegativeAndTouchesOnlyWhatItMay() {
    PriceList list =
        list(
            BillingTerm.MONTHLY,
            seats("10"),
            new Charge.OneOff("Set-up", eur("100"), Optional.empty()));
    Offer voucher = offer("Voucher", new Offer.Benefit.AmountOff(eur("80"), 1), null, null);
    assertEquals(due(with(list, growing(5, 0, 1), voucher)), List.of("m0 100.00"));
    Offer named =
        new Offer(
            "Set-up free",
            new Offer.Benefit.Free(),
            null,
            Offer.Conditions.NONE,
            null,
            Set.of("Set-up"));
    assertEquals(due(with(list, growing(5, 0, 1), named)), List.of("m0 50.00"));
  }

  /** Month by month and charge by charge, without looking at how the biller does it. */
  @Test
  public void generatedOffersAgreeWithBillingMonthByMonth() {
    Random random = new Random(12);
    for (int i = 0; i < 300; i++) {
      BigDecimal price = BigDecimal.valueOf(random.nextInt(3000) + 1, 2);
      int offMonths = random.nextInt(14) + 1;
      BigDecimal off = BigDecimal.valueOf(random.nextInt(99) + 1, 2);
      int freeMonths = random.nextInt(3);
      List<Offer> offers = new ArrayList<>();
      offers.add(offer("Off", new Offer.Benefit.Percent(off), offMonths, null));
      if (freeMonths > 0) {
        offers.add(offer("Free", new Offer.Benefit.Free(), freeMonths, null));
      }
      int step = random.nextInt(3);
      List<UnitsNeeded> months = growing(random.nextInt(20) + 1, step, 24);
      PriceList list = list(BillingTerm.YEARLY_UP_FRONT, seats(price.toPlainString()));
      Ledger ledger = with(list, months, offers.toArray(Offer[]::new));
      Money expected = Money.zero(EUR);
      for (int m = 0; m < 24; m++) {
        int before = m % 12 == 0 ? 0 : months.get(m - 1).of(Measure.SEATS).getAsInt();
        int more = months.get(m).of(Measure.SEATS).getAsInt() - before;
        BigDecimal each = eur(price.toPlainString()).raised(FOUR, m / 12).amount();
        BigDecimal exact = BigDecimal.ZERO;
        for (int covered = m; covered < (m / 12 + 1) * 12; covered++) {
          BigDecimal factor =
              covered < freeMonths
                  ? BigDecimal.ZERO
                  : covered < offMonths ? BigDecimal.ONE.subtract(off) : BigDecimal.ONE;
          exact = exact.add(each.multiply(BigDecimal.valueOf(more)).multiply(factor));
        }
        expected = expected.plus(Money.of(EUR, exact, RoundingMode.HALF_UP));
      }
      assertEquals(ledger.total(CostTiming.CASH), expected);
    }
  }

  @Test
  public void everyInvoiceOfEveryChargeAddsUpInItsWorking() {
    PriceList list =
        new PriceList(
            BillingTerm.YEARLY_UP_FRONT,
            EUR,
            List.of(
                seats("7.35", new UnitRule(3, 5, 2)),
                new Charge.OneOff("Set-up", eur("99.995"), Optional.empty()),
                new Charge.Usage(
                    "Storage",
                    Measure.GIGABYTES_KEPT,
                    new Included(BigDecimal.TEN, new BigDecimal("0.5"), Measure.SEATS),
                    new BigDecimal("2.5"),
                    eur("0.333")),
                new Charge.PaymentFee(
                    "Fees", Measure.CARD_PAYMENTS, new BigDecimal("0.0175"), eur("0.12"))),
            List.of(),
            Optional.of(eur("9000")));
    Plan plan =
        new Plan(
            "p",
            "Plan",
            SeatRange.ANY,
            new PlanPrices.Listed(List.of(list)),
            new Tax(new BigDecimal("0.1")),
            List.of(),
            Samples.PAGE);
    List<UnitsNeeded> months = new ArrayList<>();
    for (int m = 0; m < 30; m++) {
      months.add(
          new UnitsNeeded(
              Map.of(
                  "seats", BigDecimal.valueOf(10 + m),
                  "gigabytes-kept", new BigDecimal("3.7").multiply(BigDecimal.valueOf(m + 1)),
                  "card-payments", BigDecimal.valueOf(100 + 7 * m)),
              10 + m));
    }
    Purchase purchase =
        new Purchase(
            plan,
            list,
            months,
            FOUR,
            new Horizon(JAN_2027, 30),
            Optional.of(new BigDecimal("41.20")),
            List.of(
                offer("Third", new Offer.Benefit.Percent(new BigDecimal("0.3333")), 5, null),
                offer("Voucher", new Offer.Benefit.AmountOff(eur("12.34"), 3), null, null)),
            Optional.empty());
    Ledger ledger = Biller.bill(purchase, Optional.empty());
    Set<String> kinds = new java.util.TreeSet<>();
    for (Invoice invoice : ledger.invoices()) {
      for (InvoiceLine line : invoice.lines()) {
        kinds.add(line.getClass().getSimpleName());
        Derivation working = line.explain();
        assertEquals(working.value().orElseThrow().amount(), line.amount().getAmount());
      }
      assertEquals(
          invoice.explain(ledger.horizon()).value().orElseThrow().amount().stripTrailingZeros(),
          invoice.reported().getAmount().stripTrailingZeros());
    }
    assertEquals(kinds, Set.of("Held", "Once", "Used", "Fee", "ToMinimum", "TakenOff"));
    Money spread = ledger.total(CostTiming.SPREAD).plus(ledger.pastHorizon(CostTiming.SPREAD));
    Money cash = ledger.total(CostTiming.CASH).plus(ledger.pastHorizon(CostTiming.CASH));
    assertEquals(spread, cash);
    assertTrue(ledger.explainTotal(CostTiming.SPREAD).value().isPresent());
  }
}
