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

  History on(Optional<Run> other) {
    return new History(once, reduced, other);
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

  /**
   * An unbroken run on a plan.
   *
   * @param from the first month of the year that is not billed for yet
   * @param floor the minimum of that year; empty if the term in which it began has none
   * @param charged what its months and those after it are charged so far, spread, by month
   */
  public record Run(String plan, int from, Optional<Floor> floor, List<Money> charged) {
    public Run {
      charged = List.copyOf(charged);
    }

    Optional<Invoice> unfinished(Optional<ExchangeRate> rate, int horizon) {
      return charged.isEmpty() || from >= horizon
          ? Optional.empty()
          : floor.flatMap(
              f -> f.missing(new MonthSpan(from, from + charged.size()), charged, rate));
    }
  }

  /** A yearly minimum with the basis that makes the price in force of it. */
  public record Floor(UnitPrice minimum, PriceBasis basis) {
    /** The invoice for what the months of a year lack; empty if they lack nothing. */
    Optional<Invoice> missing(MonthSpan year, List<Money> charged, Optional<ExchangeRate> rate) {
      CurrencyUnit currency = minimum.currency();
      Money sum = charged.stream().reduce(Money.zero(currency), Money::plus);
      InvoiceLine line = new InvoiceLine.ToMinimum(minimum, basis, year.months(), sum);
      return line.amount().isZero()
          ? Optional.empty()
          : Optional.of(new Invoice(year.end() - 1, year, currency, List.of(line), rate));
    }
  }
}
