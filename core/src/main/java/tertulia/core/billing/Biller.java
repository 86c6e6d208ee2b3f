package tertulia.core.billing;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import tertulia.core.billing.History.Floor;
import tertulia.core.money.ExchangeRate;
import tertulia.core.money.Rounding;
import tertulia.core.pricing.BillingTerm.Payment;
import tertulia.core.pricing.Charge;
import tertulia.core.pricing.MonthlyPrice;
import tertulia.core.pricing.Offer;
import tertulia.core.pricing.PriceBasis;
import tertulia.core.pricing.Reductions;
import tertulia.core.time.Horizon;
import tertulia.core.time.MonthSpan;

/**
 * Bills terms. At the start of a term the units then needed are bought for all of it; additions are
 * invoiced for the months left; fewer can be held only from the next term on. With a monthly term
 * units follow demand. Usage and fees are billed for their month whatever the term, one-offs when
 * first taken, and what is missing to a yearly minimum at the end of each year.
 */
public final class Biller {
  private final Purchase purchase;
  private final MonthSpan term;
  private final int leave;
  private final EarlyTerminationPolicy leaving;
  private final Optional<ExchangeRate> rate;
  private final Map<Slot, List<InvoiceLine>> lines = new TreeMap<>(Slot.ORDER);
  private final int[] idleUnits;
  private final BigDecimal[] idleMoney;
  private History history;

  /** When an invoice falls due and what it covers. */
  private record Slot(int due, MonthSpan covers) {
    static final Comparator<Slot> ORDER =
        Comparator.comparingInt(Slot::due)
            .thenComparing(slot -> slot.covers().end(), Comparator.reverseOrder())
            .thenComparing(slot -> slot.covers().from());

    static Slot of(Invoice invoice) {
      return new Slot(invoice.due(), invoice.covers());
    }
  }

  private Biller(
      Purchase purchase,
      MonthSpan term,
      int leave,
      EarlyTerminationPolicy leaving,
      History before,
      Optional<ExchangeRate> rate) {
    this.purchase = purchase;
    this.term = term;
    this.leave = leave;
    this.leaving = leaving;
    this.history = before;
    this.rate = rate;
    this.idleUnits = new int[lastMonth() - term.from()];
    this.idleMoney = new BigDecimal[idleUnits.length];
    java.util.Arrays.fill(idleMoney, BigDecimal.ZERO);
  }

  /** The first month in which the term is not used: it was left, or the horizon ends. */
  private int lastMonth() {
    return Math.min(leave, purchase.horizon().months());
  }

  private boolean isLeft() {
    return leave < term.end() && leave < purchase.horizon().months();
  }

  /**
   * The invoices of a purchase kept over its horizon, term after term.
   *
   * @param rate brings the invoices into the reporting currency; empty if they are in it
   */
  public static Ledger bill(Purchase purchase, Optional<ExchangeRate> rate) {
    int length = purchase.list().term().monthsCommitted();
    int months = purchase.horizon().months();
    List<BilledTerm> terms = new ArrayList<>();
    History history = History.NONE;
    for (int start = 0; start < months; start += length) {
      MonthSpan term = new MonthSpan(start, start + length);
      BilledTerm billed =
          bill(purchase, term, term.end(), EarlyTerminationPolicy.CREDITED, history, rate);
      terms.add(billed);
      history = billed.after();
    }
    CurrencyUnit reporting = rate.map(ExchangeRate::to).orElse(purchase.list().currency());
    return ledger(
        purchase.horizon(), reporting, terms, history.close(rate, months).stream().toList());
  }

  /**
   * The invoices of one term.
   *
   * @param leave the first month in which the plan is not used any more; the term's end or later if
   *     it is used to its end
   * @param before what was billed before it
   */
  public static BilledTerm bill(
      Purchase purchase,
      MonthSpan term,
      int leave,
      EarlyTerminationPolicy leaving,
      History before,
      Optional<ExchangeRate> rate) {
    return new Biller(purchase, term, Math.min(leave, term.end()), leaving, before, rate).billed();
  }

