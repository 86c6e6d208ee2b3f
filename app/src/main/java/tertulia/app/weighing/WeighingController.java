package tertulia.app.weighing;

import io.github.wimdeblauwe.htmx.spring.boot.mvc.HxRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.WebDataBinder;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.InitBinder;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import tertulia.app.exchange.Codes;
import tertulia.app.people.SignedIn;
import tertulia.app.selection.Selections;
import tertulia.app.selection.Steps;
import tertulia.app.selection.Workspace;
import tertulia.app.web.Conflict;
import tertulia.app.web.NotFound;

/** The Weights step. */
@Controller
class WeighingController {
  private static final String VIEW = "weighing/weights";
  private final Steps steps;
  private final Selections selections;

  WeighingController(Steps steps, Selections selections) {
    this.steps = steps;
    this.selections = selections;
  }

  @InitBinder("form")
  void bindFields(WebDataBinder binder) {
    binder.initDirectFieldAccess();
  }

  @GetMapping("/selections/{id}/weights")
  String page(
      @PathVariable long id,
      @RequestParam Map<String, String> query,
      @AuthenticationPrincipal SignedIn person,
      Model model) {
    return steps.page(fill(id, query, person, model), "weights", VIEW, model);
  }

  @HxRequest
  @GetMapping("/selections/{id}/weights")
  String update(
      @PathVariable long id,
      @RequestParam Map<String, String> query,
      @AuthenticationPrincipal SignedIn person,
      Model model,
      HttpServletResponse response) {
    return steps.update(fill(id, query, person, model), "weights", VIEW, model, response);
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
        steps.open(id, query, person).evaluation().criteria().stream()
            .anyMatch(c -> c.id().equals(criterion));
    if (!known) {
      throw new NotFound("criterion \"" + criterion + "\" any more");
    }
    try {
      selections.weigh(id, person, criterion, points(points));
    } catch (IllegalArgumentException e) {
      fault = String.valueOf(e.getMessage());
    }
    Workspace.Session session = fill(id, query, person, model);
    model.addAttribute("faultAt", criterion);
    model.addAttribute("fault", fault);
    steps.page(session, "weights", VIEW, model);
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
    response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
    Workspace.Session session = fill(id, Map.of(), person, model);
    model.addAttribute("form", CriteriaConverter.withRoom(form));
    model.addAttribute("faults", faults);
    return steps.page(session, "weights", VIEW, model);
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
    response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
    Workspace.Session session = fill(id, Map.of(), person, model);
    model.addAttribute("typedShares", typed);
    model.addAttribute("faults", faults);
    return steps.page(session, "weights", VIEW, model);
  }

  private static int share(String text) {
    int share = Codes.whole(text);
    if (share < 0 || share > 100) {
      throw new IllegalArgumentException("A share lies between 0 and 100; found " + text + ".");
    }
    return share;
  }

  private Workspace.Session fill(long id, Map<String, String> query, SignedIn person, Model model) {
    Workspace.Session session = steps.open(id, query, person);
    model.addAttribute("weights", WeightsView.of(session));
    model.addAttribute("faults", Map.of());
    model.addAttribute("typedShares", Map.of());
    model.addAttribute(
        "form",
        CriteriaConverter.withRoom(
            CriteriaConverter.form(session.table().file().brief(), session.table().version())));
    return session;
  }
}
