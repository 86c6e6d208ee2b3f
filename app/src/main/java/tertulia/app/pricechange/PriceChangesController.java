package tertulia.app.pricechange;

import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import tertulia.app.people.SignedIn;
import tertulia.app.selection.Selections;
import tertulia.app.web.NotFound;

/** The makers' announcements and the answers to them. */
@Controller
class PriceChangesController {
  private final PriceChanges changes;
  private final Selections selections;

  PriceChangesController(PriceChanges changes, Selections selections) {
    this.selections = selections;
    this.changes = changes;
  }

  @GetMapping("/price-changes")
  String list(@AuthenticationPrincipal SignedIn person, Model model) {
    model.addAttribute("proposals", changes.proposals());
    model.addAttribute("past", changes.past());
    model.addAttribute("source", changes.source());
    model.addAttribute("organises", person.organises());
    return "pricechange/changes";
  }

  /** How many announcements wait, as a few words for other pages. */
  @GetMapping("/price-changes/waiting")
  String waiting(Model model) {
    model.addAttribute("waiting", changes.waiting());
    return "pricechange/changes :: waiting";
  }

  @GetMapping("/price-changes/{change}/why")
  String why(@PathVariable String change, @RequestParam long selection, Model model) {
    return Why.show(
        Effect.explain(selections.load(selection), changes.announced(change))
            .orElseThrow(() -> new NotFound("figure: the tool is not in that selection")),
        model);
  }

  @PostMapping("/price-changes/{change}")
  String answer(
      @PathVariable String change,
      @RequestParam boolean take,
      @AuthenticationPrincipal SignedIn person,
      RedirectAttributes flash) {
    changes.answer(change, take, person.name());
    flash.addFlashAttribute(
        "done",
        take ? "Applied. It is in the tool’s history and can be undone there." : "Dismissed.");
    return "redirect:/price-changes";
  }
}
