package tertulia.app.catalogue;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.propertyeditors.CustomCollectionEditor;
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
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.Faults;
import tertulia.app.exchange.Limits;
import tertulia.app.exchange.NameList;
import tertulia.app.exchange.TermCode;
import tertulia.app.exchange.ToolSheet;
import tertulia.app.exchange.TypedDate;
import tertulia.app.exchange.TypedMeasure;
import tertulia.app.people.SignedIn;
import tertulia.app.web.Conflict;
import tertulia.app.web.FormFields;
import tertulia.app.web.NotFound;
import tertulia.app.web.OtherVersion;
import tertulia.app.web.RetryOnConflict;
import tertulia.app.web.TooMany;
import tertulia.core.fit.Answer;
import tertulia.core.growth.Measure;
import tertulia.core.plausibility.Doubt;
import tertulia.core.pricing.Tool;
import tertulia.core.working.Ground;

/** Writing a price page down, and changing one. */
@Controller
class PricePageController {
  /** Charges and add-ons of all plans together, each a block of the sheet. */
  private static final int MOST_BLOCKS = 200;

  private final Catalogue catalogue;
  private final Slips slips;
  private final Wanted wanted;
  private final MakersNews news;

  PricePageController(Catalogue catalogue, Slips slips, Wanted wanted, MakersNews news) {
    this.news = news;
    this.slips = slips;
    this.catalogue = catalogue;
    this.wanted = wanted;
  }

  @InitBinder("form")
  void bindFields(WebDataBinder binder, HttpServletRequest request) {
    FormFields.bind(binder, request, "prices");
    // a single key may hold commas; it is not a list of several
    binder.registerCustomEditor(
        List.class, "confirmed", new CustomCollectionEditor(ArrayList.class));
  }

  /** What the form belongs to: a stored tool or none yet, perhaps wanted by a selection. */
  private record About(@Nullable String slug, String selection) {
    private boolean isWanted() {
      return selection.matches("[0-9]{1,18}");
    }
  }

  private Wanted.Asked asked(About about) {
    return about.isWanted() ? wanted.by(Long.parseLong(about.selection())) : Wanted.NOTHING;
  }

  @GetMapping("/catalogue/new")
  String blank(@RequestParam(defaultValue = "") String selection, Model model) {
    About about = new About(null, selection);
    ToolForm form = new ToolForm();
    form.areas = NameList.write(asked(about).areas());
    form.plans.add(new ToolForm.PlanColumn());
    ToolForm.ChargeLine seats = new ToolForm.ChargeLine();
    seats.name = "Seats";
    form.lines.add(seats);
    return show(form, about, Notes.NONE, model);
  }

  @PostMapping("/catalogue/new")
  String add(
      @ModelAttribute("form") ToolForm form,
      @RequestParam(defaultValue = "") String selection,
      @RequestParam(defaultValue = "") String copyPlan,
      @RequestParam(defaultValue = "false") boolean asked,
      @AuthenticationPrincipal SignedIn person,
      RedirectAttributes flash,
      Model model,
      HttpServletResponse response) {
    checkSize(form);
    About about = new About(null, selection);
    if (!copyPlan.isEmpty()) {
      return withCopy(form, copyPlan, about, model);
    }
    ToolConverter.Converted converted = new ToolConverter(form, null).convert();
    if (converted.sheet().isEmpty()) {
      return refused(form, about, converted.faults(), model, response);
    }
    Optional<String> unknown = Kin.unknown(converted.sheet().get(), null, catalogue.sheets());
    if (unknown.isPresent()) {
      return refused(form, about, Map.of("contains", unknown.get()), model, response);
    }
    Doubts doubts = slips.ofNew(converted.sheet().get());
    if (!asked && !doubts.open().isEmpty()) {
      return asked(form, about, doubts, model, response);
    }
    String slug = catalogue.add(converted.sheet().get(), person.name());
    return about.isWanted()
        ? brought(slug, Long.parseLong(selection), person.name(), flash)
        : "redirect:/catalogue/" + slug;
  }

  /**
   * Whoever writes a tool down for a selection wants it at its table; it can be taken off again.
   */
  private String brought(String slug, long selection, String by, RedirectAttributes flash) {
    try {
      wanted.bring(selection, slug, by);
      flash.addFlashAttribute("brought", catalogue.get(slug).sheet());
    } catch (Conflict e) {
      flash.addFlashAttribute("notBrought", e.message());
    } catch (NotFound e) {
      return "redirect:/catalogue/" + slug;
    }
    return "redirect:/selections/" + selection + "/contenders";
  }

