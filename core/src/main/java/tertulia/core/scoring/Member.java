package tertulia.core.scoring;

import static java.util.Objects.requireNonNull;

import java.math.BigDecimal;
import java.util.LinkedHashMap;
import java.util.Map;

/**
 * One person at the table.
 *
 * @param share how much this person's view counts, 0 to 100; at 0 it is left out
 * @param points for each criterion by its id, 0 to 1000; nothing, or all at 0: no weights yet
 * @param marks by criterion id and contender id
 */
public record Member(
    String id,
    String name,
    int share,
    Map<String, Integer> points,
    Map<String, Map<String, Mark>> marks) {
  public Member {
    requireNonNull(id);
    requireNonNull(name);
    points = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(points));
    marks = Map.copyOf(marks);
    if (share < 0 || share > 100) {
      throw new IllegalArgumentException(
          "A member's share lies between 0 and 100; found " + share + " for " + name + ".");
    }
    points.forEach((criterion, p) -> {
      if (p < 0 || p > 1000) {
        throw new IllegalArgumentException(
            "Points lie between 0 and 1000; found " + p + " from " + name + ".");
      }
    });
  }

  /** The share as a weight among members; see {@link Panel#shareOf}. */
  BigDecimal shareWeight() {
    return BigDecimal.valueOf(share);
  }
}
