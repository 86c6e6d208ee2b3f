package tertulia.app.catalogue;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
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
import tertulia.app.display.Dates;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.ToolSheet;
import tertulia.app.people.SignedIn;
import tertulia.app.web.Conflict;
import tertulia.core.fit.Answer;
import tertulia.core.growth.Measure;
import tertulia.core.working.Ground;

/** The catalogue: the list, a price page, and writing one down. */
@Controller
class CatalogueController {
  private final Catalogue catalogue;
  private final Clock clock;

  CatalogueController(Catalogue catalogue, Clock clock) {
    this.catalogue = catalogue;
    this.clock = clock;
  }

  @InitBinder("form")
  void bindFields(WebDataBinder binder) {
    binder.initDirectFieldAccess();
  }

  /** A line of the list. */
  record Listed(
      String slug, String name, String maker, String plans, String asOf, String currencies) {}

  @GetMapping("/catalogue")
  String list(@AuthenticationPrincipal SignedIn person, Model model) {
    model.addAttribute("tools", catalogue.all().stream().map(t -> listed(t.sheet())).toList());
    model.addAttribute("organises", person.organises());
    return "catalogue/list";
  }

  private static Listed listed(ToolSheet sheet) {
    List<ToolSheet.PlanPart> plans = sheet.plans();
    return new Listed(
        sheet.id(),
        sheet.name(),
        sheet.maker(),
        plans.stream().map(ToolSheet.PlanPart::name).collect(Collectors.joining(", ")),
        plans.stream()
            .map(plan -> LocalDate.parse(plan.source().asOf()))
            .min(Comparator.naturalOrder())
            .map(Dates::day)
            .orElse("—"),
        plans.stream()
            .map(ToolSheet.PlanPart::currency)
            .distinct()
            .collect(Collectors.joining(", ")));
  }

  @GetMapping("/catalogue/{slug}")
  String read(@PathVariable String slug, @AuthenticationPrincipal SignedIn person, Model model) {
    ToolSheet sheet = catalogue.get(slug).sheet();
    model.addAttribute("sheet", sheet);
    model.addAttribute("page", PricePage.of(sheet, LocalDate.now(clock)));
    model.addAttribute("organises", person.organises());
    return "catalogue/tool";
  }

  @GetMapping("/catalogue/new")
  String blank(@RequestParam(defaultValue = "") String selection, Model model) {
    ToolForm form = new ToolForm();
    ToolForm.PlanColumn first = new ToolForm.PlanColumn();
    first.asOf = today();
    form.plans.add(first);
    ToolForm.ChargeLine seats = new ToolForm.ChargeLine();
    seats.name = "Seats";
    form.lines.add(seats);
    return show(form, null, selection, Map.of(), model);
  }

  @PostMapping("/catalogue/new")
  String add(
      @ModelAttribute("form") ToolForm form,
      @RequestParam(defaultValue = "") String selection,
      Model model,
      HttpServletResponse response) {
    ToolConverter.Converted converted = new ToolConverter(form, null).convert();
    if (converted.sheet().isEmpty()) {
      response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
      return show(form, null, selection, converted.faults(), model);
    }
    String slug = catalogue.add(converted.sheet().get());
    return "redirect:"
        + (selection.matches("[0-9]{1,18}")
            ? "/selections/" + selection + "/contenders?added=" + slug
            : "/catalogue/" + slug);
  }

  @GetMapping("/catalogue/{slug}/edit")
  String edit(@PathVariable String slug, Model model) {
    Catalogue.Stored stored = catalogue.get(slug);
    return show(ToolForms.of(stored.sheet(), stored.version()), slug, "", Map.of(), model);
  }

  @PostMapping("/catalogue/{slug}/edit")
  String change(
      @PathVariable String slug,
      @ModelAttribute("form") ToolForm form,
      Model model,
      HttpServletResponse response) {
    Catalogue.Stored stored = catalogue.get(slug);
    ToolConverter.Converted converted = new ToolConverter(form, stored.sheet()).convert();
    Map<String, String> faults = converted.faults();
    if (converted.sheet().isPresent()) {
      try {
        catalogue.change(slug, form.version, converted.sheet().get());
        return "redirect:/catalogue/" + slug;
      } catch (Conflict e) {
        faults = Map.of("name", e.message());
        form.version = stored.version();
      }
    }
    response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
    return show(form, slug, "", faults, model);
  }

  private String show(
      ToolForm form,
      @Nullable String slug,
      String selection,
      Map<String, String> faults,
      Model model) {
    Map<String, String> capabilities = catalogue.capabilities();
    model.addAttribute("form", ToolForms.withRoom(form, capabilities.values(), today()));
    model.addAttribute("slug", slug);
    model.addAttribute("selection", selection);
    model.addAttribute("faults", faults);
    model.addAttribute("terms", terms(form));
    model.addAttribute("measures", Measure.KNOWN);
    model.addAttribute("grounds", grounds());
    model.addAttribute("answers", Codes.codes(Answer.class));
    return "catalogue/edit";
  }

  private static List<TermCode> terms(ToolForm form) {
    Set<String> used = new TreeSet<>();
    form.lines.forEach(line -> line.cells.forEach(cell -> used.addAll(cell.prices.keySet())));
    List<TermCode> terms = new ArrayList<>(TermCode.ALL.subList(0, TermCode.USUAL));
    TermCode.ALL.subList(TermCode.USUAL, TermCode.ALL.size()).stream()
        .filter(term -> used.contains(term.code()))
        .forEach(terms::add);
    return terms;
  }

  /** A ground of a fact, for a choice. */
  record GroundChoice(String code, String words) {}

  private static List<GroundChoice> grounds() {
    return java.util.Arrays.stream(Ground.values())
        .map(ground -> new GroundChoice(Codes.code(ground), ground.words()))
        .toList();
  }

  private String today() {
    return LocalDate.now(clock).toString();
  }
}
