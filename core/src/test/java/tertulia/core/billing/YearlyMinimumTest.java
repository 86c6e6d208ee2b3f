package tertulia.core.billing;

import static org.testng.Assert.assertEquals;
import static tertulia.core.Samples.EUR;
import static tertulia.core.Samples.JAN_2027;
import static tertulia.core.Samples.money;
import static tertulia.core.Samples.plan;
import static tertulia.core.Samples.seats;
import static tertulia.core.Samples.seatsNeeded;

import java.util.Collections;
import java.util.List;
import java.util.Optional;
import org.joda.money.Money;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.core.Samples;
import tertulia.core.fit.Fit;
import tertulia.core.fit.Offering;
import tertulia.core.money.ExchangeRates;
import tertulia.core.money.PriceRise;
import tertulia.core.path.Market;
import tertulia.core.path.PlanPath;
import tertulia.core.path.PlanPaths;
import tertulia.core.path.Terms;
import tertulia.core.pricing.BillingTerm;
import tertulia.core.pricing.PriceList;
import tertulia.core.time.Horizon;

/** A yearly minimum rises, and holds for every year that is committed to. */
public class YearlyMinimumTest {
  private static PriceList list(BillingTerm term) {
    return new PriceList(
        term, EUR, List.of(seats("10")), List.of(), Optional.of(Samples.eur("1000")));
  }

  private static PlanPath way(BillingTerm term, int months, String rise) {
    Horizon horizon = new Horizon(JAN_2027, months);
    Market market =
        new Market(
            new Fit(List.of()),
            java.util.Map.of(),
            EUR,
            ExchangeRates.NONE,
            java.time.LocalDate.of(2026, 11, 24),
            Terms.ANY,
            Optional.empty(),
            horizon);
    List<UnitsNeeded> needed = Collections.nCopies(months, seatsNeeded(5));
    return ((PlanPaths.Found)
            PlanPaths.through(
                List.of(new Offering(plan("Only", list(term)), java.util.Map.of())),
                market,
                needed,
                PriceRise.ofPercent(rise),
                horizon,
                CostTiming.SPREAD,
                EarlyTerminationPolicy.CREDITED,
                Money.zero(EUR)))
        .best();
  }

  @DataProvider
  public Object[][] minimums() {
    return new Object[][] {
      // 5 seats at 10 are 600 a year: 400 are missing, and with a rise of 10 % 440 in the second
      {BillingTerm.MONTHLY, 24, "0", "2000.00", "0.00"},
      {BillingTerm.MONTHLY, 24, "10", "2100.00", "0.00"},
      {BillingTerm.YEARLY_UP_FRONT, 24, "10", "2100.00", "0.00"},
      // an unfinished year owes its months: 6/12 of 1,100 against 330 charged
      {BillingTerm.MONTHLY, 18, "10", "1550.00", "0.00"},
      // a year that a commitment will finish counts as finished, spread over its twelve months
      {BillingTerm.YEARLY_UP_FRONT, 18, "10", "1550.02", "549.98"},
      // three years are committed to, at the price of their start: each of them owes 400
      {new BillingTerm(36, BillingTerm.Payment.UP_FRONT), 12, "10", "1000.00", "2000.00"},
      {new BillingTerm(36, BillingTerm.Payment.UP_FRONT), 18, "10", "1500.02", "1499.98"},
    };
  }

  @Test(dataProvider = "minimums")
  public void theMinimumRisesAndEveryCommittedYearCounts(
      BillingTerm term, int months, String rise, String total, String past) {
    PlanPath way = way(term, months, rise);
    assertEquals(way.ledger().total(CostTiming.SPREAD), money(total));
    assertEquals(way.ledger().pastHorizon(CostTiming.SPREAD), money(past));
  }

  @Test
  public void aYearThatReachesItsMinimumIsHeldAgainstItAllTheSame() {
    PriceList reached =
        new PriceList(
            BillingTerm.MONTHLY,
            EUR,
            List.of(seats("10")),
            List.of(),
            Optional.of(Samples.eur("500")));
    Ledger ledger =
        Samples.bill(
            plan("Only", reached),
            reached,
            Collections.nCopies(12, seatsNeeded(5)),
            PriceRise.NONE);
    assertEquals(ledger.total(CostTiming.SPREAD), money("600.00"));
    PlanPath way = way(BillingTerm.MONTHLY, 24, "0");
    assertEquals(way.minimums().size(), 2);
    assertEquals(way.minimums().getFirst().line().amount(), money("400.00"));
  }
}
