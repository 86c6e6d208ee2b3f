package tertulia.app.catalogue;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.app.exchange.ToolSheet;

/** Bands in words: what is shown is read as what it was, and each way to write one is one. */
public class BandTextTest {
  private static final int CASES = 500;

  private static List<ToolSheet.BandPart> read(String text) {
    List<String> refused = new ArrayList<>();
    List<ToolSheet.BandPart> bands = BandText.read(text, "EUR", refused::add);
    assertEquals(refused, List.of());
    return bands;
  }

  private static ToolSheet.BandedPart banded(List<ToolSheet.BandPart> bands) {
    return new ToolSheet.BandedPart("Seats", "seats", "whole", bands, 0, 1, 0);
  }

  @Test
  public void bandsInOneSentenceAreReadToo() {
    assertEquals(
        read("up to 75 people 190 in all, then 2.90 each"),
        List.of(new ToolSheet.BandPart(75, "0", "190"), new ToolSheet.BandPart(null, "2.90", "0")));
    // a comma between thousands parts nothing
    assertEquals(read("to 1,200: 8.40 each").size(), 1);
  }

  @Test
  public void onlyBandsAreTakenForBands() {
    assertTrue(BandText.isBands("up to 75: 190 in all; above: 2.90 each", "EUR"));
    assertTrue(BandText.isBands("to 25: 8.40 each", "EUR"));
    for (String price : List.of("8.40", "96/12", "96 a year", "25 8.40", "8 to 14", "to 25", "")) {
      assertFalse(BandText.isBands(price, "EUR"), price);
    }
  }

  @DataProvider
  Object[][] lines() {
    ToolSheet.BandPart each = new ToolSheet.BandPart(25, "8.40", "0");
    ToolSheet.BandPart inAll = new ToolSheet.BandPart(25, "0", "90");
    ToolSheet.BandPart both = new ToolSheet.BandPart(null, "8.40", "90");
    return new Object[][] {
      {"to 25: 8.40 each", each},
      {"up to 25: 8.40 each", each},
      {"25 8.40", each},
      {"25: 8.40", each},
      {"25 at 8,40 € each", each},
      {"To 25: EUR 8.40 each", each},
      {"to 25: 90 in all", inAll},
      {"up to 25 for 90 in all", inAll},
      {"25 = 90 flat", inAll},
      {"25 0 90", inAll},
      {"25: €90 in all", inAll},
      {"to 25: 1080/12 in all", new ToolSheet.BandPart(25, "0", "1080 a year")},
      {"to 25: 1080 a year in all", new ToolSheet.BandPart(25, "0", "1080 a year")},
      {
        "above: 100 a year each plus 180 for 24 months",
        new ToolSheet.BandPart(null, "100 a year", "180 for 24 months")
      },
      {"above: 8.40 each plus 90", both},
      {"more 8.40 90", both},
      {"above 8.40 each and 90 in all", both},
      {"up to 25 people 90 in all", inAll},
      {"to 25 seats: 8.40 each", each},
      {"then 8.40 each plus 90", both},
      {"to 1,200: 1,299.00 in all", new ToolSheet.BandPart(1200, "0", "1299.00")},
    };
  }

  @Test(dataProvider = "lines")
  public void everyWayToWriteOneIsRead(String line, ToolSheet.BandPart band) {
    assertEquals(read(line), List.of(band));
  }

  @DataProvider
  Object[][] refused() {
    return new Object[][] {
      {"25"}, {"25 8 9 10"}, {"to many: 8 each"}, {"to 25: cheap"}, {"to 25: £8 each"}, {"each 8"}
    };
  }

  @Test(dataProvider = "refused")
  public void whatIsNoneIsRefusedWithASentence(String line) {
    List<String> refused = new ArrayList<>();
    assertEquals(BandText.read(line, "EUR", refused::add), List.of());
    assertEquals(refused.size(), 1, refused.toString());
  }

  @Test
  public void whatIsShownIsReadAsWhatItWas() {
    Random random = new Random(25);
    for (int i = 0; i < CASES; i++) {
      List<ToolSheet.BandPart> bands = new ArrayList<>();
      int upTo = 0;
      for (int b = 0, n = 1 + random.nextInt(5); b < n; b++) {
        upTo += 1 + random.nextInt(400);
        bands.add(
            new ToolSheet.BandPart(
                b == n - 1 && random.nextBoolean() ? null : Integer.valueOf(upTo),
                price(random),
                price(random)));
      }
      String shown = String.join("\n", BandText.lines(banded(bands), banded(bands)));
      assertEquals(read(shown), bands, shown);
    }
  }

  private static String price(Random random) {
    return random.nextInt(3) == 0
        ? "0"
        : BigDecimal.valueOf(1 + random.nextInt(20_000_000), random.nextInt(5)).toPlainString();
  }
}
