package tertulia.core.path;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.IntStream;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import tertulia.core.billing.CostTiming;
import tertulia.core.billing.Invoice;
import tertulia.core.billing.InvoiceLine;
import tertulia.core.billing.Ledger;
import tertulia.core.billing.UnitsNeeded;
import tertulia.core.fit.Offering;
import tertulia.core.money.PriceRise;
import tertulia.core.money.Rounding;
import tertulia.core.pricing.BillingTerm.Payment;
import tertulia.core.pricing.Charge;
import tertulia.core.pricing.MonthlyPrice;
import tertulia.core.pricing.PriceBasis;
import tertulia.core.pricing.PriceList;
import tertulia.core.pricing.UnitRule;
import tertulia.core.time.Horizon;
import tertulia.core.time.MonthSpan;

/**
 * A plan under two terms at once: the units needed all year on a committed one, those of a season
 * by the month; see {@link BaseAndPeak}. Only plans that charge for each unit alike, and for
 * nothing else, that have no offers and are not owned.
 *
 * @param mixed how many units are on which term
 * @param path its monthly units, and the committed ones alongside
 */
public record BaseAndPeakWay(BaseAndPeak mixed, PlanPath path) {
  /**
   * The cheapest of a tool's plans, in the view; empty if none can be mixed so, or all is alike.
   */
  public static Optional<BaseAndPeakWay> cheapest(
      List<Offering> offerings,
      Market market,
      List<UnitsNeeded> months,
      PriceRise rise,
      Horizon horizon,
      CostTiming view) {
    BaseAndPeakWay best = null;
    for (Offering offering : offerings) {
      if (offering.offers().isEmpty() && offering.owned().isEmpty()) {
        Terms of = new Terms(offering, market, months, rise, horizon);
        for (BaseAndPeakWay way : of.ways()) {
          if (best == null || way.total(view).isLessThan(best.total(view))) {
            best = way;
          }
        }
      }
    }
    return Optional.ofNullable(best);
  }

  private Money total(CostTiming view) {
    return path.ledger().total(view);
  }

  /** The most units that are committed in a month. */
  public int mostCommitted() {
    return IntStream.range(0, path.ledger().horizon().months())
        .map(mixed::committed)
        .max()
        .orElse(0);
  }

