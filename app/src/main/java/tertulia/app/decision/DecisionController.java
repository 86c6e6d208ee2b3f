package tertulia.app.decision;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import tertulia.app.contenders.Narrowing;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.Faults;
import tertulia.app.exchange.Limits;
import tertulia.app.exchange.TypedDate;
import tertulia.app.people.OwnPassword;
import tertulia.app.people.SignedIn;
import tertulia.app.score.ScoreCardWriter;
import tertulia.app.web.Conflict;
import tertulia.app.workspace.Session;
import tertulia.app.workspace.StepBody;
import tertulia.app.workspace.Steps;
import tertulia.core.decision.Proposal;
import tertulia.core.decision.Proviso;
import tertulia.core.decision.Signing;
import tertulia.core.path.PlanPaths;

/** The Decision step. */
@Controller
class DecisionController implements StepBody {
  private static final Logger LOG = LoggerFactory.getLogger(DecisionController.class);
  private static final String VIEW = "decision/decision";
  private static final int LONGEST = 4000;
  private final Steps steps;
  private final Decisions decisions;
  private final OwnPassword ownPassword;
  private final LookBack lookBack;
  private final LookAgainStep lookAgain;
  private final SigningForm signingForm;
  private final Clock clock;

  DecisionController(
      Steps steps,
      Decisions decisions,
      OwnPassword ownPassword,
      LookBack lookBack,
      LookAgainStep lookAgain,
      SigningForm signingForm,
      Clock clock) {
    this.signingForm = signingForm;
    this.clock = clock;
    this.lookBack = lookBack;
    this.lookAgain = lookAgain;
    this.steps = steps;
    this.decisions = decisions;
    this.ownPassword = ownPassword;
  }

  @PostMapping("/selections/{id}/decision")
  String save(
      @PathVariable long id,
      @RequestParam Map<String, String> typed,
      @AuthenticationPrincipal SignedIn person,
      Model model,
      HttpServletResponse response) {
    return write(id, typed, person, model, response, false);
  }

  @PostMapping("/selections/{id}/decision/propose")
  String propose(
      @PathVariable long id,
      @RequestParam Map<String, String> typed,
      @AuthenticationPrincipal SignedIn person,
      Model model,
      HttpServletResponse response) {
    return write(id, typed, person, model, response, true);
  }

  private String write(
      long id,
      Map<String, String> typed,
      SignedIn person,
      Model model,
      HttpServletResponse response,
      boolean propose) {
    Session session = steps.open(id, Map.of(), person);
    Faults faults = new Faults();
    Optional<Proposal> proposal = proposal(typed, session, faults);
    Signing signing = signingForm.read(id, typed, faults);
    if (!faults.isEmpty()) {
      proposal = Optional.empty();
    }
    boolean counted = session.table().selection().isCounted();
    if (propose && counted && proposal.isPresent() && proposal.get().despite().isBlank()) {
      List<String> against = against(session).proposing(proposal.get());
      if (!against.isEmpty()) {
        faults.add(
            "despite", String.join(" ", against) + " Say why it is the right choice nevertheless.");
        proposal = Optional.empty();
      }
    }
    Optional<OpenRemarks> open = OpenRemarks.of(session);
    if (propose && open.isPresent()) {
      Optional<String> refusal = open.get().refusal(typed.get(OpenRemarks.FIELD));
      refusal.ifPresent(sentence -> faults.add(OpenRemarks.FIELD, sentence));
      proposal = refusal.isPresent() ? Optional.empty() : proposal;
    }
    if (proposal.isPresent()) {
      try {
        OptionalLong version = version(typed);
        if (propose) {
          decisions.propose(id, version, proposal.get(), signing, person);
          LOG.info("Account {} proposed a decision of selection {}", person.id(), id);
        } else {
          decisions.draft(id, version, proposal.get(), signing);
        }
        return "redirect:/selections/" + id + "/decision";
      } catch (IllegalArgumentException e) {
        faults.add("rule", String.valueOf(e.getMessage()));
      } catch (Conflict e) {
        String page = steps.refused(session, this, model, response);
        response.setStatus(HttpStatus.CONFLICT.value());
        model.addAttribute("typed", typed);
        model.addAttribute("provisos", ProvisoForm.of(session.table().selection(), typed));
        model.addAttribute("faults", Map.of("version", e.message()));
        return page;
      }
    }
    String page = steps.refused(session, this, model, response);
    model.addAttribute("typed", typed);
    model.addAttribute("provisos", ProvisoForm.of(session.table().selection(), typed));
    model.addAttribute("faults", faults.byField());
    return page;
  }

