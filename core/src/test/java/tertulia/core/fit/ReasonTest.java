package tertulia.core.fit;

import static org.testng.Assert.assertEquals;

import java.math.BigDecimal;
import java.util.Optional;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.core.growth.Measure;

/** What differs has to read differently. */
public class ReasonTest {
  @DataProvider
  public Object[][] quantities() {
    return new Object[][] {
      {"20.004", "20", "gigabytes kept: 20.004 of 20"},
      {"0.4", "0", "gigabytes kept: 0.4 of 0"},
      {"1200.50", "1200.25", "gigabytes kept: 1,200.5 of 1,200.25"},
      {"30", "25", "gigabytes kept: 30 of 25"},
    };
  }

  @Test(dataProvider = "quantities")
  public void quantitiesKeepTheirDecimals(String needed, String most, String sentence) {
    assertEquals(
        new Reason.OverAllowance(
                Measure.GIGABYTES_KEPT,
                new BigDecimal(needed),
                new BigDecimal(most),
                BigDecimal.ZERO,
                Optional.empty())
            .sentence(),
        sentence);
  }

  @Test
  public void whatIsHadOutsideAndNotEnoughIsSaid() {
    assertEquals(
        new Reason.OverAllowance(
                Measure.GIGABYTES_KEPT,
                new BigDecimal("260"),
                new BigDecimal("200"),
                new BigDecimal("50"),
                Optional.of("Sep 2028"))
            .sentence(),
        "gigabytes kept: 260 of 200, and 50 outside from Sep 2028");
  }
}
