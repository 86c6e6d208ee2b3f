package tertulia.core.fit;

import static java.util.Objects.requireNonNull;

import java.math.BigDecimal;
import java.util.Locale;
import java.util.Optional;

/**
 * How many there are of something, in a unit: known exactly, or that it is at least or at most so
 * many.
 *
 * @param number 0 to 1,000,000,000 with up to 4 decimals
 * @param unit what is counted, such as "languages" or "seconds"; counts in other units are unlike
 */
public record Count(Bound bound, BigDecimal number, String unit) {
  private static final BigDecimal MOST = BigDecimal.valueOf(1_000_000_000);
  private static final int DECIMALS = 4;
  private static final int LONGEST_UNIT = 40;

  /** What is known of the number. */
  public enum Bound {
    EXACTLY(""),
    AT_LEAST("at least "),
    AT_MOST("at most ");

    private final String words;

    Bound(String words) {
      this.words = words;
    }
  }

  public Count {
    requireNonNull(bound);
    unit = unit.strip();
    if (unit.isEmpty() || unit.length() > LONGEST_UNIT) {
      throw new IllegalArgumentException(
          "What is counted? Write the number and a unit of up to 40 characters, such as 41"
              + " languages.");
    }
    number = number.stripTrailingZeros();
    if (number.scale() < 0) {
      number = number.setScale(0);
    }
    if (number.signum() < 0 || number.compareTo(MOST) > 0 || number.scale() > DECIMALS) {
      throw new IllegalArgumentException(
          "A count lies between 0 and 1,000,000,000 with up to 4 decimals; found "
              + number.toPlainString()
              + " "
              + unit
              + ".");
    }
  }

  /** So many exactly. */
  public static Count exactly(BigDecimal number, String unit) {
    return new Count(Bound.EXACTLY, number, unit);
  }

  /**
   * Whether a plan that has so many has what is asked for.
   *
   * @param asked at least or at most so many, or exactly so many
   * @return unknown where what is known leaves it open, and for another unit
   */
  public Answer answer(Count asked) {
    if (!isLike(asked)) {
      return Answer.UNKNOWN;
    }
    boolean sure = lies(asked.low().compareTo(low()) <= 0, high(), asked.high());
    boolean apart = below(high(), asked.low()) || below(asked.high(), low());
    return sure ? Answer.YES : apart ? Answer.NO : Answer.UNKNOWN;
  }

  private static boolean lies(
      boolean fromBelow, Optional<BigDecimal> high, Optional<BigDecimal> within) {
    return fromBelow
        && within.map(w -> high.map(h -> h.compareTo(w) <= 0).orElse(false)).orElse(true);
  }

  private static boolean below(Optional<BigDecimal> high, BigDecimal low) {
    return high.map(h -> h.compareTo(low) < 0).orElse(false);
  }

  /** Whether there are any at all; unknown where it may be none. */
  public Answer any() {
    return low().signum() > 0
        ? Answer.YES
        : high().map(h -> h.signum() == 0).orElse(false) ? Answer.NO : Answer.UNKNOWN;
  }

  /** Whether both count the same thing, in whichever letter case. */
  public boolean isLike(Count other) {
    return unit.toLowerCase(Locale.ROOT).equals(other.unit.toLowerCase(Locale.ROOT));
  }

  /** The fewest it may be. */
  public BigDecimal low() {
    return bound == Bound.AT_MOST ? BigDecimal.ZERO : number;
  }

  /** The most it may be; empty: there is no end. */
  public Optional<BigDecimal> high() {
    return bound == Bound.AT_LEAST ? Optional.empty() : Optional.of(number);
  }

  /** Such as "41 languages" or "at least 40 languages". */
  public String words() {
    return many() + " " + unit;
  }

  /** The same without the unit, where that is said already. */
  public String many() {
    return bound.words + String.format(Locale.ROOT, "%,." + number.scale() + "f", number);
  }
}
