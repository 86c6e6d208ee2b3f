package tertulia.app.dates;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.util.List;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import tertulia.app.display.Dates;

/** What is due when. */
@Controller
class DatesController {
  private static final MediaType CALENDAR =
      new MediaType("text", "calendar", StandardCharsets.UTF_8);

  private final DueDates due;
  private final Clock clock;

  DatesController(DueDates due, Clock clock) {
    this.due = due;
    this.clock = clock;
  }

  /** A line of the page. */
  record Line(String day, String what, String href, boolean past) {}

  @GetMapping("/dates")
  String page(Model model) {
    List<Line> lines =
        due.all().stream()
            .map(d -> new Line(Dates.day(d.on()), d.what(), d.href(), d.past()))
            .toList();
    model.addAttribute("lines", lines);
    return "dates/dates";
  }

  @GetMapping("/dates.ics")
  ResponseEntity<byte[]> file() {
    return ResponseEntity.ok()
        .contentType(CALENDAR)
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment().filename("tertulia-dates.ics").build().toString())
        .body(CalendarFile.of(due.all(), clock.instant()).getBytes(StandardCharsets.UTF_8));
  }
}
