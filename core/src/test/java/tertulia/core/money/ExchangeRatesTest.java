package tertulia.core.money;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;
import static tertulia.core.Samples.EUR;
import static tertulia.core.Samples.money;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.testng.annotations.Test;

public class ExchangeRatesTest {
  private static final CurrencyUnit GBP = CurrencyUnit.GBP;
  private static final LocalDate OCT = LocalDate.of(2026, 10, 1);
  private static final LocalDate NOV = LocalDate.of(2026, 11, 1);
  private static final ExchangeRates RATES =
      new ExchangeRates(
          List.of(
              new ExchangeRate(GBP, EUR, new BigDecimal("1.16"), NOV, "test"),
              new ExchangeRate(GBP, EUR, new BigDecimal("1.15"), OCT, "test")));

  private static Money pounds(String amount) {
    return Money.of(GBP, new BigDecimal(amount));
  }

  private static Money inEuro(String amount, LocalDate on) {
    return RATES.latest(GBP, EUR, on).orElseThrow().convert(pounds(amount));
  }

  @Test
  public void theLatestRateOnOrBeforeTheDateCountsAndIsRoundedOnce() {
    assertEquals(inEuro("100", NOV), money("116.00"));
    assertEquals(inEuro("100", NOV.minusDays(1)), money("115.00"));
    assertEquals(inEuro("0.43", NOV), money("0.50"));
  }

  @Test
  public void ratesAreNeitherInvertedNorChainedNorGuessed() {
    assertTrue(RATES.latest(GBP, EUR, OCT.minusDays(1)).isEmpty());
    assertTrue(RATES.latest(EUR, GBP, NOV).isEmpty());
    assertTrue(RATES.latest(GBP, CurrencyUnit.USD, NOV).isEmpty());
  }

  @Test
  public void mixedCurrenciesThrow() {
    assertThrows(
        org.joda.money.CurrencyMismatchException.class, () -> money("1").plus(pounds("1")));
    ExchangeRate rate = RATES.latest(GBP, EUR, NOV).orElseThrow();
    assertThrows(IllegalArgumentException.class, () -> rate.convert(money("1")));
    assertThrows(
        IllegalArgumentException.class,
        () -> new ExchangeRate(EUR, EUR, BigDecimal.ONE, NOV, "test"));
    assertThrows(
        IllegalArgumentException.class,
        () -> new ExchangeRate(GBP, EUR, BigDecimal.ZERO, NOV, "test"));
  }
}
