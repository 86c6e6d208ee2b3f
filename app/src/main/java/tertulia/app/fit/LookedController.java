package tertulia.app.fit;

import java.util.Map;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.Limits;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.people.SignedIn;
import tertulia.app.selection.Selections;
import tertulia.app.web.Conflict;
import tertulia.app.web.NotFound;
import tertulia.app.web.RetryOnConflict;
import tertulia.app.workspace.Named;
import tertulia.app.workspace.Session;
import tertulia.app.workspace.Steps;
import tertulia.core.evaluation.Contender;
import tertulia.core.fit.Capability;

/** Says of something that a contender has that it is not needed. */
@Controller
class LookedController {
  private final Steps steps;
  private final Selections selections;

  LookedController(Steps steps, Selections selections) {
    this.steps = steps;
    this.selections = selections;
  }

  /**
   * Settles one capability.
   *
   * @param capability its id
   * @param because why it is not needed; empty takes that back
   */
  @PostMapping("/selections/{id}/contenders/{slug}/looked")
  String looked(
      @PathVariable long id,
      @PathVariable String slug,
      @RequestParam(defaultValue = "") String capability,
      @RequestParam(defaultValue = "") String because,
      @RequestParam(defaultValue = "false") boolean undo,
      @AuthenticationPrincipal SignedIn person,
      RedirectAttributes flash) {
    Session session = steps.open(id, Map.of(), person);
    Contender contender =
        session.columns().stream()
            .filter(c -> c.id().equals(slug))
            .findFirst()
            .orElseThrow(() -> new NotFound("contender \"" + slug + "\""));
    String name =
        Named.by(session, contender).stream()
            .filter(c -> c.id().equals(capability))
            .findFirst()
            .map(Capability::name)
            .orElseThrow(() -> new NotFound("capability \"" + capability + "\""));
    String fault = "";
    if (undo) {
      RetryOnConflict.until(() -> selections.stillOpen(id, slug, name));
    } else if (because.isBlank()) {
      fault = "Say in up to " + Limits.NOT_NEEDED_WHY + " characters why it is not needed.";
    } else {
      try {
        String why = Codes.text(because, Limits.NOT_NEEDED_WHY);
        RetryOnConflict.until(() ->
            selections.notNeeded(
                id, slug, new SelectionFile.NotNeededPart(name, why, person.name())));
      } catch (IllegalArgumentException e) {
        fault = "Why it is not needed: " + e.getMessage();
      } catch (Conflict e) {
        fault = e.message();
      }
    }
    if (!fault.isEmpty()) {
      flash.addFlashAttribute("lookedAt", capability);
      flash.addFlashAttribute("lookedTyped", because);
      flash.addFlashAttribute("lookedFault", fault);
    }
    return "redirect:/selections/" + id + "/plans?contender=" + slug + "#looked";
  }
}
