package tertulia.core.growth;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.util.List;

/**
 * How a group's headcount grows, before steps. Headcounts before rounding are exact or to 30
 * digits.
 */
public sealed interface Growth {
  /** Most people a group may start with or list; a guard against slips of the keyboard. */
  int MOST_PEOPLE = 1_000_000;

  /** Most people that come or go in a month. */
  BigDecimal MOST_HIRES = BigDecimal.valueOf(100_000);

  /**
   * The headcount in plan month {@code m} before rounding and steps.
   *
   * @param k the scenario's multiplier on growth
   */
  BigDecimal at(int m, BigDecimal k);

  /**
   * This growth turned so that it goes through {@code people} in month {@code m}, by its own
   * method: the first month moves the start; a later one moves the hires a month (to 4 decimals),
   * the yearly rate (to 0.01 %), or in a list that month's value alone.
   *
   * @throws IllegalArgumentException if no growth of this method leads there
   */
  default Growth through(int m, int people) {
    checkPeople(people);
    return switch (this) {
      case Hires hires when m == 0 -> new Hires(people, hires.perMonth());
      case Hires hires ->
          new Hires(
              hires.start(),
              BigDecimal.valueOf(people - (long) hires.start())
                  .divide(BigDecimal.valueOf(m), 4, RoundingMode.HALF_UP)
                  .stripTrailingZeros());
      case Percent percent when m == 0 -> new Percent(people, percent.perYear());
      case Percent percent -> new Percent(percent.start(), yearly(percent.start(), m, people));
      case Listed listed -> {
        List<Integer> values = new java.util.ArrayList<>(listed.values());
        while (values.size() <= m) {
          values.add(values.getLast());
        }
        values.set(m, people);
        yield new Listed(values);
      }
    };
  }

  /**
   * This growth of so many times the people, rounded half-up; a rate of growth stays, hires a month
   * go with the people.
   *
   * @param factor 0 or more
   */
  default Growth times(BigDecimal factor) {
    return switch (this) {
      case Hires hires ->
          new Hires(
              times(hires.start(), factor),
              hires.perMonth().multiply(factor).max(MOST_HIRES.negate()).min(MOST_HIRES));
      case Percent percent -> new Percent(times(percent.start(), factor), percent.perYear());
      case Listed listed ->
          new Listed(listed.values().stream().map(value -> times(value, factor)).toList());
    };
  }

  private static int times(int people, BigDecimal factor) {
    return factor
        .multiply(BigDecimal.valueOf(people))
        .setScale(0, RoundingMode.HALF_UP)
        .min(BigDecimal.valueOf(MOST_PEOPLE))
        .intValueExact();
  }

  /** The yearly rate that leads from one headcount to another in so many months. */
  private static BigDecimal yearly(int start, int m, int people) {
    if (start == 0) {
      throw new IllegalArgumentException(
          "Nobody is there at the start, and no rate makes people of nobody. Start with at least 1"
              + " or grow by people a month.");
    }
    double rate = Math.pow((double) people / start, 12.0 / m) - 1;
    return BigDecimal.valueOf(Math.clamp(rate, -0.6, 10))
        .setScale(4, RoundingMode.HALF_UP)
        .stripTrailingZeros();
  }

  /** The method in words, such as "46, growing 12 % a year". */
  default String words() {
    return switch (this) {
      case Hires hires -> hires.start() + ", " + hires.perMonth().toPlainString() + " more a month";
      case Percent percent ->
          percent.start()
              + ", growing "
              + percent.perYear().movePointRight(2).stripTrailingZeros().toPlainString()
              + " % a year";
      case Listed listed -> "listed month by month, from " + listed.values().getFirst();
    };
  }

  /** start + k · perMonth · m. */
  record Hires(int start, BigDecimal perMonth) implements Growth {
    public Hires {
      checkPeople(start);
      if (perMonth.abs().compareTo(MOST_HIRES) > 0) {
        throw new IllegalArgumentException(
            "Hires a month lie between −100,000 and 100,000; found "
                + perMonth.toPlainString()
                + ".");
      }
    }

    @Override
    public BigDecimal at(int m, BigDecimal k) {
      return BigDecimal.valueOf(start).add(k.multiply(perMonth).multiply(BigDecimal.valueOf(m)));
    }
  }

  /**
   * start · (1 + k · perYear)^(m/12).
   *
   * @param perYear as a fraction, −0.6 to 10, so that 1 + k · perYear stays above 0 in every
   *     scenario
   */
  record Percent(int start, BigDecimal perYear) implements Growth {
    public Percent {
      checkPeople(start);
      if (perYear.compareTo(new BigDecimal("-0.6")) < 0 || perYear.compareTo(BigDecimal.TEN) > 0) {
        throw new IllegalArgumentException(
            "Growth lies between −60 % and 1000 % a year; found "
                + perYear.movePointRight(2).toPlainString()
                + " %.");
      }
    }

    @Override
    public BigDecimal at(int m, BigDecimal k) {
      BigDecimal yearly = BigDecimal.ONE.add(k.multiply(perYear));
      if (yearly.signum() <= 0) {
        throw new IllegalArgumentException(
            "1 + k · growth must stay above 0; found " + yearly.toPlainString() + ".");
      }
      BigDecimal whole = BigDecimal.valueOf(start).multiply(yearly.pow(m / 12));
      return m % 12 == 0
          ? whole
          : whole.multiply(TwelfthRoot.of(yearly).pow(m % 12, ROOM)).round(EXACT);
    }
  }

  /** values[0] + k · (values[m] − values[0]); past the end the last value holds. */
  record Listed(List<Integer> values) implements Growth {
    public Listed {
      values = List.copyOf(values);
      if (values.isEmpty()) {
        throw new IllegalArgumentException(
            "A listed growth needs at least the headcount of the first month.");
      }
      values.forEach(Growth::checkPeople);
    }

    @Override
    public BigDecimal at(int m, BigDecimal k) {
      BigDecimal first = BigDecimal.valueOf(values.getFirst());
      BigDecimal then = BigDecimal.valueOf(values.get(Math.min(m, values.size() - 1)));
      return first.add(k.multiply(then.subtract(first)));
    }
  }

  /**
   * Rounding to fewer digits than are carried brings back what is exact, such as 5 · 1.21^½ = 5.5.
   */
  MathContext EXACT = new MathContext(30, RoundingMode.HALF_EVEN);

  /** Digits carried where a root makes exactness impossible. */
  MathContext ROOM = new MathContext(40, RoundingMode.HALF_EVEN);

  private static void checkPeople(int people) {
    if (people < 0 || people > MOST_PEOPLE) {
      throw new IllegalArgumentException(
          "A headcount lies between 0 and 1,000,000; found " + people + ".");
    }
  }
}
