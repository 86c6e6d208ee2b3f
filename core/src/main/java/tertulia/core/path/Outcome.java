package tertulia.core.path;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import tertulia.core.fit.Verdict;

/**
 * The answer to "what would this tool cost": a figure, no plan that qualifies, or not known.
 *
 * @param <C> what a qualifying option costs
 */
public sealed interface Outcome<C> {
  /** The verdict on each option that does not qualify, by its label, in catalogue order. */
  Map<String, Verdict> passedOver();

  /**
   * The cheapest qualifying option.
   *
   * @param others the dearer qualifying options, in catalogue order
   * @param unpriced qualifying options without any figure, with the reason; if there are any, the
   *     figure is "at most"
   * @param low the cheapest if every assumed price were at its low end; empty if no price is
   *     assumed, and {@code best} holds at the high ends
   */
  record Found<C>(
      C best,
      List<C> others,
      Map<String, String> unpriced,
      Map<String, Verdict> passedOver,
      Optional<C> low)
      implements Outcome<C> {
    public Found {
      others = List.copyOf(others);
    }

    public boolean isAtMost() {
      return !unpriced.isEmpty();
    }
  }

  /** No option qualifies. */
  record NoPlan<C>(Map<String, Verdict> passedOver) implements Outcome<C> {
    /** Whether some option would qualify if what is unknown were confirmed. */
    public boolean isUnconfirmed() {
      return passedOver.values().stream().anyMatch(Verdict.Unconfirmed.class::isInstance);
    }
  }

  /** Options qualify but none has a figure; the reasons by option. */
  record Unpriced<C>(Map<String, String> unpriced, Map<String, Verdict> passedOver)
      implements Outcome<C> {}
}
