package tertulia.core.evaluation;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tertulia.core.fit.Importance;
import tertulia.core.fit.Need;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Interval;
import tertulia.core.scoring.Totals.Margin;
import tertulia.core.scoring.Totals.Winner;
import tertulia.core.scoring.Value;

/**
 * Who wins where: a line for each criterion that counts and for each need that tells the contenders
 * apart. It stands beside the weights and never in place of them.
 *
 * @param contenders those that are compared, in their order
 * @param criteria the heaviest first; in the selection's order while nobody has set weights
 * @param needs those that not all contenders meet alike, musts first, then by weight
 */
public record ScoreCard(List<String> contenders, List<OfCriterion> criteria, List<OfNeed> needs) {
  public ScoreCard {
    contenders = List.copyOf(contenders);
    criteria = List.copyOf(criteria);
    needs = List.copyOf(needs);
  }

  /**
   * A criterion.
   *
   * @param weight 0 to 1; empty while nobody has set weights
   * @param values of the contenders that have a total, 0 to 1
   */
  public record OfCriterion(
      Criterion criterion, Optional<BigDecimal> weight, Map<String, Interval> values) {
    public OfCriterion {
      values = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(values));
    }

    /** Who wins it, by how much, and whether that is open. */
    public Winner winner() {
      return Winner.of(values);
    }

    /** The best by midpoint, and those that tie with it; nobody while it is undecided. */
    public List<String> ahead() {
      Winner winner = winner();
      if (isUndecided()) {
        return List.of();
      }
      Interval best = value(winner.contender());
      return values.keySet().stream()
          .filter(c ->
              c.equals(winner.contender())
                  || winner instanceof Winner.Tied
                      && Margin.of(best.midpoint().subtract(value(c).midpoint())) == Margin.TIE)
          .toList();
    }

    /**
     * How far the best by midpoint is ahead of the second, 0 to 1; 0 with nobody to win against.
     */
    public BigDecimal lead() {
      List<BigDecimal> order =
          values.values().stream()
              .map(Interval::midpoint)
              .sorted(java.util.Comparator.reverseOrder())
              .toList();
      return order.size() < 2 ? BigDecimal.ZERO : order.get(0).subtract(order.get(1));
    }

    /** Whether nobody is ahead, not even by midpoint, as what is not known decides. */
    public boolean isUndecided() {
      return winner() instanceof Winner.Open open && open.margin() == Margin.TIE;
    }

    /** Whether what is not known of any contender could put another first. */
    public boolean isOpen() {
      String best = winner().contender();
      return values.keySet().stream()
          .filter(c -> !c.equals(best))
          .filter(c -> !value(c).isExact() || !value(best).isExact())
          .anyMatch(c -> value(c).high().compareTo(value(best).low()) > 0);
    }

    /** Those that are behind the best by an edge or clearly in every case, the last first. */
    public List<String> behind() {
      Interval best = value(winner().contender());
      return values.keySet().stream()
          .filter(c ->
              Margin.of(best.low().subtract(value(c).high()).max(BigDecimal.ZERO)) != Margin.TIE)
          .sorted(java.util.Comparator.comparing(c -> value(c).midpoint()))
          .toList();
    }

    /** The value of a contender that has one here. */
    public Interval value(String contender) {
      return java.util.Objects.requireNonNull(values.get(contender), contender);
    }
  }

  /** A need with how each contender meets it on the plan it would be on. */
  public record OfNeed(Need need, Map<String, Met> met) {
    public OfNeed {
      met = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(met));
    }

    /** Those that meet it best; empty if that is not known of any. */
    public List<String> ahead() {
      return met.keySet().stream()
          .filter(c -> of(c) != Met.UNKNOWN && of(c) != Met.NO)
          .filter(c -> met.values().stream().noneMatch(other -> other.isBetterThan(of(c))))
          .toList();
    }

    /** Those of which it is not known. */
    public List<String> open() {
      return met.keySet().stream().filter(c -> of(c) == Met.UNKNOWN).toList();
    }

    /** How a contender meets it. */
    public Met of(String contender) {
      return java.util.Objects.requireNonNull(met.get(contender), contender);
    }
  }

  /** The criteria a contender wins by an edge or clearly, for certain. */
  public List<OfCriterion> won(String contender) {
    return criteria.stream()
        .filter(line -> line.winner().of().equals(Optional.of(contender)))
        .toList();
  }

  /** The criteria in which a contender is level with the best and nobody wins. */
  public List<OfCriterion> tied(String contender) {
    return criteria.stream()
        .filter(line -> line.winner() instanceof Winner.Tied && line.ahead().contains(contender))
        .toList();
  }

  /** The criteria in which a contender is the last, and behind the best in every case. */
  public List<OfCriterion> lost(String contender) {
    return criteria.stream()
        .filter(line -> line.behind().stream().findFirst().equals(Optional.of(contender)))
        .toList();
  }

  /** The needs a contender does not meet whole, or of which that is not known. */
  public List<OfNeed> lacks(String contender) {
    return needs.stream()
        .filter(line -> line.of(contender) != Met.YES && line.of(contender) != Met.OUTSIDE)
        .toList();
  }

  static ScoreCard of(Evaluation read) {
    List<String> contenders = read.selection().active().stream().map(Contender::id).toList();
    Optional<Map<String, BigDecimal>> weights = read.scores().weights();
    List<OfCriterion> criteria = new ArrayList<>();
    for (Criterion criterion : read.scores().criteria()) {
      Map<String, Interval> values = new LinkedHashMap<>();
      for (String contender : contenders) {
        read.scores()
            .value(contender, criterion)
            .map(Value::interval)
            .ifPresent(value -> values.put(contender, value));
      }
      if (!values.isEmpty()) {
        criteria.add(new OfCriterion(criterion, weights.map(w -> w.get(criterion.id())), values));
      }
    }
    criteria.sort(
        java.util.Comparator.comparing((OfCriterion line) -> line.weight().orElse(BigDecimal.ZERO))
            .reversed());
    return new ScoreCard(contenders, criteria, needs(read, contenders));
  }

  private static List<OfNeed> needs(Evaluation read, List<String> contenders) {
    return read.selection().needs().stream()
        .map(need -> {
          Map<String, Met> met = new LinkedHashMap<>();
          contenders.forEach(c -> met.put(c, read.costs().met(c, need)));
          return new OfNeed(need, met);
        })
        .filter(line -> line.met().values().stream().distinct().count() > 1)
        .sorted(java.util.Comparator.comparingInt(line -> order(line.need().importance())))
        .toList();
  }

  /** Musts, then shoulds by weight, then coulds. */
  private static int order(Importance importance) {
    return switch (importance) {
      case Importance.Must must -> -1_000_000;
      case Importance.Should should -> -should.weight();
      case Importance.Could could -> 0;
    };
  }
}
