package tertulia.core.firmness;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.ojalgo.optimisation.Expression;
import org.ojalgo.optimisation.ExpressionsBasedModel;
import org.ojalgo.optimisation.Optimisation;
import org.ojalgo.optimisation.Variable;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Totals;

/**
 * The smallest change of weights that puts a contender at least level with all others: ½ Σ |Δw|,
 * every weight 0 or more, values at their middle. A linear programme, solved by the simplex method.
 *
 * @param contender who does not lead alone as the weights are
 * @param shift how much weight goes from some criteria to others, 0 to 1, to 6 decimals
 * @param weights by criterion id, adding up to 1; one of perhaps several choices
 */
public record NearestUpset(String contender, BigDecimal shift, Map<String, BigDecimal> weights) {
  private static final int DECIMALS = 6;

  public NearestUpset {
    weights = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(weights));
  }

  /** The upset of a contender; empty if no weights whatever put it level with all others. */
  public static Optional<NearestUpset> of(Totals totals, String contender) {
    ExpressionsBasedModel model = new ExpressionsBasedModel();
    List<Variable> weights = new ArrayList<>();
    Expression whole = model.newExpression("all weight").level(1);
    for (Criterion criterion : totals.criteria()) {
      Variable weight = model.newVariable("w " + criterion.id()).lower(0).upper(1);
      // what it gains; what others lose is the same in all, so half the sum of both is this
      Variable gain = model.newVariable("gain " + criterion.id()).lower(0).weight(1);
      model
          .newExpression("gains " + criterion.id())
          .set(gain, 1)
          .set(weight, -1)
          .lower(totals.weight(criterion).negate());
      whole.set(weight, 1);
      weights.add(weight);
    }
    for (String rival : totals.values().keySet()) {
      if (!rival.equals(contender)) {
        Expression level = model.newExpression("level with " + rival).lower(0);
        for (int c = 0; c < weights.size(); c++) {
          Criterion criterion = totals.criteria().get(c);
          level.set(
              weights.get(c),
              totals
                  .value(contender, criterion)
                  .interval()
                  .midpoint()
                  .subtract(totals.value(rival, criterion).interval().midpoint()));
        }
      }
    }
    Optimisation.Result result = model.minimise();
    return result.getState().isFeasible()
        ? Optional.of(found(totals, contender, weights))
        : Optional.empty();
  }

  /** The shift is worked out anew from the weights that were chosen. */
  private static NearestUpset found(Totals totals, String contender, List<Variable> chosen) {
    Map<String, BigDecimal> weights = new LinkedHashMap<>();
    BigDecimal shift = BigDecimal.ZERO;
    for (int c = 0; c < chosen.size(); c++) {
      Criterion criterion = totals.criteria().get(c);
      BigDecimal weight =
          java.util.Objects.requireNonNull(chosen.get(c).getValue())
              .setScale(2 * DECIMALS, RoundingMode.HALF_UP);
      weights.put(criterion.id(), weight);
      shift = shift.add(weight.subtract(totals.weight(criterion)).max(BigDecimal.ZERO));
    }
    return new NearestUpset(contender, shift.setScale(DECIMALS, RoundingMode.HALF_UP), weights);
  }

  /** Criteria whose weight moves by at least so much, with by how much; the largest first. */
  public List<Move> moves(Totals totals, BigDecimal least) {
    return totals.criteria().stream()
        .map(criterion ->
            new Move(
                criterion,
                weights
                    .getOrDefault(criterion.id(), BigDecimal.ZERO)
                    .subtract(totals.weight(criterion))))
        .filter(move -> move.by().abs().compareTo(least) >= 0)
        .sorted(java.util.Comparator.comparing((Move m) -> m.by().abs()).reversed())
        .toList();
  }

  /** How the weight of a criterion changes; below 0 it loses. */
  public record Move(Criterion criterion, BigDecimal by) {}
}
