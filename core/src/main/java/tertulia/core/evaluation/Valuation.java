package tertulia.core.evaluation;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import tertulia.core.billing.CostTiming;
import tertulia.core.fit.Answer;
import tertulia.core.fit.Fact;
import tertulia.core.fit.Importance;
import tertulia.core.fit.Need;
import tertulia.core.fit.Offering;
import tertulia.core.growth.Group;
import tertulia.core.labour.PeopleTime;
import tertulia.core.labour.StaffTime;
import tertulia.core.path.LeftOut;
import tertulia.core.path.Option;
import tertulia.core.path.PlanPath;
import tertulia.core.path.PlanPaths;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Interval;
import tertulia.core.scoring.Judgement;
import tertulia.core.scoring.Panel;
import tertulia.core.scoring.PublicRating;
import tertulia.core.scoring.Value;
import tertulia.core.trial.Trials;
import tertulia.core.working.Derivation;
import tertulia.core.working.Quantity;

/** What each contender is worth under each criterion. */
record Valuation(CostsOverall costs, Panel panel, Trials trials) {
  private static final BigDecimal HALF_AS_MUCH_AGAIN = new BigDecimal("1.5");

  private static final BigDecimal HALF = new BigDecimal("0.5");

  Value value(Contender contender, Criterion criterion) {
    return switch (criterion.kind()) {
      case Criterion.Judged judged -> Judgement.of(panel, criterion, contender.id());
      case Criterion.Cost scale -> cost(contender, criterion, scale);
      case Criterion.CostAsFound found ->
          guess(costs)
              .map(scale -> cost(contender, criterion, scale))
              .orElseGet(() ->
                  new Value(
                      Interval.UNKNOWN,
                      new Derivation.Missing(
                          criterion.name(),
                          "two contenders that cost different amounts make a scale, or state"
                              + " worst and best")));
      case Criterion.Coverage coverage -> coverage(criterion, costs.spread(contender.id()));
      case Criterion.Ratings prior -> ratings(criterion, prior, contender.ratings());
      case Criterion.Measured scale ->
          new Measurement(costs, trials, criterion, scale).of(contender);
    };
  }

  /**
   * As {@link Evaluation#worth} for a contender without a way over the horizon.
   *
   * @param now what it would be on for the people under discussion; empty if it lists no prices
   */
  Interval elsewhere(Contender contender, Criterion criterion, Optional<Option> now) {
    return switch (criterion.kind()) {
      case Criterion.Judged judged -> value(contender, criterion).interval();
      case Criterion.Ratings ratings -> value(contender, criterion).interval();
      case Criterion.Cost cost -> Interval.UNKNOWN;
      case Criterion.CostAsFound cost -> Interval.UNKNOWN;
      case Criterion.Coverage coverage ->
          now.map(option -> coverage(criterion, option).interval()).orElse(Interval.UNKNOWN);
      case Criterion.Measured measured ->
          measured.number().isOfPlan() ? Interval.UNKNOWN : value(contender, criterion).interval();
    };
  }

  /**
   * A first guess of a scale that holds the contenders' costs a month, spread: from the dearest,
   * but at least half as much again as the cheapest, so that a few percent are not everything,
   * rounded up, to the cheapest, rounded down to two figures; empty if fewer than two cost
   * different amounts that are known.
   */
  static Optional<Criterion.Cost> guess(CostsOverall costs) {
    List<BigDecimal> all =
        costs.feasible().stream().flatMap(c -> known(costs, c).stream()).sorted().toList();
    if (all.isEmpty() || all.getFirst().compareTo(all.getLast()) == 0) {
      return Optional.empty();
    }
    BigDecimal worst =
        all.getLast()
            .max(all.getFirst().multiply(HALF_AS_MUCH_AGAIN))
            .round(new MathContext(2, RoundingMode.CEILING));
    BigDecimal best = all.getFirst().round(new MathContext(2, RoundingMode.FLOOR));
    return Optional.of(new Criterion.Cost(worst, best));
  }

  /** What a contender costs a month as the criterion reads it; empty while it is not known. */
  private static Optional<BigDecimal> known(CostsOverall costs, Contender contender) {
    if (!(costs.spread(contender.id()) instanceof PlanPaths.Found found)) {
      return Optional.empty();
    }
    Valuation valuation = new Valuation(costs, new Panel(List.of()), Trials.NONE);
    return switch (costs.whatIf().basis()) {
      case SUBSCRIPTION -> Optional.of(valuation.perMonth(found.best(), Optional.empty()));
      case FULL ->
          switch (costs.takes(contender.id(), found)) {
            case StaffTime.Known time ->
                Optional.of(valuation.perMonth(found.best(), Optional.of(time.time())));
            case StaffTime.Unknown unknown -> Optional.empty();
          };
    };
  }

