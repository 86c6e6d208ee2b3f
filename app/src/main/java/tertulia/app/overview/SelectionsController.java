package tertulia.app.overview;

import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import tertulia.app.people.SignedIn;
import tertulia.app.selection.Selections;

/** The list of selections. */
@Controller
class SelectionsController {
  private final Selections selections;

  SelectionsController(Selections selections) {
    this.selections = selections;
  }

  @GetMapping("/")
  String start() {
    return "redirect:/selections";
  }

  @GetMapping("/selections")
  String list(@AuthenticationPrincipal SignedIn person, Model model) {
    model.addAttribute("selections", selections.all());
    model.addAttribute("organises", person.organises());
    return "overview/list";
  }
}
