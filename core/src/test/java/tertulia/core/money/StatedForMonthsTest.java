package tertulia.core.money;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.expectThrows;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.util.Random;
import org.joda.money.CurrencyUnit;
import org.testng.annotations.Test;

/** A sum for some months is exact in every share of it. */
public class StatedForMonthsTest {
  /** Against fractions of whole numbers, halves among them. */
  @Test
  public void everySharerIsWhatTheFractionIs() {
    Random random = new Random(24);
    for (int i = 0; i < 20_000; i++) {
      long tenThousandths =
          random.nextInt(4) == 0 ? 15L * random.nextInt(900) : random.nextInt(9_000_000);
      int stated = 1 + random.nextInt(UnitPrice.LONGEST);
      long units = 1 + random.nextInt(500);
      int months = 1 + random.nextInt(36);
      UnitPrice price =
          new UnitPrice(CurrencyUnit.EUR, BigDecimal.valueOf(tenThousandths, 4), stated);
      BigDecimal line =
          price.amount().multiply(BigDecimal.valueOf(units)).multiply(BigDecimal.valueOf(months));
      // cents = n / d, half up = floor((2n + d) / 2d)
      BigInteger n = BigInteger.valueOf(tenThousandths * units * months);
      BigInteger d = BigInteger.valueOf(100L * stated);
      long cents = n.shiftLeft(1).add(d).divide(d.shiftLeft(1)).longValueExact();
      assertEquals(
          Rounding.toMinorUnit(line, CurrencyUnit.EUR).getAmountMinorLong(),
          cents,
          tenThousandths + " for " + stated + " months, " + units + " units, " + months);
    }
  }

  @Test
  public void itRisesAsStatedAndSaysForHowLong() {
    UnitPrice year = new UnitPrice(CurrencyUnit.EUR, new BigDecimal("100.00"), 12);
    assertEquals(year.raised(PriceRise.ofPercent("4"), 2).stated(), new BigDecimal("108.16"));
    assertEquals(year.times(new BigDecimal("0.9")).stated(), new BigDecimal("9E+1"));
    assertEquals(year.period(), "a year");
    assertEquals(new UnitPrice(CurrencyUnit.EUR, BigDecimal.TEN, 24).period(), "for 24 months");
    assertEquals(UnitPrice.of("EUR", "8.40").period(), "a month");
    assertEquals(
        expectThrows(
                IllegalArgumentException.class,
                () -> new UnitPrice(CurrencyUnit.EUR, BigDecimal.TEN, 61))
            .getMessage(),
        "A price is stated for 1 to 60 months; found 61.");
  }
}
