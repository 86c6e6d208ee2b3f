package tertulia.core.billing;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import tertulia.core.money.ExchangeRate;
import tertulia.core.money.PriceRise;
import tertulia.core.money.Rounding;
import tertulia.core.pricing.BillingTerm.Payment;
import tertulia.core.pricing.Charge;
import tertulia.core.pricing.MonthlyPrice;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.PriceBasis;
import tertulia.core.pricing.PriceList;
import tertulia.core.time.Horizon;
import tertulia.core.time.MonthSpan;

/**
 * Bills one plan under one term, term after term, over a horizon. At the start of a term the units
 * then needed are bought for all of it; additions are invoiced for the months left; fewer can be
 * held only from the next term on. With a monthly term units follow demand.
 */
public final class Biller {
  private final Plan plan;
  private final PriceList list;
  private final List<UnitsNeeded> needed;
  private final PriceRise rise;
  private final Horizon horizon;
  private final Map<MonthSpan, List<InvoiceLine>> lines =
      new TreeMap<>(
          java.util.Comparator.comparingInt(MonthSpan::from)
              .thenComparing(MonthSpan::end, java.util.Comparator.reverseOrder()));
  private final int[] idleUnits;
  private final BigDecimal[] idleMoney;

  private Biller(
      Plan plan, PriceList list, List<UnitsNeeded> needed, PriceRise rise, Horizon horizon) {
    this.plan = plan;
    this.list = list;
    this.needed = needed;
    this.rise = rise;
    this.horizon = horizon;
    this.idleUnits = new int[horizon.months()];
    this.idleMoney = new BigDecimal[horizon.months()];
    java.util.Arrays.fill(idleMoney, BigDecimal.ZERO);
  }

  /**
   * The invoices of {@code plan} under {@code list}.
   *
   * @param needed units needed by plan month; every measure the list counts must be there
   * @param rate brings the invoices into the reporting currency; empty if they are in it
   */
  public static Ledger bill(
      Plan plan,
      PriceList list,
      List<UnitsNeeded> needed,
      PriceRise rise,
      Horizon horizon,
      Optional<ExchangeRate> rate) {
    Biller biller = new Biller(plan, list, needed, rise, horizon);
    int length = list.term().monthsCommitted();
    for (int start = 0; start < horizon.months(); start += length) {
      MonthSpan term = new MonthSpan(start, start + length);
      PriceBasis basis = new PriceBasis(plan.source(), rise, start / 12);
      for (Charge charge : list.charges()) {
        biller.billTerm(charge, basis, term);
      }
    }
    return biller.ledger(rate);
  }

  private void billTerm(Charge charge, PriceBasis basis, MonthSpan term) {
    boolean upFront = list.term().payment() == Payment.UP_FRONT;
    int held = 0;
    BigDecimal invoiced = BigDecimal.ZERO;
    for (int m = term.from(); m < term.end(); m++) {
      boolean within = horizon.contains(m);
      int demand = within ? demand(charge, m) : held;
      int wanted = within ? paidUnits(charge, demand) : held;
      held = Math.max(held, wanted);
      BigDecimal monthly = MonthlyPrice.of(charge, held, basis);
      if (!upFront) {
        add(charge, basis, new MonthSpan(m, m + 1), demand, held, BigDecimal.ZERO);
      } else if (m == term.from()) {
        add(charge, basis, term, demand, held, BigDecimal.ZERO);
        invoiced = monthly;
      } else if (monthly.compareTo(invoiced) > 0) {
        add(charge, basis, new MonthSpan(m, term.end()), demand, held, invoiced);
        invoiced = monthly;
      }
      if (within && held > wanted) {
        idle(m, held - wanted, monthly.subtract(MonthlyPrice.of(charge, wanted, basis)));
      }
    }
  }

  private int demand(Charge charge, int m) {
    return switch (charge) {
      case Charge.Flat flat -> 0;
      case Charge.Counted counted -> needed.get(m).of(counted.measure()).orElseThrow();
    };
  }

  private int paidUnits(Charge charge, int demand) {
    return switch (charge) {
      case Charge.Flat flat -> 0;
      case Charge.Counted counted -> plan.paidUnits(counted, demand);
    };
  }

  private void add(
      Charge charge,
      PriceBasis basis,
      MonthSpan covers,
      int demand,
      int units,
      BigDecimal already) {
    lines
        .computeIfAbsent(covers, span -> new ArrayList<>())
        .add(new InvoiceLine(charge, basis, demand, units, already, covers.months()));
  }

  private void idle(int m, int units, BigDecimal money) {
    idleUnits[m] += units;
    idleMoney[m] = idleMoney[m].add(money.max(BigDecimal.ZERO));
  }

  private Ledger ledger(Optional<ExchangeRate> rate) {
    CurrencyUnit own = list.currency();
    CurrencyUnit reporting = rate.map(ExchangeRate::to).orElse(own);
    List<Invoice> invoices = new ArrayList<>();
    lines.forEach((covers, parts) -> invoices.add(new Invoice(covers, own, parts, rate)));
    List<Ledger.Idle> idle = new ArrayList<>();
    for (int m = 0; m < horizon.months(); m++) {
      BigDecimal exact = rate.map(ExchangeRate::rate).orElse(BigDecimal.ONE).multiply(idleMoney[m]);
      Money money = Rounding.toMinorUnit(exact, reporting);
      idle.add(new Ledger.Idle(idleUnits[m], money));
    }
    return new Ledger(horizon, reporting, invoices, idle);
  }
}
