package tertulia.core.billing;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.concurrent.ConcurrentHashMap;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;
import tertulia.core.money.Rounding;
import tertulia.core.time.Horizon;
import tertulia.core.working.Derivation;
import tertulia.core.working.Quantity;

/**
 * Every invoice of one plan and term over a horizon, in the reporting currency. What they come to
 * by month is worked out once: the pages ask for it again and again.
 */
public final class Ledger {
  private final Horizon horizon;
  private final CurrencyUnit currency;
  private final List<Invoice> invoices;
  private final List<Idle> idle;
  private final Map<CostTiming, List<Money>> months = new ConcurrentHashMap<>();

  /**
   * A ledger.
   *
   * @param invoices in order of falling due; those due past the horizon belong to terms begun
   *     within it
   * @param idle by plan month: units paid for and not needed
   */
  public Ledger(Horizon horizon, CurrencyUnit currency, List<Invoice> invoices, List<Idle> idle) {
    this.horizon = horizon;
    this.currency = currency;
    this.invoices = List.copyOf(invoices);
    this.idle = List.copyOf(idle);
  }

  /**
   * Several in one, over the same months: all their invoices, and their idle units added up.
   *
   * @param ledgers at least one
   */
  public static Ledger of(List<Ledger> ledgers) {
    Ledger first = ledgers.getFirst();
    List<Invoice> invoices =
        ledgers.stream()
            .flatMap(ledger -> ledger.invoices.stream())
            .sorted(Comparator.comparingInt(Invoice::due))
            .toList();
    List<Idle> idle = new ArrayList<>();
    for (int m = 0; m < first.horizon.months(); m++) {
      int month = m;
      ledgers.stream()
          .filter(ledger -> month < ledger.idle.size())
          .map(ledger -> ledger.idle.get(month))
          .reduce((a, b) -> new Idle(a.units() + b.units(), a.money().plus(b.money())))
          .ifPresent(idle::add);
    }
    return new Ledger(first.horizon, first.currency, invoices, idle);
  }

  public Horizon horizon() {
    return horizon;
  }

  public CurrencyUnit currency() {
    return currency;
  }

  public List<Invoice> invoices() {
    return invoices;
  }

  public List<Idle> idle() {
    return idle;
  }

  @Override
  public boolean equals(@Nullable Object other) {
    return other instanceof Ledger ledger
        && horizon.equals(ledger.horizon)
        && currency.equals(ledger.currency)
        && invoices.equals(ledger.invoices)
        && idle.equals(ledger.idle);
  }

  @Override
  public int hashCode() {
    return Objects.hash(horizon, currency, invoices, idle);
  }

  /**
   * Units paid for and not needed in one month.
   *
   * @param units 0 or more
   * @param money price a month of the units held less the price of those needed, never below 0
   */
  public record Idle(int units, Money money) {}

  /** The amount of each plan month in the view. */
  public List<Money> months(CostTiming view) {
    return months.computeIfAbsent(view, this::byMonth);
  }

  private List<Money> byMonth(CostTiming view) {
    Money[] months = new Money[horizon.months()];
    java.util.Arrays.fill(months, Money.zero(currency));
    for (Invoice invoice : invoices) {
      switch (view) {
        case CASH -> add(months, invoice.due(), invoice.reported());
        case SPREAD -> {
          Money[] shares = invoice.shares();
          for (int i = 0; i < shares.length; i++) {
            add(months, invoice.covers().from() + i, shares[i]);
          }
        }
      }
    }
    return List.of(months);
  }

  private void add(Money[] months, int m, Money money) {
    if (horizon.contains(m)) {
      months[m] = months[m].plus(money);
    }
  }

  /**
   * The amount of each plan month in the view by kind of charge; kinds that do not occur are not
   * there. An invoice's rounded amount of a month is divided among its lines so that the parts add
   * up to it exactly: each line gets what the rounded running sum of lines grows by.
   */
  public Map<InvoiceLine.Kind, List<Money>> byKind(CostTiming view) {
    Map<InvoiceLine.Kind, Money[]> kinds = new EnumMap<>(InvoiceLine.Kind.class);
    for (Invoice invoice : invoices) {
      switch (view) {
        case CASH -> divide(kinds, invoice, invoice.due(), invoice.reported());
        case SPREAD -> {
          Money[] shares = invoice.shares();
          for (int i = 0; i < shares.length; i++) {
            divide(kinds, invoice, invoice.covers().from() + i, shares[i]);
          }
        }
      }
    }
    Map<InvoiceLine.Kind, List<Money>> result = new EnumMap<>(InvoiceLine.Kind.class);
    kinds.forEach((kind, months) -> result.put(kind, List.of(months)));
    return result;
  }

