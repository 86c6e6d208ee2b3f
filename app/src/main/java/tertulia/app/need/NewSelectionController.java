package tertulia.app.need;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.Map;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import tertulia.app.exchange.Brief;
import tertulia.app.exchange.BriefCheck;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.Faults;
import tertulia.app.growth.GrowthPlans;
import tertulia.app.people.SignedIn;
import tertulia.app.selection.Selections;
import tertulia.app.web.RetryOnConflict;
import tertulia.core.time.Horizon;

/** Begins a selection with the least there is to say. */
@Controller
class NewSelectionController {
  /** How growth is written: in percent a year, or in people a month. */
  private static final String PERCENT = "percent";

  private static final String HIRES = "hires";

  private final Selections selections;

  private final GrowthPlans plans;
  private final Clock clock;

  NewSelectionController(Selections selections, GrowthPlans plans, Clock clock) {
    this.selections = selections;
    this.plans = plans;

    this.clock = clock;
  }

  @GetMapping("/selections/new")
  String form(Model model) {
    return show(
        Map.of(
            "currency", "EUR", "people", "", "growth", "0", "growthIn", PERCENT, "follow", "true"),
        Map.of(),
        model);
  }

  @PostMapping("/selections/new")
  String create(
      @RequestParam Map<String, String> typed,
      @AuthenticationPrincipal SignedIn person,
      Model model,
      HttpServletResponse response) {
    Faults faults = new Faults();
    Brief brief = brief(typed, faults);
    if (faults.isEmpty()) {
      BriefCheck.faults(brief).forEach(fault -> faults.add("people", fault.message()));
    }
    if (!faults.isEmpty()) {
      response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
      return show(typed, faults.byField(), model);
    }
    long id = RetryOnConflict.until(() -> selections.create(brief, person));
    return "redirect:/selections/" + id + "/contenders";
  }

  private String show(Map<String, String> typed, Map<String, String> faults, Model model) {
    model.addAttribute("typed", typed);
    model.addAttribute("planned", plans.find().isPresent());
    model.addAttribute("faults", faults);
    return "need/new";
  }

  private Brief brief(Map<String, String> typed, Faults faults) {
    String title = typed.getOrDefault("title", "");
    if (title.isBlank()) {
      faults.add("title", "Put the question you want to settle, such as \"Which planning tool?\"");
    }
    LocalDate today = LocalDate.now(clock);
    // people who are typed are meant, whatever is ticked
    boolean follows =
        typed.containsKey("follow")
            && typed.getOrDefault("people", "").isBlank()
            && plans.find().isPresent();
    boolean counted = !typed.getOrDefault("people", "").isBlank();
    int people =
        counted
            ? faults.at("people", () -> Codes.whole(typed.getOrDefault("people", ""))).orElse(1)
            : 1;
    String growth =
        faults
            .at("growth", () -> Codes.decimal(typed.getOrDefault("growth", "")).toPlainString())
            .orElse("0");
    boolean byHires = HIRES.equals(typed.get("growthIn"));
    String currency =
        faults
            .at("currency", () -> Codes.currency(typed.getOrDefault("currency", "")).getCode())
            .orElse("EUR");
    Brief asked =
        new Brief(
            faults.at("title", () -> Codes.text(title, 200)).orElse(""),
            faults
                .at("purpose", () -> Codes.text(typed.getOrDefault("purpose", ""), 4000))
                .orElse(""),
            today.toString(),
            YearMonth.from(today).plusMonths(1).toString(),
            Horizon.DEFAULT_MONTHS,
            currency,
            "0",
            counted || follows
                ? List.of(
                    new Brief.GroupPart(
                        "staff",
                        "Staff",
                        byHires ? HIRES : PERCENT,
                        people,
                        byHires ? growth : null,
                        byHires ? null : growth,
                        null,
                        List.of()))
                : List.of(),
            counted || follows
                ? List.of(
                    new Brief.DemandPart("seats", "0", Map.of("staff", "1")),
                    new Brief.DemandPart("whole-staff", "0", Map.of("staff", "1")))
                : List.of(),
            null,
            List.of(),
            List.of(
                new Brief.CriterionPart("cost", "Cost", "cost", null, null, null, null),
                new Brief.CriterionPart(
                    "ease", "Ease of daily use", "judged", null, null, null, null),
                new Brief.CriterionPart(
                    "coverage", "What should be there", "coverage", null, null, null, null)),
            List.of());
    Brief own = asked.withFollowsInUse(true);
    return follows ? plans.joined(own).oneForEachHead() : own;
  }
}
