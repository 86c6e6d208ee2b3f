package tertulia.pagetext;

import java.math.BigDecimal;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * How a page writes its numbers: which sign stands before decimals.
 *
 * @param decimal '.' or ','; 0 if nothing on the page tells
 */
record Numbers(char decimal) {
  /** A whole number or one with separators, wherever it stands. */
  static final String NUMBER =
      "(?:\\d{1,3}(?:[., '’]\\d{3})+(?![0-9])(?:[.,]\\d{1,2}(?![0-9]))?|\\d+(?:[.,]\\d{1,4})?)";

  private static final Pattern DECIMALS =
      Pattern.compile("(?<![0-9.,])\\d+([.,])\\d{1,2}(?![0-9.,]*[0-9])");
  private static final Pattern BOTH =
      Pattern.compile("\\d{1,3}([., '’])\\d{3}([.,])\\d{1,2}(?![0-9])");

  private static final List<String> WORDS =
      List.of(
          "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten", "eleven",
          "twelve");

  private static final Pattern TIME_BY_WORD =
      Pattern.compile(
          "(?i)\\b(" + String.join("|", WORDS) + ")(?=[- ](?:days?|weeks?|months?)\\b)");

  private static final Pattern COUNTED_BY_WORD =
      Pattern.compile(
          "(?i)^(?<before>(?:for )?(?:up to )?)(?<word>"
              + String.join("|", WORDS)
              + ")(?= \\p{Ll})");

  /** "Try it for four weeks" with the number in digits. */
  static String wordsInDigits(String text) {
    return TIME_BY_WORD
        .matcher(text)
        .replaceAll(word -> "" + (WORDS.indexOf(word.group(1).toLowerCase(Locale.ROOT)) + 1));
  }

  /** "Six calendars" with the number in digits. */
  static String inDigits(String text) {
    Matcher word = COUNTED_BY_WORD.matcher(text);
    return word.find()
        ? word.group("before")
            + (WORDS.indexOf(word.group("word").toLowerCase(Locale.ROOT)) + 1)
            + text.substring(word.end())
        : text;
  }

  /** What a whole page shows of how it writes numbers. */
  static Numbers of(String page) {
    Matcher both = BOTH.matcher(page);
    if (both.find()) {
      return new Numbers(both.group(2).charAt(0));
    }
    int points = 0;
    int commas = 0;
    Matcher found = DECIMALS.matcher(page);
    while (found.find()) {
      if (found.group(1).equals(".")) {
        points++;
      } else {
        commas++;
      }
    }
    return new Numbers(points == commas ? 0 : points > commas ? '.' : ',');
  }

  /** What a number written like {@link #NUMBER} says. */
  record Read(BigDecimal value, boolean sure) {}

  Read read(String written) {
    String plain = written.replaceAll("[ '’]", "");
    int point = plain.lastIndexOf('.');
    int comma = plain.lastIndexOf(',');
    int last = Math.max(point, comma);
    if (last < 0) {
      return new Read(new BigDecimal(plain), true);
    }
    int after = plain.length() - last - 1;
    boolean mixed = point >= 0 && comma >= 0;
    boolean repeated = plain.indexOf(plain.charAt(last)) != last;
    boolean three = after == 3 && !mixed;
    if (!three || repeated) {
      boolean thousands = three || repeated && after == 3;
      return new Read(thousands ? whole(plain) : decimal(plain, last), true);
    }
    // "1.299" or "0,005": three digits after one separator
    if (plain.startsWith("0")) {
      return new Read(decimal(plain, last), true);
    }
    boolean other = decimal != 0 && plain.charAt(last) != decimal;
    return new Read(whole(plain), other);
  }

  private static BigDecimal whole(String plain) {
    return new BigDecimal(plain.replaceAll("[.,]", ""));
  }

  private static BigDecimal decimal(String plain, int last) {
    return new BigDecimal(
        plain.substring(0, last).replaceAll("[.,]", "") + "." + plain.substring(last + 1));
  }

  /** What a number says; empty if there is none. */
  Optional<BigDecimal> number(@Nullable String written) {
    return Optional.ofNullable(written).map(text -> read(text).value());
  }

  /** The same of a whole number of at most seven digits. */
  Optional<Integer> count(@Nullable String written) {
    return number(written)
        .filter(n -> n.stripTrailingZeros().scale() <= 0 && n.precision() - n.scale() <= 7)
        .map(BigDecimal::intValueExact);
  }

  /** The first of some groups that was found; null if none was. */
  static @Nullable String either(Matcher found, String... groups) {
    for (String group : groups) {
      if (found.group(group) != null) {
        return found.group(group);
      }
    }
    return null;
  }
}
