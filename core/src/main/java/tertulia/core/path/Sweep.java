package tertulia.core.path;

import java.math.BigDecimal;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.IntFunction;
import java.util.function.IntToLongFunction;
import java.util.function.LongUnaryOperator;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;
import tertulia.core.billing.UnitsNeeded;
import tertulia.core.deadline.Deadline;
import tertulia.core.fit.Offering;
import tertulia.core.growth.Demand;
import tertulia.core.growth.Measure;
import tertulia.core.growth.People;
import tertulia.core.path.Candidates.Candidate;
import tertulia.core.path.CostByHeadcount.Curve;
import tertulia.core.path.CostByHeadcount.PlanChange;
import tertulia.core.path.CostByHeadcount.Unpriced;
import tertulia.core.pricing.Charge;
import tertulia.core.pricing.Holding;
import tertulia.core.pricing.PriceList;
import tertulia.core.pricing.UnitRule;

/**
 * The inner loop of costs by headcount in whole minor units. What an option charges by seats, bands
 * and accounts is worked out in {@code long}; every other option takes the exact path for each
 * headcount. Both give the same figures.
 */
final class Sweep {
  private static final long NONE = TenThousandths.NONE;

  /** The cost of a priced candidate where it is out: above every cost. */
  private static final long ABOVE_ALL = Long.MAX_VALUE;

  /** So far below 0 that no further charge makes it a cost. */
  private static final long OUT = Long.MIN_VALUE / 2;

  /** Units per head are whole millionths here; others take the exact path. */
  private static final int RATE_DECIMALS = 6;

  /** Headcounts after which it is asked whether somebody still waits; some milliseconds. */
  private static final int BETWEEN_CHECKS = 64;

  private static final long RATE_UNIT = 1_000_000;
  private final Market market;
  private final IntFunction<Market> markets;
  private final People today;
  private final int month;
  private final int owned;
  private final int most;
  private final Map<Measure, int[]> demands = new HashMap<>();
  private final @Nullable EvaluationPoint[] exact;

  /**
   * A sweep over n = 1 … most.
   *
   * @param owned the plan month whose holding counts
   * @param markets what is priced against by n; alike but for the average payment, on which only
   *     what takes the exact path depends
   */
  Sweep(IntFunction<Market> markets, People today, int month, int owned, int most) {
    this.owned = owned;
    this.market = markets.apply(1);
    this.markets = markets;
    this.today = today;
    this.month = month;
    this.most = most;
    this.exact = new EvaluationPoint[most];
  }

  /** What n people need, exact. */
  private EvaluationPoint occasion(int n) {
    EvaluationPoint occasion = exact[n - 1];
    if (occasion == null) {
      occasion =
          new EvaluationPoint(market.occasion(today.scaledTo(n), month).units(), month, owned);
      exact[n - 1] = occasion;
    }
    return occasion;
  }

  private UnitsNeeded units(int n) {
    return occasion(n).units();
  }

  /** Whole units of a measure by n − 1. */
  private int[] demand(Measure measure) {
    return demands.computeIfAbsent(measure, this::findDemand);
  }

  private int[] findDemand(Measure measure) {
    int[] byPeople = new int[most];
    Demand demand = java.util.Objects.requireNonNull(market.demands().get(measure));
    long staff = today.counts().values().stream().mapToLong(Integer::longValue).sum();
    Optional<Long> fixed = scaled(demand.fixed());
    Optional<Long> perHead = perHead(demand);
    boolean plain =
        measure.whole()
            && measure.nature() != Measure.Nature.SUM
            && staff > 0
            && fixed.isPresent()
            && perHead.isPresent();
    for (int n = 1; n <= most; n++) {
      byPeople[n - 1] =
          plain
              ? Math.toIntExact(
                  Math.ceilDiv(
                      Math.addExact(
                          Math.multiplyExact(perHead.get(), n),
                          Math.multiplyExact(fixed.get(), staff)),
                      Math.multiplyExact(staff, RATE_UNIT)))
              : units(n).of(measure).orElseThrow();
    }
    return byPeople;
  }

