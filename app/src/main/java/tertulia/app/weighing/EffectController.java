package tertulia.app.weighing;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.WebDataBinder;
import org.springframework.web.bind.annotation.InitBinder;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import tertulia.app.display.FindingWords;
import tertulia.app.exchange.SelectionReader;
import tertulia.app.people.SignedIn;
import tertulia.app.web.FormFields;
import tertulia.app.workspace.Session;
import tertulia.app.workspace.Steps;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.finding.ScoreFindings;
import tertulia.core.scoring.Criterion;

/** What contenders would be worth under criteria that are being typed; nothing is kept. */
@Controller
class EffectController {
  private final Steps steps;

  EffectController(Steps steps) {
    this.steps = steps;
  }

  @InitBinder("form")
  void bindFields(WebDataBinder binder, HttpServletRequest request) {
    FormFields.bind(binder, request);
  }

  @PostMapping("/selections/{id}/criteria/effect")
  String effect(
      @PathVariable long id,
      @ModelAttribute("form") CriteriaForm form,
      @AuthenticationPrincipal SignedIn person,
      Model model) {
    Session session = steps.open(id, Map.of(), person);
    model.addAttribute("effects", effects(session, form));
    return "weighing/effects";
  }

  /** In sentences; of what cannot be read nothing is said until it is saved. */
  private static List<String> effects(Session session, CriteriaForm form) {
    CriteriaConverter.Converted converted =
        CriteriaConverter.convert(form, session.table().file().brief());
    if (!converted.faults().isEmpty()) {
      return converted.faults().values().stream().distinct().toList();
    }
    List<Criterion> scaled =
        SelectionReader.criteria(converted.brief()).orElse(List.of()).stream()
            .filter(c -> c.isCost() || c.kind() instanceof Criterion.Measured)
            .toList();
    if (scaled.isEmpty()) {
      return List.of();
    }
    FindingWords words = new FindingWords(session.table().selection());
    ScoreFindings findings =
        new ScoreFindings(
            Evaluation.of(
                session.table().selection().judgedUnder(scaled), session.evaluation().whatIf()));
    return Stream.concat(
            Stream.concat(findings.worths().stream(), findings.guessedScales().stream()),
            findings.outsideScale().stream())
        .map(words::of)
        .toList();
  }
}
