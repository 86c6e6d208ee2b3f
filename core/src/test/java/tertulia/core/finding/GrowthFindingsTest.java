package tertulia.core.finding;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import org.testng.annotations.Test;
import tertulia.core.Generated;
import tertulia.core.evaluation.Selection;
import tertulia.core.growth.Scenario;

/** What is said of growth. */
public class GrowthFindingsTest extends GeneratedFindings {
  GrowthFindingsTest() {
    super(GrowthFinding.class);
  }

  @Test(dataProvider = "seeds")
  public void whatIsSaidOfGrowthIsSo(int seed) {
    Selection selection = Generated.evaluation(seed).selection();
    GrowthFindings findings =
        new GrowthFindings(selection.groups(), selection.horizon(), selection.scenarios());
    for (GrowthFinding finding : findings.all()) {
      met(finding);
      switch (finding) {
        case GrowthFinding.PeopleInTheEnd end -> {
          assertEquals(end.month(), Generated.MONTHS - 1);
          assertEquals(
              end.ends().stream().map(GrowthFinding.PeopleInTheEnd.If::scenario).toList(),
              selection.scenarios());
          end.ends()
              .forEach(e -> assertEquals(e.people(), people(selection, end.month(), e.scenario())));
        }
        case GrowthFinding.MostPeople most -> {
          for (int m = 0; m < Generated.MONTHS; m++) {
            int people = people(selection, m, Scenario.EXPECTED);
            assertTrue(m < most.month() ? people < most.people() : people <= most.people());
          }
          assertEquals(people(selection, most.month(), Scenario.EXPECTED), most.people());
        }
      }
    }
  }

  /** Group by group. */
  private static int people(Selection selection, int m, Scenario scenario) {
    return selection.groups().stream()
        .mapToInt(group -> group.headcount(selection.horizon(), m, scenario))
        .sum();
  }
}
