package tertulia.app.exchange;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import tertulia.core.growth.Group;
import tertulia.core.growth.Scenario;
import tertulia.core.time.Horizon;

/**
 * The organisation's plan of its people, which selections may follow, as stored.
 *
 * @param start the first month, from which a group grows unless it says another
 * @param scenarios null: the standard ones
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record GrowthPlan(
    String start,
    int months,
    List<Brief.GroupPart> groups,
    @Nullable List<Brief.ScenarioPart> scenarios) {

  /** A plan as the core reads it. */
  public record Read(Horizon horizon, List<Group> groups, List<Scenario> scenarios) {}

  /** This plan with other groups. */
  public GrowthPlan with(List<Brief.GroupPart> others) {
    return new GrowthPlan(start, months, others, scenarios);
  }

  /** What the plan says; faults are named by place, such as "/groups/0". */
  public java.util.Optional<Read> read(Faults faults) {
    BriefReader reader = new BriefReader(faults);
    List<Group> read = reader.groups("/groups", groups);
    List<Scenario> outcomes = reader.scenarios("/scenarios", scenarios);
    java.util.Optional<Horizon> horizon =
        faults.at("/start", () -> new Horizon(Codes.month(start), months));
    List<String> ids = outcomes.stream().map(Scenario::id).toList();
    for (int i = 0; i < groups.size(); i++) {
      for (int j = 0; j < groups.get(i).steps().size(); j++) {
        checkScenario("/groups/" + i + "/steps/" + j, groups.get(i).steps().get(j), ids, faults);
      }
    }
    return faults.isEmpty()
        ? horizon.map(h -> new Read(h, read, outcomes))
        : java.util.Optional.empty();
  }

  private static void checkScenario(
      String at, Brief.StepPart step, List<String> ids, Faults faults) {
    if (step.onlyIn() != null && !ids.contains(step.onlyIn())) {
      faults.add(
          at,
          "\""
              + step.label()
              + "\" happens only in scenario \""
              + step.onlyIn()
              + "\", which is not there; there are "
              + ids
              + ".");
    }
  }

  /** The standard scenarios as they are written. */
  public static List<Brief.ScenarioPart> standardScenarios() {
    List<Brief.ScenarioPart> parts = new ArrayList<>();
    for (Scenario scenario : Scenario.STANDARD) {
      parts.add(
          new Brief.ScenarioPart(
              scenario.id(), scenario.words(), scenario.multiplier().toPlainString()));
    }
    return parts;
  }

  /** A brief's own groups as this plan counts them; those that are not in it stay as they are. */
  public Brief recounted(Brief brief) {
    return brief.with(
        brief.groups().stream()
            .map(own ->
                groups.stream()
                    .filter(group -> group.id().equals(own.id()))
                    .findFirst()
                    .map(this::dated)
                    .orElse(own))
            .toList(),
        brief.scenarios());
  }

  /** The groups of a brief that follows this plan: those of the plan, in the brief's order. */
  public Brief followedBy(Brief brief) {
    if (!brief.follows()) {
      return brief;
    }
    List<Brief.GroupPart> followed = new ArrayList<>();
    for (Brief.GroupPart own : brief.groups()) {
      followed.add(
          groups.stream()
              .filter(group -> group.id().equals(own.id()))
              .findFirst()
              .map(this::dated)
              .orElse(own));
    }
    List<String> known = brief.groups().stream().map(Brief.GroupPart::id).toList();
    List<String> added = new ArrayList<>();
    for (Brief.GroupPart group : groups) {
      if (!known.contains(group.id())) {
        followed.add(dated(group));
        added.add(group.id());
      }
    }
    return brief.with(followed, scenarios).seating(added);
  }

  /** A group that says from which month it grows. */
  public Brief.GroupPart dated(Brief.GroupPart group) {
    return group.since() != null
        ? group
        : new Brief.GroupPart(
            group.id(),
            group.name(),
            group.method(),
            group.start(),
            group.perMonth(),
            group.percentPerYear(),
            group.values(),
            group.steps(),
            start);
  }
}
