package tertulia.app.cost;

import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import tertulia.app.workspace.StepBody;
import tertulia.app.workspace.Workspace;

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
  public void fill(Workspace.Session session, Model model) {
    model.addAttribute("cost", CostView.of(session));
    model.addAttribute("effort", EffortForm.of(session));
    model.addAttribute("faults", java.util.Map.of());
  }
}
