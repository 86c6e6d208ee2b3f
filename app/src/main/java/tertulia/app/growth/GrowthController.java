package tertulia.app.growth;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.WebDataBinder;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.InitBinder;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import tertulia.app.display.Figures;
import tertulia.app.exchange.Brief;
import tertulia.app.exchange.Fault;
import tertulia.app.exchange.Faults;
import tertulia.app.exchange.Fields;
import tertulia.app.exchange.GrowthPlan;
import tertulia.app.people.SignedIn;
import tertulia.app.standin.StaffDirectory;
import tertulia.app.web.Conflict;
import tertulia.app.web.FormFields;
import tertulia.app.web.OtherVersion;
import tertulia.core.growth.Group;
import tertulia.core.time.Horizon;

/** Growth: the organisation's people by group over the months. */
@Controller
class GrowthController {
  private static final String PAGE = "growth/growth";
  private static final String DONE = "done";
  private static final String COUNTED = "counted";
  private final GrowthPlans plans;
  private final Headcounts headcounts;
  private final Clock clock;

  GrowthController(GrowthPlans plans, Headcounts headcounts, Clock clock) {
    this.plans = plans;
    this.headcounts = headcounts;
    this.clock = clock;
  }

  @InitBinder("form")
  void bindFields(WebDataBinder binder, HttpServletRequest request) {
    FormFields.bind(binder, request);
  }

  @GetMapping("/growth")
  String page(
      @RequestParam(defaultValue = "") String growth,
      @AuthenticationPrincipal SignedIn person,
      Model model) {
    Optional<GrowthPlans.Stored> stored = plans.find();
    model.addAttribute("stored", stored.orElse(null));
    fill(stored.map(this::form).orElseGet(this::firstForm), Map.of(), model);
    stored.ifPresent(plan -> view(plan.plan(), growth, person, model));
    return PAGE;
  }

  private void fill(PeopleForm form, Map<String, String> faults, Model model) {
    model.addAttribute("form", withRoom(form));
    model.addAttribute("faults", faults);
    Headcounts.Known known = headcounts.known();
    model.addAttribute("directory", known.source());
    model.addAttribute("canUndoCounts", known.canUndo());
    model.addAttribute("countsVersion", known.version());
    model.addAttribute("planVersion", version(plans.find()));
  }

  private static long version(Optional<GrowthPlans.Stored> stored) {
    return stored.map(GrowthPlans.Stored::version).orElse(GrowthPlans.NONE);
  }

  private void view(GrowthPlan plan, String scenario, SignedIn person, Model model) {
    plan.read(new Faults())
        .ifPresent(read ->
            model.addAttribute(
                "view", GrowthView.of(read, scenario, counts(), person.organises())));
  }

  private List<StaffDirectory.Count> counts() {
    return headcounts.known().counts();
  }

  private PeopleForm form(GrowthPlans.Stored stored) {
    PeopleForm form = new PeopleForm();
    form.version = stored.version();
    form.start = stored.plan().start();
    form.months = "" + stored.plan().months();
    form.groups = new ArrayList<>(PeopleConverter.lines(stored.plan().groups()));
    List<Brief.ScenarioPart> scenarios = stored.plan().scenarios();
    form.scenarios =
        new ArrayList<>(
            PeopleConverter.scenarioLines(
                scenarios == null ? GrowthPlan.standardScenarios() : scenarios));
    return form;
  }

  private PeopleForm firstForm() {
    PeopleForm form = new PeopleForm();
    form.start = YearMonth.from(LocalDate.now(clock)).plusMonths(1).toString();
    form.months = "" + Horizon.DEFAULT_MONTHS;
    form.scenarios = new ArrayList<>(PeopleConverter.scenarioLines(GrowthPlan.standardScenarios()));
    return form;
  }

  private static PeopleForm withRoom(PeopleForm form) {
    form.groups.forEach(group -> group.steps.add(new PeopleForm.StepLine()));
    form.groups.add(new PeopleForm.GroupLine());
    form.scenarios.add(new PeopleForm.ScenarioLine());
    return form;
  }

  /** What became of a form: a plan that the core reads, or the faults by field. */
  private record Converted(Optional<GrowthPlan> plan, Map<String, String> faults) {}

