package tertulia.core.fit;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Which requirements together leave no plan: the smallest sets of which every plan fails at least
 * one, and what giving up a single requirement would open.
 *
 * @param smallest by size, then in the order in which the requirements occur; no set holds another
 * @param opens by requirement the plans that fail nothing else, in their order
 */
public record Conflicts(List<Set<String>> smallest, Map<String, List<String>> opens) {
  /** Sets of more requirements than this tell nobody what to give up. */
  private static final int LARGEST = 4;

  /** What a plan fails. */
  public record Failed(String plan, List<Reason> reasons) {
    public Failed {
      reasons = List.copyOf(reasons);
    }
  }

  public Conflicts {
    smallest = List.copyOf(smallest);
    opens = Map.copyOf(opens);
  }

  /**
   * The conflicts among plans.
   *
   * @param plans a plan that fails nothing means that there is no conflict
   */
  public static Conflicts of(List<Failed> plans) {
    List<Set<String>> byPlan = new ArrayList<>();
    Map<String, List<String>> opens = new LinkedHashMap<>();
    plans.forEach(plan -> {
      Set<String> requirements = new LinkedHashSet<>();
      plan.reasons().forEach(reason -> requirements.add(reason.requirement()));
      byPlan.add(requirements);
      if (requirements.size() == 1) {
        opens
            .computeIfAbsent(requirements.iterator().next(), r -> new ArrayList<>())
            .add(plan.plan());
      }
    });
    return new Conflicts(smallest(byPlan), opens);
  }

  private static List<Set<String>> smallest(List<Set<String>> byPlan) {
    if (byPlan.isEmpty() || byPlan.stream().anyMatch(Set::isEmpty)) {
      return List.of();
    }
    Set<String> all = new LinkedHashSet<>();
    byPlan.forEach(all::addAll);
    List<Set<String>> found = new ArrayList<>();
    for (int size = 1; size <= Math.min(LARGEST, all.size()); size++) {
      choose(List.copyOf(all), 0, size, new ArrayList<>(), byPlan, found);
    }
    return found;
  }

  private static void choose(
      List<String> all,
      int from,
      int size,
      List<String> chosen,
      List<Set<String>> byPlan,
      List<Set<String>> found) {
    if (size == 0) {
      Set<String> set = new LinkedHashSet<>(chosen);
      boolean isNew = found.stream().noneMatch(set::containsAll);
      if (isNew && byPlan.stream().allMatch(f -> f.stream().anyMatch(set::contains))) {
        found.add(set);
      }
      return;
    }
    for (int i = from; i <= all.size() - size; i++) {
      chosen.add(all.get(i));
      choose(all, i + 1, size - 1, chosen, byPlan, found);
      chosen.removeLast();
    }
  }
}