  /**
   * Terms that follow one another over a horizon.
   *
   * @param closing what unfinished years owe where a run on a plan ends
   */
  public static Ledger ledger(
      Horizon horizon, CurrencyUnit reporting, List<BilledTerm> terms, List<Invoice> closing) {
    List<Invoice> invoices = new ArrayList<>();
    List<Ledger.Idle> idle = new ArrayList<>();
    terms.forEach(term -> {
      invoices.addAll(term.invoices());
      idle.addAll(term.idle());
    });
    invoices.addAll(closing);
    invoices.sort(Comparator.comparing(Slot::of, Slot.ORDER));
    return new Ledger(horizon, reporting, invoices, idle);
  }

  private BilledTerm billed() {
    PriceBasis basis = basis(term.from());
    for (Charge charge : purchase.list().charges()) {
      switch (charge) {
        case Charge.Held held -> billTerm(held, basis);
        case Charge.OneOff oneOff -> billOnce(oneOff);
        case Charge.Usage usage -> billUsage(usage);
        case Charge.PaymentFee fee -> billFees(fee);
      }
    }
    lines.forEach(this::takeOff);
    List<Invoice> invoices = new ArrayList<>();
    lines.forEach((slot, parts) ->
        invoices.add(new Invoice(slot.due(), slot.covers(), currency(), parts, rate)));
    Optional<RunMonths> run = run(invoices);
    Optional<RunMonths.Carried> carried = run.map(months -> months.carry(history.run()));
    history = history.on(carried.flatMap(RunMonths.Carried::after));
    if (isLeft() && leaving == EarlyTerminationPolicy.CREDITED) {
      List.copyOf(invoices).forEach(invoice -> invoice.credit(leave).ifPresent(invoices::add));
    }
    carried.ifPresent(c -> invoices.addAll(c.due()));
    invoices.addAll(elsewhere());
    return new BilledTerm(
        invoices, idle(), carried.map(RunMonths.Carried::ended).orElse(List.of()), history, run);
  }

  /** What is covered outside is paid month by month, as long as it is needed. */
  private List<Invoice> elsewhere() {
    return IntStream.range(term.from(), lastMonth())
        .filter(m -> !purchase.outside().get(m).isEmpty())
        .mapToObj(m ->
            new Invoice(
                m,
                month(m),
                reporting(),
                purchase.outside().get(m).stream()
                    .<InvoiceLine>map(InvoiceLine.Elsewhere::new)
                    .toList(),
                Optional.empty()))
        .toList();
  }

  private CurrencyUnit reporting() {
    return rate.map(ExchangeRate::to).orElse(currency());
  }

  private PriceBasis basis(int m) {
    return PriceBasis.inMonth(purchase.plan(), purchase.rise(), m);
  }

  private void billTerm(Charge.Held charge, PriceBasis basis) {
    boolean upFront = purchase.list().term().payment() == Payment.UP_FRONT;
    boolean staysDue = leaving == EarlyTerminationPolicy.LOST || !isLeft();
    int held = 0;
    int needed = 0;
    int invoiced = 0;
    for (int m = term.from(); m < term.end(); m++) {
      boolean within = m < lastMonth();
      int wanted = within ? purchase.wanted(charge, m) : held;
      needed = within ? needed(charge, m) : needed;
      held = Math.max(held, wanted);
      if (!upFront && (within || staysDue)) {
        add(charge, basis, new MonthSpan(m, m + 1), needed, held, 0);
      } else if (upFront && m == term.from()) {
        add(charge, basis, term, needed, held, 0);
        invoiced = held;
      } else if (upFront && isDearer(charge, basis, held, invoiced)) {
        add(charge, basis, new MonthSpan(m, term.end()), needed, held, invoiced);
        invoiced = held;
      }
      if (within && held > wanted) {
        idle(m, held - wanted, idleMoney(charge, basis, held, wanted, m));
      }
    }
  }

