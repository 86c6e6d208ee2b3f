package tertulia.core.billing;

import static org.testng.Assert.assertEquals;
import static tertulia.core.Samples.EUR;
import static tertulia.core.Samples.band;
import static tertulia.core.Samples.banded;
import static tertulia.core.Samples.bill;
import static tertulia.core.Samples.due;
import static tertulia.core.Samples.growing;
import static tertulia.core.Samples.list;
import static tertulia.core.Samples.money;
import static tertulia.core.Samples.plan;
import static tertulia.core.Samples.seats;
import static tertulia.core.Samples.seatsByMonth;
import static tertulia.core.Samples.seatsNeeded;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.testng.annotations.Test;
import tertulia.core.money.ExchangeRate;
import tertulia.core.money.PriceRise;
import tertulia.core.money.Rounding;
import tertulia.core.pricing.BandMode;
import tertulia.core.pricing.BillingTerm;
import tertulia.core.pricing.BillingTerm.Payment;
import tertulia.core.pricing.Charge;
import tertulia.core.pricing.PriceList;
import tertulia.core.pricing.UnitRule;

public class BillerTest {
  private static final BillingTerm YEARLY_MONTHLY = BillingTerm.YEARLY_PAID_MONTHLY;

  private record Case(List<UnitsNeeded> months, int[] demand, PriceList list, PriceRise rise) {}

  private static Case random(Random dice) {
    int length = 1 + dice.nextInt(40);
    int[] demand = new int[length];
    int level = dice.nextInt(60);
    for (int m = 0; m < length; m++) {
      level = Math.max(0, level + dice.nextInt(13) - 6);
      demand[m] = level;
    }
    List<UnitsNeeded> months = new ArrayList<>();
    for (int d : demand) {
      months.add(seatsNeeded(d));
    }
    int[] terms = {1, 12, 24, 36};
    BillingTerm term =
        new BillingTerm(
            terms[dice.nextInt(4)], dice.nextBoolean() ? Payment.UP_FRONT : Payment.MONTHLY);
    UnitRule rule = new UnitRule(dice.nextInt(4), 1 + dice.nextInt(5), dice.nextInt(4));
    String price = dice.nextInt(20) + "." + (100 + dice.nextInt(900));
    PriceRise rise = PriceRise.ofPercent("" + dice.nextInt(6));
    return new Case(months, demand, list(term, seats(price, rule)), rise);
  }

  @Test
  public void spreadAndCashAgreeOnWhatIsPaidInAll() {
    Random dice = new Random(7);
    for (int round = 0; round < 400; round++) {
      Case c = random(dice);
      Ledger ledger = bill(c.list(), c.months(), c.rise());
      Money cash = ledger.total(CostTiming.CASH).plus(ledger.pastHorizon(CostTiming.CASH));
      Money spread = ledger.total(CostTiming.SPREAD).plus(ledger.pastHorizon(CostTiming.SPREAD));
      assertEquals(cash, spread, c.toString());
    }
  }

  /** The invoices written down a second way: month by month, from what is held. */
  @Test
  public void invoicesAgreeWithCountingMonthByMonth() {
    Random dice = new Random(11);
    for (int round = 0; round < 400; round++) {
      Case c = random(dice);
      Charge.PerUnit charge = (Charge.PerUnit) c.list().charges().getFirst();
      int length = c.list().term().monthsCommitted();
      boolean upFront = c.list().term().payment() == Payment.UP_FRONT;
      Money[] expected = new Money[c.demand().length];
      java.util.Arrays.fill(expected, Money.zero(EUR));
      int held = 0;
      BigDecimal price = BigDecimal.ZERO;
      for (int m = 0; m < expected.length; m++) {
        int paid = charge.rule().paidUnits(c.demand()[m]);
        int left = length - m % length;
        if (m % length == 0) {
          held = paid;
          price =
              charge
                  .price()
                  .amount()
                  .multiply(BigDecimal.ONE.add(c.rise().perYear()).pow(m / 12))
                  .setScale(4, RoundingMode.HALF_UP);
          expected[m] = amount(price, held, upFront ? length : 1);
        } else {
          int more = Math.max(0, paid - held);
          held += more;
          expected[m] = upFront ? amount(price, more, left) : amount(price, held, 1);
        }
      }
      assertEquals(
          bill(c.list(), c.months(), c.rise()).months(CostTiming.CASH),
          List.of(expected),
          c.toString());
    }
  }

  private static Money amount(BigDecimal price, int units, int months) {
    return Rounding.toMinorUnit(price.multiply(BigDecimal.valueOf((long) units * months)), EUR);
  }

