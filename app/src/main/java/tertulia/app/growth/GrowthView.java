package tertulia.app.growth;

import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tertulia.app.chart.PeopleChart;
import tertulia.app.display.Dates;
import tertulia.app.display.Figures;
import tertulia.app.display.FindingWords;
import tertulia.app.exchange.GrowthPlan;
import tertulia.app.standin.StaffDirectory;
import tertulia.core.finding.GrowthFindings;
import tertulia.core.growth.Group;
import tertulia.core.growth.People;
import tertulia.core.growth.Scenario;
import tertulia.core.time.Horizon;

/**
 * The growth plan as it is read.
 *
 * @param picture people by group as SVG
 * @param says what it comes to, in sentences
 * @param groups names of the columns of the table
 * @param months headcounts month by month
 * @param scenarios how growth may come out, to choose from
 * @param counted what really happened beside the plan
 * @param rebase the month the plan can be re-based on, as yyyy-mm; empty if there is none
 */
public record GrowthView(
    String picture,
    List<String> says,
    List<String> groups,
    List<Month> months,
    List<Choice> scenarios,
    List<Counted> counted,
    String rebase,
    String rebaseWords) {

  /** One month: people by group, together, and together if growth is low or high. */
  public record Month(String month, List<String> people, String total, List<String> others) {}

  /** A scenario to choose. */
  public record Choice(String code, String words, boolean chosen) {}

  /**
   * A group in the last month that was counted.
   *
   * @param off people more (or fewer) than planned, with its sign
   * @param after what re-basing does to the end of the plan
   */
  public record Counted(String group, String planned, String there, String off, String after) {}

  static GrowthView of(
      GrowthPlan.Read plan, String scenarioId, List<StaffDirectory.Count> counts, boolean movable) {
    Scenario scenario = scenario(plan, scenarioId);
    Horizon horizon = plan.horizon();
    List<PeopleChart.Line> lines = new ArrayList<>();
    for (int i = 0; i < plan.groups().size(); i++) {
      Group group = plan.groups().get(i);
      lines.add(new PeopleChart.Line(i, group, countedByMonth(horizon, group, counts)));
    }
    Optional<YearMonth> last = lastCounted(plan, counts);
    return new GrowthView(
        PeopleChart.draw(horizon, lines, scenario, movable),
        new GrowthFindings(plan.groups(), plan.horizon(), plan.scenarios())
            .all().stream().map(finding -> FindingWords.of(finding, plan.horizon())).toList(),
        plan.groups().stream().map(Group::name).toList(),
        months(plan, scenario),
        plan.scenarios().stream()
            .map(s -> new Choice(s.id(), s.words(), s.equals(scenario)))
            .toList(),
        last.map(month -> counted(plan, counts, month)).orElse(List.of()),
        last.map(YearMonth::toString).orElse(""),
        last.map(Dates::month).orElse(""));
  }

  static Scenario scenario(GrowthPlan.Read plan, String id) {
    return plan.scenarios().stream()
        .filter(s -> s.id().equals(id))
        .findFirst()
        .or(() ->
            plan.scenarios().stream()
                .filter(s -> s.id().equals(Scenario.EXPECTED.id()))
                .findFirst())
        .orElseGet(plan.scenarios()::getFirst);
  }

  private static Map<Integer, Integer> countedByMonth(
      Horizon horizon, Group group, List<StaffDirectory.Count> counts) {
    Map<Integer, Integer> byMonth = new LinkedHashMap<>();
    counts.stream()
        .filter(count -> count.group().equals(group.id()))
        .forEach(count -> byMonth.put(horizon.indexOf(count.month()), count.people()));
    return byMonth;
  }

  /** The last month of the plan in which anybody of its groups was counted. */
  static Optional<YearMonth> lastCounted(GrowthPlan.Read plan, List<StaffDirectory.Count> counts) {
    List<String> ids = plan.groups().stream().map(Group::id).toList();
    return counts.stream()
        .filter(count -> ids.contains(count.group()))
        .map(StaffDirectory.Count::month)
        .filter(month -> plan.horizon().contains(plan.horizon().indexOf(month)))
        .max(Comparator.naturalOrder());
  }

  private static List<Counted> counted(
      GrowthPlan.Read plan, List<StaffDirectory.Count> counts, YearMonth month) {
    List<Counted> lines = new ArrayList<>();
    Horizon horizon = plan.horizon();
    int m = horizon.indexOf(month);
    int end = horizon.months() - 1;
    for (Group group : plan.groups()) {
      counts.stream()
          .filter(count -> count.group().equals(group.id()) && count.month().equals(month))
          .findFirst()
          .ifPresent(count -> {
            int planned = group.headcount(horizon, m, Scenario.EXPECTED);
            int off = count.people() - planned;
            int before = group.headcount(horizon, end, Scenario.EXPECTED);
            int after =
                group
                    .rebased(horizon, month, count.people())
                    .headcount(horizon, end, Scenario.EXPECTED);
            lines.add(
                new Counted(
                    group.name(),
                    Figures.whole(planned),
                    Figures.whole(count.people()),
                    off == 0 ? "as planned" : (off > 0 ? "+" : "−") + Math.abs(off),
                    before == after ? "stays " + before : before + " becomes " + after));
          });
    }
    return lines;
  }

  private static List<Month> months(GrowthPlan.Read plan, Scenario scenario) {
    Horizon horizon = plan.horizon();
    List<Month> months = new ArrayList<>();
    for (int m = 0; m < horizon.months(); m++) {
      int month = m;
      months.add(
          new Month(
              Dates.shortMonth(horizon.month(m)),
              plan.groups().stream()
                  .map(group -> Figures.whole(group.headcount(horizon, month, scenario)))
                  .toList(),
              total(plan, m, scenario),
              plan.scenarios().stream().map(s -> total(plan, month, s)).toList()));
    }
    return months;
  }

  private static String total(GrowthPlan.Read plan, int m, Scenario scenario) {
    return Figures.whole(People.planned(plan.groups(), plan.horizon(), m, scenario).total());
  }
}
