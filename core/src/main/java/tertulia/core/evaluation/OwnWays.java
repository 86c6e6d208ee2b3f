package tertulia.core.evaluation;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import org.joda.money.Money;
import tertulia.core.billing.CostTiming;
import tertulia.core.billing.EarlyTerminationPolicy;
import tertulia.core.billing.UnitsNeeded;
import tertulia.core.deadline.OnceEach;
import tertulia.core.fit.Fit;
import tertulia.core.fit.Offering;
import tertulia.core.growth.People;
import tertulia.core.labour.Labour;
import tertulia.core.money.Rounding;
import tertulia.core.path.BaseAndPeakWay;
import tertulia.core.path.Market;
import tertulia.core.path.Past;
import tertulia.core.path.PlanPaths;
import tertulia.core.path.Split;
import tertulia.core.path.Terms;
import tertulia.core.pricing.SideBySide;

/**
 * The best ways through one tool's plans: everybody on the same, groups on plans of their own, or
 * base and peak on two terms of a plan.
 */
final class OwnWays {
  private final Selection selection;
  private final List<People> planned;
  private final List<UnitsNeeded> months;
  private final OnceEach<SplitAsked, Optional<Split>> splits =
      new OnceEach<>("who is on which plan");

  OwnWays(Selection selection, List<People> planned, List<UnitsNeeded> months) {
    this.selection = selection;
    this.planned = List.copyOf(planned);
    this.months = List.copyOf(months);
  }

  /** The best way for all, or groups on plans of their own where that is less and is confirmed. */
  PlanPaths best(
      Contender contender, CostTiming view, EarlyTerminationPolicy leaving, Market offered) {
    PlanPaths best = forAll(contender.offerings(), contender.past(), view, leaving, offered);
    if (isSplitCounted(contender, offered.fit())) {
      PlanPaths all = best;
      best =
          split(contender, view, leaving, offered)
              .map(Split::paths)
              .filter(split -> isLess(split, all, view))
              .map(split -> PlanPaths.beside(split, all.leftOut()))
              .orElse(all);
    }
    if (contender.tool().sideBySide().terms() == SideBySide.Said.YES) {
      PlanPaths others = best;
      best =
          mixed(contender, view, offered)
              .map(OwnWays::of)
              .filter(mixed -> isLess(mixed, others, view))
              .map(mixed -> PlanPaths.beside(mixed, others.leftOut()))
              .orElse(others);
    }
    return best;
  }

  static PlanPaths of(BaseAndPeakWay mixed) {
    return new PlanPaths.Found(mixed.path(), List.of(), Optional.empty());
  }

  /**
   * What is needed all year on a committed term and the rest by the month; empty if none can be.
   */
  Optional<BaseAndPeakWay> mixed(Contender contender, CostTiming view, Market offered) {
    return contender.past().equals(Past.NONE)
        ? BaseAndPeakWay.cheapest(
            contender.offerings(), offered, months, selection.rise(), selection.horizon(), view)
        : Optional.empty();
  }

  /** What nobody has said counts if confirmed, where some groups need what others do not. */
  static boolean isSplitCounted(Contender contender, Fit needs) {
    return switch (contender.tool().sideBySide().plans()) {
      case YES -> true;
      case NO -> false;
      case NOT_SAID -> needs.isConfident() && hasMustsOfGroups(needs);
    };
  }

  static boolean hasMustsOfGroups(Fit fit) {
    return fit.needs().stream().anyMatch(need -> !need.groups().isEmpty());
  }

  /** Whether a way costs less than another, changes of plan counted. */
  static boolean isLess(PlanPaths one, PlanPaths all, CostTiming view) {
    return !(all instanceof PlanPaths.Found found)
        || !(one instanceof PlanPaths.Found apart)
        || apart
            .best()
            .ledger()
            .total(view)
            .plus(apart.best().changing())
            .isLessThan(found.best().ledger().total(view).plus(found.best().changing()));
  }

  /** What some needs make of a split, found once. */
  private record SplitAsked(
      String contender, CostTiming view, EarlyTerminationPolicy leaving, Fit needs, Terms terms) {}

  /** The cheapest split of the groups among a contender’s plans; empty if there is none. */
  Optional<Split> split(
      Contender contender, CostTiming view, EarlyTerminationPolicy leaving, Market offered) {
    // prices at some part are asked for once, of a contender that is no longer the selection's
    return contender.equals(selection.contender(contender.id()))
        ? splits.get(
            new SplitAsked(contender.id(), view, leaving, offered.fit(), offered.terms()),
            asked -> foundSplit(contender, view, leaving, offered))
        : foundSplit(contender, view, leaving, offered);
  }

  private Optional<Split> foundSplit(
      Contender contender, CostTiming view, EarlyTerminationPolicy leaving, Market offered) {
    return contender.past().equals(Past.NONE)
        ? Split.cheapest(
            contender.offerings().stream()
                .filter(o -> contender.tool().sideBySide().holds(o.plan().id()))
                .toList(),
            new Split.Setting(
                offered,
                selection.groups(),
                planned,
                selection.rise(),
                selection.horizon(),
                view,
                leaving,
                changing()))
        : Optional.empty();
  }

  /** The best way on which everybody is on the same plan. */
  PlanPaths forAll(
      List<Offering> offerings,
      Past past,
      CostTiming view,
      EarlyTerminationPolicy leaving,
      Market offered) {
    return PlanPaths.through(
        offerings,
        offered,
        months,
        selection.rise(),
        selection.horizon(),
        view,
        leaving,
        changing(),
        past);
  }

  /** What one change of plan costs in people's time; nothing if nobody has said. */
  private Money changing() {
    Labour labour = selection.practice().labour();
    return Rounding.toMinorUnit(
        labour.hour().orElse(BigDecimal.ZERO).multiply(labour.changeHours()), selection.currency());
  }
}
