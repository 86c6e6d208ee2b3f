package tertulia.app.workspace;

import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import tertulia.app.exchange.Json;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.people.SignedIn;

/** What the controllers of all steps do alike: open the session, frame it, choose the view. */
@Component
public class Steps {
  private static final String PAGE = "workspace/workspace";
  private static final String UPDATE = "workspace/update";

  /** Steps in which somebody with an interest may count. */
  private static final Set<String> INTERESTS =
      Set.of("overview", "fit", "marks", "firmness", "decision");

  private final Workspace workspace;

  Steps(Workspace workspace) {
    this.workspace = workspace;
  }

  /** Opens a selection as {@link Workspace#open} does. */
  public Session open(long id, Map<String, String> query, SignedIn person) {
    return workspace.open(id, query, person);
  }

  /** The whole page of a step. */
  public String page(Session session, StepBody body, Model model) {
    fill(session, body, model);
    return PAGE;
  }

  /**
   * The page of a step after something typed was refused; what the caller puts into the model
   * afterwards stands in place of what is stored.
   */
  public String refused(Session session, StepBody body, Model model, HttpServletResponse response) {
    response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
    return page(session, body, model);
  }

  /** What a changed "what if" changes on the page of a step; the browser's address follows. */
  String update(Session session, StepBody body, Model model, HttpServletResponse response) {
    String address = fill(session, body, model).href(body.key());
    String own = body.own(session);
    response.setHeader(
        "HX-Replace-Url",
        own.isEmpty() ? address : address + (address.contains("?") ? "&" : "?") + own);
    return UPDATE;
  }

  /** What tells a question and its contenders from others, whoever judges them. */
  private static String basis(Session session) {
    SelectionFile asked = session.table().file().undecided().withPanel(List.of());
    return Integer.toHexString(Json.write(asked).hashCode());
  }

  private Frame fill(Session session, StepBody body, Model model) {
    Frame frame =
        Framing.of(
            session,
            body.key(),
            body.view(),
            body.asksWhatIf() && !(session.columns().isEmpty() && body.key().equals("contenders")));
    body.fill(session, model);
    model.addAttribute("frame", frame);
    model.addAttribute("step", body.key());
    model.addAttribute("when", session.when());
    model.addAttribute(
        "interested",
        session.query().disinterested() || INTERESTS.contains(body.key())
            ? workspace.interested(session).orElse(null)
            : null);
    model.addAttribute("onplans", OnPlans.of(session).orElse(null));
    model.addAttribute("last", session.last());
    model.addAttribute("basis", basis(session) + body.stamp(session));
    model.addAttribute("remarks", RemarksView.at(session, body.key()));
    return frame;
  }
}
