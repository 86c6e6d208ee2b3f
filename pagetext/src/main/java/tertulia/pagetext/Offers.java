package tertulia.pagetext;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.Month;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import tertulia.pagetext.PageReading.OfferSaid;

/** Reductions for a while, and until when something can be had. */
final class Offers {
  private static final String DATE =
      "(?<date>\\d{4}-\\d{2}-\\d{2}|\\d{1,2}\\.\\s?\\d{1,2}\\.\\s?\\d{4}|\\d{1,2}(?:st|nd|rd|th)?\\s[A-Z][a-z]{2,8}\\.?,?\\s\\d{4}|[A-Z][a-z]{2,8}\\.?\\s\\d{1,2}(?:st|nd|rd|th)?,?\\s\\d{4})";
  private static final Pattern PERCENT_OFF =
      Pattern.compile("(?i)(?<n>\\d{1,2}(?:[.,]\\d)?)\\s?%\\s(?:off|less|discount|cheaper)\\b");
  private static final Pattern FREE_MONTHS =
      Pattern.compile(
          "(?i)\\bfirst (?:(?<n>\\d{1,2}|two|three|six|twelve) )?months?(?: is| are)? (?:for )?free\\b|\\b(?<n2>\\d{1,2}|one|two|three|six) months? (?:free|on us|for nothing|on the house)\\b");

  /** What is less for those who pay a year is a price of its own, and nothing for a while. */
  private static final Pattern BY_THE_YEAR =
      Pattern.compile(
          "(?i)\\b(?:a year ahead|(?:for|by) (?:a|one|the) (?:full |whole )?year|a full year|yearly|annual(?:ly)?|by the year)\\b");

  /** "… are already in it": what is spoken of is part of the price. */
  private static final Pattern ALREADY =
      Pattern.compile("(?i)\\b(?:already|included in (?:it|the price))\\b");

  private static final Pattern FOR_MONTHS =
      Pattern.compile(
          "(?i)\\bfirst (?:(?<n>\\d{1,2}|two|three|six|twelve) )?(?<unit>months?|year)\\b|\\bfor (?<n2>\\d{1,2}|two|three|six|twelve) months\\b");
  private static final Pattern UNTIL =
      Pattern.compile(
          "(?:[Uu]ntil|[Tt]ill|[Ee]nds(?: on)?|[Tt]hrough|[Vv]alid (?:until|to)|[Uu]p to|[Bb]y)\\s(?:the end of\\s)?"
              + DATE);
  private static final Pattern NEW_BUYERS =
      Pattern.compile("(?i)\\bnew (?:customers?|buyers?|accounts?|sign-?ups?)\\b");
  private static final int LONGEST_NAME = 60;

  private final Numbers numbers;

  Offers(Numbers numbers) {
    this.numbers = numbers;
  }

  /** A reduction for a while; empty if the phrase is none. */
  Optional<OfferSaid> of(String text, @Nullable String plan) {
    Matcher percent = PERCENT_OFF.matcher(text);
    Matcher free = FREE_MONTHS.matcher(text);
    if (ALREADY.matcher(text).find() || BY_THE_YEAR.matcher(text).find()) {
      return Optional.empty();
    }
    if (free.find()) {
      String n = Numbers.either(free, "n", "n2");
      return Optional.of(
          new OfferSaid(
              named(text),
              Optional.empty(),
              Optional.of(n == null ? 1 : months(n)),
              until(text),
              NEW_BUYERS.matcher(text).find(),
              Optional.ofNullable(plan)));
    }
    if (!percent.find()) {
      return Optional.empty();
    }
    if (Wording.in(text).term().isPresent()) {
      return Optional.empty();
    }
    return numbers
        .number(percent.group("n"))
        .map(off ->
            new OfferSaid(
                named(text),
                Optional.of(off),
                forMonths(text),
                until(text),
                NEW_BUYERS.matcher(text).find(),
                Optional.ofNullable(plan)));
  }

  private static String named(String text) {
    String plain = text.replaceAll("[.!]+$", "");
    return plain.length() <= LONGEST_NAME ? plain : plain.substring(0, LONGEST_NAME).strip();
  }

  Optional<Integer> forMonths(String text) {
    Matcher months = FOR_MONTHS.matcher(text);
    if (!months.find()) {
      return Optional.empty();
    }
    String n = Numbers.either(months, "n", "n2");
    if ("year".equalsIgnoreCase(months.group("unit"))) {
      return Optional.of(12);
    }
    return Optional.of(n == null ? 1 : months(n));
  }

  private static int months(String words) {
    return switch (words.toLowerCase(Locale.ROOT)) {
      case "one" -> 1;
      case "two" -> 2;
      case "three" -> 3;
      case "six" -> 6;
      case "twelve" -> 12;
      default -> Integer.parseInt(words);
    };
  }

  /** Whether a phrase says until when something can be had, and nothing else. */
  static boolean isUntil(String text) {
    Matcher until = UNTIL.matcher(text);
    return until.find()
        && text.substring(0, until.start())
            .matches("(?i)(?:this |the )?(?:offer|price)?(?: is)?(?: valid)?(?: ends)?\\s*")
        && text.substring(until.end()).matches("[.!]?(?: only)?[.!]?");
  }

  static Optional<LocalDate> until(String text) {
    Matcher until = UNTIL.matcher(text);
    return until.find() ? date(until.group("date")) : Optional.empty();
  }

  private static Optional<LocalDate> date(String text) {
    try {
      if (text.matches("\\d{4}-.*")) {
        return Optional.of(LocalDate.parse(text));
      }
      List<String> parts = new ArrayList<>(List.of(text.split("[.,\\s]+")));
      if (text.matches("\\d{1,2}\\..*")) {
        return Optional.of(LocalDate.of(number(parts, 2), number(parts, 1), number(parts, 0)));
      }
      boolean monthFirst = Character.isLetter(text.charAt(0));
      String month = parts.get(monthFirst ? 0 : 1).toUpperCase(Locale.ROOT);
      int day = Integer.parseInt(parts.get(monthFirst ? 1 : 0).replaceAll("\\D", ""));
      for (Month known : Month.values()) {
        if (known.name().startsWith(month)) {
          return Optional.of(LocalDate.of(number(parts, 2), known, day));
        }
      }
      return Optional.empty();
    } catch (DateTimeException e) {
      // such as the 31st of June
      return Optional.empty();
    }
  }

  private static int number(List<String> parts, int at) {
    return Integer.parseInt(parts.get(at));
  }
}
