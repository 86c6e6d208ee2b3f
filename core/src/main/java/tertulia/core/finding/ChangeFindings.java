package tertulia.core.finding;

import java.util.List;
import java.util.Optional;
import org.joda.money.Money;
import tertulia.core.evaluation.Amount;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Costs;
import tertulia.core.evaluation.Evaluation;

/** What there is to say of a selection that is evaluated again after something has changed. */
public record ChangeFindings(Evaluation before, Evaluation after) {
  /** What becomes of the cheapest and of the lead. */
  public ChangeFinding.OrderAfter order() {
    return new ChangeFinding.OrderAfter(
        cheapest(before.costs()),
        cheapest(after.costs()),
        new ScoreFindings(before).lead(),
        new ScoreFindings(after).lead());
  }

  /** All with the least figure for the people under discussion; empty if nobody has one. */
  private static List<String> cheapest(Costs costs) {
    Optional<Money> least =
        costs.now().orderByCost().stream().findFirst().map(id -> figure(costs, id));
    return costs.selection().active().stream()
        .map(Contender::id)
        .filter(id -> costs.now().monthly(id).map(Amount::high).equals(least) && least.isPresent())
        .toList();
  }

  private static Money figure(Costs costs, String tool) {
    return costs.now().monthly(tool).orElseThrow().high();
  }
}
