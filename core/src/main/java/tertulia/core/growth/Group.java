package tertulia.core.growth;

import static java.util.Objects.requireNonNull;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import tertulia.core.time.Horizon;
import tertulia.core.working.Derivation;
import tertulia.core.working.Quantity;

/**
 * People who grow in the same way, such as "deck crew".
 *
 * @param id stable name within a selection
 * @param since the month from which growth counts, before or after a plan's start; null: the plan's
 *     start. Before it the group is as in that month.
 */
public record Group(
    String id, String name, Growth growth, List<Step> steps, @Nullable YearMonth since) {
  public Group {
    requireNonNull(id);
    requireNonNull(growth);
    if (name.isBlank()) {
      throw new IllegalArgumentException("A group of people needs a name.");
    }
    steps = List.copyOf(steps);
  }

  /** A group whose growth counts from the plan's start. */
  public Group(String id, String name, Growth growth, List<Step> steps) {
    this(id, name, growth, steps, null);
  }

  public Optional<YearMonth> start() {
    return Optional.ofNullable(since);
  }

  /** Months of growth up to plan month {@code m}. */
  private int grownFor(Horizon horizon, int m) {
    return since == null ? m : Math.max(0, m - horizon.indexOf(since));
  }

  /** More people than this are no group of an organisation; growth that leads beyond ends here. */
  public static final int MOST_PEOPLE = 10_000_000;

  /** Growth rounded half-up, plus every step in force, from 0 to {@link #MOST_PEOPLE}. */
  public int headcount(Horizon horizon, int m, Scenario scenario) {
    BigDecimal grown =
        growth.at(grownFor(horizon, m), scenario.multiplier()).setScale(0, RoundingMode.HALF_UP);
    long people = grown.min(BigDecimal.valueOf(MOST_PEOPLE)).longValue();
    for (Step step : steps) {
      if (step.inForce(horizon.month(m), scenario)) {
        people += step.change();
      }
    }
    return Math.toIntExact(Math.clamp(people, 0, MOST_PEOPLE));
  }

  /** People that steps add in plan month {@code m}; negative if they take away. */
  public int steps(Horizon horizon, int m, Scenario scenario) {
    return steps.stream()
        .filter(step -> step.inForce(horizon.month(m), scenario))
        .mapToInt(Step::change)
        .sum();
  }

  /**
   * This group turned so that it has {@code people} in plan month {@code m} as expected; steps stay
   * as they are.
   *
   * @throws IllegalArgumentException if its method cannot lead there
   */
  public Group through(Horizon horizon, int m, int people) {
    int grown = Math.max(0, people - steps(horizon, m, Scenario.EXPECTED));
    return new Group(id, name, growth.through(grownFor(horizon, m), grown), steps, since);
  }

  /**
   * This group re-based on what happened: from {@code month} on it grows as planned, but from the
   * {@code people} who were there. Steps stay as they are. A list keeps its later changes.
   */
  public Group rebased(Horizon horizon, YearMonth month, int people) {
    int m = horizon.indexOf(month);
    int steps = steps(horizon, m, Scenario.EXPECTED);
    int grown = Math.max(0, people - steps);
    Growth from =
        switch (growth) {
          case Growth.Hires hires -> new Growth.Hires(grown, hires.perMonth());
          case Growth.Percent percent -> new Growth.Percent(grown, percent.perYear());
          case Growth.Listed listed -> shifted(listed, grownFor(horizon, m), grown);
        };
    return new Group(id, name, from, this.steps, month);
  }

  private static Growth shifted(Growth.Listed listed, int m, int people) {
    List<Integer> values = listed.values();
    int at = Math.min(m, values.size() - 1);
    int off = people - values.get(at);
    return new Growth.Listed(
        values.subList(at, values.size()).stream().map(v -> Math.max(0, v + off)).toList());
  }

  /** This group with so many times the people; steps stay as they are. */
  public Group times(BigDecimal factor) {
    return new Group(id, name, growth.times(factor), steps, since);
  }

  /** The working of {@link #headcount}. */
  public Derivation explain(Horizon horizon, int m, Scenario scenario) {
    BigDecimal grown = growth.at(grownFor(horizon, m), scenario.multiplier());
    List<Derivation> parts = new ArrayList<>();
    parts.add(
        new Derivation.Derived(
            growth.words(),
            new Quantity(grown.setScale(0, RoundingMode.HALF_UP), "people"),
            "after "
                + grownFor(horizon, m)
                + (since == null ? " months" : " months from " + since)
                + ", growth "
                + scenario.words()
                + " ("
                + scenario.multiplier().toPlainString()
                + " of it), rounded half-up from "
                + grown.setScale(2, RoundingMode.HALF_UP).toPlainString(),
            List.of()));
    for (Step step : steps) {
      if (step.inForce(horizon.month(m), scenario)) {
        parts.add(new Derivation.Entered(step.label(), Quantity.of(step.change(), "people")));
      }
    }
    return new Derivation.Derived(
        name,
        Quantity.of(headcount(horizon, m, scenario), "people"),
        "growth plus the steps in force, never below 0",
        parts);
  }
}
