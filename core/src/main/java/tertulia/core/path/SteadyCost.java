package tertulia.core.path;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;
import tertulia.core.billing.InvoiceLine;
import tertulia.core.billing.UnitsNeeded;
import tertulia.core.fit.Fit;
import tertulia.core.fit.Offering;
import tertulia.core.fit.Verdict;
import tertulia.core.growth.Measure;
import tertulia.core.money.ExchangeRate;
import tertulia.core.money.UnitPrice;
import tertulia.core.pricing.Charge;
import tertulia.core.pricing.ExternalCover;
import tertulia.core.pricing.Holding;
import tertulia.core.pricing.Owned;
import tertulia.core.pricing.PlanPrices;
import tertulia.core.pricing.PriceBasis;
import tertulia.core.pricing.PriceList;
import tertulia.core.pricing.Reductions;
import tertulia.core.working.Derivation;
import tertulia.core.working.Quantity;

/**
 * The steady monthly cost of an option: all charges for one month's units at today's list, each
 * rounded, and of what is bought once its share of a month; rises, offers and hours are left out,
 * what is owned in that month counts.
 *
 * @param lines one a charge, for one month
 * @param outside what is covered outside in that month, in the reporting currency
 * @param rate the rate of exchange used; empty if none was needed
 * @param owned what of it is paid for already and so not in the figure
 * @param alongside what is bought together with it; it is in the figure
 */
