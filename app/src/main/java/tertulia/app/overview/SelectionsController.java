package tertulia.app.overview;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import tertulia.app.decision.Decisions;
import tertulia.app.decision.LookBack;
import tertulia.app.exchange.Codes;
import tertulia.app.people.SignedIn;
import tertulia.app.pricechange.PriceChanges;
import tertulia.app.selection.LoadedSelection;
import tertulia.app.selection.PutAway;
import tertulia.app.selection.Selections;
import tertulia.app.web.RetryOnConflict;
import tertulia.app.workspace.Session;
import tertulia.app.workspace.Workspace;
import tertulia.core.decision.Decision;

/** The first page: every selection in a line, and putting them away. */
@Controller
class SelectionsController {
  private static final String HOME = "redirect:/selections";
  private final Selections selections;
  private final Decisions decisions;
  private final PriceChanges announcements;
  private final Workspace workspace;
  private final Sample sample;
  private final LookBack lookBack;
  private final Clock clock;

  SelectionsController(
      Selections selections,
      Decisions decisions,
      PriceChanges announcements,
      Workspace workspace,
      Sample sample,
      LookBack lookBack,
      Clock clock) {
    this.lookBack = lookBack;
    this.selections = selections;
    this.decisions = decisions;
    this.announcements = announcements;
    this.workspace = workspace;
    this.sample = sample;
    this.clock = clock;
  }

  @GetMapping("/")
  String start() {
    return HOME;
  }

  @GetMapping("/selections")
  String list(
      @RequestParam(defaultValue = "at-hand") String show,
      @RequestParam(defaultValue = "") String find,
      @AuthenticationPrincipal SignedIn person,
      Model model) {
    PutAway.Shown wanted = Codes.oneOf(PutAway.Shown.class, show);
    PutAway.Shown shown =
        wanted == PutAway.Shown.DELETED && !person.organises() ? PutAway.Shown.AT_HAND : wanted;
    List<LoadedSelection> tables = selections.all(shown);
    Function<LoadedSelection, Session> opening = workspace.opening(person);
    FirstPage page =
        FirstPage.of(
            tables,
            decisions.of(tables.stream().map(LoadedSelection::id).toList()),
            shown,
            find.strip(),
            new FirstPage.Reader(person, LocalDate.now(clock)),
            (table, decision) -> AnswerLine.of(opening.apply(table), decision, lookBack::inShort));
    model.addAttribute("first", page);
    model.addAttribute("organises", person.organises());
    model.addAttribute("announcements", person.organises() ? announcements.waiting() : 0);
    return "overview/list";
  }

  /** A line that was scrolled to. */
  @GetMapping("/selections/{id}/line")
  String line(@PathVariable long id, @AuthenticationPrincipal SignedIn person, Model model) {
    Session session = workspace.open(id, Map.of(), person);
    Optional<Decision> decision = decisions.find(id).map(Decisions.Stored::decision);
    model.addAttribute(
        "line",
        new FirstPage.Line(
            id,
            session.table().selection().title(),
            FirstPage.about(session.table()),
            session.table().putAway().sample(),
            Optional.of(AnswerLine.of(session, decision, lookBack::inShort))));
    model.addAttribute("organises", person.organises());
    model.addAttribute("deleted", false);
    model.addAttribute("athand", session.table().putAway().how() == null);
    return "overview/line :: line";
  }

  /** Takes the sample in, and opens it. */
  @PostMapping("/selections/sample")
  String sample(@AuthenticationPrincipal SignedIn person) {
    return "redirect:/selections/" + sample.take(person) + "/overview";
  }

  /** Takes a selection out of sight, or deletes it; both can be taken back. */
  @PostMapping("/selections/{id}/put-away")
  String putAway(
      @PathVariable long id,
      @RequestParam String how,
      @AuthenticationPrincipal SignedIn person,
      RedirectAttributes redirect) {
    PutAway.How asked = Codes.oneOf(PutAway.How.class, how);
    boolean thrownAway = asked == PutAway.How.DELETED && sample.isOne(id);
    String title = thrownAway ? sample.throwAway(id, person.name()) : putAway(id, asked, person);
    redirect.addFlashAttribute(
        "done", "“" + title + "” is " + (asked == PutAway.How.DELETED ? "deleted." : "archived."));
    redirect.addFlashAttribute("undo", id);
    return HOME;
  }

  @PostMapping("/selections/{id}/put-back")
  String putBack(
      @PathVariable long id,
      @AuthenticationPrincipal SignedIn person,
      RedirectAttributes redirect) {
    String title = putAway(id, null, person);
    redirect.addFlashAttribute("done", "“" + title + "” is back.");
    return HOME;
  }

  private String putAway(long id, PutAway.@Nullable How how, SignedIn person) {
    return RetryOnConflict.until(() -> selections.putAway(id, how, person.name()));
  }
}
