package tertulia.core.path;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import tertulia.core.billing.InvoiceLine;
import tertulia.core.billing.UnitsNeeded;
import tertulia.core.fit.Fit;
import tertulia.core.fit.Offering;
import tertulia.core.fit.Verdict;
import tertulia.core.growth.People;
import tertulia.core.money.ExchangeRate;
import tertulia.core.money.UnitPrice;
import tertulia.core.pricing.Charge;
import tertulia.core.pricing.PlanPrices;
import tertulia.core.pricing.PriceBasis;
import tertulia.core.pricing.Reductions;
import tertulia.core.working.Quantity;
import tertulia.core.working.Working;

/**
 * The steady monthly cost of an option: all charges for one month's units at today's list, each
 * rounded; one-offs, rises, offers, what is owned already and hours are left out.
 *
 * @param lines one a charge, for one month
 * @param rate the rate of exchange used; empty if none was needed
 */
public record SteadyCost(
    Option option, List<InvoiceLine> lines, Optional<ExchangeRate> rate, Money money) {
  public SteadyCost {
    lines = List.copyOf(lines);
  }

  /** The cheapest qualifying option of a tool for these people. */
  public static Outcome<SteadyCost> cheapest(
      List<Offering> offerings, Market market, People people) {
    return cheapest(
        Candidates.of(offerings, market), market, market.units(people), Optional.empty());
  }

  /** As above; on equality the option labelled {@code before} stays. */
  static Outcome<SteadyCost> cheapest(
      Candidates candidates, Market market, UnitsNeeded units, Optional<String> before) {
    return new Steady(market, units)
        .choose(candidates, cost -> before.map(b -> b.equals(cost.option().label())).orElse(false));
  }

  /**
   * The cost of a plan under the cheapest of its terms that are allowed, whether or not it
   * qualifies; empty if none has a figure.
   */
  public static Optional<SteadyCost> cheapestTerm(
      Offering offering, Market market, UnitsNeeded units) {
    return offering.plan().lists(PlanPrices.End.HIGH).stream()
        .filter(list -> market.terms().allows(list.term()))
        .map(list -> Option.of(offering, list, market.fit()))
        .filter(option -> market.whyUnpriced(option.list(), units).isEmpty())
        .filter(option -> isWithinBands(option, units))
        .map(option -> of(option, market, units))
        .min(java.util.Comparator.comparing(SteadyCost::money));
  }

  /** Beyond the last of its closed bands an option has no price. */
  private static boolean isWithinBands(Option option, UnitsNeeded units) {
    return option.list().charges().stream()
        .filter(Charge.Counted.class::isInstance)
        .map(Charge.Counted.class::cast)
        .allMatch(counted ->
            counted.mostUnits().isEmpty()
                || option.plan().paidUnits(counted, units.of(counted.measure()).orElseThrow())
                    <= counted.mostUnits().getAsInt());
  }

  /** The cost of one option that qualifies and has a figure. */
  static SteadyCost of(Option option, Market market, UnitsNeeded units) {
    return new Steady(market, units).price(option);
  }

  /** The working of {@link #money}. */
  public Working explain() {
    CurrencyUnit own = option.list().currency();
    List<Working> parts = new ArrayList<>();
    for (InvoiceLine line : lines) {
      parts.add(line.explain());
    }
    String label = option.label() + ", one month";
    Working sum = Working.Sum.of(label, own.getCode(), parts);
    if (option.outside().isEmpty()) {
      return inReporting(label, sum, money);
    }
    Money outside = option.outsideMonthly().orElseThrow();
    List<Working> together = new ArrayList<>();
    together.add(inReporting("the plan", sum, money.minus(outside)));
    option.outside().forEach(o -> together.add(new InvoiceLine.Elsewhere(o).explain()));
    return Working.Sum.of(label, money.getCurrencyUnit().getCode(), together);
  }

  private Working inReporting(String label, Working own, Money reported) {
    return rate.<Working>map(r ->
            new Working.Derived(
                label, Quantity.of(reported), r.words() + ", rounded", List.of(own)))
        .orElse(own);
  }

  private static final class Steady extends Chooser<SteadyCost> {
    private final Market market;
    private final UnitsNeeded units;

    Steady(Market market, UnitsNeeded units) {
      super(market);
      this.market = market;
      this.units = units;
    }

    @Override
    Verdict verdict(Fit fit, Option option) {
      return fit.at(option.offering(), option.list(), units);
    }

    @Override
    UnitsNeeded stated() {
      return units;
    }

    @Override
    SteadyCost price(Option option) {
      CurrencyUnit own = option.list().currency();
      List<InvoiceLine> lines = new ArrayList<>();
      for (Charge charge : option.list().charges()) {
        line(option, charge).ifPresent(lines::add);
      }
      option.list().yearlyMinimum().ifPresent(least -> toMinimum(option, least, lines));
      Money sum = sum(own, lines);
      Optional<ExchangeRate> rate = market.rate(option.list());
      Money reported = rate.map(r -> r.convert(sum)).orElse(sum);
      return new SteadyCost(
          option, lines, rate, option.outsideMonthly().map(reported::plus).orElse(reported));
    }

    private static Money sum(CurrencyUnit currency, List<InvoiceLine> lines) {
      return lines.stream().map(InvoiceLine::amount).reduce(Money.zero(currency), Money::plus);
    }

    /** At least a twelfth of the yearly minimum. */
    private static void toMinimum(Option option, UnitPrice least, List<InvoiceLine> lines) {
      InvoiceLine line =
          new InvoiceLine.ToMinimum(
              least, PriceBasis.today(option.plan()), 1, sum(option.list().currency(), lines));
      if (!line.amount().isZero()) {
        lines.add(line);
      }
    }

    private Optional<InvoiceLine> line(Option option, Charge charge) {
      PriceBasis basis = PriceBasis.today(option.plan());
      return switch (charge) {
        case Charge.Flat flat ->
            Optional.of(new InvoiceLine.Held(flat, basis, List.of(), 0, 1, 0, 0, 1));
        case Charge.Counted counted -> {
          int needed = units.of(counted.measure()).orElseThrow();
          int paid = option.plan().paidUnits(counted, needed);
          yield Optional.of(new InvoiceLine.Held(counted, basis, List.of(), needed, paid, 0, 0, 1));
        }
        case Charge.OneOff oneOff -> Optional.empty();
        case Charge.Usage usage ->
            Optional.of(
                new InvoiceLine.Used(
                    usage,
                    basis,
                    Reductions.NONE,
                    units.amount(usage.measure()).orElseThrow(),
                    seats(option, usage)));
        case Charge.PaymentFee fee ->
            Optional.of(
                new InvoiceLine.Fee(
                    fee,
                    basis,
                    Reductions.NONE,
                    units.amount(fee.payments()).orElseThrow(),
                    market.averagePayment(option.list()).orElseThrow()));
      };
    }

    private int seats(Option option, Charge.Usage usage) {
      if (usage.included().perSeat().signum() == 0) {
        return 0;
      }
      int demand = units.of(usage.included().seats()).orElseThrow();
      return option.list().seats(option.plan(), usage.included().seats(), demand);
    }

    @Override
    Option option(SteadyCost cost) {
      return cost.option();
    }

    @Override
    Money money(SteadyCost cost) {
      return cost.money();
    }
  }
}
