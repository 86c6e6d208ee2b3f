package tertulia.app.fit;

import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import tertulia.app.workspace.Session;
import tertulia.app.workspace.StepBody;
import tertulia.core.evaluation.Contender;

/** One contender plan by plan: which of them is needed, and what the next would bring. */
@Component
class PlansStep implements StepBody {
  private static final String VIEW = "fit/plans";

  @Override
  public String key() {
    return "plans";
  }

  @Override
  public String view() {
    return VIEW;
  }

  @Override
  public String own(Session session) {
    return asked(session).map(c -> "contender=" + c.id()).orElse("");
  }

  @Override
  public boolean asksWhatIf() {
    return true;
  }

  @Override
  public void fill(Session session, Model model) {
    model.addAttribute("all", session.columns());
    asked(session)
        .ifPresent(contender -> {
          model.addAttribute("plans", PlansView.of(session, contender));
          model.addAttribute("looked", Looked.of(session, contender));
        });
  }

  /** The contender asked for, or the first at the table; empty if there is none. */
  private static Optional<Contender> asked(Session session) {
    String asked = session.asked().getOrDefault("contender", "");
    return session.columns().stream()
        .filter(c -> c.id().equals(asked))
        .findFirst()
        .or(() -> session.columns().stream().findFirst());
  }
}
