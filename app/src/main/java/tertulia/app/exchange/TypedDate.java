package tertulia.app.exchange;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.format.DateTimeFormatter;
import java.time.format.DateTimeFormatterBuilder;
import java.time.format.ResolverStyle;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * Days and months as people write them: in forms and in tables for spreadsheets they are read the
 * ways in which they are shown and said, as long as no other day could be meant. Files of ours have
 * one way only.
 */
public final class TypedDate {
  private static final List<DateTimeFormatter> DAYS =
      List.of(
          format("uuuu-MM-dd"),
          format("d.M.uuuu"),
          format("d MMM uuuu"),
          format("d MMMM uuuu"),
          format("MMM d, uuuu"),
          format("MMMM d, uuuu"));
  private static final List<DateTimeFormatter> WITH_STROKES =
      List.of(format("d/M/uuuu"), format("M/d/uuuu"));
  private static final List<DateTimeFormatter> MONTHS =
      List.of(
          format("uuuu-MM"),
          format("M/uuuu"),
          format("M.uuuu"),
          format("MMM uuuu"),
          format("MMMM uuuu"));

  private TypedDate() {}

  private static DateTimeFormatter format(String pattern) {
    return new DateTimeFormatterBuilder()
        .parseCaseInsensitive()
        .appendPattern(pattern)
        .toFormatter(Locale.ENGLISH)
        .withResolverStyle(ResolverStyle.STRICT);
  }

  /**
   * A day from 2000 to 2100: "2026-11-24", "24 Nov 2026", "24.11.2026", or "24/11/2026" where the
   * one number can only be the day.
   *
   * @throws IllegalArgumentException that says how to write it
   */
  public static LocalDate day(String text) {
    String typed = spaced(text);
    List<LocalDate> meant =
        WITH_STROKES.stream().flatMap(format -> day(typed, format).stream()).distinct().toList();
    if (meant.size() > 1) {
      throw new IllegalArgumentException(
          "\""
              + Codes.shortened(text)
              + "\" may be two days. Write the month as a word, like 24 Nov 2026.");
    }
    return DAYS.stream()
        .flatMap(format -> day(typed, format).stream())
        .findFirst()
        .or(() -> meant.stream().findFirst())
        .map(day -> Codes.day(day.toString()))
        .orElseThrow(() ->
            new IllegalArgumentException(
                "\""
                    + Codes.shortened(text)
                    + "\" is not a day. Write it like 24 Nov 2026 or 2026-11-24."));
  }

  /**
   * A month from 2000 to 2100: "2027-01", "Jan 2027", "1/2027".
   *
   * @throws IllegalArgumentException that says how to write it
   */
  public static YearMonth month(String text) {
    String typed = spaced(text);
    return MONTHS.stream()
        .flatMap(format -> month(typed, format).stream())
        .findFirst()
        .map(month -> Codes.month(month.toString()))
        .orElseThrow(() ->
            new IllegalArgumentException(
                "\""
                    + Codes.shortened(text)
                    + "\" is not a month. Write it like Jan 2027 or 2027-01."));
  }

  private static String spaced(String text) {
    return text.strip().replaceAll("\\s+", " ");
  }

  private static Optional<LocalDate> day(String text, DateTimeFormatter format) {
    try {
      return Optional.of(LocalDate.parse(text, format));
    } catch (DateTimeException e) {
      return Optional.empty();
    }
  }

  private static Optional<YearMonth> month(String text, DateTimeFormatter format) {
    try {
      return Optional.of(YearMonth.parse(text, format));
    } catch (DateTimeException e) {
      return Optional.empty();
    }
  }
}
