package tertulia.app.weighing;

import jakarta.servlet.http.HttpServletResponse;
import java.math.BigDecimal;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.util.UriComponentsBuilder;
import tertulia.app.display.TrialWords;
import tertulia.app.display.Voice;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.Json;
import tertulia.app.exchange.WeighingReader;
import tertulia.app.people.SignedIn;
import tertulia.app.selection.LoadedSelection;
import tertulia.app.selection.Proof;
import tertulia.app.selection.Seats;
import tertulia.app.selection.Selections;
import tertulia.app.selection.Views;
import tertulia.app.web.Conflict;
import tertulia.app.web.NotFound;
import tertulia.app.web.RetryOnConflict;
import tertulia.app.workspace.Cell;
import tertulia.app.workspace.Session;
import tertulia.app.workspace.StepBody;
import tertulia.app.workspace.Steps;
import tertulia.core.evaluation.Contender;
import tertulia.core.finding.Progress;
import tertulia.core.finding.TrialFinding;
import tertulia.core.finding.TrialFindings;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Mark;
import tertulia.core.scoring.Settled;
import tertulia.core.trial.Task;
import tertulia.core.trial.Trials;

/** The Marks step. */
@Controller
class MarksController implements StepBody {
  private static final String VIEW = "weighing/marks";
  private static final String NO_PLACE = "place for this mark any more";
  private final Steps steps;
  private final Selections selections;
  private final Seats seats;
  private final Views views;

  MarksController(Steps steps, Selections selections, Seats seats, Views views) {
    this.seats = seats;
    this.steps = steps;
    this.selections = selections;
    this.views = views;
  }

  /** A judged criterion with a cell for each contender. */
  record Line(String id, String name, String meaning, String heading, List<MarkCell> cells) {}

  /**
   * The reader's own mark with why, the table's value, and everybody's marks as dots.
   *
   * @param reason what the reader said of it; empty if nothing, or if there is no mark
   * @param tried how the tasks for this criterion went; empty if none was tried
   * @param proofs pictures beside it
   * @param ask address where it is asked for; empty without a mark
   */
  record MarkCell(
      String contender,
      String name,
      String own,
      String reason,
      String ask,
      String sends,
      Cell value,
      String dots,
      String dotsId,
      String tried,
      List<Proof> proofs) {}

  /** Saves one mark as soon as it is chosen: "", "x" for cannot judge, or 0 to 10. */
  @PostMapping("/selections/{id}/marks")
  String mark(
      @PathVariable long id,
      @RequestParam String criterion,
      @RequestParam String contender,
      @RequestParam String mark,
      @RequestParam Map<String, String> query,
      @AuthenticationPrincipal SignedIn person,
      Model model) {
    if (!mark.matches("|x|[0-9]|10")) {
      throw new NotFound("mark \"" + mark + "\"; a mark is 0 to 10 or \"cannot judge\"");
    }
    if (!selections.isMarked(id, criterion, contender)) {
      throw new NotFound(NO_PLACE);
    }
    RetryOnConflict.until(() -> views.mark(id, person, criterion, contender, mark));
    steps.page(steps.open(id, query, person), this, model);
    model.addAttribute("changed", new Changed(criterion, contender));
    return "weighing/marked";
  }

  /**
   * What an answer renews of the table: a mark, or all of a criterion. Totals are renewed in any
   * case.
   *
   * @param contender empty: all
   */
  record Changed(String criterion, String contender) {
    public boolean isOf(String line, String cell) {
      return criterion.equals(line) && (contender.isEmpty() || contender.equals(cell));
    }
  }

  /** Why somebody gave a mark, to be typed. */
  record Reason(
      String criterion,
      String contender,
      String of,
      String mark,
      String note,
      String ground,
      String fault) {}

  /** What a mark may rest on, as a choice. */
  record Ground(String code, String words) {}

  @GetMapping("/selections/{id}/marks/reason")
  String ask(
      @PathVariable long id,
      @RequestParam String criterion,
      @RequestParam String contender,
      @RequestParam Map<String, String> query,
      @AuthenticationPrincipal SignedIn person,
      Model model) {
    Session session = steps.open(id, query, person);
    checkThere(session.table(), criterion, contender);
    Mark mark =
        own(session, criterion, contender)
            .orElseThrow(() -> new NotFound("mark of yours to say why"));
    reason(
        session,
        model,
        criterion,
        contender,
        mark.note(),
        mark.restsOn().map(WeighingReader::code).orElse(""),
        "");
    return "weighing/reason :: ask";
  }

