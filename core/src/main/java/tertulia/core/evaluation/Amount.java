package tertulia.core.evaluation;

import java.util.Optional;
import org.joda.money.Money;

/**
 * What is known of an amount: it lies between its ends.
 *
 * @param low the least it can be; empty if an option without a figure may be cheaper by any amount
 * @param high the figure as it is found; the most it can be
 */
public record Amount(Optional<Money> low, Money high) {
  public static Amount exactly(Money money) {
    return new Amount(Optional.of(money), money);
  }

  /**
   * Of two ways the same part, such as one month: which of them is the lower is not said, as the
   * cheaper way may be the dearer one in a month.
   */
  static Amount between(boolean atMost, Optional<Money> one, Money other) {
    Money high = one.filter(money -> money.isGreaterThan(other)).orElse(other);
    return of(atMost, one.map(money -> money.isLessThan(other) ? money : other), high);
  }

  /** As it was found: an upper bound, a figure, or a figure with another low end. */
  static Amount of(boolean atMost, Optional<Money> low, Money high) {
    return atMost
        ? new Amount(Optional.empty(), high)
        : new Amount(low.or(() -> Optional.of(high)), high);
  }

  /** Whether it is one figure. */
  public boolean isExact() {
    return low.filter(high::equals).isPresent();
  }

  /** Whether it may come to less than so much: its low end does, or it has none. */
  public boolean mayBeLessThan(Money money) {
    return low.isEmpty() || low.get().isLessThan(money);
  }

  /** Both ends with something added that is known. */
  Amount plus(Money more) {
    return new Amount(low.map(more::plus), high.plus(more));
  }
}
