package tertulia.core.growth;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import tertulia.core.working.Derivation;
import tertulia.core.working.Quantity;

/**
 * How many units of a measure people need: fixed + Σ rate(group) · headcount(group), rounded up
 * once after the sum.
 *
 * @param fixed units needed whatever the headcount, 0 or more
 * @param rates units per head by group id, each 0 to 1000
 * @param stock of something that adds up what is there at the start, 0 to 1,000,000; 0 of all else
 * @param habits from what some of the rates come, by group id; they have that rate
 */
public record Demand(
    BigDecimal fixed, Map<String, BigDecimal> rates, Map<String, Habit> habits, BigDecimal stock) {
  private static final int DECIMALS = 6;

  /** More units per head are not counted. */
  static final BigDecimal MOST_RATE = BigDecimal.valueOf(1000);

  private static final BigDecimal MOST_FIXED = BigDecimal.valueOf(1_000_000);

  /** A demand by rates that were stated as such. */
  public Demand(BigDecimal fixed, Map<String, BigDecimal> rates) {
    this(fixed, rates, Map.of(), BigDecimal.ZERO);
  }

  /** This demand on top of what is there at the start. */
  public Demand onTopOf(BigDecimal there) {
    return new Demand(fixed, rates, habits, there);
  }

  /**
   * A demand of which some rates come from habits.
   *
   * @param stated rates of the other groups
   * @throws IllegalArgumentException if a group has both
   */
  public static Demand by(
      BigDecimal fixed, Map<String, BigDecimal> stated, Map<String, Habit> habits) {
    Map<String, BigDecimal> rates = new LinkedHashMap<>(stated);
    habits.forEach((group, habit) -> {
      if (rates.put(group, habit.perHead()) != null) {
        throw new IllegalArgumentException(
            "For " + group + " there is a rate and a habit. State one of them.");
      }
    });
    return new Demand(fixed, rates, habits, BigDecimal.ZERO);
  }

  public Demand {
    habits = Map.copyOf(habits);
    if (fixed.signum() < 0 || fixed.compareTo(MOST_FIXED) > 0) {
      throw new IllegalArgumentException(
          "A fixed number of units lies between 0 and 1,000,000; found "
              + fixed.toPlainString()
              + ".");
    }
    if (stock.signum() < 0 || stock.compareTo(MOST_FIXED) > 0) {
      throw new IllegalArgumentException(
          "What is there at the start lies between 0 and 1,000,000; found "
              + stock.toPlainString()
              + ".");
    }
    rates = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(rates));
    rates.forEach((group, rate) -> {
      if (rate.signum() < 0 || rate.compareTo(MOST_RATE) > 0) {
        throw new IllegalArgumentException(
            "Units per head lie between 0 and 1000; found "
                + rate.toPlainString()
                + " for "
                + group
                + ".");
      }
    });
  }

  /**
   * Units of {@code measure} needed by {@code people}: whole ones rounded up, divisible ones to six
   * decimals. For a sum this is the flow of one month, without what is there at the start.
   */
  public BigDecimal units(Measure measure, People people) {
    BigDecimal scaled =
        people
            .weighted(rates)
            .multiply(BigDecimal.valueOf(people.numerator()))
            .add(fixed.multiply(BigDecimal.valueOf(people.denominator())));
    BigDecimal denominator = BigDecimal.valueOf(people.denominator());
    return measure.whole()
        ? scaled.divide(denominator, 0, RoundingMode.CEILING)
        : scaled.divide(denominator, DECIMALS, RoundingMode.HALF_UP).stripTrailingZeros();
  }

  /** This demand and another together, before rounding. */
  public Demand plus(Demand other) {
    Map<String, BigDecimal> sum = new LinkedHashMap<>(rates);
    other.rates.forEach((group, rate) -> sum.merge(group, rate, BigDecimal::add));
    return new Demand(fixed.add(other.fixed), sum).onTopOf(stock.add(other.stock));
  }

  /** So much of this demand, before rounding; {@code share} 0 or more. */
  public Demand times(BigDecimal share) {
    Map<String, BigDecimal> part = new LinkedHashMap<>();
    rates.forEach((group, rate) -> part.put(group, rate.multiply(share)));
    return new Demand(fixed.multiply(share), part).onTopOf(stock.multiply(share));
  }

  /** The working of {@link #units}. */
  public Derivation explain(Measure measure, List<Group> groups, People people) {
    List<Derivation> parts = new ArrayList<>();
    for (Group group : groups) {
      BigDecimal rate = rates.getOrDefault(group.id(), BigDecimal.ZERO);
      if (rate.signum() != 0) {
        parts.add(groupLine(measure, group, perHead(measure, group, rate), people));
      }
    }
    if (fixed.signum() != 0) {
      parts.add(new Derivation.Entered("at any headcount", measure.quantity(fixed)));
    }
    return new Derivation.Derived(
        "Demand for " + measure.label(),
        measure.quantity(units(measure, people)),
        measure.whole() ? "the sum over the groups, rounded up once" : "the sum over the groups",
        parts);
  }

  private Derivation perHead(Measure measure, Group group, BigDecimal rate) {
    Habit habit = habits.get(group.id());
    return habit == null
        ? new Derivation.Entered(measure.label() + " per head", new Quantity(rate, ""))
        : habit.explain(measure.label());
  }

  private static Derivation groupLine(
      Measure measure, Group group, Derivation perHead, People people) {
    BigDecimal exact =
        BigDecimal.valueOf(people.counts().getOrDefault(group.id(), 0))
            .multiply(BigDecimal.valueOf(people.numerator()))
            .divide(BigDecimal.valueOf(people.denominator()), 4, RoundingMode.HALF_UP)
            .stripTrailingZeros();
    return Derivation.Product.of(
        group.name(),
        measure::quantity,
        List.of(new Derivation.Entered("people", new Quantity(exact, "people")), perHead));
  }
}
