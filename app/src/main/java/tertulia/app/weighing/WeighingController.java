package tertulia.app.weighing;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.WebDataBinder;
import org.springframework.web.bind.annotation.InitBinder;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import tertulia.app.exchange.Codes;
import tertulia.app.people.SignedIn;
import tertulia.app.selection.Selections;
import tertulia.app.web.Again;
import tertulia.app.web.Conflict;
import tertulia.app.web.FormFields;
import tertulia.app.web.NotFound;
import tertulia.app.workspace.StepBody;
import tertulia.app.workspace.Steps;
import tertulia.app.workspace.Workspace;

/** The Weights step. */
@Controller
class WeighingController implements StepBody {
  private static final String VIEW = "weighing/weights";
  private final Steps steps;
  private final Selections selections;

  WeighingController(Steps steps, Selections selections) {
    this.steps = steps;
    this.selections = selections;
  }

  @InitBinder("form")
  void bindFields(WebDataBinder binder, HttpServletRequest request) {
    FormFields.bind(binder, request);
  }

  /** Saves one criterion's points as soon as they are entered. */
  @PostMapping("/selections/{id}/weights")
  String weigh(
      @PathVariable long id,
      @RequestParam String criterion,
      @RequestParam String points,
      @RequestParam Map<String, String> query,
      @AuthenticationPrincipal SignedIn person,
      Model model) {
    String fault = "";
    boolean known =
        steps.open(id, query, person).evaluation().scores().criteria().stream()
            .anyMatch(c -> c.id().equals(criterion));
    if (!known) {
      throw new NotFound("criterion \"" + criterion + "\" any more");
    }
    try {
      Again.until(() -> selections.weigh(id, person, criterion, points(points)));
    } catch (IllegalArgumentException e) {
      fault = String.valueOf(e.getMessage());
    }
    steps.page(steps.open(id, query, person), this, model);
    model.addAttribute("faultAt", criterion);
    model.addAttribute("fault", fault);

    return "weighing/weighed";
  }

  private static int points(String text) {
    int points = text.isBlank() ? 0 : Codes.whole(text);
    if (points < 0 || points > 1000) {
      throw new IllegalArgumentException(
          "Points lie between 0 and 1000; found " + text.strip() + ".");
    }
    return points;
  }

  @PostMapping("/selections/{id}/criteria")
  String criteria(
      @PathVariable long id,
      @ModelAttribute("form") CriteriaForm form,
      @AuthenticationPrincipal SignedIn person,
      Model model,
      HttpServletResponse response) {
    CriteriaConverter.Converted converted =
        CriteriaConverter.convert(form, selections.load(id).file().brief());
    Map<String, String> faults = new LinkedHashMap<>(converted.faults());
    if (faults.isEmpty()) {
      try {
        selections.changeBrief(id, form.version, converted.brief());
        return "redirect:/selections/" + id + "/weights";
      } catch (Conflict e) {
        faults.put("criteria", e.message());
        form.version = selections.load(id).version();
      }
    }
    String page = steps.refused(steps.open(id, Map.of(), person), this, model, response);
    model.addAttribute("form", CriteriaConverter.withRoom(form));
    model.addAttribute("faults", faults);
    return page;
  }

  @PostMapping("/selections/{id}/shares")
  String shares(
      @PathVariable long id,
      @RequestParam Map<String, String> typed,
      @AuthenticationPrincipal SignedIn person,
      Model model,
      HttpServletResponse response) {
    Map<Long, Integer> shares = new HashMap<>();
    Map<String, String> faults = new LinkedHashMap<>();
    typed.forEach((name, text) -> {
      if (name.matches("share-[0-9]{1,18}")) {
        try {
          shares.put(Long.valueOf(name.substring(6)), share(text));
        } catch (IllegalArgumentException e) {
          faults.put(name, String.valueOf(e.getMessage()));
        }
      }
    });
    if (faults.isEmpty()) {
      selections.changeShares(id, shares);
      return "redirect:/selections/" + id + "/weights";
    }
    String page = steps.refused(steps.open(id, Map.of(), person), this, model, response);
    model.addAttribute("typedShares", typed);
    model.addAttribute("faults", faults);
    return page;
  }

  private static int share(String text) {
    int share = Codes.whole(text);
    if (share < 0 || share > 100) {
      throw new IllegalArgumentException("A share lies between 0 and 100; found " + text + ".");
    }
    return share;
  }

  @Override
  public String key() {
    return "weights";
  }

  @Override
  public String view() {
    return VIEW;
  }

  @Override
  public void fill(Workspace.Session session, Model model) {
    model.addAttribute("weights", WeightsView.of(session));
    model.addAttribute("faults", Map.of());
    model.addAttribute("typedShares", Map.of());
    model.addAttribute(
        "form",
        CriteriaConverter.withRoom(
            CriteriaConverter.form(session.table().file().brief(), session.table().version())));
  }
}
