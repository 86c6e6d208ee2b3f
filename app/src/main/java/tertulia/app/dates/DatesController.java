package tertulia.app.dates;

import jakarta.servlet.http.HttpServletRequest;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.util.List;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import org.springframework.web.servlet.support.ServletUriComponentsBuilder;
import tertulia.app.display.Dates;
import tertulia.app.people.CalendarAddresses;
import tertulia.app.people.SignedIn;
import tertulia.app.web.NotFound;

/** What is due when. */
@Controller
class DatesController {
  private static final MediaType CALENDAR =
      new MediaType("text", "calendar", StandardCharsets.UTF_8);

  private final DueDates due;
  private final CalendarAddresses addresses;
  private final Clock clock;

  DatesController(DueDates due, CalendarAddresses addresses, Clock clock) {
    this.due = due;
    this.addresses = addresses;
    this.clock = clock;
  }

  /** A line of the page. */
  record Line(String day, String what, String href, boolean past) {}

  @GetMapping("/dates")
  String page(@AuthenticationPrincipal SignedIn person, Model model) {
    model.addAttribute("hasAddress", addresses.has(person));
    List<Line> lines =
        due.all().stream()
            .map(d -> new Line(Dates.day(d.on()), d.what(), d.href(), d.past()))
            .toList();
    model.addAttribute("lines", lines);
    return "dates/dates";
  }

  /** Makes an address that a calendar can read, which is shown once. */
  @PostMapping("/dates/address")
  String address(
      @AuthenticationPrincipal SignedIn person,
      HttpServletRequest request,
      RedirectAttributes flash) {
    flash.addFlashAttribute(
        "address",
        ServletUriComponentsBuilder.fromContextPath(request)
            .path("/calendar/{word}/dates.ics")
            .buildAndExpand(addresses.renew(person))
            .toUriString());
    return "redirect:/dates#address";
  }

  /** Takes it back: whoever has it reads nothing any more. */
  @PostMapping("/dates/address/revoke")
  String revoke(@AuthenticationPrincipal SignedIn person) {
    addresses.revoke(person);
    return "redirect:/dates#address";
  }

  @GetMapping("/dates.ics")
  ResponseEntity<byte[]> file() {
    return calendar();
  }

  /** The dates of the person to whom an address belongs; nobody signs in for it. */
  @GetMapping("/calendar/{word}/dates.ics")
  ResponseEntity<byte[]> subscribed(@PathVariable String word) {
    return addresses.as(word, this::calendar).orElseThrow(() -> new NotFound("calendar"));
  }

  private ResponseEntity<byte[]> calendar() {
    return ResponseEntity.ok()
        .contentType(CALENDAR)
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment().filename("tertulia-dates.ics").build().toString())
        .body(CalendarFile.of(due.all(), clock.instant()).getBytes(StandardCharsets.UTF_8));
  }
}
