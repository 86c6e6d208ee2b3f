package tertulia.core.path;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import org.testng.annotations.Test;

public class BaseAndPeakTest {
  private static BaseAndPeak.Sold sold(int months, String committed, String monthly) {
    return new BaseAndPeak.Sold(
        months, m -> new BigDecimal(committed), m -> new BigDecimal(monthly), 2);
  }

  @Test
  public void theCrewsAllYearAndTheSeasonByTheMonth() {
    // C21
    List<Integer> seats =
        IntStream.range(0, 24).mapToObj(m -> m % 12 >= 4 && m % 12 <= 8 ? 75 : 52).toList();
    BaseAndPeak found = BaseAndPeak.of(seats, sold(12, "6.35", "7.20"));
    assertEquals(found.total(), new BigDecimal("9580.80"));
    assertEquals(
        found.bought(),
        List.of(new BaseAndPeak.Bought(0, 0, 12, 52), new BaseAndPeak.Bought(12, 12, 24, 52)));
    assertEquals(found.monthly().get(4), Integer.valueOf(23));
    assertEquals(found.monthly().get(3), Integer.valueOf(0));
  }

  @Test
  public void whereMonthsAreCheaperNothingIsCommitted() {
    BaseAndPeak found = BaseAndPeak.of(List.of(3, 0, 2), sold(3, "5", "4"));
    assertEquals(found.bought(), List.of());
    assertEquals(found.total(), new BigDecimal("20.00"));
  }

  /** Every way to hold units: terms anywhere, within a term never fewer than before. */
  private static BigDecimal least(List<Integer> units, BaseAndPeak.Sold sold, int m) {
    if (m == units.size()) {
      return BigDecimal.ZERO;
    }
    BigDecimal best =
        sold.monthly()
            .apply(m)
            .multiply(BigDecimal.valueOf(units.get(m)))
            .add(least(units, sold, m + 1));
    if (units.get(m) > 0) {
      int end = Math.min(units.size(), m + sold.months());
      best = best.min(within(units, sold, m, m, end, 0));
    }
    return best;
  }

  private static BigDecimal within(
      List<Integer> units, BaseAndPeak.Sold sold, int begin, int m, int end, int held) {
    if (m == end) {
      return least(units, sold, end);
    }
    int most = units.subList(begin, end).stream().mapToInt(u -> u).max().orElseThrow();
    BigDecimal best = null;
    for (int now = held; now <= most; now++) {
      BigDecimal cost =
          sold.committed()
              .apply(begin)
              .multiply(BigDecimal.valueOf(now))
              .add(
                  sold.monthly()
                      .apply(m)
                      .multiply(BigDecimal.valueOf(Math.max(0, units.get(m) - now))))
              .add(within(units, sold, begin, m + 1, end, now));
      best = best == null ? cost : best.min(cost);
    }
    return java.util.Objects.requireNonNull(best);
  }

  @Test
  public void generatedCasesAgainstEveryWayThereIs() {
    Random random = new Random(7);
    Set<String> met = new HashSet<>();
    for (int i = 0; i < 400; i++) {
      List<Integer> units = new ArrayList<>();
      int months = 1 + random.nextInt(6);
      for (int m = 0; m < months; m++) {
        units.add(random.nextInt(4));
      }
      int rise = random.nextInt(3);
      BaseAndPeak.Sold sold =
          new BaseAndPeak.Sold(
              1 + random.nextInt(4),
              m -> BigDecimal.valueOf(500 + 20L * rise * m, 2),
              m -> BigDecimal.valueOf(600 + 30L * rise * m, 2),
              2);
      BaseAndPeak found = BaseAndPeak.of(units, sold);
      assertEquals(found.total().compareTo(least(units, sold, 0)), 0, units + " " + sold.months());
      for (int m = 0; m < months; m++) {
        int held = found.committed(m) + found.monthly().get(m);
        assertTrue(held >= units.get(m), "everybody has a unit");
        assertTrue(
            found.monthly().get(m) == 0 || held == units.get(m), "none too many by the month");
      }
      met.add(
          found.bought().isEmpty()
              ? "monthly"
              : found.bought().stream().anyMatch(b -> b.month() > b.term())
                  ? "added"
                  : "committed");
    }
    assertEquals(met, Set.of("monthly", "committed", "added"));
  }
}
