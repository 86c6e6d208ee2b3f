package tertulia.app.cost;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.WebDataBinder;
import org.springframework.web.bind.annotation.InitBinder;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import tertulia.app.exchange.Faults;
import tertulia.app.exchange.Fields;
import tertulia.app.exchange.SelectionFile.EffortPart;
import tertulia.app.people.SignedIn;
import tertulia.app.selection.Selections;
import tertulia.app.web.FormFields;
import tertulia.app.workspace.Steps;

/** The hours each contender takes. */
@Controller
class EffortController {
  private final Steps steps;
  private final Selections selections;
  private final CostStep cost;

  EffortController(Steps steps, Selections selections, CostStep cost) {
    this.steps = steps;
    this.selections = selections;
    this.cost = cost;
  }

  @InitBinder("effort")
  void bindFields(WebDataBinder binder, HttpServletRequest request) {
    FormFields.bind(binder, request);
  }

  @PostMapping("/selections/{id}/effort")
  String save(
      @PathVariable long id,
      @ModelAttribute("effort") EffortForm form,
      @AuthenticationPrincipal SignedIn person,
      Model model,
      RedirectAttributes flash,
      HttpServletResponse response) {
    Faults faults = new Faults();
    Map<String, Optional<EffortPart>> parts = new LinkedHashMap<>();
    for (int i = 0; i < form.lines.size(); i++) {
      EffortForm.Line line = form.lines.get(i);
      parts.put(line.contender, EffortForm.part(line, "lines[" + i + "]", new Fields(faults)));
    }
    if (faults.isEmpty()) {
      selections.noteEfforts(id, parts);
      flash.addFlashAttribute("done", "Saved. Choose “full cost” beside “cost” above to count it.");
      return "redirect:/selections/" + id + "/cost";
    }
    String page = steps.refused(steps.open(id, Map.of(), person), cost, model, response);
    model.addAttribute("effort", form);
    model.addAttribute("faults", faults.byField());
    return page;
  }
}
