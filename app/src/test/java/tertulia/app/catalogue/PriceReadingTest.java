package tertulia.app.catalogue;

import static org.testng.Assert.assertEquals;

import java.util.List;
import java.util.Optional;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.app.exchange.ToolSheet;

/** What is said beside a price is what it comes to. */
public class PriceReadingTest {
  private static ToolSheet.ChargePart each(String price) {
    return new ToolSheet.PerUnitPart("Seats", "seats", price, 0, 1, 0);
  }

  private static ToolSheet.ChargePart banded(String mode, int minimum, int included) {
    return new ToolSheet.BandedPart(
        "Seats",
        "seats",
        mode,
        List.of(
            new ToolSheet.BandPart(25, "8.40", "0"),
            new ToolSheet.BandPart(60, "6.90", "0"),
            new ToolSheet.BandPart(null, "5.10", "0")),
        minimum,
        1,
        included);
  }

  private static ToolSheet.ChargePart upTo25() {
    return new ToolSheet.BandedPart(
        "Seats", "seats", "whole", List.of(new ToolSheet.BandPart(25, "0", "90")), 0, 1, 0);
  }

  @DataProvider
  Object[][] readings() {
    ToolSheet.ChargePart once = new ToolSheet.OneOffPart("Setting up", "1299.00", null);
    return new Object[][] {
      {each("8"), each("8"), "8", "EUR", "96.00 a year"},
      {each("8"), each("8"), "€8", "EUR", "8.00 a month, 96.00 a year"},
      {each("8"), each("14"), "8 to 14", "EUR", "96.00 to 168.00 a year"},
      {each("0.0333"), each("0.0333"), "0.0333", "EUR", "0.3996 a year"},
      {each("900"), each("900"), "900", "JPY", "10,800 a year"},
      {once, once, "1,299.00", "EUR", "read as 1,299.00"},
      {
        banded("whole", 0, 0),
        banded("whole", 0, 0),
        "",
        "EUR",
        "10 → 84.00, 25 → 210.00, 26 → 179.40 a month"
      },
      {
        banded("sliced", 0, 0),
        banded("sliced", 0, 0),
        "",
        "EUR",
        "10 → 84.00, 25 → 210.00, 26 → 216.90 a month"
      },
      {
        banded("whole", 12, 10),
        banded("whole", 12, 10),
        "",
        "EUR",
        "10 → 100.80, 25 → 126.00, 26 → 134.40 a month"
      },
      {upTo25(), upTo25(), "", "EUR", "10 → 90.00, 25 → 90.00 a month"},
    };
  }

  @Test(dataProvider = "readings")
  public void saysWhatItComesTo(
      ToolSheet.ChargePart low, ToolSheet.ChargePart high, String typed, String in, String said) {
    assertEquals(PriceReading.of(low, high, typed, in), Optional.of(said));
  }

  @Test
  public void saysNothingWhereThereIsNothingToSay() {
    ToolSheet.ChargePart once = new ToolSheet.OneOffPart("Setting up", "240", null);
    assertEquals(PriceReading.of(once, once, "240", "EUR"), Optional.empty());
    assertEquals(PriceReading.of(each("8"), each("8"), "8", "Euro"), Optional.empty());
  }
}
