package tertulia.app.catalogue;

import java.util.List;
import tertulia.core.pricing.BillingTerm;
import tertulia.core.pricing.BillingTerm.Payment;

/** Billing terms as they stand in the form. */
record TermCode(String code, BillingTerm term) {
  static final List<TermCode> ALL =
      List.of(
          new TermCode("m1", BillingTerm.MONTHLY),
          new TermCode("u12", BillingTerm.YEARLY_UP_FRONT),
          new TermCode("m12", BillingTerm.YEARLY_PAID_MONTHLY),
          new TermCode("u24", new BillingTerm(24, Payment.UP_FRONT)),
          new TermCode("m24", new BillingTerm(24, Payment.MONTHLY)),
          new TermCode("u36", new BillingTerm(36, Payment.UP_FRONT)),
          new TermCode("m36", new BillingTerm(36, Payment.MONTHLY)));

  /** How many of the terms stand in every form; the others only where they are used. */
  static final int USUAL = 3;

  static TermCode of(int months, boolean upFront) {
    BillingTerm term = new BillingTerm(months, upFront ? Payment.UP_FRONT : Payment.MONTHLY);
    return ALL.stream().filter(t -> t.term().equals(term)).findFirst().orElseThrow();
  }

  public String label() {
    return term.words();
  }

  boolean upFront() {
    return term.payment() == Payment.UP_FRONT;
  }
}
