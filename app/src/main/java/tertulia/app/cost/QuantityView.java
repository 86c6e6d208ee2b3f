package tertulia.app.cost;

import java.math.BigDecimal;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import tertulia.app.chart.CostChart;
import tertulia.app.display.FindingWords;
import tertulia.app.workspace.Dimensions;
import tertulia.app.workspace.Session;
import tertulia.core.evaluation.Costs;
import tertulia.core.finding.HeadcountFindings;
import tertulia.core.growth.Demand;
import tertulia.core.growth.People;
import tertulia.core.path.CostByQuantity;
import tertulia.core.path.Dimension;

/**
 * Cost by how much there is of something other than people.
 *
 * @param links to the picture by each thing that plans charge or limit here
 * @param drawn the picture by the one that was asked for
 */
record QuantityView(List<Link> links, Optional<ByAmount> drawn) {
  /** A way to look. */
  record Link(String words, String href, boolean here) {}

  /** By what, the picture as SVG, how many points it has, and what it says. */
  record ByAmount(String words, String chart, int reach, String says) {}

  static QuantityView of(Session session) {
    Optional<Dimension> across = session.query().across();
    List<Link> links =
        Dimensions.of(session).stream()
            .map(dimension ->
                new Link(
                    dimension.label(),
                    "/selections/"
                        + session.table().id()
                        + "/cost?"
                        + session.query().across(dimension).query()
                        + "#by-quantity",
                    across.equals(Optional.of(dimension))))
            .toList();
    return new QuantityView(links, across.flatMap(dimension -> drawn(session, dimension)));
  }

  private static Optional<ByAmount> drawn(Session session, Dimension dimension) {
    Costs costs = session.evaluation().costs();
    FindingWords words = new FindingWords(session.table().selection());
    return costs
        .curves()
        .costBy(dimension)
        .map(swept -> {
          CostChart.Read read = read(costs, swept);
          return new ByAmount(
              words(session, dimension),
              CostChart.draw(swept.points(), CostView.lines(session), read, across(session, swept)),
              CostChart.reach(swept.points(), read),
              words.of(new HeadcountFindings(costs).byQuantity(swept)));
        });
  }

  /** What is needed of it now, at least and at most over the months, in points. */
  private static CostChart.Read read(Costs costs, CostByQuantity swept) {
    return switch (swept.dimension()) {
      case Dimension.Quantity quantity -> {
        Demand demand = costs.market().demands().get(quantity.measure());
        Function<People, Integer> point =
            people -> demand == null ? 0 : points(demand.units(quantity.measure(), people), swept);
        List<Integer> months = costs.overall().planned().stream().map(point).toList();
        yield new CostChart.Read(
            point.apply(costs.people()), Collections.min(months), Collections.max(months));
      }
      case Dimension.AveragePayment payment -> {
        int now = costs.market().averagePayment().map(each -> points(each, swept)).orElse(0);
        yield new CostChart.Read(now, now, now);
      }
    };
  }

  private static int points(BigDecimal quantity, CostByQuantity swept) {
    return Math.round(quantity.floatValue() / swept.step());
  }

  private static CostChart.Across across(Session session, CostByQuantity swept) {
    Dimension dimension = swept.dimension();
    return switch (dimension) {
      case Dimension.Quantity quantity ->
          new CostChart.Across(dimension.label(), swept.step(), "many");
      case Dimension.AveragePayment payment ->
          new CostChart.Across(
              session.table().selection().currency().getCode() + " a payment",
              swept.step(),
              "payment");
    };
  }

  private static String words(Session session, Dimension dimension) {
    return switch (dimension) {
      case Dimension.Quantity quantity -> "number of " + dimension.label();
      case Dimension.AveragePayment payment ->
          dimension.label() + ", " + session.table().selection().currency().getCode();
    };
  }
}
