package tertulia.app.selection;

import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import tertulia.app.people.SignedIn;

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
    return "selection/list";
  }
}