  private static boolean isDearer(Charge.Held charge, PriceBasis basis, int held, int invoiced) {
    return held > invoiced
        && MonthlyPrice.of(charge, held, basis).compareTo(MonthlyPrice.of(charge, invoiced, basis))
            > 0;
  }

  private int needed(Charge.Held charge, int m) {
    return switch (charge) {
      case Charge.Flat flat -> 0;
      case Charge.Counted counted -> purchase.demand(counted.measure(), m);
    };
  }

  private void add(
      Charge.Held charge, PriceBasis basis, MonthSpan covers, int needed, int units, int already) {
    add(
        covers,
        new InvoiceLine.Held(
            charge,
            basis,
            purchase.offers(),
            needed,
            units,
            already,
            covers.from(),
            covers.months()));
  }

  private void add(MonthSpan covers, InvoiceLine line) {
    add(new Slot(covers.from(), covers), line);
  }

  private void add(Slot slot, InvoiceLine line) {
    lines.computeIfAbsent(slot, s -> new ArrayList<>()).add(line);
  }

  private BigDecimal idleMoney(Charge.Held charge, PriceBasis basis, int held, int wanted, int m) {
    Reductions here = Reductions.of(purchase.offers(), charge, m);
    BigDecimal all = here.apply(MonthlyPrice.of(charge, held, basis), BigDecimal.valueOf(held));
    BigDecimal enough =
        here.apply(MonthlyPrice.of(charge, wanted, basis), BigDecimal.valueOf(wanted));
    return basis.tax().without(all.subtract(enough).max(BigDecimal.ZERO));
  }

  private void idle(int m, int units, BigDecimal money) {
    idleUnits[m - term.from()] += units;
    idleMoney[m - term.from()] = idleMoney[m - term.from()].add(money);
  }

  /**
   * Once for the account, or for every unit more than ever before; what is owned in the first month
   * is paid for good.
   */
  private void billOnce(Charge.OneOff charge) {
    if (charge.price().isFree()) {
      return;
    }
    int most =
        Math.max(
            history.once(purchase.plan().id(), charge.name()),
            purchase.holding(0).oncePaid(charge));
    for (int m = term.from(); m < lastMonth(); m++) {
      int month = m;
      int units = charge.each().map(measure -> purchase.seats(measure, month)).orElse(1);
      if (units > most) {
        Reductions here = Reductions.of(purchase.offers(), charge, m);
        add(month(m), new InvoiceLine.Once(charge, basis(m), here, units - most));
        most = units;
      }
    }
    history = history.paid(purchase.plan().id(), charge.name(), most);
  }

  private void billUsage(Charge.Usage charge) {
    boolean bySeat = charge.included().perSeat().signum() > 0;
    for (int m = term.from(); m < lastMonth(); m++) {
      BigDecimal demand = purchase.needed().get(m).amount(charge.measure()).orElseThrow();
      int seats = bySeat ? purchase.seats(charge.included().seats(), m) : 0;
      Reductions here = Reductions.of(purchase.offers(), charge, m);
      addUnlessZero(month(m), new InvoiceLine.Used(charge, basis(m), here, demand, seats));
    }
  }

  private void billFees(Charge.PaymentFee charge) {
    for (int m = term.from(); m < lastMonth(); m++) {
      BigDecimal payments = purchase.needed().get(m).amount(charge.payments()).orElseThrow();
      Reductions here = Reductions.of(purchase.offers(), charge, m);
      addUnlessZero(
          month(m),
          new InvoiceLine.Fee(
              charge, basis(m), here, payments, purchase.averagePayment().orElse(BigDecimal.ZERO)));
    }
  }

  private void addUnlessZero(MonthSpan covers, InvoiceLine line) {
    if (!line.amount().isZero()) {
      add(covers, line);
    }
  }

  private static MonthSpan month(int m) {
    return new MonthSpan(m, m + 1);
  }

