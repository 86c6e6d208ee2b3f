package tertulia.core.path;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.List;
import java.util.Optional;
import java.util.function.IntToLongFunction;
import java.util.function.LongUnaryOperator;
import java.util.function.UnaryOperator;
import org.joda.money.CurrencyUnit;
import tertulia.core.money.ExchangeRate;
import tertulia.core.money.UnitPrice;
import tertulia.core.pricing.Band;
import tertulia.core.pricing.BandMode;
import tertulia.core.pricing.Charge;

/**
 * Prices of what is held in whole parts of a currency's unit, for inner loops: ten-thousandths, as
 * prices have at most four decimals; where a price is stated for several months, that many times
 * smaller. So nothing is lost; amounts beyond what a long holds throw.
 */
final class TenThousandths {
  /** What a price function answers for units beyond the last band. */
  static final long NONE = -1;

  static final int DECIMALS = 4;

  /** Rates of exchange are whole millionths here. */
  static final int RATE_DECIMALS = 6;

  private TenThousandths() {}

  /**
   * Into how many parts a ten-thousandth has to be divided, so that a month's share of every price
   * among some charges is a whole number of them: 1 where all are prices a month.
   */
  static long parts(List<Charge> charges) {
    long parts = 1;
    for (Charge charge : charges) {
      parts =
          switch (charge) {
            case Charge.Flat flat -> common(parts, flat.price());
            case Charge.PerUnit perUnit -> common(parts, perUnit.price());
            case Charge.Banded banded -> {
              long all = parts;
              for (Band band : banded.bands()) {
                all = common(common(all, band.unitPrice()), band.flatPrice());
              }
              yield all;
            }
            case Charge.OneOff once -> common(parts, once.price());
            case Charge.Usage usage -> common(parts, usage.price());
            case Charge.PaymentFee fee -> common(parts, fee.fixed());
          };
    }
    return parts;
  }

  private static long common(long parts, UnitPrice price) {
    long a = parts;
    long b = price.months();
    while (b > 0) {
      long rest = a % b;
      a = b;
      b = rest;
    }
    return Math.multiplyExact(parts / a, (long) price.months());
  }

  /**
   * The price a month by units held, as {@link tertulia.core.pricing.MonthlyPrice} has it.
   *
   * @param parts of a ten-thousandth, as {@link #parts} has it
   */
  static IntToLongFunction price(Charge.Held charge, UnaryOperator<UnitPrice> inForce, long parts) {
    return switch (charge) {
      case Charge.Flat flat -> {
        long price = of(inForce.apply(flat.price()), parts);
        yield units -> units == 0 ? 0 : price;
      }
      case Charge.PerUnit perUnit -> {
        long price = of(inForce.apply(perUnit.price()), parts);
        yield units -> Math.multiplyExact(price, (long) units);
      }
      case Charge.Banded banded -> new Bands(banded, inForce, parts);
    };
  }

  static long of(UnitPrice price, long parts) {
    long stated =
        price
            .stated()
            .movePointRight(DECIMALS)
            .setScale(0, RoundingMode.UNNECESSARY)
            .longValueExact();
    return Math.multiplyExact(stated, parts / price.months());
  }

  private static final class Bands implements IntToLongFunction {
    private final boolean sliced;
    private final int[] ends;
    private final long[] each;
    private final long[] flat;

    Bands(Charge.Banded banded, UnaryOperator<UnitPrice> inForce, long parts) {
      this.sliced = banded.mode() == BandMode.SLICED;
      this.ends =
          banded.bands().stream().mapToInt(b -> b.end().orElse(Integer.MAX_VALUE)).toArray();
      this.each = prices(banded, Band::unitPrice, inForce, parts);
      this.flat = prices(banded, Band::flatPrice, inForce, parts);
    }

    private static long[] prices(
        Charge.Banded banded,
        java.util.function.Function<Band, UnitPrice> part,
        UnaryOperator<UnitPrice> inForce,
        long parts) {
      return banded.bands().stream()
          .map(part)
          .map(inForce)
          .mapToLong(price -> of(price, parts))
          .toArray();
    }

    @Override
    public long applyAsLong(int units) {
      if (units == 0) {
        return 0;
      }
      long sum = 0;
      int before = 0;
      for (int b = 0; b < ends.length; b++) {
        boolean isIn = units <= ends[b];
        if (sliced) {
          long slice = (long) (isIn ? units : ends[b]) - before;
          sum = Math.addExact(sum, Math.multiplyExact(each[b], slice) + flat[b]);
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

  /** Parts in a minor unit of a currency with at most four decimals. */
  static long perMinor(CurrencyUnit currency, long parts) {
    return Math.multiplyExact(power(DECIMALS - currency.getDecimalPlaces()), parts);
  }

  /** Rounded half-up; {@code amount} 0 or more. */
  static long halfUp(long amount, long unit) {
    return (amount + unit / 2) / unit;
  }

  private static long power(int exponent) {
    return BigDecimal.TEN.pow(exponent).longValueExact();
  }

  /** Brings minor units into the reporting currency; empty if the rate has too many decimals. */
  static Optional<LongUnaryOperator> conversion(Optional<ExchangeRate> rate) {
    if (rate.isEmpty()) {
      return Optional.of(LongUnaryOperator.identity());
    }
    BigDecimal factor = rate.get().rate().stripTrailingZeros();
    if (factor.scale() > RATE_DECIMALS) {
      return Optional.empty();
    }
    long millionths = factor.movePointRight(RATE_DECIMALS).longValueExact();
    int decimals =
        RATE_DECIMALS + rate.get().from().getDecimalPlaces() - rate.get().to().getDecimalPlaces();
    long unit = power(decimals);
    return Optional.of(minor -> halfUp(Math.multiplyExact(minor, millionths), unit));
  }
}