  private Selection selection() {
    return costs.selection();
  }

  /** By the cheapest path in the spread view; with people's time along it if full cost is read. */
  private Value cost(Contender contender, Criterion criterion, Criterion.Cost scale) {
    PlanPaths ways = costs.spread(contender.id());
    return switch (costs.whatIf().basis()) {
      case SUBSCRIPTION -> cost(criterion, scale, ways, Optional.empty());
      case FULL ->
          switch (costs.takes(contender.id(), ways)) {
            case StaffTime.Known known -> cost(criterion, scale, ways, Optional.of(known.time()));
            case StaffTime.Unknown unknown ->
                new Value(
                    Interval.UNKNOWN, new Derivation.Missing(criterion.name(), unknown.why()));
          };
    };
  }

  private Value cost(
      Criterion criterion, Criterion.Cost scale, PlanPaths ways, Optional<PeopleTime> time) {
    return switch (ways) {
      case PlanPaths.Found found -> cost(criterion, scale, found, time);
      case PlanPaths.Gap gap when gap.isUnpriced() ->
          gap.low()
              .map(low -> atLeast(criterion, scale, low, time))
              .orElseGet(() ->
                  new Value(
                      Interval.UNKNOWN,
                      new Derivation.Missing(criterion.name(), LeftOut.words(gap.leftOut()))));
      case PlanPaths.Gap gap ->
          throw new IllegalArgumentException("A contender without a plan is not valued");
    };
  }

  /**
   * Assumed prices make a range of values. A total that is only an upper bound makes one from the
   * bound's value to 1: nobody knows how much cheaper what was left out would be.
   */
  private Value cost(
      Criterion criterion, Criterion.Cost scale, PlanPaths.Found found, Optional<PeopleTime> time) {
    BigDecimal x = perMonth(found.best(), time);
    BigDecimal value = scale.valueOf(x);
    if (found.isAtMost()) {
      return new Value(
          new Interval(value, BigDecimal.ONE),
          () ->
              new Derivation.Missing(
                  criterion.name(),
                  "the cost is at most this, so its score is at least this: "
                      + LeftOut.words(found.leftOut()),
                  List.of(costWorking(criterion, scale, found, x, value, time))));
    }
    return found
        .low()
        .map(low -> assumed(criterion, scale, found, low, value, time))
        .orElseGet(() ->
            new Value(
                Interval.exactly(value),
                () -> costWorking(criterion, scale, found, x, value, time)));
  }

  /** A total of which only the least is known is worth what that is, or less. */
  private Value atLeast(
      Criterion criterion, Criterion.Cost scale, PlanPath low, Optional<PeopleTime> time) {
    BigDecimal x = perMonth(low, time);
    BigDecimal value = scale.valueOf(x);
    return new Value(
        new Interval(BigDecimal.ZERO, value),
        () ->
            new Derivation.Missing(
                criterion.name(),
                "the cost is at least this, so its score is at most this",
                List.of(
                    costWorking(criterion, scale, perMonth(low, x, "at least, ", time), value))));
  }

  /** The average a month, spread, with people's time if it counts; exact to 10 decimals. */
  private BigDecimal perMonth(PlanPath way, Optional<PeopleTime> time) {
    BigDecimal subscription = way.ledger().perMonth(CostTiming.SPREAD);
    return time.map(people ->
            people
                .total()
                .getAmount()
                .divide(
                    BigDecimal.valueOf(selection().horizon().months()), 10, RoundingMode.HALF_UP)
                .add(subscription))
        .orElse(subscription);
  }

  /** An assumed range of prices makes a range of values. */
  private Value assumed(
      Criterion criterion,
      Criterion.Cost scale,
      PlanPaths.Found found,
      PlanPath low,
      BigDecimal value,
      Optional<PeopleTime> time) {
    BigDecimal x = perMonth(found.best(), time);
    BigDecimal other = perMonth(low, time);
    BigDecimal otherValue = scale.valueOf(other);
    return new Value(
        new Interval(value.min(otherValue), value.max(otherValue)),
        () ->
            new Derivation.Missing(
                criterion.name(),
                "the price is assumed to lie in a range",
                List.of(
                    costWorking(criterion, scale, found, x, value, time),
                    new Derivation.Derived(
                        "a month at the low end",
                        new Quantity(other, selection().currency().getCode()),
                        "score " + otherValue.toPlainString(),
                        List.of(low.ledger().explainTotal(CostTiming.SPREAD))))));
  }

