package tertulia.core.path;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static tertulia.core.Samples.EUR;
import static tertulia.core.Samples.list;
import static tertulia.core.Samples.plan;
import static tertulia.core.Samples.seats;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.core.fit.Fit;
import tertulia.core.fit.Offering;
import tertulia.core.growth.Demand;
import tertulia.core.growth.Measure;
import tertulia.core.growth.People;
import tertulia.core.money.ExchangeRates;
import tertulia.core.money.UnitPrice;
import tertulia.core.pricing.BillingTerm;
import tertulia.core.pricing.Charge;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.PriceList;
import tertulia.core.pricing.UnitRule;

public class WholeStaffTest {
  private static final Market MARKET =
      new Market(
          new Fit(List.of()),
          Map.of(
              Measure.SEATS,
              new Demand(BigDecimal.ZERO, Map.of("g", BigDecimal.ONE)),
              Measure.WHOLE_STAFF,
              new Demand(BigDecimal.ZERO, Map.of("g", BigDecimal.ONE))),
          EUR,
          ExchangeRates.NONE,
          LocalDate.of(2026, 11, 24),
          Terms.ANY,
          Optional.empty(),
          new tertulia.core.time.Horizon(tertulia.core.Samples.JAN_2027, 36));

  private static PriceList wholeStaff(String price) {
    return list(
        BillingTerm.MONTHLY,
        new Charge.PerUnit(
            "Whole staff", Measure.WHOLE_STAFF, UnitPrice.of("EUR", price), UnitRule.PLAIN));
  }

  private static Optional<Integer> from(int staff, Plan... plans) {
    List<Offering> offerings =
        java.util.Arrays.stream(plans).map(plan -> new Offering(plan, Map.of())).toList();
    People people = new People(Map.of("g", staff), 1, 1);
    return WholeStaff.of(offerings, MARKET, people, MARKET.occasion(people, 0))
        .map(WholeStaff::named);
  }

  @DataProvider
  public Object[][] prices() {
    return new Object[][] {
      // 18 · 120 = 2160 against 52 · 41 = 2132 and 53 · 41 = 2173
      {"18", "41", 120, Optional.of(53)},
      // equal at 20 named people, so from the 21st
      {"10", "50", 100, Optional.of(21)},
      // named seats stay cheaper for everybody
      {"18", "17", 120, Optional.empty()},
      // the whole staff is cheaper from the first
      {"1", "500", 120, Optional.empty()},
    };
  }

  @Test(dataProvider = "prices")
  public void fromTheFirstNamedPersonWhoMakesItDearer(
      String whole, String seat, int staff, Optional<Integer> named) {
    Plan all = plan("All", wholeStaff(whole));
    Plan some = plan("Some", list(BillingTerm.MONTHLY, seats(seat)));
    assertEquals(from(staff, all, some), named);
    assertEquals(from(staff, some, all), named);
  }

  @Test
  public void aToolThatSellsOnlyOneHasNoneToCompare() {
    assertTrue(from(120, plan("All", wholeStaff("18"))).isEmpty());
    assertTrue(from(120, plan("Some", list(BillingTerm.MONTHLY, seats("41")))).isEmpty());
  }
}
