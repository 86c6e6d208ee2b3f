package tertulia.app.exchange;

import java.math.BigDecimal;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.format.DateTimeParseException;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.joda.money.IllegalCurrencyException;
import org.joda.money.Money;
import tertulia.core.growth.Measure;

/**
 * Reads the words and numbers of files and forms; refuses with a sentence that says what is right.
 */
public final class Codes {
  private static final int LONGEST_NUMBER = 20;
  private static final int LONGEST_SLUG = 60;

  private Codes() {}

  /** The constant whose name, in lower case with hyphens, is {@code text}. */
  public static <E extends Enum<E>> E oneOf(Class<E> type, String text) {
    return pick(List.of(type.getEnumConstants()), Codes::code, text);
  }

  /** A constant's name in lower case with hyphens. */
  public static String code(Enum<?> constant) {
    return constant.name().toLowerCase(Locale.ROOT).replace('_', '-');
  }

  /** A word where one of a fixed list belongs; the message names the word and the list. */
  public static final class Unknown extends IllegalArgumentException {
    private static final long serialVersionUID = 1L;

    private Unknown(String sentence) {
      super(sentence);
    }
  }

  /** A measure by its id; one of the buyer's own is its definition. */
  public static Measure measure(String text) {
    if (text.startsWith("own/")) {
      return Measure.of(text);
    }
    return pick(Measure.KNOWN, Measure::id, text);
  }

  private static <T> T pick(List<T> known, Function<T, String> code, String text) {
    return known.stream()
        .filter(candidate -> code.apply(candidate).equals(text))
        .findFirst()
        .orElseThrow(() ->
            new Unknown(
                "\""
                    + shortened(text)
                    + "\" is not one of "
                    + known.stream().map(code).collect(Collectors.joining(", "))
                    + "."));
  }

  /**
   * An amount of a currency, with no more decimals than it has.
   *
   * @throws IllegalArgumentException with what is wrong
   */
  public static Money money(String text, CurrencyUnit currency) {
    BigDecimal amount = decimal(text);
    if (amount.stripTrailingZeros().scale() > currency.getDecimalPlaces()) {
      throw new IllegalArgumentException(
          "\"" + text.strip() + "\" has more decimals than " + currency + " has. Round it.");
    }
    return Money.of(currency, amount);
  }

  /** A decimal number such as 7.30; at most 20 characters, no exponent. */
  public static BigDecimal decimal(String text) {
    String trimmed = text.strip();
    if (trimmed.length() > LONGEST_NUMBER || !trimmed.matches("-?[0-9]+(\\.[0-9]+)?")) {
      throw new IllegalArgumentException(
          "\"" + shortened(text) + "\" is not a number. Write it like 7.30, without separators.");
    }
    return new BigDecimal(trimmed);
  }

  /** A whole number of up to nine digits. */
  public static int whole(String text) {
    String trimmed = text.strip();
    if (trimmed.matches("-?[0-9]{10,}")) {
      throw new IllegalArgumentException(
          "\"" + shortened(text) + "\" is too large: up to nine digits are read.");
    }
    if (!trimmed.matches("-?[0-9]{1,9}")) {
      throw new IllegalArgumentException(
          "\""
              + shortened(text)
              + "\" is not a whole number. Write it like 25, without separators.");
    }
    return Integer.parseInt(trimmed);
  }

  /** An instant written as 2026-11-03T10:00:00Z, from 2000 to 2100. */
  public static Instant instant(String text) {
    try {
      Instant instant = Instant.parse(text.strip());
      day(instant.toString().substring(0, 10));
      return instant;
    } catch (DateTimeParseException | IllegalArgumentException e) {
      throw new IllegalArgumentException(
          "\""
              + shortened(text)
              + "\" is not a point in time from 2000 to 2100. Write it like"
              + " 2026-11-03T10:00:00Z.");
    }
  }

  /** A day written yyyy-mm-dd, from 2000 to 2100. */
  public static LocalDate day(String text) {
    try {
      LocalDate day = LocalDate.parse(text.strip());
      checkYear(day.getYear(), text);
      return day;
    } catch (DateTimeException e) {
      throw new IllegalArgumentException(
          "\"" + shortened(text) + "\" is not a day. Write it like 2026-11-24.", e);
    }
  }

  /** Whether a text is such a day. */
  public static boolean isDay(String text) {
    try {
      day(text);
      return true;
    } catch (IllegalArgumentException e) {
      return false;
    }
  }

