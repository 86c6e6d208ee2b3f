package tertulia.app.people;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import org.springframework.web.servlet.support.ServletUriComponentsBuilder;
import tertulia.app.exchange.Faults;

/** The list of people, for organisers: who is invited, what they may do, who is here no more. */
@Controller
class AccountsController {
  private static final Logger LOG = LoggerFactory.getLogger(AccountsController.class);
  private final UserAccounts people;
  private final OpenSessions sessions;
  private final OwnPassword ownPassword;

  AccountsController(UserAccounts people, OpenSessions sessions, OwnPassword ownPassword) {
    this.people = people;
    this.sessions = sessions;
    this.ownPassword = ownPassword;
  }

  /** What is typed for somebody who is invited. */
  record Invited(String signInName, String name, Role role) {}

  private static final Invited NOBODY = new Invited("", "", Role.MEMBER);

  /**
   * The accounts.
   *
   * @param selection whose decision waits for somebody; the page leads back there
   */
  @GetMapping("/people")
  String list(@RequestParam(required = false) @Nullable Long selection, Model model) {
    model.addAttribute("selection", selection);
    return show(NOBODY, new Faults(), model);
  }

  @PostMapping("/people")
  String invite(
      @RequestParam String signInName,
      @RequestParam String name,
      @RequestParam Role role,
      @RequestParam(required = false) @Nullable Long selection,
      HttpServletRequest request,
      Model model,
      RedirectAttributes flash,
      HttpServletResponse response) {
    Faults faults = new Faults();
    Optional<String> word = people.invite(signInName, name, role, faults);
    if (word.isPresent()) {
      say(name.strip(), word.get(), request, flash);
      return selection == null ? "redirect:/people" : "redirect:/people?selection=" + selection;
    }
    model.addAttribute("selection", selection);
    return refused(new Invited(signInName, name, role), faults, model, response);
  }

  /** The link is shown once to the organiser who asked for it, to be handed on. */
  private static void say(
      String name, String word, HttpServletRequest request, RedirectAttributes flash) {
    flash.addFlashAttribute("linkFor", name);
    flash.addFlashAttribute(
        "link",
        ServletUriComponentsBuilder.fromContextPath(request)
            .path("/invitation/" + word)
            .toUriString());
  }

  @PostMapping("/people/{id}")
  String change(
      @PathVariable long id,
      @RequestParam Role role,
      @RequestParam(defaultValue = "") String password,
      @AuthenticationPrincipal SignedIn person,
      Model model,
      HttpServletResponse response) {
    Faults faults = confirmed(person, password);
    if (faults.isEmpty()) {
      people.changeRole(id, role, faults);
    }
    if (!faults.isEmpty()) {
      return refused(NOBODY, faults, model, response);
    }
    LOG.info("Account {} gave account {} the role {}", person.id(), id, role);
    return "redirect:/people";
  }

  @PostMapping("/people/{id}/disable")
  String disable(
      @PathVariable long id,
      @RequestParam boolean disabled,
      @RequestParam(defaultValue = "") String password,
      @AuthenticationPrincipal SignedIn person,
      Model model,
      HttpServletResponse response) {
    Faults faults = confirmed(person, password);
    if (faults.isEmpty()) {
      people.disable(id, disabled, faults);
    }
    if (!faults.isEmpty()) {
      return refused(NOBODY, faults, model, response);
    }
    if (disabled) {
      sessions.end(id);
    }
    LOG.info("Account {} {} account {}", person.id(), disabled ? "disabled" : "enabled", id);
    return "redirect:/people";
  }

  /** A new link for somebody who lost theirs, or their password. */
  @PostMapping("/people/{id}/link")
  String link(
      @PathVariable long id,
      @RequestParam(defaultValue = "") String password,
      @AuthenticationPrincipal SignedIn person,
      HttpServletRequest request,
      Model model,
      RedirectAttributes flash,
      HttpServletResponse response) {
    Faults faults = confirmed(person, password);
    if (!faults.isEmpty()) {
      return refused(NOBODY, faults, model, response);
    }
    String word = people.link(id);
    LOG.info("Account {} made a link for the password of account {}", person.id(), id);
    people.linked(word).ifPresent(whose -> say(whose.name(), word, request, flash));
    return "redirect:/people";
  }

  private Faults confirmed(SignedIn person, String password) {
    Faults faults = new Faults();
    ownPassword
        .fault(person, password, "nothing was changed")
        .ifPresent(fault -> faults.add("password", fault));
    return faults;
  }

  private String refused(Invited typed, Faults faults, Model model, HttpServletResponse response) {
    response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
    return show(typed, faults, model);
  }

  private String show(Invited typed, Faults faults, Model model) {
    model.addAttribute("people", people.all());
    model.addAttribute("roles", Role.values());
    model.addAttribute("account", typed);
    model.addAttribute("faults", faults.all());
    return "people/people";
  }
}
