package tertulia.core.sensitivity;

import static java.util.Objects.requireNonNull;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.firmness.Reweighed;
import tertulia.core.fit.Need;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Interval;
import tertulia.core.scoring.Totals;
import tertulia.core.scoring.Value;

/**
 * What it would take for a contender that does not lead to lead by the middle of the totals, each
 * by itself.
 *
 * @param discount the least on its list prices, in percent to a tenth; empty: not even if it were
 *     free, or its cost counts for nothing or is not known
 * @param mark the least rise of a mark; empty: no mark alone is enough
 * @param weight the range of one weight that lies nearest to the table's; empty: none
 * @param needs needs of which one given up is enough
 */
public record WhatItTakes(
    String tool,
    Optional<BigDecimal> discount,
    Optional<Raised> mark,
    Optional<Condition.Weight> weight,
    List<Need> needs) {
  private static final int TENTHS = 1000;
  private static final int PERCENT = 100;

  public WhatItTakes {
    requireNonNull(tool);
    needs = List.copyOf(needs);
  }

  /** A mark of the table that would have to rise, both of 10 and to a tenth. */
  public record Raised(Criterion criterion, BigDecimal from, BigDecimal to) {}

  /** Whether nothing alone would do. */
  public boolean isNothing() {
    return discount.isEmpty() && mark.isEmpty() && weight.isEmpty() && needs.isEmpty();
  }

  /**
   * What it would take; none without totals, or if it is ahead.
   *
   * @param conditions of the same evaluation
   */
  public static Optional<WhatItTakes> of(Evaluation read, TakeIf conditions, String tool) {
    return read.scores()
        .totals()
        .filter(totals -> totals.values().containsKey(tool))
        .filter(totals -> !isAhead(totals, tool))
        .map(totals ->
            new WhatItTakes(
                tool,
                discount(read, totals, tool),
                mark(totals, tool),
                weight(totals, tool),
                needs(conditions, tool)));
  }

  /** Whether it is above all others by the middle of the totals. */
  private static boolean isAhead(Totals totals, String tool) {
    BigDecimal mine = totals.total(tool).midpoint();
    return totals.values().keySet().stream()
        .filter(other -> !other.equals(tool))
        .allMatch(other -> Totals.isAbove(mine, totals.total(other).midpoint()));
  }

  /** By halving: a larger discount is never worth less. */
  private static Optional<BigDecimal> discount(Evaluation read, Totals totals, String tool) {
    Optional<Criterion> cost = counted(totals);
    Optional<Criterion.Cost> scale = cost.flatMap(read.costs().overall()::scale);
    if (scale.isEmpty() || !leadsAt(read, totals, tool, cost.get(), scale.get(), TENTHS)) {
      return Optional.empty();
    }
    int few = 0;
    int enough = TENTHS;
    while (enough - few > 1) {
      int middle = (few + enough) / 2;
      if (leadsAt(read, totals, tool, cost.get(), scale.get(), middle)) {
        enough = middle;
      } else {
        few = middle;
      }
    }
    return Optional.of(BigDecimal.valueOf(enough, 1));
  }

  private static boolean leadsAt(
      Evaluation read,
      Totals totals,
      String tool,
      Criterion cost,
      Criterion.Cost scale,
      int tenths) {
    return new Discounted(read, totals, tool, new Criterion(cost.id(), cost.name(), scale), tenths)
        .totals()
        .filter(then -> isAhead(then, tool))
        .isPresent();
  }

  /**
   * A contender with so many tenths of a percent off its list prices. What it is worth then is
   * worked out with it alone, as nobody else's cost changes.
   *
   * @param cost the criterion with a scale that stays, whatever the contenders cost
   */
  record Discounted(Evaluation read, Totals now, String tool, Criterion cost, int tenths) {
    /** Empty if nobody asks for it: no weight on cost, or no scale. */
    static Optional<Discounted> of(Evaluation read, String tool, BigDecimal percent) {
      return read.scores()
          .totals()
          .flatMap(totals ->
              counted(totals)
                  .flatMap(cost ->
                      read.costs()
                          .overall()
                          .scale(cost)
                          .map(scale ->
                              new Discounted(
                                  read,
                                  totals,
                                  tool,
                                  new Criterion(cost.id(), cost.name(), scale),
                                  percent.movePointRight(1).intValueExact()))));
    }

    Optional<Value> value() {
      Contender cheaper =
          read.selection().contender(tool).times(BigDecimal.valueOf(TENTHS - (long) tenths, 3));
      return Evaluation.of(
              read.selection().among(List.of(cheaper)).judgedUnder(List.of(cost)), read.whatIf())
          .scores()
          .value(tool, cost);
    }

    /** All totals then; empty if it is not ranked. */
    Optional<Totals> totals() {
      return value()
          .map(value ->
              TakeIf.known(
                  now,
                  tool,
                  now.criteria().stream()
                      .filter(c -> c.id().equals(cost.id()))
                      .findFirst()
                      .orElseThrow(),
                  value));
    }
  }

  private static Optional<Criterion> counted(Totals totals) {
    return totals.criteria().stream()
        .filter(Criterion::isCost)
        .filter(c -> totals.weight(c).signum() > 0)
        .findFirst();
  }

  /** Of several marks the one that has to rise least; of equal ones the first. */
  private static Optional<Raised> mark(Totals totals, String tool) {
    BigDecimal mine = totals.total(tool).midpoint();
    BigDecimal most =
        totals.values().keySet().stream()
            .filter(other -> !other.equals(tool))
            .map(other -> totals.total(other).midpoint())
            .max(BigDecimal::compareTo)
            .orElse(mine);
    return totals.criteria().stream()
        .filter(c -> c.kind() instanceof Criterion.Judged)
        .filter(c -> totals.weight(c).signum() > 0)
        .filter(c -> totals.value(tool, c).interval().isExact())
        .flatMap(c -> raised(totals, tool, c, most.subtract(mine)).stream())
        .min(java.util.Comparator.comparing(r -> r.to().subtract(r.from())));
  }

  /** The gap is made up to the next tenth of a mark, and one more if that leaves them level. */
  private static Optional<Raised> raised(
      Totals totals, String tool, Criterion criterion, BigDecimal gap) {
    BigDecimal from = totals.value(tool, criterion).interval().low().movePointRight(1);
    BigDecimal to =
        gap.divide(totals.weight(criterion), 12, RoundingMode.HALF_UP)
            .movePointRight(1)
            .add(from)
            .setScale(1, RoundingMode.FLOOR);
    for (int more = 0; more < 3; more++) {
      Interval value = Interval.exactly(to.movePointLeft(1));
      if (to.compareTo(BigDecimal.TEN) <= 0
          && isAhead(TakeIf.known(totals, tool, criterion, value), tool)) {
        return Optional.of(new Raised(criterion, from.setScale(1, RoundingMode.HALF_UP), to));
      }
      to = to.add(new BigDecimal("0.1"));
    }
    return Optional.empty();
  }

  /** By the middle of the totals, as all that is asked here. */
  private static Optional<Condition.Weight> weight(Totals totals, String tool) {
    return totals.criteria().size() < 2
        ? Optional.empty()
        : totals.criteria().stream()
            .flatMap(criterion -> nearest(totals, tool, criterion).stream())
            .min(
                Comparator.comparing(w -> {
                  int now = totals.weight(w.criterion()).movePointRight(2).intValue();
                  return Math.min(Math.abs(w.from() - now), Math.abs(w.to() - now));
                }));
  }

  /** The range of one weight in whole percent, nearest to the table's, in which it is ahead. */
  private static Optional<Condition.Weight> nearest(
      Totals totals, String tool, Criterion criterion) {
    Reweighed reweighed = new Reweighed(totals);
    int now = totals.weight(criterion).movePointRight(2).intValue();
    boolean[] ahead = new boolean[PERCENT + 1];
    for (int p = 0; p <= PERCENT; p++) {
      BigDecimal weight = BigDecimal.valueOf(p, 2);
      ahead[p] =
          totals.values().keySet().stream()
              .filter(other -> !other.equals(tool))
              .allMatch(other ->
                  reweighed.lead(tool, other, criterion, weight).compareTo(Totals.LEVEL) >= 0);
    }
    return IntStream.rangeClosed(0, PERCENT)
        .filter(p -> ahead[p])
        .boxed()
        .min(Comparator.comparing(p -> Math.abs(p - now)))
        .map(p -> {
          int from = p;
          int to = p;
          while (from > 0 && ahead[from - 1]) {
            from--;
          }
          while (to < PERCENT && ahead[to + 1]) {
            to++;
          }
          return new Condition.Weight(criterion, from, to);
        });
  }

  private static List<Need> needs(TakeIf conditions, String tool) {
    return conditions.all().getOrDefault(tool, List.of()).stream()
        .filter(Condition.If.class::isInstance)
        .map(condition -> ((Condition.If) condition).otherwise())
        .filter(Otherwise.Dropped.class::isInstance)
        .map(otherwise -> ((Otherwise.Dropped) otherwise).need())
        .toList();
  }
}
