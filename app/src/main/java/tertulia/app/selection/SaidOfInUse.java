package tertulia.app.selection;

import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import tertulia.app.exchange.Json;

/**
 * Of tools in use, whether they stay or go with a contender, as it is stored.
 *
 * @param said "stays" or "goes", by the tool's id
 */
record SaidOfInUse(Map<String, String> said) {
  static SaidOfInUse stored(@Nullable String document) {
    return document == null ? new SaidOfInUse(Map.of()) : Json.stored(document, SaidOfInUse.class);
  }

  /** As a document; null for nothing. */
  static @Nullable String document(Map<String, String> said) {
    return said.isEmpty() ? null : Json.write(new SaidOfInUse(new TreeMap<>(said)));
  }

  /** With what is said of one tool; empty: what follows from its work areas. */
  SaidOfInUse with(String tool, String says) {
    Map<String, String> all = new TreeMap<>(said);
    if (says.isEmpty()) {
      all.remove(tool);
    } else {
      all.put(tool, says);
    }
    return new SaidOfInUse(all);
  }
}
