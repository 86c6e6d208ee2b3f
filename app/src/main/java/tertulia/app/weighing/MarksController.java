package tertulia.app.weighing;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import tertulia.app.exchange.Json;
import tertulia.app.people.SignedIn;
import tertulia.app.selection.Selections;
import tertulia.app.web.Again;
import tertulia.app.web.NotFound;
import tertulia.app.workspace.Cell;
import tertulia.app.workspace.StepBody;
import tertulia.app.workspace.Steps;
import tertulia.app.workspace.Workspace;
import tertulia.core.evaluation.Contender;
import tertulia.core.finding.Progress;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Mark;

/** The Marks step. */
@Controller
class MarksController implements StepBody {
  private static final String VIEW = "weighing/marks";
  private final Steps steps;
  private final Selections selections;

  MarksController(Steps steps, Selections selections) {
    this.steps = steps;
    this.selections = selections;
  }

  /** A judged criterion with a cell for each contender. */
  record Line(String id, String name, String meaning, List<MarkCell> cells) {}

  /** The reader's own mark, the table's value, and everybody's marks as dots. */
  record MarkCell(
      String contender,
      String name,
      String own,
      String sends,
      Cell value,
      String dots,
      String dotsId) {}

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
    checkThere(steps.open(id, query, person), criterion, contender);
    Again.until(() -> selections.mark(id, person, criterion, contender, mark));
    steps.page(steps.open(id, query, person), this, model);
    return "weighing/marked";
  }

  private static void checkThere(Workspace.Session session, String criterion, String contender) {
    boolean judged =
        judged(session).stream().anyMatch(candidate -> candidate.id().equals(criterion));
    boolean sits = session.columns().stream().anyMatch(c -> c.id().equals(contender));
    if (!judged || !sits) {
      throw new NotFound("place for this mark any more");
    }
  }

  private static List<Criterion> judged(Workspace.Session session) {
    return session.evaluation().scores().criteria().stream()
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
  public void fill(Workspace.Session session, Model model) {
    List<Line> lines =
        judged(session).stream()
            .map(criterion ->
                new Line(
                    criterion.id(),
                    criterion.name(),
                    criterion.meaning(),
                    session.columns().stream().map(c -> cell(session, criterion, c)).toList()))
            .toList();
    model.addAttribute("lines", lines);
    model.addAttribute("left", left(session));
  }

  /** How many marks the reader has left to give. */
  private static String left(Workspace.Session session) {
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

  private static MarkCell cell(
      Workspace.Session session, Criterion criterion, Contender contender) {
    Optional<Mark> own =
        session
            .table()
            .member(session.person())
            .map(m -> m.marks().getOrDefault(criterion.id(), Map.of()).get(contender.id()));
    return new MarkCell(
        contender.id(),
        contender.tool().name(),
        own.map(m -> m.given().map(p -> p.stripTrailingZeros().toPlainString()).orElse("x"))
            .orElse(""),
        Json.write(Map.of("criterion", criterion.id(), "contender", contender.id())),
        WeightsView.value(session, contender, criterion),
        WeightsView.markDots(session, criterion, contender),
        "dots-" + criterion.id() + "-" + contender.id());
  }
}
