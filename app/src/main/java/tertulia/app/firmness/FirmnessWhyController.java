package tertulia.app.firmness;

import java.util.List;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import tertulia.app.display.WorkingLine;
import tertulia.app.people.SignedIn;
import tertulia.app.web.NotFound;
import tertulia.app.workspace.Session;
import tertulia.app.workspace.Steps;
import tertulia.core.sensitivity.SensitivityFigure;
import tertulia.core.working.Derivation;
import tertulia.core.working.NoSuchFigure;

/** The answer to "why" for the figures of this step. */
@Controller
class FirmnessWhyController {
  private final Steps steps;

  FirmnessWhyController(Steps steps) {
    this.steps = steps;
  }

  @GetMapping("/selections/{id}/firmness/why")
  String why(
      @PathVariable long id,
      @RequestParam(defaultValue = "") String figure,
      @RequestParam MultiValueMap<String, String> query,
      @AuthenticationPrincipal SignedIn person,
      Model model) {
    Session session = steps.open(id, query.toSingleValueMap(), person);
    SensitivityFigure asked = asked(session, figure, query.getOrDefault("of", List.of()));
    try {
      Derivation working = session.sensitivity().explain(asked);
      model.addAttribute("about", session.table().selection().title());
      model.addAttribute("line", WorkingLine.of(working, session::isOld));
    } catch (NoSuchFigure e) {
      throw new NotFound(e.what());
    }
    return "workspace/why";
  }

  /** The figure an address names; only what stands in the address can be at fault here. */
  private static SensitivityFigure asked(Session session, String figure, List<String> of) {
    try {
      return new FigureCodes(session).read(figure, of);
    } catch (IllegalArgumentException e) {
      throw new NotFound("such figure: " + String.valueOf(e.getMessage()).replaceAll("\\.$", ""));
    }
  }
}