  private static Converted convert(PeopleForm form) {
    Faults faults = new Faults();
    Map<String, String> places = new HashMap<>();
    Fields fields = new Fields(faults);
    PeopleConverter converter = new PeopleConverter(fields, places);
    GrowthPlan plan =
        new GrowthPlan(
            fields.month("start", form.start),
            fields.whole("months", form.months),
            converter.groups(form.groups, new ArrayList<>()),
            converter.scenarios(form.scenarios));
    if (faults.isEmpty()) {
      Faults core = new Faults();
      plan.read(core);
      core.all().forEach(fault -> faults.add(field(fault, places), fault.message()));
    }
    return new Converted(faults.isEmpty() ? Optional.of(plan) : Optional.empty(), faults.byField());
  }

  /** The form's field for a place such as "/groups/0/steps/1". */
  private static String field(Fault fault, Map<String, String> places) {
    String place = fault.at().substring(1).replace("/steps", "");
    return places.getOrDefault(place, "months");
  }

  @PostMapping("/growth")
  String save(
      @ModelAttribute("form") PeopleForm form,
      @AuthenticationPrincipal SignedIn person,
      Model model,
      RedirectAttributes flash,
      HttpServletResponse response) {
    Converted converted = convert(form);
    Map<String, String> faults = converted.faults();
    if (converted.plan().isPresent()) {
      try {
        plans.change(form.version, converted.plan().get(), person.name());
        flash.addFlashAttribute(DONE, "Saved. Selections that follow the plan follow it now.");
        return "redirect:/growth";
      } catch (Conflict e) {
        faults = Map.of("months", e.message());
        form.version = version(plans.find());
        plans.find().ifPresent(now -> model.addAttribute("other", OtherVersion.of(form(now))));
      }
    }
    response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
    Optional<GrowthPlans.Stored> stored = plans.find();
    model.addAttribute("stored", stored.orElse(null));
    stored.ifPresent(plan -> view(plan.plan(), "", person, model));
    fill(form, faults, model);
    return PAGE;
  }

  /**
   * The picture of what is typed, not saved; a point that was moved changes its group's fields.
   *
   * @param moved the place of the group in the form; −1 if nothing was moved
   * @param to people at the point's new place
   */
  @PostMapping("/growth/draw")
  String draw(
      @ModelAttribute("form") PeopleForm form,
      @RequestParam(defaultValue = "-1") int moved,
      @RequestParam(defaultValue = "0") int month,
      @RequestParam(defaultValue = "0") int to,
      @RequestParam(defaultValue = "") String growth,
      @AuthenticationPrincipal SignedIn person,
      Model model) {
    Converted converted = convert(form);
    Map<String, String> faults = new HashMap<>(converted.faults());
    Optional<GrowthPlan> plan = converted.plan();
    if (plan.isPresent() && moved >= 0 && moved < plan.get().groups().size()) {
      Faults refused = new Faults();
      plan = Optional.of(moved(plan.get(), moved, month, to, refused));
      refused.all().forEach(f -> faults.put("groups[" + moved + "].figure", f.message()));
      form.groups = new ArrayList<>(PeopleConverter.lines(plan.get().groups()));
    }
    fill(form, faults, model);
    plan.ifPresent(drawn -> view(drawn, growth, person, model));
    return moved >= 0 ? PAGE + " :: editor" : PAGE + " :: picture";
  }

  private static GrowthPlan moved(GrowthPlan plan, int place, int month, int to, Faults faults) {
    return plan.read(new Faults())
        .flatMap(read ->
            faults.at(
                "moved",
                () -> {
                  Group turned = read.groups().get(place).through(read.horizon(), month, to);
                  List<Brief.GroupPart> groups = new ArrayList<>(plan.groups());
                  groups.set(place, Brief.GroupPart.of(turned));
                  return plan.with(groups);
                }))
        .orElse(plan);
  }