  /** By the figures as they stand; those that were computed for the page, if they are these. */
  private Against against(Session session) {
    return session.query().query().isEmpty()
        ? new Against(session.evaluation(), session.today(), session.daysFresh())
        : decisions.against(session.table());
  }

  /** The version of the decision that was read; empty if there was none. */
  private static OptionalLong version(Map<String, String> typed) {
    String version = typed.getOrDefault("version", "");
    return version.matches("[0-9]{1,18}")
        ? OptionalLong.of(Long.parseLong(version))
        : OptionalLong.empty();
  }

  private static Optional<Proposal> proposal(
      Map<String, String> typed, Session session, Faults faults) {
    String choice = typed.getOrDefault("choice", "");
    boolean there = session.columns().stream().anyMatch(c -> c.id().equals(choice));
    if (!there) {
      faults.add("choice", "Choose one of the contenders.");
    }
    String reasons = text(typed, "reasons", "Say why this one.", faults);
    String givenUp = text(typed, "givenUp", "Say what another contender would have had.", faults);
    String conditions =
        faults
            .at("conditions", () -> Codes.text(typed.getOrDefault("conditions", ""), LONGEST))
            .orElse("");
    @Nullable LocalDate lookAgain = lookAgain(typed, session.today(), faults);
    String despite =
        faults
            .at("despite", () -> Codes.text(typed.getOrDefault("despite", ""), Limits.DESPITE))
            .orElse("");
    List<Proviso> holdsWhile =
        ProvisoForm.read(typed, session.table().selection().currency(), faults);
    return faults.isEmpty()
        ? Optional.of(
            new Proposal(
                choice,
                optionOf(session, choice),
                reasons,
                givenUp,
                conditions,
                lookAgain,
                despite,
                holdsWhile))
        : Optional.empty();
  }

  private static String text(
      Map<String, String> typed, String field, String remedy, Faults faults) {
    String text = typed.getOrDefault(field, "");
    if (text.isBlank()) {
      faults.add(field, "This is empty. " + remedy);
    }
    return faults.at(field, () -> Codes.text(text, LONGEST)).orElse("");
  }

  private static @Nullable LocalDate lookAgain(
      Map<String, String> typed, LocalDate today, Faults faults) {
    String text = typed.getOrDefault("lookAgain", "");
    if (text.isBlank()) {
      return null;
    }
    Optional<LocalDate> day = faults.at("lookAgain", () -> TypedDate.day(text));
    if (day.isPresent() && !day.get().isAfter(today)) {
      faults.add("lookAgain", text + " is not in the future. Choose a day after today.");
    }
    return day.orElse(null);
  }

  private static String optionOf(Session session, String choice) {
    return session.evaluation().costs().overall().way(choice) instanceof PlanPaths.Found found
        ? found.best().label()
        : "";
  }

  @PostMapping("/selections/{id}/decision/sign")
  String sign(
      @PathVariable long id,
      @RequestParam String proposal,
      @RequestParam(defaultValue = "") String password,
      @RequestParam(defaultValue = "") String reservations,
      @AuthenticationPrincipal SignedIn person,
      Model model,
      HttpServletResponse response) {
    return signed(
        id,
        person,
        password,
        reservations,
        model,
        response,
        () -> decisions.agree(id, proposal, person, Codes.text(reservations.strip(), LONGEST)));
  }

  /** Notes that nobody objected in time. */
  @PostMapping("/selections/{id}/decision/unopposed")
  String unopposed(
      @PathVariable long id,
      @RequestParam String proposal,
      @RequestParam(defaultValue = "") String password,
      @AuthenticationPrincipal SignedIn person,
      Model model,
      HttpServletResponse response) {
    return signed(
        id, person, password, "", model, response, () -> decisions.unopposed(id, proposal, person));
  }

