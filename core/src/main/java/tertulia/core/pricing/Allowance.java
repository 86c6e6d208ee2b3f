package tertulia.core.pricing;

import static java.util.Objects.requireNonNull;

import java.math.BigDecimal;
import tertulia.core.growth.Measure;
import tertulia.core.working.Provenance;

/** How much of a measure a plan lets its buyer use, where no usage charge begins above it. */
public record Allowance(Measure measure, Limit limit, Provenance source) {
  public Allowance {
    requireNonNull(measure);
    requireNonNull(limit);
    requireNonNull(source);
  }

  /** Where use ends. */
  public sealed interface Limit {
    /** More than this cannot be used. */
    record Hard(Included most) implements Limit {}

    /**
     * So many, and the page does not say whether for the account or for each seat.
     *
     * @param most 0 or more
     * @param seats which seats count, if it is for each
     */
    record AccountOrSeat(BigDecimal most, Measure seats) implements Limit {
      public AccountOrSeat {
        requireNonNull(seats);
        if (most.signum() < 0) {
          throw new IllegalArgumentException(
              "A plan allows 0 or more; found " + most.toPlainString() + ".");
        }
      }

      /** As it is if it is for the account. */
      public Included forAccount() {
        return new Included(most, BigDecimal.ZERO, seats);
      }

      /** As it is if it is for each seat. */
      public Included forEachSeat() {
        return new Included(BigDecimal.ZERO, most, seats);
      }

      /** Such as "10 for the account or for each of the seats". */
      public String words() {
        return most.toPlainString() + " for the account or for each of the " + seats.label();
      }
    }

    /** There is no end. */
    record Unlimited() implements Limit {}

    /** Nobody has found out yet. */
    record Unknown() implements Limit {}
  }
}
