package tertulia.app.display;

import static org.testng.Assert.assertEquals;

import java.math.BigDecimal;
import java.util.List;
import org.testng.annotations.Test;
import tertulia.core.growth.Measure;
import tertulia.core.working.Quantity;

/** One of a thing reads as one. */
public class OneOfItTest {
  @Test
  public void everyMeasureHasItsSingular() {
    assertEquals(
        Measure.KNOWN.stream().map(measure -> Figures.counted(1, measure.label())).toList(),
        List.of(
            "1 seat",
            "1 light seat",
            "1 staff",
            "1 linked calendar",
            "1 phone line",
            "1 host",
            "1 board",
            "1 booking",
            "1 automation run",
            "1 recorded hour",
            "1 text message",
            "1 card payment",
            "1 gigabyte kept",
            "1 message kept",
            "1 person in one call",
            "1 minute of one recording"));
    assertEquals(Figures.counted(1, "people"), "1 person");
  }

  @Test
  public void othersStayMany() {
    assertEquals(Figures.counted(0, "seats"), "0 seats");
    assertEquals(Figures.counted(1_200, "people"), "1,200 people");
    assertEquals(Figures.quantity(new Quantity(new BigDecimal("1.5"), "hours")), "1.5 hours");
    assertEquals(Figures.quantity(new Quantity(new BigDecimal("1.00"), "months")), "1 month");
    assertEquals(Figures.quantity(new Quantity(BigDecimal.ONE, "of 5")), "1 of 5");
    assertEquals(Figures.quantity(new Quantity(BigDecimal.ONE, "EUR")), "1.00 EUR");
  }
}
