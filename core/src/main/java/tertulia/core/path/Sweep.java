package tertulia.core.path;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.IntToLongFunction;
import org.jspecify.annotations.Nullable;
import tertulia.core.billing.UnitsNeeded;
import tertulia.core.fit.Offering;
import tertulia.core.growth.Demand;
import tertulia.core.growth.Measure;
import tertulia.core.growth.People;
import tertulia.core.money.ExchangeRate;
import tertulia.core.money.UnitPrice;
import tertulia.core.path.Candidates.Candidate;
import tertulia.core.path.CostByHeadcount.Curve;
import tertulia.core.path.CostByHeadcount.PlanChange;
import tertulia.core.pricing.Allowance;
import tertulia.core.pricing.Band;
import tertulia.core.pricing.BandMode;
import tertulia.core.pricing.Charge;

/**
 * The inner loop of costs by headcount in whole minor units. What an option charges by seats, bands
 * and accounts is worked out in {@code long}; every other option takes the exact path for each
 * headcount. Both give the same figures.
 */
final class Sweep {
  private static final long NONE = -1;

  /** Prices have 4 decimals, rates of exchange and of demand at most 6 here. */
  private static final int PRICE_DECIMALS = 4;

  private static final int RATE_DECIMALS = 6;
  private static final long RATE_UNIT = 1_000_000;
  private final Market market;
  private final People today;
  private final int most;
  private final Map<Measure, int[]> demands = new HashMap<>();
  private final @Nullable UnitsNeeded[] exact;

  Sweep(Market market, People today, int most) {
    this.market = market;
    this.today = today;
    this.most = most;
    this.exact = new UnitsNeeded[most];
  }

