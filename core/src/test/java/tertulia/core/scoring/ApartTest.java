package tertulia.core.scoring;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Random;
import org.testng.annotations.Test;

public class ApartTest {
  private static final BigDecimal THOUSANDTH = new BigDecimal("0.001");

  private static Totals.Apart apart(String above, String below) {
    return new Totals.Apart(new BigDecimal(above), new BigDecimal(below));
  }

  @Test
  public void itIsWhatTheTotalsAsReadDifferBy() {
    assertEquals(apart("0.7964", "0.7906").asRead(), new BigDecimal("0.005"));
    assertEquals(apart("0.7964", "0.7906").exactly(), new BigDecimal("0.0058"));
    assertEquals(apart("0.7914", "0.7906").asRead(), new BigDecimal("0.000"));
    assertTrue(!apart("0.7914", "0.7906").isLevel(), "they read alike and are not");
    assertTrue(apart("0.75", "0.7500000000001").isLevel());
    assertEquals(apart("0.3", "0.5").asRead(), new BigDecimal("-0.200"));
  }

  /** What stands beside two totals never denies them, nor lies by a thousandth or more. */
  @Test
  public void generatedTotals() {
    Random random = new Random(11);
    for (int i = 0; i < 2000; i++) {
      BigDecimal above = BigDecimal.valueOf(random.nextInt(100_001), 5);
      BigDecimal below =
          above.subtract(BigDecimal.valueOf(random.nextInt(400), 5)).max(BigDecimal.ZERO);
      Totals.Apart apart = new Totals.Apart(above, below);
      assertEquals(
          below.setScale(3, RoundingMode.HALF_UP).add(apart.asRead()),
          above.setScale(3, RoundingMode.HALF_UP));
      assertTrue(apart.asRead().subtract(apart.exactly()).abs().compareTo(THOUSANDTH) < 0);
    }
  }
}
