package tertulia.app.workspace;

import io.github.wimdeblauwe.htmx.spring.boot.mvc.HxRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import tertulia.app.people.SignedIn;
import tertulia.app.selection.Selections;
import tertulia.app.web.NotFound;

/** Shows every step: the whole page, or what a changed "what if" changes on it. */
@Controller
class StepController {
  private static final String ADDRESS =
      "/selections/{id}/{step:overview|need|contenders|fit|cost|weights|marks|firmness|decision|plans|versus|trials|look-again}";
  private final Steps steps;
  private final Selections selections;
  private final Map<String, StepBody> bodies;

  StepController(Steps steps, Selections selections, List<StepBody> bodies) {
    this.selections = selections;
    this.steps = steps;
    this.bodies = bodies.stream().collect(Collectors.toMap(StepBody::key, Function.identity()));
  }

  /** A selection opens where it says what it has come to. */
  @GetMapping("/selections/{id}")
  String opened(@PathVariable long id) {
    if (!selections.isThere(id)) {
      throw new NotFound("selection " + id);
    }
    return "redirect:/selections/" + id + "/overview";
  }

  @GetMapping(ADDRESS)
  String page(
      @PathVariable long id,
      @PathVariable String step,
      @RequestParam Map<String, String> query,
      @AuthenticationPrincipal SignedIn person,
      Model model) {
    return steps.page(steps.open(id, query, person), body(step), model);
  }

  @HxRequest
  @GetMapping(ADDRESS)
  String update(
      @PathVariable long id,
      @PathVariable String step,
      @RequestParam Map<String, String> query,
      @AuthenticationPrincipal SignedIn person,
      Model model,
      HttpServletResponse response) {
    return steps.update(steps.open(id, query, person), body(step), model, response);
  }

  private StepBody body(String step) {
    StepBody body = bodies.get(step);
    if (body == null) {
      throw new NotFound("step \"" + step + "\"");
    }
    return body;
  }
}