  @Test
  public void theWorkingOfEveryTotalAddsUp() {
    Random dice = new Random(13);
    for (int round = 0; round < 100; round++) {
      Case c = random(dice);
      Ledger ledger = bill(c.list(), c.months(), c.rise());
      for (CostTiming view : CostTiming.values()) {
        // a sum refuses to exist if its lines do not give it
        assertEquals(
            ledger.explainTotal(view).value().orElseThrow().amount(),
            ledger.total(view).getAmount());
        for (int m = 0; m < c.months().size(); m++) {
          assertEquals(
              ledger.explainMonth(m, view).value().orElseThrow().amount(),
              ledger.months(view).get(m).getAmount());
        }
      }
    }
  }

  @Test
  public void committedAndPaidMonthlyIsInvoicedForWhatIsHeld() {
    Ledger ledger =
        bill(list(YEARLY_MONTHLY, seats("5")), seatsByMonth(10, 14, 8, 8), PriceRise.NONE);
    assertEquals(due(ledger), List.of("m0 50.00", "m1 70.00", "m2 70.00", "m3 70.00"));
    assertEquals(ledger.pastHorizon(CostTiming.CASH), money("560.00"));
    assertEquals(ledger.pastHorizon(CostTiming.SPREAD), money("560.00"));
  }

  @Test
  public void unitsPaidForAndNotNeededAreIdle() {
    Ledger ledger =
        bill(
            list(BillingTerm.YEARLY_UP_FRONT, seats("6.35")),
            seatsByMonth(52, 75, 52),
            PriceRise.NONE);
    assertEquals(ledger.idle().get(1), new Ledger.Idle(0, money("0.00")));
    assertEquals(ledger.idle().get(2), new Ledger.Idle(23, money("146.05")));
    assertEquals(ledger.mostIdle(), 23);
    assertEquals(ledger.idleMoney(), money("146.05"));
  }

  @Test
  public void fewerAreHeldOnlyFromTheNextTermOn() {
    List<UnitsNeeded> months = new ArrayList<>(growing(30, -1, 13));
    Ledger ledger = bill(list(BillingTerm.YEARLY_UP_FRONT, seats("2")), months, PriceRise.NONE);
    assertEquals(due(ledger), List.of("m0 720.00", "m12 432.00"));
  }

  @Test
  public void severalChargesOfAMonthStandOnOneInvoice() {
    PriceList both =
        list(
            BillingTerm.YEARLY_UP_FRONT,
            new Charge.Flat("Account", tertulia.core.Samples.eur("190")),
            seats("4.10", new UnitRule(0, 1, 25)));
    Ledger ledger = bill(both, seatsByMonth(62, 62, 70), PriceRise.NONE);
    assertEquals(ledger.invoices().size(), 2);
    assertEquals(due(ledger), List.of("m0 4100.40", "m2 328.00"));
  }

  @Test
  public void anInvoiceIsConvertedOnceAndThenSpread() {
    ExchangeRate rate =
        new ExchangeRate(
            CurrencyUnit.GBP, EUR, new BigDecimal("1.1642"), LocalDate.of(2026, 11, 20), "test");
    PriceList pounds =
        new PriceList(
            BillingTerm.YEARLY_UP_FRONT,
            CurrencyUnit.GBP,
            List.of(
                new Charge.PerUnit(
                    "Seats",
                    tertulia.core.growth.Measure.SEATS,
                    tertulia.core.money.UnitPrice.of("GBP", "6.90"),
                    UnitRule.PLAIN)));
    Ledger ledger =
        Biller.bill(
            tertulia.core.Samples.purchase(
                plan("Plan", pounds), pounds, seatsByMonth(10, 10), PriceRise.NONE),
            Optional.of(rate));
    // 10 × 6.90 × 12 = 828.00 GBP; × 1.1642 = 963.9576 EUR
    assertEquals(ledger.total(CostTiming.CASH), money("963.96"));
    assertEquals(ledger.months(CostTiming.SPREAD), List.of(money("80.33"), money("80.33")));
  }

  @Test
  public void spreadingNeverLosesAMinorUnit() {
    for (long minor = -50; minor <= 50; minor++) {
      for (int months = 1; months <= 13; months++) {
        Money total = Money.ofMinor(EUR, minor);
        Money[] shares = Rounding.spread(total, months);
        assertEquals(Money.total(EUR, List.of(shares)), total);
        long most = shares[0].getAmountMinorLong();
        long least = shares[months - 1].getAmountMinorLong();
        assertEquals(Math.abs(most - least) <= 1, true);
      }
    }
  }

  @Test
  public void bandsThatFallAreSaid() {
    Charge.Banded bands =
        banded(BandMode.WHOLE, band(15, "0", "34"), band(35, "0", "61"), band(null, "1.65", "0"));
    Ledger ledger = bill(list(BillingTerm.MONTHLY, bands), seatsByMonth(35, 36), PriceRise.NONE);
    assertEquals(held(ledger, 0).cheaperWithMore().getAsInt(), 36);
    assertEquals(held(ledger, 1).cheaperWithMore().isEmpty(), true);
  }

  private static InvoiceLine.Held held(Ledger ledger, int invoice) {
    return (InvoiceLine.Held) ledger.invoices().get(invoice).lines().getFirst();
  }
}
