package tertulia.app.dates;

import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.time.Instant;
import java.util.List;
import net.fortuna.ical4j.data.CalendarOutputter;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.property.DtStamp;
import net.fortuna.ical4j.model.property.DtStart;
import net.fortuna.ical4j.model.property.ProdId;
import net.fortuna.ical4j.model.property.Summary;
import net.fortuna.ical4j.model.property.Uid;
import net.fortuna.ical4j.model.property.immutable.ImmutableCalScale;
import net.fortuna.ical4j.model.property.immutable.ImmutableVersion;

/** Writes days as an iCalendar file (RFC 5545), each an event of a whole day. */
final class CalendarFile {
  private CalendarFile() {}

  /**
   * Writes a file.
   *
   * @param now when it is written
   */
  static String of(List<DueDates.Due> days, Instant now) {
    Calendar calendar = new Calendar();
    calendar.add(new ProdId("-//Tertulia//Dates//EN"));
    calendar.add(ImmutableVersion.VERSION_2_0);
    calendar.add(ImmutableCalScale.GREGORIAN);
    for (DueDates.Due day : days) {
      VEvent event = new VEvent(false);
      event.add(new DtStamp(now));
      event.add(new Uid(day.id() + "@tertulia"));
      event.add(new DtStart<>(day.on()));
      event.add(new Summary(day.what()));
      calendar.add(event);
    }
    try {
      StringWriter file = new StringWriter();
      new CalendarOutputter().output(calendar, file);
      return file.toString();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
