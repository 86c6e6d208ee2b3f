package tertulia.app.score;

import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.Limits;
import tertulia.app.people.SignedIn;
import tertulia.app.selection.Selections;
import tertulia.app.selection.Views;
import tertulia.app.web.NotFound;
import tertulia.app.web.RetryOnConflict;

/** When somebody would take a contender. */
@Controller
class OpinionController {
  private final Views views;
  private final Selections selections;

  OpinionController(Views views, Selections selections) {
    this.views = views;
    this.selections = selections;
  }

  /**
   * Gives an opinion, or takes it back with nothing.
   *
   * @param back the step that showed the card
   */
  @PostMapping("/selections/{id}/contenders/{slug}/opinion")
  String opinion(
      @PathVariable long id,
      @PathVariable String slug,
      @RequestParam(defaultValue = "") String words,
      @RequestParam(defaultValue = "overview") String back,
      @AuthenticationPrincipal SignedIn person,
      RedirectAttributes flash) {
    boolean sits =
        selections.load(id).selection().active().stream().anyMatch(c -> c.id().equals(slug));
    if (!sits) {
      throw new NotFound("contender \"" + slug + "\"");
    }
    try {
      String said = Codes.text(words, Limits.OPINION);
      RetryOnConflict.until(() -> views.opinion(id, person, slug, said));
    } catch (IllegalArgumentException e) {
      flash.addFlashAttribute("opinionOf", slug);
      flash.addFlashAttribute("opinionTyped", words);
      flash.addFlashAttribute("opinionFault", "Take it if: " + e.getMessage());
    }
    return "redirect:/selections/"
        + id
        + (back.equals("decision") ? "/decision#card" : "/overview#card");
  }
}