  /** Reminds those who have not answered. */
  @PostMapping("/selections/{id}/decision/remind")
  String remind(
      @PathVariable long id, @AuthenticationPrincipal SignedIn person, RedirectAttributes flash) {
    List<String> reminded = decisions.remind(id, person);
    flash.addFlashAttribute(
        "reminded",
        reminded.isEmpty()
            ? "Everybody who has not answered was reminded today already."
            : "Reminded: " + String.join(", ", reminded) + ".");
    return "redirect:/selections/" + id + "/decision";
  }

  private String signed(
      long id,
      SignedIn person,
      String password,
      String reservations,
      Model model,
      HttpServletResponse response,
      Runnable signing) {
    Optional<String> fault = ownPassword.fault(person, password, "nothing was signed");
    if (fault.isPresent()) {
      String page = refused(id, person, fault.get(), "", model, response);
      model.addAttribute("typedReservations", reservations);
      return page;
    }
    try {
      signing.run();
      LOG.info("Account {} answered the proposal of selection {}", person.id(), id);
      return "redirect:/selections/" + id + "/decision";
    } catch (Changed e) {
      String page = refused(id, person, String.valueOf(e.getMessage()), "", model, response);
      response.setStatus(HttpStatus.CONFLICT.value());
      return page;
    } catch (IllegalStateException | IllegalArgumentException e) {
      String page = refused(id, person, String.valueOf(e.getMessage()), "", model, response);
      model.addAttribute("typedReservations", reservations);
      return page;
    }
  }

  @PostMapping("/selections/{id}/decision/withdraw")
  String withdraw(
      @PathVariable long id,
      @RequestParam long version,
      @RequestParam String reason,
      @AuthenticationPrincipal SignedIn person,
      Model model,
      HttpServletResponse response) {
    try {
      decisions.withdraw(id, version, person, Codes.text(reason, LONGEST));
      LOG.info("Account {} withdrew the proposal of selection {}", person.id(), id);
      return "redirect:/selections/" + id + "/decision";
    } catch (IllegalArgumentException e) {
      String page = refused(id, person, String.valueOf(e.getMessage()), "", model, response);
      model.addAttribute("typedWithdrawal", reason);
      return page;
    }
  }

  /** Takes a proposal back because of what has changed, and makes it again as things stand. */
  @PostMapping("/selections/{id}/decision/renew")
  String renew(
      @PathVariable long id,
      @RequestParam long version,
      @AuthenticationPrincipal SignedIn person,
      Model model,
      HttpServletResponse response) {
    Session session = steps.open(id, Map.of(), person);
    try {
      decisions.renew(id, version, person, choice -> optionOf(session, choice));
      return "redirect:/selections/" + id + "/decision";
    } catch (IllegalStateException e) {
      return refused(id, person, String.valueOf(e.getMessage()), "", model, response);
    }
  }

  private static final int LONGEST_NOTE = 1000;

  /** Notes that what was signed still holds, and when to look again. */
  @PostMapping("/selections/{id}/decision/holds")
  String holds(
      @PathVariable long id,
      @RequestParam int read,
      @RequestParam Map<String, String> typed,
      @AuthenticationPrincipal SignedIn person,
      Model model,
      HttpServletResponse response) {
    Session session = steps.open(id, Map.of(), person);
    Faults faults = new Faults();
    String note =
        faults
            .at("note", () -> Codes.text(typed.getOrDefault("note", "").strip(), LONGEST_NOTE))
            .orElse("");
    LocalDate again = lookAgain(typed, session.today(), faults);
    if (again == null && faults.isEmpty()) {
      faults.add("lookAgain", "This is empty. Choose the day on which to look again.");
    }
    if (note.isEmpty()) {
      String against =
          decisions
              .find(id)
              .flatMap(s -> lookBack.at(id, s))
              .map(LookBackView::objections)
              .orElse("");
      if (!against.isEmpty()) {
        faults.add("note", against + " Say why it still holds.");
      }
    }
    if (faults.isEmpty()) {
      ownPassword
          .fault(person, typed.getOrDefault("password", ""), "nothing was signed")
          .ifPresent(fault -> faults.add("password", fault));
    }
    if (again != null && faults.isEmpty()) {
      decisions.stillHolds(id, read, person, note, again);
      LOG.info("Account {} noted that the decision of selection {} holds", person.id(), id);
      return "redirect:/selections/" + id + "/look-again#again";
    }
    String page = steps.refused(session, lookAgain, model, response);
    model.addAttribute("typed", typed);
    model.addAttribute("faults", faults.byField());
    return page;
  }

