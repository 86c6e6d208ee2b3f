package tertulia.core.pricing;

import static java.util.Objects.requireNonNull;

/**
 * Something that a price page does not say of a price, though the price was put down in one way of
 * several.
 *
 * @param charge the name of the charge
 * @param term under which it was put down
 */
public record Unsaid(Kind kind, String charge, BillingTerm term) {
  public Unsaid {
    requireNonNull(kind);
    requireNonNull(charge);
    requireNonNull(term);
  }

  /** What is not said. */
  public enum Kind {
    /** For which term it holds, or how it is billed: then it is a price of every term. */
    TERM,
    /** Whether it is the price of a month or of a year. */
    PERIOD,
    /** Whether it is for each unit or for the account, or for each of which. */
    UNIT
  }
}