  @GetMapping("/catalogue/{slug}/edit")
  String edit(
      @PathVariable String slug,
      @RequestParam Optional<LocalDate> from,
      @RequestParam(defaultValue = "") String selection,
      @RequestParam(defaultValue = "false") boolean news,
      Model model) {
    Catalogue.Stored stored = catalogue.get(slug, from.orElseGet(catalogue::today));
    ToolForm form = ToolForms.of(stored.sheet(), stored.version());
    from.ifPresent(day -> form.validFrom = day.toString());
    form.news = news;
    form.announced = today().toString();
    return show(form, new About(slug, selection), Notes.NONE, model);
  }

  @PostMapping("/catalogue/{slug}/edit")
  String change(
      @PathVariable String slug,
      @ModelAttribute("form") ToolForm form,
      @RequestParam(defaultValue = "") String selection,
      @RequestParam(defaultValue = "") String copyPlan,
      @RequestParam(defaultValue = "false") boolean asked,
      @AuthenticationPrincipal SignedIn person,
      RedirectAttributes flash,
      Model model,
      HttpServletResponse response) {
    checkSize(form);
    About about = new About(slug, selection);
    if (!copyPlan.isEmpty()) {
      return withCopy(form, copyPlan, about, model);
    }
    Catalogue.Stored stored = catalogue.get(slug);
    Faults dates = new Faults();
    Optional<LocalDate> from =
        dates.at(
            "validFrom",
            () -> form.validFrom.isBlank() ? catalogue.today() : TypedDate.day(form.validFrom));
    Optional<String> says = dates.at("says", () -> Codes.text(form.says, 400));
    Optional<LocalDate> announced =
        dates.at(
            "announced",
            () -> form.announced.isBlank() ? catalogue.today() : TypedDate.day(form.announced));
    ToolConverter.Converted converted = new ToolConverter(form, slug).convert();
    if (converted.sheet().isEmpty() || from.isEmpty() || !dates.isEmpty()) {
      Map<String, String> faults = new java.util.LinkedHashMap<>(converted.faults());
      faults.putAll(dates.byField());
      return refused(form, about, faults, model, response);
    }
    Optional<String> unknown =
        Kin.unknown(converted.sheet().get(), stored.sheet(), catalogue.sheets());
    if (unknown.isPresent()) {
      return refused(form, about, Map.of("contains", unknown.get()), model, response);
    }
    Doubts doubts = slips.of(converted.sheet().get());
    if (!asked && !doubts.open().isEmpty()) {
      return asked(form, about, doubts, model, response);
    }
    try {
      if (form.news) {
        RetryOnConflict.until(() ->
            news.put(
                slug,
                form.version,
                announced.orElseThrow(),
                from.get(),
                says.orElseThrow(),
                converted.sheet().get(),
                person.name()));
        flash.addFlashAttribute(
            "done", "Saved as an announcement. Nothing changes until it is applied.");
        return "redirect:/price-changes";
      }
      Catalogue.Change change =
          catalogue.change(slug, form.version, converted.sheet().get(), from.get(), person.name());
      if (about.isWanted()) {
        flash.addFlashAttribute("from", selection);
      }
      return CatalogueController.saved(slug, change, from.get(), "Saved.", flash);
    } catch (Conflict e) {
      form.version = stored.version();
      model.addAttribute("other", OtherVersion.of(ToolForms.of(stored.sheet(), stored.version())));
      return refused(form, about, Map.of("name", e.message()), model, response);
    }
  }

  /** Each column and line makes the page longer; one more than can be stored is room to write. */
  private static void checkSize(ToolForm form) {
    check("plans", Limits.PLANS, form.plans.size());
    check("charges", MOST_BLOCKS, form.lines.size());
    check("allowances", Limits.ALLOWANCES, form.allowances.size());
    check("capabilities", Limits.FACTS, form.facts.size());
    check("offers", Tool.MOST_OFFERS, form.offers.size());
    check("connectors", Limits.CONNECTORS, form.connectors.size());
    check("conditions", Limits.PLANS, form.conditions.size());
    check("ratings", Limits.PLANS, form.ratings.size());
    check("sentences", Limits.PLANS, form.words.size());
  }

