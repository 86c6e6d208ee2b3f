package tertulia.core.inuse;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import org.joda.money.Money;
import tertulia.core.billing.BilledTerm;
import tertulia.core.billing.Biller;
import tertulia.core.billing.CostTiming;
import tertulia.core.billing.EarlyTerminationPolicy;
import tertulia.core.billing.History;
import tertulia.core.billing.Invoice;
import tertulia.core.billing.Ledger;
import tertulia.core.billing.Purchase;
import tertulia.core.billing.UnitsNeeded;
import tertulia.core.growth.Measure;
import tertulia.core.money.ExchangeRate;
import tertulia.core.money.PriceRise;
import tertulia.core.money.UnitPrice;
import tertulia.core.path.Market;
import tertulia.core.pricing.BillingTerm;
import tertulia.core.pricing.Charge;
import tertulia.core.pricing.Owned;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.PlanPrices;
import tertulia.core.pricing.PriceList;
import tertulia.core.pricing.SeatRange;
import tertulia.core.pricing.UnitRule;
import tertulia.core.time.Horizon;
import tertulia.core.time.MonthSpan;

/**
 * What a tool in use costs if everything stays as it is, and what of it is owed whatever happens.
 *
 * <p>Until its term ends the units held are paid for; more are added at the price as paid. Paid up
 * front, nothing more is due for those held; paid monthly, they are due. From then on the same plan
 * and term at the units then needed, at list. Whether it meets the needs is not asked.
 *
 * @param free the first plan month that is not owed any more, 0 to all months
 * @param paid until {@code free}: what is added, and if it is paid monthly the units held
 * @param owed of that what is due whatever is decided: the units held, if paid monthly
 * @param after from {@code free} on; empty: no figure, for the reason given
 */
