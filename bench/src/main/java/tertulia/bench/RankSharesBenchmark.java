package tertulia.bench;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.SplittableRandom;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import tertulia.core.firmness.Drawing;
import tertulia.core.firmness.RankShares;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Interval;

/**
 * Rank shares of 12 contenders under 20 criteria by 10,000 draws, beside a bare loop over arrays of
 * the same work: the draws, the totals, who is above whom. Quote the two as a ratio of one run.
 */
@State(Scope.Benchmark)
public class RankSharesBenchmark {
  private static final int CRITERIA = 20;
  private static final int CONTENDERS = 12;

  /** How many of a hundred values are not certain. */
  @Param({"0", "20"})
  int open;

  private final List<Criterion> criteria = new ArrayList<>();
  private final Map<String, Map<String, Interval>> values = new LinkedHashMap<>();
  private final double[][] low = new double[CONTENDERS][CRITERIA];
  private final double[][] width = new double[CONTENDERS][CRITERIA];

  @Setup
  public void layOut() {
    Random random = new Random(1);
    for (int c = 0; c < CRITERIA; c++) {
      criteria.add(new Criterion("c" + c, "C" + c, new Criterion.Judged()));
    }
    for (int t = 0; t < CONTENDERS; t++) {
      Map<String, Interval> own = new LinkedHashMap<>();
      for (int c = 0; c < CRITERIA; c++) {
        low[t][c] = random.nextInt(700) / 1000.0;
        width[t][c] = random.nextInt(100) < open ? 0.3 : 0;
        own.put(
            "c" + c,
            new Interval(
                BigDecimal.valueOf(low[t][c]), BigDecimal.valueOf(low[t][c] + width[t][c])));
      }
      values.put("t" + t, own);
    }
  }

  @Benchmark
  public RankShares shares() {
    return RankShares.of(
        criteria, values, new Drawing.Uniform(), RankShares.DRAWS, RankShares.SEED);
  }

  @Benchmark
  public int[][] bareLoop() {
    SplittableRandom random = new SplittableRandom(RankShares.SEED);
    int[][] ranks = new int[CONTENDERS][CONTENDERS];
    double[] weights = new double[CRITERIA];
    double[] totals = new double[CONTENDERS];
    for (int draw = 0; draw < RankShares.DRAWS; draw++) {
      double sum = 0;
      for (int c = 0; c < CRITERIA; c++) {
        weights[c] = -Math.log(1 - random.nextDouble());
        sum += weights[c];
      }
      for (int t = 0; t < CONTENDERS; t++) {
        double total = 0;
        for (int c = 0; c < CRITERIA; c++) {
          double value =
              width[t][c] > 0 ? low[t][c] + width[t][c] * random.nextDouble() : low[t][c];
          total += weights[c] / sum * value;
        }
        totals[t] = total;
      }
      for (int t = 0; t < CONTENDERS; t++) {
        int above = 0;
        for (int other = 0; other < CONTENDERS; other++) {
          above += totals[other] > totals[t] ? 1 : 0;
        }
        ranks[t][above]++;
      }
    }
    return ranks;
  }
}
