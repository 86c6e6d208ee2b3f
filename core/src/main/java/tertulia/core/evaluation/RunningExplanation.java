package tertulia.core.evaluation;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import org.joda.money.Money;
import tertulia.core.billing.CostTiming;
import tertulia.core.inuse.Together;
import tertulia.core.labour.StaffTime;
import tertulia.core.path.PlanPaths;
import tertulia.core.working.Derivation;
import tertulia.core.working.NoSuchFigure;
import tertulia.core.working.Quantity;

/**
 * The workings of running sums and of prices a head.
 *
 * @param way explains the cheapest path of a contender
 * @param steady explains what a contender costs a month
 */
record RunningExplanation(
    Costs costs, Function<String, Derivation> way, Function<String, Derivation> steady) {

  Derivation running(String contender, int m) {
    if (!costs.selection().horizon().contains(m)) {
      throw new NoSuchFigure("plan month " + m);
    }
    Optional<List<Money>> running = costs.overall().running(contender);
    if (running.isEmpty() || !(costs.overall().way(contender) instanceof PlanPaths.Found found)) {
      return way.apply(contender);
    }
    CostTiming view = costs.whatIf().view();
    List<Derivation> parts = new ArrayList<>();
    for (int i = 0; i <= m; i++) {
      parts.add(found.best().ledger().explainMonth(i, view));
    }
    if (costs.whatIf().basis() == WhatIf.Basis.FULL
        && costs.overall().takes(contender) instanceof StaffTime.Known known) {
      Money time =
          known.time().lines().stream()
              .filter(line -> line.month() <= m)
              .map(line -> line.money())
              .reduce(Money.zero(costs.selection().currency()), Money::plus);
      parts.add(
          new Derivation.Derived(
              "Staff time",
              Quantity.of(time),
              "what falls into these months",
              List.of(known.time().explain())));
    }
    beside(contender, m, view).ifPresent(parts::add);
    return Derivation.Sum.of(
        "So far, " + view.words(), costs.selection().currency().getCode(), parts);
  }

  /** What of what is in use falls into the months up to one. */
  private Optional<Derivation> beside(String contender, int m, CostTiming view) {
    Together beside = costs.overall().together(contender);
    return beside.isNothing()
        ? Optional.empty()
        : beside
            .byMonth(view)
            .map(months ->
                new Derivation.Derived(
                    "What is in use",
                    Quantity.of(
                        months.subList(0, m + 1).stream()
                            .reduce(Money.zero(costs.selection().currency()), Money::plus)),
                    "what stays, and what is still owed of what goes, in these months",
                    List.of()));
  }

  Derivation oldTool(int m) {
    Optional<BigDecimal> month = costs.selection().practice().labour().oldTool();
    if (month.isEmpty() || !costs.selection().horizon().contains(m)) {
      throw new NoSuchFigure("old tool in plan month " + m);
    }
    String currency = costs.selection().currency().getCode();
    return new Derivation.Derived(
        "The tool in use, so far",
        Quantity.of(costs.overall().runningOfOldTool().orElseThrow().get(m)),
        "what it costs a month × months, rounded half-up",
        List.of(
            new Derivation.Entered("the tool in use, a month", new Quantity(month.get(), currency)),
            new Derivation.Entered("months", Quantity.of(m + 1, "months"))));
  }

  Derivation perHead(String contender, int months) {
    Optional<Amount> head = costs.now().perHead(contender, months);
    String label = "For each of " + costs.people().total() + ", for " + months + " months";
    List<Derivation> parts = new ArrayList<>();
    parts.add(steady.apply(contender));
    costs
        .now()
        .staying(contender)
        .filter(money -> !money.isZero())
        .ifPresent(money ->
            parts.add(
                new Derivation.Derived(
                    "what stays in use beside it, a month",
                    Quantity.of(money),
                    "at list, for its users",
                    List.of())));
    parts.add(new Derivation.Entered("people", Quantity.of(costs.people().total(), "people")));
    String times = " a month × " + months + " ÷ people, rounded half-up";
    return head.<Derivation>map(amount ->
            new Derivation.Derived(
                label, Quantity.of(amount.high()), "what it costs" + times, parts))
        .or(() ->
            costs
                .now()
                .leastPerHead(contender, months)
                .map(least ->
                    new Derivation.Missing(
                        label,
                        "not known, which is not nothing",
                        List.of(
                            new Derivation.Derived(
                                "at least",
                                Quantity.of(least),
                                "the least it costs" + times,
                                parts)))))
        .orElseGet(() -> steady.apply(contender));
  }
}
