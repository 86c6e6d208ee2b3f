package tertulia.core.path;

import tertulia.core.pricing.BillingTerm;

/** The billing terms the buyer allows. */
public enum Terms {
  ANY("any", "under any term"),
  MONTHLY("monthly only", "monthly"),
  COMMITTED("committed only", "with a commitment of a year or more");

  private final String words;
  private final String sold;

  Terms(String words, String sold) {
    this.words = words;
    this.sold = sold;
  }

  public String words() {
    return words;
  }

  /** As in "not sold monthly". */
  String sold() {
    return sold;
  }

  boolean allows(BillingTerm term) {
    return switch (this) {
      case ANY -> true;
      case MONTHLY -> !term.isCommitted();
      case COMMITTED -> term.isCommitted();
    };
  }
}
