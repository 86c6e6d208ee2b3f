package tertulia.app.cost;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.joda.money.Money;
import tertulia.app.chart.WaitChart;
import tertulia.app.display.Dates;
import tertulia.app.display.Figures;
import tertulia.app.display.Voice;
import tertulia.app.workspace.Session;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.CostsOverall;
import tertulia.core.inuse.Together;
import tertulia.core.sensitivity.Beginning;
import tertulia.core.time.Horizon;

/**
 * Whether it pays to wait with a contender that replaces something in use.
 *
 * @param says that, in a sentence
 * @param chart what it costs by the month of beginning
 * @param lines the same as a table
 */
record WaitView(String says, String chart, List<Line> lines) {
  /** Begun in a month. */
  record Line(String month, String cost, String apart) {}

  /**
   * For the cheapest of those that replace something and are no more than what is in use; empty if
   * nobody replaces anything.
   */
  static Optional<WaitView> of(Session session) {
    CostsOverall costs = session.evaluation().costs().overall();
    return session.columns().stream()
        .filter(c -> !c.asToday() && !costs.together(c.id()).goes().isEmpty())
        .filter(c -> costs.total(c.id()).isPresent())
        .min(java.util.Comparator.comparing(c -> costs.total(c.id()).orElseThrow()))
        .map(c -> of(session, c));
  }

  private static WaitView of(Session session, Contender contender) {
    Together beside = session.evaluation().costs().overall().together(contender.id());
    Horizon horizon = session.table().selection().horizon();
    Beginning beginning =
        new Beginning(
            session.table().selection(), session.evaluation().whatIf(), contender.id(), beside);
    List<Beginning.Begun> each = beginning.each();
    Beginning.Advice advice = beginning.advice();
    int best =
        switch (advice) {
          case Beginning.Advice.Later later -> later.best();
          case Beginning.Advice.LaterStillLess less -> less.last();
          case Beginning.Advice.AtOnce now -> 0;
          case Beginning.Advice.NotKnown not -> 0;
        };
    String says = says(contender, advice, horizon);
    Optional<Money> atOnce = each.getFirst().cost();
    List<Line> lines = new ArrayList<>();
    for (Beginning.Begun begun : each) {
      lines.add(
          new Line(
              Dates.month(horizon.month(begun.month())),
              begun.cost().map(Figures::money).orElse("not known"),
              begun
                  .cost()
                  .flatMap(cost -> atOnce.map(cost::minus))
                  .filter(apart -> !apart.isZero())
                  .map(apart -> (apart.isPositive() ? "+" : "−") + Figures.money(apart.abs()))
                  .orElse("")));
    }
    return new WaitView(
        says,
        WaitChart.draw(
            horizon,
            each.stream().map(Beginning.Begun::cost).toList(),
            best,
            session.mark(contender.id()),
            says),
        lines);
  }

  private static String says(Contender contender, Beginning.Advice advice, Horizon horizon) {
    String tool = contender.tool().name();
    return switch (advice) {
      case Beginning.Advice.AtOnce now ->
          Voice.say("use.wait.not", Map.of("tool", tool, "cost", Figures.moneyIn(now.cost())));
      case Beginning.Advice.Later later ->
          Voice.say(
              "use.wait",
              Map.of(
                  "tool",
                  tool,
                  "month",
                  Dates.month(horizon.month(later.best())),
                  "cost",
                  Figures.moneyIn(later.cost()),
                  "less",
                  Figures.moneyIn(later.less())));
      case Beginning.Advice.LaterStillLess less ->
          Voice.say(
              "use.wait.still-less",
              Map.of(
                  "tool",
                  tool,
                  "month",
                  Dates.month(horizon.month(less.last())),
                  "less",
                  Figures.moneyIn(less.less())));
      case Beginning.Advice.NotKnown not -> Voice.say("use.wait.unknown", "tool", tool);
    };
  }
}
