package tertulia.core.evaluation;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tertulia.core.scoring.Concordance;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Member;
import tertulia.core.scoring.Panel;
import tertulia.core.scoring.Totals;

/**
 * Where the people at the table agree. Only those whose views the reader may see are looked at.
 *
 * @param concordance Kendall's W over the own rankings, 0 to 1; empty below two rankings or two
 *     contenders
 * @param own each person's own ranking beside the shared one, in the panel's order
 * @param points where they are furthest apart and have settled nothing, what matters most first; at
 *     most {@link #MOST_POINTS}
 */
public record Agreement(Optional<BigDecimal> concordance, List<Own> own, List<Point> points) {
  /** So many points are worth naming. */
  public static final int MOST_POINTS = 3;

  public Agreement {
    own = List.copyOf(own);
    points = List.copyOf(points);
  }

  /**
   * What one person's weights and marks alone lead to, and what the others' lead to.
   *
   * @param ranking contender ids, the first first; none as long as this person has no weights
   * @param without the ranking without this person's view; none if nobody else has weights
   */
  public record Own(Member member, List<String> ranking, List<String> without) {
    public Own {
      ranking = List.copyOf(ranking);
      without = List.copyOf(without);
    }
  }

  /**
   * A mark on which two people are far apart.
   *
   * @param reach the weight of the criterion times the part of the whole scale between the two: so
   *     much of the total hangs on it, above 0
   */
  public record Point(
      Criterion criterion, String contender, Panel.Given low, Panel.Given high, BigDecimal reach) {}

  private static BigDecimal points(Panel.Given given) {
    return given.mark().given().orElseThrow();
  }

  /** Where the people of an evaluation agree. */
  public static Agreement of(Evaluation evaluation) {
    List<Member> seen =
        evaluation.selection().panel().members().stream().filter(m -> !m.isWithheld()).toList();
    Map<Member, Totals> without = evaluation.withoutEach();
    List<Own> own = new ArrayList<>();
    List<List<BigDecimal>> rankings = new ArrayList<>();
    for (Member member : seen) {
      Optional<Totals> alone = judgedBy(evaluation, new Panel(List.of(member)));
      own.add(
          new Own(
              member,
              alone.map(Agreement::order).orElse(List.of()),
              Optional.ofNullable(without.get(member)).map(Agreement::order).orElse(List.of())));
      alone.ifPresent(totals -> rankings.add(Concordance.ranks(midpoints(totals))));
    }
    return new Agreement(Concordance.of(rankings), own, points(evaluation, seen));
  }

  private static Optional<Totals> judgedBy(Evaluation evaluation, Panel panel) {
    return evaluation.scores().judgedBy(panel).totals();
  }

  private static List<String> order(Totals totals) {
    return totals.standings().stream().map(Totals.Standing::contender).toList();
  }

  private static List<BigDecimal> midpoints(Totals totals) {
    return totals.values().keySet().stream().map(c -> totals.total(c).midpoint()).toList();
  }

  private static List<Point> points(Evaluation evaluation, List<Member> seen) {
    Map<String, BigDecimal> weights =
        new Panel(seen).groupWeights(evaluation.scores().criteria()).orElse(Map.of());
    List<Point> points = new ArrayList<>();
    for (Criterion criterion : evaluation.scores().criteria()) {
      BigDecimal weight = weights.getOrDefault(criterion.id(), BigDecimal.ZERO);
      if (criterion.kind() instanceof Criterion.Judged && weight.signum() > 0) {
        for (Contender contender : evaluation.costs().overall().feasible()) {
          if (evaluation.selection().panel().settled(criterion.id(), contender.id()).isEmpty()) {
            point(criterion, weight, contender.id(), seen).ifPresent(points::add);
          }
        }
      }
    }
    return points.stream()
        .sorted(Comparator.comparing(Point::reach, Comparator.reverseOrder()))
        .limit(MOST_POINTS)
        .toList();
  }

  /** The two furthest apart; of several the first in the panel's order; empty if all are level. */
  private static Optional<Point> point(
      Criterion criterion, BigDecimal weight, String contender, List<Member> seen) {
    List<Panel.Given> voices =
        new Panel(seen)
            .marks(criterion.id(), contender).stream()
                .filter(given -> given.mark().given().isPresent())
                .toList();
    Optional<Panel.Given> low = voices.stream().min(Comparator.comparing(Agreement::points));
    Optional<Panel.Given> high =
        voices.stream().reduce((a, b) -> points(b).compareTo(points(a)) > 0 ? b : a);
    return low.filter(l -> points(l).compareTo(points(high.orElseThrow())) < 0)
        .map(l ->
            new Point(
                criterion,
                contender,
                l,
                high.orElseThrow(),
                weight.multiply(points(high.orElseThrow()).subtract(points(l)).movePointLeft(1))));
  }
}
