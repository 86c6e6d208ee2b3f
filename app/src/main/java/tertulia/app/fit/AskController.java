package tertulia.app.fit;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import tertulia.app.exchange.Brief;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.Faults;
import tertulia.app.exchange.TypedCount;
import tertulia.app.people.SignedIn;
import tertulia.app.selection.Selections;
import tertulia.app.web.NotFound;
import tertulia.app.web.RetryOnConflict;
import tertulia.app.workspace.Session;
import tertulia.app.workspace.Steps;
import tertulia.core.fit.Count;

/** Makes a need of what contenders have, where it is seen. */
@Controller
class AskController {
  private final Steps steps;
  private final Selections selections;

  AskController(Steps steps, Selections selections) {
    this.steps = steps;
    this.selections = selections;
  }

  /** A need for so many as it is written; what is counted is not said again. */
  private static String count(String capability, String many) {
    Count count = TypedCount.needed(many).count();
    return new TypedCount.Asked(capability, count).text();
  }

  /**
   * Asks for a capability.
   *
   * <p>Of something counted, {@code many-} and its id may say how many, such as "at least 40
   * languages".
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
    Session session = steps.open(id, query, person);
    String capability = Unasked.names(session).get(ask.substring(ask.indexOf(':') + 1));
    if (capability == null || !List.of("must", "should", "could").contains(importance)) {
      throw new NotFound("such a need; the contenders have changed since you looked");
    }
    Integer weight = importance.equals("should") ? 1 : null;
    String many = query.getOrDefault("many-" + Codes.slug(capability), "").strip();
    Faults faults = new Faults();
    Optional<Brief.NeedPart> part =
        many.isEmpty()
            ? Optional.of(new Brief.NeedPart(capability, importance, weight, false))
            : faults
                .at("", () -> count(capability, many))
                .map(text ->
                    new Brief.NeedPart(
                        text, importance, weight, false, Brief.COUNT, null, null, null));
    if (part.isPresent()) {
      RetryOnConflict.until(() -> selections.ask(id, part.get()));
      flash.addFlashAttribute("done", "“" + part.get().name() + "” is a " + importance + " now.");
    } else {
      flash.addFlashAttribute("askedOf", Codes.slug(capability));
      flash.addFlashAttribute("askedMany", many);
      flash.addFlashAttribute("askFault", faults.all().getFirst().message());
    }
    return "redirect:" + session.step("fit");
  }
}
