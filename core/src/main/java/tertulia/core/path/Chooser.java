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
import tertulia.core.fit.Offering;
import tertulia.core.fit.Verdict;
import tertulia.core.path.Candidates.Candidate;
import tertulia.core.pricing.PriceList;

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

  /** The verdict on a plan; without a list it is judged by what else is known of it. */
  abstract Verdict verdict(Fit fit, Offering offering, @Nullable PriceList list);

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
    return candidates.low().isEmpty()
            || !(choose(candidates.low(), preferred) instanceof Outcome.Found<C> low)
        ? atHigh
        : switch (atHigh) {
          case Outcome.Found<C> found ->
              isRange(low) || isRange(found) ? between(low, found) : found;
          case Outcome.Unpriced<C> unpriced -> low.isAtMost() ? unpriced : atLeast(low, unpriced);
          case Outcome.NoPlan<C> none -> none;
        };
  }

  private static <C> Outcome<C> between(Outcome.Found<C> low, Outcome.Found<C> high) {
    return new Outcome.Found<>(
        high.best(), high.others(), high.leftOut(), high.passedOver(), Optional.of(low.best()));
  }

  private static <C> Outcome<C> atLeast(Outcome.Found<C> low, Outcome.Unpriced<C> unpriced) {
    return new Outcome.Unpriced<>(
        unpriced.leftOut(), unpriced.passedOver(), Optional.of(low.best()));
  }

  private boolean isRange(Outcome.Found<C> found) {
    return option(found.best()).plan().isRange();
  }

  /** A qualifying option with its cost and its plan's place in the maker's order. */
  private record Priced<C>(C cost, int place) {}

  /** A qualifying option without a figure. */
  private record Open(OptionName name, NoFigure why, int place) {
    LeftOut beside(int taken) {
      return new LeftOut(name, why, place < taken && !why.isBound());
    }
  }

  private Outcome<C> choose(List<Candidate> candidates, Function<C, Boolean> preferred) {
    List<Priced<C>> priced = new ArrayList<>();
    List<Open> open = new ArrayList<>();
    Map<OptionName, Verdict> passedOver = new LinkedHashMap<>();
    for (Candidate candidate : candidates) {
      switch (candidate) {
        case Candidate.Out out -> passedOver.put(out.name(), out.verdict());
        case Candidate.OnRequest onRequest -> {
          Verdict verdict = verdict(market.fit(), onRequest.offering(), null);
          if (verdict.qualifies()) {
            open.add(new Open(onRequest.name(), new NoFigure.OnRequest(), onRequest.place()));
          } else {
            passedOver.put(onRequest.name(), verdict);
          }
        }
        case Candidate.Begins begins -> {
          Verdict verdict =
              verdict(market.fit(), begins.option().offering(), begins.option().list());
          if (verdict.qualifies()) {
            open.add(new Open(begins.name(), begins.why(market, stated()), begins.place()));
          } else {
            passedOver.put(begins.name(), verdict);
          }
        }
        case Candidate.Offered offered -> consider(offered, priced, open, passedOver);
      }
    }
    if (priced.isEmpty()) {
      return open.isEmpty()
          ? new Outcome.NoPlan<>(passedOver)
          : new Outcome.Unpriced<>(
              open.stream().map(o -> o.beside(Integer.MAX_VALUE)).toList(),
              passedOver,
              Optional.empty());
    }
    Priced<C> best = cheapest(priced, preferred);
    List<C> others =
        priced.stream().filter(other -> other != best).map(other -> other.cost()).toList();
    List<LeftOut> leftOut = open.stream().map(o -> o.beside(best.place())).toList();
    return new Outcome.Found<>(best.cost(), others, leftOut, passedOver, Optional.empty());
  }

  private void consider(
      Candidate.Offered offered,
      List<Priced<C>> priced,
      List<Open> open,
      Map<OptionName, Verdict> passedOver) {
    Option option = offered.option();
    Verdict verdict = verdict(market.fit(), option.offering(), option.list());
    if (!verdict.qualifies()) {
      passedOver.put(offered.name(), verdict);
      return;
    }
    Optional<NoFigure> why = market.whyUnpriced(option.list(), offered.measures(), stated());
    if (why.isPresent()) {
      open.add(new Open(offered.name(), why.get(), offered.place()));
      return;
    }
    try {
      C cost = price(option);
      // amounts are counted in whole minor units everywhere: what does not fit has no figure
      money(cost).getAmountMinorLong();
      priced.add(new Priced<>(cost, offered.place()));
    } catch (ArithmeticException e) {
      open.add(new Open(offered.name(), new NoFigure.TooLarge(), offered.place()));
    }
  }

  private Priced<C> cheapest(List<Priced<C>> priced, Function<C, Boolean> preferred) {
    Priced<C> best = priced.getFirst();
    for (Priced<C> other : priced.subList(1, priced.size())) {
      int order = money(other.cost()).compareTo(money(best.cost()));
      if (order < 0 || (order == 0 && preferred.apply(other.cost()))) {
        best = other;
      }
    }
    return best;
  }
}
