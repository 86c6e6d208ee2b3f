package tertulia.app.cost;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.joda.money.Money;
import tertulia.app.chart.Monthly;
import tertulia.app.chart.RunningChart;
import tertulia.app.display.Dates;
import tertulia.app.display.Figures;
import tertulia.app.display.FindingWords;
import tertulia.app.workspace.Cell;
import tertulia.app.workspace.Known;
import tertulia.app.workspace.Session;
import tertulia.core.evaluation.Amount;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Costs;
import tertulia.core.finding.CostFinding;
import tertulia.core.finding.RunningFindings;
import tertulia.core.time.Horizon;

/**
 * Cost so far, month after month.
 *
 * @param chart as SVG; empty if nobody has a total
 * @param says from when what pays
 * @param ends the months for which the table has a column
 */
record RunningView(String chart, List<String> says, List<String> ends, List<Line> lines) {
  private static final int YEAR = 12;
  private static final int MOST_CROSSINGS = 4;
  private static final String IN_USE = "the tool in use";

  /** A contender's sums at the ends of the plan years. */
  record Line(String contender, List<Cell> sums) {}

  static RunningView of(Session session) {
    Costs costs = session.evaluation().costs();
    Horizon horizon = session.table().selection().horizon();
    FindingWords words = new FindingWords(session.table().selection());
    RunningFindings findings = new RunningFindings(costs);
    List<Monthly> drawn = new ArrayList<>();
    for (Contender contender : session.columns()) {
      costs
          .overall()
          .running(contender.id())
          .ifPresent(sums ->
              drawn.add(new Monthly(contender.tool().name(), session.mark(contender.id()), sums)));
    }
    costs.overall().runningOfOldTool().ifPresent(sums -> drawn.add(new Monthly(IN_USE, 0, sums)));
    List<CostFinding.PaysFrom> crossings = findings.crossings();
    List<Integer> ends = ends(horizon);
    return new RunningView(
        RunningChart.draw(horizon, drawn, crossings(session, crossings)),
        Stream.of(
                crossings.stream().limit(MOST_CROSSINGS),
                findings.commitments().stream(),
                findings.againstOldTool().stream())
            .flatMap(found -> found)
            .map(words::of)
            .toList(),
        ends.stream().map(m -> "by " + Dates.shortMonth(horizon.month(m))).toList(),
        Stream.concat(
                session.columns().stream().map(c -> line(session, c, ends)),
                costs.overall().runningOfOldTool().stream().map(sums -> inUse(session, sums, ends)))
            .toList());
  }

  private static List<RunningChart.Crossing> crossings(
      Session session, List<CostFinding.PaysFrom> crossings) {
    Costs costs = session.evaluation().costs();
    Horizon horizon = session.table().selection().horizon();
    return crossings.stream()
        .limit(MOST_CROSSINGS)
        .map(c ->
            new RunningChart.Crossing(
                c.month(),
                Sentences.name(session, c.tool())
                    + " pays from "
                    + Dates.shortMonth(horizon.month(c.month())),
                costs.overall().running(c.tool()).orElseThrow().get(c.month())))
        .toList();
  }

  private static List<Integer> ends(Horizon horizon) {
    List<Integer> ends = new ArrayList<>();
    for (int m = YEAR - 1; m < horizon.months(); m += YEAR) {
      ends.add(m);
    }
    if (ends.isEmpty() || ends.getLast() != horizon.months() - 1) {
      ends.add(horizon.months() - 1);
    }
    return ends;
  }

  private static Line inUse(Session session, List<Money> sums, List<Integer> ends) {
    return new Line(
        IN_USE,
        ends.stream()
            .map(
                m -> Cell.figure(Figures.money(sums.get(m)), session.why("old-tool", "of", "" + m)))
            .toList());
  }

  private static Line line(Session session, Contender contender, List<Integer> ends) {
    Costs costs = session.evaluation().costs();
    Optional<List<Amount>> sums = costs.overall().runningBounds(contender.id());
    boolean least = costs.overall().total(contender.id()).isEmpty();
    List<Cell> cells = new ArrayList<>();
    for (int m : ends) {
      String why = session.why("running", "contender", contender.id(), "of", "" + m);
      cells.add(
          sums.map(found ->
                  least
                      ? Cell.missing(Known.least(Optional.of(found.get(m).high())), why)
                      : Cell.figure(Known.amount(found.get(m)), why))
              .orElseGet(() -> Cell.missing("—", why)));
    }
    return new Line(contender.tool().name(), cells);
  }
}
