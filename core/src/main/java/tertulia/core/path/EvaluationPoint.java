package tertulia.core.path;

import tertulia.core.billing.UnitsNeeded;

/**
 * What is needed, and when: what grows on its own, as kept messages do, depends on the month, and
 * what is owned holds only until a day.
 *
 * @param month the plan month, 0 or more
 * @param owned the plan month whose holding counts: the same; where it is asked what so many people
 *     would cost for good, the last, so that what is owned for a while is not subtracted for ever
 */
public record EvaluationPoint(UnitsNeeded units, int month, int owned) {
  /** What a plan month needs and holds. */
  public EvaluationPoint(UnitsNeeded units, int month) {
    this(units, month, month);
  }
}
