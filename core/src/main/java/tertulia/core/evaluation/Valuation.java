package tertulia.core.evaluation;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.List;
import tertulia.core.billing.View;
import tertulia.core.fit.Fact;
import tertulia.core.fit.Importance;
import tertulia.core.fit.Need;
import tertulia.core.fit.Offering;
import tertulia.core.path.Option;
import tertulia.core.path.Outcome;
import tertulia.core.path.Stay;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Interval;
import tertulia.core.scoring.Judgement;
import tertulia.core.scoring.PublicRating;
import tertulia.core.scoring.Value;
import tertulia.core.working.Quantity;
import tertulia.core.working.Working;

/** What each contender is worth under each criterion. */
record Valuation(Selection selection) {
  private static final BigDecimal HALF = new BigDecimal("0.5");

  Value value(Contender contender, Criterion criterion, Outcome<Stay> stay) {
    return switch (criterion.kind()) {
      case Criterion.Judged judged -> Judgement.of(selection.panel(), criterion, contender.id());
      case Criterion.Cost scale -> cost(criterion, scale, stay);
      case Criterion.Coverage coverage -> coverage(criterion, stay);
      case Criterion.Ratings prior -> ratings(criterion, prior, contender.ratings());
    };
  }

  private Value cost(Criterion criterion, Criterion.Cost scale, Outcome<Stay> outcome) {
    return switch (outcome) {
      case Outcome.Found<Stay> found -> {
        BigDecimal x = found.best().ledger().perMonth(View.SPREAD);
        BigDecimal value = scale.valueOf(x);
        yield found
            .low()
            .map(low -> assumed(criterion, scale, found, low, value))
            .orElseGet(() ->
                new Value(
                    Interval.exactly(value), () -> costWorking(criterion, scale, found, x, value)));
      }
      case Outcome.Unpriced<Stay> unpriced ->
          new Value(
              Interval.UNKNOWN,
              new Working.Missing(
                  criterion.name(), String.join("; ", unpriced.unpriced().values())));
      case Outcome.NoPlan<Stay> none ->
          throw new IllegalArgumentException("A contender without a plan is not valued");
    };
  }

  /** An assumed range of prices makes a range of values. */
  private Value assumed(
      Criterion criterion,
      Criterion.Cost scale,
      Outcome.Found<Stay> found,
      Stay low,
      BigDecimal value) {
    BigDecimal x = found.best().ledger().perMonth(View.SPREAD);
    BigDecimal other = low.ledger().perMonth(View.SPREAD);
    BigDecimal otherValue = scale.valueOf(other);
    return new Value(
        new Interval(value.min(otherValue), value.max(otherValue)),
        () ->
            new Working.Missing(
                criterion.name(),
                "the price is assumed to lie in a range",
                List.of(
                    costWorking(criterion, scale, found, x, value),
                    new Working.Derived(
                        "a month at the low end",
                        new Quantity(other, selection.currency().getCode()),
                        "worth " + otherValue.toPlainString(),
                        List.of(low.ledger().explainTotal(View.SPREAD))))));
  }

  private Working costWorking(
      Criterion criterion,
      Criterion.Cost scale,
      Outcome.Found<Stay> found,
      BigDecimal x,
      BigDecimal value) {
    String currency = selection.currency().getCode();
    Working perMonth =
        new Working.Derived(
            "a month, spread",
            new Quantity(x, currency),
            (found.isAtMost() ? "at most, an option without a figure is left out; " : "")
                + "total over "
                + selection.horizon().months()
                + " months",
            List.of(found.best().ledger().explainTotal(View.SPREAD)));
    return new Working.Derived(
        criterion.name(),
        new Quantity(value, ""),
        "(cost − worst) / (best − worst), from 0 to 1",
        List.of(
            perMonth,
            new Working.Entered("worst, worth 0", new Quantity(scale.worst(), currency)),
            new Working.Entered("best, worth 1", new Quantity(scale.best(), currency))));
  }

