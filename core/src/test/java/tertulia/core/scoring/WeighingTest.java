package tertulia.core.scoring;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.IntStream;
import org.testng.annotations.Test;

/** The four ways to say what matters more. */
public class WeighingTest {
  private static final double TINY = 1e-9;

  private static List<Criterion> criteria(int n) {
    return IntStream.range(0, n)
        .mapToObj(i -> new Criterion("c" + i, "Criterion " + i, new Criterion.Judged()))
        .toList();
  }

  private static Weighing.RankOrder ranks(int... ranks) {
    Map<String, Integer> byId = new LinkedHashMap<>();
    for (int i = 0; i < ranks.length; i++) {
      byId.put("c" + i, ranks[i]);
    }
    return new Weighing.RankOrder(byId);
  }

  /** The upper triangle; -3 says that the second matters three times as much as the first. */
  private static Weighing.Compared compared(int n, int... upper) {
    List<Preference> preferences = new ArrayList<>();
    int at = 0;
    for (int i = 0; i < n; i++) {
      for (int j = i + 1; j < n; j++) {
        int times = upper[at++];
        preferences.add(
            times > 0
                ? new Preference("c" + i, "c" + j, times)
                : new Preference("c" + j, "c" + i, -times));
      }
    }
    return new Weighing.Compared(preferences);
  }

  private static List<String> six(Map<String, BigDecimal> weights) {
    return weights.values().stream()
        .map(w -> w.setScale(6, RoundingMode.HALF_UP).toPlainString())
        .toList();
  }

  private static List<String> weights(Weighing weighing, int n) {
    return six(weighing.over(criteria(n)).weights().orElseThrow());
  }

  @Test
  public void c15RankOrder() {
    assertEquals(
        weights(ranks(1, 2, 3, 4), 4), List.of("0.520833", "0.270833", "0.145833", "0.062500"));
  }

  @Test
  public void thoseRankedAlikeShareTheirPlacesEvenly() {
    List<String> second = List.of("0.520833", "0.208333", "0.208333", "0.062500");
    assertEquals(weights(ranks(1, 2, 2, 3), 4), second, "(0.270833 + 0.145833) / 2");
    assertEquals(weights(ranks(1, 2, 2, 4), 4), second, "only the order counts");
    assertEquals(weights(ranks(7, 7), 2), List.of("0.500000", "0.500000"));
  }

  @Test
  public void whatIsNotRankedIsNamed() {
    Weighed weighed = ranks(2, 1).over(criteria(3));
    assertEquals(weighed, new Weighed.NotRanked(List.of(criteria(3).get(2))));
    assertEquals(ranks().over(criteria(3)), new Weighed.Nothing());
    assertEquals(weights(ranks(1, 2, 9), 2), List.of("0.750000", "0.250000"), "left out is left");
  }

  @Test
  public void c16PairedComparison() {
    Weighing.Compared compared = compared(4, 3, 5, 2, 2, -2, -4);
    assertEquals(weights(compared, 4), List.of("0.477291", "0.153867", "0.080890", "0.287952"));
    Consistency consistency = compared.consistency(criteria(4)).orElseThrow();
    assertEquals(consistency.lambda(), 4.021130, 5e-7);
    assertEquals(consistency.ratio(), 0.007826, 5e-7);
    assertTrue(consistency.isGoodEnough());
  }

  @Test
  public void c16Contradictory() {
    Weighing.Compared compared = compared(4, 3, 5, 2, 2, 6, -4);
    Weighed.Contradictory weighed = (Weighed.Contradictory) compared.over(criteria(4));
    assertEquals(compared.over(criteria(4)).weights(), java.util.Optional.empty());
    Consistency found = weighed.consistency();
    assertEquals(six(found.weights()), List.of("0.442822", "0.325712", "0.076882", "0.154583"));
    assertEquals(found.lambda(), 4.772877, 5e-7);
    assertEquals(found.ratio(), 0.286251, 5e-7);
    assertEquals(found.furthest().size(), 1);
    Consistency.Doubtful doubtful = found.furthest().getFirst();
    assertEquals(doubtful.stated(), new Preference("c1", "c3", 6));
    assertEquals(Math.log(6 / doubtful.implied()), 1.046479, 5e-7);
  }

  @Test
  public void ofThreeCriteriaAllAreEquallyFar() {
    Consistency found = compared(3, 3, 3, 9).consistency(criteria(3)).orElseThrow();
    assertEquals(found.furthest().size(), 3);
  }

  @Test
  public void twoNeverContradictAndOneWeighsAll() {
    assertEquals(weights(compared(2, 4), 2), List.of("0.800000", "0.200000"));
    assertEquals(compared(2, 4).consistency(criteria(2)).orElseThrow().ratio(), 0.0);
    assertEquals(weights(compared(1), 1), List.of("1.000000"));
  }

  @Test
  public void whatIsNotComparedIsCountedAndMoreThanTenAreRefused() {
    Weighing.Compared two =
        new Weighing.Compared(
            List.of(new Preference("c0", "c1", 2), new Preference("c2", "c0", 1)));
    assertEquals(two.over(criteria(4)), new Weighed.NotCompared(2, 6));
    assertEquals(two.over(criteria(11)), new Weighed.TooMany(11));
    assertEquals(new Weighing.Compared(List.of()).over(criteria(4)), new Weighed.Nothing());
    expectThrows(
        IllegalArgumentException.class,
        () ->
            new Weighing.Compared(
                List.of(new Preference("c0", "c1", 2), new Preference("c1", "c0", 3))));
    expectThrows(IllegalArgumentException.class, () -> new Preference("c0", "c1", 10));
    expectThrows(IllegalArgumentException.class, () -> new Preference("c0", "c0", 1));
  }

