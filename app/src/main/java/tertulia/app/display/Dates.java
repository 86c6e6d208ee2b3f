package tertulia.app.display;

import java.time.Instant;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.util.Locale;

/** How dates read: 24 Nov 2026. */
public final class Dates {
  private static final DateTimeFormatter DAY =
      DateTimeFormatter.ofPattern("d MMM uuuu", Locale.ENGLISH);
  private static final DateTimeFormatter DAY_OF_YEAR =
      DateTimeFormatter.ofPattern("d MMM", Locale.ENGLISH);
  private static final DateTimeFormatter MOMENT =
      DateTimeFormatter.ofPattern("d MMM uuuu, HH:mm", Locale.ENGLISH);
  private static final DateTimeFormatter SHORT_MONTH =
      DateTimeFormatter.ofPattern("MMM uuuu", Locale.ENGLISH);
  private static final DateTimeFormatter MONTH =
      DateTimeFormatter.ofPattern("MMMM uuuu", Locale.ENGLISH);

  private Dates() {}

  public static String day(LocalDate day) {
    return day.format(DAY);
  }

  /** The same day of each year: 24 Nov. */
  public static String dayOfYear(LocalDate day) {
    return day.format(DAY_OF_YEAR);
  }

  public static String day(Instant instant, ZoneId zone) {
    return day(instant.atZone(zone).toLocalDate());
  }

  /** Jan 2027. */
  public static String shortMonth(YearMonth month) {
    return month.format(SHORT_MONTH);
  }

  /** January 2027. */
  public static String month(YearMonth month) {
    return month.format(MONTH);
  }

  /** "24 Nov 2026, 09:05". */
  public static String moment(ZonedDateTime moment) {
    return MOMENT.format(moment);
  }
}
