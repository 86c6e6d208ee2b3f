package tertulia.core.evaluation;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import tertulia.core.fit.Capability;
import tertulia.core.fit.Count;
import tertulia.core.fit.Fact;
import tertulia.core.fit.Headroom;
import tertulia.core.path.PlanPath;
import tertulia.core.path.PlanPaths;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Interval;
import tertulia.core.scoring.Value;
import tertulia.core.trial.Task;
import tertulia.core.trial.Trial;
import tertulia.core.trial.Trials;
import tertulia.core.working.Derivation;
import tertulia.core.working.Quantity;

/** What a number is worth on the scale the buyer stated. */
record Measurement(
    CostsOverall costs, Trials trials, Criterion criterion, Criterion.Measured scale) {
  private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);

  Value of(Contender contender) {
    return switch (scale.number()) {
      case Criterion.Number.Included included -> included(contender, included);
      case Criterion.Number.Counted counted -> counted(contender, counted);
      case Criterion.Number.TasksDone done -> tasksDone(contender);
      case Criterion.Number.Minutes minutes -> minutes(contender);
    };
  }

  /** A plan that says nothing of it, or that nobody has confirmed, leaves the value open. */
  private Value included(Contender contender, Criterion.Number.Included number) {
    if (!(costs.spread(contender.id()) instanceof PlanPaths.Found found)) {
      return missing("no plan with a price");
    }
    String unit = number.measure().label();
    List<Derivation> parts = new ArrayList<>();
    Optional<BigDecimal> least = Optional.empty();
    boolean open = false;
    for (PlanPath.Leg leg : found.best().everyOption()) {
      String plan = leg.option().plan().name();
      Optional<Headroom> room =
          Headroom.of(
              leg.option().offering(),
              leg.option().list(),
              number.measure(),
              costs.months(),
              costs.selection().horizon().month(0));
      Optional<List<BigDecimal>> most = room.flatMap(r -> most(r.bound()));
      if (most.isPresent()) {
        BigDecimal here =
            most.get().subList(leg.months().from(), leg.months().end()).stream()
                .min(BigDecimal::compareTo)
                .orElseThrow();
        least = Optional.of(least.map(here::min).orElse(here));
        parts.add(
            new Derivation.Entered(
                plan, new Quantity(here, unit), Optional.of(room.orElseThrow().source())));
      } else {
        boolean endless = room.filter(r -> r.bound() instanceof Headroom.Bound.Endless).isPresent();
        open |= !endless;
        parts.add(
            endless
                ? new Derivation.Stated(
                    plan, "no end", Optional.of(room.orElseThrow().source()), List.of())
                : new Derivation.Missing(plan, unknown(room, unit)));
      }
    }
    if (open) {
      return new Value(
          Interval.UNKNOWN,
          new Derivation.Missing(criterion.name(), "not known of every plan on the way", parts));
    }
    return least
        .map(x -> exactly(x, unit, "the least in any month of its way", parts))
        .orElseGet(() ->
            new Value(
                Interval.exactly(scale.isMoreBetter() ? BigDecimal.ONE : BigDecimal.ZERO),
                new Derivation.Derived(
                    criterion.name(),
                    new Quantity(scale.isMoreBetter() ? BigDecimal.ONE : BigDecimal.ZERO, ""),
                    "there is no end of it",
                    parts)));
  }

  /**
   * The plan on the way that is worst off counts. A plan of which nobody has counted it, or in
   * another unit, leaves the value open; a bound leaves it open on its one side.
   */
  private Value counted(Contender contender, Criterion.Number.Counted number) {
    if (!(costs.spread(contender.id()) instanceof PlanPaths.Found found)) {
      return missing("no plan with a price");
    }
    Capability what = new Capability(number.what(), number.name());
    List<Derivation> parts = new ArrayList<>();
    Interval worst = Interval.exactly(BigDecimal.ONE);
    Optional<BigDecimal> exact = Optional.empty();
    for (PlanPath.Leg leg : found.best().everyOption()) {
      Fact fact = leg.option().offering().fact(what);
      String plan = leg.option().plan().name();
      Optional<Count> count =
          fact.count().filter(c -> c.isLike(Count.exactly(BigDecimal.ONE, number.unit())));
      Interval here = count.map(this::between).orElse(Interval.UNKNOWN);
      parts.add(
          count.isPresent()
              ? new Derivation.Stated(
                  plan, count.get().words(), Optional.of(fact.source()), List.of())
              : new Derivation.Missing(plan, uncounted(fact, number)));
      if (here.isExact() && here.low().compareTo(worst.high()) <= 0) {
        exact = count.map(Count::number);
      }
      worst = new Interval(worst.low().min(here.low()), worst.high().min(here.high()));
    }
    return worst.isExact() && exact.isPresent()
        ? exactly(exact.get(), number.unit(), "of the plan on the path that is worst off", parts)
        : new Value(
            worst, new Derivation.Missing(criterion.name(), "not known of every plan", parts));
  }

  private Interval between(Count count) {
    BigDecimal atLow = scale.valueOf(count.low());
    BigDecimal atHigh =
        count
            .high()
            .map(scale::valueOf)
            .orElse(scale.isMoreBetter() ? BigDecimal.ONE : BigDecimal.ZERO);
    return new Interval(atLow.min(atHigh), atLow.max(atHigh));
  }

  private static String uncounted(Fact fact, Criterion.Number.Counted number) {
    return fact.count().isPresent()
        ? fact.words() + ", which is not a count of " + number.unit()
        : "how many " + number.unit() + " is not known";
  }

  private static Optional<List<BigDecimal>> most(Headroom.Bound bound) {
    return switch (bound) {
      case Headroom.Bound.UpTo upTo -> Optional.of(upTo.most());
      case Headroom.Bound.Charged charged -> Optional.of(charged.included());
      case Headroom.Bound.AccountOrSeat open -> Optional.empty();
      case Headroom.Bound.Endless endless -> Optional.empty();
      case Headroom.Bound.Unknown unknown -> Optional.empty();
      case Headroom.Bound.Silent silent -> Optional.empty();
    };
  }

  private static String unknown(Optional<Headroom> room, String unit) {
    return room.isEmpty()
        ? "nobody has said under Need how many " + unit + " are used"
        : room.get().bound() instanceof Headroom.Bound.Unknown
            ? "how many " + unit + " are included is not confirmed"
            : room.get().bound() instanceof Headroom.Bound.AccountOrSeat
                ? "the page does not say whether "
                    + unit
                    + " are included for the account or for each seat"
                : "the page says nothing of " + unit;
  }

  private Value tasksDone(Contender contender) {
    Optional<Trials.Share> share = trials.shareDone(contender.id());
    if (share.isEmpty()) {
      return missing("nobody has named tasks to try");
    }
    BigDecimal low = share.get().low().multiply(HUNDRED);
    BigDecimal high = share.get().high().multiply(HUNDRED);
    List<Derivation> parts = new ArrayList<>();
    trials.tasks().forEach(task -> parts.add(tried(task, contender)));
    if (low.compareTo(high) == 0) {
      return exactly(low, "%", "mean over the tasks of the share of people who did them", parts);
    }
    BigDecimal one = scale.valueOf(low);
    BigDecimal other = scale.valueOf(high);
    return new Value(
        new Interval(one.min(other), one.max(other)),
        new Derivation.Missing(
            criterion.name(),
            trials.tally(contender.id()).untried()
                + " of "
                + trials.tasks().size()
                + " tasks are not tried",
            parts));
  }

  private Value minutes(Contender contender) {
    List<Derivation> parts = new ArrayList<>();
    trials.tasks().forEach(task -> parts.add(tried(task, contender)));
    Optional<BigDecimal> median = trials.medianMinutes(contender.id());
    if (median.isPresent()) {
      return exactly(median.get(), "minutes", "median over the tasks", parts);
    }
    String why =
        trials.tasks().isEmpty()
            ? "nobody has named tasks to try"
            : "nobody did by the clock: "
                + trials.untimed(contender.id()).stream()
                    .map(Task::words)
                    .collect(Collectors.joining("; "));
    return new Value(Interval.UNKNOWN, new Derivation.Missing(criterion.name(), why, parts));
  }

  private Derivation tried(Task task, Contender contender) {
    List<Trial.Result> results = trials.results(task, contender.id());
    if (results.isEmpty()) {
      return new Derivation.Missing(task.words(), "nobody has tried it");
    }
    return new Derivation.Stated(
        task.words(),
        results.stream().map(Measurement::words).collect(Collectors.joining("; ")),
        Optional.empty(),
        List.of());
  }

  private static String words(Trial.Result result) {
    return result.by()
        + ": "
        + result.outcome().words()
        + result.took().map(m -> ", " + m + (m == 1 ? " minute" : " minutes")).orElse("")
        + (result.note().isEmpty() ? "" : ", " + result.note());
  }

  private Value exactly(BigDecimal x, String unit, String rule, List<Derivation> parts) {
    BigDecimal value = scale.valueOf(x);
    return new Value(
        Interval.exactly(value),
        new Derivation.Derived(
            criterion.name(),
            new Quantity(value, ""),
            "(number − worst) / (best − worst), from 0 to 1",
            List.of(
                new Derivation.Derived("the number", new Quantity(x, unit), rule, parts),
                new Derivation.Entered("worst, score 0", new Quantity(scale.worst(), unit)),
                new Derivation.Entered("best, score 1", new Quantity(scale.best(), unit)))));
  }

  private Value missing(String why) {
    return new Value(Interval.UNKNOWN, new Derivation.Missing(criterion.name(), why));
  }
}
