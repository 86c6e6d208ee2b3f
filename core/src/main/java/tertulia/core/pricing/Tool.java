package tertulia.core.pricing;

import static java.util.Objects.requireNonNull;

import java.util.List;

/**
 * A tool with its plans in catalogue order.
 *
 * @param id stable name within a selection
 */
public record Tool(String id, String name, String maker, List<Plan> plans) {
  public Tool {
    requireNonNull(id);
    requireNonNull(maker);
    plans = List.copyOf(plans);
    if (name.isBlank()) {
      throw new IllegalArgumentException("A tool needs a name.");
    }
    if (plans.stream().map(Plan::id).distinct().count() < plans.size()) {
      throw new IllegalArgumentException("Two plans of " + name + " have the same id.");
    }
  }
}
