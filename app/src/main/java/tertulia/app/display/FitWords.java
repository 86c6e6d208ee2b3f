package tertulia.app.display;

import java.util.List;
import java.util.Map;
import java.util.Set;
import tertulia.core.evaluation.NeedCosts.Effect;
import tertulia.core.evaluation.Selection;
import tertulia.core.finding.FitFinding;
import tertulia.core.fit.Capability;
import tertulia.core.fit.Conflicts;
import tertulia.core.fit.Need;

/** What is said of fit. */
record FitWords(Selection selection) implements SelectionWords {
  private static final int MOST_SETS = 3;

  String of(FitFinding finding) {
    return switch (finding) {
      case FitFinding.OnlyTogether together -> together(together);
      case FitFinding.NotTheFirst not ->
          Voice.say(
              not.cost().isExact() ? "fit.lowest-not-cheapest" : "fit.lowest-not-cheapest.at-most",
              Map.of(
                  "tool",
                  name(not.tool()),
                  "first",
                  not.first(),
                  "taken",
                  not.taken(),
                  "cost",
                  Figures.moneyIn(not.cost().high())));
      case FitFinding.NoPlanDoes none ->
          Voice.say("fit.no-plan-is-enough", "people", people(none.people()));
      case FitFinding.FirstThatDoes first ->
          Voice.say("fit.lowest", Map.of("plan", first.plan(), "people", people(first.people())));
      case FitFinding.WillNotDo not ->
          Voice.say(
              "fit.not-enough", Map.of("plan", not.plan(), "reasons", reasons(not.reasons())));
      case FitFinding.NextBrings next -> next(next);
      case FitFinding.NoPlan none -> noPlan(none);
    };
  }

  private static String needs(List<Need> needs) {
    return Voice.list(needs.stream().map(need -> need.capability().name()).toList());
  }

  private static String next(FitFinding.NextBrings next) {
    String adds =
        next.gains().isEmpty()
            ? Voice.say("fit.next.adds-nothing", "plan", next.plan())
            : Voice.say("fit.next.adds", Map.of("plan", next.plan(), "gains", needs(next.gains())));
    String costs =
        next.more()
            .map(more ->
                more.isNegative()
                    ? Voice.say(
                        next.assumed() ? "fit.next.costs-less-at-least" : "fit.next.costs-less",
                        "less",
                        Figures.money(more.abs()))
                    : Voice.say(
                        next.assumed() ? "fit.next.costs-more-at-most" : "fit.next.costs-more",
                        "more",
                        Figures.money(more)))
            .orElseGet(() -> Voice.say("fit.next.not-known"));
    String beyond =
        next.beyond().isEmpty()
            ? ""
            : Voice.say(
                "fit.next.beyond",
                "beyond",
                Voice.choice(next.beyond().stream().map(Capability::name).toList()));
    String allows =
        next.allowances().isEmpty()
            ? ""
            : Voice.say(
                "fit.next.allows",
                "limits",
                Voice.list(next.allowances().stream().map(FitWords::larger).toList()));
    return Voice.all(adds, allows, costs, beyond);
  }

  private static String larger(FitFinding.Larger larger) {
    Map<String, String> places =
        Map.of("measure", larger.measure().label(), "before", larger.before().words());
    return larger
        .after()
        .map(after ->
            Voice.say(
                "fit.part.larger",
                Map.of(
                    "measure",
                    larger.measure().label(),
                    "before",
                    larger.before().words(),
                    "after",
                    after.words())))
        .orElseGet(() -> Voice.say("fit.part.no-end", places));
  }

  private String together(FitFinding.OnlyTogether together) {
    Map<String, String> places =
        Map.of("tool", name(together.tool()), "needs", needs(together.needs()));
    return switch (together.effect()) {
      case Effect.Costs costs ->
          Voice.say(
              costs.exact() ? "fit.together.costs" : "fit.together.costs-about",
              Map.of(
                  "tool",
                  name(together.tool()),
                  "needs",
                  needs(together.needs()),
                  "more",
                  Figures.moneyIn(costs.more())));
      case Effect.RulesOut out ->
          Voice.say(out.open() ? "fit.together.not-confirmed" : "fit.together.rules-out", places);
      case Effect.NoTotal none -> Voice.say("fit.together.no-total", places);
    };
  }

  private String noPlan(FitFinding.NoPlan none) {
    Conflicts conflicts = none.conflicts();
    List<String> sets =
        conflicts.smallest().stream()
            .limit(MOST_SETS)
            .map((Set<String> set) -> "“" + String.join("” with “", set) + "”")
            .toList();
    String first =
        Voice.say(
            none.toConfirm() ? "fit.no-plan.not-confirmed" : "fit.no-plan",
            Map.of(
                "tool",
                name(none.tool()),
                "people",
                people(none.people()),
                "needs",
                Voice.choice(sets)));
    List<String> without =
        conflicts.opens().entrySet().stream()
            .map(open ->
                Voice.say(
                    "fit.no-plan.without",
                    Map.of("need", open.getKey(), "plans", listed(open.getValue()))))
            .toList();
    return without.isEmpty() ? first : first + " " + String.join(" ", without);
  }
}
