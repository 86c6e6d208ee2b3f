package tertulia.core.inuse;

import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What is in use already, and what of it each contender replaces.
 *
 * @param tools each once
 * @param goes ids of the tools that go, by contender; with a contender that is not named here none
 *     does
 */
public record Beside(List<InUse> tools, Map<String, Set<String>> goes) {
  /** Nothing is in use. */
  public static final Beside NOTHING = new Beside(List.of(), Map.of());

  /** Tools in use that are counted at most. */
  public static final int MOST = 40;

  public Beside {
    tools = List.copyOf(tools);
    Map<String, Set<String>> all = new LinkedHashMap<>();
    goes.forEach((contender, ids) ->
        all.put(contender, java.util.Collections.unmodifiableSet(new LinkedHashSet<>(ids))));
    goes = java.util.Collections.unmodifiableMap(all);
    if (tools.size() > MOST) {
      throw new IllegalArgumentException(
          "At most 40 tools in use are counted; found " + tools.size() + ". Leave some out.");
    }
    if (tools.stream().map(InUse::id).distinct().count() < tools.size()) {
      throw new IllegalArgumentException(
          "A tool is in use twice: "
              + tools.stream().map(InUse::name).toList()
              + ". Enter each once, with all its units.");
    }
  }

  public boolean isNothing() {
    return tools.isEmpty();
  }

  /** A tool that is in use, by its id. */
  public Optional<InUse> tool(String id) {
    return tools.stream().filter(use -> use.id().equals(id)).findFirst();
  }

  /** The tools that go if a contender is taken. */
  public List<InUse> going(String contender) {
    Set<String> ids = goes.getOrDefault(contender, Set.of());
    return tools.stream().filter(use -> ids.contains(use.id())).toList();
  }

  /** The tools that stay beside a contender; what is in use is not beside itself. */
  public List<InUse> staying(String contender) {
    Set<String> ids = goes.getOrDefault(contender, Set.of());
    return tools.stream()
        .filter(use -> !ids.contains(use.id()) && !use.id().equals(contender))
        .toList();
  }

  /**
   * Work areas that nobody serves any more if a contender is taken.
   *
   * @param served those the contender serves
   */
  public Set<String> unserved(String contender, Set<String> served) {
    Set<String> areas = new LinkedHashSet<>();
    going(contender).forEach(use -> areas.addAll(use.areas()));
    staying(contender).forEach(use -> areas.removeAll(use.areas()));
    areas.removeAll(served);
    return areas;
  }
}
