package tertulia.app.exchange;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * A number as people write it: {@code 7.30}, {@code 7,30}, {@code 14,000}, {@code 14.000,00},
 * {@code 1 299.00} or {@code 4/12}.
 *
 * @param value as it is read
 * @param plain whether it is written as we write it, so that nothing has to be said
 */
public record TypedNumber(BigDecimal value, boolean plain) {
  /** So many decimals are kept of a fraction; fewer would be seen in a year's price. */
  private static final int DECIMALS = 8;

  private static final int LONGEST = 24;
  private static final int MOST_DIGITS = 9;
  private static final Pattern PLAIN = Pattern.compile("-?[0-9]+(\\.[0-9]+)?");
  private static final Pattern FRACTION = Pattern.compile("([^/]+)/([^/]+)");

  /** Blanks and apostrophes set thousands off; which of them, people and countries differ in. */
  private static final Pattern GAP =
      Pattern.compile("(?<=[0-9])[\\s\\u00a0\\u2009\\u202f'’](?=[0-9]{3}(?![0-9]))");

  private static final Pattern BY_COMMA = Pattern.compile("-?[0-9]{1,3}(,[0-9]{3})+(\\.[0-9]+)?");
  private static final Pattern BY_POINT = Pattern.compile("-?[0-9]{1,3}(\\.[0-9]{3})+,[0-9]+");
  private static final Pattern BY_POINTS = Pattern.compile("-?[0-9]{1,3}(\\.[0-9]{3}){2,}");
  private static final Pattern COMMA = Pattern.compile("-?[0-9]+,[0-9]+");

  /**
   * Reads a number. A comma before exactly three digits sets thousands off, any other one is a
   * decimal comma; a single point is a decimal point. Of a fraction eight decimals are kept,
   * rounded down, so that a third of each of three people is one and not a little more.
   *
   * @throws IllegalArgumentException with what is wrong and how to write it
   */
  public static TypedNumber read(String text) {
    String typed = text.strip();
    if (typed.length() <= LONGEST) {
      if (PLAIN.matcher(typed).matches()) {
        return new TypedNumber(new BigDecimal(typed), true);
      }
      Matcher fraction = FRACTION.matcher(typed);
      if (fraction.matches()) {
        BigDecimal parts = single(fraction.group(1).strip());
        BigDecimal of = single(fraction.group(2).strip());
        if (parts != null && of != null && of.signum() != 0) {
          return new TypedNumber(fraction(parts, of), false);
        }
      }
      BigDecimal single = single(typed);
      if (single != null) {
        return new TypedNumber(single, false);
      }
    }
    throw new IllegalArgumentException(
        "\"" + Codes.shortened(text) + "\" is not a number. Write it like 7.30, 1,200 or 4/12.");
  }

  /** So much of so much, to eight decimals, rounded down. */
  static BigDecimal fraction(BigDecimal parts, BigDecimal of) {
    return plain(parts.divide(of, DECIMALS, RoundingMode.DOWN));
  }

  private static @Nullable BigDecimal single(String typed) {
    String text = GAP.matcher(typed).replaceAll("");
    if (PLAIN.matcher(text).matches()) {
      return new BigDecimal(text);
    }
    if (BY_COMMA.matcher(text).matches()) {
      return new BigDecimal(text.replace(",", ""));
    }
    if (BY_POINT.matcher(text).matches() || BY_POINTS.matcher(text).matches()) {
      return new BigDecimal(text.replace(".", "").replace(',', '.'));
    }
    return COMMA.matcher(text).matches() ? new BigDecimal(text.replace(',', '.')) : null;
  }

  /** Without zeros at the end of its decimals. */
  static BigDecimal plain(BigDecimal value) {
    BigDecimal stripped = value.stripTrailingZeros();
    return stripped.scale() < 0 ? stripped.setScale(0) : stripped;
  }

  /** As it is written in files. */
  public String text() {
    return value.toPlainString();
  }

  /**
   * Reads a whole number of up to nine digits.
   *
   * @throws IllegalArgumentException with what is wrong and how to write it
   */
  public static int readWhole(String text) {
    BigDecimal value;
    try {
      value = plain(read(text).value());
    } catch (IllegalArgumentException e) {
      throw notWhole(text);
    }
    if (value.scale() > 0 || value.precision() > MOST_DIGITS) {
      throw notWhole(text);
    }
    return value.intValueExact();
  }

  private static IllegalArgumentException notWhole(String text) {
    return new IllegalArgumentException(
        "\""
            + Codes.shortened(text)
            + "\" is not a whole number of up to nine digits. Write it like 25 or 1,200.");
  }
}
