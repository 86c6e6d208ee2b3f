package tertulia.app.exchange;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.math.BigDecimal;
import java.text.DecimalFormat;
import java.text.DecimalFormatSymbols;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import org.testng.annotations.Test;

public class TypedNumberTest {
  @Test
  public void numbersAreReadAsPeopleWriteThem() {
    Map<String, String> written =
        Map.ofEntries(
            Map.entry("7.30", "7.30"),
            Map.entry("7,30", "7.30"),
            Map.entry("14,000", "14000"),
            Map.entry("14.000,00", "14000.00"),
            Map.entry("1,299.00", "1299.00"),
            Map.entry("1.299,00", "1299.00"),
            Map.entry("1 299.00", "1299.00"),
            Map.entry("1'299.50", "1299.50"),
            Map.entry("1\u202f299", "1299"),
            Map.entry("2.500.000", "2500000"),
            Map.entry("4/12", "0.33333333"),
            Map.entry("96 / 12", "8"),
            Map.entry("1,200/12", "100"),
            Map.entry("-3", "-3"),
            Map.entry("14.000", "14.000"),
            Map.entry(" 5 ", "5"),
            Map.entry("0,5", "0.5"));
    written.forEach((text, read) -> assertEquals(TypedNumber.read(text).text(), read, text));
    assertTrue(TypedNumber.read("7.30").plain());
    assertFalse(TypedNumber.read("14,000").plain());
  }

  @Test
  public void whatIsNoNumberIsRefused() {
    for (String text :
        List.of(
            "",
            "x",
            "1/0",
            "1/2/3",
            "/",
            "1,2,3",
            "1.2.3",
            "12 34",
            "1e9",
            "1..2",
            "٣",
            "--1",
            "1,00,000",
            "9".repeat(30))) {
      String message =
          expectThrows(IllegalArgumentException.class, () -> TypedNumber.read(text)).getMessage();
      assertTrue(message.endsWith("is not a number. Write it like 7.30, 1,200 or 4/12."), message);
    }
  }

  @Test
  public void onlyWholeNumbersAreWhole() {
    assertEquals(TypedNumber.readWhole("14.000,00"), 14_000);
    assertEquals(TypedNumber.readWhole("96/12"), 8);
    for (String text : List.of("7.5", "1/3", "12,345,678,901", "nine", "")) {
      expectThrows(IllegalArgumentException.class, () -> TypedNumber.readWhole(text));
    }
  }

  /** Whatever a country writes with two decimals is read back. */
  @Test
  public void whatCountriesWriteIsReadBack() {
    Random random = new Random(11);
    for (Locale locale :
        List.of(
            Locale.UK,
            Locale.GERMANY,
            Locale.FRANCE,
            Locale.of("de", "CH"),
            Locale.of("sv", "SE"))) {
      DecimalFormat format =
          new DecimalFormat("#,##0.00", DecimalFormatSymbols.getInstance(locale));
      for (int i = 0; i < 500; i++) {
        BigDecimal number = BigDecimal.valueOf(random.nextLong(1L << random.nextInt(1, 40)), 2);
        assertEquals(
            TypedNumber.read(format.format(number)).value(),
            number,
            locale + " " + format.format(number));
      }
    }
  }

  /** A share of each head, written as a fraction, never makes one unit more of whole people. */
  @Test
  public void aFractionOfWholePeopleIsWhole() {
    for (int of = 1; of <= 60; of++) {
      for (int parts = 1; parts <= of; parts++) {
        BigDecimal rate = TypedNumber.read(parts + "/" + of).value();
        BigDecimal units = rate.multiply(BigDecimal.valueOf(7L * of));
        assertEquals(units.setScale(0, java.math.RoundingMode.CEILING).intValue(), 7 * parts);
      }
    }
  }
}
