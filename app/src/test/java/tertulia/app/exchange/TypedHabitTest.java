package tertulia.app.exchange;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.core.growth.Measure;

/** Habits as people say them; what is shown is read as what it was. */
public class TypedHabitTest {
  private static final int CASES = 500;

  private static Brief.HabitPart habit(String times, String every, String length, String share) {
    return new Brief.HabitPart(times, every, length, share);
  }

  @DataProvider
  Object[][] said() {
    return new Object[][] {
      {"3 a week", habit("3", "week", "1", "1")},
      {"3 times a week × 45 min × 40 %", habit("3", "week", "0.75", "0.4")},
      {"3 per week x 40% x 0.75 h", habit("3", "week", "0.75", "0.4")},
      {"2/workday * 0,5", habit("2", "workday", "0.5", "1")},
      {"1.5 a working day × 20 minutes", habit("1.5", "workday", "0.33333333", "1")},
      {"12 A YEAR", habit("12", "year", "1", "1")},
      {"1,000 a month", habit("1000", "month", "1", "1")},
    };
  }

  @Test(dataProvider = "said")
  public void isRead(String text, Brief.HabitPart part) {
    assertEquals(TypedHabit.read(text), Optional.of(part));
  }

  @DataProvider
  Object[][] numbers() {
    return new Object[][] {{"0.5"}, {"4/12"}, {"14,000"}, {""}, {"half"}};
  }

  @Test(dataProvider = "numbers")
  public void whatDoesNotSayHowOftenIsNone(String text) {
    assertEquals(TypedHabit.read(text), Optional.empty());
  }

  @DataProvider
  Object[][] refused() {
    return new Object[][] {
      {"3 a day"}, {"3 a week × 2 × 3"}, {"3 a week × 40 % × 50 %"}, {"many a week × 2"}
    };
  }

  @Test(dataProvider = "refused")
  public void whatIsNotUnderstoodIsRefused(String text) {
    assertThrows(IllegalArgumentException.class, () -> TypedHabit.read(text));
  }

  @Test
  public void onlyWhatAddsUpIsDoneByHabit() {
    assertThrows(
        IllegalArgumentException.class, () -> TypedHabit.read("3 a week", Measure.CALENDARS));
    assertThrows(
        IllegalArgumentException.class,
        () -> TypedHabit.read("3 a week × 101 %", Measure.BOOKINGS));
    assertEquals(
        TypedHabit.read("3 a week", Measure.BOOKINGS), Optional.of(habit("3", "week", "1", "1")));
  }

  @Test
  public void whatIsShownIsReadAsWhatItWas() {
    Random random = new Random(52);
    List<String> every = List.of("workday", "week", "month", "year");
    for (int i = 0; i < CASES; i++) {
      Brief.HabitPart part =
          habit(
              number(1 + random.nextInt(20), random.nextInt(3)),
              every.get(random.nextInt(4)),
              number(1 + random.nextInt(200), 2),
              number(1 + random.nextInt(1_000), 3));
      assertEquals(TypedHabit.read(TypedHabit.text(part)), Optional.of(part));
    }
  }

  private static String number(int digits, int decimals) {
    return TypedNumber.plain(BigDecimal.valueOf(digits, decimals)).toPlainString();
  }
}
