package tertulia.core.path;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;
import tertulia.core.billing.UnitsNeeded;
import tertulia.core.fit.Fit;
import tertulia.core.fit.Verdict;
import tertulia.core.path.Candidates.Candidate;

/**
 * Walks a tool's options in catalogue order and keeps the cheapest that qualifies.
 *
 * @param <C> what a qualifying option costs
 */
abstract class Chooser<C> {
  private final Market market;

  Chooser(Market market) {
    this.market = market;
  }

  abstract Verdict verdict(Fit fit, Option option);

  /** The units for which the measures of an option must have a stated demand. */
  abstract UnitsNeeded stated();

  abstract C price(Option option);

  abstract Money money(C cost);

  abstract Option option(C cost);

  /**
   * The cheapest qualifying option; on equality the first in catalogue order, unless {@code
   * preferred} is among the cheapest.
   */
  Outcome<C> choose(Candidates candidates, Function<C, Boolean> preferred) {
    Outcome<C> atHigh = choose(candidates.high(), preferred);
    if (!(atHigh instanceof Outcome.Found<C> found) || candidates.low().isEmpty()) {
      return atHigh;
    }
    return choose(candidates.low(), preferred) instanceof Outcome.Found<C> low
            && (isAssumed(low) || isAssumed(found))
        ? new Outcome.Found<>(
            found.best(),
            found.others(),
            found.unpriced(),
            found.passedOver(),
            Optional.of(low.best()))
        : found;
  }

  private boolean isAssumed(Outcome.Found<C> found) {
    return option(found.best()).plan().isAssumed();
  }

  private Outcome<C> choose(List<Candidate> candidates, Function<C, Boolean> preferred) {
    List<C> priced = new ArrayList<>();
    Map<String, String> unpriced = new LinkedHashMap<>();
    Map<String, Verdict> passedOver = new LinkedHashMap<>();
    for (Candidate candidate : candidates) {
      switch (candidate) {
        case Candidate.OnRequest onRequest -> unpriced.put(onRequest.plan(), "price on request");
        case Candidate.Out out -> passedOver.put(out.label(), out.verdict());
        case Candidate.Offered offered -> consider(offered, priced, unpriced, passedOver);
      }
    }
    if (priced.isEmpty()) {
      return unpriced.isEmpty()
          ? new Outcome.NoPlan<>(passedOver)
          : new Outcome.Unpriced<>(unpriced, passedOver);
    }
    C best = cheapest(priced, preferred);
    List<C> others = new ArrayList<>(priced);
    others.remove(best);
    return new Outcome.Found<>(best, others, unpriced, passedOver, Optional.empty());
  }

  private void consider(
      Candidate.Offered offered,
      List<C> priced,
      Map<String, String> unpriced,
      Map<String, Verdict> passedOver) {
    Option option = offered.option();
    Verdict verdict = verdict(market.fit(), option);
    if (!verdict.qualifies()) {
      passedOver.put(offered.label(), verdict);
      return;
    }
    Optional<String> why = market.whyUnpriced(option.list(), offered.measures(), stated());
    if (why.isPresent()) {
      unpriced.put(offered.label(), why.get());
    } else {
      priced.add(price(option));
    }
  }

  private C cheapest(List<C> priced, Function<C, Boolean> preferred) {
    @Nullable C best = null;
    for (C cost : priced) {
      int order = best == null ? -1 : money(cost).compareTo(money(best));
      if (order < 0 || (order == 0 && preferred.apply(cost))) {
        best = cost;
      }
    }
    return java.util.Objects.requireNonNull(best);
  }
}
