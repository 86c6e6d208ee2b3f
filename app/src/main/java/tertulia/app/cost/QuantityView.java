package tertulia.app.cost;

import java.util.List;
import java.util.Optional;
import tertulia.app.chart.CostChart;
import tertulia.app.display.FindingWords;
import tertulia.app.workspace.Workspace;
import tertulia.core.evaluation.Costs;
import tertulia.core.finding.CostFindings;
import tertulia.core.growth.Demand;
import tertulia.core.growth.Measure;
import tertulia.core.growth.People;
import tertulia.core.path.CostByQuantity;

/**
 * Cost by how much there is of something other than people.
 *
 * @param links to the picture by each measure that plans count here
 * @param drawn the picture by the one that was asked for
 */
record QuantityView(List<Link> links, Optional<Drawn> drawn) {
  /** A way to look. */
  record Link(String words, String href, boolean here) {}

  /** The picture as SVG, how many points it has, and what it says. */
  record Drawn(String words, String chart, int reach, String says) {}

  static QuantityView of(Workspace.Session session) {
    Optional<Measure> across = session.query().across();
    List<Link> links =
        Workspace.quantities(session).stream()
            .map(measure ->
                new Link(
                    measure.label(),
                    "/selections/"
                        + session.table().id()
                        + "/cost?"
                        + session.query().across(measure).query()
                        + "#by-quantity",
                    across.equals(Optional.of(measure))))
            .toList();
    return new QuantityView(links, across.flatMap(measure -> drawn(session, measure)));
  }

  private static Optional<Drawn> drawn(Workspace.Session session, Measure measure) {
    Costs costs = session.evaluation().costs();
    FindingWords words = new FindingWords(session.table().selection());
    return costs
        .costByQuantity(measure)
        .map(swept -> {
          CostChart.Read read = read(costs, swept);
          return new Drawn(
              measure.label(),
              CostChart.draw(
                  swept.points(),
                  CostView.lines(session),
                  read,
                  new CostChart.Across(measure.label(), swept.step(), "many")),
              CostChart.reach(swept.points(), read),
              new CostFindings(costs)
                  .byQuantity(swept)
                  .map(words::of)
                  .orElse("Nobody has a figure for any number of them."));
        });
  }

  /** What is needed of it now, at least and at most over the months, in points. */
  private static CostChart.Read read(Costs costs, CostByQuantity swept) {
    Demand demand = costs.market().demands().get(swept.measure());
    if (demand == null) {
      return new CostChart.Read(0, 0, 0);
    }
    List<Integer> months =
        costs.planned().stream().map(people -> points(demand, swept, people)).toList();
    return new CostChart.Read(
        points(demand, swept, costs.people()),
        months.stream().min(Integer::compare).orElse(0),
        months.stream().max(Integer::compare).orElse(0));
  }

  private static int points(Demand demand, CostByQuantity swept, People people) {
    return Math.round(demand.units(swept.measure(), people).floatValue() / swept.step());
  }
}
