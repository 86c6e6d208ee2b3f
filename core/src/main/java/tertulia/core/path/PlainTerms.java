package tertulia.core.path;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.IntToLongFunction;
import java.util.function.LongUnaryOperator;
import tertulia.core.billing.CostTiming;
import tertulia.core.billing.EarlyTerminationPolicy;
import tertulia.core.money.ExchangeRate;
import tertulia.core.pricing.BillingTerm.Payment;
import tertulia.core.pricing.Charge;
import tertulia.core.pricing.PriceBasis;

/**
 * What terms of one option cost in whole minor units of the reporting currency, for options that
 * charge only for what is held, without offers, tax, what is owned or a yearly minimum. It says
 * what the invoices of {@link tertulia.core.billing.Biller} come to over the horizon, in the view.
 */
final class PlainTerms {
  private static final long UNKNOWN = Long.MIN_VALUE;
  private final Option option;
  private final PathFinder.Setting setting;
  private final LongUnaryOperator conversion;
  private final List<int[]> units = new ArrayList<>();

  /** What is found already, by the first month: its end and its leaving depend on it alone. */
  private final long[] known;

  /** Of a ten-thousandth, in which its prices are whole numbers. */
  private final long parts;

  /** Price functions by year of rises, then charge. */
  private final List<List<IntToLongFunction>> prices = new ArrayList<>();

  private PlainTerms(Option option, PathFinder.Setting setting, LongUnaryOperator conversion) {
    this.option = option;
    this.setting = setting;
    this.conversion = conversion;
    this.known = new long[months()];
    this.parts = TenThousandths.parts(option.list().charges());
    java.util.Arrays.fill(known, UNKNOWN);
    for (Charge charge : option.list().charges()) {
      units.add(units(charge));
    }
    for (int years = 0; years <= option.plan().inForce().years(months() - 1); years++) {
      PriceBasis basis = PriceBasis.after(option.plan(), setting.rise(), years);
      prices.add(
          option.list().charges().stream()
              .map(charge -> TenThousandths.price((Charge.Held) charge, basis::price, parts))
              .toList());
    }
  }

  /**
   * The terms of an option that no offer touches and that leaves nothing to cover outside; empty if
   * it takes the exact path.
   */
  static Optional<PlainTerms> of(
      Option option, PathFinder.Setting setting, Optional<ExchangeRate> rate) {
    boolean plain =
        !option.plan().tax().isIncluded()
            && option.plan().charged().stream().allMatch(list -> list.yearlyMinimum().isEmpty())
            && option.offering().owned().filter(o -> o.plan().equals(option.plan().id())).isEmpty()
            && option.list().charges().stream().allMatch(Charge.Held.class::isInstance)
            && option.list().currency().getDecimalPlaces() <= TenThousandths.DECIMALS;
    return plain
        ? TenThousandths.conversion(rate).map(c -> new PlainTerms(option, setting, c))
        : Optional.empty();
  }

  private int[] units(Charge charge) {
    int[] byMonth = new int[months()];
    for (int m = 0; m < byMonth.length; m++) {
      byMonth[m] =
          charge instanceof Charge.Counted counted
              ? option
                  .plan()
                  .paidUnits(counted, setting.months().get(m).of(counted.measure()).orElseThrow())
              : 1;
    }
    return byMonth;
  }

  private int months() {
    return setting.horizon().months();
  }

  /**
   * What a term comes to.
   *
   * @param start its first month
   * @param end the month after its last, past the horizon if it is
   * @param leave the first month in which it is not used any more
   */
  long minor(int start, int end, int leave) {
    if (known[start] == UNKNOWN) {
      known[start] = find(start, end, leave);
    }
    return known[start];
  }

  private long find(int start, int end, int leave) {
    return option.list().term().payment() == Payment.UP_FRONT
        ? upFront(start, end, leave)
        : monthly(start, end, leave);
  }

  private boolean isLeft(int end, int leave) {
    return leave < end && leave < months();
  }

  private long monthly(int start, int end, int leave) {
    boolean staysDue = setting.leaving() == EarlyTerminationPolicy.LOST || !isLeft(end, leave);
    int used = Math.min(leave, months());
    int last = Math.min(staysDue ? end : used, months());
    List<IntToLongFunction> price = prices.get(option.plan().inForce().years(start));
    long unit = TenThousandths.perMinor(option.list().currency(), parts);
    long sum = 0;
    int[] held = new int[units.size()];
    for (int m = start; m < last; m++) {
      long own = 0;
      for (int c = 0; c < held.length; c++) {
        held[c] = m < used ? Math.max(held[c], units.get(c)[m]) : held[c];
        own += TenThousandths.halfUp(price.get(c).applyAsLong(held[c]), unit);
      }
      sum += conversion.applyAsLong(own);
    }
    return sum;
  }

  private long upFront(int start, int end, int leave) {
    int used = Math.min(leave, months());
    List<IntToLongFunction> price = prices.get(option.plan().inForce().years(start));
    long unit = TenThousandths.perMinor(option.list().currency(), parts);
    long sum = 0;
    int[] held = new int[units.size()];
    long[] invoiced = new long[units.size()];
    for (int m = start; m < used; m++) {
      long own = 0;
      for (int c = 0; c < held.length; c++) {
        held[c] = Math.max(held[c], units.get(c)[m]);
        long now = price.get(c).applyAsLong(held[c]);
        if (now > invoiced[c]) {
          own += TenThousandths.halfUp(Math.multiplyExact(now - invoiced[c], (long) end - m), unit);
          invoiced[c] = now;
        }
      }
      if (own > 0) {
        sum += within(conversion.applyAsLong(own), m, end, leave);
      }
    }
    return sum;
  }

  /** What counts within the horizon of an invoice, less what is credited if the term is left. */
  private long within(long invoice, int from, int end, int leave) {
    boolean credited = setting.leaving() == EarlyTerminationPolicy.CREDITED && isLeft(end, leave);
    long unused = credited ? invoice - first(invoice, end - from, leave - from) : 0;
    return setting.view() == CostTiming.CASH
        ? invoice - unused
        : first(invoice, end - from, Math.min(end, months()) - from)
            - (credited ? first(unused, end - leave, Math.min(end, months()) - leave) : 0);
  }

  /** The first shares of an amount spread evenly, leftover units going to the earliest months. */
  static long first(long amount, int months, int count) {
    return amount / months * count + Math.min(amount % months, count);
  }
}
