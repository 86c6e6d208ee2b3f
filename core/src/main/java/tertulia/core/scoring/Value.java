package tertulia.core.scoring;

import java.util.function.Supplier;
import tertulia.core.working.Derivation;

/**
 * What a contender is worth under one criterion.
 *
 * @param interval within 0 … 1; exact if known
 * @param explanation makes the working when it is asked for: how the value came about, or why it is
 *     not known
 */
public record Value(Interval interval, Supplier<Derivation> explanation) {
  /** A value whose working is there already. */
  public Value(Interval interval, Derivation working) {
    this(interval, () -> working);
  }

  public Derivation working() {
    return explanation.get();
  }
}
