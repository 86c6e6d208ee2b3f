package tertulia.core.pricing;

import static java.util.Objects.requireNonNull;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.MonthDay;
import java.time.YearMonth;
import java.time.format.TextStyle;
import java.util.Locale;
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
   * @param everyYear whether it comes back each year between the two days; they may lie on both
   *     sides of New Year, and 29 February is the 28th in other years
   */
  public record Conditions(
      Set<String> plans,
      Set<BillingTerm> terms,
      boolean newBuyersOnly,
      @Nullable LocalDate from,
      @Nullable LocalDate until,
      int leastSeats,
      boolean everyYear) {
    public static final Conditions NONE = new Conditions(Set.of(), Set.of(), false, null, null, 0);

    /** Those of an offer that comes once. */
    public Conditions(
        Set<String> plans,
        Set<BillingTerm> terms,
        boolean newBuyersOnly,
        @Nullable LocalDate from,
        @Nullable LocalDate until,
        int leastSeats) {
      this(plans, terms, newBuyersOnly, from, until, leastSeats, false);
    }

    public Conditions {
      plans = Set.copyOf(plans);
      terms = Set.copyOf(terms);
      if (everyYear && (from == null || until == null)) {
        throw new IllegalArgumentException(
            "An offer that comes back every year has a first and a last day. Enter both.");
      }
      if (!everyYear && from != null && until != null && from.isAfter(until)) {
        throw new IllegalArgumentException(
            "The offer ends on " + until + ", before it begins on " + from + ". Swap the dates.");
      }
      if (leastSeats < 0 || leastSeats > 1_000_000) {
        throw new IllegalArgumentException(
            "The least number of seats lies between 0 and 1,000,000; found " + leastSeats + ".");
      }
    }

    /** Whether it may be used if the tool is taken on a day. */
    public boolean isOn(LocalDate taken) {
      return notOn(taken).isEmpty();
    }

    /** The day of a month from which on it may be used; empty if there is none such in it. */
    public Optional<LocalDate> beginsIn(YearMonth month) {
      return Optional.ofNullable(from)
          .map(first -> everyYear ? MonthDay.from(first).atYear(month.getYear()) : first)
          .filter(first -> YearMonth.from(first).equals(month));
    }

    private Optional<String> notOn(LocalDate taken) {
      if (everyYear) {
        return notInYear(taken);
      }
      if (from != null && taken.isBefore(from)) {
        return Optional.of("begins on " + from + ", the tool is taken on " + taken);
      }
      return until != null && taken.isAfter(until)
          ? Optional.of("ended on " + until + ", the tool is taken on " + taken)
          : Optional.empty();
    }

    private Optional<String> notInYear(LocalDate taken) {
      LocalDate first = MonthDay.from(requireNonNull(from)).atYear(taken.getYear());
      LocalDate last = MonthDay.from(requireNonNull(until)).atYear(taken.getYear());
      boolean inside =
          last.isBefore(first)
              ? !taken.isBefore(first) || !taken.isAfter(last)
              : !taken.isBefore(first) && !taken.isAfter(last);
      return inside
          ? Optional.empty()
          : Optional.of(
              "comes back every year from "
                  + day(first)
                  + " to "
                  + day(last)
                  + ", the tool is taken on "
                  + taken);
    }

    private static String day(LocalDate day) {
      return day.getDayOfMonth()
          + " "
          + day.getMonth().getDisplayName(TextStyle.FULL, Locale.ENGLISH);
    }

    private Conditions onAnyDay() {
      return new Conditions(plans, terms, newBuyersOnly, null, null, leastSeats);
    }
  }

  /** This offer for whoever takes the tool, whenever that is. */
  public Offer onAnyDay() {
    return new Offer(name, benefit, months, when.onAnyDay(), group, charges);
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
    Optional<String> day = when.notOn(buyer.taken());
    if (day.isPresent()) {
      return day;
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
