package tertulia.app.exchange;

import java.util.List;
import tertulia.core.pricing.BillingTerm;
import tertulia.core.pricing.BillingTerm.Payment;

/** Billing terms as they stand in forms and tables: m1, u12 (up front), m12 (paid monthly) … */
public record TermCode(String code, BillingTerm term) {
  public static final List<TermCode> ALL =
      List.of(
          new TermCode("m1", BillingTerm.MONTHLY),
          new TermCode("u12", BillingTerm.YEARLY_UP_FRONT),
          new TermCode("m12", BillingTerm.YEARLY_PAID_MONTHLY),
          new TermCode("u24", new BillingTerm(24, Payment.UP_FRONT)),
          new TermCode("m24", new BillingTerm(24, Payment.MONTHLY)),
          new TermCode("u36", new BillingTerm(36, Payment.UP_FRONT)),
          new TermCode("m36", new BillingTerm(36, Payment.MONTHLY)));

  /** How many of the terms stand in every form; the others only where they are used. */
  public static final int USUAL = 3;

  /** The code of a term as a sheet states it. */
  public static TermCode of(int months, boolean upFront) {
    return of(new BillingTerm(months, upFront ? Payment.UP_FRONT : Payment.MONTHLY));
  }

  /** The code of a term. */
  public static TermCode of(BillingTerm term) {
    return ALL.stream().filter(t -> t.term().equals(term)).findFirst().orElseThrow();
  }

  /**
   * The term of a code.
   *
   * @throws IllegalArgumentException if there is none
   */
  public static TermCode of(String code) {
    return ALL.stream()
        .filter(t -> t.code().equals(code))
        .findFirst()
        .orElseThrow(() ->
            new IllegalArgumentException(
                "\""
                    + code
                    + "\" is no billing term; there are "
                    + ALL.stream().map(TermCode::code).toList()
                    + "."));
  }

  public String label() {
    return term.words();
  }

  public boolean upFront() {
    return term.payment() == Payment.UP_FRONT;
  }
}
