package tertulia.app.cost;

import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import tertulia.app.workspace.Confirmable;
import tertulia.app.workspace.Session;
import tertulia.app.workspace.StepBody;

/** The Cost step. */
@Component
class CostStep implements StepBody {
  private static final String VIEW = "cost/cost";

  @Override
  public String key() {
    return "cost";
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
    model.addAttribute("cost", CostView.of(session));
    model.addAttribute("confirmable", Confirmable.of(session));
    model.addAttribute("effort", EffortForm.of(session));
    model.addAttribute("faults", java.util.Map.of());
  }
}
