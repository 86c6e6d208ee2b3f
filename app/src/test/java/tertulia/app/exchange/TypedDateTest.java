package tertulia.app.exchange;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.expectThrows;

import java.time.LocalDate;
import java.time.YearMonth;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.app.display.Dates;

/** Dates as people write them: as they are shown, as they are said, and never two at once. */
public class TypedDateTest {
  private static final int CASES = 400;

  private static LocalDate day(int seed) {
    LocalDate first = LocalDate.of(2000, 1, 1);
    long days = ChronoUnit.DAYS.between(first, LocalDate.of(2101, 1, 1));
    return first.plusDays(new Random(seed).nextLong(days));
  }

  @Test
  public void everyDayIsReadHoweverItIsWritten() {
    for (int seed = 0; seed < CASES; seed++) {
      LocalDate day = day(seed);
      assertEquals(TypedDate.day(day.toString()), day);
      assertEquals(TypedDate.day(Dates.day(day)), day);
      for (String pattern :
          List.of("d.M.uuuu", "dd.MM.uuuu", "d MMMM uuuu", "MMM d, uuuu", "MMMM  d, uuuu")) {
        String typed = day.format(DateTimeFormatter.ofPattern(pattern, Locale.ENGLISH));
        assertEquals(TypedDate.day(typed), day, typed);
        assertEquals(TypedDate.day(" " + typed.toLowerCase(Locale.ROOT)), day, typed);
      }
      YearMonth month = YearMonth.from(day);
      for (String pattern : List.of("uuuu-MM", "M/uuuu", "MM.uuuu", "MMM uuuu", "MMMM uuuu")) {
        String typed = month.format(DateTimeFormatter.ofPattern(pattern, Locale.ENGLISH));
        assertEquals(TypedDate.month(typed), month, typed);
      }
      assertEquals(TypedDate.month(Dates.shortMonth(month)), month);
    }
  }

  /** With strokes the day may come first or second; it is taken only where it does not matter. */
  @Test
  public void strokesAreReadWhereOnlyOneDayIsMeant() {
    for (int seed = 0; seed < CASES; seed++) {
      LocalDate day = day(seed);
      for (String pattern : List.of("d/M/uuuu", "M/d/uuuu")) {
        String typed = day.format(DateTimeFormatter.ofPattern(pattern));
        if (day.getDayOfMonth() > 12 || day.getDayOfMonth() == day.getMonthValue()) {
          assertEquals(TypedDate.day(typed), day, typed);
        } else {
          assertEquals(
              expectThrows(IllegalArgumentException.class, () -> TypedDate.day(typed)).getMessage(),
              "\"" + typed + "\" may be two days. Write the month as a word, like 24 Nov 2026.");
        }
      }
    }
  }

  @DataProvider
  Object[][] none() {
    String day = "is not a day. Write it like 24 Nov 2026 or 2026-11-24.";
    return new Object[][] {
      {"yesterday", day},
      {"", day},
      {"30 Feb 2027", day},
      {"31.6.2027", day},
      {"24.11.26", day},
      {"2026-13-01", day},
      {"24 Brumaire 2026", day},
      {"1 Jan 1999", "lies outside 2000 to 2100. Check the year."},
    };
  }

  @Test(dataProvider = "none")
  public void whatIsNoDayIsRefusedWithAWayOut(String typed, String why) {
    String said =
        expectThrows(IllegalArgumentException.class, () -> TypedDate.day(typed)).getMessage();
    assertEquals(said.substring(said.indexOf("\" ") + 2), why, said);
  }

  @Test
  public void whatIsNoMonthIsRefusedWithAWayOut() {
    assertEquals(
        expectThrows(IllegalArgumentException.class, () -> TypedDate.month("13/2027")).getMessage(),
        "\"13/2027\" is not a month. Write it like Jan 2027 or 2027-01.");
  }
}