  private Optional<Long> perHead(Demand demand) {
    long sum = 0;
    for (Map.Entry<String, BigDecimal> rate : demand.rates().entrySet()) {
      Optional<Long> scaled = scaled(rate.getValue());
      if (scaled.isEmpty()) {
        return Optional.empty();
      }
      sum =
          Math.addExact(
              sum, Math.multiplyExact(scaled.get(), today.counts().getOrDefault(rate.getKey(), 0)));
    }
    return Optional.of(sum);
  }

  private static Optional<Long> scaled(BigDecimal number) {
    BigDecimal plain = number.stripTrailingZeros();
    return plain.scale() > RATE_DECIMALS
        ? Optional.empty()
        : Optional.of(plain.movePointRight(RATE_DECIMALS).longValueExact());
  }

  /**
   * What one candidate costs.
   *
   * @param minors by n − 1; where it is out, above all if it is priced and −1 if not; out past the
   *     end
   */
  private record Swept(OptionName name, int place, boolean priced, boolean inLows, long[] minors) {
    Unpriced open() {
      boolean[] does = new boolean[minors.length];
      for (int i = 0; i < does.length; i++) {
        does[i] = minors[i] >= 0;
      }
      return new Unpriced(place, does, inLows);
    }
  }

  Curve curve(List<Offering> offerings) {
    Candidates both = Candidates.of(offerings, market);
    List<Swept> candidates = new ArrayList<>();
    for (Candidate candidate : both.high()) {
      swept(candidate).ifPresent(candidates::add);
    }
    long[][] priced = new long[candidates.size()][];
    List<Unpriced> open = new ArrayList<>();
    for (int c = 0; c < priced.length; c++) {
      boolean isPriced = candidates.get(c).priced();
      priced[c] = isPriced ? candidates.get(c).minors() : new long[0];
      if (!isPriced) {
        open.add(candidates.get(c).open());
      }
    }
    long[] least = least(priced);
    int[] chosen = new int[most];
    List<PlanChange> changes = new ArrayList<>();
    int before = (int) NONE;
    for (int i = 0; i < most; i++) {
      int best = at(priced, i, least[i], before);
      chosen[i] = best;
      if (i == 0 || best != before) {
        changes.add(
            new PlanChange(
                i + 1, best < 0 ? Optional.empty() : Optional.of(candidates.get(best).name())));
      }
      before = best;
    }
    return new Curve(
        market.reporting(),
        least,
        both.low().isEmpty() ? least : lows(both.low()),
        chosen,
        candidates.stream().mapToInt(Swept::place).toArray(),
        open,
        candidates.stream().map(Swept::name).toList(),
        changes);
  }

  private long[] lows(List<Candidate> low) {
    return least(
        low.stream()
            .flatMap(c -> swept(c).stream())
            .filter(Swept::priced)
            .map(Swept::minors)
            .toArray(long[][]::new));
  }

  /** The least cost by n − 1; one candidate after the other, as memory is read fastest in a row. */
  private long[] least(long[][] priced) {
    long[] least = new long[most];
    java.util.Arrays.fill(least, ABOVE_ALL);
    for (long[] own : priced) {
      for (int i = 0; i < own.length; i++) {
        least[i] = Math.min(least[i], own[i]);
      }
    }
    return least;
  }

  /** Who has the least cost at i; on equality the one before stays, else the first; −1: nobody. */
  private static int at(long[][] priced, int i, long least, int before) {
    if (least == ABOVE_ALL) {
      return (int) NONE;
    }
    if (before >= 0 && i < priced[before].length && priced[before][i] == least) {
      return before;
    }
    int c = 0;
    while (i >= priced[c].length || priced[c][i] != least) {
      c++;
    }
    return c;
  }

