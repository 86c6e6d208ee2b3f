package tertulia.app.selection;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import tertulia.core.evaluation.Contender;
import tertulia.core.fit.Reason;
import tertulia.core.fit.Verdict;
import tertulia.core.path.Outcome;
import tertulia.core.path.Stay;

/** The Fit step: the plan each contender would really need, and why not a cheaper one. */
@Component
class FitStep implements StepBody {
  private static final String VIEW = "selection/fit";

  /** One plan's standing over all months. */
  record PlanLine(String option, String word, String look, List<String> reasons) {}

  /** A contender with the standing of each of its plans. */
  record Ladder(String name, String why, List<PlanLine> plans) {}

  @Override
  public String key() {
    return "fit";
  }

  @Override
  public String view() {
    return VIEW;
  }

  @Override
  public void fill(Workspace.Session session, Model model) {
    model.addAttribute("demand", NeedRows.demand(session));
    model.addAttribute("fit", FitView.of(session));
    model.addAttribute("rows", NeedRows.needs(session, true));
    model.addAttribute("ladders", session.columns().stream().map(c -> ladder(session, c)).toList());
  }

  private static Ladder ladder(Workspace.Session session, Contender contender) {
    Outcome<Stay> outcome = session.evaluation().stay(contender.id());
    Map<String, PlanLine> lines = new LinkedHashMap<>();
    switch (outcome) {
      case Outcome.Found<Stay> found -> {
        add(lines, found.best().option().label(), "the one to take", "good", List.of());
        found.others().forEach(o -> add(lines, o.option().label(), "would do", "", List.of()));
        found.unpriced().forEach((o, why) -> add(lines, o, "would do", "care", List.of(why)));
      }
      case Outcome.Unpriced<Stay> unpriced ->
          unpriced.unpriced().forEach((o, why) -> add(lines, o, "would do", "care", List.of(why)));
      case Outcome.NoPlan<Stay> none -> {}
    }
    outcome.passedOver().forEach((option, verdict) -> passedOver(lines, option, verdict));
    return new Ladder(
        contender.tool().name(),
        session.why("plans", "contender", contender.id()),
        List.copyOf(lines.values()));
  }

  private static void passedOver(Map<String, PlanLine> lines, String option, Verdict verdict) {
    List<String> reasons = verdict.reasons().stream().map(Reason::sentence).toList();
    switch (verdict) {
      case Verdict.Unconfirmed unconfirmed -> add(lines, option, "not confirmed", "care", reasons);
      case Verdict.Excluded excluded -> add(lines, option, "out", "stop", reasons);
      case Verdict.Qualifies qualifies -> add(lines, option, "would do", "", reasons);
    }
  }

  private static void add(
      Map<String, PlanLine> lines, String option, String word, String look, List<String> reasons) {
    lines.put(option, new PlanLine(option, word, look, reasons));
  }
}
