package tertulia.core.evaluation;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Interval;
import tertulia.core.scoring.Member;
import tertulia.core.scoring.Totals;
import tertulia.core.scoring.Value;
import tertulia.core.working.Derivation;

/**
 * One selection under one "what if", computed out.
 *
 * @param selection as it was entered
 * @param costs what its contenders cost, whoever judges
 * @param scores what its panel makes of them
 */
public record Evaluation(Selection selection, Costs costs, Scores scores) {
  /** Computes a selection out. */
  public static Evaluation of(Selection selection, WhatIf whatIf) {
    return of(selection, Costs.of(selection, whatIf));
  }

  /**
   * Judges costs that were computed before.
   *
   * @param costs of a selection that differs from this one in its panel, criteria and trials at
   *     most
   */
  public static Evaluation of(Selection selection, Costs costs) {
    return new Evaluation(selection, costs, Scores.of(costs, selection));
  }

  /**
   * This selection if something else were needed, or known of a contender; see {@link
   * Costs#asking}.
   */
  public Evaluation asking(Selection other) {
    return of(other, costs.asking(other));
  }

  public WhatIf whatIf() {
    return costs.whatIf();
  }

  /** This selection under the same "what if" for other people under discussion. */
  public Evaluation at(WhatIf.Moment moment) {
    return new Evaluation(selection, costs.at(moment), scores);
  }

  /**
   * The totals without the view of each person at the table, in the panel's order; without those
   * for whom nobody else has weights, and those whose view the reader may not see.
   */
  public Map<Member, Totals> withoutEach() {
    List<Member> seen = selection.panel().members().stream().filter(m -> !m.isWithheld()).toList();
    List<String> contenders = costs.overall().feasible().stream().map(Contender::id).toList();
    WithoutEach without = new WithoutEach(scores, selection.panel().of(seen));
    Map<Member, Totals> each = new LinkedHashMap<>();
    for (Member member : seen) {
      Optional<Totals> others =
          WithoutEach.isCounted(seen, member)
              ? without.totals(member, contenders)
              : scores
                  .judgedBy(selection.panel().of(seen.stream().filter(m -> m != member).toList()))
                  .totals();
      others.ifPresent(totals -> each.put(member, totals));
    }
    return each;
  }

  /**
   * What a contender that is not set aside is worth under a criterion that counts, also one that is
   * out over the horizon: then by the plan it would be on for the people under discussion, its cost
   * and what it includes unknown.
   */
  public Interval worth(String contender, Criterion criterion) {
    return scores
        .value(contender, criterion)
        .map(Value::interval)
        .orElseGet(() ->
            new Valuation(costs.overall(), scores.panel(), selection.trials())
                .elsewhere(
                    selection.contender(contender), criterion, costs.now().optionNow(contender)));
  }

  /**
   * Two contenders against each other.
   *
   * @throws IllegalArgumentException if there is no such contender, or both are the same
   */
  public HeadToHead headToHead(String left, String right) {
    selection.contender(left);
    selection.contender(right);
    if (left.equals(right)) {
      throw new IllegalArgumentException("One contender cannot be set against itself: " + left);
    }
    return HeadToHead.of(this, left, right);
  }

  /**
   * The totals if what is open of one contender turned out well: its own values by what it would
   * cost and include then, all others as they are. Empty if that changes nothing of its cost over
   * the horizon, or nobody has set weights.
   */
  public Optional<Totals> ifConfirmed(String contender) {
    if (costs.confirmation().whole(contender).isEmpty() || scores.criteria().isEmpty()) {
      return Optional.empty();
    }
    Valuation then =
        new Valuation(costs.ifConfirmed().overall(), scores.panel(), selection.trials());
    Map<String, Map<String, Value>> values = new LinkedHashMap<>();
    for (Contender active : selection.active()) {
      Map<String, Value> own = new LinkedHashMap<>();
      for (Criterion criterion : scores.criteria()) {
        Optional<Value> value =
            active.id().equals(contender)
                ? Optional.of(then.value(active, criterion))
                : scores.value(active.id(), criterion);
        value.ifPresent(v -> own.put(criterion.id(), v));
      }
      if (!own.isEmpty()) {
        values.put(active.id(), own);
      }
    }
    return scores.weights().map(weights -> new Totals(scores.criteria(), weights, values));
  }

  /** Who wins where, of those that nobody set aside. */
  public ScoreCard scoreCard() {
    return ScoreCard.of(this);
  }

  /** The answer to "why" for a figure. */
  public Derivation explain(Figure figure) {
    return new Explanation(this).of(figure);
  }
}