  private record Terms(
      Offering offering, Market market, List<UnitsNeeded> months, PriceRise rise, Horizon horizon) {
    /** By each committed term beside the monthly one. */
    List<BaseAndPeakWay> ways() {
      List<Option> sold =
          offering.plan().charged().stream()
              .filter(list -> market.terms().allows(list.term()))
              .filter(list -> !offering.plan().isLeast(list.term()))
              .map(list -> Option.of(offering, list, market.fit()))
              .filter(this::isPlain)
              .toList();
      Optional<Option> monthly =
          sold.stream().filter(option -> !option.list().term().isCommitted()).findFirst();
      return monthly.stream()
          .flatMap(by ->
              sold.stream()
                  .filter(option -> option.list().term().isCommitted())
                  .filter(option -> charge(option).measure().equals(charge(by).measure()))
                  .flatMap(option -> way(by, option).stream()))
          .toList();
    }

    private boolean isPlain(Option option) {
      PriceList list = option.list();
      return list.charges().size() == 1
          && list.charges().getFirst() instanceof Charge.PerUnit unit
          && unit.rule().equals(UnitRule.PLAIN)
          && list.yearlyMinimum().isEmpty()
          && option.addOns().isEmpty()
          && option.outside().isEmpty()
          && market.whyUnpriced(list, months.getFirst()).isEmpty()
          && IntStream.range(0, months.size())
              .allMatch(m ->
                  market.fit().at(offering, list, months.get(m), horizon.month(m)).qualifies());
    }

    private static Charge.PerUnit charge(Option option) {
      return (Charge.PerUnit) option.list().charges().getFirst();
    }

    private BigDecimal price(Option option, int m) {
      return MonthlyPrice.of(charge(option), 1, basis(m));
    }

    private PriceBasis basis(int m) {
      return PriceBasis.inMonth(offering.plan(), rise, m);
    }

    private Optional<BaseAndPeakWay> way(Option monthly, Option committed) {
      List<Integer> units =
          months.stream().map(month -> month.of(charge(monthly).measure()).orElseThrow()).toList();
      BaseAndPeak mixed =
          BaseAndPeak.of(
              units,
              new BaseAndPeak.Sold(
                  committed.list().term().monthsCommitted(),
                  m -> price(committed, m),
                  m -> price(monthly, m),
                  monthly.list().currency().getDecimalPlaces()));
      if (mixed.bought().isEmpty() || mixed.monthly().stream().allMatch(n -> n == 0)) {
        return Optional.empty();
      }
      PlanPath peak = peak(monthly, mixed, units);
      return Optional.of(
          new BaseAndPeakWay(
              mixed,
              peak.with(
                  List.of(
                      new PlanPath.Alongside(
                          PlanPath.Alongside.Kind.TERM,
                          List.of(),
                          base(committed, mixed, units))))));
    }

    private PlanPath peak(Option monthly, BaseAndPeak mixed, List<Integer> units) {
      List<Invoice> invoices = new ArrayList<>();
      for (int m = 0; m < units.size(); m++) {
        int loose = mixed.monthly().get(m);
        if (loose > 0) {
          invoices.add(invoice(monthly, m, m, m + 1, loose, m));
        }
      }
      PlanPath.Leg leg =
          new PlanPath.Leg(
              monthly, new MonthSpan(0, units.size()), units.size(), List.of(), invoices);
      return path(List.of(leg), invoices, List.of());
    }

    private PlanPath base(Option committed, BaseAndPeak mixed, List<Integer> units) {
      int length = committed.list().term().monthsCommitted();
      Map<Integer, List<Invoice>> terms = new TreeMap<>();
      for (BaseAndPeak.Bought bought : mixed.bought()) {
        List<Invoice> bills = terms.computeIfAbsent(bought.term(), term -> new ArrayList<>());
        int end = bought.term() + length;
        if (committed.list().term().payment() == Payment.UP_FRONT) {
          bills.add(
              invoice(
                  committed, bought.month(), bought.month(), end, bought.units(), bought.term()));
        } else {
          for (int m = bought.month(); m < end; m++) {
            bills.add(invoice(committed, m, m, m + 1, bought.units(), bought.term()));
          }
        }
      }
      List<PlanPath.Leg> legs = new ArrayList<>();
      List<Invoice> all = new ArrayList<>();
      terms.forEach((begin, bills) -> {
        legs.add(
            new PlanPath.Leg(
                committed,
                new MonthSpan(begin, Math.min(begin + length, units.size())),
                begin + length,
                List.of(),
                bills));
        all.addAll(bills);
      });
      List<Ledger.Idle> idle = new ArrayList<>();
      for (int m = 0; m < units.size(); m++) {
        int many = Math.max(0, mixed.committed(m) - units.get(m));
        BigDecimal exact = price(committed, m).multiply(BigDecimal.valueOf(many));
        Money money = Rounding.toMinorUnit(exact, committed.list().currency());
        idle.add(
            new Ledger.Idle(
                many,
                market.rate(committed.list()).map(rate -> rate.convert(money)).orElse(money)));
      }
      return path(legs, all, idle);
    }

    private Invoice invoice(Option option, int due, int from, int end, int units, int priced) {
      CurrencyUnit currency = option.list().currency();
      return new Invoice(
          due,
          new MonthSpan(from, end),
          currency,
          List.of(
              new InvoiceLine.Held(
                  charge(option), basis(priced), List.of(), units, units, 0, from, end - from)),
          market.rate(option.list()));
    }

    private PlanPath path(List<PlanPath.Leg> legs, List<Invoice> invoices, List<Ledger.Idle> idle) {
      return new PlanPath(
          legs,
          new Ledger(horizon, market.reporting(), invoices, idle),
          List.of(),
          List.of(),
          Money.zero(market.reporting()));
    }
  }
}
