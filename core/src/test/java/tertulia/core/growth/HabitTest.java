package tertulia.core.growth;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.core.working.Derivation;

/** A habit comes to a rate, and a demand by habit is one by that rate. */
public class HabitTest {
  private static final int CASES = 2_000;

  private static Habit habit(String times, Habit.Every every, String length, String share) {
    return new Habit(new BigDecimal(times), every, new BigDecimal(length), new BigDecimal(share));
  }

  @DataProvider
  Object[][] habits() {
    return new Object[][] {
      {habit("3", Habit.Every.WEEK, "0.75", "0.4"), "3.9"},
      {habit("2", Habit.Every.WORKDAY, "0.5", "1"), "21"},
      {habit("1", Habit.Every.WEEK, "1", "1"), "4.33333333"},
      {habit("6", Habit.Every.YEAR, "2", "0.5"), "0.5"},
      {habit("4", Habit.Every.MONTH, "1", "1"), "4"},
    };
  }

  @Test(dataProvider = "habits")
  public void comesToARate(Habit habit, String rate) {
    assertEquals(habit.perHead(), new BigDecimal(rate));
  }

  @Test
  public void wholeUnitsAreThoseOfTheExactFraction() {
    Random random = new Random(7);
    for (int i = 0; i < CASES; i++) {
      Habit.Every every = Habit.Every.values()[random.nextInt(4)];
      int times = 1 + random.nextInt(20);
      int hundredths = 1 + random.nextInt(100);
      int quarters = 1 + random.nextInt(4);
      int people = random.nextInt(500);
      Habit habit =
          new Habit(
              BigDecimal.valueOf(times),
              every,
              BigDecimal.valueOf(quarters * 25L, 2),
              BigDecimal.valueOf(hundredths, 2));
      // counted in whole units: people · times · perYear · quarters/4 · hundredths/100 / 12, up
      BigInteger parts =
          BigInteger.valueOf((long) people * times * every.perYear())
              .multiply(BigInteger.valueOf((long) quarters * hundredths));
      BigInteger[] whole = parts.divideAndRemainder(BigInteger.valueOf(4 * 100 * 12));
      BigInteger needed = whole[1].signum() > 0 ? whole[0].add(BigInteger.ONE) : whole[0];
      BigDecimal found =
          Demand.by(BigDecimal.ZERO, Map.of(), Map.of("g", habit))
              .units(Measure.BOOKINGS, new People(Map.of("g", people), 1, 1));
      assertEquals(found.toBigInteger(), needed, habit + " by " + people);
    }
  }

  @Test
  public void isExplainedDownToWhatWasSaid() {
    Demand demand =
        Demand.by(
            BigDecimal.ZERO,
            Map.of("office", BigDecimal.ONE),
            Map.of("crew", habit("3", Habit.Every.WEEK, "0.75", "0.4")));
    Group office =
        new Group("office", "Office", new Growth.Hires(2, BigDecimal.ZERO), List.of(), null);
    Group crew = new Group("crew", "Crew", new Growth.Hires(10, BigDecimal.ZERO), List.of(), null);
    Derivation working =
        demand.explain(
            Measure.RECORDED_HOURS,
            List.of(office, crew),
            new People(Map.of("office", 2, "crew", 10), 1, 1));
    assertEquals(working.value().orElseThrow().amount(), new BigDecimal("41"));
    assertTrue(working.toString().contains("times a week"), working.toString());
    assertTrue(working.toString().contains("share of the group"), working.toString());
  }

  @Test
  public void aRateAndAHabitOfOneGroupAreTwoDemands() {
    assertThrows(
        IllegalArgumentException.class,
        () ->
            Demand.by(
                BigDecimal.ZERO,
                Map.of("g", BigDecimal.ONE),
                Map.of("g", habit("1", Habit.Every.WEEK, "1", "1"))));
    assertThrows(IllegalArgumentException.class, () -> habit("0", Habit.Every.WEEK, "1", "1"));
    assertThrows(IllegalArgumentException.class, () -> habit("24", Habit.Every.WORKDAY, "2", "1"));
    assertThrows(IllegalArgumentException.class, () -> habit("1", Habit.Every.WEEK, "1", "1.01"));
  }
}
