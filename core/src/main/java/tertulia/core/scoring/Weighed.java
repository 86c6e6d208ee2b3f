package tertulia.core.scoring;

import java.math.BigDecimal;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** What has become of one person's weighing: weights, or what is missing for them. */
public sealed interface Weighed {
  /** By criterion id, adding up to 1; empty as long as something is missing. */
  default Optional<Map<String, BigDecimal>> weights() {
    return this instanceof Known known ? Optional.of(known.byCriterion()) : Optional.empty();
  }

  /** Weights of all criteria, in their order. */
  record Known(Map<String, BigDecimal> byCriterion) implements Weighed {
    public Known {
      byCriterion = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(byCriterion));
    }
  }

  /** There is something, and whoever reads may not see it yet. */
  record Withheld() implements Weighed {}

  /** Nothing was given, or nothing above 0. */
  record Nothing() implements Weighed {}

  /** Some are ranked and these are not. */
  record NotRanked(List<Criterion> left) implements Weighed {
    public NotRanked {
      left = List.copyOf(left);
    }
  }

  /** So many of so many pairs are compared. */
  record NotCompared(int so, int of) implements Weighed {}

  /** More criteria than can be compared in pairs. */
  record TooMany(int criteria) implements Weighed {}

  /** All pairs are compared, and contradict each other too much. */
  record Contradictory(Consistency consistency) implements Weighed {}
}
