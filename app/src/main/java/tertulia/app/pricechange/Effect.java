package tertulia.app.pricechange;

import java.util.List;
import java.util.Optional;
import tertulia.app.decision.Decisions;
import tertulia.app.display.Figures;
import tertulia.app.display.FindingWords;
import tertulia.app.exchange.ToolSheet;
import tertulia.app.selection.LoadedSelection;
import tertulia.app.selection.SelectionLoader;
import tertulia.app.selection.Selections;
import tertulia.core.billing.CostTiming;
import tertulia.core.decision.Decision;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.Figure;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.finding.ChangeFindings;
import tertulia.core.path.PlanPaths;
import tertulia.core.working.Derivation;

/**
 * What another price page of a tool does to one selection.
 *
 * @param tool id of the tool
 * @param stands such as "open", or who it is decided for
 * @param before the tool's cost over the plan with its plan and term, or why there is none
 * @param difference signed; empty if there is nothing to subtract
 * @param order what becomes of the order, in a sentence; empty if it stays
 */
record Effect(
    long selection,
    String tool,
    String title,
    String stands,
    String before,
    String after,
    String difference,
    String order) {

  /** The effects on every selection in which the tool is at the table. */
  static List<Effect> of(
      ToolSheet before, ToolSheet after, Selections selections, Decisions decisions) {
    return selections.with(before.id()).stream()
        .map(id -> of(selections.load(id), before, after, decisions.find(id)))
        .toList();
  }

  private static Effect of(
      LoadedSelection table,
      ToolSheet before,
      ToolSheet after,
      Optional<Decisions.Stored> decision) {
    Evaluation old = Evaluation.of(SelectionLoader.replacing(table, before), WhatIf.START);
    Evaluation now = Evaluation.of(SelectionLoader.replacing(table, after), WhatIf.START);
    PlanPaths oldWay = old.costs().overall().way(before.id());
    PlanPaths newWay = now.costs().overall().way(before.id());
    return new Effect(
        table.id(),
        before.id(),
        table.selection().title(),
        stands(table, before, decision),
        words(oldWay),
        words(newWay),
        difference(oldWay, newWay),
        new FindingWords(now.selection()).of(new ChangeFindings(old, now).order()));
  }

  /** The working of what the tool would cost with another page; empty if it is not at the table. */
  static Optional<Derivation> explain(LoadedSelection table, ToolSheet page) {
    boolean there = table.selection().contenders().stream().anyMatch(c -> c.id().equals(page.id()));
    return there
        ? Optional.of(
            Evaluation.of(SelectionLoader.replacing(table, page), WhatIf.START)
                .explain(new Figure.BestWay(page.id())))
        : Optional.empty();
  }

  private static String stands(
      LoadedSelection table, ToolSheet tool, Optional<Decisions.Stored> decision) {
    if (!table.decided()) {
      return table.selection().contender(tool.id()).setAside().isPresent()
          ? "open, the tool is set aside"
          : "open";
    }
    String choice =
        decision.map(stored -> ((Decision) stored.decision()).proposal().choice()).orElse("");
    return choice.equals(tool.id())
        ? "decided for this tool"
        : "decided for " + name(table, choice);
  }

  private static String name(LoadedSelection table, String id) {
    return table.selection().contenders().stream()
        .filter(c -> c.id().equals(id))
        .findFirst()
        .map(c -> c.tool().name())
        .orElse(id);
  }

  private static String words(PlanPaths ways) {
    return switch (ways) {
      case PlanPaths.Found found ->
          Figures.moneyIn(found.best().ledger().total(CostTiming.SPREAD))
              + ", "
              + found.best().label();
      case PlanPaths.Gap gap ->
          gap.low()
              .map(low -> "at least " + Figures.moneyIn(low.ledger().total(CostTiming.SPREAD)))
              .orElse(gap.isUnpriced() ? "price not known" : "no plan fits");
    };
  }

  private static String difference(PlanPaths before, PlanPaths after) {
    if (before instanceof PlanPaths.Found old && after instanceof PlanPaths.Found now) {
      return Figures.signed(
          now.best()
              .ledger()
              .total(CostTiming.SPREAD)
              .minus(old.best().ledger().total(CostTiming.SPREAD)));
    }
    return "";
  }
}
