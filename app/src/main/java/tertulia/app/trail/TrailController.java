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

  private final Trail trail;
  private final Selections selections;

  TrailController(Trail trail, Selections selections) {
    this.trail = trail;
    this.selections = selections;
  }

  /**
   * A line of the page.
   *
   * @param rest what is shown when somebody asks for it
   * @param undo numbers of the acts before which the question can be put back
   */
  record Line(
      String at,
      String who,
      List<TrailEntry.Line> first,
      List<TrailEntry.Line> rest,
      List<TrailEntry.Line> undo) {}

  @GetMapping("/selections/{id}/changes")
  String show(@PathVariable long id, Model model) {
    List<TrailEntry> entries = trail.of(id);
    LoadedSelection table = selections.load(id);
    model.addAttribute("id", id);
    model.addAttribute("question", table.file().brief().title());
    model.addAttribute("version", table.version());
    int acts = entries.stream().mapToInt(entry -> entry.what().size()).sum();
    model.addAttribute("most", acts >= Trail.MOST ? Trail.MOST : 0);
    model.addAttribute(
        "lines",
        entries.stream()
            .map(entry -> {
              List<TrailEntry.Line> what = entry.what();
              int shown = Math.min(SHOWN, what.size());
              return new Line(
                  Dates.moment(entry.at().atZone(ZoneId.systemDefault())),
                  entry.who(),
                  what.subList(0, shown),
                  what.subList(shown, what.size()),
                  what.stream().filter(l -> l.undoable() && !table.decided()).toList());
            })
            .toList());
    return "trail/changes";
  }

  /** The question becomes what it was before a change; that is a change again. */
  @PostMapping("/selections/{id}/changes/{act}/restore")
  String restore(
      @PathVariable long id,
      @PathVariable long act,
      @RequestParam long version,
      RedirectAttributes flash) {
    selections.changeBrief(id, version, trail.before(id, act));
    flash.addFlashAttribute(
        "done", "The question is as it was before that change. To reverse this, undo it here too.");
    return "redirect:/selections/" + id + "/changes";
  }
}
