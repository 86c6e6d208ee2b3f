package tertulia.core.pricing;

import static java.util.Objects.requireNonNull;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Optional;
import java.util.Set;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import tertulia.core.money.UnitPrice;

/**
 * A reduction for the first months with a tool.
 *
 * @param months how many months with the tool it holds, 1 to 120; null: as long as the tool is kept
 * @param group of offers that exclude one another one only may be used; null: none is excluded
 * @param charges names of the charges it touches; empty: all per-unit, banded and flat charges,
 *     add-ons included
 */
public record Offer(
    String name,
    Benefit benefit,
    @Nullable Integer months,
    Conditions when,
    @Nullable String group,
    Set<String> charges) {
  public Offer {
    requireNonNull(benefit);
    requireNonNull(when);
    charges = Set.copyOf(charges);
    if (name.isBlank()) {
      throw new IllegalArgumentException("An offer needs a name, as on the price page.");
    }
    if (months != null && (months < 1 || months > 120)) {
      throw new IllegalArgumentException(
          "An offer holds for 1 to 120 months; found "
              + months
              + ". Leave it empty if it has no end.");
    }
  }

  /** What a buyer gets. */
  public sealed interface Benefit {
    /** The currency it is stated in; empty if it holds in any. */
    default Optional<CurrencyUnit> currency() {
      return switch (this) {
        case Free free -> Optional.empty();
        case Percent percent -> Optional.empty();
        case Fixed fixed -> Optional.of(fixed.price().currency());
        case AmountOff off -> Optional.of(off.amount().currency());
      };
    }

    /** Nothing is paid. */
    record Free() implements Benefit {}

    /**
     * Each unit, or the account, costs this; not raised, and ignored where it is above the list.
     */
    record Fixed(UnitPrice price) implements Benefit {}

    /**
     * A share of the price is taken off.
     *
     * @param off above 0, at most 1: 0.4 is 40 % off
     */
    record Percent(BigDecimal off) implements Benefit {
      public Percent {
        if (off.signum() <= 0 || off.compareTo(BigDecimal.ONE) > 0) {
          throw new IllegalArgumentException(
              "A discount lies above 0 and at most at 100 %; found "
                  + off.movePointRight(2).stripTrailingZeros().toPlainString()
                  + " %.");
        }
      }
    }

    /**
     * So much is taken off each of the first invoices.
     *
     * @param invoices how many, 1 to 120
     */
    record AmountOff(UnitPrice amount, int invoices) implements Benefit {
      public AmountOff {
        if (invoices < 1 || invoices > 120) {
          throw new IllegalArgumentException(
              "An amount is taken off the first 1 to 120 invoices; found " + invoices + ".");
        }
      }
    }
  }

  /**
   * Who may use an offer.
   *
   * @param plans ids of plans; empty: any
   * @param terms empty: any
   * @param newBuyersOnly not for those who own the tool already
   * @param from first day on which the tool may be taken; null: any
   * @param until last day; null: any
   * @param leastSeats units paid for in the first month, of the measure the plan is sold by; 0: any
   */
  public record Conditions(
      Set<String> plans,
      Set<BillingTerm> terms,
      boolean newBuyersOnly,
      @Nullable LocalDate from,
      @Nullable LocalDate until,
      int leastSeats) {
    public static final Conditions NONE = new Conditions(Set.of(), Set.of(), false, null, null, 0);

    public Conditions {
      plans = Set.copyOf(plans);
      terms = Set.copyOf(terms);
      if (from != null && until != null && from.isAfter(until)) {
        throw new IllegalArgumentException(
            "The offer ends on " + until + ", before it begins on " + from + ". Swap the dates.");
      }
      if (leastSeats < 0 || leastSeats > 1_000_000) {
        throw new IllegalArgumentException(
            "The least number of seats lies between 0 and 1,000,000; found " + leastSeats + ".");
      }
    }
  }

  /**
   * Who would take the tool.
   *
   * @param taken the day it is taken
   * @param seats units paid for in the first month, of the measure the plan is sold by
   */
  public record Buyer(
      String plan, BillingTerm term, boolean ownsAlready, LocalDate taken, int seats) {}

  /** Why {@code buyer} may not use it; empty if it is permitted. */
  public Optional<String> refusal(Buyer buyer) {
    if (!when.plans.isEmpty() && !when.plans.contains(buyer.plan())) {
      return Optional.of("not for this plan");
    }
    if (!when.terms.isEmpty() && !when.terms.contains(buyer.term())) {
      return Optional.of("not for " + buyer.term().words());
    }
    if (when.newBuyersOnly && buyer.ownsAlready()) {
      return Optional.of("for new buyers only, and it is owned already");
    }
    if (when.from != null && buyer.taken().isBefore(when.from)) {
      return Optional.of("begins on " + when.from + ", the tool is taken on " + buyer.taken());
    }
    if (when.until != null && buyer.taken().isAfter(when.until)) {
      return Optional.of("ended on " + when.until + ", the tool is taken on " + buyer.taken());
    }
    if (buyer.seats() < when.leastSeats) {
      return Optional.of("from " + when.leastSeats + " seats on, " + buyer.seats() + " are taken");
    }
    return Optional.empty();
  }

  /** Whether it holds in the month with the tool counted from 0. */
  public boolean holdsIn(int month) {
    return months == null || month < months;
  }

  /** Whether it touches a charge. */
  public boolean touches(Charge charge) {
    return charges.isEmpty() ? charge instanceof Charge.Held : charges.contains(charge.name());
  }

  /** Such as "40 % off for the first 3 months". */
  public String words() {
    String what =
        switch (benefit) {
          case Benefit.Free free -> "free";
          case Benefit.Fixed fixed ->
              fixed.price().stated().toPlainString()
                  + " "
                  + fixed.price().currency()
                  + (fixed.price().months() == 1 ? "" : " " + fixed.price().period());
          case Benefit.Percent percent ->
              percent.off().movePointRight(2).stripTrailingZeros().toPlainString() + " % off";
          case Benefit.AmountOff off ->
              off.amount().amount().toPlainString()
                  + " "
                  + off.amount().currency()
                  + " off each of the first "
                  + off.invoices()
                  + (off.invoices() == 1 ? " invoice" : " invoices");
        };
    if (months == null) {
      return benefit instanceof Benefit.AmountOff ? what : what + " for as long as it is kept";
    }
    return what + (months == 1 ? " in the first month" : " for the first " + months + " months");
  }
}
