package tertulia.app.display;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.core.scoring.Interval;
import tertulia.core.working.Derivation;
import tertulia.core.working.Ground;
import tertulia.core.working.Provenance;
import tertulia.core.working.Quantity;

public class FiguresTest {
  @DataProvider
  public Object[][] quantities() {
    return new Object[][] {
      {"1234.5", "EUR", "1,234.50 EUR"},
      {"6.3512", "EUR", "6.3512 EUR"},
      {"-12", "EUR", "−12.00 EUR"},
      {"1200", "JPY", "1,200 JPY"},
      {"62", "seats", "62 seats"},
      {"0.375", "", "0.375"},
      {"0.3333333333", "", "0.333333"},
      {"1000000", "people", "1,000,000 people"},
      {"100", "", "100"},
    };
  }

  @Test(dataProvider = "quantities")
  public void quantitiesReadWithTheirUnit(String amount, String unit, String reads) {
    assertEquals(Figures.quantity(new Quantity(new BigDecimal(amount), unit)), reads);
  }

  @Test
  public void moneyScoresAndChanges() {
    Money money = Money.of(CurrencyUnit.EUR, new BigDecimal("12345.60"));
    assertEquals(Figures.money(money), "12,345.60");
    assertEquals(Figures.moneyIn(money), "12,345.60 EUR");
    assertEquals(Figures.change(new BigDecimal("0.314")), "+31 %");
    assertEquals(Figures.change(new BigDecimal("-0.05")), "−5 %");
    assertEquals(Figures.percent(new BigDecimal("0.375")), "38 %");
    assertEquals(Figures.score(Interval.exactly(new BigDecimal("0.69049"))), "0.690");
    assertEquals(
        Figures.score(new Interval(new BigDecimal("0.505"), new BigDecimal("0.7555"))),
        "0.505 to 0.756");
    assertEquals(Figures.score(Interval.UNKNOWN), "not known");
  }

  @Test
  public void datesReadAsPeopleWriteThem() {
    assertEquals(Dates.day(LocalDate.of(2026, 11, 4)), "4 Nov 2026");
    assertEquals(Dates.month(YearMonth.of(2028, 6)), "June 2028");
    assertEquals(Dates.shortMonth(YearMonth.of(2028, 6)), "Jun 2028");
  }

  @Test
  public void aWorkingReadsWithSourceRuleAndWhatIsMissing() {
    Provenance page =
        new Provenance(LocalDate.of(2026, 11, 12), Ground.TRIED_BY_HAND, "Ilse", "", "", "");
    Derivation price =
        new Derivation.Entered(
            "price", new Quantity(new BigDecimal("7.2"), "EUR"), Optional.of(page));
    Derivation product =
        Derivation.Product.of(
            "Seats",
            "EUR",
            List.of(new Derivation.Entered("paid for", Quantity.of(62, "seats")), price));
    WorkingLine line = WorkingLine.of(product);
    assertEquals(line.value(), "446.40 EUR");
    assertEquals(line.rule(), "the product of");
    assertEquals(line.parts().get(1).source(), "as of 12 Nov 2026, tried by hand, Ilse");
    WorkingLine missing = WorkingLine.of(new Derivation.Missing("Port", "price on request"));
    assertEquals(missing.value(), "not known");
    assertEquals(missing.rule(), "price on request");
    assertEquals(missing.kind(), "missing");
  }

  @Test
  public void aWorkingThatDoesNotAddUpCannotExist() {
    Derivation one = new Derivation.Entered("one", Quantity.of(1, "EUR"));
    for (Runnable attempt :
        List.<Runnable>of(
            () -> new Derivation.Sum("s", Quantity.of(3, "EUR"), List.of(one, one)),
            () -> new Derivation.Product("p", Quantity.of(2, "EUR"), List.of(one, one)),
            () -> new Derivation.Taken("t", Quantity.of(2, "EUR"), "rule", List.of(one)))) {
      try {
        attempt.run();
        assertTrue(false, "a working that does not add up was made");
      } catch (IllegalArgumentException e) {
        assertTrue(String.valueOf(e.getMessage()).contains("but its parts give"));
      }
    }
  }
}
