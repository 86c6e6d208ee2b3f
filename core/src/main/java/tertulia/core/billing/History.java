package tertulia.core.billing;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import tertulia.core.money.ExchangeRate;
import tertulia.core.money.UnitPrice;
import tertulia.core.pricing.PriceBasis;
import tertulia.core.time.MonthSpan;

/**
 * What came before a term, as far as it changes what the term costs. Two equal histories lead to
 * equal costs.
 *
 * @param once highest units paid for so far, by plan and one-off charge; 1 for an account
 * @param reduced invoices that an amount was taken off so far, by offer
 * @param run the unbroken run on a plan that has a yearly minimum; empty if there is none
 */
public record History(Map<String, Integer> once, Map<String, Integer> reduced, Optional<Run> run) {
  public static final History NONE = new History(Map.of(), Map.of(), Optional.empty());

  public History {
    once = Map.copyOf(once);
    reduced = Map.copyOf(reduced);
  }

  int once(String plan, String charge) {
    return once.getOrDefault(key(plan, charge), 0);
  }

  private static String key(String plan, String charge) {
    return plan + "\n" + charge;
  }

  History paid(String plan, String charge, int units) {
    Map<String, Integer> more = new HashMap<>(once);
    more.put(key(plan, charge), units);
    return new History(more, reduced, run);
  }

  int reduced(String offer) {
    return reduced.getOrDefault(offer, 0);
  }

  History reduced(String offer, int invoices) {
    Map<String, Integer> more = new HashMap<>(reduced);
    more.put(offer, invoices);
    return new History(once, more, run);
  }

  /** The same with another run. */
  public History on(Optional<Run> other) {
    return new History(once, reduced, other);
  }

  /** What an unfinished year of a run has been charged, in minor units; 0 without a run. */
  public long chargedMinor() {
    return run.map(r -> r.charged().getAmountMinorLong()).orElse(0L);
  }

  /** The same history but for what an unfinished year of a run has been charged. */
  public History uncharged() {
    return on(
        run.map(r ->
            new Run(
                r.plan(),
                r.from(),
                r.floor(),
                r.months(),
                Money.zero(r.charged().getCurrencyUnit()))));
  }

  /** As after a term of a plan without a yearly minimum. */
  public History withoutRun() {
    return run.isEmpty() ? this : on(Optional.empty());
  }

  /**
   * What is still missing to the minimum of an unfinished year when the run ends.
   *
   * @param rate brings the invoice into the reporting currency; empty if it is in it
   * @param horizon the number of plan months; a year that begins later owes nothing
   */
  public Optional<Invoice> close(Optional<ExchangeRate> rate, int horizon) {
    return run.flatMap(r -> r.unfinished(rate, horizon));
  }

  /** The unfinished year of which {@link #close} speaks, whether or not anything is missing. */
  public Optional<MinimumYear> closingYear(int horizon) {
    return run.filter(r -> r.from() < horizon).flatMap(Run::year);
  }

  /**
   * An unbroken run on a plan, as far as a year of it is not billed for yet.
   *
   * @param from the first month of that year
   * @param floor the minimum of that year; empty if the term in which it began has none
   * @param months how many months of it have passed, 0 to 12
   * @param charged what these are charged, spread
   */
  public record Run(String plan, int from, Optional<Floor> floor, int months, Money charged) {
    static Run begun(String plan, int from, Optional<Floor> floor, CurrencyUnit currency) {
      return new Run(plan, from, floor, 0, Money.zero(currency));
    }

    /** With the next months. */
    Run plus(List<Money> more) {
      Money sum = more.stream().reduce(charged, Money::plus);
      return new Run(plan, from, floor, months + more.size(), sum);
    }

    /** What is charged beyond the minimum of a year, or without one, makes no difference later. */
    Run capped() {
      Money enough =
          floor.map(f -> f.least(12)).orElseGet(() -> Money.zero(charged.getCurrencyUnit()));
      return charged.isGreaterThan(enough) ? new Run(plan, from, floor, months, enough) : this;
    }

    /** Its months held against their part of the minimum; empty if there is none. */
    Optional<MinimumYear> year() {
      return floor.map(
          f -> new MinimumYear(new MonthSpan(from, from + months), f.line(months, charged)));
    }

    /** The invoice for what its months lack of their part of the minimum; empty if nothing. */
    Optional<Invoice> missing(Optional<ExchangeRate> rate) {
      return floor.flatMap(f -> f.missing(new MonthSpan(from, from + months), charged, rate));
    }

    Optional<Invoice> unfinished(Optional<ExchangeRate> rate, int horizon) {
      return from >= horizon ? Optional.empty() : missing(rate);
    }
  }

  /** A yearly minimum with the basis that makes the price in force of it. */
  public record Floor(UnitPrice minimum, PriceBasis basis) {
    private InvoiceLine.ToMinimum line(int months, Money charged) {
      return new InvoiceLine.ToMinimum(minimum, basis, months, charged);
    }

    /** The minimum for so many months of a year, 1 to 12. */
    Money least(int months) {
      return line(months, Money.zero(minimum.currency())).least();
    }

    Optional<Invoice> missing(MonthSpan year, Money charged, Optional<ExchangeRate> rate) {
      InvoiceLine.ToMinimum line = line(year.months(), charged);
      return line.amount().isZero()
          ? Optional.empty()
          : Optional.of(new Invoice(year.end() - 1, year, minimum.currency(), List.of(line), rate));
    }
  }
}
