package tertulia.app.trial;

import jakarta.servlet.http.HttpServletResponse;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import tertulia.app.catalogue.Catalogue;
import tertulia.app.display.TrialWords;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.Faults;
import tertulia.app.exchange.Limits;
import tertulia.app.exchange.TrialsReader;
import tertulia.app.exchange.TypedDate;
import tertulia.app.people.SignedIn;
import tertulia.app.selection.TriedByHand;
import tertulia.app.web.Conflict;
import tertulia.app.web.NotFound;
import tertulia.app.web.RetryOnConflict;
import tertulia.app.workspace.Session;
import tertulia.app.workspace.StepBody;
import tertulia.app.workspace.Steps;
import tertulia.core.evaluation.Contender;
import tertulia.core.finding.TrialFinding;
import tertulia.core.finding.TrialFindings;
import tertulia.core.trial.Task;
import tertulia.core.trial.Trial;

/** Trying by hand, beside the steps. */
@Controller
class TrialsController implements StepBody {
  private static final String VIEW = "trial/trials";
  private final Steps steps;
  private final TriedByHand hands;
  private final Catalogue catalogue;

  TrialsController(Steps steps, TriedByHand hands, Catalogue catalogue) {
    this.steps = steps;
    this.hands = hands;
    this.catalogue = catalogue;
  }

  /** Puts a task on the list: one that is proposed, or words of one's own. */
  @PostMapping("/selections/{id}/trials/task")
  String name(
      @PathVariable long id,
      @RequestParam(defaultValue = "") String from,
      @RequestParam(defaultValue = "") String words,
      @AuthenticationPrincipal SignedIn person,
      Model model,
      HttpServletResponse response) {
    Session session = steps.open(id, Map.of(), person);
    try {
      Task.From why = TrialsReader.from(from.isEmpty() ? null : from);
      String text =
          words.isBlank()
              ? TrialsReader.named(why, session.table().file().brief()).orElse("")
              : words;
      RetryOnConflict.until(() -> hands.name(id, text, why));
      return "redirect:/selections/" + id + "/trials";
    } catch (IllegalArgumentException e) {
      return refused(session, model, response, Map.of("words", "" + e.getMessage()), words, null);
    } catch (Conflict e) {
      return refused(session, model, response, Map.of("words", e.message()), words, null);
    }
  }

  /** Takes a task off the list. */
  @PostMapping("/selections/{id}/trials/task/drop")
  String drop(
      @PathVariable long id,
      @RequestParam String task,
      @AuthenticationPrincipal SignedIn person,
      Model model,
      HttpServletResponse response) {
    Session session = steps.open(id, Map.of(), person);
    try {
      RetryOnConflict.until(() -> hands.drop(id, task));
      return "redirect:/selections/" + id + "/trials";
    } catch (Conflict e) {
      return refused(session, model, response, Map.of("words", e.message()), "", null);
    }
  }

  /** What was typed of a trial. */
  record Typed(
      String contender,
      String plan,
      String first,
      String last,
      String terms,
      List<String> people) {}

  /** Begins a trial, or changes it. */
  @PostMapping("/selections/{id}/trials/plan")
  String plan(
      @PathVariable long id,
      @RequestParam String contender,
      @RequestParam(defaultValue = "") String plan,
      @RequestParam(defaultValue = "") String first,
      @RequestParam(defaultValue = "") String last,
      @RequestParam(defaultValue = "") String terms,
      @RequestParam(required = false) @Nullable List<String> people,
      @RequestParam(defaultValue = "") String read,
      @AuthenticationPrincipal SignedIn person,
      Model model,
      HttpServletResponse response) {
    Session session = steps.open(id, Map.of(), person);
    Contender tried = contender(session, contender);
    List<String> trying =
        people == null ? List.of() : people.stream().limit(Limits.TRYING).toList();
    Faults faults = new Faults();
    Optional<LocalDate> begins = faults.at("first", () -> TypedDate.day(first));
    Optional<LocalDate> ends =
        last.isBlank() ? Optional.empty() : faults.at("last", () -> TypedDate.day(last));
    faults.at("terms", () -> Codes.text(terms, Limits.TERMS_OF_TRIAL));
    boolean sold = tried.tool().plans().stream().anyMatch(p -> p.id().equals(plan));
    if (faults.isEmpty() && begins.isPresent()) {
      faults
          .at(
              "last",
              () ->
                  new Trial(
                      contender,
                      sold ? plan : null,
                      begins.get(),
                      ends.orElse(null),
                      terms.strip(),
                      trying,
                      List.of()))
          .ifPresent(trial -> {
            try {
              RetryOnConflict.until(() -> hands.plan(id, trial, read));
            } catch (Conflict e) {
              faults.add("first", e.message() + " " + now(id, person, contender));
            }
          });
    }
    return faults.isEmpty()
        ? "redirect:/selections/" + id + "/trials"
        : refused(
            session,
            model,
            response,
            faults.byField(),
            "",
            new Typed(contender, plan, first, last, terms, trying));
  }

