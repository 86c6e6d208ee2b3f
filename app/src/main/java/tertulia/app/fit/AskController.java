package tertulia.app.fit;

import java.util.List;
import java.util.Map;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import tertulia.app.exchange.Brief;
import tertulia.app.people.SignedIn;
import tertulia.app.selection.Selections;
import tertulia.app.web.Again;
import tertulia.app.web.NotFound;
import tertulia.app.workspace.Steps;
import tertulia.app.workspace.Workspace;

/** Makes a need of what contenders have, where it is seen. */
@Controller
class AskController {
  private final Steps steps;
  private final Selections selections;

  AskController(Steps steps, Selections selections) {
    this.steps = steps;
    this.selections = selections;
  }

  /**
   * Asks for a capability.
   *
   * @param ask how much it matters and which, such as "must:waiting-list"
   */
  @PostMapping("/selections/{id}/need/ask")
  String ask(
      @PathVariable long id,
      @RequestParam String ask,
      @RequestParam Map<String, String> query,
      @AuthenticationPrincipal SignedIn person,
      RedirectAttributes flash) {
    String importance = ask.substring(0, Math.max(0, ask.indexOf(':')));
    Workspace.Session session = steps.open(id, query, person);
    String capability = Unasked.names(session).get(ask.substring(ask.indexOf(':') + 1));
    if (capability == null || !List.of("must", "should", "could").contains(importance)) {
      throw new NotFound("such a need; the contenders have changed since you looked");
    }
    Brief.NeedPart part =
        new Brief.NeedPart(capability, importance, importance.equals("should") ? 1 : null, false);
    Again.until(() -> selections.ask(id, part));
    flash.addFlashAttribute("done", "“" + capability + "” is a " + importance + " now.");
    return "redirect:" + session.step("fit");
  }
}
