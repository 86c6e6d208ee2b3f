package tertulia.core.scoring;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.testng.annotations.Test;

/** How far rankings agree. */
public class ConcordanceTest {
  private static List<BigDecimal> ranks(String... ranks) {
    return Stream.of(ranks).map(BigDecimal::new).toList();
  }

  private static String six(Optional<BigDecimal> w) {
    return w.orElseThrow().setScale(6, RoundingMode.HALF_UP).toPlainString();
  }

  @Test
  public void c18() {
    assertEquals(
        six(
            Concordance.of(
                List.of(
                    ranks("1", "2", "3", "4"),
                    ranks("2", "1", "3", "4"),
                    ranks("1", "3", "2", "4")))),
        "0.777778");
  }

  @Test
  public void theSameOrderIsOneAndOppositeOnesNone() {
    List<BigDecimal> up = ranks("1", "2", "3");
    assertEquals(six(Concordance.of(List.of(up, up, up))), "1.000000");
    assertEquals(six(Concordance.of(List.of(up, ranks("3", "2", "1")))), "0.000000");
  }

  @Test
  public void tiesAreCorrectedFor() {
    List<BigDecimal> tied = ranks("1.5", "1.5", "3");
    assertEquals(six(Concordance.of(List.of(tied, tied))), "1.000000", "the same order");
    assertEquals(
        Concordance.of(List.of(ranks("2", "2", "2"), ranks("2", "2", "2"))), Optional.empty());
  }

  @Test
  public void nothingIsSaidOfOneAlone() {
    assertEquals(Concordance.of(List.of(ranks("1", "2"))), Optional.empty());
    assertEquals(Concordance.of(List.of(ranks("1"), ranks("1"))), Optional.empty());
    assertEquals(Concordance.of(List.of()), Optional.empty());
  }

  @Test
  public void levelValuesShareTheMeanOfTheirPlaces() {
    List<BigDecimal> ranks =
        Concordance.ranks(Stream.of("0.5", "0.7", "0.5", "0.1").map(BigDecimal::new).toList());
    assertEquals(
        ranks.stream().map(BigDecimal::toPlainString).toList(), List.of("2.5", "1", "2.5", "4"));
  }

  /** Without ties W is (m − 1) · r̄ + 1 over m, r̄ the mean of Spearman's over all pairs. */
  @Test
  public void itAgreesWithTheMeanOfAllPairs() {
    Random random = new Random(18);
    for (int round = 0; round < 200; round++) {
      int n = 2 + random.nextInt(8);
      int m = 2 + random.nextInt(5);
      List<List<BigDecimal>> rankings = new ArrayList<>();
      for (int i = 0; i < m; i++) {
        rankings.add(Concordance.ranks(random.doubles(n).mapToObj(BigDecimal::valueOf).toList()));
      }
      double sum = 0;
      for (int i = 0; i < m; i++) {
        for (int j = 0; j < m; j++) {
          sum += i == j ? 0 : spearman(rankings.get(i), rankings.get(j));
        }
      }
      double mean = sum / (m * (m - 1));
      double w = Concordance.of(rankings).orElseThrow().doubleValue();
      assertEquals(w, ((m - 1) * mean + 1) / m, 1e-9);
      assertTrue(w >= -1e-12 && w <= 1 + 1e-12);
    }
  }

  private static double spearman(List<BigDecimal> one, List<BigDecimal> other) {
    int n = one.size();
    double squares =
        IntStream.range(0, n)
            .mapToDouble(i -> Math.pow(one.get(i).subtract(other.get(i)).doubleValue(), 2))
            .sum();
    return 1 - 6 * squares / (n * ((double) n * n - 1));
  }
}