  /** How it stands by now, so that whoever typed something else can choose. */
  private String now(long id, SignedIn person, String contender) {
    return TrialsView.of(steps.open(id, Map.of(), person)).plans().stream()
        .filter(plan -> plan.contender().equals(contender))
        .findFirst()
        .map(plan ->
            "It is now: "
                + plan.inWords()
                + ". Save what you typed in its place, or open the page again to keep it.")
        .orElse("");
  }

  private String refused(
      Session session,
      Model model,
      HttpServletResponse response,
      Map<String, String> faults,
      String words,
      @Nullable Typed typed) {
    String page = steps.refused(session, this, model, response);
    model.addAttribute("faults", faults);
    model.addAttribute("typedWords", words);
    model.addAttribute("typed", typed);
    return page;
  }

  /** How somebody fared, to be typed. */
  record Asked(
      String task,
      String contender,
      String of,
      String outcome,
      String minutes,
      String note,
      boolean there,
      String fault) {}

  @GetMapping("/selections/{id}/trials/result")
  String ask(
      @PathVariable long id,
      @RequestParam String task,
      @RequestParam String contender,
      @AuthenticationPrincipal SignedIn person,
      Model model) {
    Session session = steps.open(id, Map.of(), person);
    Task tried = task(session, task);
    Optional<Trial.Result> own =
        session.table().selection().trials().results(tried, contender).stream()
            .filter(r -> r.by().equals(person.name()))
            .findFirst();
    model.addAttribute("id", id);
    model.addAttribute(
        "asked",
        new Asked(
            task,
            contender,
            contender(session, contender).tool().name() + " · " + tried.words(),
            own.map(r -> Codes.code(r.outcome())).orElse(""),
            own.flatMap(Trial.Result::took).map(String::valueOf).orElse(""),
            own.map(Trial.Result::note).orElse(""),
            own.isPresent(),
            ""));
    return "trial/result :: ask";
  }

  /** Keeps how somebody fared; nothing chosen takes it back. */
  @PostMapping("/selections/{id}/trials/result")
  String result(
      @PathVariable long id,
      @RequestParam String task,
      @RequestParam String contender,
      @RequestParam(defaultValue = "") String outcome,
      @RequestParam(defaultValue = "") String minutes,
      @RequestParam(defaultValue = "") String note,
      @AuthenticationPrincipal SignedIn person,
      Model model,
      HttpServletResponse response) {
    Session session = steps.open(id, Map.of(), person);
    Task tried = task(session, task);
    Contender of = contender(session, contender);
    try {
      if (outcome.isEmpty()) {
        if (!minutes.isBlank() || !note.isBlank()) {
          throw new IllegalArgumentException("Say first whether it was done.");
        }
        RetryOnConflict.until(() -> hands.takeBack(id, contender, task, person.name()));
      } else {
        Trial.Result result =
            new Trial.Result(
                task,
                person.name(),
                Codes.oneOf(Trial.Completion.class, outcome),
                minutes.isBlank() ? null : Codes.whole(minutes),
                Codes.text(note, Limits.NOTE),
                session.today());
        RetryOnConflict.until(() -> hands.note(id, contender, result));
      }
    } catch (IllegalArgumentException e) {
      response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
      model.addAttribute("id", id);
      model.addAttribute(
          "asked",
          new Asked(
              task,
              contender,
              of.tool().name() + " · " + tried.words(),
              outcome,
              minutes,
              note,
              false,
              String.valueOf(e.getMessage())));
      return "trial/result :: ask";
    }
    steps.page(steps.open(id, Map.of(), person), this, model);
    return "trial/result :: kept";
  }

  /** Puts down what a task showed as a fact of the plan that was tried, as tried by hand. */
  @PostMapping("/selections/{id}/trials/fact")
  String fact(
      @PathVariable long id,
      @RequestParam String task,
      @RequestParam String contender,
      @AuthenticationPrincipal SignedIn person,
      RedirectAttributes flash) {
    Session session = steps.open(id, Map.of(), person);
    TrialFinding.TriedFact shown =
        new TrialFindings(session.table().selection())
            .fact(contender(session, contender), task(session, task))
            .orElseThrow(() -> new NotFound("anything new that this task shows"));
    TriedFacts facts = new TriedFacts(shown);
    catalogue.revise(contender, session.today(), facts::in, person.name());
    flash.addFlashAttribute(
        "done",
        new TrialWords(session.table().selection()).of(shown)
            + " That stands on the price page now, as tried by hand.");
    return "redirect:/selections/" + id + "/trials";
  }

  private static Task task(Session session, String id) {
    return session.table().selection().trials().tasks().stream()
        .filter(task -> task.id().equals(id))
        .findFirst()
        .orElseThrow(() -> new NotFound("task like this any more"));
  }

  private static Contender contender(Session session, String id) {
    return Stream.of(session.columns())
        .flatMap(List::stream)
        .filter(c -> c.id().equals(id))
        .findFirst()
        .orElseThrow(() -> new NotFound("contender \"" + id + "\" at this table"));
  }

  @Override
  public String key() {
    return "trials";
  }

  @Override
  public String view() {
    return VIEW;
  }

  @Override
  public void fill(Session session, Model model) {
    model.addAttribute("trials", TrialsView.of(session));
    model.addAttribute("faults", Map.of());
    model.addAttribute("typedWords", "");
    model.addAttribute("typed", null);
  }
}
