package tertulia.core.path;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.joda.money.Money;
import tertulia.core.billing.CostTiming;
import tertulia.core.billing.EarlyTerminationPolicy;
import tertulia.core.billing.UnitsNeeded;
import tertulia.core.fit.Offering;
import tertulia.core.fit.Reason;
import tertulia.core.fit.Verdict;
import tertulia.core.money.PriceRise;
import tertulia.core.path.Candidates.Candidate;
import tertulia.core.time.Horizon;

/** The cheapest way through a tool's plans, or why there is none. */
public sealed interface PlanPaths {
  /**
   * There is a way through all months.
   *
   * @param leftOut options without any figure that would do in some month; one that stands before
   *     the plan the way is on in such a month makes the figure "at most"
   * @param low the cheapest way if every assumed price were at its low end, and every price of
   *     which only the least is known at that; empty if no way uses one
   */
  record Found(PlanPath best, List<LeftOut> leftOut, Optional<PlanPath> low) implements PlanPaths {
    public Found {
      leftOut = List.copyOf(leftOut);
    }

    /** Whether the total is only an upper bound: what was left out may be cheaper. */
    public boolean isAtMost() {
      return LeftOut.atMost(leftOut);
    }
  }

  /**
   * In some month nothing qualifies that has a figure.
   *
   * @param month the first such plan month; if there are months in which nothing qualifies at all,
   *     the first of those
   * @param verdicts why not, by option
   * @param leftOut what would do in that month and has no figure; none if nothing would
   * @param low the least that all months cost, by the prices of which only that is known; empty if
   *     something else may be cheaper by any amount
   */
  record Gap(
      int month, Map<OptionName, Verdict> verdicts, List<LeftOut> leftOut, Optional<PlanPath> low)
      implements PlanPaths {
    public Gap {
      leftOut = List.copyOf(leftOut);
    }

    /** Whether there is a way through all months of which the figure is not known. */
    public boolean isUnpriced() {
      return !leftOut.isEmpty();
    }

    /** The option with the fewest reasons against it, the first of several; empty without any. */
    public Optional<Nearest> nearest() {
      return verdicts.entrySet().stream()
          .map(entry -> new Nearest(entry.getKey(), entry.getValue().reasons()))
          .min(Comparator.comparingInt(near -> near.reasons().size()));
    }

    /** Whether some option would qualify if what is unknown were confirmed. */
    public boolean isUnconfirmed() {
      return verdicts.values().stream().anyMatch(Verdict.Unconfirmed.class::isInstance);
    }
  }

  /** What qualifies in the way's months, or in the first without one, and has no figure. */
  List<LeftOut> leftOut();

  /** The same way with what else has no figure and may be cheaper than it. */
  static PlanPaths beside(PlanPaths way, List<LeftOut> others) {
    if (others.isEmpty() || !(way instanceof Found found)) {
      return way;
    }
    List<LeftOut> all = new ArrayList<>(found.leftOut());
    all.addAll(others);
    return new Found(found.best(), all, found.low());
  }

  /**
   * Several ways that are taken together: their sum, or the first that has none.
   *
   * @param others of other tools
   */
  static PlanPaths together(PlanPaths first, List<PlanPaths> others) {
    if (others.isEmpty() || !(first instanceof Found main)) {
      return first;
    }
    List<Found> found = new ArrayList<>();
    for (PlanPaths other : others) {
      if (!(other instanceof Found beside)) {
        return other;
      }
      found.add(beside);
    }
    List<LeftOut> leftOut = new ArrayList<>(main.leftOut());
    found.forEach(beside -> leftOut.addAll(beside.leftOut()));
    boolean range = main.low().isPresent() || found.stream().anyMatch(f -> f.low().isPresent());
    return new Found(
        main.best().with(alongside(found.stream().map(Found::best).toList())),
        leftOut,
        range
            ? Optional.of(
                main.low()
                    .orElse(main.best())
                    .with(alongside(found.stream().map(f -> f.low().orElse(f.best())).toList())))
            : Optional.empty());
  }

  private static List<PlanPath.Alongside> alongside(List<PlanPath> paths) {
    return paths.stream()
        .map(path -> new PlanPath.Alongside(PlanPath.Alongside.Kind.TOOL, List.of(), path))
        .toList();
  }

  /** What comes nearest to doing, with all that stands against it. */
  record Nearest(OptionName option, List<Reason> reasons) {
    public Nearest {
      reasons = List.copyOf(reasons);
    }

    /** Whether only the terms allowed stand against it. */
    public boolean isOnlyNotSoldSo() {
      return !reasons.isEmpty() && reasons.stream().allMatch(Reason.TermNotSold.class::isInstance);
    }
  }

  /**
   * Finds the way.
   *
   * @param months units needed by plan month
   * @param changing what one change of plan costs in people's time, in the reporting currency
   */
  static PlanPaths through(
      List<Offering> offerings,
      Market market,
      List<UnitsNeeded> months,
      PriceRise rise,
      Horizon horizon,
      CostTiming view,
      EarlyTerminationPolicy leaving,
      Money changing) {
    return through(offerings, market, months, rise, horizon, view, leaving, changing, Past.NONE);
  }

  /** As above where some months are over. */
  static PlanPaths through(
      List<Offering> offerings,
      Market market,
      List<UnitsNeeded> months,
      PriceRise rise,
      Horizon horizon,
      CostTiming view,
      EarlyTerminationPolicy leaving,
      Money changing,
      Past past) {
    PathFinder.Setting setting =
        new PathFinder.Setting(market, months, rise, horizon, view, leaving, changing, past);
    List<Offering> all = new ArrayList<>(past.offerings());
    all.addAll(offerings);
    Candidates candidates = Candidates.of(all, market);
    PlanPaths high = through(candidates.high(), setting);
    if (candidates.low().isEmpty() || !(through(candidates.low(), setting) instanceof Found low)) {
      return high;
    }
    return switch (high) {
      case Found found ->
          isRange(found) || isRange(low)
              ? new Found(found.best(), found.leftOut(), Optional.of(low.best()))
              : found;
      case Gap gap ->
          gap.isUnpriced() && !low.isAtMost()
              ? new Gap(gap.month(), gap.verdicts(), gap.leftOut(), Optional.of(low.best()))
              : gap;
    };
  }

  private static boolean isRange(Found found) {
    return found.best().legs().stream().anyMatch(leg -> leg.option().plan().isRange());
  }

  private static PlanPaths through(List<Candidate> candidates, PathFinder.Setting setting) {
    Field field = Field.of(candidates, setting);
    int months = setting.horizon().months();
    for (int m = 0; m < months; m++) {
      if (!field.anyPriced(m) && !field.anyOpen(m)) {
        return field.gap(m);
      }
    }
    for (int m = 0; m < months; m++) {
      if (!field.anyPriced(m)) {
        return field.gap(m);
      }
    }
    try {
      PlanPath best = PathFinder.cheapest(field.options(), field.qualifies(), setting);
      best.ledger().total(setting.view());
      return new Found(best, field.leftOutBeside(best), Optional.empty());
    } catch (ArithmeticException e) {
      return field.without(new NoFigure.TooLarge());
    } catch (TooManyPaths e) {
      return field.without(new NoFigure.TooManyPaths());
    }
  }
}
