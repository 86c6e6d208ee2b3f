package tertulia.core.labour;

import static java.util.Objects.requireNonNull;

import java.math.BigDecimal;
import java.util.Optional;

/**
 * What people's time costs the buyer, in the reporting currency.
 *
 * @param hour cost of an hour of work, 0 or more; empty: not stated
 * @param changeHours hours each change of plan takes, 0 or more
 * @param oldTool cost a month of the tool in use until now, 0 or more; empty: not stated
 */
public record Labour(
    Optional<BigDecimal> hour, BigDecimal changeHours, Optional<BigDecimal> oldTool) {
  /** The most an amount or a number of hours can be. */
  public static final BigDecimal MOST = BigDecimal.valueOf(1_000_000);

  public static final Labour UNSTATED =
      new Labour(Optional.empty(), BigDecimal.ZERO, Optional.empty());

  public Labour {
    requireNonNull(hour);
    requireNonNull(oldTool);
    hour.ifPresent(found -> check("The cost of an hour", found));
    check("Hours for a change of plan", changeHours);
    oldTool.ifPresent(found -> check("The old tool’s cost a month", found));
  }

  private static void check(String what, BigDecimal found) {
    if (found.signum() < 0 || found.compareTo(MOST) > 0) {
      throw new IllegalArgumentException(
          what + " lies between 0 and 1,000,000; found " + found.toPlainString() + ".");
    }
  }
}
