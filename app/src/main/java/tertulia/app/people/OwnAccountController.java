package tertulia.app.people;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.time.Clock;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.security.core.session.SessionInformation;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import tertulia.app.display.Dates;
import tertulia.app.exchange.Faults;

/** What everybody does about their own account: the password, and where they are signed in. */
@Controller
class OwnAccountController {
  private final UserAccounts people;
  private final OpenSessions sessions;
  private final OwnPassword ownPassword;
  private final Clock clock;

  OwnAccountController(
      UserAccounts people, OpenSessions sessions, OwnPassword ownPassword, Clock clock) {
    this.ownPassword = ownPassword;
    this.people = people;
    this.sessions = sessions;
    this.clock = clock;
  }

  /** One place where somebody is signed in. */
  record Place(String lastSeen, boolean here) {}

  @GetMapping("/account")
  String page(@AuthenticationPrincipal SignedIn person, HttpServletRequest request, Model model) {
    return show(person, new Faults(), request, model);
  }

  private String show(SignedIn person, Faults faults, HttpServletRequest request, Model model) {
    String own = ownId(request);
    List<Place> places =
        sessions.of(person).stream()
            .sorted(Comparator.comparing(SessionInformation::getLastRequest).reversed())
            .map(info -> place(info, own))
            .toList();
    model.addAttribute("places", places);
    model.addAttribute("faults", faults.all());
    return "people/account";
  }

  private Place place(SessionInformation info, String own) {
    return new Place(
        Dates.moment(info.getLastRequest().toInstant().atZone(clock.getZone())),
        info.getSessionId().equals(own));
  }

  @PostMapping("/account/password")
  String change(
      @RequestParam String now,
      @RequestParam String password,
      @AuthenticationPrincipal SignedIn person,
      HttpServletRequest request,
      Model model,
      RedirectAttributes flash,
      HttpServletResponse response) {
    Faults faults = new Faults();
    ownPassword
        .fault(person, now, "nothing was changed")
        .ifPresentOrElse(
            fault -> faults.add("now", fault),
            () -> people.changePassword(person.id(), password, faults));
    if (!faults.isEmpty()) {
      response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
      return show(person, faults, request, model);
    }
    endOthers(person, request);
    flash.addFlashAttribute("done", "The password is changed. Other places are signed out.");
    return "redirect:/account";
  }

  /** Everywhere but here. */
  @PostMapping("/account/sessions")
  String signOutElsewhere(
      @AuthenticationPrincipal SignedIn person,
      HttpServletRequest request,
      RedirectAttributes flash) {
    endOthers(person, request);
    flash.addFlashAttribute("done", "You are signed out everywhere but here.");
    return "redirect:/account";
  }

  private void endOthers(SignedIn person, HttpServletRequest request) {
    sessions.endBut(person.id(), ownId(request));
  }

  private static String ownId(HttpServletRequest request) {
    HttpSession session = request.getSession(false);
    return session == null ? "" : session.getId();
  }

  /** Where a person who is invited, or lost the password, sets one. */
  @GetMapping("/invitation/{word}")
  String invited(@PathVariable String word, Model model, HttpServletResponse response) {
    return people
        .linked(word)
        .map(whose -> invitation(whose, word, new Faults(), model))
        .orElseGet(() -> worksNoMore(model, response));
  }

  private static String invitation(
      UserAccounts.Entry whose, String word, Faults faults, Model model) {
    model.addAttribute("whose", whose);
    model.addAttribute("word", word);
    model.addAttribute("faults", faults.all());
    return "people/invitation";
  }

  private static String worksNoMore(Model model, HttpServletResponse response) {
    response.setStatus(HttpStatus.GONE.value());
    model.addAttribute("sentence", "This link does not work, or not any more.");
    model.addAttribute("remedy", "Ask an organiser for a new one: each works once and for 3 days.");
    return "error/sentence";
  }

  @PostMapping("/invitation/{word}")
  String setPassword(
      @PathVariable String word,
      @RequestParam String password,
      Model model,
      HttpServletResponse response) {
    Faults faults = new Faults();
    Optional<UserAccounts.Entry> whose = people.setPassword(word, password, faults);
    if (whose.isPresent()) {
      sessions.end(whose.get().id());
      return "redirect:/sign-in?created";
    }
    if (faults.isEmpty()) {
      return worksNoMore(model, response);
    }
    response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
    return people
        .linked(word)
        .map(still -> invitation(still, word, faults, model))
        .orElseGet(() -> worksNoMore(model, response));
  }
}
