package tertulia.core.pricing;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static tertulia.core.Samples.EUR;
import static tertulia.core.Samples.PAGE;
import static tertulia.core.Samples.seats;

import java.math.BigDecimal;
import java.util.List;
import org.testng.annotations.Test;
import tertulia.core.growth.Measure;

/** What a page leaves open of a plan's prices. */
public class UnsaidTest {
  private static final Unsaid OF_SEATS = new Unsaid(Unsaid.Kind.TERM, "Seats", BillingTerm.MONTHLY);
  private static final Unsaid OF_ARCHIVE =
      new Unsaid(Unsaid.Kind.UNIT, "Archive", BillingTerm.MONTHLY);

  private static Plan plan() {
    PriceList monthly = new PriceList(BillingTerm.MONTHLY, EUR, List.of(seats("5")));
    PriceList yearly = new PriceList(BillingTerm.YEARLY_UP_FRONT, EUR, List.of(seats("4")));
    return new Plan(
        "p",
        "Plan",
        new SeatRange(Measure.SEATS, 0, null),
        new PlanPrices.Listed(List.of(monthly, yearly)),
        Tax.NOT_INCLUDED,
        List.of(),
        List.of(OF_SEATS, OF_ARCHIVE),
        PAGE);
  }

  @Test
  public void itIsReadUnderItsTermAndOfThePlansOwnCharges() {
    assertEquals(plan().unsaid(BillingTerm.MONTHLY), List.of(OF_SEATS), "an add-on is none");
    assertEquals(plan().unsaid(BillingTerm.YEARLY_UP_FRONT), List.of());
    assertEquals(
        plan().times(new BigDecimal("0.5")).unsaid(BillingTerm.MONTHLY),
        List.of(OF_SEATS),
        "half the price leaves as much open");
  }

  @Test
  public void aLimitForTheAccountOrForEachSeatIsReadBothWaysAndNeverBelowZero() {
    Allowance.Limit.AccountOrSeat ten =
        new Allowance.Limit.AccountOrSeat(BigDecimal.TEN, Measure.SEATS);
    assertEquals(ten.forAccount().of(5), BigDecimal.TEN);
    assertEquals(ten.forEachSeat().of(5), new BigDecimal("50"));
    assertEquals(ten.words(), "10 for the account or for each of the seats");
    assertThrows(
        IllegalArgumentException.class,
        () -> new Allowance.Limit.AccountOrSeat(BigDecimal.ONE.negate(), Measure.SEATS));
  }
}