  /** A month written yyyy-mm, from 2000 to 2100. */
  public static YearMonth month(String text) {
    try {
      YearMonth month = YearMonth.parse(text.strip());
      checkYear(month.getYear(), text);
      return month;
    } catch (DateTimeException e) {
      throw new IllegalArgumentException(
          "\"" + shortened(text) + "\" is not a month. Write it like 2027-01.", e);
    }
  }

  private static void checkYear(int year, String text) {
    if (year < 2000 || year > 2100) {
      throw new IllegalArgumentException(
          "\"" + shortened(text) + "\" lies outside 2000 to 2100. Check the year.");
    }
  }

  public static CurrencyUnit currency(String text) {
    try {
      return CurrencyUnit.of(text.strip().toUpperCase(Locale.ROOT));
    } catch (IllegalCurrencyException e) {
      throw new IllegalArgumentException(
          "\"" + shortened(text) + "\" is not a currency. Write its three-letter code, like EUR.",
          e);
    }
  }

  /** Text of at most {@code most} characters, without surrounding blanks. */
  public static String text(String text, int most) {
    String stripped = text.strip();
    if (stripped.length() > most) {
      throw new IllegalArgumentException(
          "This text has "
              + stripped.length()
              + " characters; at most "
              + most
              + " fit. Shorten it.");
    }
    return stripped;
  }

  /** Letters that do not come apart into a plain one and a mark. */
  private static final Map<String, String> PLAIN =
      Map.of(
          "ß", "ss", "æ", "ae", "œ", "oe", "ø", "o", "ł", "l", "đ", "d", "ð", "d", "þ", "th", "ı",
          "i");

  /**
   * A stable id from a name in any script: lower-case ASCII letters, digits and hyphens, at most
   * 60. Where letters have no plain form, or it would be longer, a short fingerprint of the name
   * keeps unlike names apart.
   */
  public static String slug(String name) {
    // most names, and many times a page
    if (name.length() <= LONGEST_SLUG && name.chars().allMatch(c -> c < 128)) {
      return orX(hyphens(name.toLowerCase(Locale.ROOT)));
    }
    String lower =
        java.text.Normalizer.normalize(name, java.text.Normalizer.Form.NFD)
            .replaceAll("\\p{M}", "")
            .toLowerCase(Locale.ROOT);
    for (Map.Entry<String, String> letter : PLAIN.entrySet()) {
      lower = lower.replace(letter.getKey(), letter.getValue());
    }
    boolean all = lower.codePoints().noneMatch(c -> c > 127 && Character.isLetterOrDigit(c));
    String plain = hyphens(lower);
    if (all && plain.length() <= LONGEST_SLUG) {
      return orX(plain);
    }
    String kept = plain.substring(0, Math.min(plain.length(), LONGEST_SLUG - 9));
    return (kept.isEmpty() ? "n" : kept) + "-" + fingerprint(lower);
  }

  private static String orX(String plain) {
    return plain.isEmpty() ? "x" : plain;
  }

  /** Letters and digits as they are, one hyphen for all between them. */
  private static String hyphens(String lower) {
    StringBuilder plain = new StringBuilder(lower.length());
    boolean between = false;
    for (int i = 0; i < lower.length(); i++) {
      char c = lower.charAt(i);
      if (c >= 'a' && c <= 'z' || c >= '0' && c <= '9') {
        if (between && !plain.isEmpty()) {
          plain.append('-');
        }
        plain.append(c);
        between = false;
      } else {
        between = true;
      }
    }
    return plain.toString();
  }

  private static String fingerprint(String text) {
    java.util.zip.CRC32C crc = new java.util.zip.CRC32C();
    crc.update(text.getBytes(java.nio.charset.StandardCharsets.UTF_8));
    return String.format(Locale.ROOT, "%08x", crc.getValue());
  }

  /** {@code wanted}, or with a number behind it the first that is not taken. */
  public static String unused(String wanted, java.util.Collection<String> taken) {
    String id = wanted;
    for (int i = 2; taken.contains(id); i++) {
      id = wanted + "-" + i;
    }
    return id;
  }

  public static String shortened(String text) {
    return text.length() > 40 ? text.substring(0, 40) + "…" : text;
  }

  /** All codes of an enum, for choices in forms. */
  public static <E extends Enum<E>> List<String> codes(Class<E> type) {
    return Arrays.stream(type.getEnumConstants()).map(Codes::code).toList();
  }
}
