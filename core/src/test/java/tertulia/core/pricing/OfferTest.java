package tertulia.core.pricing;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import java.time.LocalDate;
import java.time.MonthDay;
import java.time.YearMonth;
import java.util.HashSet;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.testng.annotations.Test;
import tertulia.core.pricing.Offer.Conditions;

public class OfferTest {
  private static Conditions everyYear(LocalDate from, LocalDate until) {
    return new Conditions(Set.of(), Set.of(), false, from, until, 0, true);
  }

  @Test
  public void anOfferThatComesBackHoldsOnEachDayBetweenItsTwoDays() {
    Random random = new Random(5);
    for (int i = 0; i < 300; i++) {
      LocalDate from = LocalDate.of(2027, 1, 1).plusDays(random.nextInt(365));
      LocalDate until = LocalDate.of(2027, 1, 1).plusDays(random.nextInt(365));
      Set<LocalDate> on = new HashSet<>();
      for (int year = 2025; year < 2031; year++) {
        LocalDate day = MonthDay.from(from).atYear(year);
        int end = until.getDayOfYear() < from.getDayOfYear() ? year + 1 : year;
        for (; !day.isAfter(MonthDay.from(until).atYear(end)); day = day.plusDays(1)) {
          on.add(day);
        }
      }
      Conditions when = everyYear(from, until);
      for (int d = 0; d < 1400; d++) {
        LocalDate day = LocalDate.of(2026, 6, 1).plusDays(d);
        assertEquals(when.isOn(day), on.contains(day), from + " " + until + " " + day);
      }
    }
  }

  @Test
  public void theLastOfFebruaryIsADayOfEveryYear() {
    Conditions leap = everyYear(LocalDate.of(2028, 2, 29), LocalDate.of(2028, 3, 2));
    assertTrue(leap.isOn(LocalDate.of(2027, 2, 28)));
    assertFalse(leap.isOn(LocalDate.of(2028, 2, 28)));
    assertEquals(leap.beginsIn(YearMonth.of(2027, 2)), Optional.of(LocalDate.of(2027, 2, 28)));
    assertEquals(leap.beginsIn(YearMonth.of(2027, 3)), Optional.empty());
  }

  @Test
  public void itHasAFirstAndALastDay() {
    assertThrows(IllegalArgumentException.class, () -> everyYear(null, LocalDate.of(2027, 3, 1)));
    assertThrows(IllegalArgumentException.class, () -> everyYear(LocalDate.of(2027, 3, 1), null));
  }
}