  /** Saves why somebody gave a mark; refused texts come back as they were typed. */
  @PostMapping("/selections/{id}/marks/reason")
  String because(
      @PathVariable long id,
      @RequestParam String criterion,
      @RequestParam String contender,
      @RequestParam(defaultValue = "") String note,
      @RequestParam(defaultValue = "") String ground,
      @RequestParam Map<String, String> query,
      @AuthenticationPrincipal SignedIn person,
      Model model) {
    Session session = steps.open(id, query, person);
    checkThere(session.table(), criterion, contender);
    try {
      String why = Codes.text(note.strip(), 1000);
      Mark.@Nullable Acquaintance known =
          ground.isEmpty() ? null : WeighingReader.acquaintance(ground);
      RetryOnConflict.until(() -> views.reason(id, person, criterion, contender, why, known));
    } catch (IllegalArgumentException e) {
      reason(session, model, criterion, contender, note, ground, String.valueOf(e.getMessage()));
      return "weighing/reason :: ask";
    }
    steps.page(steps.open(id, query, person), this, model);
    model.addAttribute("changed", new Changed(criterion, contender));
    return "weighing/marked";
  }

  /** What the reader has to do with contenders, to be said once for all marks of each. */
  record Interests(
      List<String> says, List<Ground> contenders, String of, String typed, String fault) {}

  /** Saves what somebody has to do with a contender; refused text comes back as it was typed. */
  @PostMapping("/selections/{id}/marks/interest")
  String interest(
      @PathVariable long id,
      @RequestParam String contender,
      @RequestParam(defaultValue = "") String interest,
      @AuthenticationPrincipal SignedIn person,
      Model model,
      HttpServletResponse response) {
    Session session = steps.open(id, Map.of(), person);
    if (session.table().selection().active().stream().noneMatch(c -> c.id().equals(contender))) {
      throw new NotFound(NO_PLACE);
    }
    try {
      String words = Codes.text(interest.strip(), 400);
      RetryOnConflict.until(() -> views.interest(id, person, contender, words));
      return "redirect:/selections/" + id + "/marks";
    } catch (IllegalArgumentException e) {
      String page = steps.refused(session, this, model, response);
      model.addAttribute(
          "interests", interests(session, contender, interest, String.valueOf(e.getMessage())));
      return page;
    }
  }

  private Interests interests(Session session, String of, String typed, String fault) {
    Map<String, String> said = views.interests(session.table().id(), session.person());
    List<Contender> all = session.table().selection().active();
    List<String> says =
        all.stream()
            .filter(contender -> said.containsKey(contender.id()))
            .map(contender ->
                Voice.say(
                    "view.interest.stated",
                    Map.of(
                        "tool",
                        contender.tool().name(),
                        "words",
                        String.valueOf(said.get(contender.id())))))
            .toList();
    return new Interests(
        says.isEmpty() ? List.of(Voice.say("view.interest.none")) : says,
        all.stream().map(contender -> new Ground(contender.id(), contender.tool().name())).toList(),
        of,
        typed,
        fault);
  }

  /** Writes down a mark that the table settled together. */
  @PostMapping("/selections/{id}/marks/settle")
  String settle(
      @PathVariable long id,
      @RequestParam String cell,
      @RequestParam(defaultValue = "") String points,
      @RequestParam(defaultValue = "") String reason,
      @AuthenticationPrincipal SignedIn person,
      Model model,
      HttpServletResponse response) {
    Session session = steps.open(id, Map.of(), person);
    String criterion = cell.substring(0, Math.max(0, cell.indexOf(' ')));
    String contender = cell.substring(cell.indexOf(' ') + 1);
    checkThere(session.table(), criterion, contender);
    try {
      Settled mark =
          new Settled(
              criterion,
              contender,
              BigDecimal.valueOf(Codes.whole(points)),
              Codes.text(reason.strip(), 1000));
      RetryOnConflict.until(() -> views.settle(id, mark, person.name()));
      return "redirect:/selections/" + id + "/marks";
    } catch (IllegalArgumentException e) {
      return refused(session, model, response, cell, points, reason, e.getMessage());
    } catch (Conflict e) {
      return refused(session, model, response, cell, points, reason, e.message());
    }
  }

  private String refused(
      Session session,
      Model model,
      HttpServletResponse response,
      String cell,
      String points,
      String reason,
      @Nullable String fault) {
    String page = steps.refused(session, this, model, response);
    model.addAttribute(
        "settling", new SettledView.Typed(cell, points, reason, String.valueOf(fault)));
    return page;
  }

  /** Takes back what the table settled. */
  @PostMapping("/selections/{id}/marks/unsettle")
  String unsettle(@PathVariable long id, @RequestParam String cell) {
    int space = Math.max(0, cell.indexOf(' '));
    RetryOnConflict.until(
        () -> views.unsettle(id, cell.substring(0, space), cell.substring(space).strip()));
    return "redirect:/selections/" + id + "/marks";
  }

  private static Optional<Mark> own(Session session, String criterion, String contender) {
    return session
        .table()
        .member(session.person())
        .map(m -> m.marks().getOrDefault(criterion, Map.of()).get(contender));
  }