  private static void check(String what, int most, int found) {
    if (found > most + 1) {
      throw new TooMany("A price page", what, most, found);
    }
  }

  /**
   * Reads the text of the maker's page into the form; nothing is stored. What cannot be read as a
   * whole is refused with everything typed still there.
   */
  @PostMapping("/catalogue/paste")
  String paste(
      @ModelAttribute("form") ToolForm form,
      @RequestParam(defaultValue = "") String slug,
      @RequestParam(defaultValue = "") String selection,
      @AuthenticationPrincipal SignedIn person,
      Model model,
      HttpServletResponse response) {
    checkSize(form);
    About about = new About(slug.isEmpty() ? null : slug, selection);
    if (!slug.isEmpty()) {
      catalogue.get(slug);
    }
    try {
      PastedPage.into(form, person.name(), today());
    } catch (IllegalArgumentException e) {
      return refused(
          form, about, Map.of("pasted.text", String.valueOf(e.getMessage())), model, response);
    }
    model.addAttribute("reading", true);
    return show(form, about, Notes.NONE, model);
  }

  /** Offers something of one's own to count in the form; nothing is stored. */
  @PostMapping("/catalogue/count")
  String count(
      @ModelAttribute("form") ToolForm form,
      @RequestParam(defaultValue = "") String slug,
      @RequestParam(defaultValue = "") String selection,
      Model model,
      HttpServletResponse response) {
    checkSize(form);
    check("things of your own that are counted", Limits.PLANS, form.own.size());
    About about = new About(slug.isEmpty() ? null : slug, selection);
    if (!slug.isEmpty()) {
      catalogue.get(slug);
    }
    Faults faults = new Faults();
    faults
        .at("counting.one", form.counting::read)
        .ifPresent(measure -> {
          form.own.add(measure.id());
          form.counting = new TypedMeasure();
          model.addAttribute("offered", measure.label());
        });
    return faults.isEmpty()
        ? show(form, about, Notes.NONE, model)
        : refused(form, about, faults.byField(), model, response);
  }

  /** Nothing is stored; the form comes back with one column more. */
  private String withCopy(ToolForm form, String copyPlan, About about, Model model) {
    if (copyPlan.matches("[0-9]{1,3}") && Integer.parseInt(copyPlan) < form.plans.size()) {
      ToolForms.copyPlan(form, Integer.parseInt(copyPlan));
    }
    return show(form, about, Notes.NONE, model);
  }

  /** What is wrong or doubtful so far, while the page is being written. */
  @PostMapping("/catalogue/check")
  String check(
      @ModelAttribute("form") ToolForm form,
      @RequestParam(defaultValue = "") String slug,
      Model model) {
    checkSize(form);
    ToolConverter.Converted converted =
        new ToolConverter(form, slug.isEmpty() ? null : slug).convert();
    model.addAttribute("faults", converted.faults());
    model.addAttribute("readings", converted.readings());
    model.addAttribute(
        "doubts",
        converted
            .sheet()
            .map(sheet -> (slug.isEmpty() ? slips.ofNew(sheet) : slips.of(sheet)).byField(form))
            .orElse(Map.of()));
    return "catalogue/entry :: live";
  }

  /** Nothing is stored; the form comes back with questions beside its cells. */
  private String asked(
      ToolForm form, About about, Doubts doubts, Model model, HttpServletResponse response) {
    response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
    return show(form, about, new Notes(Map.of(), doubts.byField(form)), model);
  }

  private String refused(
      ToolForm form,
      About about,
      Map<String, String> faults,
      Model model,
      HttpServletResponse response) {
    response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
    return show(form, about, new Notes(faults, Map.of()), model);
  }

  /** What is said beside fields: what is wrong, and what is doubtful. */
  private record Notes(Map<String, String> faults, Map<String, List<Doubt>> doubts) {
    static final Notes NONE = new Notes(Map.of(), Map.of());

    Set<String> fields() {
      Set<String> fields = new HashSet<>(faults.keySet());
      fields.addAll(doubts.keySet());
      return fields;
    }
  }

