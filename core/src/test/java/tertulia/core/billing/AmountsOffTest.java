package tertulia.core.billing;

import static org.testng.Assert.assertEquals;
import static tertulia.core.Samples.EUR;
import static tertulia.core.Samples.JAN_2027;
import static tertulia.core.Samples.eur;
import static tertulia.core.Samples.money;
import static tertulia.core.Samples.plan;
import static tertulia.core.Samples.seats;
import static tertulia.core.Samples.seatsNeeded;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.testng.annotations.Test;
import tertulia.core.Samples;
import tertulia.core.growth.Measure;
import tertulia.core.money.PriceRise;
import tertulia.core.pricing.BillingTerm;
import tertulia.core.pricing.Charge;
import tertulia.core.pricing.Offer;
import tertulia.core.pricing.PriceList;
import tertulia.core.time.Horizon;

/** The order in which offers were written down changes nothing. */
public class AmountsOffTest {
  private static final Charge FLAT = new Charge.Flat("Account", eur("20"));

  private static Offer off(String name, String amount, int invoices, String... charges) {
    return new Offer(
        name,
        new Offer.Benefit.AmountOff(eur(amount), invoices),
        null,
        Offer.Conditions.NONE,
        null,
        Set.of(charges));
  }

  private static Ledger bill(List<Offer> offers) {
    PriceList list = new PriceList(BillingTerm.MONTHLY, EUR, List.of(seats("10"), FLAT));
    Purchase purchase =
        new Purchase(
            plan("Plan", list),
            list,
            Collections.nCopies(6, seatsNeeded(3)),
            PriceRise.NONE,
            new Horizon(JAN_2027, 6),
            Optional.empty(),
            offers,
            Optional.empty());
    return Biller.bill(purchase, Optional.empty());
  }

  @Test
  public void theOfferThatTouchesFewerLinesTakesFirst() {
    // 30 for seats, 20 for the account: 45 off both leave 5, but 25 off seats were there first
    Offer wide = off("Wide", "45", 6);
    Offer seatsOnly = off("Seats only", "25", 1, "Seats");
    for (List<Offer> order : List.of(List.of(wide, seatsOnly), List.of(seatsOnly, wide))) {
      Ledger ledger = bill(order);
      assertEquals(ledger.months(CostTiming.SPREAD).get(0), money("0.00"));
      assertEquals(ledger.months(CostTiming.SPREAD).get(1), money("5.00"));
      List<InvoiceLine> lines = ledger.invoices().getFirst().lines();
      assertEquals(lines.get(2).name(), "Seats only");
      assertEquals(lines.get(2).amount(), money("-25.00"));
      assertEquals(lines.get(3).amount(), money("-25.00"));
    }
  }

  @Test
  public void anotherOffersAmountCountsOnlyWhereBothTouchALine() {
    Ledger ledger = bill(List.of(off("A", "25", 6, "Seats"), off("B", "15", 6, "Account")));
    assertEquals(ledger.months(CostTiming.SPREAD).get(0), money("10.00"));
  }

  @Test
  public void anyOrderOfOffersComesToTheSame() {
    Random random = new Random(20261125);
    for (int i = 0; i < 300; i++) {
      List<Offer> offers = new ArrayList<>();
      for (int o = 0; o < 4; o++) {
        String[] touched =
            switch (random.nextInt(3)) {
              case 0 -> new String[] {"Seats"};
              case 1 -> new String[] {"Account"};
              default -> new String[] {};
            };
        offers.add(
            random.nextInt(3) == 0
                ? new Offer(
                    "o" + o,
                    new Offer.Benefit.Percent(new BigDecimal("0." + (1 + random.nextInt(8)))),
                    1 + random.nextInt(6),
                    Offer.Conditions.NONE,
                    null,
                    Set.of(touched))
                : off("o" + o, "" + (1 + random.nextInt(40)), 1 + random.nextInt(6), touched));
      }
      Ledger first = bill(offers);
      for (int turn = 0; turn < 4; turn++) {
        Collections.shuffle(offers, random);
        assertEquals(
            bill(offers).months(CostTiming.SPREAD),
            first.months(CostTiming.SPREAD),
            offers.toString());
      }
    }
  }

  @Test
  public void aFeeWithoutAShareOfThePaymentNeedsNoAveragePayment() {
    PriceList list =
        new PriceList(
            BillingTerm.MONTHLY,
            EUR,
            List.of(
                new Charge.PaymentFee("Fee", Measure.CARD_PAYMENTS, BigDecimal.ZERO, eur("0.25"))));
    Ledger ledger =
        Samples.bill(
            list,
            List.of(UnitsNeeded.whole(java.util.Map.of("card-payments", 10))),
            PriceRise.NONE);
    assertEquals(ledger.total(CostTiming.SPREAD), money("2.50"));
  }
}