  private static void reason(
      Session session,
      Model model,
      String criterion,
      String contender,
      String note,
      String ground,
      String fault) {
    Criterion asked =
        judged(session).stream().filter(c -> c.id().equals(criterion)).findFirst().orElseThrow();
    model.addAttribute("id", session.table().id());
    model.addAttribute(
        "reason",
        new Reason(
            criterion,
            contender,
            session.table().selection().contender(contender).tool().name() + " · " + asked.name(),
            own(session, criterion, contender)
                .flatMap(Mark::given)
                .map(p -> p + " of 10")
                .orElse("cannot judge"),
            note,
            ground,
            fault));
    model.addAttribute(
        "grounds",
        Stream.of(Mark.Acquaintance.values())
            .map(known -> new Ground(WeighingReader.code(known), known.words()))
            .toList());
  }

  /** Without computing anything out: marks are many. */
  private static void checkThere(LoadedSelection table, String criterion, String contender) {
    boolean judged =
        table.selection().criteria().stream()
            .anyMatch(c -> c.id().equals(criterion) && c.kind() instanceof Criterion.Judged);
    boolean sits = table.selection().active().stream().anyMatch(c -> c.id().equals(contender));
    if (!judged || !sits) {
      throw new NotFound(NO_PLACE);
    }
  }

  static List<Criterion> judged(Session session) {
    return Criterion.byHeading(session.evaluation().scores().criteria()).stream()
        .filter(c -> c.kind() instanceof Criterion.Judged)
        .toList();
  }

  @Override
  public String key() {
    return "marks";
  }

  @Override
  public String view() {
    return VIEW;
  }

  @Override
  public void fill(Session session, Model model) {
    Set<String> headed = new HashSet<>();
    List<Line> lines =
        judged(session).stream()
            .map(criterion ->
                new Line(
                    criterion.id(),
                    criterion.name(),
                    criterion.meaning(),
                    headed.add(criterion.heading()) ? criterion.heading() : "",
                    session.columns().stream().map(c -> cell(session, criterion, c)).toList()))
            .toList();
    model.addAttribute("lines", lines);
    model.addAttribute("left", left(session));
    model.addAttribute("views", ViewsView.of(session, seats.changedSince(session.table())));
    model.addAttribute("interests", interests(session, "", "", ""));
    model.addAttribute(
        "trying",
        new TrialFindings(session.table().selection())
            .all(session.today()).stream()
                .filter(finding -> finding instanceof TrialFinding.Tried)
                .map(new TrialWords(session.table().selection())::of)
                .limit(1)
                .toList());
    model.addAttribute("settled", SettledView.of(session));
    model.addAttribute("settling", SettledView.Typed.NOTHING);
    model.addAttribute("agreement", AgreementView.of(session));
  }

  /** How many marks the reader has left to give. */
  private static String left(Session session) {
    int all = Progress.marksToGive(session.table().selection());
    int left =
        session
            .table()
            .member(session.person())
            .map(member -> Progress.marksLeft(session.table().selection(), member))
            .orElse(all);
    return left == 0
        ? "You have given all " + all + " marks."
        : "You have " + left + " of " + all + " marks left to give.";
  }

  private static MarkCell cell(Session session, Criterion criterion, Contender contender) {
    Optional<Mark> own = own(session, criterion.id(), contender.id());
    return new MarkCell(
        contender.id(),
        contender.tool().name(),
        own.map(m -> m.given().map(p -> p.stripTrailingZeros().toPlainString()).orElse("x"))
            .orElse(""),
        own.map(Mark::because).orElse(""),
        own.isEmpty()
            ? ""
            : UriComponentsBuilder.fromPath("/selections/{id}/marks/reason")
                .queryParam("criterion", criterion.id())
                .queryParam("contender", contender.id())
                .build(Map.of("id", session.table().id()))
                .toString(),
        Json.write(Map.of("criterion", criterion.id(), "contender", contender.id())),
        interested(WeightsView.value(session, contender, criterion), session, criterion, contender),
        WeightsView.markDots(session, criterion, contender),
        "dots-" + criterion.id() + "-" + contender.id(),
        tried(session, criterion, contender),
        session.table().proofs(Proof.ofMark(criterion.id(), contender.id())));
  }

  /** Says beside a value which of the marks in it come with an interest. */
  private static Cell interested(
      Cell value, Session session, Criterion criterion, Contender contender) {
    String interests =
        session.table().selection().panel().members().stream()
            .flatMap(member ->
                Optional.ofNullable(
                    member.marks().getOrDefault(criterion.id(), Map.of()).get(contender.id()))
                    .filter(mark -> !mark.interest().isEmpty())
                    .map(mark -> "interest of " + member.name() + ": " + mark.interest())
                    .stream())
            .collect(Collectors.joining("; "));
    return interests.isEmpty()
        ? value
        : value.noting(value.note().isEmpty() ? interests : value.note() + "; " + interests);
  }

  private static String tried(Session session, Criterion criterion, Contender contender) {
    Trials trials = session.table().selection().trials();
    Task.From from = new Task.From.OfCriterion(criterion.id());
    return trials.tasks().stream()
        .filter(task -> task.from().equals(from))
        .flatMap(task -> trials.results(task, contender.id()).stream())
        .map(result ->
            result.by()
                + ": "
                + result.outcome().words()
                + result.took().map(minutes -> ", " + minutes + " min").orElse(""))
        .collect(Collectors.joining("; "));
  }
}
