package tertulia.core.evaluation;

import tertulia.core.working.Working;

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

  public WhatIf whatIf() {
    return costs.whatIf();
  }

  /** This selection under the same "what if" for other people under discussion. */
  public Evaluation at(WhatIf.Moment moment) {
    return new Evaluation(selection, costs.at(moment), scores);
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

  /** The answer to "why" for a figure. */
  public Working explain(Figure figure) {
    return new Explanation(this).of(figure);
  }
}
