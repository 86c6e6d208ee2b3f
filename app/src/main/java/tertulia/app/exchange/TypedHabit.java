package tertulia.app.exchange;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tertulia.core.growth.Habit;
import tertulia.core.growth.Measure;

/**
 * A habit as people say it: {@code 3 a week}, {@code 2 a workday × 0.5}, {@code 3 a week × 45 min ×
 * 40 %}. How long and by whom may stand in any order; minutes are parts of an hour.
 */
public final class TypedHabit {
  private static final int LONGEST = 80;
  private static final Pattern OFTEN =
      Pattern.compile("(\\S.*?)\\s*(?:times\\s+)?(?:\\ba\\b|\\ban\\b|\\bper\\b|/)\\s*([a-z ]+)");
  private static final Pattern LONG = Pattern.compile("(.+?)\\s*(h|hours?|min|minutes?)?");
  private static final BigDecimal SIXTY = BigDecimal.valueOf(60);

  private TypedHabit() {}

  /**
   * Reads what was typed.
   *
   * @return empty if it does not say how often, so that it is a number or nothing
   * @throws IllegalArgumentException if it does, and the rest of it is not a habit
   */
  public static Optional<Brief.HabitPart> read(String text) {
    String typed = text.strip().toLowerCase(Locale.ROOT);
    if (typed.length() > LONGEST || !typed.matches(".*[a-z].*")) {
      return Optional.empty();
    }
    List<String> factors = new ArrayList<>(List.of(typed.split("\\s*(?:×|\\*|\\bx\\b)\\s*")));
    Matcher often = OFTEN.matcher(factors.removeFirst().strip());
    if (!often.matches()) {
      return Optional.empty();
    }
    String every = every(text, often.group(2).strip());
    String length = null;
    String share = null;
    for (String factor : factors) {
      if (factor.endsWith("%") && share == null) {
        share = percent(factor);
      } else if (!factor.endsWith("%") && length == null) {
        length = length(factor.strip());
      } else {
        throw refused(text);
      }
    }
    return Optional.of(
        new Brief.HabitPart(
            TypedNumber.read(often.group(1)).text(),
            every,
            length == null ? "1" : length,
            share == null ? "1" : share));
  }

  /**
   * Reads what was typed of a measure.
   *
   * @throws IllegalArgumentException also if the measure is none that adds up over a month
   */
  public static Optional<Brief.HabitPart> read(String text, Measure measure) {
    Optional<Brief.HabitPart> habit = read(text);
    habit.ifPresent(part -> BriefReader.habit(measure, part));
    return habit;
  }

  private static String every(String text, String word) {
    return switch (word) {
      case "workday", "working day" -> "workday";
      case "week", "month", "year" -> word;
      default -> throw refused(text);
    };
  }

  private static String percent(String factor) {
    return TypedNumber.plain(
            TypedNumber.read(factor.substring(0, factor.length() - 1)).value().movePointLeft(2))
        .toPlainString();
  }

  private static String length(String factor) {
    Matcher length = LONG.matcher(factor);
    if (!length.matches()) {
      throw refused(factor);
    }
    String unit = length.group(2);
    TypedNumber number = TypedNumber.read(length.group(1));
    return unit != null && unit.startsWith("min")
        ? TypedNumber.fraction(number.value(), SIXTY).toPlainString()
        : number.text();
  }

  private static IllegalArgumentException refused(String text) {
    return new IllegalArgumentException(
        "\""
            + Codes.shortened(text)
            + "\" is no habit. Write how often a workday, week, month or year, how much each time"
            + " and by how many of the group: \"3 a week × 45 min × 40 %\".");
  }

  /** As it is typed: "3 a week × 0.75 × 40 %". */
  public static String text(Brief.HabitPart part) {
    return habit(part).words();
  }

  /** What it comes to for each head in a month. */
  public static BigDecimal perHead(Brief.HabitPart part) {
    return habit(part).perHead();
  }

  /**
   * As it is computed with.
   *
   * @throws IllegalArgumentException if a part of it is out of bounds
   */
  static Habit habit(Brief.HabitPart part) {
    return new Habit(
        Codes.decimal(part.times()),
        Codes.oneOf(Habit.Every.class, part.every()),
        Codes.decimal(part.length()),
        Codes.decimal(part.share()));
  }
}