public record AsToday(
    InUse use,
    int free,
    Ledger paid,
    Ledger owed,
    Optional<Ledger> after,
    Optional<Why> why,
    Frame frame) {

  /** Why there is no figure. */
  public sealed interface Why {
    /** The plan is not sold for so many, from a plan month on. */
    record PastCap(int month, int units, int cap) implements Why {}

    /** Nobody has a list price of it under its term. */
    record NoList() implements Why {}

    /** What else it charges for is not stated. */
    record NotStated(List<Measure> measures) implements Why {}

    /** There is no rate of exchange. */
    record NoRate(String currency) implements Why {}
  }

  /**
   * What it costs.
   *
   * @param needed units its users need, by plan month
   * @param rise of list prices
   * @param today the day on which it could be ended
   */
  public static AsToday of(
      InUse use,
      List<UnitsNeeded> needed,
      Market market,
      PriceRise rise,
      Horizon horizon,
      LocalDate today) {
    int free = Math.clamp(horizon.indexOf(use.free(today)), 0, horizon.months());
    Frame frame = new Frame(use, needed, market, rise, horizon, free);
    Optional<Why> why = frame.why();
    return new AsToday(
        use,
        free,
        frame.ledger(frame.untilFree(true)),
        frame.ledger(frame.untilFree(false)),
        why.isPresent() ? Optional.empty() : Optional.of(frame.ledger(frame.fromFree())),
        why,
        frame);
  }

  /** All that is due if it stays; empty if it has no figure. */
  public Optional<Ledger> ledger() {
    return after.map(ledger -> {
      List<Invoice> all = new ArrayList<>(paid.invoices());
      all.addAll(ledger.invoices());
      return frame.ledger(all);
    });
  }

  /** What it costs over all months if it stays; empty if it has no figure. */
  public Optional<Money> total(CostTiming view) {
    return after.map(ledger -> paid.total(view).plus(ledger.total(view)));
  }

  /** What it costs by month if it stays; empty if it has no figure. */
  public Optional<List<Money>> months(CostTiming view) {
    return after.map(ledger -> {
      List<Money> first = paid.months(view);
      List<Money> then = ledger.months(view);
      List<Money> sums = new ArrayList<>();
      for (int m = 0; m < first.size(); m++) {
        sums.add(first.get(m).plus(then.get(m)));
      }
      return sums;
    });
  }

  /** What is known of its cost if it stays: without a figure what is due until it is free. */
  public Money least(CostTiming view) {
    return total(view).orElseGet(() -> paid.total(view));
  }

  /** Units its users need, by plan month. */
  public List<UnitsNeeded> needed() {
    return frame.needed();
  }

  /** What it is listed at under its term, at which it goes on; empty: nobody has a price. */
  public Optional<PriceList> listed() {
    return frame.list();
  }

  /** What it is paid by until its term ends; empty: nobody has a price. */
  public Optional<PriceList> asPaid() {
    return frame.asPaid();
  }

  /** What it is priced against. */
  public Market market() {
    return frame.market();
  }

  /**
   * All that is due if it is kept until a month and ended then: a term that runs on is due to its
   * end, and nothing is credited. Empty if it has no figure before that month.
   *
   * @param end the first plan month in which it is not used any more, 0 to all months
   */
  public Optional<Ledger> until(int end) {
    if (end == 0) {
      return Optional.of(owed);
    }
    boolean known =
        why.isEmpty()
            || end <= free
            || why.get() instanceof Why.PastCap past && end <= past.month();
    return known ? Optional.of(frame.ledger(frame.until(end))) : Optional.empty();
  }

  /** What it is worked out from. */
  record Frame(
      InUse use,
      List<UnitsNeeded> needed,
      Market market,
      PriceRise rise,
      Horizon horizon,
      int free) {
    private static final String PAID = "as paid";

    Optional<PriceList> list() {
      return use.plan().charged().stream()
          .filter(list -> list.term().equals(use.term()))
          .filter(list -> !use.plan().isLeast(list.term()))
          .findFirst()
          .map(list -> list.asking(market.demands().keySet()));
    }

    Optional<Why> why() {
      Optional<String> foreign =
          asPaid()
              .filter(list -> free > 0 && !list.currency().equals(market.reporting()))
              .filter(list -> market.rate(list).isEmpty())
              .map(list -> list.currency().getCode());
      if (foreign.isPresent()) {
        return Optional.of(new Why.NoRate(foreign.get()));
      }
      if (free == horizon.months()) {
        return Optional.empty();
      }
      Optional<PriceList> list = list();
      if (list.isEmpty()) {
        return Optional.of(new Why.NoList());
      }
      List<Measure> unstated = needed.getFirst().unstated(list.get().measures());
      if (!unstated.isEmpty()) {
        return Optional.of(new Why.NotStated(unstated));
      }
      if (!list.get().currency().equals(market.reporting()) && market.rate(list.get()).isEmpty()) {
        return Optional.of(new Why.NoRate(list.get().currency().getCode()));
      }
      return cap();
    }

    private Optional<Why> cap() {
      OptionalInt cap = use.plan().range().cap();
      if (cap.isPresent()) {
        for (int m = free; m < horizon.months(); m++) {
          int units = needed.get(m).of(use.plan().range().measure()).orElse(0);
          if (units > cap.getAsInt()) {
            return Optional.of(new Why.PastCap(m, units, cap.getAsInt()));
          }
        }
      }
      return Optional.empty();
    }

    /** The plan at the price as paid, or as it is listed for the units held. */
    Optional<PriceList> asPaid() {
      BillingTerm.Payment payment = use.term().payment();
      BillingTerm term = new BillingTerm(use.term().monthsCommitted(), payment);
      return use.paid()
          .map(price -> list(term, price))
          .or(() -> list().map(list -> new PriceList(term, list.currency(), list.charges())));
    }

    private PriceList list(BillingTerm term, UnitPrice price) {
      return new PriceList(
          term,
          price.currency(),
          List.of(new Charge.PerUnit("As paid", use.held().measure(), price, UnitRule.PLAIN)));
    }

    /**
     * The invoices until it is free.
     *
     * @param added with those of units that are added, or only what is owed for those held
     */
    List<Invoice> untilFree(boolean added) {
      return untilFree(added, free);
    }

    private List<Invoice> untilFree(boolean added, int ended) {
      Optional<PriceList> list =
          asPaid()
              .filter(paid ->
                  paid.currency().equals(market.reporting()) || market.rate(paid).isPresent());
      if (free == 0 || list.isEmpty()) {
        return List.of();
      }
      boolean upFront = use.term().payment() == BillingTerm.Payment.UP_FRONT;
      if (upFront && !added) {
        return List.of();
      }
      Plan plan =
          new Plan(
              PAID,
              use.plan().name(),
              new SeatRange(use.held().measure(), 0, null),
              new PlanPrices.Listed(List.of(list.get())),
              use.plan().source());
      Optional<Owned> owned =
          upFront && use.held().units() > 0
              ? Optional.of(
                  new Owned(
                      PAID,
                      use.held().measure(),
                      use.held().units(),
                      horizon.month(free - 1).atEndOfMonth()))
              : Optional.empty();
      Purchase purchase =
          new Purchase(
              plan,
              list.get(),
              held(added),
              PriceRise.NONE,
              horizon,
              Optional.empty(),
              List.of(),
              owned);
      return Biller.bill(
              purchase,
              new MonthSpan(0, free),
              Math.min(free, ended),
              EarlyTerminationPolicy.LOST,
              History.NONE,
              rate(list.get()))
          .invoices();
    }

    /** Units by month: those held at least; without additions no more. */
    private List<UnitsNeeded> held(boolean added) {
      String measure = use.held().measure().id();
      List<UnitsNeeded> months = new ArrayList<>();
      for (UnitsNeeded month : needed) {
        int wanted = month.of(use.held().measure()).orElse(0);
        int units = added ? Math.max(use.held().units(), wanted) : use.held().units();
        Map<String, BigDecimal> all = new HashMap<>(month.byMeasure());
        all.put(measure, BigDecimal.valueOf(units));
        months.add(new UnitsNeeded(all, month.people()));
      }
      return months;
    }

    /** What is due if it is ended in a month: whatever runs then is due to its end. */
    List<Invoice> until(int end) {
      List<Invoice> invoices = new ArrayList<>(untilFree(true, end));
      if (end > free) {
        invoices.addAll(fromFree(end));
      }
      return invoices;
    }

    List<Invoice> fromFree() {
      return fromFree(horizon.months());
    }

    /** The same plan and term at the units then needed, term after term, until it is ended. */
    private List<Invoice> fromFree(int ended) {
      if (free == horizon.months()) {
        return List.of();
      }
      PriceList list = list().orElseThrow();
      Purchase purchase =
          new Purchase(
              use.plan(),
              list,
              needed,
              rise,
              horizon,
              market.averagePayment(list),
              List.of(),
              Optional.empty());
      List<Invoice> invoices = new ArrayList<>();
      History history = History.NONE;
      for (int start = free; start < ended; start += use.term().monthsCommitted()) {
        MonthSpan term = new MonthSpan(start, start + use.term().monthsCommitted());
        BilledTerm billed =
            Biller.bill(
                purchase,
                term,
                Math.min(term.end(), Math.max(ended, start + 1)),
                EarlyTerminationPolicy.LOST,
                history,
                rate(list));
        invoices.addAll(billed.invoices());
        history = billed.after();
      }
      history.close(rate(list), horizon.months()).ifPresent(invoices::add);
      return invoices;
    }

    private Optional<ExchangeRate> rate(PriceList list) {
      return market.rate(list);
    }

    Ledger ledger(List<Invoice> invoices) {
      return new Ledger(horizon, market.reporting(), invoices, List.of());
    }
  }
}
