package tertulia.core.sensitivity;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.firmness.Drawing;
import tertulia.core.firmness.RankShares;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Interval;
import tertulia.core.scoring.Mark;
import tertulia.core.scoring.Member;
import tertulia.core.scoring.Panel;
import tertulia.core.scoring.Totals;

/**
 * How often each contender comes first if weights and what is not certain are drawn.
 *
 * @param weights which weightings are drawn
 * @param marks which values are
 */
public record Chances(Weights weights, Marks marks) {
  /** Which weightings. */
  public enum Weights {
    /** Any weighting whatever. */
    ANY,
    /** Those between the least and the most that anybody at the table gives each criterion. */
    OF_THE_TABLE,
    /** Those that keep the order in which the table ranks the criteria. */
    IN_ORDER
  }

  /** Which values. */
  public enum Marks {
    /** As they count; what is not known lies anywhere within its bounds. */
    AS_THEY_COUNT,
    /** Marks also lie anywhere between the lowest and the highest that anybody gave. */
    BETWEEN_PEOPLE
  }

  /** Rank shares; empty without totals, or if people agree so that nothing lies between them. */
  public Optional<RankShares> of(Evaluation read, int draws, long seed) {
    return read.scores()
        .totals()
        .flatMap(totals ->
            drawing(read, totals)
                .map(drawing ->
                    RankShares.of(totals.criteria(), values(read, totals), drawing, draws, seed)));
  }

  private Optional<Drawing> drawing(Evaluation read, Totals totals) {
    return switch (weights) {
      case ANY -> Optional.of(new Drawing.Uniform());
      case IN_ORDER -> Optional.of(new Drawing.InOrder(order(totals)));
      case OF_THE_TABLE -> between(read, totals);
    };
  }

  /** Places of the criteria, the heaviest first; equal ones as they stand. */
  private static List<Integer> order(Totals totals) {
    return IntStream.range(0, totals.criteria().size())
        .boxed()
        .sorted(
            java.util.Comparator.comparing(
                (Integer c) -> totals.weight(totals.criteria().get(c)),
                java.util.Comparator.reverseOrder()))
        .toList();
  }

  /** Empty as long as fewer than two people who count have weights the reader may see. */
  private static Optional<Drawing> between(Evaluation read, Totals totals) {
    List<Map<String, BigDecimal>> own = new ArrayList<>();
    for (Member member : read.selection().panel().members()) {
      if (member.share() > 0) {
        Panel.ownWeights(member, totals.criteria()).ifPresent(own::add);
      }
    }
    if (own.size() < 2) {
      return Optional.empty();
    }
    double[] low = new double[totals.criteria().size()];
    double[] high = new double[low.length];
    for (int c = 0; c < low.length; c++) {
      String id = totals.criteria().get(c).id();
      low[c] =
          own.stream()
              .mapToDouble(w -> w.getOrDefault(id, BigDecimal.ZERO).doubleValue())
              .min()
              .orElse(0);
      high[c] =
          own.stream()
              .mapToDouble(w -> w.getOrDefault(id, BigDecimal.ZERO).doubleValue())
              .max()
              .orElse(1);
    }
    return Optional.of(new Drawing.Between(low, high));
  }

  private Map<String, Map<String, Interval>> values(Evaluation read, Totals totals) {
    Map<String, Map<String, Interval>> values = new LinkedHashMap<>();
    for (String tool : totals.values().keySet()) {
      Map<String, Interval> own = new LinkedHashMap<>();
      for (Criterion criterion : totals.criteria()) {
        own.put(criterion.id(), value(read, totals, tool, criterion));
      }
      values.put(tool, own);
    }
    return values;
  }

  /** Between what its worth under a criterion is drawn. */
  Interval value(Evaluation read, Totals totals, String tool, Criterion criterion) {
    Interval value = totals.value(tool, criterion).interval();
    return marks == Marks.BETWEEN_PEOPLE ? spread(read, tool, criterion, value) : value;
  }

  /** What the table settled is settled. */
  private static Interval spread(
      Evaluation read, String tool, Criterion criterion, Interval counted) {
    Panel panel = read.selection().panel();
    if (!(criterion.kind() instanceof Criterion.Judged)
        || panel.settled(criterion.id(), tool).isPresent()) {
      return counted;
    }
    List<BigDecimal> given =
        panel.marks(criterion.id(), tool).stream()
            .filter(mark -> mark.member().share() > 0)
            .map(Panel.Given::mark)
            .map(Mark::given)
            .flatMap(Optional::stream)
            .sorted()
            .toList();
    return given.isEmpty()
        ? counted
        : new Interval(given.getFirst().movePointLeft(1), given.getLast().movePointLeft(1));
  }
}
