package tertulia.core.growth;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import tertulia.core.working.Derivation;
import tertulia.core.working.Quantity;

/**
 * A demand as people know it: so many times, each so long, by a share of the group. Three
 * interviews a week of 0.75 hours by 40 % come to 3.9 hours a month for each head.
 *
 * @param times how often in each {@code every}, above 0 and at most 1000
 * @param length units each time, above 0 and at most 10,000; 1 if it is the times that are counted
 * @param share of the group that does so, above 0 and at most 1
 * @throws IllegalArgumentException also if it comes to more a month than a demand may hold
 */
public record Habit(BigDecimal times, Every every, BigDecimal length, BigDecimal share) {
  private static final BigDecimal MOST_TIMES = BigDecimal.valueOf(1000);
  private static final BigDecimal MOST_LENGTH = BigDecimal.valueOf(10_000);
  private static final BigDecimal MONTHS = BigDecimal.valueOf(12);
  private static final int DECIMALS = 8;

  /** How often in a year; a month is a twelfth of it. */
  public enum Every {
    /** 21 a month. */
    WORKDAY(252, "on each of 21 workdays a month"),
    WEEK(52, "on each of 52 weeks a year, a twelfth of it a month"),
    MONTH(12, "so often a month"),
    YEAR(1, "so often a year, a twelfth of it a month");

    private final int perYear;
    private final String words;

    Every(int perYear, String words) {
      this.perYear = perYear;
      this.words = words;
    }

    public int perYear() {
      return perYear;
    }
  }

  public Habit {
    check("How often", times, MOST_TIMES);
    Objects.requireNonNull(every);
    check("How much each time", length, MOST_LENGTH);
    check("The share of the group", share, BigDecimal.ONE);
    BigDecimal month = perHead(times, every, length, share);
    if (month.compareTo(Demand.MOST_RATE) > 0) {
      throw new IllegalArgumentException(
          "This comes to "
              + month.toPlainString()
              + " a month for each head; at most "
              + Demand.MOST_RATE.toPlainString()
              + " are counted. Look at how often and how much.");
    }
  }

  private static void check(String what, BigDecimal found, BigDecimal most) {
    if (found.signum() <= 0 || found.compareTo(most) > 0) {
      throw new IllegalArgumentException(
          what
              + " is above 0 and at most "
              + most.toPlainString()
              + "; found "
              + found.toPlainString()
              + ".");
    }
  }

  /**
   * Units a month for each head of the group; eight decimals are kept and the rest cut, so that
   * once a week for each of three people is 13 and not a little more.
   */
  public BigDecimal perHead() {
    return perHead(times, every, length, share);
  }

  private static BigDecimal perHead(
      BigDecimal times, Every every, BigDecimal length, BigDecimal share) {
    return times
        .multiply(BigDecimal.valueOf(every.perYear))
        .multiply(length)
        .multiply(share)
        .divide(MONTHS, DECIMALS, RoundingMode.DOWN)
        .stripTrailingZeros();
  }

  /** Such as "3 a week × 0.75 × 40 %". */
  public String words() {
    return times.toPlainString()
        + " a "
        + every.name().toLowerCase(Locale.ROOT)
        + (isOne(length) ? "" : " × " + length.toPlainString())
        + (isOne(share)
            ? ""
            : " × " + share.movePointRight(2).stripTrailingZeros().toPlainString() + " %");
  }

  private static boolean isOne(BigDecimal number) {
    return number.compareTo(BigDecimal.ONE) == 0;
  }

  /** The working of {@link #perHead}. */
  public Derivation explain(String unit) {
    return new Derivation.Derived(
        unit + " per head",
        new Quantity(perHead(), ""),
        every.words + ", so much each time, by so many of the group",
        List.of(
            new Derivation.Entered(
                "times a " + every.name().toLowerCase(Locale.ROOT), new Quantity(times, "")),
            new Derivation.Entered("each time", new Quantity(length, unit)),
            new Derivation.Entered("share of the group", new Quantity(share, ""))));
  }
}