  /** Lets every group that was counted grow on from what was counted last. */
  @PostMapping("/growth/rebase")
  String rebase(
      @RequestParam String month,
      @RequestParam long version,
      @AuthenticationPrincipal SignedIn person,
      RedirectAttributes flash) {
    GrowthPlans.Stored stored =
        plans.find().orElseThrow(() -> new Conflict("There is no growth plan to re-base yet."));
    Conflict.unlessAt(version, stored.version(), "the growth plan");
    GrowthPlan.Read read = stored.plan().read(new Faults()).orElseThrow();
    YearMonth last =
        GrowthView.lastCounted(read, counts())
            .filter(counted -> counted.toString().equals(month))
            .orElseThrow(() ->
                new Conflict("The headcount has changed since you opened this page. Look again."));
    List<Brief.GroupPart> groups = new ArrayList<>();
    for (int i = 0; i < read.groups().size(); i++) {
      Group group = read.groups().get(i);
      Brief.GroupPart asItWas = stored.plan().groups().get(i);
      groups.add(
          counts().stream()
              .filter(count -> count.group().equals(group.id()) && count.month().equals(last))
              .findFirst()
              .map(count -> Brief.GroupPart.of(group.rebased(read.horizon(), last, count.people())))
              .orElse(asItWas));
    }
    plans.change(
        stored.version(),
        stored.plan().with(groups),
        person.name() + ", on counts of " + headcounts.known().source());
    flash.addFlashAttribute(
        DONE, "Re-based: each group grows on from those who were there in " + last + ".");
    return "redirect:/growth";
  }

  @PostMapping("/growth/undo")
  String undo(
      @RequestParam long version,
      @AuthenticationPrincipal SignedIn person,
      RedirectAttributes flash) {
    plans.undo(version, person.name());
    flash.addFlashAttribute(DONE, "The last change is undone.");
    return "redirect:/growth";
  }

  @GetMapping("/growth/export.csv")
  ResponseEntity<byte[]> export(@RequestParam(defaultValue = "") String growth) {
    String csv =
        plans
            .find()
            .flatMap(stored -> stored.plan().read(new Faults()))
            .map(read -> GrowthCsv.write(read, GrowthView.scenario(read, growth)))
            .orElse("month\r\n");
    return ResponseEntity.ok()
        .contentType(new MediaType("text", "csv", StandardCharsets.UTF_8))
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment().filename("growth.csv").build().toString())
        .body(csv.getBytes(StandardCharsets.UTF_8));
  }

  /** Reads headcounts from a table; they take the place of the plan, which can be undone. */
  @PostMapping("/growth/import")
  String read(
      @RequestParam MultipartFile file,
      @RequestParam long version,
      @AuthenticationPrincipal SignedIn person,
      Model model,
      RedirectAttributes flash,
      HttpServletResponse response)
      throws IOException {
    Optional<GrowthPlans.Stored> stored = plans.find();
    Conflict.unlessAt(version, version(stored), "the growth plan");
    Faults faults = new Faults();
    Optional<GrowthPlan> plan =
        GrowthCsv.read(file.getBytes(), stored.map(GrowthPlans.Stored::plan), faults);
    if (plan.isPresent()) {
      plan.get().read(faults);
    }
    if (plan.isPresent() && faults.isEmpty()) {
      plans.change(version, plan.get(), person.name());
      flash.addFlashAttribute(
          DONE,
          "Read "
              + plan.get().groups().size()
              + " groups over "
              + plan.get().months()
              + " months, listed month by month.");
      return "redirect:/growth";
    }
    return refused(faults, person, model, response);
  }

  private String refused(
      Faults faults, SignedIn person, Model model, HttpServletResponse response) {
    response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
    model.addAttribute("refused", faults.all());
    return page("", person, model);
  }

  /** Reads how many people there really were; it takes the place of what was read before. */
  @PostMapping("/growth/counts")
  String count(
      @RequestParam MultipartFile file,
      @RequestParam long version,
      @AuthenticationPrincipal SignedIn person,
      Model model,
      RedirectAttributes flash,
      HttpServletResponse response)
      throws IOException {
    GrowthPlan plan =
        plans
            .find()
            .orElseThrow(() -> new Conflict("Write the growth plan first: it names the groups."))
            .plan();
    Faults faults = new Faults();
    List<StaffDirectory.Count> counts =
        GrowthCsv.counts(file.getBytes(), plan, YearMonth.now(clock), faults);
    if (!faults.isEmpty()) {
      return refused(faults, person, model, response);
    }
    headcounts.replace(version, counts, person.name());
    long months = counts.stream().map(StaffDirectory.Count::month).distinct().count();
    flash.addFlashAttribute(
        COUNTED, "Read what was counted in " + Figures.counted(months, "months") + ".");
    return "redirect:/growth";
  }

  @PostMapping("/growth/counts/undo")
  String undoCounts(
      @RequestParam long version,
      @AuthenticationPrincipal SignedIn person,
      RedirectAttributes flash) {
    headcounts.undo(version, person.name());
    flash.addFlashAttribute(COUNTED, "The headcounts are as they were before.");
    return "redirect:/growth";
  }
}