  private Value coverage(Criterion criterion, Outcome<Stay> outcome) {
    if (!(outcome instanceof Outcome.Found<Stay> found)) {
      return new Value(
          Interval.UNKNOWN, new Working.Missing(criterion.name(), "no plan with a price"));
    }
    Offering offering = found.best().option().offering();
    BigDecimal all = BigDecimal.ZERO;
    BigDecimal low = BigDecimal.ZERO;
    BigDecimal high = BigDecimal.ZERO;
    List<Working> parts = new ArrayList<>();
    for (Need need : selection.needs()) {
      if (need.importance() instanceof Importance.Should should) {
        BigDecimal weight = BigDecimal.valueOf(should.weight());
        Fact fact = offering.fact(need.capability());
        Interval met = met(fact, found.best().option());
        all = all.add(weight);
        low = low.add(weight.multiply(met.low()));
        high = high.add(weight.multiply(met.high()));
        parts.add(
            new Working.Stated(
                need.capability().name() + ", weight " + should.weight(),
                words(fact, found.best().option()),
                java.util.Optional.of(fact.source())
                    .filter(source -> fact.answer() != tertulia.core.fit.Answer.UNKNOWN),
                List.of()));
      }
    }
    Interval share =
        new Interval(
            low.divide(all, MathContext.DECIMAL128), high.divide(all, MathContext.DECIMAL128));
    String label = criterion.name() + " by " + found.best().option().plan().name();
    String rule = "weighted share of the should-needs met; partly counts half";
    return new Value(
        share,
        share.isExact()
            ? new Working.Derived(label, new Quantity(share.low(), ""), rule, parts)
            : new Working.Missing(label, rule + "; some answers are not known", parts));
  }

  private static String words(Fact fact, Option option) {
    return fact.answer() == tertulia.core.fit.Answer.BY_ADD_ON
            && !option.addOns().contains(fact.addOn())
        ? "by add-on, which no must requires and is not bought"
        : fact.answer().words();
  }

  private static Interval met(Fact fact, Option option) {
    return switch (fact.answer()) {
      case YES -> Interval.exactly(BigDecimal.ONE);
      case PARTLY -> Interval.exactly(HALF);
      case BY_ADD_ON ->
          Interval.exactly(
              option.addOns().contains(fact.addOn()) ? BigDecimal.ONE : BigDecimal.ZERO);
      case NO -> Interval.exactly(BigDecimal.ZERO);
      case UNKNOWN -> Interval.UNKNOWN;
    };
  }

  private static Value ratings(
      Criterion criterion, Criterion.Ratings prior, List<PublicRating> ratings) {
    if (ratings.isEmpty()) {
      return new Value(
          Interval.UNKNOWN, new Working.Missing(criterion.name(), "no public rating entered"));
    }
    List<Working> parts = new ArrayList<>();
    for (PublicRating rating : ratings) {
      parts.add(
          new Working.Entered(
              "from " + rating.count() + (rating.count() == 1 ? " review" : " reviews"),
              new Quantity(rating.rating(), "of 5"),
              java.util.Optional.of(rating.source())));
    }
    parts.add(
        new Working.Entered(
            "expected before any review, worth " + prior.strength().toPlainString() + " reviews",
            new Quantity(prior.prior(), "of 5")));
    BigDecimal shrunk = PublicRating.shrunk(ratings, prior);
    BigDecimal value =
        shrunk.subtract(BigDecimal.ONE).divide(BigDecimal.valueOf(4), MathContext.DECIMAL128);
    Working pooled =
        new Working.Derived(
            "pooled rating",
            new Quantity(shrunk, "of 5"),
            "(strength · prior + reviews · rating) / (strength + reviews)",
            parts);
    return new Value(
        Interval.exactly(value),
        new Working.Derived(
            criterion.name(), new Quantity(value, ""), "(rating − 1) / 4", List.of(pooled)));
  }
}
