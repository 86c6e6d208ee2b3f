package tertulia.core.pricing;

import static java.util.Objects.requireNonNull;

import java.math.BigDecimal;
import tertulia.core.growth.Measure;

/**
 * How much of a measure comes with a plan: perAccount + perSeat × seats.
 *
 * @param perAccount 0 or more
 * @param perSeat 0 or more
 * @param seats which seats count
 */
public record Included(BigDecimal perAccount, BigDecimal perSeat, Measure seats) {
  public static final Included NOTHING =
      new Included(BigDecimal.ZERO, BigDecimal.ZERO, Measure.SEATS);

  public Included {
    requireNonNull(seats);
    check("for the account", perAccount);
    check("for each seat", perSeat);
  }

  /** The allowance of an account with so many seats: 15 and 1.5 a seat make 60 with 30 seats. */
  public BigDecimal of(int seatsHeld) {
    return perAccount.add(perSeat.multiply(BigDecimal.valueOf(seatsHeld)));
  }

  /** Such as "15 for the account and 1.5 for each of the seats". */
  public String words() {
    if (perSeat.signum() == 0) {
      return perAccount.toPlainString() + " for the account";
    }
    String each = perSeat.toPlainString() + " for each of the " + seats.label();
    return perAccount.signum() == 0
        ? each
        : perAccount.toPlainString() + " for the account and " + each;
  }

  private static void check(String what, BigDecimal found) {
    if (found.signum() < 0 || found.compareTo(BigDecimal.valueOf(1_000_000_000)) > 0) {
      throw new IllegalArgumentException(
          "What is included "
              + what
              + " lies between 0 and 1,000,000,000; found "
              + found.toPlainString()
              + ".");
    }
  }
}
