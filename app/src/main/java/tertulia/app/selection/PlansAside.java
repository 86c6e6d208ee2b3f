package tertulia.app.selection;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import tertulia.app.exchange.Json;
import tertulia.app.exchange.SelectionFile.PlanAsidePart;

/** The plans of a contender that are set aside, as they are stored. */
record PlansAside(List<PlanAsidePart> plans) {
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
