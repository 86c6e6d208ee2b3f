package tertulia.app.cost;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.joda.money.Money;
import tertulia.app.chart.Monthly;
import tertulia.app.chart.MonthsChart;
import tertulia.app.display.Dates;
import tertulia.app.workspace.Cell;
import tertulia.app.workspace.Known;
import tertulia.app.workspace.Session;
import tertulia.core.billing.CostTiming;
import tertulia.core.billing.Ledger;
import tertulia.core.evaluation.Contender;
import tertulia.core.path.PlanPaths;
import tertulia.core.time.Horizon;

/**
 * Cost over the months, as it is read.
 *
 * @param byKind a panel for each contender, stacked by kind of charge, as SVG
 * @param byTool all contenders in one picture, as SVG
 * @param years the plan years, in words
 */
record MonthsView(String byKind, String byTool, String view, List<String> years, List<Line> lines) {
  private static final int YEAR = 12;

  /** A contender's total of each plan year, of all of them, and what is idle. */
  record Line(String contender, List<Cell> years, Cell total, Cell idle) {}

  static MonthsView of(Session session) {
    CostTiming view = session.evaluation().whatIf().view();
    Horizon horizon = session.table().selection().horizon();
    List<MonthsChart.Panel> panels = new ArrayList<>();
    List<Monthly> lines = new ArrayList<>();
    List<Line> table = new ArrayList<>();
    for (Contender contender : session.columns()) {
      Optional<Ledger> ledger = ledger(session, contender);
      String name = contender.tool().name();
      int mark = session.mark(contender.id());
      ledger.ifPresent(found -> {
        panels.add(new MonthsChart.Panel(name, mark, found.byKind(view)));
        lines.add(new Monthly(name, mark, found.months(view)));
      });
      table.add(line(session, contender, view));
    }
    return new MonthsView(
        panels.isEmpty() ? "" : MonthsChart.byKind(panels, horizon, view.words()),
        lines.isEmpty() ? "" : MonthsChart.byTool(lines, horizon, view.words()),
        view.words(),
        years(horizon),
        table);
  }

  private static Optional<Ledger> ledger(Session session, Contender contender) {
    return session.evaluation().costs().overall().way(contender.id())
            instanceof PlanPaths.Found found
        ? Optional.of(found.best().ledger())
        : Optional.empty();
  }

  private static List<String> years(Horizon horizon) {
    List<String> years = new ArrayList<>();
    for (int from = 0; from < horizon.months(); from += YEAR) {
      int last = Math.min(horizon.months(), from + YEAR) - 1;
      years.add(
          Dates.shortMonth(horizon.month(from)) + " to " + Dates.shortMonth(horizon.month(last)));
    }
    return years;
  }

  private static Line line(Session session, Contender contender, CostTiming view) {
    PlanPaths ways = CostView.way(session, contender);
    Horizon horizon = session.table().selection().horizon();
    List<Cell> years = new ArrayList<>();
    for (int from = 0; from < horizon.months(); from += YEAR) {
      int first = from;
      int end = Math.min(horizon.months(), from + YEAR);
      String why = session.why("year", "contender", contender.id(), "of", "" + from / YEAR);
      years.add(
          Known.part(
              ways,
              way ->
                  Money.total(
                      way.ledger().currency(), way.ledger().months(view).subList(first, end)),
              why));
    }
    String why = session.why("way", "contender", contender.id());
    return new Line(
        contender.tool().name(),
        years,
        Known.part(ways, way -> way.ledger().total(view), why),
        CostView.idle(session, contender));
  }
}
