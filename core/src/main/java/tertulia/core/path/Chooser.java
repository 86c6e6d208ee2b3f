package tertulia.core.path;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;
import tertulia.core.fit.Fit;
import tertulia.core.fit.Offering;
import tertulia.core.fit.Reason;
import tertulia.core.fit.Verdict;
import tertulia.core.pricing.PlanPrices;
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

  abstract Verdict verdict(Fit fit, Option option);

  abstract Optional<String> whyUnpriced(PriceList list);

  abstract C price(Option option);

  abstract Money money(C cost);

  abstract Option option(C cost);

  /**
   * The cheapest qualifying option; on equality the first in catalogue order, unless {@code
   * preferred} is among the cheapest.
   */
  Outcome<C> choose(List<Offering> offerings, Function<C, Boolean> preferred) {
    Outcome<C> atHigh = choose(offerings, preferred, PlanPrices.End.HIGH);
    if (!(atHigh instanceof Outcome.Found<C> found)
        || offerings.stream().noneMatch(offering -> offering.plan().isAssumed())) {
      return atHigh;
    }
    return choose(offerings, preferred, PlanPrices.End.LOW) instanceof Outcome.Found<C> low
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

  private Outcome<C> choose(
      List<Offering> offerings, Function<C, Boolean> preferred, PlanPrices.End end) {
    List<C> priced = new ArrayList<>();
    Map<String, String> unpriced = new LinkedHashMap<>();
    Map<String, Verdict> passedOver = new LinkedHashMap<>();
    for (Offering offering : offerings) {
      consider(offering, end, priced, unpriced, passedOver);
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
      Offering offering,
      PlanPrices.End end,
      List<C> priced,
      Map<String, String> unpriced,
      Map<String, Verdict> passedOver) {
    List<PriceList> lists = offering.plan().lists(end);
    if (lists.isEmpty()) {
      Verdict musts = Verdict.of(market.fit().musts(offering));
      if (musts.qualifies()) {
        unpriced.put(offering.plan().name(), "price on request");
      } else {
        passedOver.put(offering.plan().name(), musts);
      }
      return;
    }
    boolean allowed = false;
    for (PriceList list : lists) {
      if (market.terms().allows(list.term())) {
        allowed = true;
        consider(Option.of(offering, list, market.fit()), priced, unpriced, passedOver);
      }
    }
    if (!allowed) {
      List<Reason> reasons = new ArrayList<>(market.fit().musts(offering));
      reasons.add(new Reason.TermNotSold(market.terms().sold()));
      passedOver.put(offering.plan().name(), Verdict.of(reasons));
    }
  }

  private void consider(
      Option option,
      List<C> priced,
      Map<String, String> unpriced,
      Map<String, Verdict> passedOver) {
    Verdict verdict = verdict(market.fit(), option);
    if (!verdict.qualifies()) {
      passedOver.put(option.label(), verdict);
      return;
    }
    Optional<String> why = whyUnpriced(option.list());
    if (why.isPresent()) {
      unpriced.put(option.label(), why.get());
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
