package tertulia.core.plausibility;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNotEquals;
import static org.testng.Assert.assertTrue;
import static tertulia.core.Samples.band;
import static tertulia.core.Samples.banded;
import static tertulia.core.Samples.capped;
import static tertulia.core.Samples.eur;
import static tertulia.core.Samples.list;
import static tertulia.core.Samples.plan;
import static tertulia.core.Samples.seats;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.core.growth.Measure;
import tertulia.core.money.UnitPrice;
import tertulia.core.pricing.BandMode;
import tertulia.core.pricing.BillingTerm;
import tertulia.core.pricing.Offer;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.Tool;

public class PlausibilityTest {
  private static final Peers SIX_EUROS =
      new Peers(
          Stream.of("4.00", "6.00", "6.00", "9.00")
              .map(amount -> new Peers.Price(Measure.SEATS, eur(amount)))
              .toList());

  private static Tool tool(Plan plan, Offer... offers) {
    return new Tool("t", "Tool", "", List.of(plan), List.of(offers), Optional.empty());
  }

  private static List<String> sentences(Tool tool, Peers peers) {
    return Plausibility.of(tool, peers).stream().map(Doubt::sentence).toList();
  }

  @DataProvider
  public Object[][] ways() {
    return new Object[][] {
      // a yearly price a month, a monthly price, what is asked
      {"7.30", "9.10", "nothing"},
      {"9.10", "9.10", "nothing"},
      {"9.20", "9.10", "dearer"},
      {"72.79", "9.10", "dearer"},
      {"72.80", "9.10", "ten-times"},
      {"109.20", "9.10", "ten-times"},
      {"109.21", "9.10", "dearer"},
      {"0.91", "9.10", "ten-times"},
      {"0", "9.10", "nothing"},
    };
  }

  @Test(dataProvider = "ways")
  public void twoWaysToPayAreSetSideBySide(String yearly, String monthly, String asked) {
    Tool tool =
        tool(
            plan(
                "Crew",
                list(BillingTerm.MONTHLY, seats(monthly)),
                list(BillingTerm.YEARLY_UP_FRONT, seats(yearly))));
    List<Doubt> doubts = Plausibility.of(tool, Peers.NONE);
    assertEquals(doubts.isEmpty() ? "nothing" : doubts.getFirst().key().split("\\|")[0], asked);
  }

  @Test
  public void aYearsPriceEnteredAsAMonthsIsAskedAbout() {
    Tool tool =
        tool(
            plan(
                "Crew",
                list(BillingTerm.MONTHLY, seats("9.10")),
                list(BillingTerm.YEARLY_UP_FRONT, seats("87.60"))));
    assertEquals(
        sentences(tool, Peers.NONE),
        List.of(
            "Crew, Seats: yearly, up front comes to 876.00 a month for 10, monthly to 91.00,"
                + " about ten times less. Is a decimal point or a year's price in the wrong place?"));
  }

  @DataProvider
  public Object[][] prices() {
    return new Object[][] {
      // the middle of 4, 6, 6 and 9 is 6; eight times is 48, an eighth 0.75
      {"48.00", false}, {"48.01", true}, {"0.75", false}, {"0.7499", true}, {"0", false},
    };
  }

  @Test(dataProvider = "prices")
  public void aPriceEightTimesOffTheMiddleIsAskedAbout(String price, boolean asked) {
    List<Doubt> doubts =
        Plausibility.of(tool(plan("Crew", list(BillingTerm.MONTHLY, seats(price)))), SIX_EUROS);
    assertEquals(doubts.size(), asked ? 1 : 0);
  }

  @Test
  public void theQuestionNamesTheMiddlePrice() {
    Tool tool = tool(plan("Crew", list(BillingTerm.MONTHLY, seats("86"))));
    assertEquals(
        sentences(tool, SIX_EUROS),
        List.of(
            "Crew, Seats: 86.00 EUR for each of the seats; elsewhere in this work area the middle"
                + " price is 6.00. Is it for one of the seats, and for a month?"));
  }

  @Test
  public void unlikeCurrenciesAndTooFewPricesAreNotCompared() {
    Tool tool = tool(plan("Crew", list(BillingTerm.MONTHLY, seats("86"))));
    Peers pounds =
        new Peers(
            Stream.of("4", "6", "6")
                .map(a -> new Peers.Price(Measure.SEATS, UnitPrice.of("GBP", a)))
                .toList());
    assertEquals(sentences(tool, pounds), List.of());
    assertEquals(sentences(tool, new Peers(SIX_EUROS.prices().subList(0, 2))), List.of());
  }

  @Test
  public void peersAreTheUnitPricesThatAreNotFree() {
    Tool tool =
        tool(
            plan(
                "Crew",
                list(
                    BillingTerm.MONTHLY,
                    banded(BandMode.WHOLE, band(15, "0", "34"), band(null, "1.65", "0")))));
    assertEquals(
        Peers.of(Stream.of(tool)).prices(), List.of(new Peers.Price(Measure.SEATS, eur("1.65"))));
  }

  private static Offer off(String amount, Set<BillingTerm> terms) {
    return new Offer(
        "Welcome",
        new Offer.Benefit.AmountOff(eur(amount), 1),
        null,
        new Offer.Conditions(Set.of(), terms, false, null, null, 0),
        null,
        Set.of());
  }

  @Test
  public void anOfferAboveTheSmallestInvoiceIsAskedAbout() {
    Plan plan =
        plan(
            "Crew",
            list(BillingTerm.MONTHLY, seats("9.10")),
            list(BillingTerm.YEARLY_UP_FRONT, seats("7.30")));
    assertEquals(
        sentences(tool(plan, off("20", Set.of())), Peers.NONE),
        List.of(
            "Welcome takes 20.00 EUR off each invoice, but the smallest of Crew, monthly, is 9.10."
                + " An invoice does not fall below 0; is the amount right?"));
    // one seat for a year up front is 87.60
    assertEquals(
        sentences(tool(plan, off("87.60", Set.of(BillingTerm.YEARLY_UP_FRONT))), Peers.NONE),
        List.of());
  }

  @Test
  public void aPlanSoldForFewUnitsIsComparedWithThose() {
    Tool tool =
        tool(
            capped(
                "Pair",
                2,
                list(BillingTerm.MONTHLY, seats("3")),
                list(BillingTerm.YEARLY_UP_FRONT, seats("4"))));
    assertTrue(sentences(tool, Peers.NONE).getFirst().contains("8.00 a month for 2"));
  }

  @Test
  public void aChangedFigureIsAskedAboutAnew() {
    Tool nine =
        tool(
            plan(
                "Crew",
                list(BillingTerm.MONTHLY, seats("8")),
                list(BillingTerm.YEARLY_UP_FRONT, seats("9"))));
    Tool ten =
        tool(
            plan(
                "Crew",
                list(BillingTerm.MONTHLY, seats("8")),
                list(BillingTerm.YEARLY_UP_FRONT, seats("10"))));
    String key = Plausibility.of(nine, Peers.NONE).getFirst().key();
    assertEquals(Plausibility.of(nine, Peers.NONE).getFirst().key(), key);
    assertNotEquals(Plausibility.of(ten, Peers.NONE).getFirst().key(), key);
  }
}
