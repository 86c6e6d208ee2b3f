package tertulia.core.money;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static tertulia.core.Samples.EUR;
import static tertulia.core.Samples.money;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.testng.annotations.Test;

public class ExchangeRatesTest {
  private static final LocalDate OCT = LocalDate.of(2026, 10, 1);
  private static final LocalDate NOV = LocalDate.of(2026, 11, 1);
  private static final ExchangeRates RATES =
      new ExchangeRates(
          List.of(
              new ExchangeRate(CurrencyUnit.GBP, EUR, new BigDecimal("1.16"), NOV, "test"),
              new ExchangeRate(CurrencyUnit.GBP, EUR, new BigDecimal("1.15"), OCT, "test")));

  private static Conversion pounds(String amount, CurrencyUnit to, LocalDate on) {
    return RATES.convert(Money.of(CurrencyUnit.GBP, new BigDecimal(amount)), to, on);
  }

  private static Money converted(Conversion conversion) {
    return ((Conversion.Converted) conversion).money();
  }

  @Test
  public void theLatestRateOnOrBeforeTheDateCounts() {
    assertEquals(converted(pounds("100", EUR, NOV)), money("116.00"));
    assertEquals(converted(pounds("100", EUR, NOV.minusDays(1))), money("115.00"));
    assertEquals(converted(pounds("0.43", EUR, NOV)), money("0.50"));
  }

  @Test
  public void withoutARateThereIsNoFigure() {
    Conversion before = pounds("100", EUR, OCT.minusDays(1));
    assertEquals(((Conversion.NoRate) before).reason(), "no rate GBP to EUR");
  }

  @Test
  public void ratesAreNeitherInvertedNorChained() {
    Conversion inverse = RATES.convert(money("1"), CurrencyUnit.GBP, NOV);
    assertEquals(((Conversion.NoRate) inverse).reason(), "no rate EUR to GBP");
    assertEquals(
        ((Conversion.NoRate) pounds("1", CurrencyUnit.USD, NOV)).reason(), "no rate GBP to USD");
  }

  @Test
  public void mixedCurrenciesThrow() {
    assertThrows(
        org.joda.money.CurrencyMismatchException.class,
        () -> money("1").plus(Money.of(CurrencyUnit.GBP, BigDecimal.ONE)));
  }
}
