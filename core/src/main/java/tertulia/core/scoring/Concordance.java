package tertulia.core.scoring;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * How far several people's rankings agree: W = 12 S / (m² (n³ − n) − m Σ T), where S adds up the
 * squared distances of the n rank sums from their mean, and T is Σ (t³ − t) over the t contenders
 * that one of the m people ranks alike (Kendall and Babington Smith 1939). Ranks 1 2 3 4, 2 1 3 4
 * and 1 3 2 4 give 0.777778.
 */
public final class Concordance {
  private static final MathContext ROOM = MathContext.DECIMAL128;
  private static final BigDecimal TWO = BigDecimal.valueOf(2);
  private static final BigDecimal TWELVE = BigDecimal.valueOf(12);

  private Concordance() {}

  /**
   * W from 0 (none) to 1 (the same order); empty below two people or two contenders, or if nobody
   * ranks any above another.
   *
   * @param rankings one a person, each with the rank of every contender in the same order, level
   *     ones at the mean of their places
   */
  public static Optional<BigDecimal> of(List<List<BigDecimal>> rankings) {
    int m = rankings.size();
    int n = rankings.isEmpty() ? 0 : rankings.getFirst().size();
    if (m < 2 || n < 2) {
      return Optional.empty();
    }
    BigDecimal mean = BigDecimal.valueOf((long) m * (n + 1)).divide(TWO, ROOM);
    BigDecimal apart = BigDecimal.ZERO;
    for (int c = 0; c < n; c++) {
      int place = c;
      BigDecimal sum =
          rankings.stream().map(r -> r.get(place)).reduce(BigDecimal.ZERO, BigDecimal::add);
      apart = apart.add(sum.subtract(mean).pow(2));
    }
    BigDecimal most =
        cubeless(n)
            .multiply(BigDecimal.valueOf((long) m * m))
            .subtract(BigDecimal.valueOf(m).multiply(ties(rankings)));
    return most.signum() == 0
        ? Optional.empty()
        : Optional.of(TWELVE.multiply(apart).divide(most, ROOM));
  }

  private static BigDecimal ties(List<List<BigDecimal>> rankings) {
    BigDecimal sum = BigDecimal.ZERO;
    for (List<BigDecimal> ranks : rankings) {
      Map<BigDecimal, Integer> alike = new HashMap<>();
      ranks.forEach(rank -> alike.merge(rank.stripTrailingZeros(), 1, Integer::sum));
      for (int t : alike.values()) {
        sum = sum.add(cubeless(t));
      }
    }
    return sum;
  }

  /** t³ − t. */
  private static BigDecimal cubeless(int t) {
    return BigDecimal.valueOf((long) t * t * t - t);
  }

  /**
   * The ranks of values, the highest first; those level share the mean of their places.
   *
   * @param values of the contenders in any order
   */
  public static List<BigDecimal> ranks(List<BigDecimal> values) {
    List<BigDecimal> ranks = new ArrayList<>();
    for (BigDecimal own : values) {
      long above = values.stream().filter(other -> Totals.isAbove(other, own)).count();
      long level =
          values.stream()
              .filter(other -> !Totals.isAbove(other, own) && !Totals.isAbove(own, other))
              .count();
      ranks.add(BigDecimal.valueOf(2 * above + level + 1).divide(TWO, ROOM));
    }
    return ranks;
  }
}
