package tertulia.app.cost;

import io.github.wimdeblauwe.htmx.spring.boot.mvc.HxRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Map;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import tertulia.app.people.SignedIn;
import tertulia.app.selection.Steps;
import tertulia.app.selection.Workspace;

/** The Cost step. */
@Controller
class CostController {
  private static final String VIEW = "cost/cost";
  private final Steps steps;

  CostController(Steps steps) {
    this.steps = steps;
  }

  @GetMapping("/selections/{id}/cost")
  String page(
      @PathVariable long id,
      @RequestParam Map<String, String> query,
      @AuthenticationPrincipal SignedIn person,
      Model model) {
    return steps.page(fill(id, query, person, model), "cost", VIEW, model);
  }

  @HxRequest
  @GetMapping("/selections/{id}/cost")
  String update(
      @PathVariable long id,
      @RequestParam Map<String, String> query,
      @AuthenticationPrincipal SignedIn person,
      Model model,
      HttpServletResponse response) {
    return steps.update(fill(id, query, person, model), "cost", VIEW, model, response);
  }

  private Workspace.Session fill(long id, Map<String, String> query, SignedIn person, Model model) {
    Workspace.Session session = steps.open(id, query, person);
    model.addAttribute("cost", CostView.of(session));
    return session;
  }
}
