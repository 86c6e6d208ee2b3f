package tertulia.core.evaluation;

import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Interval;
import tertulia.core.scoring.Totals;
import tertulia.core.working.Derivation;
import tertulia.core.working.NoSuchFigure;

/**
 * Answers "why" for weights, values, totals and ranks.
 *
 * @param plans explains why no plan of a contender qualifies
 */
record ScoreExplanation(Evaluation evaluation, Function<String, Derivation> plans) {

  Derivation weight(String criterion) {
    return weight(criterion(criterion));
  }

  private Derivation weight(Criterion criterion) {
    return evaluation.scores().panel().explainWeight(criterion, evaluation.scores().criteria());
  }

  Derivation winner(String criterion) {
    return winner(criterion(criterion));
  }

  private Selection selection() {
    return evaluation.selection();
  }

  private Criterion criterion(String id) {
    return evaluation.scores().criteria().stream()
        .filter(c -> c.id().equals(id))
        .findFirst()
        .orElseThrow(() -> new NoSuchFigure("criterion " + id));
  }

  Derivation value(String contender, String criterion) {
    return evaluation
        .scores()
        .value(contender, criterion(criterion))
        .map(found -> found.working())
        .orElseGet(() -> notRanked(contender));
  }

  Derivation total(String contender) {
    return ranked(contender)
        .<Derivation>map(totals ->
            new Derivation.Stated(
                "Total score",
                Optional.of(totals.total(contender))
                    .filter(Interval::isExact)
                    .map(total -> "known")
                    .orElse("a range"),
                Optional.empty(),
                List.of(totals.explain(contender, this::weight), rank(totals, contender))))
        .orElseGet(() -> notRanked(contender));
  }

  private Optional<Totals> ranked(String contender) {
    return evaluation.scores().totals().filter(totals -> totals.values().containsKey(contender));
  }

  private Derivation rank(Totals totals, String contender) {
    List<Derivation> rivals = new ArrayList<>();
    Totals.Standing mine = null;
    for (Totals.Standing standing : totals.standings()) {
      if (standing.contender().equals(contender)) {
        mine = standing;
      } else {
        rivals.add(
            new Derivation.Stated(
                selection().contender(standing.contender()).tool().name(), ends(standing.total())));
      }
    }
    Totals.Standing own = java.util.Objects.requireNonNull(mine);
    return new Derivation.Stated(
        "Rank "
            + own.bestRank()
            + (own.bestRank() == own.worstRank() ? "" : " to " + own.worstRank()),
        (own.bestRank() - 1)
            + " certainly above, "
            + (own.worstRank() - 1)
            + " not certainly below",
        Optional.empty(),
        rivals);
  }

  private static String ends(Interval total) {
    String low = total.low().setScale(4, RoundingMode.HALF_UP).toPlainString();
    String high = total.high().setScale(4, RoundingMode.HALF_UP).toPlainString();
    return total.isExact() ? low : low + " to " + high;
  }

  Derivation wins(String contender) {
    return ranked(contender)
        .<Derivation>map(totals ->
            new Derivation.Stated(
                "Criteria won",
                totals.wins(contender) + " of " + totals.criteria().size(),
                Optional.empty(),
                totals.criteria().stream().map(this::winner).toList()))
        .orElseGet(() -> notRanked(contender));
  }

  /** The lead of the best over the second, by the middle of their values. */
  private Derivation winner(Criterion criterion) {
    return evaluation
        .scores()
        .totals()
        .map(totals -> winner(totals, criterion))
        .orElseGet(
            () -> new Derivation.Missing(criterion.name(), "no weights are in these figures yet"));
  }

  private Derivation winner(Totals totals, Criterion criterion) {
    Totals.Winner winner = totals.winner(criterion);
    List<Derivation> values = new ArrayList<>();
    for (String id : totals.values().keySet()) {
      values.add(
          new Derivation.Stated(
              selection().contender(id).tool().name(),
              ends(totals.value(id, criterion).interval()),
              Optional.empty(),
              List.of(totals.value(id, criterion).working())));
    }
    String name = selection().contender(winner.contender()).tool().name();
    return new Derivation.Stated(
        criterion.name()
            + (winner.of().isPresent() ? ": " + name + " first" : ": nobody’s, " + name + " ahead"),
        winner.words() + "; below 0.05 a tie, below 0.15 an edge",
        Optional.empty(),
        values);
  }

  private Derivation notRanked(String contender) {
    return selection()
        .contender(contender)
        .setAside()
        .<Derivation>map(reason -> new Derivation.Missing("Total", "set aside: " + reason))
        .orElseGet(() ->
            evaluation.costs().overall().feasible().stream().anyMatch(c -> c.id().equals(contender))
                ? new Derivation.Missing("Total", "no weights are in these figures yet")
                : new Derivation.Missing(
                    "Total", "no plan qualifies in all months", List.of(plans.apply(contender))));
  }
}
