package tertulia.app.decision;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import tertulia.app.workspace.Session;
import tertulia.app.workspace.StepBody;
import tertulia.core.decision.Decision;
import tertulia.core.evaluation.Contender;

/** Then and now of a signed decision, and what comes of looking again. */
@Component
class LookAgainStep implements StepBody {
  private static final String VIEW = "decision/again";
  private final Decisions decisions;
  private final LookBack lookBack;

  LookAgainStep(Decisions decisions, LookBack lookBack) {
    this.decisions = decisions;
    this.lookBack = lookBack;
  }

  @Override
  public String key() {
    return "look-again";
  }

  @Override
  public String view() {
    return VIEW;
  }

  @Override
  public String stamp(Session session) {
    return decisions.stamp(session.table().id());
  }

  @Override
  public void fill(Session session, Model model) {
    Optional<Decisions.Stored> stored = decisions.find(session.table().id());
    Optional<LookBack.LookedAt> looked =
        stored.flatMap(found -> lookBack.at(session.table().id(), found));
    model.addAttribute(
        "back",
        looked
            .map(found ->
                LookBackView.of(found, session.table().id(), marks(session), session.today()))
            .orElse(null));
    model.addAttribute(
        "again",
        stored
            .map(Decisions.Stored::decision)
            .filter(Decision.Signed.class::isInstance)
            .map(Decision.Signed.class::cast)
            .map(signed -> DecisionView.Again.of(signed, session.person(), session.today()))
            .orElse(DecisionView.Again.NEVER));
    model.addAttribute("objections", looked.map(LookBackView::objections).orElse(""));
    model.addAttribute("signed", stored.filter(s -> s.snapshot() != null).isPresent());
    model.addAttribute("typed", Map.of());
    model.addAttribute("faults", Map.of());
    model.addAttribute("inAYear", session.today().plusYears(1).toString());
  }

  /** Those of all contenders, as on the other steps. */
  private static Map<String, Integer> marks(Session session) {
    Map<String, Integer> marks = new LinkedHashMap<>();
    for (Contender contender : session.columns()) {
      marks.put(contender.id(), session.mark(contender.id()));
    }
    return marks;
  }
}