  /** The units for n people, exact. */
  private UnitsNeeded units(int n) {
    UnitsNeeded units = exact[n - 1];
    if (units == null) {
      units = market.units(today.scaledTo(n));
      exact[n - 1] = units;
    }
    return units;
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

  /** What one candidate does in the sweep: minor units for n people, or −1 if it is out. */
  private record Swept(String label, boolean priced, IntToLongFunction minor) {}

  Curve curve(List<Offering> offerings) {
    List<Swept> candidates =
        Candidates.of(offerings, market).high().stream().flatMap(c -> swept(c).stream()).toList();
    long[] minors = new long[most];
    int[] chosen = new int[most];
    boolean[] atMost = new boolean[most];
    List<PlanChange> changes = new ArrayList<>();
    int before = (int) NONE;
    for (int n = 1; n <= most; n++) {
      long least = NONE;
      int best = (int) NONE;
      boolean isOpen = false;
      for (int c = 0; c < candidates.size(); c++) {
        long minor = candidates.get(c).minor().applyAsLong(n);
        if (minor != NONE && !candidates.get(c).priced()) {
          isOpen = true;
        } else if (minor != NONE
            && (least == NONE || minor < least || minor == least && c == before)) {
          least = minor;
          best = c;
        }
      }
      minors[n - 1] = least;
      chosen[n - 1] = best;
      atMost[n - 1] = isOpen;
      if (n == 1 || best != before) {
        changes.add(
            new PlanChange(
                n, best < 0 ? Optional.empty() : Optional.of(candidates.get(best).label())));
      }
      before = best;
    }
    return new Curve(
        market.reporting(),
        minors,
        chosen,
        atMost,
        candidates.stream().map(Swept::label).toList(),
        changes);
  }

  private Optional<Swept> swept(Candidate candidate) {
    return switch (candidate) {
      case Candidate.OnRequest onRequest -> Optional.of(new Swept(onRequest.plan(), false, n -> 0));
      case Candidate.Out out -> Optional.empty();
      case Candidate.Offered offered -> Optional.of(swept(offered));
    };
  }

  private Swept swept(Candidate.Offered offered) {
    Option option = offered.option();
    Optional<String> unpriced = market.whyUnpriced(option.list(), offered.measures(), units(1));
    if (unpriced.isPresent()) {
      return new Swept(offered.label(), false, n -> qualifies(option, n) ? 0 : NONE);
    }
    return new Swept(
        offered.label(), true, plainly(option).orElseGet(() -> n -> exactly(option, n)));
  }

  private boolean qualifies(Option option, int n) {
    return market.fit().at(option.offering(), option.list(), units(n)).qualifies();
  }

  private long exactly(Option option, int n) {
    return qualifies(option, n)
        ? SteadyCost.of(option, market, units(n)).money().getAmountMinorLong()
        : NONE;
  }

  /** The option's function in whole numbers; empty if it takes more than they can hold. */
  private Optional<IntToLongFunction> plainly(Option option) {
    boolean limited =
        option.plan().allowances().stream()
            .map(Allowance::limit)
            .anyMatch(limit -> !(limit instanceof Allowance.Limit.Unlimited));
    Optional<ExchangeRate> rate = market.rate(option.list());
    boolean plain =
        !limited
            && !option.plan().tax().isIncluded()
            && option.list().yearlyMinimum().isEmpty()
            && rate.flatMap(r -> scaled(r.rate())).isPresent() == rate.isPresent()
            && option.list().charges().stream()
                .allMatch(c -> c instanceof Charge.Held || c instanceof Charge.OneOff)
            && option.list().currency().getDecimalPlaces() <= PRICE_DECIMALS;
    if (!plain) {
      return Optional.empty();
    }
    if (!market.fit().musts(option.offering(), option.list()).isEmpty()) {
      return Optional.of(n -> NONE);
    }
    List<Line> lines = lines(option);
    int cap = option.plan().range().cap().orElse(Integer.MAX_VALUE);
    int[] capped =
        cap == Integer.MAX_VALUE || !market.demands().containsKey(option.plan().range().measure())
            ? null
            : demand(option.plan().range().measure());
    if (cap != Integer.MAX_VALUE && capped == null) {
      return Optional.of(n -> NONE);
    }
    return Optional.of(new Plain(lines, cap, capped, conversion(rate)));
  }

  private Conversion conversion(Optional<ExchangeRate> rate) {
    if (rate.isEmpty()) {
      return minor -> minor;
    }
    long factor = scaled(rate.get().rate()).orElseThrow();
    int decimals =
        RATE_DECIMALS + rate.get().from().getDecimalPlaces() - rate.get().to().getDecimalPlaces();
    long unit = power(Math.max(0, decimals));
    long up = power(Math.max(0, -decimals));
    return minor -> halfUp(Math.multiplyExact(Math.multiplyExact(minor, factor), up), unit);
  }

  /** Brings minor units of one currency into another's. */
  private interface Conversion {
    long of(long minor);
  }

  private static long power(int exponent) {
    return BigDecimal.TEN.pow(exponent).longValueExact();
  }

  private static long halfUp(long amount, long unit) {
    return (amount + unit / 2) / unit;
  }

  /** One charge: its price in ten-thousandths for so many needed, and units beyond its end out. */
  private interface Line {
    long minor(int n);
  }

  private List<Line> lines(Option option) {
    List<Line> lines = new ArrayList<>();
    long unit = power(PRICE_DECIMALS - option.list().currency().getDecimalPlaces());
    for (Charge charge : option.list().charges()) {
      if (charge instanceof Charge.Held held) {
        lines.add(line(option, held, unit));
      }
    }
    return lines;
  }

  private Line line(Option option, Charge.Held charge, long unit) {
    return switch (charge) {
      case Charge.Flat flat -> {
        long minor = halfUp(price(flat.price()), unit);
        yield n -> minor;
      }
      case Charge.PerUnit perUnit -> {
        int[] needed = demand(perUnit.measure());
        long price = price(perUnit.price());
        yield n ->
            halfUp(
                Math.multiplyExact(price, option.plan().paidUnits(perUnit, needed[n - 1])), unit);
      }
      case Charge.Banded banded -> {
        int[] needed = demand(banded.measure());
        Bands bands = new Bands(banded);
        yield n -> {
          long price = bands.price(option.plan().paidUnits(banded, needed[n - 1]));
          return price == NONE ? NONE : halfUp(price, unit);
        };
      }
    };
  }

  private static long price(UnitPrice price) {
    return price
        .amount()
        .movePointRight(PRICE_DECIMALS)
        .setScale(0, RoundingMode.UNNECESSARY)
        .longValueExact();
  }

  /** Banded prices in ten-thousandths. */
  private static final class Bands {
    private final boolean sliced;
    private final int[] ends;
    private final long[] each;
    private final long[] flat;

    Bands(Charge.Banded banded) {
      this.sliced = banded.mode() == BandMode.SLICED;
      List<Band> bands = banded.bands();
      this.ends = bands.stream().mapToInt(b -> b.end().orElse(Integer.MAX_VALUE)).toArray();
      this.each = bands.stream().mapToLong(b -> Sweep.price(b.unitPrice())).toArray();
      this.flat = bands.stream().mapToLong(b -> Sweep.price(b.flatPrice())).toArray();
    }

    long price(int units) {
      if (units == 0) {
        return 0;
      }
      long sum = 0;
      int before = 0;
      for (int b = 0; b < ends.length; b++) {
        boolean isIn = units <= ends[b];
        if (sliced) {
          sum += each[b] * ((isIn ? units : ends[b]) - before) + flat[b];
        } else if (isIn) {
          sum = Math.multiplyExact(each[b], (long) units) + flat[b];
        }
        if (isIn) {
          return sum;
        }
        before = ends[b];
      }
      return NONE;
    }
  }

  /** An option without anything that depends on more than whole units. */
  private record Plain(List<Line> lines, int cap, int @Nullable [] capped, Conversion conversion)
      implements IntToLongFunction {
    @Override
    public long applyAsLong(int n) {
      if (capped != null && capped[n - 1] > cap) {
        return NONE;
      }
      long sum = 0;
      for (Line line : lines) {
        long minor = line.minor(n);
        if (minor == NONE) {
          return NONE;
        }
        sum += minor;
      }
      return conversion.of(sum);
    }
  }
}
