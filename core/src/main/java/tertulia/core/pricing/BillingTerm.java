package tertulia.core.pricing;

import java.util.List;

/**
 * How long the buyer is bound and how it is paid.
 *
 * @param monthsCommitted 1, 12, 24 or 36
 * @param payment a term of one month is always paid monthly
 */
public record BillingTerm(int monthsCommitted, Payment payment) {
  private static final List<Integer> SOLD = List.of(1, 12, 24, 36);

  /** When a term is paid. */
  public enum Payment {
    MONTHLY,
    UP_FRONT
  }

  public static final BillingTerm MONTHLY = new BillingTerm(1, Payment.MONTHLY);
  public static final BillingTerm YEARLY_UP_FRONT = new BillingTerm(12, Payment.UP_FRONT);
  public static final BillingTerm YEARLY_PAID_MONTHLY = new BillingTerm(12, Payment.MONTHLY);

  public BillingTerm {
    if (!SOLD.contains(monthsCommitted)) {
      throw new IllegalArgumentException(
          "A term commits for 1, 12, 24 or 36 months; found " + monthsCommitted + ".");
    }
    if (monthsCommitted == 1) {
      payment = Payment.MONTHLY;
    }
  }

  public boolean isCommitted() {
    return monthsCommitted > 1;
  }

  /** Such as "monthly", "yearly, up front" or "2 years, paid monthly". */
  public String words() {
    String length =
        switch (monthsCommitted) {
          case 1 -> "monthly";
          case 12 -> "yearly";
          default -> monthsCommitted / 12 + " years";
        };
    if (!isCommitted()) {
      return length;
    }
    return switch (payment) {
      case UP_FRONT -> length + ", up front";
      case MONTHLY -> length + ", paid monthly";
    };
  }
}
