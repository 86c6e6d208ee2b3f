package tertulia.app.overview;

import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import tertulia.app.decision.Decisions;
import tertulia.app.decision.LookBack;
import tertulia.app.score.ScoreCardWriter;
import tertulia.app.trail.Trail;
import tertulia.app.web.RetryOnConflict;
import tertulia.app.workspace.Session;
import tertulia.app.workspace.StepBody;

/** What a selection has come to, for somebody who was not there. */
@Component
class OverviewStep implements StepBody {
  private static final String VIEW = "overview/overview";
  private final Decisions decisions;
  private final Visits visits;
  private final Trail trail;
  private final LookBack lookBack;

  OverviewStep(Decisions decisions, Visits visits, Trail trail, LookBack lookBack) {
    this.lookBack = lookBack;
    this.decisions = decisions;
    this.visits = visits;
    this.trail = trail;
  }

  @Override
  public String key() {
    return "overview";
  }

  @Override
  public String view() {
    return VIEW;
  }

  @Override
  public boolean asksWhatIf() {
    return true;
  }

  @Override
  public void fill(Session session, Model model) {
    long id = session.table().id();
    model.addAttribute(
        "overview",
        OverviewView.of(
            session, decisions.find(id).map(Decisions.Stored::decision), lookBack::inShort));
    model.addAttribute("card", ScoreCardWriter.of(session).orElse(null));
    model.addAttribute(
        "since",
        RetryOnConflict.until(() -> visits.note(id, session.person().id()))
            .map(before -> Since.of(before, trail.since(id, before, session.person())))
            .orElse(null));
  }
}