  private String show(ToolForm form, About about, Notes notes, Model model) {
    form.plans.removeIf(plan -> form.plans.getLast() == plan && plan.isBlank());
    Wanted.Asked asked = asked(about);
    Catalogue.Capabilities capabilities = catalogue.capabilities(NameList.read(form.areas));
    List<String> lines = new ArrayList<>(asked.capabilities());
    lines.addAll(capabilities.ofAreas());
    ToolForms.withRoom(form, lines, asked.measures(), today());
    List<String> many = asked.counts().stream().map(Codes::slug).toList();
    form.facts.forEach(line -> line.manyNeeded = many.contains(Codes.slug(line.capability)));
    model.addAttribute("form", form);
    model.addAttribute(
        "shape", SheetShape.of(form, asked.capabilities(), capabilities.ofAreas(), notes.fields()));
    model.addAttribute("readings", new ToolConverter(form, "shown").convert().readings());
    model.addAttribute("slug", about.slug());
    model.addAttribute("selection", about.isWanted() ? about.selection() : "");
    model.addAttribute("faults", notes.faults());
    model.addAttribute("doubts", notes.doubts());
    model.addAttribute("unsaid", OpenPrices.byField(form));
    model.addAttribute("capabilities", capabilities.all());
    model.addAttribute("areas", catalogue.areas());
    model.addAttribute("allTerms", TermCode.ALL);
    List<String> own = catalogue.ownMeasures().stream().map(Measure::id).toList();
    own.stream().filter(id -> !form.own.contains(id)).forEach(form.own::add);
    model.addAttribute("measures", form.measures());
    model.addAttribute("grounds", grounds());
    model.addAttribute("answers", answers());
    model.addAttribute("kinds", ChargeKind.values());
    model.addAttribute("bases", BASES);
    model.addAttribute(
        "topics",
        Arrays.stream(ToolSheet.Topic.values())
            .map(t -> new Choice(Codes.code(t), t.label()))
            .toList());
    model.addAttribute("read", PastedPage.of(form));
    model.addAttribute("offerRow", PageRows.OFFERS);
    model.addAttribute("ownedRow", PageRows.OWNED);
    model.addAttribute("connectorRow", PageRows.CONNECTORS);
    model.addAttribute("sourceRow", PageRows.SOURCE);
    model.addAttribute("choices", choices(form, tools(about)));
    return "catalogue/edit";
  }

  /** The other tools there are, after none of them. */
  private List<Choice> tools(About about) {
    return Stream.concat(
            Stream.of(new Choice("", "—")),
            catalogue.sheets().stream()
                .filter(sheet -> !sheet.id().equals(about.slug()) && !sheet.setOfTools())
                .map(sheet -> new Choice(sheet.id(), sheet.name())))
        .toList();
  }

  /** A choice in a list: what is stored and what is read. */
  record Choice(String code, String words) {}

  private static final List<Choice> BASES =
      List.of(
          new Choice("listed", "listed"),
          new Choice("free", "free"),
          new Choice("on-request", "on request"),
          new Choice("quote", "quoted to us"),
          new Choice("assumed", "assumed, like 8 to 14"),
          new Choice("from", "“from”, the least it costs"));

  private static final List<Choice> BENEFITS =
      List.of(
          new Choice("percent", "percents off"),
          new Choice("free", "free months"),
          new Choice("fixed", "a fixed price"),
          new Choice("amount-off", "an amount off invoices"));

  /** What may be chosen in fields that hold codes, by the field's name. */
  private static Map<String, List<Choice>> choices(ToolForm form, List<Choice> tools) {
    return Map.of(
        "tool",
        tools,
        "baseTool",
        tools,
        "benefit",
        BENEFITS,
        "terms",
        TermCode.ALL.stream().map(t -> new Choice(t.code(), t.label())).toList(),
        "measure",
        form.measures().stream().map(m -> new Choice(m.id(), m.label())).toList(),
        "ground",
        Stream.concat(Stream.of(new Choice("", "as the page")), grounds().stream()).toList());
  }

  private static List<Choice> grounds() {
    return Arrays.stream(Ground.values())
        .map(ground -> new Choice(Codes.code(ground), ground.words()))
        .toList();
  }

  private static List<Choice> answers() {
    return Arrays.stream(Answer.values())
        .map(answer -> new Choice(Codes.code(answer), answer.words()))
        .toList();
  }

  private String today() {
    return catalogue.today().toString();
  }
}
