package tertulia.core.pricing;

import static java.util.Objects.requireNonNull;

import java.util.Set;

/**
 * Whether a vendor lets some people be on one plan and others on another, and units of one plan run
 * under two terms at once.
 *
 * @param which ids of the plans that may stand side by side; empty: any of them
 */
public record SideBySide(Said plans, Set<String> which, Said terms) {
  /** Nobody has said. */
  public static final SideBySide NOT_SAID = new SideBySide(Said.NOT_SAID, Set.of(), Said.NOT_SAID);

  /** What is known of it. */
  public enum Said {
    YES,
    NO,
    NOT_SAID
  }

  public SideBySide {
    requireNonNull(plans);
    requireNonNull(terms);
    which = Set.copyOf(which);
  }

  /** Whether a plan may stand beside others, if plans may. */
  public boolean holds(String plan) {
    return which.isEmpty() || which.contains(plan);
  }
}
