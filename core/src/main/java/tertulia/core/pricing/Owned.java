package tertulia.core.pricing;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.time.YearMonth;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import tertulia.core.growth.Measure;

/**
 * What the buyer has paid for already: units of a plan that cost nothing until a day. More units,
 * and all after that day, are at list.
 *
 * @param plan id of the plan
 * @param units 1 to 1,000,000
 * @param until the last day paid for
 */
public record Owned(String plan, Measure measure, int units, LocalDate until) {
  private static final DateTimeFormatter DAY =
      DateTimeFormatter.ofPattern("d MMM uuuu", Locale.ENGLISH);

  public Owned {
    requireNonNull(plan);
    requireNonNull(measure);
    requireNonNull(until);
    if (units < 1 || units > 1_000_000) {
      throw new IllegalArgumentException(
          "Units owned already lie between 1 and 1,000,000; found " + units + ".");
    }
  }

  /** Such as "40 seats until 30 Jun 2028". */
  public String words() {
    return units
        + " "
        + (units == 1 ? measure.one() : measure.label())
        + " until "
        + until.format(DAY);
  }

  /** Whether it still counts in {@code month}: its first day is paid for. */
  public boolean holdsIn(YearMonth month) {
    return !month.atDay(1).isAfter(until);
  }
}