  private Derivation costWorking(
      Criterion criterion,
      Criterion.Cost scale,
      PlanPaths.Found found,
      BigDecimal x,
      BigDecimal value,
      Optional<PeopleTime> time) {
    String bound = found.isAtMost() ? "at most, an option without a figure is left out; " : "";
    return costWorking(criterion, scale, perMonth(found.best(), x, bound, time), value);
  }

  private Derivation perMonth(PlanPath way, BigDecimal x, String bound, Optional<PeopleTime> time) {
    List<Derivation> total =
        new ArrayList<>(List.of(way.ledger().explainTotal(CostTiming.SPREAD), way.explain()));
    time.ifPresent(people -> total.add(people.explain()));
    return new Derivation.Derived(
        "a month, spread",
        new Quantity(x, selection().currency().getCode()),
        bound + "total over " + selection().horizon().months() + " months",
        total);
  }

  private Derivation costWorking(
      Criterion criterion, Criterion.Cost scale, Derivation perMonth, BigDecimal value) {
    String currency = selection().currency().getCode();
    return new Derivation.Derived(
        criterion.name(),
        new Quantity(value, ""),
        "(cost − worst) / (best − worst), from 0 to 1",
        List.of(
            perMonth,
            new Derivation.Entered("worst, score 0", new Quantity(scale.worst(), currency)),
            new Derivation.Entered("best, score 1", new Quantity(scale.best(), currency))));
  }

  /** Along the way, each month by the plan it is on. */
  private Value coverage(Criterion criterion, PlanPaths ways) {
    if (!(ways instanceof PlanPaths.Found found)) {
      return new Value(
          Interval.UNKNOWN, new Derivation.Missing(criterion.name(), "no plan with a price"));
    }
    return found.best().isSplit()
        ? byPeople(criterion, found.best())
        : coverage(criterion, found.best());
  }

  /** Each plan by the people that are on it, over the months. */
  private Value byPeople(Criterion criterion, PlanPath path) {
    BigDecimal all = BigDecimal.valueOf(people(selection().groups()));
    BigDecimal rest = all;
    BigDecimal low = BigDecimal.ZERO;
    BigDecimal high = BigDecimal.ZERO;
    List<Derivation> parts = new ArrayList<>();
    for (PlanPath.Alongside other : path.alongside()) {
      if (other.isOf(PlanPath.Alongside.Kind.GROUPS)) {
        Value own = coverage(criterion, other.path());
        BigDecimal many = BigDecimal.valueOf(people(other.groups()));
        rest = rest.subtract(many);
        low = low.add(own.interval().low().multiply(many));
        high = high.add(own.interval().high().multiply(many));
        parts.add(own.working());
      }
    }
    Value main = coverage(criterion, path);
    parts.addFirst(main.working());
    Interval mean =
        new Interval(
            low.add(main.interval().low().multiply(rest)).divide(all, MathContext.DECIMAL128),
            high.add(main.interval().high().multiply(rest)).divide(all, MathContext.DECIMAL128));
    String rule = "the mean over the people, each by the plan they are on";
    return mean(criterion, mean, rule, parts);
  }

  private static Value mean(
      Criterion criterion, Interval mean, String rule, List<Derivation> parts) {
    return new Value(
        mean,
        mean.isExact()
            ? new Derivation.Derived(criterion.name(), new Quantity(mean.low(), ""), rule, parts)
            : new Derivation.Missing(
                criterion.name(), rule + "; some answers are not known", parts));
  }

  /**
   * People of some groups, added up over the plan months; at least 1, so that shares can be made.
   */
  private int people(List<Group> groups) {
    return Math.max(
        1,
        costs.planned().stream()
            .mapToInt(month ->
                groups.stream().mapToInt(group -> month.counts().getOrDefault(group.id(), 0)).sum())
            .sum());
  }

  private Value coverage(Criterion criterion, PlanPath path) {
    BigDecimal months = BigDecimal.valueOf(selection().horizon().months());
    BigDecimal low = BigDecimal.ZERO;
    BigDecimal high = BigDecimal.ZERO;
    List<Derivation> parts = new ArrayList<>();
    for (PlanPath.Leg leg : path.byOption()) {
      Value covered = coverage(criterion, leg.option());
      BigDecimal part = BigDecimal.valueOf(leg.months().months());
      low = low.add(covered.interval().low().multiply(part));
      high = high.add(covered.interval().high().multiply(part));
      parts.add(covered.working());
    }
    if (parts.size() == 1) {
      return coverage(criterion, path.legs().getFirst().option());
    }
    Interval mean =
        new Interval(
            low.divide(months, MathContext.DECIMAL128),
            high.divide(months, MathContext.DECIMAL128));
    String rule = "the mean over the months, each by the plan it is on";
    return mean(criterion, mean, rule, parts);
  }

