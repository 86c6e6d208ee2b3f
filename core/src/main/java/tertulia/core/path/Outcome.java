package tertulia.core.path;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiFunction;
import tertulia.core.fit.Verdict;

/**
 * The answer to "what would this tool cost": a figure, no plan that qualifies, or not known.
 *
 * @param <C> what a qualifying option costs
 */
public sealed interface Outcome<C> {
  /** The verdict on each option that does not qualify, by its name, in catalogue order. */
  Map<OptionName, Verdict> passedOver();

  /**
   * Several that are bought together: their sum, or the first that has no figure.
   *
   * @param others of other tools
   * @param sum of one and of those bought together with it
   */
  static <C> Outcome<C> together(
      Outcome<C> first, List<Outcome<C>> others, BiFunction<C, List<C>, C> sum) {
    if (others.isEmpty() || !(first instanceof Found<C> main)) {
      return first;
    }
    List<Found<C>> found = new ArrayList<>();
    for (Outcome<C> other : others) {
      if (!(other instanceof Found<C> beside)) {
        return other;
      }
      found.add(beside);
    }
    List<C> best = found.stream().map(Found::best).toList();
    List<LeftOut> leftOut = new ArrayList<>(main.leftOut());
    found.forEach(beside -> leftOut.addAll(beside.leftOut()));
    boolean range = main.low().isPresent() || found.stream().anyMatch(f -> f.low().isPresent());
    return new Found<>(
        sum.apply(main.best(), best),
        main.others().stream().map(other -> sum.apply(other, best)).toList(),
        leftOut,
        main.passedOver(),
        range
            ? Optional.of(
                sum.apply(
                    main.low().orElse(main.best()),
                    found.stream().map(f -> f.low().orElse(f.best())).toList()))
            : Optional.empty());
  }

  /**
   * The cheapest qualifying option.
   *
   * @param others the dearer qualifying options, in catalogue order
   * @param leftOut qualifying options without any figure
   * @param low the cheapest if every assumed price were at its low end, and every price of which
   *     only the least is known at that; empty if that makes no difference, and {@code best} holds
   *     at the high ends
   */
  record Found<C>(
      C best,
      List<C> others,
      List<LeftOut> leftOut,
      Map<OptionName, Verdict> passedOver,
      Optional<C> low)
      implements Outcome<C> {
    public Found {
      others = List.copyOf(others);
      leftOut = List.copyOf(leftOut);
    }

    /** Whether the figure is only an upper bound: what was left out may be cheaper. */
    public boolean isAtMost() {
      return LeftOut.atMost(leftOut);
    }
  }

  /** No option qualifies. */
  record NoPlan<C>(Map<OptionName, Verdict> passedOver) implements Outcome<C> {
    /** Whether some option would qualify if what is unknown were confirmed. */
    public boolean isUnconfirmed() {
      return passedOver.values().stream().anyMatch(Verdict.Unconfirmed.class::isInstance);
    }
  }

  /**
   * Options qualify but none has a figure.
   *
   * @param low the least it costs, by the prices of which only that is known; empty if something
   *     else may be cheaper by any amount
   */
  record Unpriced<C>(List<LeftOut> leftOut, Map<OptionName, Verdict> passedOver, Optional<C> low)
      implements Outcome<C> {
    public Unpriced {
      leftOut = List.copyOf(leftOut);
    }
  }
}
