package tertulia.core.sensitivity;

import static java.util.Objects.requireNonNull;

import java.util.List;
import java.util.Optional;
import org.joda.money.Money;
import tertulia.core.evaluation.Amount;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Costs;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.scoring.Totals;

/**
 * Who leads for certain: whatever the unknown values are, and with nobody level.
 *
 * @param tool empty if nobody does
 */
public record Lead(Basis basis, Optional<String> tool) {
  public Lead {
    requireNonNull(basis);
    requireNonNull(tool);
  }

  /** What a lead rests on. */
  public enum Basis {
    /** Nobody does what is needed. */
    NOBODY,
    /** One alone does what is needed. */
    ONE,
    /** The cost over the whole period, as nobody has weighed. */
    COST,
    /** The totals of the table. */
    TOTALS
  }

  /** The lead as an evaluation has it. */
  public static Lead of(Evaluation evaluation) {
    List<Contender> feasible = evaluation.costs().overall().feasible();
    if (feasible.isEmpty()) {
      return new Lead(Basis.NOBODY, Optional.empty());
    }
    if (feasible.size() == 1) {
      return new Lead(Basis.ONE, Optional.of(feasible.getFirst().id()));
    }
    return evaluation
        .scores()
        .totals()
        .map(totals -> new Lead(Basis.TOTALS, of(totals)))
        .orElseGet(() -> new Lead(Basis.COST, cheapest(evaluation.costs())));
  }

  /** Who leads by totals for certain. */
  static Optional<String> of(Totals totals) {
    Totals.Standing first = totals.standings().getFirst();
    return first.worstRank() == 1 ? Optional.of(first.contender()) : Optional.empty();
  }

  private static Optional<String> cheapest(Costs costs) {
    List<String> all = costs.overall().feasible().stream().map(Contender::id).toList();
    return all.stream().filter(tool -> isCheapest(costs, tool, all)).findFirst();
  }

  private static boolean isCheapest(Costs costs, String tool, List<String> all) {
    Optional<Money> most = costs.overall().totalBounds(tool).map(Amount::high);
    return most.isPresent()
        && all.stream()
            .filter(other -> !other.equals(tool))
            .allMatch(other ->
                costs
                    .overall()
                    .totalBounds(other)
                    .map(Amount::low)
                    .orElseGet(() -> costs.overall().leastTotal(other))
                    .filter(most.get()::isLessThan)
                    .isPresent());
  }
}
