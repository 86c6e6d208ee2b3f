package tertulia.core.pricing;

import static java.util.Objects.requireNonNull;

import tertulia.core.growth.Measure;
import tertulia.core.working.Provenance;

/** How much of a measure a plan lets its buyer use, where no usage charge begins above it. */
public record Allowance(Measure measure, Limit limit, Provenance source) {
  public Allowance {
    requireNonNull(measure);
    requireNonNull(limit);
    requireNonNull(source);
  }

  /** Where use ends. */
  public sealed interface Limit {
    /** More than this cannot be used. */
    record Hard(Included most) implements Limit {}

    /** There is no end. */
    record Unlimited() implements Limit {}

    /** Nobody has found out yet. */
    record Unknown() implements Limit {}
  }
}
