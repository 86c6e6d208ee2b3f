package tertulia.core.time;

import static java.util.Objects.requireNonNull;

import java.time.YearMonth;
import java.time.temporal.ChronoUnit;

/**
 * The plan months m = 0 … months − 1, counted from a start month.
 *
 * @param months 1 to 120
 */
public record Horizon(YearMonth start, int months) {
  public static final int DEFAULT_MONTHS = 36;
  public static final int MOST_MONTHS = 120;

  public Horizon {
    requireNonNull(start);
    if (months < 1 || months > MOST_MONTHS) {
      throw new IllegalArgumentException(
          "A plan covers 1 to 120 months; found " + months + ". Choose a number in that range.");
    }
  }

  /** The calendar month of plan month {@code m}; m may lie past the end. */
  public YearMonth month(int m) {
    return start.plusMonths(m);
  }

  /** The plan month of a calendar month; negative before the start. */
  public int indexOf(YearMonth month) {
    return Math.toIntExact(ChronoUnit.MONTHS.between(start, month));
  }

  public boolean contains(int m) {
    return m >= 0 && m < months;
  }
}
