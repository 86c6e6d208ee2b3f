package tertulia.core.growth;

import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.Random;
import org.testng.annotations.Test;

/** The root to the digits that are promised. */
public class TwelfthRootTest {
  /** From the most a group may shrink in a year to the most it may grow, and beyond. */
  @Test
  public void twelveOfItGiveTheNumberBack() {
    Random random = new Random(12);
    for (int i = 0; i < 300; i++) {
      BigDecimal x = BigDecimal.valueOf(1 + random.nextInt(200_000), 1 + random.nextInt(6));
      BigDecimal back = TwelfthRoot.of(x).pow(12, new MathContext(60));
      BigDecimal off = back.subtract(x).abs().divide(x, new MathContext(5));
      // forty digits of the root, twelve times
      assertTrue(off.compareTo(new BigDecimal("1E-38")) < 0, x + " is off by " + off);
    }
  }
}
