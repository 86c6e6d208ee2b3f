package tertulia.app.cost;

import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import tertulia.app.people.SignedIn;
import tertulia.app.selection.InUseChoices;

/** Says of tools in use what stays, what goes, and what is compared as it is. */
@Controller
class InUseChoiceController {
  private final InUseChoices choices;

  InUseChoiceController(InUseChoices choices) {
    this.choices = choices;
  }

  @PostMapping("/selections/{id}/in-use")
  String say(
      @PathVariable long id,
      @RequestParam String contender,
      @RequestParam String tool,
      @RequestParam String says) {
    choices.say(id, contender, tool, says);
    return back(id);
  }

  @PostMapping("/selections/{id}/in-use/as-today")
  String asToday(
      @PathVariable long id,
      @RequestParam String tool,
      @RequestParam boolean kept,
      @AuthenticationPrincipal SignedIn person) {
    choices.asToday(id, tool, kept, person.name());
    return back(id);
  }

  @PostMapping("/selections/{id}/in-use/left-out")
  String leaveOut(@PathVariable long id, @RequestParam String tool, @RequestParam boolean out) {
    choices.leaveOut(id, tool, out);
    return back(id);
  }

  @PostMapping("/selections/{id}/in-use/counted")
  String follow(@PathVariable long id, @RequestParam boolean counted) {
    choices.follow(id, counted);
    return back(id);
  }

  private static String back(long id) {
    return "redirect:/selections/" + id + "/cost#in-use";
  }
}
