package tertulia.app.weighing;

import java.time.Clock;
import java.time.LocalDate;
import java.util.Objects;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import tertulia.app.display.ViewWords;
import tertulia.app.exchange.WeighingReader;
import tertulia.app.mail.Mail;
import tertulia.app.people.Role;
import tertulia.app.people.SignedIn;
import tertulia.app.people.UserAccounts;
import tertulia.app.selection.LoadedSelection;
import tertulia.app.selection.Seats;
import tertulia.app.selection.Selections;
import tertulia.app.selection.Views;
import tertulia.app.web.Conflict;
import tertulia.app.web.NotFound;
import tertulia.app.web.RetryOnConflict;
import tertulia.core.finding.ViewFindings;
import tertulia.core.scoring.Member;

/** What people do at a table besides weighing and marking: choose their way, show their view. */
@Controller
class PanelController {
  private final Seats seats;
  private final Views views;
  private final UserAccounts people;
  private final Selections selections;
  private final Mail mail;
  private final Clock clock;

  PanelController(
      Seats seats,
      Views views,
      UserAccounts people,
      Selections selections,
      Mail mail,
      Clock clock) {
    this.selections = selections;
    this.mail = mail;
    this.clock = clock;
    this.seats = seats;
    this.views = views;
    this.people = people;
  }

  /** Gives somebody a seat. */
  @PostMapping("/selections/{id}/table")
  String invite(@PathVariable long id, @RequestParam long account, RedirectAttributes flash) {
    UserAccounts.Entry entry =
        people.all().stream()
            .filter(known -> known.id() == account && !known.disabled())
            .filter(known -> known.role() != Role.READER)
            .findFirst()
            .orElseThrow(() -> new NotFound("such account on the panel"));
    RetryOnConflict.until(() -> seats.invite(id, account, entry.name()));
    flash.addFlashAttribute(
        "invited", entry.name() + " has a seat. What is asked of them stands on their first page.");
    return "redirect:/selections/" + id + "/weights";
  }

  /** Takes a seat away that nobody has used. */
  @PostMapping("/selections/{id}/table/leave")
  String leave(@PathVariable long id, @RequestParam long member, RedirectAttributes flash) {
    try {
      RetryOnConflict.until(() -> seats.uninvite(id, member));
    } catch (Conflict e) {
      flash.addFlashAttribute("invited", e.message());
    }
    return "redirect:/selections/" + id + "/weights";
  }

  /** Reminds somebody whose view is missing, at most once a day. */
  @PostMapping("/selections/{id}/table/remind")
  String remind(
      @PathVariable long id,
      @RequestParam long member,
      @AuthenticationPrincipal SignedIn person,
      RedirectAttributes flash) {
    LoadedSelection table = selections.load(id);
    LoadedSelection.Seat seat =
        table.seats().stream()
            .filter(s -> s.memberId() == member && s.accountId() != null && !s.isShown())
            .findFirst()
            .orElseThrow(() -> new NotFound("seat whose view is missing like that"));
    Member asked = table.selection().panel().members().get(table.seats().indexOf(seat));
    boolean sent =
        RetryOnConflict.until(() ->
            mail.send(
                new Mail.Message(
                    Objects.requireNonNull(seat.accountId()),
                    id,
                    seat.name(),
                    table.selection().title(),
                    ViewWords.of(ViewFindings.asked(table.selection(), asked, person.name())),
                    "/selections/" + id + "/weights",
                    person.name(),
                    "view/" + id + "/" + member + "/" + LocalDate.now(clock))));
    flash.addFlashAttribute(
        "invited",
        sent
            ? seat.name() + " was reminded. What was written can be read:"
            : seat.name() + " was reminded today already.");
    flash.addFlashAttribute("reminded", true);
    return "redirect:/selections/" + id + "/weights";
  }

  @PostMapping("/selections/{id}/weights/way")
  String way(
      @PathVariable long id, @RequestParam String way, @AuthenticationPrincipal SignedIn person) {
    WeighingReader.Elicitation chosen;
    try {
      chosen = WeighingReader.Elicitation.of(way);
    } catch (IllegalArgumentException e) {
      throw new NotFound("way to weigh called \"" + way + "\"");
    }
    RetryOnConflict.until(() -> views.weighBy(id, person, chosen));
    return "redirect:/selections/" + id + "/weights";
  }

  /** Shows the others one's view. */
  @PostMapping("/selections/{id}/hand-in")
  String handIn(
      @PathVariable long id,
      @RequestParam(defaultValue = "marks") String from,
      @AuthenticationPrincipal SignedIn person) {
    RetryOnConflict.until(() -> seats.handIn(id, person));
    return back(id, from);
  }

  /** Lets everybody see everybody's view. */
  @PostMapping("/selections/{id}/open-table")
  String open(
      @PathVariable long id,
      @RequestParam(defaultValue = "marks") String from,
      @AuthenticationPrincipal SignedIn person) {
    RetryOnConflict.until(() -> seats.openTable(id, person.name()));
    return back(id, from);
  }

  private static String back(long id, String from) {
    String step = from.matches("weights|marks|decision") ? from : "marks";
    return "redirect:/selections/" + id + "/" + step;
  }
}
