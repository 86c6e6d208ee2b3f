package tertulia.core.evaluation;

import java.math.BigDecimal;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tertulia.core.fit.Importance;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Judgement;
import tertulia.core.scoring.Panel;
import tertulia.core.scoring.Totals;
import tertulia.core.scoring.Value;

/** What a panel makes of costs and facts: a value under each criterion, and totals. */
public final class Scores {
  private final List<Criterion> criteria;
  private final Panel panel;
  private final Map<String, Map<String, Value>> values = new LinkedHashMap<>();
  private final Optional<Totals> totals;

  private Scores(Costs costs, Selection judged) {
    this.criteria = live(judged.criteria(), costs.selection());
    this.panel = judged.panel();
    Valuation valuation = new Valuation(costs.overall(), panel, judged.trials());
    for (Contender contender : costs.overall().feasible()) {
      Map<String, Value> own = new LinkedHashMap<>();
      this.criteria.forEach(c -> own.put(c.id(), valuation.value(contender, c)));
      values.put(contender.id(), own);
    }
    this.totals =
        panel
            .groupWeights(this.criteria)
            .filter(weights -> !values.isEmpty())
            .map(weights -> new Totals(this.criteria, weights, values));
  }

  private Scores(Scores before, Panel panel) {
    this.criteria = before.criteria;
    this.panel = panel;
    before.values.forEach((contender, known) -> {
      Map<String, Value> own = new LinkedHashMap<>();
      for (Criterion criterion : criteria) {
        own.put(
            criterion.id(),
            criterion.kind() instanceof Criterion.Judged
                ? Judgement.of(panel, criterion, contender)
                : java.util.Objects.requireNonNull(known.get(criterion.id())));
      }
      values.put(contender, own);
    });
    this.totals =
        panel
            .groupWeights(this.criteria)
            .filter(weights -> !values.isEmpty())
            .map(weights -> new Totals(this.criteria, weights, values));
  }

  /** What others would make of the same; only marks and weights are judged anew. */
  Scores judgedBy(Panel others) {
    return new Scores(this, others);
  }

  static Scores of(Costs costs, Selection judged) {
    return new Scores(costs, judged);
  }

  /** Coverage is dropped if there is no should-need; the weights are renormalised without it. */
  private static List<Criterion> live(List<Criterion> criteria, Selection selection) {
    boolean shoulds =
        selection.needs().stream().anyMatch(n -> n.importance() instanceof Importance.Should);
    return criteria.stream()
        .filter(c -> shoulds || !(c.kind() instanceof Criterion.Coverage))
        .toList();
  }

  /** The criteria of a selection that count; see {@link #criteria()}. */
  public static List<Criterion> criteria(Selection selection) {
    return live(selection.criteria(), selection);
  }

  /** The criteria that count: coverage is left out if there is nothing to cover. */
  public List<Criterion> criteria() {
    return criteria;
  }

  Panel panel() {
    return panel;
  }

  /**
   * The value of a feasible contender under a criterion that counts, whether or not anybody has
   * given weights; empty for a contender that is not feasible.
   */
  public Optional<Value> value(String contender, Criterion criterion) {
    return Optional.ofNullable(values.get(contender)).map(own -> own.get(criterion.id()));
  }

  /** The weight of each criterion that counts; empty as long as nobody has given weights. */
  public Optional<Map<String, BigDecimal>> weights() {
    return panel.groupWeights(criteria);
  }

  /** Totals of the feasible contenders; empty if there are none or nobody has given weights. */
  public Optional<Totals> totals() {
    return totals;
  }
}
