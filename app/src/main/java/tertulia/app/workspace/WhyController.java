package tertulia.app.workspace;

import java.util.Map;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import tertulia.app.display.WorkingLine;
import tertulia.app.people.SignedIn;
import tertulia.app.web.NotFound;
import tertulia.core.evaluation.Figure;
import tertulia.core.working.NoSuchFigure;

/** The answer to "why": the working of one figure. */
@Controller
class WhyController {
  private final Steps steps;

  WhyController(Steps steps) {
    this.steps = steps;
  }

  @GetMapping("/selections/{id}/why")
  String why(
      @PathVariable long id,
      @RequestParam Map<String, String> query,
      @AuthenticationPrincipal SignedIn person,
      Model model) {
    Session session = steps.open(id, query, person);
    Figure figure = AskedFigure.of(query);
    try {
      model.addAttribute(
          "line", WorkingLine.of(session.evaluation().explain(figure), session::isOld));
    } catch (NoSuchFigure e) {
      throw new NotFound(e.what());
    }
    model.addAttribute("about", about(session, query));
    model.addAttribute("id", id);
    model.addAttribute("proofs", session.table().proofs(Subjects.of(query).code()));
    model.addAttribute("weighs", session.person().weighs() && !session.table().decided());
    model.addAttribute("remarks", RemarksView.about(session, Subjects.of(query)));
    return "workspace/why";
  }

  private static String about(Session session, Map<String, String> query) {
    String contender = query.get("contender");
    return session.table().selection().contenders().stream()
        .filter(c -> c.id().equals(contender))
        .findFirst()
        .map(c -> c.tool().name())
        .orElse(session.table().selection().title());
  }
}