public record SteadyCost(
    Option option,
    List<InvoiceLine> lines,
    List<ExternalCover> outside,
    Optional<ExchangeRate> rate,
    Money money,
    Optional<Owned> owned,
    List<SteadyCost> alongside) {
  public SteadyCost {
    outside = List.copyOf(outside);
    lines = List.copyOf(lines);
    alongside = List.copyOf(alongside);
  }

  /** This together with others. */
  private SteadyCost with(List<SteadyCost> others) {
    return new SteadyCost(
        option,
        lines,
        outside,
        rate,
        others.stream().map(SteadyCost::money).reduce(money, Money::plus),
        owned,
        others);
  }

  /** What is bought for it, such as "Crew, monthly", with what is bought together after a plus. */
  public String label() {
    return Stream.concat(
            Stream.of(option.label()), alongside.stream().map(other -> other.option().label()))
        .collect(Collectors.joining(" + "));
  }

  /**
   * Several that are bought together: their sum, or the first that has no figure.
   *
   * @param others of other tools
   */
  public static Outcome<SteadyCost> together(
      Outcome<SteadyCost> first, List<Outcome<SteadyCost>> others) {
    return Outcome.together(first, others, SteadyCost::with);
  }

  /** The one that is less; the first if both are level, or only that has a figure. */
  public static Outcome<SteadyCost> less(Outcome<SteadyCost> first, Outcome<SteadyCost> second) {
    if (!(second instanceof Outcome.Found<SteadyCost> other)) {
      return first;
    }
    return switch (first) {
      case Outcome.Found<SteadyCost> one ->
          other.best().money().isLessThan(one.best().money())
              ? beside(other, one.leftOut())
              : first;
      case Outcome.Unpriced<SteadyCost> open -> beside(other, open.leftOut());
      case Outcome.NoPlan<SteadyCost> none -> other;
    };
  }

  /** With what has no figure and may be cheaper than it. */
  private static Outcome<SteadyCost> beside(Outcome.Found<SteadyCost> found, List<LeftOut> others) {
    List<LeftOut> all = new ArrayList<>(found.leftOut());
    all.addAll(others);
    return new Outcome.Found<>(found.best(), found.others(), all, found.passedOver(), found.low());
  }

  /** The cheapest qualifying option of a tool. */
  public static Outcome<SteadyCost> cheapest(
      List<Offering> offerings, Market market, EvaluationPoint occasion) {
    return cheapest(Candidates.of(offerings, market), market, occasion, Optional.empty());
  }

  /** As above; on equality the option {@code before} stays. */
  static Outcome<SteadyCost> cheapest(
      Candidates candidates, Market market, EvaluationPoint occasion, Optional<OptionName> before) {
    return new Steady(market, occasion)
        .choose(candidates, cost -> before.map(b -> b.equals(cost.option().name())).orElse(false));
  }

  /**
   * The cost of a plan under the cheapest of its terms that are allowed, whether or not it
   * qualifies; empty if none has a figure.
   */
  public static Optional<SteadyCost> cheapestTerm(
      Offering offering, Market market, EvaluationPoint occasion) {
    return cheapestOf(offering, PlanPrices.End.HIGH, false, market, occasion);
  }

  /**
   * The least a plan comes to a month by the prices of which only the least is known, under the
   * cheapest of its terms that are allowed; empty if it lists none such.
   */
  public static Optional<SteadyCost> least(
      Offering offering, Market market, EvaluationPoint occasion) {
    return cheapestOf(offering, PlanPrices.End.LOW, true, market, occasion);
  }

  /**
   * Of the lists at one end those of which only the least is known, or those of which it is not.
   */
  private static Optional<SteadyCost> cheapestOf(
      Offering offering,
      PlanPrices.End end,
      boolean least,
      Market market,
      EvaluationPoint occasion) {
    return offering.plan().lists(end).stream()
        .filter(list -> market.terms().allows(list.term()))
        .filter(list -> offering.plan().isLeast(list.term()) == least)
        .map(list -> list.asking(market.demands().keySet()))
        .map(list -> Option.of(offering, list, market.fit()))
        .filter(option -> market.whyUnpriced(option.list(), occasion.units()).isEmpty())
        .filter(option -> isWithinBands(option, market, occasion))
        .map(option -> of(option, market, occasion))
        .min(java.util.Comparator.comparing(SteadyCost::money));
  }

  /** What of it is a month's share of things bought once, in the reporting currency; 0 if none. */
  public Money boughtOnce() {
    CurrencyUnit own = option.list().currency();
    Money sum =
        lines.stream()
            .filter(InvoiceLine.OnceShare.class::isInstance)
            .map(InvoiceLine::amount)
            .reduce(Money.zero(own), Money::plus);
    Money all = alongside.stream().map(SteadyCost::boughtOnce).reduce(Money::plus).orElse(null);
    Money alone = rate.map(r -> r.convert(sum)).orElse(sum);
    return all == null ? alone : alone.plus(all);
  }

  /** Beyond the last of its closed bands an option has no price. */
  private static boolean isWithinBands(Option option, Market market, EvaluationPoint occasion) {
    Holding holding = holding(option, market, occasion);
    return option.list().charges().stream()
        .filter(Charge.Counted.class::isInstance)
        .map(Charge.Counted.class::cast)
        .allMatch(counted ->
            counted.mostUnits().isEmpty()
                || holding.units(counted, occasion.units().of(counted.measure()).orElseThrow())
                    <= counted.mostUnits().getAsInt());
  }

  private static Holding holding(Option option, Market market, EvaluationPoint occasion) {
    return option.offering().holding(option.list(), market.horizon().month(occasion.owned()));
  }

  /** The cost of one option, whether or not it qualifies; empty if it has no figure. */
  public static Optional<SteadyCost> priced(
      Option option, Market market, EvaluationPoint occasion) {
    return market.whyUnpriced(option.list(), occasion.units()).isEmpty()
            && !option.plan().isLeast(option.list().term())
            && isWithinBands(option, market, occasion)
        ? Optional.of(of(option, market, occasion))
        : Optional.empty();
  }

  /** The cost of one option that qualifies and has a figure. */
  static SteadyCost of(Option option, Market market, EvaluationPoint occasion) {
    return new Steady(market, occasion).price(option);
  }

  /** The working of {@link #money}. */
  public Derivation explain() {
    if (alongside.isEmpty()) {
      return alone(money);
    }
    List<Derivation> all = new ArrayList<>();
    all.add(alone(alongside.stream().map(SteadyCost::money).reduce(money, Money::minus)));
    alongside.forEach(other -> all.add(other.explain()));
    return Derivation.Sum.of(label() + ", one month", money.getCurrencyUnit().getCode(), all);
  }

  private Derivation alone(Money money) {
    CurrencyUnit own = option.list().currency();
    List<Derivation> parts = new ArrayList<>();
    for (InvoiceLine line : lines) {
      parts.add(line.explain());
    }
    owned.ifPresent(o ->
        parts.add(
            new Derivation.Derived(
                "paid for already",
                new Quantity(BigDecimal.ZERO, own.getCode()),
                o.words(),
                List.of())));
    String label = option.label() + ", one month";
    Derivation sum = Derivation.Sum.of(label, own.getCode(), parts);
    if (outside.isEmpty()) {
      return inReporting(label, sum, money);
    }
    Money elsewhere = Option.monthly(outside).orElseThrow();
    List<Derivation> together = new ArrayList<>();
    together.add(inReporting("the plan", sum, money.minus(elsewhere)));
    outside.forEach(o -> together.add(new InvoiceLine.Elsewhere(o).explain()));
    return Derivation.Sum.of(label, money.getCurrencyUnit().getCode(), together);
  }

  private Derivation inReporting(String label, Derivation own, Money reported) {
    return rate.<Derivation>map(r ->
            new Derivation.Derived(
                label, Quantity.of(reported), r.words() + ", rounded", List.of(own)))
        .orElse(own);
  }

  private static final class Steady extends Chooser<SteadyCost> {
    private final Market market;
    private final EvaluationPoint occasion;

    Steady(Market market, EvaluationPoint occasion) {
      super(market);
      this.market = market;
      this.occasion = occasion;
    }

    @Override
    Verdict verdict(Fit fit, Offering offering, @Nullable PriceList list) {
      return fit.at(offering, list, occasion.units(), market.horizon().month(occasion.owned()));
    }

    @Override
    UnitsNeeded stated() {
      return occasion.units();
    }

    /** The larger of the charges and a twelfth of the yearly minimum, and on top what is once. */
    @Override
    SteadyCost price(Option option) {
      CurrencyUnit own = option.list().currency();
      Holding holding = holding(option, market, occasion);
      List<InvoiceLine> lines = new ArrayList<>();
      for (Charge charge : option.list().charges()) {
        line(option, holding, charge).ifPresent(lines::add);
      }
      option.list().yearlyMinimum().ifPresent(least -> toMinimum(option, least, lines));
      for (Charge charge : option.list().charges()) {
        if (charge instanceof Charge.OneOff once) {
          share(option, holding, once).ifPresent(lines::add);
        }
      }
      Money sum = sum(own, lines);
      Optional<ExchangeRate> rate = market.rate(option.list());
      Money reported = rate.map(r -> r.convert(sum)).orElse(sum);
      List<ExternalCover> outside =
          option.outside(market.fit(), occasion.units(), market.horizon().month(occasion.owned()));
      return new SteadyCost(
          option,
          lines,
          outside,
          rate,
          Option.monthly(outside).map(reported::plus).orElse(reported),
          holding.owned(),
          List.of());
    }

    private static Money sum(CurrencyUnit currency, List<InvoiceLine> lines) {
      return lines.stream().map(InvoiceLine::amount).reduce(Money.zero(currency), Money::plus);
    }

    private static void toMinimum(Option option, UnitPrice least, List<InvoiceLine> lines) {
      InvoiceLine line =
          new InvoiceLine.ToMinimum(
              least, PriceBasis.today(option.plan()), 1, sum(option.list().currency(), lines));
      if (!line.amount().isZero()) {
        lines.add(line);
      }
    }

    /** A month's share of what is bought once; empty if owning has paid for all of it. */
    private Optional<InvoiceLine> share(Option option, Holding holding, Charge.OneOff once) {
      int units = once.each().map(measure -> holding.seats(measure, demand(measure))).orElse(1);
      Holding atStart = option.offering().holding(option.list(), market.horizon().month(0));
      int paid = units - atStart.oncePaid(once);
      return paid > 0 && !once.price().isFree()
          ? Optional.of(
              new InvoiceLine.OnceShare(
                  once, PriceBasis.today(option.plan()), paid, market.horizon().months()))
          : Optional.empty();
    }

    private int demand(Measure measure) {
      return occasion.units().of(measure).orElseThrow();
    }

    private Optional<InvoiceLine> line(Option option, Holding holding, Charge charge) {
      PriceBasis basis = PriceBasis.today(option.plan());
      return switch (charge) {
        case Charge.Flat flat ->
            Optional.of(
                new InvoiceLine.Held(flat, basis, List.of(), 0, holding.accounts(flat), 0, 0, 1));
        case Charge.Counted counted -> {
          int needed = demand(counted.measure());
          int paid = holding.units(counted, needed);
          yield Optional.of(new InvoiceLine.Held(counted, basis, List.of(), needed, paid, 0, 0, 1));
        }
        case Charge.OneOff oneOff -> Optional.empty();
        case Charge.Usage usage ->
            Optional.of(
                new InvoiceLine.Used(
                    usage,
                    basis,
                    Reductions.NONE,
                    occasion.units().amount(usage.measure()).orElseThrow(),
                    seats(holding, usage)));
        case Charge.PaymentFee fee ->
            Optional.of(
                new InvoiceLine.Fee(
                    fee,
                    basis,
                    Reductions.NONE,
                    occasion.units().amount(fee.payments()).orElseThrow(),
                    market.averagePayment(option.list()).orElse(BigDecimal.ZERO)));
      };
    }

    private int seats(Holding holding, Charge.Usage usage) {
      Measure seats = usage.included().seats();
      return usage.included().perSeat().signum() == 0 ? 0 : holding.seats(seats, demand(seats));
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
