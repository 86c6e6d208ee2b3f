package tertulia.app.firmness;

import java.util.Map;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import tertulia.app.people.SignedIn;
import tertulia.app.web.NotFound;
import tertulia.app.workspace.Session;
import tertulia.app.workspace.Steps;

/**
 * Scenarios, worked out a row at a time: each row asks for the next, so that one sees how far it
 * is, can stop it, and whoever has gone asks for no more.
 */
@Controller
class ScenariosController {
  private final Steps steps;

  ScenariosController(Steps steps) {
    this.steps = steps;
  }

  /** The table without its rows, and the form that says what is combined. */
  @GetMapping("/selections/{id}/firmness/scenarios")
  String begin(
      @PathVariable long id,
      @RequestParam MultiValueMap<String, String> query,
      @AuthenticationPrincipal SignedIn person,
      Model model) {
    Session session = steps.open(id, query.toSingleValueMap(), person);
    model.addAttribute("id", id);
    model.addAttribute("grid", ScenariosView.of(session, ScenariosAsked.of(session, query)));
    return "firmness/scenarios :: whole";
  }

  @GetMapping(path = "/selections/{id}/firmness/scenarios", params = "row")
  String row(
      @PathVariable long id,
      @RequestParam int row,
      @RequestParam MultiValueMap<String, String> query,
      @AuthenticationPrincipal SignedIn person,
      Model model) {
    Map<String, String> single = query.toSingleValueMap();
    Session session = steps.open(id, single, person);
    ScenariosAsked asked = ScenariosAsked.of(session, query);
    if (!asked.fault().isEmpty() || row < 0 || row >= asked.rows().size()) {
      throw new NotFound("row " + row + " of these scenarios");
    }
    model.addAttribute("id", id);
    model.addAttribute("grid", ScenariosView.of(session, asked));
    model.addAttribute("line", ScenariosView.line(session, asked, row));
    model.addAttribute("row", row);
    model.addAttribute(
        "mattering", row == asked.rows().size() - 1 ? ScenariosView.mattering(session, asked) : "");
    return "firmness/scenarios :: row";
  }
}
