package tertulia.core.growth;

import static java.util.Objects.requireNonNull;

import java.time.YearMonth;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * A dated change of a group's headcount, not touched by the scenario's multiplier.
 *
 * @param label what happens, such as "second route"
 * @param from first month in force
 * @param until last month in force, included; null: from then on
 * @param change people more (or, negative, fewer)
 * @param everyYear whether it comes back in the same calendar months of each later year; needs an
 *     end within twelve months
 * @param onlyIn id of the one scenario in which it happens; null: in all
 */
public record Step(
    String label,
    YearMonth from,
    @Nullable YearMonth until,
    int change,
    boolean everyYear,
    @Nullable String onlyIn) {
  public Step {
    requireNonNull(label);
    requireNonNull(from);
    if (until != null && until.isBefore(from)) {
      throw new IllegalArgumentException(
          "Step \""
              + label
              + "\" ends in "
              + until
              + ", before it starts in "
              + from
              + ". Swap the two months.");
    }
    if (everyYear && (until == null || !until.isBefore(from.plusYears(1)))) {
      throw new IllegalArgumentException(
          "Step \""
              + label
              + "\" comes back every year, so it must end within twelve months of "
              + from
              + ".");
    }
    if (Math.abs((long) change) > Growth.MOST_PEOPLE) {
      throw new IllegalArgumentException(
          "Step \""
              + label
              + "\" changes the headcount by "
              + change
              + "; it lies between −1,000,000 and 1,000,000.");
    }
  }

  /** A step that happens in every scenario. */
  public Step(
      String label, YearMonth from, @Nullable YearMonth until, int change, boolean everyYear) {
    this(label, from, until, change, everyYear, null);
  }

  public Optional<YearMonth> end() {
    return Optional.ofNullable(until);
  }

  /** Whether the change counts in {@code month} of a scenario. */
  public boolean inForce(YearMonth month, Scenario scenario) {
    if (month.isBefore(from) || onlyIn != null && !onlyIn.equals(scenario.id())) {
      return false;
    }
    if (until == null) {
      return true;
    }
    YearMonth start = from;
    YearMonth end = until;
    if (everyYear) {
      int years = (int) (from.until(month, java.time.temporal.ChronoUnit.MONTHS) / 12);
      start = from.plusYears(years);
      end = until.plusYears(years);
    }
    return !month.isBefore(start) && !month.isAfter(end);
  }
}
