package tertulia.app.firmness;

import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import tertulia.app.workspace.Session;
import tertulia.app.workspace.StepBody;

/** The Firmness step. */
@Component
class FirmnessStep implements StepBody {
  private static final String VIEW = "firmness/firmness";

  @Override
  public String key() {
    return "firmness";
  }

  @Override
  public String view() {
    return VIEW;
  }

  @Override
  public String own(Session session) {
    return FirmnessAsked.of(session.asked()).query();
  }

  @Override
  public boolean asksWhatIf() {
    return true;
  }

  @Override
  public void fill(Session session, Model model) {
    FirmnessAsked asked = FirmnessAsked.of(session.asked());
    model.addAttribute("asked", asked);
    model.addAttribute("firmness", FirmnessView.of(session, asked));
  }
}
