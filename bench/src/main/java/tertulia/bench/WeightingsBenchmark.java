package tertulia.bench;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Interval;
import tertulia.core.scoring.Totals;
import tertulia.core.scoring.Value;
import tertulia.core.scoring.Weightings;
import tertulia.core.working.Working;

/** Standings of 12 contenders under 20 criteria for 10,000 weightings. */
@State(Scope.Benchmark)
public class WeightingsBenchmark {
  private static final int DRAWS = 10_000;
  private static final int CRITERIA = 20;
  private final double[][] draws = new double[DRAWS][CRITERIA];
  private Totals totals;

  @Setup
  public void layOut() {
    Random random = new Random(1);
    List<Criterion> criteria = new ArrayList<>();
    Map<String, BigDecimal> weights = new LinkedHashMap<>();
    for (int c = 0; c < CRITERIA; c++) {
      criteria.add(new Criterion("c" + c, "C" + c, new Criterion.Judged()));
      weights.put("c" + c, new BigDecimal("0.05"));
    }
    Map<String, Map<String, Value>> values = new LinkedHashMap<>();
    for (int t = 0; t < 12; t++) {
      Map<String, Value> own = new LinkedHashMap<>();
      for (Criterion criterion : criteria) {
        BigDecimal value =
            BigDecimal.valueOf(random.nextInt(1000))
                .divide(BigDecimal.valueOf(1007), MathContext.DECIMAL128);
        own.put(
            criterion.id(),
            new Value(Interval.exactly(value), new Working.Stated("value", "drawn")));
      }
      values.put("t" + t, own);
    }
    totals = new Totals(criteria, weights, values);
    for (double[] draw : draws) {
      double sum = 0;
      for (int c = 0; c < CRITERIA; c++) {
        draw[c] = -Math.log(1 - random.nextDouble());
        sum += draw[c];
      }
      for (int c = 0; c < CRITERIA; c++) {
        draw[c] /= sum;
      }
    }
  }

  /** How often the first contender leads. */
  @Benchmark
  public int tenThousand() {
    Weightings weightings = Weightings.of(totals);
    int first = 0;
    for (double[] draw : draws) {
      first += weightings.under(draw).leader() == 0 ? 1 : 0;
    }
    return first;
  }
}
