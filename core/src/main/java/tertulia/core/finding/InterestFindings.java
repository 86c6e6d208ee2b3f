package tertulia.core.finding;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.scoring.Totals;

/** What is left of the lead without those who gain if they are believed. */
public final class InterestFindings {
  private InterestFindings() {}

  /** How many facts, ratings and marks have an interest behind them; 1 or more together. */
  public record Count(int facts, int ratings, int marks) {
    public Count {
      if (facts < 0 || ratings < 0 || marks < 0 || facts + ratings + marks == 0) {
        throw new IllegalArgumentException("No statement comes from someone with an interest.");
      }
    }
  }

  /**
   * Compares the lead.
   *
   * @param with the evaluation of all that was said
   * @param without that without what was said with an interest
   */
  public static InterestFinding.WithoutInterested of(
      Count count, Evaluation with, Evaluation without) {
    return new InterestFinding.WithoutInterested(
        count.facts(), count.ratings(), count.marks(), lead(with), lead(without));
  }

  /** Who is ahead by the middle of the totals, and by how much; empty without totals. */
  private static Optional<InterestFinding.WithoutInterested.Lead> lead(Evaluation evaluation) {
    List<Totals.Standing> standings =
        evaluation.scores().totals().map(Totals::standings).orElse(List.of());
    if (standings.isEmpty()) {
      return Optional.empty();
    }
    Totals.Standing first = standings.getFirst();
    Optional<BigDecimal> ahead =
        standings.size() == 1
            ? Optional.empty()
            : Optional.of(first.total().midpoint().subtract(standings.get(1).total().midpoint()));
    return Optional.of(new InterestFinding.WithoutInterested.Lead(first.contender(), ahead));
  }
}