  /**
   * Amounts off an invoice. It counts among the first ones of an offer if the lines it touches came
   * to something before any amount; of two offers the one that touches fewer lines takes first, so
   * that it does not matter in which order they were written down.
   */
  private void takeOff(Slot slot, List<InvoiceLine> invoice) {
    List<InvoiceLine> charged = List.copyOf(invoice);
    List<Offer> taking =
        purchase.offers().stream()
            .filter(offer -> offer.benefit() instanceof Offer.Benefit.AmountOff)
            .filter(offer -> offer.holdsIn(slot.due()))
            .filter(offer -> left(offer) > 0 && touched(charged, offer).isPositive())
            .sorted(
                Comparator.comparingLong((Offer offer) ->
                        charged.stream().filter(line -> line.touchedBy(offer)).count())
                    .thenComparing(Offer::name))
            .toList();
    for (Offer offer : taking) {
      Money touched = touched(charged, offer).plus(taken(invoice, charged, offer));
      InvoiceLine line =
          new InvoiceLine.TakenOff(
              offer,
              (Offer.Benefit.AmountOff) offer.benefit(),
              basis(slot.due()),
              touched.isNegative() ? Money.zero(currency()) : touched);
      invoice.add(line);
      history = history.reduced(offer.name(), history.reduced(offer.name()) + 1);
    }
  }

  /** What other offers took off this invoice from a line that this one touches too; 0 or below. */
  private Money taken(List<InvoiceLine> invoice, List<InvoiceLine> charged, Offer offer) {
    return sum(
        invoice.stream()
            .filter(line ->
                line instanceof InvoiceLine.TakenOff off
                    && charged.stream()
                        .anyMatch(c -> c.touchedBy(offer) && c.touchedBy(off.offer())))
            .map(InvoiceLine::amount));
  }

  /** How many more invoices an offer takes an amount off. */
  private int left(Offer offer) {
    return offer.benefit() instanceof Offer.Benefit.AmountOff off
        ? off.invoices() - history.reduced(offer.name())
        : 0;
  }

  private Money touched(List<InvoiceLine> invoice, Offer offer) {
    return sum(invoice.stream().filter(line -> line.touchedBy(offer)).map(InvoiceLine::amount));
  }

  private Money sum(Stream<Money> amounts) {
    return amounts.reduce(Money.zero(currency()), Money::plus);
  }

  private CurrencyUnit currency() {
    return purchase.list().currency();
  }

  /** What the term adds to a run; empty if its plan has no yearly minimum under any term. */
  private Optional<RunMonths> run(List<Invoice> invoices) {
    boolean none =
        purchase.plan().charged().stream().allMatch(list -> list.yearlyMinimum().isEmpty());
    return none
        ? Optional.empty()
        : Optional.of(
            new RunMonths(
                purchase.plan().id(), term.from(), charged(invoices), floor(), currency(), rate));
  }

  private Optional<Floor> floor() {
    return purchase.list().yearlyMinimum().map(minimum -> new Floor(minimum, basis(term.from())));
  }

  /** What the months of this term are charged, spread, up to where it ends or was left. */
  private List<Money> charged(List<Invoice> invoices) {
    Money[] months = new Money[(isLeft() ? leave : term.end()) - term.from()];
    java.util.Arrays.fill(months, Money.zero(currency()));
    for (Invoice invoice : invoices) {
      Money[] shares = invoice.ownShares();
      for (int i = 0; i < shares.length; i++) {
        int m = invoice.covers().from() + i - term.from();
        if (m < months.length) {
          months[m] = months[m].plus(shares[i]);
        }
      }
    }
    return List.of(months);
  }

  private List<Ledger.Idle> idle() {
    List<Ledger.Idle> idle = new ArrayList<>();
    for (int i = 0; i < idleUnits.length; i++) {
      BigDecimal exact = rate.map(ExchangeRate::rate).orElse(BigDecimal.ONE).multiply(idleMoney[i]);
      idle.add(new Ledger.Idle(idleUnits[i], Rounding.toMinorUnit(exact, reporting())));
    }
    return idle;
  }
}
