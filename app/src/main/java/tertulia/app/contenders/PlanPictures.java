package tertulia.app.contenders;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.joda.money.Money;
import tertulia.app.chart.PlanTagChart;
import tertulia.core.evaluation.Costs;
import tertulia.core.evaluation.PlanTag;
import tertulia.core.path.SteadyCost;
import tertulia.core.pricing.Plan;

/**
 * The pictures over the columns of plans.
 *
 * @param tags all plans, which share one scale
 * @param inAll whether they show the cost in all; else for each person
 */
record PlanPictures(Costs costs, List<PlanTag> tags, boolean inAll) {
  /** So many people at least are drawn across a plan's picture. */
  private static final int LEAST_DRAWN = 9;

  private static final int POINTS = 40;

  private int people() {
    return costs.people().total();
  }

  PlanTagChart chart() {
    List<Money> now =
        tags.stream().filter(tag -> !tag.tooSmall()).flatMap(tag -> shown(tag).stream()).toList();
    return PlanTagChart.of(now, inAll ? "in all" : "a head", most(), people());
  }

  private Optional<Money> shown(PlanTag tag) {
    return inAll ? tag.cost().map(SteadyCost::money) : tag.aHead(tag.cost());
  }

  private int most() {
    return Math.max(LEAST_DRAWN, 2 * people() - 1);
  }

  PlanTagChart.Drawn drawn(PlanTag tag, int mark, Optional<String> read) {
    List<Integer> at = sampled(tag.offering().plan());
    List<Optional<SteadyCost>> along = costs.curves().planAlone(tag.offering(), at);
    List<PlanTagChart.Point> points = new ArrayList<>();
    for (int i = 0; i < at.size(); i++) {
      int n = at.get(i);
      along
          .get(i)
          .map(SteadyCost::money)
          .ifPresent(money ->
              points.add(
                  new PlanTagChart.Point(n, money.getAmount().doubleValue() / (inAll ? 1 : n))));
    }
    Plan plan = tag.offering().plan();
    return new PlanTagChart.Drawn(
        mark,
        points,
        tag.tooSmall() ? Optional.empty() : shown(tag),
        plan.range().measure().isPeople() && plan.range().cap().isPresent()
            ? Optional.of(plan.range().cap().getAsInt())
            : Optional.empty(),
        plan.charged().isEmpty(),
        read.equals(Optional.of(plan.id())));
  }

  private List<Integer> sampled(Plan plan) {
    int most = most();
    Stream<Integer> even =
        IntStream.range(0, POINTS)
            .mapToObj(i -> 1 + (int) Math.round((most - 1.0) * i / (POINTS - 1)));
    Stream<Integer> own =
        Stream.of(people(), plan.range().cap().orElse(most), plan.range().cap().orElse(most) + 1);
    return Stream.concat(even, own).filter(n -> n >= 1 && n <= most).distinct().sorted().toList();
  }
}
