package tertulia.app.decision;

import java.time.ZoneId;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import tertulia.app.display.Dates;
import tertulia.app.selection.Selections;

/** Says on other pages, before anybody saves there, which proposals rest on what they hold. */
@Controller
class WaitingController {
  private static final String FRAGMENT = "decision/decision :: waiting";
  private final Decisions decisions;
  private final Selections selections;

  WaitingController(Decisions decisions, Selections selections) {
    this.decisions = decisions;
    this.selections = selections;
  }

  /** A proposal that waits, as it is said. */
  record Line(String sentence, String href) {}

  @GetMapping("/proposals/selection")
  String ofSelection(@RequestParam long id, Model model) {
    return show(Set.of(id), model);
  }

  @GetMapping("/proposals/tool")
  String ofTool(@RequestParam String slug, Model model) {
    return show(new HashSet<>(selections.with(slug)), model);
  }

  @GetMapping("/proposals/growth")
  String ofGrowth(Model model) {
    return show(new HashSet<>(selections.following()), model);
  }

  private String show(Set<Long> ids, Model model) {
    List<Line> lines =
        decisions.waiting().stream()
            .filter(waiting -> ids.contains(waiting.selection()))
            .map(WaitingController::line)
            .toList();
    model.addAttribute("waiting", lines);
    return FRAGMENT;
  }

  private static Line line(Decisions.Waiting waiting) {
    return new Line(
        "“"
            + waiting.title()
            + "” is proposed by "
            + waiting.by()
            + " since "
            + Dates.day(waiting.at(), ZoneId.systemDefault())
            + " and waits for a signature. If what is saved here changes its figures, it has to be"
            + " proposed again.",
        "/selections/" + waiting.selection() + "/decision");
  }
}
