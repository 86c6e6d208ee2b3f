package tertulia.core.scoring;

import static java.util.Objects.requireNonNull;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import tertulia.core.growth.Measure;

/**
 * Something contenders are compared by. Values run from 0 to 1.
 *
 * @param meaning what it means and what is good, in a sentence; empty if nobody has said
 * @param heading under which it stands with others; empty: by itself. Weights are those of
 *     criteria; a heading's is their sum.
 */
public record Criterion(String id, String name, Kind kind, String meaning, String heading) {
  /** A criterion of which nobody has said more than its name. */
  public Criterion(String id, String name, Kind kind) {
    this(id, name, kind, "", "");
  }

  /** A criterion by itself. */
  public Criterion(String id, String name, Kind kind, String meaning) {
    this(id, name, kind, meaning, "");
  }

  public Criterion {
    requireNonNull(id);
    requireNonNull(kind);
    requireNonNull(meaning);
    requireNonNull(heading);
    if (name.isBlank()) {
      throw new IllegalArgumentException("A criterion needs a name.");
    }
  }

  /** Whether it is what a tool costs, on whichever scale. */
  public boolean isCost() {
    return kind instanceof Cost || kind instanceof CostAsFound;
  }

  /** Criteria with those under one heading in a row, each heading where its first one was. */
  public static List<Criterion> byHeading(List<Criterion> criteria) {
    Map<String, List<Criterion>> groups = new LinkedHashMap<>();
    for (Criterion criterion : criteria) {
      String group = criterion.heading.isEmpty() ? "criterion " + criterion.id : criterion.heading;
      groups.computeIfAbsent(group, g -> new ArrayList<>()).add(criterion);
    }
    return groups.values().stream().flatMap(List::stream).toList();
  }

  /** Where a criterion's values come from. */
  public sealed interface Kind {}

  /** Marks from 0 to 10 given by the panel. */
  public record Judged() implements Kind {}

  /**
   * The tool's cost, spread, a month, in the reporting currency.
   *
   * @param worst a cost that is worth 0
   * @param best a cost that is worth 1; differs from worst
   */
  public record Cost(BigDecimal worst, BigDecimal best) implements Kind {
    public Cost {
      if (worst.compareTo(best) <= 0) {
        throw new IllegalArgumentException(
            "The worst cost a month lies above the best; found worst "
                + worst.toPlainString()
                + " and best "
                + best.toPlainString()
                + ". Exchange them or move them apart.");
      }
    }

    /** (x − worst) / (best − worst), clamped to 0 … 1. */
    public BigDecimal valueOf(BigDecimal x) {
      return x.subtract(worst)
          .divide(best.subtract(worst), java.math.MathContext.DECIMAL128)
          .max(BigDecimal.ZERO)
          .min(BigDecimal.ONE);
    }
  }

  /**
   * The same, on a scale that nobody has stated yet: as a first guess from the dearest of the
   * contenders, worth 0, to the cheapest, worth 1.
   */
  public record CostAsFound() implements Kind {}

  /**
   * A number of which more, or less, is better.
   *
   * @param worst a number that is worth 0
   * @param best a number that is worth 1; differs from worst, on either side
   */
  public record Measured(Number number, BigDecimal worst, BigDecimal best) implements Kind {
    public Measured {
      requireNonNull(number);
      if (worst.compareTo(best) == 0) {
        throw new IllegalArgumentException(
            "The worst and the best are both "
                + worst.toPlainString()
                + ". Move them apart, so that there is something between them.");
      }
    }

    /** (x − worst) / (best − worst), clamped to 0 … 1. */
    public BigDecimal valueOf(BigDecimal x) {
      return x.subtract(worst)
          .divide(best.subtract(worst), java.math.MathContext.DECIMAL128)
          .max(BigDecimal.ZERO)
          .min(BigDecimal.ONE);
    }

    /** Whether more of it is better. */
    public boolean isMoreBetter() {
      return best.compareTo(worst) > 0;
    }
  }

  /** What can be measured. */
  public sealed interface Number {
    /** Whether the plans on the way say it, so that it follows from what is chosen. */
    default boolean isOfPlan() {
      return this instanceof Included || this instanceof Counted;
    }

    /** How much of a measure is included, the least in any month of the way through the plans. */
    record Included(Measure measure) implements Number {}

    /**
     * How many a plan has of something counted, the fewest of any plan on the way where more is
     * better, else the most.
     *
     * @param what id of the capability that is counted
     * @param name of it
     * @param unit counts in another unit are unlike and not read
     */
    record Counted(String what, String name, String unit) implements Number {}

    /** The share of the tasks tried by hand that were done, in percent. */
    record TasksDone() implements Number {}

    /** The median time of a task tried by hand, in minutes. */
    record Minutes() implements Number {}
  }

  /** The weighted share of the should-haves met. */
  public record Coverage() implements Kind {}

  /**
   * Public ratings pooled by their counts and shrunk towards a prior.
   *
   * @param prior a rating from 1 to 5 expected before any review
   * @param strength how many reviews the prior is worth, 0 to 10,000
   */
  public record Ratings(BigDecimal prior, BigDecimal strength) implements Kind {
    public Ratings {
      if (prior.compareTo(BigDecimal.ONE) < 0 || prior.compareTo(BigDecimal.valueOf(5)) > 0) {
        throw new IllegalArgumentException(
            "The prior rating lies between 1 and 5; found " + prior.toPlainString() + ".");
      }
      if (strength.signum() < 0 || strength.compareTo(BigDecimal.valueOf(10_000)) > 0) {
        throw new IllegalArgumentException(
            "The strength of the prior lies between 0 and 10,000 reviews; found "
                + strength.toPlainString()
                + ".");
      }
    }
  }
}
