package tertulia.app.mail;

import java.time.ZoneId;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import tertulia.app.display.Dates;
import tertulia.app.people.SignedIn;

/** What went out, to be read. */
@Controller
class OutboxController {
  private final Outbox outbox;

  OutboxController(Outbox outbox) {
    this.outbox = outbox;
  }

  /** A message as it is read. */
  record Line(String to, String subject, String body, String link, String sent) {}

  @GetMapping("/outbox")
  String outbox(@AuthenticationPrincipal SignedIn person, Model model) {
    model.addAttribute("organises", person.organises());
    model.addAttribute(
        "messages",
        outbox.read(person).stream()
            .map(sent ->
                new Line(
                    sent.to(),
                    sent.subject(),
                    sent.body(),
                    sent.link(),
                    sent.from() + ", " + Dates.day(sent.at(), ZoneId.systemDefault())))
            .toList());
    return "mail/outbox";
  }
}