  @PostMapping("/selections/{id}/decision/object")
  String object(
      @PathVariable long id,
      @RequestParam String proposal,
      @RequestParam String reason,
      @AuthenticationPrincipal SignedIn person,
      Model model,
      HttpServletResponse response) {
    try {
      decisions.object(id, proposal, person, Codes.text(reason, LONGEST));
      LOG.info("Account {} objected to the decision of selection {}", person.id(), id);
      return "redirect:/selections/" + id + "/decision";
    } catch (IllegalStateException | IllegalArgumentException e) {
      return refused(id, person, String.valueOf(e.getMessage()), reason, model, response);
    }
  }

  private String refused(
      long id,
      SignedIn person,
      String message,
      String reason,
      Model model,
      HttpServletResponse response) {
    String page = steps.refused(steps.open(id, Map.of(), person), this, model, response);
    model.addAttribute("faults", Map.of("answer", message));
    model.addAttribute("typedReason", reason);
    return page;
  }

  private static List<LookBackView.Condition> foreseen(Session session, Decisions.Stored stored) {
    return LookBackView.conditions(
        session.table().selection(),
        LookBack.foreseen(stored.decision().proposal(), session.evaluation(), session.today()),
        session.today());
  }

  @Override
  public String key() {
    return "decision";
  }

  @Override
  public String view() {
    return VIEW;
  }

  @Override
  public String stamp(Session session) {
    return decisions.stamp(session.table().id());
  }

  @Override
  public void fill(Session session, Model model) {
    Optional<Decisions.Stored> stored = decisions.find(session.table().id());
    model.addAttribute(
        "decision",
        DecisionView.of(
            session,
            stored,
            decisions.ended(session.table().id()),
            decisions.changed(session.table()),
            against(session)));
    model.addAttribute("recordOf", session.table().id());
    Optional<Minutes> minutes = stored.flatMap(MinutesWriter::of);
    model.addAttribute("minutes", minutes.orElse(null));
    model.addAttribute(
        "card", minutes.isPresent() ? null : ScoreCardWriter.of(session).orElse(null));
    model.addAttribute("openRemarks", OpenRemarks.of(session).orElse(null));
    model.addAttribute("typedWithdrawal", "");
    model.addAttribute("narrowing", Narrowing.of(session));
    model.addAttribute("shown", Shown.at(session.table()));
    Map<String, String> typed = DecisionView.typed(session, stored);
    model.addAttribute("typed", typed);
    model.addAttribute("provisos", ProvisoForm.of(session.table().selection(), typed));
    model.addAttribute("signing", signingForm.offered(session.table().id(), session.person()));
    model.addAttribute(
        "asked",
        stored
            .flatMap(found ->
                AskedView.of(
                    found,
                    session.person(),
                    clock.instant(),
                    people -> signingForm.unable(session.table().id(), people)))
            .orElse(null));
    model.addAttribute("typedReservations", "");
    Optional<LookBack.LookedAt> looked =
        stored.flatMap(found -> lookBack.at(session.table().id(), found));
    model.addAttribute(
        "holding",
        looked
            .map(found -> List.of(LookBackView.decide(found), LookBackView.stand(found)))
            .orElse(List.of()));
    model.addAttribute(
        "foreseen",
        stored
            .filter(found -> found.snapshot() == null)
            .map(found -> foreseen(session, found))
            .orElse(List.of()));
    model.addAttribute("years", LookBackView.years(session.table().selection(), session.today()));
    model.addAttribute("faults", Map.of());
    model.addAttribute("typedReason", "");
  }
}