  private long[] byPeople(IntToLongFunction minor) {
    long[] all = new long[most];
    for (int n = 1; n <= most; n++) {
      if (n % BETWEEN_CHECKS == 0) {
        Deadline.check(() -> "what plans cost for 1 to " + most + " people");
      }
      all[n - 1] = minor.applyAsLong(n);
    }
    return all;
  }

  private Optional<Swept> swept(Candidate candidate) {
    return switch (candidate) {
      case Candidate.OnRequest onRequest ->
          Optional.of(
              new Swept(
                  onRequest.name(),
                  onRequest.place(),
                  false,
                  false,
                  byPeople(n -> qualifies(onRequest.offering(), null, n) ? 0 : NONE)));
      case Candidate.Begins begins ->
          Optional.of(
              new Swept(
                  begins.name(),
                  begins.place(),
                  false,
                  begins.why(market, units(1)).isBound(),
                  byPeople(n ->
                      qualifies(begins.option().offering(), begins.option().list(), n)
                          ? 0
                          : NONE)));
      case Candidate.Out out -> Optional.empty();
      case Candidate.Offered offered -> Optional.of(swept(offered));
    };
  }

  private Swept swept(Candidate.Offered offered) {
    Option option = offered.option();
    Optional<NoFigure> unpriced = market.whyUnpriced(option.list(), offered.measures(), units(1));
    if (unpriced.isPresent()) {
      return new Swept(
          offered.name(),
          offered.place(),
          false,
          false,
          byPeople(n -> qualifies(option.offering(), option.list(), n) ? 0 : NONE));
    }
    try {
      return new Swept(
          offered.name(),
          offered.place(),
          true,
          false,
          plainly(option).orElseGet(() -> byPeople(n -> exactly(option, n))));
    } catch (ArithmeticException e) {
      return new Swept(
          offered.name(), offered.place(), true, false, byPeople(n -> carefully(option, n)));
    }
  }

  /** The exact cost, or none where it is too large to count. */
  private long carefully(Option option, int n) {
    try {
      return exactly(option, n);
    } catch (ArithmeticException e) {
      return ABOVE_ALL;
    }
  }

  private boolean qualifies(Offering offering, @Nullable PriceList list, int n) {
    return market.fit().at(offering, list, units(n), ownedIn()).qualifies();
  }

  private long exactly(Option option, int n) {
    return qualifies(option.offering(), option.list(), n)
        ? SteadyCost.of(option, markets.apply(n), occasion(n)).money().getAmountMinorLong()
        : ABOVE_ALL;
  }

  /** The option's costs in whole numbers; empty if it takes more than they can hold. */
  private Optional<long[]> plainly(Option option) {
    Optional<LongUnaryOperator> conversion = TenThousandths.conversion(market.rate(option.list()));
    if (conversion.isEmpty() || !isPlain(option)) {
      return Optional.empty();
    }
    Measure ranged = option.plan().range().measure();
    int cap = option.plan().range().cap().orElse(Integer.MAX_VALUE);
    if (!market.fit().musts(option.offering(), option.list()).isEmpty()) {
      return Optional.of(new long[0]);
    }
    boolean isCapped = cap != Integer.MAX_VALUE && market.demands().containsKey(ranged);
    long[] minors = new long[isCapped ? within(demand(ranged), cap) : most];
    for (Charge charge : option.list().charges()) {
      switch (charge) {
        case Charge.Held held -> add(option, held, minors);
        case Charge.OneOff once -> addShare(option, once, minors);
        case Charge.Usage usage -> throw new IllegalStateException("not plain: " + usage);
        case Charge.PaymentFee fee -> throw new IllegalStateException("not plain: " + fee);
      }
    }
    if (mayEnd(option.list()) || market.rate(option.list()).isPresent()) {
      for (int i = 0; i < minors.length; i++) {
        minors[i] = minors[i] < 0 ? ABOVE_ALL : conversion.get().applyAsLong(minors[i]);
      }
    }
    long outside = Option.monthly(option.outside()).map(Money::getAmountMinorLong).orElse(0L);
    for (int i = 0; outside > 0 && i < minors.length; i++) {
      minors[i] = minors[i] == ABOVE_ALL ? ABOVE_ALL : Math.addExact(minors[i], outside);
    }
    return Optional.of(minors);
  }

