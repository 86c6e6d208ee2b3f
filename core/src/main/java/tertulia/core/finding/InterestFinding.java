package tertulia.core.finding;

import java.math.BigDecimal;
import java.util.Optional;

/** What is said of who gains if they are believed. */
public sealed interface InterestFinding extends Finding {
  /**
   * What is left of the lead without what people with an interest said.
   *
   * @param facts that are left out
   * @param ratings that are left out
   * @param marks that are left out
   * @param with who is ahead by the middle of the totals with it; empty without totals
   * @param without who is without it
   */
  record WithoutInterested(
      int facts, int ratings, int marks, Optional<Lead> with, Optional<Lead> without)
      implements InterestFinding {
    /**
     * Who is ahead.
     *
     * @param by of the second, by the middle of both totals, 0 or more; empty: there is no second
     */
    public record Lead(String tool, Optional<BigDecimal> by) {}
  }
}
