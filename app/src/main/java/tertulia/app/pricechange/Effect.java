package tertulia.app.pricechange;

import java.util.List;
import java.util.Optional;
import tertulia.app.decision.Decisions;
import tertulia.app.display.Figures;
import tertulia.app.exchange.ToolSheet;
import tertulia.app.selection.Selections;
import tertulia.app.selection.Table;
import tertulia.core.billing.View;
import tertulia.core.decision.Decision;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.Figure;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.path.Outcome;
import tertulia.core.path.Stay;
import tertulia.core.working.Working;

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
      Table table, ToolSheet before, ToolSheet after, Optional<Decisions.Stored> decision) {
    Evaluation old = Evaluation.of(Selections.replacing(table, before), WhatIf.START);
    Evaluation now = Evaluation.of(Selections.replacing(table, after), WhatIf.START);
    Outcome<Stay> oldStay = old.stay(before.id());
    Outcome<Stay> newStay = now.stay(before.id());
    return new Effect(
        table.id(),
        before.id(),
        table.selection().title(),
        stands(table, before, decision),
        words(oldStay),
        words(newStay),
        difference(oldStay, newStay),
        order(old, now));
  }

  /** The working of what the tool would cost over a table's plan with another page. */
  static Working explain(Table table, ToolSheet page) {
    return Evaluation.of(Selections.replacing(table, page), WhatIf.START)
        .explain(new Figure.Horizon(page.id()));
  }

  private static String stands(Table table, ToolSheet tool, Optional<Decisions.Stored> decision) {
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

  private static String name(Table table, String id) {
    return table.selection().contenders().stream()
        .filter(c -> c.id().equals(id))
        .findFirst()
        .map(c -> c.tool().name())
        .orElse(id);
  }

  private static String words(Outcome<Stay> outcome) {
    return switch (outcome) {
      case Outcome.Found<Stay> found ->
          Figures.moneyIn(found.best().ledger().total(View.SPREAD))
              + ", "
              + found.best().option().label();
      case Outcome.NoPlan<Stay> none -> "no plan fits";
      case Outcome.Unpriced<Stay> unpriced -> "price not known";
    };
  }

  private static String difference(Outcome<Stay> before, Outcome<Stay> after) {
    if (before instanceof Outcome.Found<Stay> old && after instanceof Outcome.Found<Stay> now) {
      return Figures.signed(
          now.best().ledger().total(View.SPREAD).minus(old.best().ledger().total(View.SPREAD)));
    }
    return "";
  }

  private static String order(Evaluation before, Evaluation after) {
    StringBuilder words = new StringBuilder();
    String oldCheapest = first(before, before.orderByCost());
    String newCheapest = first(after, after.orderByCost());
    if (!oldCheapest.equals(newCheapest)) {
      words.append(newCheapest).append(" would be cheapest instead of ").append(oldCheapest);
    }
    String oldLeader = leader(before);
    String newLeader = leader(after);
    if (!oldLeader.equals(newLeader)) {
      words
          .append(words.isEmpty() ? "" : "; ")
          .append(newLeader)
          .append(" would lead the totals instead of ")
          .append(oldLeader);
    }
    return words.isEmpty() ? "The order stays." : words + ".";
  }

  private static String first(Evaluation evaluation, List<String> order) {
    return order.isEmpty() ? "nobody" : name(evaluation, order.getFirst());
  }

  private static String leader(Evaluation evaluation) {
    return evaluation
        .totals()
        .map(totals -> name(evaluation, totals.standings().getFirst().contender()))
        .orElse("nobody");
  }

  private static String name(Evaluation evaluation, String id) {
    Contender contender = evaluation.selection().contender(id);
    return contender.tool().name();
  }
}
