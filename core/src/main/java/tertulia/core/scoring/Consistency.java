package tertulia.core.scoring;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * The weights that comparisons in pairs lead to, and how well the comparisons agree: the principal
 * eigenvector of their matrix, and (λ − n) / (n − 1) over the index of random matrices of that size
 * (Saaty 1980). [[1, 3, 5, 2], [⅓, 1, 2, ½], [⅕, ½, 1, ¼], [½, 2, 4, 1]] gives 0.477291, 0.153867,
 * 0.080890 and 0.287952 at a ratio of 0.007826.
 *
 * @param weights by criterion id, adding up to 1
 * @param lambda the principal eigenvalue, n if nothing contradicts
 * @param ratio 0 for one or two criteria
 * @param furthest the comparisons furthest from what the weights say; more than one if they are
 *     equally far, none if nothing contradicts
 */
public record Consistency(
    Map<String, BigDecimal> weights, double lambda, double ratio, List<Doubtful> furthest) {
  /** Above this comparisons contradict each other too much to be weights. */
  public static final double MOST = 0.10;

  /** More criteria are not compared in pairs. */
  public static final int MOST_CRITERIA = 10;

  private static final double[] RANDOM = {0, 0, 0.58, 0.90, 1.12, 1.24, 1.32, 1.41, 1.45, 1.49};
  private static final int MOST_STEPS = 10_000;
  private static final double STILL = 1e-15;

  /** Logarithms nearer than this are of equal distance, and below it of none. */
  private static final double LEVEL = 1e-9;

  public Consistency {
    weights = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(weights));
    furthest = List.copyOf(furthest);
  }

  /**
   * A comparison and what all of them together say of the same two.
   *
   * @param implied how many times as much {@code stated.more} matters by the weights, above 0
   */
  public record Doubtful(Preference stated, double implied) {}

  public boolean isGoodEnough() {
    return ratio <= MOST;
  }

  /**
   * The consistency of comparisons.
   *
   * @param criteria 1 to {@link #MOST_CRITERIA}
   * @param preferences one for each pair of them; others are not looked at
   */
  static Consistency of(List<Criterion> criteria, List<Preference> preferences) {
    int n = criteria.size();
    double[][] matrix = new double[n][n];
    for (int i = 0; i < n; i++) {
      for (int j = 0; j < n; j++) {
        matrix[i][j] =
            i == j
                ? 1
                : between(preferences, criteria.get(i).id(), criteria.get(j).id())
                    .of(criteria.get(i).id());
      }
    }
    double[] weights = principal(matrix);
    double lambda = 0;
    for (int i = 0; i < n; i++) {
      lambda += row(matrix[i], weights) / weights[i] / n;
    }
    double ratio = n <= 2 ? 0 : Math.max(0, (lambda - n) / (n - 1) / RANDOM[n - 1]);
    return new Consistency(
        exact(criteria, weights), lambda, ratio, furthest(criteria, preferences, weights));
  }

  private static Preference between(List<Preference> preferences, String one, String other) {
    return preferences.stream().filter(p -> p.isBetween(one, other)).findFirst().orElseThrow();
  }

  /** By repeated multiplication: the entries are positive, so it draws near to one vector only. */
  private static double[] principal(double[][] matrix) {
    int n = matrix.length;
    double[] weights = new double[n];
    java.util.Arrays.fill(weights, 1.0 / n);
    for (int step = 0; step < MOST_STEPS; step++) {
      double[] next = new double[n];
      double sum = 0;
      for (int i = 0; i < n; i++) {
        next[i] = row(matrix[i], weights);
        sum += next[i];
      }
      double moved = 0;
      for (int i = 0; i < n; i++) {
        next[i] /= sum;
        moved = Math.max(moved, Math.abs(next[i] - weights[i]));
      }
      weights = next;
      if (moved < STILL) {
        break;
      }
    }
    return weights;
  }

  private static double row(double[] row, double[] weights) {
    double sum = 0;
    for (int j = 0; j < row.length; j++) {
      sum += row[j] * weights[j];
    }
    return sum;
  }

  /** The weights as decimals that add up to 1 as nearly as all others do. */
  private static Map<String, BigDecimal> exact(List<Criterion> criteria, double[] weights) {
    BigDecimal sum = BigDecimal.ZERO;
    for (double weight : weights) {
      sum = sum.add(BigDecimal.valueOf(weight));
    }
    Map<String, BigDecimal> exact = new LinkedHashMap<>();
    for (int i = 0; i < weights.length; i++) {
      exact.put(
          criteria.get(i).id(), BigDecimal.valueOf(weights[i]).divide(sum, MathContext.DECIMAL128));
    }
    return exact;
  }

  /** Distance is |ln(a · wj / wi)|. */
  private static List<Doubtful> furthest(
      List<Criterion> criteria, List<Preference> preferences, double[] weights) {
    double most = 0;
    List<Doubtful> furthest = new ArrayList<>();
    for (int i = 0; i < weights.length; i++) {
      for (int j = i + 1; j < weights.length; j++) {
        Preference stated = between(preferences, criteria.get(i).id(), criteria.get(j).id());
        boolean upwards = stated.more().equals(criteria.get(i).id());
        double implied = upwards ? weights[i] / weights[j] : weights[j] / weights[i];
        double far = Math.abs(Math.log(stated.times() / implied));
        if (far > most + LEVEL) {
          furthest.clear();
          most = far;
        }
        if (far > LEVEL && far >= most - LEVEL) {
          furthest.add(new Doubtful(stated, implied));
        }
      }
    }
    return furthest;
  }
}
