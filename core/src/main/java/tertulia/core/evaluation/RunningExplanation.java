package tertulia.core.evaluation;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import org.joda.money.Money;
import tertulia.core.billing.View;
import tertulia.core.labour.Takes;
import tertulia.core.path.Ways;
import tertulia.core.working.NoSuchFigure;
import tertulia.core.working.Quantity;
import tertulia.core.working.Working;

/**
 * The workings of running sums and of prices a head.
 *
 * @param way explains the best way of a contender
 * @param steady explains what a contender costs a month
 */
record RunningExplanation(
    Costs costs, Function<String, Working> way, Function<String, Working> steady) {

  Working running(String contender, int m) {
    if (!costs.selection().horizon().contains(m)) {
      throw new NoSuchFigure("plan month " + m);
    }
    Optional<List<Money>> running = costs.overall().running(contender);
    if (running.isEmpty() || !(costs.overall().way(contender) instanceof Ways.Found found)) {
      return way.apply(contender);
    }
    View view = costs.whatIf().view();
    List<Working> parts = new ArrayList<>();
    for (int i = 0; i <= m; i++) {
      parts.add(found.best().ledger().explainMonth(i, view));
    }
    if (costs.whatIf().basis() == WhatIf.Basis.FULL
        && costs.overall().takes(contender) instanceof Takes.Known known) {
      Money time =
          known.time().lines().stream()
              .filter(line -> line.month() <= m)
              .map(line -> line.money())
              .reduce(Money.zero(costs.selection().currency()), Money::plus);
      parts.add(
          new Working.Derived(
              "People’s time",
              Quantity.of(time),
              "what falls into these months",
              List.of(known.time().explain())));
    }
    return Working.Sum.of("So far, " + view.words(), costs.selection().currency().getCode(), parts);
  }

  Working oldTool(int m) {
    Optional<BigDecimal> month = costs.selection().practice().labour().oldTool();
    if (month.isEmpty() || !costs.selection().horizon().contains(m)) {
      throw new NoSuchFigure("old tool in plan month " + m);
    }
    String currency = costs.selection().currency().getCode();
    return new Working.Derived(
        "The tool in use, so far",
        Quantity.of(costs.overall().runningOfOldTool().orElseThrow().get(m)),
        "what it costs a month × months, rounded half-up",
        List.of(
            new Working.Entered("the tool in use, a month", new Quantity(month.get(), currency)),
            new Working.Entered("months", Quantity.of(m + 1, "months"))));
  }

  Working perHead(String contender, int months) {
    Optional<Amount> head = costs.now().perHead(contender, months);
    String label = "For each of " + costs.people().total() + ", for " + months + " months";
    List<Working> parts =
        List.of(
            steady.apply(contender),
            new Working.Entered("people", Quantity.of(costs.people().total(), "people")));
    String times = " a month × " + months + " ÷ people, rounded half-up";
    return head.<Working>map(amount ->
            new Working.Derived(label, Quantity.of(amount.high()), "what it costs" + times, parts))
        .or(() ->
            costs
                .now()
                .leastPerHead(contender, months)
                .map(least ->
                    new Working.Missing(
                        label,
                        "not known, which is not nothing",
                        List.of(
                            new Working.Derived(
                                "at least",
                                Quantity.of(least),
                                "the least it costs" + times,
                                parts)))))
        .orElseGet(() -> steady.apply(contender));
  }
}
