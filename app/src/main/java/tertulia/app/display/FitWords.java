package tertulia.app.display;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import tertulia.core.evaluation.NeedCosts.Effect;
import tertulia.core.evaluation.Selection;
import tertulia.core.finding.FitFinding;
import tertulia.core.fit.Capability;
import tertulia.core.fit.Conflicts;

/** What is said of fit. */
record FitWords(Selection selection) implements SelectionWords {
  String of(FitFinding finding) {
    return switch (finding) {
      case FitFinding.OnlyTogether together ->
          name(together.tool())
              + ": "
              + listed(together.needs().stream().map(need -> need.capability().name()).toList())
              + together(together.effect())
              + ".";
      case FitFinding.NotTheFirst not ->
          name(not.tool())
              + ": "
              + not.first()
              + " is the first plan that would do; "
              + not.taken()
              + ", which the column reads, is the cheapest that would"
              + (not.cost().isExact() ? ", at " : " and has a price, at most ")
              + Figures.moneyIn(not.cost().high())
              + " a month.";
      case FitFinding.NoPlanDoes none ->
          "None of its plans would do for " + people(none.people()) + ".";
      case FitFinding.FirstThatDoes first ->
          "For "
              + people(first.people())
              + " "
              + first.plan()
              + " is the first plan that would do"
              + (first.isFirst() ? "; nothing dearer is needed." : ".");
      case FitFinding.WillNotDo not -> not.plan() + " will not do: " + reasons(not.reasons()) + ".";
      case FitFinding.NextBrings next -> next(next);
      case FitFinding.NoPlan none -> noPlan(none);
    };
  }

  private static String next(FitFinding.NextBrings next) {
    String gain =
        next.gains().isEmpty()
            ? "nothing that was asked for"
            : next.gains().stream()
                .map(need -> need.capability().name())
                .collect(Collectors.joining(", "));
    String more =
        next.more()
            .map(m ->
                (m.isNegative()
                        ? ", and costs " + Figures.money(m.abs()) + " less a month"
                        : ", for " + Figures.money(m) + " more a month")
                    + (next.assumed() ? ", at the most that is assumed" : ""))
            .orElse("; its price is not known");
    String beyond = next.beyond().stream().map(Capability::name).collect(Collectors.joining(", "));
    return next.plan()
        + " would bring "
        + gain
        + more
        + (beyond.isEmpty() ? "" : "; " + beyond + " nobody asked for")
        + ".";
  }

  private static String together(Effect effect) {
    return switch (effect) {
      case Effect.Costs costs ->
          " cost nothing each, but together they cost "
              + Figures.moneyIn(costs.more())
              + (costs.exact() ? "" : " by figures that are known only within bounds");
      case Effect.RulesOut out ->
          (out.open() ? " are not all confirmed" : " together rule it out")
              + ": without any one of them there is still no total, without all of them there is";
      case Effect.NoTotal none -> " leave no total, alone or together";
    };
  }

  private String noPlan(FitFinding.NoPlan none) {
    Conflicts conflicts = none.conflicts();
    List<String> sets =
        conflicts.smallest().stream()
            .limit(3)
            .map((Set<String> set) -> "“" + String.join("” with “", set) + "”")
            .toList();
    List<String> opens =
        conflicts.opens().entrySet().stream()
            .map(e -> "without “" + e.getKey() + "” " + listed(e.getValue()) + " would do")
            .toList();
    return name(none.tool())
        + (none.toConfirm() ? " has no confirmed plan for " : " has no plan for ")
        + people(none.people())
        + (none.toConfirm() ? ": of no plan is it confirmed that it meets " : ": no plan meets ")
        + String.join(", nor ", sets)
        + (opens.isEmpty() ? "" : "; " + String.join("; ", opens))
        + ".";
  }
}
