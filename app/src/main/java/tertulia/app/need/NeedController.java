package tertulia.app.need;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.WebDataBinder;
import org.springframework.web.bind.annotation.InitBinder;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import tertulia.app.catalogue.Catalogue;
import tertulia.app.display.Voice;
import tertulia.app.exchange.Brief;
import tertulia.app.fit.NeedRows;
import tertulia.app.growth.GrowthPlans;
import tertulia.app.people.SignedIn;
import tertulia.app.selection.LoadedSelection;
import tertulia.app.selection.Selections;
import tertulia.app.standin.RatesOfExchange;
import tertulia.app.web.Conflict;
import tertulia.app.web.FormFields;
import tertulia.app.web.OtherVersion;
import tertulia.app.workspace.Session;
import tertulia.app.workspace.StepBody;
import tertulia.app.workspace.Steps;
import tertulia.core.fit.Places;

/** The Need step: for whom, how many, what must be there. */
@Controller
class NeedController implements StepBody {
  private static final String VIEW = "need/need";
  private final Steps steps;
  private final Selections selections;
  private final Catalogue catalogue;
  private final RatesOfExchange rates;
  private final GrowthPlans growth;
  private final NeedSources sources;

  NeedController(
      Steps steps,
      Selections selections,
      Catalogue catalogue,
      RatesOfExchange rates,
      GrowthPlans growth,
      NeedSources sources) {
    this.sources = sources;
    this.growth = growth;
    this.rates = rates;
    this.steps = steps;
    this.selections = selections;
    this.catalogue = catalogue;
  }

  @InitBinder("form")
  void bindFields(WebDataBinder binder, HttpServletRequest request) {
    FormFields.bind(binder, request);
  }

  @PostMapping("/selections/{id}/need")
  String save(
      @PathVariable long id,
      @ModelAttribute("form") BriefForm form,
      @AuthenticationPrincipal SignedIn person,
      Model model,
      HttpServletResponse response) {
    LoadedSelection table = selections.load(id);
    BriefConverter.Converted converted = new BriefConverter().convert(form, table.file().brief());
    Map<String, String> faults = converted.faults();
    if (converted.brief().isPresent()) {
      Brief brief = converted.brief().get();
      try {
        selections.changeBrief(id, form.version, brief);
        return "redirect:/selections/" + id + "/need?saved";
      } catch (Conflict e) {
        faults = Map.of("title", e.message());
        LoadedSelection now = selections.load(id);
        form.version = now.version();
        model.addAttribute(
            "other", OtherVersion.of(BriefConverter.form(now.file().brief(), now.version())));
      }
    }
    Session session = steps.open(id, Map.of(), person);
    String page = steps.refused(session, this, model, response);
    model.addAttribute("form", withRoom(form, session));
    model.addAttribute("faults", faults);
    model.addAttribute("sections", NeedSection.of(session, faults.keySet()));
    return page;
  }

  /** Puts needs from elsewhere into the form as it is typed; nothing is stored yet. */
  @PostMapping("/selections/{id}/need/take")
  String take(
      @PathVariable long id,
      @RequestParam String from,
      @ModelAttribute("form") BriefForm form,
      @AuthenticationPrincipal SignedIn person,
      Model model) {
    int added = BriefConverter.add(form, sources.needs(id, from));
    if (form.follows) {
      form.groups = BriefConverter.form(selections.load(id).file().brief(), form.version).groups;
    }
    Session session = steps.open(id, Map.of(), person);
    String page = steps.page(session, this, model);
    model.addAttribute("form", withRoom(form, session));
    model.addAttribute("sections", NeedSection.of(session, Set.of("needs")));
    model.addAttribute(
        "taken",
        added == 0
            ? "Every need of it is in the list already."
            : (added == 1 ? "1 need was" : added + " needs were")
                + " put into the list below. Say how much each matters, take away what does not,"
                + " and save; nothing is saved yet.");
    return page;
  }

  /** Offers something of one's own to count in the form as it is typed; nothing is stored yet. */
  @PostMapping("/selections/{id}/need/count")
  String count(
      @PathVariable long id,
      @ModelAttribute("form") BriefForm form,
      @AuthenticationPrincipal SignedIn person,
      Model model,
      HttpServletResponse response) {
    String many = form.counting.many.isBlank() ? form.counting.one : form.counting.many;
    Map<String, String> faults = BriefConverter.count(form);
    if (form.follows) {
      form.groups = BriefConverter.form(selections.load(id).file().brief(), form.version).groups;
    }
    Session session = steps.open(id, Map.of(), person);
    String page =
        faults.isEmpty()
            ? steps.page(session, this, model)
            : steps.refused(session, this, model, response);
    model.addAttribute("form", withRoom(form, session));
    model.addAttribute("faults", faults);
    if (faults.isEmpty()) {
      model.addAttribute("counts", Voice.say("next.counted", "units", many.strip()));
    }
    model.addAttribute("sections", NeedSection.of(session, Set.of("demand")));
    return page;
  }

  private BriefForm withRoom(BriefForm form, Session session) {
    return BriefConverter.withRoom(
        form, session.table().selection().counted(), catalogue.ownMeasures());
  }

  /** Lets the people follow the growth plan, or stay as they are now. */
  @PostMapping("/selections/{id}/follow")
  String follow(@PathVariable long id, @RequestParam boolean follow, RedirectAttributes flash) {
    LoadedSelection table = selections.load(id);
    Brief brief = table.file().brief();
    selections.changeBrief(
        id, table.version(), follow ? growth.joined(brief) : brief.following(false));
    flash.addFlashAttribute(
        "done",
        follow
            ? "The people follow the growth plan now. Say below what each group needs."
            : "These people are this selection’s own now.");
    return "redirect:/selections/" + id + "/need";
  }

  /** Puts the latest published rates in place of those entered. */
  @PostMapping("/selections/{id}/rates")
  String takeRates(@PathVariable long id, RedirectAttributes flash) {
    LoadedSelection table = selections.load(id);
    PublishedRates published = PublishedRates.of(table.selection(), rates);
    selections.changeBrief(id, table.version(), table.file().brief().withRates(published.parts()));
    flash.addFlashAttribute("done", published.words());
    return "redirect:/selections/" + id + "/need";
  }

  @Override
  public String key() {
    return "need";
  }

  @Override
  public String view() {
    return VIEW;
  }

  @Override
  public void fill(Session session, Model model) {
    LoadedSelection table = session.table();
    model.addAttribute("needless", table.selection().needs().isEmpty());
    model.addAttribute("demand", NeedRows.demand(session));
    model.addAttribute("rows", NeedRows.needs(session));
    model.addAttribute("faults", Map.of());
    model.addAttribute("planned", growth.find().isPresent());
    model.addAttribute("ratesFrom", rates.source());
    model.addAttribute("ratesThere", rates.isConnected());
    model.addAttribute("sources", sources.of(table.id()));
    model.addAttribute("conditions", Brief.CONDITIONS);
    model.addAttribute("places", Places.names());
    model.addAttribute("capabilities", catalogue.capabilities(List.of()).all());
    model.addAttribute(
        "form", withRoom(BriefConverter.form(table.file().brief(), table.version()), session));
    model.addAttribute("sections", NeedSection.of(session, Set.of()));
  }
}