  /** Whether all an option charges can be worked out in whole numbers. */
  private boolean isPlain(Option option) {
    for (Charge charge : option.list().charges()) {
      if (!(charge instanceof Charge.Held || charge instanceof Charge.OneOff)) {
        return false;
      }
    }
    return option.offering().owned().isEmpty()
        && !option.plan().tax().isIncluded()
        && option.list().yearlyMinimum().isEmpty()
        && option.list().currency().getDecimalPlaces() <= TenThousandths.DECIMALS
        && !market.fit().judgesUse(option.offering(), option.list());
  }

  private static boolean mayEnd(PriceList list) {
    for (Charge charge : list.charges()) {
      if (charge instanceof Charge.Counted counted && counted.mostUnits().isPresent()) {
        return true;
      }
    }
    return false;
  }

  /** How many headcounts stay within a cap; demand never falls as people grow more. */
  private static int within(int[] needed, int cap) {
    int low = 0;
    int high = needed.length;
    while (low < high) {
      int middle = (low + high) / 2;
      if (needed[middle] > cap) {
        high = middle;
      } else {
        low = middle + 1;
      }
    }
    return low;
  }

  /** Adds a charge's rounded amounts; beyond its last band the sum stays below 0. */
  private void add(Option option, Charge.Held charge, long[] minors) {
    int[] units = units(option, charge);
    long parts = TenThousandths.parts(List.of(charge));
    long unit = TenThousandths.perMinor(option.list().currency(), parts);
    IntToLongFunction price = TenThousandths.price(charge, p -> p, parts);
    long each = charge instanceof Charge.PerUnit ? price.applyAsLong(1) : NONE;
    if (each >= 0 && each % unit == 0 && each / unit < Integer.MAX_VALUE) {
      long minor = each / unit;
      for (int i = 0; i < minors.length; i++) {
        minors[i] += minor * units[i];
      }
      return;
    }
    for (int i = 0; i < minors.length; i++) {
      long exact = price.applyAsLong(units[i]);
      minors[i] = exact == NONE ? OUT : minors[i] + TenThousandths.halfUp(exact, unit);
    }
  }

  /** Adds a month's share of what is bought once. */
  private void addShare(Option option, Charge.OneOff once, long[] minors) {
    int months = market.horizon().months();
    long parts = TenThousandths.parts(List.of(once));
    long unit =
        Math.multiplyExact(TenThousandths.perMinor(option.list().currency(), parts), months);
    long price = TenThousandths.of(once.price(), parts);
    Holding holding = holding(option);
    for (int i = 0; i < minors.length; i++) {
      int n = i;
      int units = once.each().map(measure -> holding.seats(measure, demand(measure)[n])).orElse(1);
      minors[i] += TenThousandths.halfUp(Math.multiplyExact(price, (long) units), unit);
    }
  }

  private Holding holding(Option option) {
    return option.offering().holding(option.list(), ownedIn());
  }

  private YearMonth ownedIn() {
    return market.horizon().month(owned);
  }

  /** Units paid for, by n − 1. */
  private int[] units(Option option, Charge.Held charge) {
    return switch (charge) {
      case Charge.Flat flat -> {
        int[] one = new int[most];
        java.util.Arrays.fill(one, 1);
        yield one;
      }
      case Charge.Counted counted -> paid(option, counted, demand(counted.measure()));
    };
  }

  private static int[] paid(Option option, Charge.Counted charge, int[] needed) {
    if (charge.rule().equals(UnitRule.PLAIN) && option.plan().range().least() == 0) {
      return needed;
    }
    return java.util.Arrays.stream(needed).map(n -> option.plan().paidUnits(charge, n)).toArray();
  }
}
