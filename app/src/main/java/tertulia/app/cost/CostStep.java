package tertulia.app.cost;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import tertulia.app.catalogue.Catalogue;
import tertulia.app.exchange.InUsePart;
import tertulia.app.exchange.ToolSheet;
import tertulia.app.inuse.ToolsInUse;
import tertulia.app.workspace.Confirmable;
import tertulia.app.workspace.Session;
import tertulia.app.workspace.StepBody;

/** The Cost step. */
@Component
class CostStep implements StepBody {
  private static final String VIEW = "cost/cost";
  private final ToolsInUse inUse;
  private final Catalogue catalogue;

  CostStep(ToolsInUse inUse, Catalogue catalogue) {
    this.inUse = inUse;
    this.catalogue = catalogue;
  }

  /** Names of tools in use that somebody left out of the question, by id. */
  private Map<String, String> leftOut(Session session) {
    List<String> out = session.table().file().brief().unasked();
    Map<String, String> names = new LinkedHashMap<>();
    if (!out.isEmpty()) {
      Map<String, ToolSheet> pages = catalogue.pages(out, session.today());
      inUse.find().tools().stream()
          .map(InUsePart::tool)
          .filter(out::contains)
          .forEach(id ->
              Optional.ofNullable(pages.get(id)).ifPresent(page -> names.put(id, page.name())));
    }
    return names;
  }

  @Override
  public String key() {
    return "cost";
  }

  @Override
  public String view() {
    return VIEW;
  }

  @Override
  public String own(Session session) {
    return WaitView.own(session);
  }

  @Override
  public boolean asksWhatIf() {
    return true;
  }

  @Override
  public void fill(Session session, Model model) {
    model.addAttribute("cost", CostView.of(session));
    model.addAttribute("beside", BesideView.of(session, leftOut(session)));
    model.addAttribute(
        "uncounted",
        !session.table().decided()
            && !session.table().file().brief().followsUse()
            && session.table().file().brief().used().isEmpty());
    model.addAttribute("split", SplitView.of(session).orElse(null));
    model.addAttribute("parts", PartsView.of(session).orElse(null));
    model.addAttribute("wait", WaitView.of(session).orElse(null));
    model.addAttribute("confirmable", Confirmable.of(session));
    model.addAttribute("effort", EffortForm.of(session));
    model.addAttribute("faults", java.util.Map.of());
  }
}
