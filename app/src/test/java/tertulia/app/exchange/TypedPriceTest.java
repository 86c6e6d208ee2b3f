package tertulia.app.exchange;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.expectThrows;

import java.util.List;
import java.util.Map;
import org.testng.annotations.Test;

public class TypedPriceTest {
  @Test
  public void pricesAreReadAsPagesWriteThem() {
    Map<String, String> euro =
        Map.ofEntries(
            Map.entry("8", "8"),
            Map.entry("8.40", "8.40"),
            Map.entry("€8,40", "8.40"),
            Map.entry("8,40 €", "8.40"),
            Map.entry("EUR 1,299.00", "1299.00"),
            Map.entry("1.299,00 EUR", "1299.00"),
            Map.entry("96 a year", "96 a year"),
            Map.entry("€100 per year", "100 a year"),
            Map.entry("96/year", "96 a year"),
            Map.entry("96/12", "96 a year"),
            Map.entry("100/12", "100 a year"),
            Map.entry("€1,299.00 per year", "1299.00 a year"),
            Map.entry("180 for 24 months", "180 for 24 months"),
            Map.entry("8 a month", "8"),
            Map.entry("8 € monthly", "8"),
            Map.entry("1,200 yearly", "1200 a year"),
            Map.entry("Free", "0"),
            Map.entry("0", "0"));
    euro.forEach((text, read) -> assertEquals(TypedPrice.read(text, "EUR", true), read, text));
    for (String dollars : List.of("USD", "cad", "AUD")) {
      assertEquals(TypedPrice.read("$8", dollars, true), "8");
    }
  }

  @Test
  public void aPriceOfAnotherCurrencyIsNotTakenForOneOfThese() {
    for (String text : List.of("$8", "£8", "GBP 8", "8 USD", "8 CHF a month")) {
      String message =
          expectThrows(IllegalArgumentException.class, () -> TypedPrice.read(text, "EUR", true))
              .getMessage();
      assertEquals(
          message.substring(message.indexOf("and the prices")),
          "and the prices of this plan are in EUR. Change one of them.",
          text);
    }
  }

  @Test
  public void whatIsPaidOnceHasNoYear() {
    assertEquals(TypedPrice.read("€96", "EUR", false), "96");
    assertEquals(
        expectThrows(
                IllegalArgumentException.class, () -> TypedPrice.read("96 a year", "EUR", false))
            .getMessage(),
        "\"96 a year\": this is paid once or by use, not every year. Write the amount alone.");
  }

  @Test
  public void whatIsNoPriceIsRefused() {
    for (String text :
        List.of("", "eight", "8 a week", "8 or 9", "€", "a year", "8 a year a year")) {
      expectThrows(IllegalArgumentException.class, () -> TypedPrice.read(text, "EUR", true));
    }
  }
}
