package tertulia.core.path;

import java.math.BigDecimal;
import java.math.RoundingMode;
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
 * Prices of what is held in whole ten-thousandths of a currency's unit, for inner loops. Unit
 * prices have at most four decimals, so nothing is lost; amounts beyond what a long holds throw.
 */
final class TenThousandths {
  /** What a price function answers for units beyond the last band. */
  static final long NONE = -1;

  static final int DECIMALS = 4;

  /** Rates of exchange are whole millionths here. */
  static final int RATE_DECIMALS = 6;

  private TenThousandths() {}

  /** The price a month by units held, as {@link tertulia.core.pricing.MonthlyPrice} has it. */
  static IntToLongFunction price(Charge.Held charge, UnaryOperator<UnitPrice> inForce) {
    return switch (charge) {
      case Charge.Flat flat -> {
        long price = of(inForce.apply(flat.price()));
        yield units -> units == 0 ? 0 : price;
      }
      case Charge.PerUnit perUnit -> {
        long price = of(inForce.apply(perUnit.price()));
        yield units -> Math.multiplyExact(price, (long) units);
      }
      case Charge.Banded banded -> new Bands(banded, inForce);
    };
  }

  static long of(UnitPrice price) {
    return price
        .amount()
        .movePointRight(DECIMALS)
        .setScale(0, RoundingMode.UNNECESSARY)
        .longValueExact();
  }

  private static final class Bands implements IntToLongFunction {
    private final boolean sliced;
    private final int[] ends;
    private final long[] each;
    private final long[] flat;

    Bands(Charge.Banded banded, UnaryOperator<UnitPrice> inForce) {
      this.sliced = banded.mode() == BandMode.SLICED;
      this.ends =
          banded.bands().stream().mapToInt(b -> b.end().orElse(Integer.MAX_VALUE)).toArray();
      this.each = prices(banded, Band::unitPrice, inForce);
      this.flat = prices(banded, Band::flatPrice, inForce);
    }

    private static long[] prices(
        Charge.Banded banded,
        java.util.function.Function<Band, UnitPrice> part,
        UnaryOperator<UnitPrice> inForce) {
      return banded.bands().stream().map(part).map(inForce).mapToLong(TenThousandths::of).toArray();
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

  /** Ten-thousandths in a minor unit of a currency with at most four decimals. */
  static long perMinor(CurrencyUnit currency) {
    return power(DECIMALS - currency.getDecimalPlaces());
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
