package tertulia.core.billing;

import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import tertulia.core.money.ExchangeRate;
import tertulia.core.money.Rounding;
import tertulia.core.time.Horizon;
import tertulia.core.time.MonthSpan;
import tertulia.core.working.Derivation;
import tertulia.core.working.Quantity;

/**
 * What is billed for a span of months: at its start, or at its end if a minimum was not reached.
 *
 * @param due the month in which it falls due
 * @param covers the months it pays for
 * @param rate the rate of exchange used for {@link #reported}; empty if none was needed
 */
public record Invoice(
    int due,
    MonthSpan covers,
    CurrencyUnit currency,
    List<InvoiceLine> lines,
    Optional<ExchangeRate> rate) {
  private static final DateTimeFormatter MONTH =
      DateTimeFormatter.ofPattern("MMM uuuu", Locale.ENGLISH);

  public Invoice {
    lines = List.copyOf(lines);
  }

  /** The sum of the rounded lines, in the invoice's own currency. */
  public Money own() {
    return lines.stream().map(InvoiceLine::amount).reduce(Money.zero(currency), Money::plus);
  }

  /** The total in the reporting currency: converted once, then rounded. */
  public Money reported() {
    return rate.map(r -> r.convert(own())).orElseGet(this::own);
  }

  /** {@link #own} divided evenly over the months covered. */
  Money[] ownShares() {
    return Rounding.spread(own(), covers.months());
  }

  /** {@link #reported} divided evenly over the months covered. */
  public Money[] shares() {
    return Rounding.spread(reported(), covers.months());
  }

  /**
   * The credit for months from {@code leave} on: their spread shares, given back in that month.
   * Empty if nothing of them was paid for.
   */
  Optional<Invoice> credit(int leave) {
    if (covers.end() <= leave || covers.from() >= leave) {
      return Optional.empty();
    }
    Money[] shares = shares();
    Money unused = Money.zero(shares[0].getCurrencyUnit());
    for (int m = leave; m < covers.end(); m++) {
      unused = unused.plus(shares[m - covers.from()]);
    }
    MonthSpan months = new MonthSpan(leave, covers.end());
    return unused.isZero()
        ? Optional.empty()
        : Optional.of(
            new Invoice(
                leave,
                months,
                unused.getCurrencyUnit(),
                List.of(new InvoiceLine.Credit(due, unused, months.months())),
                Optional.empty()));
  }

  /** The working of {@link #reported}. */
  public Derivation explain(Horizon horizon) {
    String label =
        "Invoice of "
            + horizon.month(due()).format(MONTH)
            + (covers.months() == 1 ? "" : " for " + covers.months() + " months");
    Derivation own =
        Derivation.Sum.of(
            label, currency.getCode(), lines.stream().map(InvoiceLine::explain).toList());
    return rate.<Derivation>map(r ->
            new Derivation.Derived(
                label, Quantity.of(reported()), r.words() + ", rounded", List.of(own)))
        .orElse(own);
  }
}
