package tertulia.app.fit;

import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import tertulia.app.display.FindingWords;
import tertulia.app.workspace.Confirmable;
import tertulia.app.workspace.Session;
import tertulia.app.workspace.StepBody;
import tertulia.core.finding.AnswerFindings;

/** The Fit step: the plan each contender would really need, and why not a cheaper one. */
@Component
class FitStep implements StepBody {
  private static final String VIEW = "fit/fit";

  @Override
  public String key() {
    return "fit";
  }

  @Override
  public String view() {
    return VIEW;
  }

  @Override
  public String own(Session session) {
    return RowsAsRead.of(session.asked()).query();
  }

  @Override
  public boolean asksWhatIf() {
    return true;
  }

  @Override
  public void fill(Session session, Model model) {
    RowsAsRead read = RowsAsRead.of(session.asked());
    model.addAttribute("demand", NeedRows.demand(session));
    model.addAttribute("fit", FitView.of(session));
    model.addAttribute("confirmable", Confirmable.of(session));
    model.addAttribute(
        "answer",
        new FindingWords(session.table().selection())
            .of(new AnswerFindings(session.evaluation()).whoDoes()));
    model.addAttribute("read", read);
    model.addAttribute("needless", session.table().selection().needs().isEmpty());
    model.addAttribute("rows", ComparisonRows.of(session, read));
    model.addAttribute("showable", Showable.of(session));
  }
}
