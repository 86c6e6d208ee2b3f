package tertulia.core.finding;

import java.util.ArrayList;
import java.util.List;
import tertulia.core.growth.Group;
import tertulia.core.growth.People;
import tertulia.core.growth.Scenario;
import tertulia.core.time.Horizon;

/** What there is to say of a plan of growth. */
public record GrowthFindings(List<Group> groups, Horizon horizon, List<Scenario> scenarios) {
  public GrowthFindings {
    groups = List.copyOf(groups);
    scenarios = List.copyOf(scenarios);
  }

  /** How many there will be in the end, and when there are most. */
  public List<GrowthFinding> all() {
    int end = horizon.months() - 1;
    List<GrowthFinding.PeopleInTheEnd.If> ends = new ArrayList<>();
    for (Scenario scenario : scenarios) {
      ends.add(new GrowthFinding.PeopleInTheEnd.If(scenario, people(end, scenario)));
    }
    int most = 0;
    for (int m = 1; m <= end; m++) {
      if (people(m, Scenario.EXPECTED) > people(most, Scenario.EXPECTED)) {
        most = m;
      }
    }
    return List.of(
        new GrowthFinding.PeopleInTheEnd(end, ends),
        new GrowthFinding.MostPeople(people(most, Scenario.EXPECTED), most));
  }

  private int people(int m, Scenario scenario) {
    return People.planned(groups, horizon, m, scenario).total();
  }
}