  private void divide(
      Map<InvoiceLine.Kind, Money[]> kinds, Invoice invoice, int m, Money reported) {
    if (!horizon.contains(m)) {
      return;
    }
    BigDecimal whole = invoice.own().getAmount();
    BigDecimal running = BigDecimal.ZERO;
    Money given = Money.zero(currency);
    for (InvoiceLine line : invoice.lines()) {
      running = running.add(line.amount().getAmount());
      Money upTo =
          whole.signum() == 0
              ? Money.zero(currency)
              : Rounding.toMinorUnit(
                  reported
                      .getAmount()
                      .multiply(running)
                      .divide(whole, java.math.MathContext.DECIMAL128),
                  currency);
      Money[] months =
          kinds.computeIfAbsent(
              line.kind(),
              kind -> {
                Money[] none = new Money[horizon.months()];
                java.util.Arrays.fill(none, Money.zero(currency));
                return none;
              });
      months[m] = months[m].plus(upTo.minus(given));
      given = upTo;
    }
  }

  /** The total over the horizon in the view; months past it do not count. */
  public Money total(CostTiming view) {
    return Money.total(currency, months(view));
  }

  /**
   * What is already committed past the horizon: spread shares of later months, or in the cash view
   * the invoices that will still fall due under terms begun within the horizon.
   */
  public Money pastHorizon(CostTiming view) {
    return invoices.stream()
        .map(invoice -> pastHorizon(invoice, view))
        .reduce(Money.zero(currency), Money::plus);
  }

  private Money pastHorizon(Invoice invoice, CostTiming view) {
    return switch (view) {
      case CASH -> horizon.contains(invoice.due()) ? Money.zero(currency) : invoice.reported();
      case SPREAD -> {
        Money past = Money.zero(currency);
        Money[] shares = invoice.shares();
        for (int i = 0; i < shares.length; i++) {
          past = horizon.contains(invoice.covers().from() + i) ? past : past.plus(shares[i]);
        }
        yield past;
      }
    };
  }

  /** The most units idle in one month. */
  public int mostIdle() {
    return idle.stream().mapToInt(Idle::units).max().orElse(0);
  }

  /** What idle units cost over the horizon. */
  public Money idleMoney() {
    return idle.stream().map(Idle::money).reduce(Money.zero(currency), Money::plus);
  }

  /** The working of {@link #total}: every invoice, less what lies past the horizon. */
  public Derivation explainTotal(CostTiming view) {
    List<Derivation> parts = new ArrayList<>();
    invoices.forEach(invoice -> parts.add(invoice.explain(horizon)));
    Money past = pastHorizon(view);
    if (!past.isZero()) {
      parts.add(
          new Derivation.Derived(
              "Committed after these months, not counted",
              Quantity.of(past.negated()),
              "shares of months from plan month " + horizon.months() + " on",
              List.of()));
    }
    return new Derivation.Sum(
        horizon.months() + " months, " + view.words(), Quantity.of(total(view)), parts);
  }

  /** The working of one month's amount in the view. */
  public Derivation explainMonth(int m, CostTiming view) {
    List<Derivation> parts = new ArrayList<>();
    for (Invoice invoice : invoices) {
      int i = m - invoice.covers().from();
      boolean covered = i >= 0 && i < invoice.covers().months();
      if (view == CostTiming.CASH && m == invoice.due()) {
        parts.add(invoice.explain(horizon));
      } else if (view == CostTiming.SPREAD && covered) {
        parts.add(share(invoice, i));
      }
    }
    return new Derivation.Sum(
        "Plan month " + m + ", " + view.words(), Quantity.of(months(view).get(m)), parts);
  }

  private Derivation share(Invoice invoice, int i) {
    Derivation whole = invoice.explain(horizon);
    if (invoice.covers().months() == 1) {
      return whole;
    }
    return new Derivation.Derived(
        "Share " + (i + 1) + " of " + invoice.covers().months(),
        Quantity.of(invoice.shares()[i]),
        "divided evenly; leftover minor units go to the earliest months",
        List.of(whole));
  }

  /** The average a month in the view, exact to 10 decimals, for measuring against a scale. */
  public BigDecimal perMonth(CostTiming view) {
    return total(view)
        .getAmount()
        .divide(BigDecimal.valueOf(horizon.months()), 10, java.math.RoundingMode.HALF_UP);
  }
}