  /** A positive vector with A w = λ w is the principal one (Perron), however it was found. */
  @Test
  public void theWeightsOfGeneratedComparisonsAreTheEigenvector() {
    Random random = new Random(16);
    int contradictory = 0;
    for (int round = 0; round < 400; round++) {
      int n = 2 + random.nextInt(9);
      int[] upper = new int[n * (n - 1) / 2];
      for (int k = 0; k < upper.length; k++) {
        int times = 1 + random.nextInt(9);
        upper[k] = random.nextBoolean() ? times : -times;
      }
      Consistency found = compared(n, upper).consistency(criteria(n)).orElseThrow();
      double[] w = found.weights().values().stream().mapToDouble(BigDecimal::doubleValue).toArray();
      assertEquals(java.util.Arrays.stream(w).sum(), 1, TINY);
      for (int i = 0; i < n; i++) {
        double row = 0;
        for (int j = 0; j < n; j++) {
          row += entry(n, upper, i, j) * w[j];
        }
        assertTrue(w[i] > 0);
        assertEquals(row, found.lambda() * w[i], TINY);
      }
      contradictory += found.isGoodEnough() ? 0 : 1;
    }
    assertTrue(contradictory > 100, "at random most contradict each other");
  }

  private static double entry(int n, int[] upper, int i, int j) {
    if (i == j) {
      return 1;
    }
    int low = Math.min(i, j);
    int high = Math.max(i, j);
    int times = upper[low * n - low * (low + 1) / 2 + high - low - 1];
    double ratio = times > 0 ? times : 1.0 / -times;
    return i < j ? ratio : 1 / ratio;
  }

  /** Comparisons read off weights lead back to them. */
  @Test
  public void comparisonsThatAgreeGiveTheWeightsTheyWereMadeFrom() {
    int[] weights = {1, 2, 4, 8};
    Random random = new Random(4);
    for (int round = 0; round < 50; round++) {
      int n = 2 + random.nextInt(9);
      int[] own = random.ints(n, 0, 4).map(k -> weights[k]).toArray();
      int[] upper = new int[n * (n - 1) / 2];
      int at = 0;
      for (int i = 0; i < n; i++) {
        for (int j = i + 1; j < n; j++) {
          upper[at++] = own[i] >= own[j] ? own[i] / own[j] : -(own[j] / own[i]);
        }
      }
      Consistency found = compared(n, upper).consistency(criteria(n)).orElseThrow();
      int sum = java.util.Arrays.stream(own).sum();
      assertEquals(found.ratio(), 0, TINY);
      assertEquals(found.furthest(), List.of(), "nothing to reconsider");
      for (int i = 0; i < n; i++) {
        assertEquals(found.weights().get("c" + i).doubleValue(), (double) own[i] / sum, TINY);
      }
    }
  }

  @Test
  public void pointsAndSwingCountByTheirProportion() {
    Map<String, Integer> given = new HashMap<>(Map.of("c0", 100, "c1", 50, "c2", 50));
    List<String> half = List.of("0.500000", "0.250000", "0.250000");
    assertEquals(weights(new Weighing.Points(given), 3), half);
    assertEquals(weights(new Weighing.Swing(given), 3), half);
    given.put("c1", 101);
    assertEquals(
        expectThrows(IllegalArgumentException.class, () -> new Weighing.Swing(given)).getMessage(),
        "The points of a step lie between 0 and 100; found 101.");
    assertEquals(Weighing.NOTHING.over(criteria(3)), new Weighed.Nothing());
  }

  /** Every method leads to weights of the same kind, explained by what was entered. */
  @Test
  public void everyMethodAddsUpToOneAndIsExplained() {
    Random random = new Random(15);
    for (int round = 0; round < 100; round++) {
      int n = 1 + random.nextInt(8);
      Map<String, Integer> numbers = new HashMap<>();
      criteria(n).forEach(c -> numbers.put(c.id(), 1 + random.nextInt(90)));
      for (Weighing weighing :
          List.of(
              new Weighing.Points(numbers),
              new Weighing.Swing(numbers),
              new Weighing.RankOrder(numbers))) {
        Map<String, BigDecimal> weights = weighing.over(criteria(n)).weights().orElseThrow();
        BigDecimal sum = weights.values().stream().reduce(BigDecimal.ZERO, BigDecimal::add);
        assertEquals(sum.doubleValue(), 1, TINY);
        criteria(n).forEach(c -> assertTrue(!weighing.entered(c, criteria(n)).isEmpty()));
        if (weighing instanceof Weighing.RankOrder) {
          criteria(n)
              .forEach(a ->
                  criteria(n)
                      .forEach(b ->
                          assertEquals(
                              Integer.signum(numbers.get(b.id()) - numbers.get(a.id())),
                              weights.get(a.id()).compareTo(weights.get(b.id())),
                              "the earlier weighs more")));
        }
      }
    }
  }
}
