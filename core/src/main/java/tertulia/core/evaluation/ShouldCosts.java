package tertulia.core.evaluation;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.joda.money.Money;
import tertulia.core.fit.Importance;
import tertulia.core.fit.Need;
import tertulia.core.path.PlanPath;
import tertulia.core.path.PlanPaths;

/**
 * What each should and could would cost if it were a must: the cheapest total with it less the
 * cheapest total as it is, and the plans that would take.
 *
 * @param lines shoulds and coulds in the order of the needs
 */
public record ShouldCosts(List<Line> lines) {
  public ShouldCosts {
    lines = List.copyOf(lines);
  }

  /** What having it would do to a contender. */
  public sealed interface Effect {
    /** Its cheapest path has it. */
    record Has() implements Effect {}

    /**
     * It takes another path.
     *
     * @param more so much more, not below 0; of totals known within bounds the difference of their
     *     figures
     * @param exact whether both totals are one figure
     */
    record Takes(PlanPath path, Money more, boolean exact) implements Effect {}

    /**
     * With it there is no total.
     *
     * @param open whether that may be because something is not confirmed
     */
    record Lacks(boolean open) implements Effect {}

    /** As it is there is no total. */
    record NoTotal() implements Effect {}
  }

  /** One need. */
  public record Line(Need need, Map<String, Effect> byContender) {
    public Line {
      byContender = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(byContender));
    }
  }

  static ShouldCosts of(CostsOverall costs) {
    List<Line> lines = new ArrayList<>();
    for (Need need : costs.selection().needs()) {
      if (!(need.importance() instanceof Importance.Must)) {
        Map<String, Effect> effects = new LinkedHashMap<>();
        costs.selection().active().forEach(c -> effects.put(c.id(), effect(costs, c.id(), need)));
        lines.add(new Line(need, effects));
      }
    }
    return new ShouldCosts(lines);
  }

  private static Effect effect(CostsOverall costs, String contender, Need need) {
    Optional<Amount> now = costs.totalBounds(contender);
    if (now.isEmpty()) {
      return new Effect.NoTotal();
    }
    PlanPaths with = costs.wayWith(contender, need.asMust());
    Optional<Amount> then = costs.boundsOf(contender, with);
    if (!(with instanceof PlanPaths.Found found) || then.isEmpty()) {
      return new Effect.Lacks(with instanceof PlanPaths.Gap gap && gap.isUnconfirmed());
    }
    Money more = then.get().high().minus(now.get().high());
    return more.isZero()
        ? new Effect.Has()
        : new Effect.Takes(found.best(), more, now.get().isExact() && then.get().isExact());
  }
}
