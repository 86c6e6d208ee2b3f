package tertulia.core.billing;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import tertulia.core.growth.Measure;
import tertulia.core.money.ExchangeRate;
import tertulia.core.money.Rounding;
import tertulia.core.money.UnitPrice;
import tertulia.core.pricing.BillingTerm.Payment;
import tertulia.core.pricing.Charge;
import tertulia.core.pricing.MonthlyPrice;
import tertulia.core.pricing.Offer;
import tertulia.core.pricing.PriceBasis;
import tertulia.core.pricing.Reductions;
import tertulia.core.time.Horizon;
import tertulia.core.time.MonthSpan;

/**
 * Bills one plan under one term, term after term, over a horizon. At the start of a term the units
 * then needed are bought for all of it; additions are invoiced for the months left; fewer can be
 * held only from the next term on. With a monthly term units follow demand. Usage and fees are
 * billed for their month whatever the term, one-offs when first taken, and what is missing to a
 * yearly minimum at the end of each year.
 */
public final class Biller {
  private final Purchase purchase;
  private final Horizon horizon;
  private final Map<Slot, List<InvoiceLine>> lines = new TreeMap<>(Slot.ORDER);
  private final int[] idleUnits;
  private final BigDecimal[] idleMoney;

  /** When an invoice falls due and what it covers. */
  private record Slot(int due, MonthSpan covers) {
    static final Comparator<Slot> ORDER =
        Comparator.comparingInt(Slot::due)
            .thenComparing(slot -> slot.covers().end(), Comparator.reverseOrder())
            .thenComparing(slot -> slot.covers().from());
  }

  private Biller(Purchase purchase) {
    this.purchase = purchase;
    this.horizon = purchase.horizon();
    this.idleUnits = new int[horizon.months()];
    this.idleMoney = new BigDecimal[horizon.months()];
    java.util.Arrays.fill(idleMoney, BigDecimal.ZERO);
  }

  /**
   * The invoices of a purchase.
   *
   * @param rate brings the invoices into the reporting currency; empty if they are in it
   */
  public static Ledger bill(Purchase purchase, Optional<ExchangeRate> rate) {
    Biller biller = new Biller(purchase);
    for (Charge charge : purchase.list().charges()) {
      switch (charge) {
        case Charge.Held held -> biller.billTerms(held);
        case Charge.OneOff oneOff -> biller.billOnce(oneOff);
        case Charge.Usage usage -> biller.billUsage(usage);
        case Charge.PaymentFee fee -> biller.billFees(fee);
      }
    }
    purchase.offers().forEach(biller::takeOff);
    purchase.list().yearlyMinimum().ifPresent(biller::billMinimum);
    return biller.ledger(rate);
  }

  private PriceBasis basis(int m) {
    return PriceBasis.inMonth(purchase.plan(), purchase.rise(), m);
  }

  private void billTerms(Charge.Held charge) {
    int length = purchase.list().term().monthsCommitted();
    for (int start = 0; start < horizon.months(); start += length) {
      billTerm(charge, basis(start), new MonthSpan(start, start + length));
    }
  }

