package tertulia.core.evaluation;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import tertulia.core.billing.CostTiming;
import tertulia.core.path.PlanPaths;
import tertulia.core.working.Derivation;
import tertulia.core.working.NoSuchFigure;
import tertulia.core.working.Quantity;

/** Why a must costs so much. */
record NeedCostExplanation(Evaluation evaluation) {
  private Selection selection() {
    return evaluation.selection();
  }

  private NeedCosts.Line line(String capability) {
    return evaluation.costs().overall().needCosts().lines().stream()
        .filter(line -> line.need().capability().id().equals(capability))
        .findFirst()
        .orElseThrow(() -> new NoSuchFigure("must " + capability));
  }

  /**
   * For one contender.
   *
   * @throws NoSuchFigure if it is no need, or the contender is set aside
   */
  Derivation of(String capability, String contender) {
    return evaluation.costs().overall().shouldCosts().lines().stream()
        .filter(line -> line.need().capability().id().equals(capability))
        .findFirst()
        .map(line -> ofShould(line, contender))
        .orElseGet(() -> of(line(capability), contender));
  }

  /** Of a should or could: what it would cost as a must. */
  private Derivation ofShould(ShouldCosts.Line line, String contender) {
    String label =
        line.need().capability().name()
            + ", if it were a must, for "
            + selection().contender(contender).tool().name();
    ShouldCosts.Effect effect =
        Optional.ofNullable(line.byContender().get(contender))
            .orElseThrow(() -> new NoSuchFigure("contender " + contender + " that is compared"));
    CostsOverall overall = evaluation.costs().overall();
    List<Derivation> parts =
        parts(overall.wayWith(contender, line.need().asMust()), overall.way(contender), "as it is");
    return switch (effect) {
      case ShouldCosts.Effect.Has has ->
          Derivation.Sum.of(label, selection().currency().getCode(), parts);
      case ShouldCosts.Effect.Takes takes ->
          Derivation.Sum.of(label, selection().currency().getCode(), parts);
      case ShouldCosts.Effect.Lacks lacks ->
          new Derivation.Missing(
              label,
              lacks.open()
                  ? "not confirmed: no total with it yet"
                  : "no plan has it in every month",
              parts);
      case ShouldCosts.Effect.NoTotal none ->
          new Derivation.Missing(label, "no total as it is", parts);
    };
  }

  /**
   * For the selection.
   *
   * @throws NoSuchFigure if it is no must
   */
  Derivation ofAll(String capability) {
    return ofAll(line(capability));
  }

  private Derivation of(NeedCosts.Line line, String contender) {
    String name = selection().contender(contender).tool().name();
    return effect(
        line.need().capability().name() + ", for " + name,
        Optional.ofNullable(line.byContender().get(contender))
            .orElseThrow(() -> new NoSuchFigure("contender " + contender + " that is compared")),
        evaluation.costs().overall().way(contender),
        evaluation.costs().overall().wayWithout(contender, java.util.Set.of(line.need())));
  }

  private Derivation ofAll(NeedCosts.Line line) {
    String label = line.need().capability().name() + ", for the selection";
    List<Derivation> each = new ArrayList<>();
    selection().active().forEach(c -> each.add(of(line, c.id())));
    if (line.selection().isPresent()
        && line.selection().get() instanceof NeedCosts.Effect.Costs costs) {
      return new Derivation.Derived(
          label,
          Quantity.of(costs.more()),
          "the cheapest with it, "
              + costs.with()
              + ", less the cheapest without it, "
              + costs.without(),
          each);
    }
    return new Derivation.Missing(label, "there is no total with it, or none at all", each);
  }

  private Derivation effect(
      String label, NeedCosts.Effect effect, PlanPaths with, PlanPaths without) {
    List<Derivation> parts = parts(with, without, "without it");
    return switch (effect) {
      case NeedCosts.Effect.Costs costs ->
          Derivation.Sum.of(label, selection().currency().getCode(), parts);
      case NeedCosts.Effect.RulesOut out ->
          new Derivation.Missing(
              label,
              out.open()
                  ? "not confirmed: only without it is there a total as things are known"
                  : "rules the tool out: only without it is there a total",
              parts);
      case NeedCosts.Effect.NoTotal none ->
          new Derivation.Missing(label, "no total with or without it", parts);
    };
  }

  private List<Derivation> parts(PlanPaths with, PlanPaths without, String otherwise) {
    CostTiming view = evaluation.whatIf().view();
    List<Derivation> parts = new ArrayList<>();
    if (with instanceof PlanPaths.Found found) {
      parts.add(
          new Derivation.Derived(
              "with it: " + found.best().label(),
              Quantity.of(found.best().ledger().total(view)),
              "the cheapest path",
              List.of()));
    }
    if (without instanceof PlanPaths.Found found) {
      parts.add(
          new Derivation.Derived(
              otherwise + ": " + found.best().label(),
              Quantity.of(found.best().ledger().total(view).negated()),
              "the cheapest path then, taken off",
              List.of(found.best().ledger().explainTotal(view))));
    }
    return parts;
  }
}
