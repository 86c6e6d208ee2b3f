package tertulia.app.selection;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import tertulia.app.exchange.Json;
import tertulia.app.exchange.SelectionFile.PlanAsidePart;

/** The plans of a contender that are set aside, as they are stored. */
public record PlansAside(List<PlanAsidePart> plans) {
  /** Why plans are set aside, by the plan, in the order in which they were. */
  public static Map<String, String> reasons(@Nullable String document) {
    Map<String, String> reasons = new LinkedHashMap<>();
    stored(document).plans.forEach(part -> reasons.put(part.plan(), part.reason()));
    return reasons;
  }

  static PlansAside stored(@Nullable String document) {
    return document == null ? new PlansAside(List.of()) : Json.stored(document, PlansAside.class);
  }

  /** As a document; null for none. */
  static @Nullable String document(List<PlanAsidePart> plans) {
    return plans.isEmpty() ? null : Json.write(new PlansAside(plans));
  }

  /** Whether a plan is set aside. */
  boolean has(String plan) {
    return plans.stream().anyMatch(part -> part.plan().equals(plan));
  }

  /** With one plan set aside, for this reason if it was for another. */
  PlansAside with(String plan, String reason) {
    List<PlanAsidePart> all = new ArrayList<>(without(plan).plans);
    all.add(new PlanAsidePart(plan, reason));
    return new PlansAside(all);
  }

  PlansAside without(String plan) {
    return new PlansAside(plans.stream().filter(part -> !part.plan().equals(plan)).toList());
  }
}
