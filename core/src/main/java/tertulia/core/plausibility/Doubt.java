package tertulia.core.plausibility;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import tertulia.core.growth.Measure;
import tertulia.core.money.UnitPrice;
import tertulia.core.pricing.BillingTerm;

/** Something entered that may be a slip. It is asked about, and marked until somebody confirms. */
public sealed interface Doubt {
  /** What was found, what it is measured against, and the question. */
  String sentence();

  /**
   * Names the doubt and the figures entered: a confirmation holds while they stay, and a changed
   * figure is asked about anew.
   */
  String key();

  /** A doubt about one charge of a plan under one term. */
  sealed interface OfCharge extends Doubt {
    String plan();

    String charge();

    BillingTerm term();
  }

  /**
   * A month under a commitment costs more than a month without.
   *
   * @param committed a month under the term
   * @param monthly a month of the monthly term
   * @param units for which both are worked out
   */
  record DearerCommitted(
      String plan,
      String charge,
      BillingTerm term,
      BigDecimal committed,
      BigDecimal monthly,
      int units)
      implements OfCharge {
    @Override
    public String sentence() {
      return plan
          + ", "
          + charge
          + ": "
          + term.words()
          + " comes to "
          + plain(committed)
          + " a month for "
          + units
          + ", paid monthly to "
          + plain(monthly)
          + ". A commitment is seldom more expensive. Is a year's price entered as a month's?";
    }

    @Override
    public String key() {
      return joined("dearer", plan, charge, term.words(), plain(committed), plain(monthly));
    }
  }

  /**
   * Two ways to pay for the same differ about ten times.
   *
   * @param dearer a month under the term
   * @param cheaper a month under the other term
   * @param units for which both are worked out
   */
  record TenTimes(
      String plan,
      String charge,
      BillingTerm term,
      BigDecimal dearer,
      BillingTerm other,
      BigDecimal cheaper,
      int units)
      implements OfCharge {
    @Override
    public String sentence() {
      return plan
          + ", "
          + charge
          + ": "
          + term.words()
          + " comes to "
          + plain(dearer)
          + " a month for "
          + units
          + ", "
          + other.words()
          + " to "
          + plain(cheaper)
          + ", about ten times less. Is a decimal point or a year's price in the wrong place?";
    }

    @Override
    public String key() {
      return joined("ten-times", plan, charge, term.words(), plain(dearer), plain(cheaper));
    }
  }

  /**
   * A unit costs more than eight times, or less than an eighth of, what it costs elsewhere.
   *
   * @param median of the other tools in the same work area, for the same measure and currency
   */
  record FarFromOthers(
      String plan,
      String charge,
      BillingTerm term,
      Measure measure,
      UnitPrice price,
      UnitPrice median)
      implements OfCharge {
    @Override
    public String sentence() {
      return plan
          + ", "
          + charge
          + ": "
          + plain(price.amount())
          + " "
          + price.currency()
          + " for each of the "
          + measure.label()
          + "; elsewhere in this work area the middle price is "
          + plain(median.amount())
          + ". Is it for one of the "
          + measure.label()
          + ", and for a month?";
    }

    @Override
    public String key() {
      return joined("far", plan, charge, term.words(), plain(price.amount()), measure.id());
    }
  }

  /**
   * An offer takes more off an invoice than the smallest invoice it is for.
   *
   * @param invoice the first invoice for the least that is sold
   */
  record OfferAboveInvoice(
      String offer, UnitPrice amount, String plan, BillingTerm term, BigDecimal invoice)
      implements Doubt {
    @Override
    public String sentence() {
      return offer
          + " takes "
          + plain(amount.amount())
          + " "
          + amount.currency()
          + " off each invoice, but the smallest of "
          + plan
          + ", "
          + term.words()
          + ", is "
          + plain(invoice)
          + ". An invoice does not fall below 0; is the amount right?";
    }

    @Override
    public String key() {
      return joined("offer", offer, plain(amount.amount()), plan, term.words());
    }
  }

  /**
   * A fact is dated after today.
   *
   * @param what the fact, such as "prices of Crew"
   */
  record InFuture(String what, LocalDate day) implements Doubt {
    @Override
    public String sentence() {
      return what + " are dated " + day + ", which is still to come. Is the year right?";
    }

    @Override
    public String key() {
      return joined("future", what, day.toString());
    }
  }

  /**
   * Another tool has the same name.
   *
   * @param maker of the other tool; may be empty
   */
  record SameName(String name, String maker) implements Doubt {
    @Override
    public String sentence() {
      return "There is a tool called "
          + name
          + (maker.isEmpty() ? "" : ", by " + maker)
          + ", already. Is this another one?";
    }

    @Override
    public String key() {
      return joined("same-name", name, maker);
    }
  }

  private static String joined(String... parts) {
    return String.join("|", parts);
  }

  private static String plain(BigDecimal amount) {
    BigDecimal shown = amount.stripTrailingZeros();
    return shown.setScale(Math.max(2, shown.scale()), RoundingMode.UNNECESSARY).toPlainString();
  }
}
