package tertulia.app.decision;

import java.util.EnumSet;
import java.util.Map;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import tertulia.app.display.WorkingLine;
import tertulia.app.exchange.Codes;
import tertulia.app.selection.SelectionLoader;
import tertulia.app.web.NotFound;
import tertulia.app.workspace.AskedFigure;
import tertulia.core.difference.Cause;
import tertulia.core.difference.Differences;
import tertulia.core.difference.Division;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.Selection;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.working.Derivation;
import tertulia.core.working.NoSuchFigure;

/** The answer to "why" for the figures of a record and of then and now. */
@Controller
class LookBackWhyController {
  private static final String VIEW = "workspace/why";
  private final Decisions decisions;
  private final LookBack lookBack;

  LookBackWhyController(Decisions decisions, LookBack lookBack) {
    this.decisions = decisions;
    this.lookBack = lookBack;
  }

  /** From what is frozen, by today's rules. */
  @GetMapping("/selections/{id}/record/why")
  String frozen(@PathVariable long id, @RequestParam Map<String, String> query, Model model) {
    Snapshot snapshot =
        decisions
            .find(id)
            .flatMap(Decisions.Stored::frozen)
            .orElseThrow(() -> new NotFound("signed decision in this selection"));
    Selection then =
        SelectionLoader.ifReadable(snapshot.selection().undecided())
            .orElseThrow(() -> new NotFound("figures that can be worked out again"));
    return show(explained(Evaluation.of(then, WhatIf.START), query), then.title(), model);
  }

  /** Of a level today, or of what a cause adds. */
  @GetMapping("/selections/{id}/look-again/why")
  String now(@PathVariable long id, @RequestParam Map<String, String> query, Model model) {
    LookBack.LookedAt looked =
        decisions
            .find(id)
            .flatMap(stored -> lookBack.at(id, stored))
            .orElseThrow(() -> new NotFound("signed decision in this selection"));
    Differences differences = looked.differences();
    String title = differences.now().selection().title();
    return query.containsKey("cause")
        ? show(part(differences, query), title, model)
        : show(explained(differences.now(), query), title, model);
  }

  private static Derivation explained(Evaluation evaluation, Map<String, String> query) {
    try {
      return evaluation.explain(AskedFigure.of(query));
    } catch (NoSuchFigure e) {
      throw new NotFound(e.what());
    }
  }

  private static Derivation part(Differences differences, Map<String, String> query) {
    boolean cost = query.getOrDefault("of", "").equals("cost");
    String contender = query.getOrDefault("contender", "");
    Cause cause = cause(query.getOrDefault("cause", ""));
    Selection selection = differences.now().selection();
    Division division =
        differences
            .of(contender)
            .flatMap(of -> cost ? of.cost() : of.total())
            .orElseThrow(() -> new NotFound("such figure"));
    Division.Part part =
        division.parts().stream()
            .filter(one -> one.causes().contains(cause))
            .findFirst()
            .orElseThrow(() -> new NotFound("such figure"));
    return PartWorking.of(
        division,
        part,
        selection.contender(contender).tool().name(),
        cost ? selection.currency().getCode() : "");
  }

  private static Cause cause(String code) {
    return EnumSet.allOf(Cause.class).stream()
        .filter(cause -> Codes.code(cause).equals(code))
        .findFirst()
        .orElseThrow(() -> new NotFound("such cause"));
  }

  private static String show(Derivation working, String about, Model model) {
    model.addAttribute("about", about);
    model.addAttribute("line", WorkingLine.of(working, source -> false));
    return VIEW;
  }
}
