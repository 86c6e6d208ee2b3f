package tertulia.app.trail;

import java.time.ZoneId;
import java.util.List;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import tertulia.app.display.Dates;
import tertulia.app.selection.LoadedSelection;
import tertulia.app.selection.Selections;

/** Who changed what, and the question as it was before put back. */
@Controller
class TrailController {
  /** Of one act so much is shown at once. */
  private static final int SHOWN = 6;

  private final AuditTrail trail;
  private final Selections selections;

  TrailController(AuditTrail trail, Selections selections) {
    this.trail = trail;
    this.selections = selections;
  }

  /**
   * A line of the page.
   *
   * @param rest what is shown when somebody asks for it
   */
  record Line(
      int revision,
      String at,
      String who,
      List<String> first,
      List<String> rest,
      boolean undoable) {}

  @GetMapping("/selections/{id}/changes")
  String show(@PathVariable long id, Model model) {
    List<AuditEntry> acts = trail.of(id);
    LoadedSelection table = selections.load(id);
    model.addAttribute("id", id);
    model.addAttribute("question", table.file().brief().title());
    model.addAttribute("version", table.version());
    model.addAttribute("most", acts.size() == AuditTrail.MOST ? AuditTrail.MOST : 0);
    model.addAttribute(
        "lines",
        acts.stream()
            .map(act ->
                new Line(
                    act.revision(),
                    Dates.moment(act.at().atZone(ZoneId.systemDefault())),
                    act.who(),
                    act.what().subList(0, Math.min(SHOWN, act.what().size())),
                    act.what().subList(Math.min(SHOWN, act.what().size()), act.what().size()),
                    act.undoable() && !table.decided()))
            .toList());
    return "trail/changes";
  }

  /** The question becomes what it was before a change; that is a change again. */
  @PostMapping("/selections/{id}/changes/{revision}/restore")
  String restore(
      @PathVariable long id,
      @PathVariable int revision,
      @RequestParam long version,
      RedirectAttributes flash) {
    selections.changeBrief(id, version, trail.before(id, revision));
    flash.addFlashAttribute(
        "done", "The question is as it was before that change. To reverse this, undo it here too.");
    return "redirect:/selections/" + id + "/changes";
  }
}
