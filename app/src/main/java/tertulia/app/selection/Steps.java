package tertulia.app.selection;

import jakarta.servlet.http.HttpServletResponse;
import java.util.Map;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import tertulia.app.people.SignedIn;

/** What the controllers of all steps do alike: open the session, frame it, choose the view. */
@Component
public class Steps {
  private static final String PAGE = "selection/workspace";
  private static final String UPDATE = "selection/update";
  private final Workspace workspace;

  Steps(Workspace workspace) {
    this.workspace = workspace;
  }

  /** Opens a selection as {@link Workspace#open} does. */
  public Workspace.Session open(long id, Map<String, String> query, SignedIn person) {
    return workspace.open(id, query, person);
  }

  /** The whole page of a step. */
  public String page(Workspace.Session session, String step, String view, Model model) {
    model.addAttribute("frame", workspace.frame(session, step, view));
    return PAGE;
  }

  /** What a changed "what if" changes on the page of a step; the browser's address follows. */
  public String update(
      Workspace.Session session,
      String step,
      String view,
      Model model,
      HttpServletResponse response) {
    Frame frame = workspace.frame(session, step, view);
    model.addAttribute("frame", frame);
    response.setHeader("HX-Push-Url", frame.href(step));
    return UPDATE;
  }
}