  private Value coverage(Criterion criterion, Option option) {
    Offering offering = option.offering();
    BigDecimal all = BigDecimal.ZERO;
    BigDecimal low = BigDecimal.ZERO;
    BigDecimal high = BigDecimal.ZERO;
    List<Derivation> parts = new ArrayList<>();
    for (Need need : selection().needs()) {
      if (need.importance() instanceof Importance.Should should) {
        BigDecimal weight = BigDecimal.valueOf(should.weight());
        Fact fact = offering.fact(need.capability());
        boolean outside = need.outside().filter(option.outside()::contains).isPresent();
        Interval met =
            outside
                ? Interval.exactly(BigDecimal.ONE)
                : met(need, option.answer(need.capability()));
        all = all.add(weight);
        low = low.add(weight.multiply(met.low()));
        high = high.add(weight.multiply(met.high()));
        parts.add(
            new Derivation.Stated(
                need.capability().name() + ", weight " + should.weight(),
                outside ? fact.words() + "; covered outside" : words(need, option),
                java.util.Optional.of(fact.source())
                    .filter(source -> fact.answer() != Answer.UNKNOWN),
                List.of()));
      }
    }
    Interval share =
        new Interval(
            low.divide(all, MathContext.DECIMAL128), high.divide(all, MathContext.DECIMAL128));
    String label = criterion.name() + " by " + option.plan().name();
    String rule = "weighted share of the should-haves met; partly counts half";
    return new Value(
        share,
        share.isExact()
            ? new Derivation.Derived(label, new Quantity(share.low(), ""), rule, parts)
            : new Derivation.Missing(label, rule + "; some answers are not known", parts));
  }

  private static String words(Need need, Option option) {
    Fact fact = option.offering().fact(need.capability());
    if (fact.answer() == Answer.BY_HAND) {
      return fact.words() + (need.byHandIsEnough() ? ", which is enough" : ", which is not enough");
    }
    return fact.answer().isSoldApart() && option.answer(need.capability()) == Answer.NO
        ? fact.words() + ", which no must requires and is not bought"
        : fact.words();
  }

  private static Interval met(Need need, Answer answer) {
    return switch (answer) {
      case YES -> Interval.exactly(BigDecimal.ONE);
      case PARTLY -> Interval.exactly(HALF);
      case BY_HAND -> Interval.exactly(need.byHandIsEnough() ? BigDecimal.ONE : BigDecimal.ZERO);
      case NO, BY_ADD_ON, THROUGH_CONNECTOR -> Interval.exactly(BigDecimal.ZERO);
      case UNKNOWN -> Interval.UNKNOWN;
    };
  }

  private static Value ratings(
      Criterion criterion, Criterion.Ratings prior, List<PublicRating> ratings) {
    if (ratings.isEmpty()) {
      return new Value(
          Interval.UNKNOWN, new Derivation.Missing(criterion.name(), "no public rating entered"));
    }
    List<Derivation> parts = new ArrayList<>();
    for (PublicRating rating : ratings) {
      parts.add(
          new Derivation.Entered(
              "from " + rating.count() + (rating.count() == 1 ? " review" : " reviews"),
              new Quantity(rating.rating(), "of 5"),
              java.util.Optional.of(rating.source())));
    }
    parts.add(
        new Derivation.Entered(
            "expected before any review, as much as "
                + prior.strength().toPlainString()
                + " reviews",
            new Quantity(prior.prior(), "of 5")));
    BigDecimal shrunk = PublicRating.shrunk(ratings, prior);
    BigDecimal value =
        shrunk.subtract(BigDecimal.ONE).divide(BigDecimal.valueOf(4), MathContext.DECIMAL128);
    Derivation pooled =
        new Derivation.Derived(
            "pooled rating",
            new Quantity(shrunk, "of 5"),
            "(strength · prior + reviews · rating) / (strength + reviews)",
            parts);
    return new Value(
        Interval.exactly(value),
        new Derivation.Derived(
            criterion.name(), new Quantity(value, ""), "(rating − 1) / 4", List.of(pooled)));
  }
}
