package tertulia.core.finding;

import java.util.List;
import tertulia.core.growth.Scenario;

/** What is said of a plan of growth, whatever the selection. */
public sealed interface GrowthFinding extends Finding {
  /** How many people there will be in the last month of the plan, by scenario. */
  record PeopleInTheEnd(int month, List<If> ends) implements GrowthFinding {
    public PeopleInTheEnd {
      ends = List.copyOf(ends);
    }

    /** So many if growth comes out like this. */
    public record If(Scenario scenario, int people) {}
  }

  /** The most people at a time, as expected, and the first month with so many. */
  record MostPeople(int people, int month) implements GrowthFinding {}
}