  private void billTerm(Charge.Held charge, PriceBasis basis, MonthSpan term) {
    boolean upFront = purchase.list().term().payment() == Payment.UP_FRONT;
    int held = 0;
    int needed = 0;
    int invoiced = 0;
    for (int m = term.from(); m < term.end(); m++) {
      boolean within = horizon.contains(m);
      int wanted = within ? purchase.wanted(charge, m) : held;
      needed = within ? needed(charge, m) : needed;
      held = Math.max(held, wanted);
      if (!upFront) {
        add(charge, basis, new MonthSpan(m, m + 1), needed, held, 0);
      } else if (m == term.from()) {
        add(charge, basis, term, needed, held, 0);
        invoiced = held;
      } else if (isDearer(charge, basis, held, invoiced)) {
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
    idleUnits[m] += units;
    idleMoney[m] = idleMoney[m].add(money);
  }

  /** Once for the account, or for every unit more than ever before; never for what is owned. */
  private void billOnce(Charge.OneOff charge) {
    int most = 0;
    for (int m = 0; m < horizon.months(); m++) {
      int units = charge.each().isEmpty() ? 1 : taken(charge.each().get(), m);
      if (m == 0 && purchase.ownedIn(0).isPresent()) {
        most = charge.each().isEmpty() ? 1 : Math.min(units, purchase.ownedIn(0).get().units());
      }
      if (units > most) {
        Reductions here = Reductions.of(purchase.offers(), charge, m);
        add(month(m), new InvoiceLine.Once(charge, basis(m), here, units - most));
        most = units;
      }
    }
  }

  private int taken(Measure measure, int m) {
    return purchase.seats(measure, m);
  }

  private void billUsage(Charge.Usage charge) {
    boolean bySeat = charge.included().perSeat().signum() > 0;
    for (int m = 0; m < horizon.months(); m++) {
      BigDecimal demand = purchase.needed().get(m).amount(charge.measure()).orElseThrow();
      int seats = bySeat ? purchase.seats(charge.included().seats(), m) : 0;
      Reductions here = Reductions.of(purchase.offers(), charge, m);
      addUnlessZero(month(m), new InvoiceLine.Used(charge, basis(m), here, demand, seats));
    }
  }

  private void billFees(Charge.PaymentFee charge) {
    for (int m = 0; m < horizon.months(); m++) {
      BigDecimal payments = purchase.needed().get(m).amount(charge.payments()).orElseThrow();
      Reductions here = Reductions.of(purchase.offers(), charge, m);
      addUnlessZero(
          month(m),
          new InvoiceLine.Fee(
              charge, basis(m), here, payments, purchase.averagePayment().orElseThrow()));
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

  /** An amount off each of the first invoices that hold something it touches. */
  private void takeOff(Offer offer) {
    if (!(offer.benefit() instanceof Offer.Benefit.AmountOff off)) {
      return;
    }
    int left = off.invoices();
    for (Map.Entry<Slot, List<InvoiceLine>> invoice : lines.entrySet()) {
      int due = invoice.getKey().due();
      Money touched = touched(invoice.getValue(), offer);
      if (left > 0 && touched.isPositive() && offer.holdsIn(due)) {
        invoice.getValue().add(new InvoiceLine.TakenOff(offer, off, basis(due), touched));
        left--;
      }
    }
  }

  /** What an invoice's touched lines come to, less what other offers took off it already. */
  private Money touched(List<InvoiceLine> invoice, Offer offer) {
    Money touched =
        sum(invoice.stream().filter(line -> line.touchedBy(offer)).map(InvoiceLine::amount));
    Money taken =
        sum(
            invoice.stream()
                .filter(InvoiceLine.TakenOff.class::isInstance)
                .map(InvoiceLine::amount));
    Money left = touched.plus(taken);
    return left.isNegative() ? Money.zero(currency()) : left;
  }

  private Money sum(Stream<Money> amounts) {
    return amounts.reduce(Money.zero(currency()), Money::plus);
  }

  private CurrencyUnit currency() {
    return purchase.list().currency();
  }

  /** For every twelve months, and for those left at the end, what is missing to the minimum. */
  private void billMinimum(UnitPrice minimum) {
    int length = purchase.list().term().monthsCommitted();
    int end = Math.ceilDiv(horizon.months(), length) * length;
    Money[] charged = chargedByMonth(end);
    for (int from = 0; from < horizon.months(); from += 12) {
      MonthSpan year = new MonthSpan(from, Math.min(from + 12, end));
      Money sum = sum(java.util.Arrays.stream(charged, year.from(), year.end()));
      PriceBasis basis = basis(from / length * length);
      InvoiceLine line = new InvoiceLine.ToMinimum(minimum, basis, year.months(), sum);
      if (!line.amount().isZero()) {
        add(new Slot(year.end() - 1, year), line);
      }
    }
  }

  /** The spread of all invoices so far, in their own currency. */
  private Money[] chargedByMonth(int end) {
    Money[] months = new Money[end];
    java.util.Arrays.fill(months, Money.zero(currency()));
    lines.forEach((slot, parts) -> {
      Money[] shares =
          new Invoice(slot.due(), slot.covers(), currency(), parts, Optional.empty()).ownShares();
      for (int i = 0; i < shares.length; i++) {
        int m = slot.covers().from() + i;
        months[m] = months[m].plus(shares[i]);
      }
    });
    return months;
  }

  private Ledger ledger(Optional<ExchangeRate> rate) {
    CurrencyUnit reporting = rate.map(ExchangeRate::to).orElse(currency());
    List<Invoice> invoices = new ArrayList<>();
    lines.forEach((slot, parts) ->
        invoices.add(new Invoice(slot.due(), slot.covers(), currency(), parts, rate)));
    List<Ledger.Idle> idle = new ArrayList<>();
    for (int m = 0; m < horizon.months(); m++) {
      BigDecimal exact = rate.map(ExchangeRate::rate).orElse(BigDecimal.ONE).multiply(idleMoney[m]);
      idle.add(new Ledger.Idle(idleUnits[m], Rounding.toMinorUnit(exact, reporting)));
    }
    return new Ledger(horizon, reporting, invoices, idle);
  }
}
