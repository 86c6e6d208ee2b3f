package tertulia.core.labour;

import java.math.BigDecimal;

/**
 * The hours a tool takes, apart from its price; each 0 or more.
 *
 * @param setUp hours to set it up, in month 0
 * @param migration hours to bring over what is kept elsewhere, in month 0
 * @param learning hours of learning for each seat, in month 0 and for each rise over the month
 *     before
 * @param upkeep hours a month to look after it
 * @param manualMinutes minutes of work by hand each workday that another tool would save
 * @param parallelMonths months in which the old tool is still paid for beside it, 0 to 120
 */
public record StaffEffort(
    BigDecimal setUp,
    BigDecimal migration,
    BigDecimal learning,
    BigDecimal upkeep,
    BigDecimal manualMinutes,
    int parallelMonths) {
  private static final BigDecimal MOST = BigDecimal.valueOf(100_000);

  public StaffEffort {
    check("Hours of set-up", setUp);
    check("Hours of migration", migration);
    check("Hours of learning for a seat", learning);
    check("Hours of upkeep a month", upkeep);
    check("Minutes by hand a workday", manualMinutes);
    if (parallelMonths < 0 || parallelMonths > 120) {
      throw new IllegalArgumentException(
          "Months in parallel lie between 0 and 120; found " + parallelMonths + ".");
    }
  }

  private static void check(String what, BigDecimal found) {
    if (found.signum() < 0 || found.compareTo(MOST) > 0) {
      throw new IllegalArgumentException(
          what + " lie between 0 and 100,000; found " + found.toPlainString() + ".");
    }
  }
}
