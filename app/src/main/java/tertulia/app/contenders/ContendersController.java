package tertulia.app.contenders;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import org.springframework.web.util.UriUtils;
import tertulia.app.catalogue.Catalogue;
import tertulia.app.display.Dates;
import tertulia.app.display.Figures;
import tertulia.app.display.FindingWords;
import tertulia.app.exchange.ToolSheet;
import tertulia.app.people.SignedIn;
import tertulia.app.selection.Selections;
import tertulia.app.web.Conflict;
import tertulia.app.web.RetryOnConflict;
import tertulia.app.workspace.Cell;
import tertulia.app.workspace.Row;
import tertulia.app.workspace.Session;
import tertulia.app.workspace.StepBody;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Selection;
import tertulia.core.finding.CostFinding;
import tertulia.core.finding.CostFindings;
import tertulia.core.money.ExchangeRate;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.PriceList;
import tertulia.core.scoring.PublicRating;

/** The Contenders step: who is at the table, who was set aside and why. */
@Controller
class ContendersController implements StepBody {
  private static final String VIEW = "contenders/contenders";
  private final Selections selections;
  private final Catalogue catalogue;

  ContendersController(Selections selections, Catalogue catalogue) {
    this.selections = selections;
    this.catalogue = catalogue;
  }

  /**
   * A contender set aside, or one plan of it.
   *
   * @param plan id of the plan; empty: the whole tool
   */
  record Aside(String slug, String plan, String name, String reason) {}

  @PostMapping("/selections/{id}/contenders")
  String add(
      @PathVariable long id, @RequestParam String slug, @AuthenticationPrincipal SignedIn person) {
    selections.addContender(id, slug, person.name());
    return back(id);
  }

  @PostMapping("/selections/{id}/together")
  String together(
      @PathVariable long id,
      @RequestParam(defaultValue = "") List<String> tools,
      @AuthenticationPrincipal SignedIn person,
      RedirectAttributes flash) {
    try {
      selections.addTogether(id, tools, person.name());
    } catch (IllegalArgumentException wrong) {
      flash.addFlashAttribute("togetherFault", wrong.getMessage());
      flash.addFlashAttribute("togetherTools", tools);
    }
    return back(id);
  }

  @PostMapping("/selections/{id}/contenders/{slug}/aside")
  String setAside(
      @PathVariable long id,
      @PathVariable String slug,
      @RequestParam(defaultValue = "") String reason,
      @RequestParam(defaultValue = "") String plan,
      @AuthenticationPrincipal SignedIn person,
      RedirectAttributes flash) {
    String text = reason.strip();
    String fault = "";
    if (text.isEmpty() || text.length() > 500) {
      fault = "Say in up to 500 characters why it is set aside.";
    } else if (plan.isEmpty()) {
      selections.setAside(id, slug, text, person.name());
    } else {
      try {
        // two plans of a tool set aside at once are two acts, not a conflict
        RetryOnConflict.until(() -> selections.setPlanAside(id, slug, plan, text, person.name()));
      } catch (Conflict e) {
        fault = e.message();
      }
    }
    if (!fault.isEmpty()) {
      flash.addFlashAttribute("asideFault", fault);
      flash.addFlashAttribute("asideSlug", slug);
      flash.addFlashAttribute("asidePlan", plan);
      flash.addFlashAttribute("asideReason", reason);
    }
    return back(id);
  }

  @PostMapping("/selections/{id}/contenders/{slug}/back")
  String bringBack(
      @PathVariable long id,
      @PathVariable String slug,
      @RequestParam(defaultValue = "") String plan,
      @AuthenticationPrincipal SignedIn person) {
    if (plan.isEmpty()) {
      selections.bringBack(id, slug, person.name());
    } else {
      RetryOnConflict.until(() -> selections.bringPlanBack(id, slug, plan, person.name()));
    }
    return back(id);
  }

  @PostMapping("/selections/{id}/contenders/{slug}/remove")
  String remove(
      @PathVariable long id,
      @PathVariable String slug,
      @AuthenticationPrincipal SignedIn person,
      RedirectAttributes flash) {
    selections.removeContender(id, slug, person.name());
    flash.addFlashAttribute("removed", catalogue.get(slug).sheet());
    return back(id);
  }

  private static String back(long id) {
    return "redirect:/selections/" + id + "/contenders";
  }

  @Override
  public String key() {
    return "contenders";
  }

  @Override
  public String view() {
    return VIEW;
  }

  @Override
  public void fill(Session session, Model model) {
    List<Contender> all = session.table().selection().contenders();
    Set<String> here = all.stream().map(Contender::id).collect(Collectors.toSet());
    fillPlans(session, model);
    model.addAttribute("rows", rows(session));
    model.addAttribute("aside", all.stream().flatMap(ContendersController::aside).toList());
    model.addAttribute(
        "plansOf",
        session.columns().stream().collect(Collectors.toMap(Contender::id, Contender::plans)));
    model.addAttribute("narrowing", Narrowing.of(session));
    Map<String, List<ToolSheet>> others = new TreeMap<>();
    catalogue.all().stream()
        .map(Catalogue.Stored::sheet)
        .filter(sheet -> !here.contains(sheet.id()))
        .forEach(sheet ->
            others
                .computeIfAbsent(
                    sheet.areas().isEmpty() ? "other" : sheet.areas().getFirst(),
                    area -> new ArrayList<>())
                .add(sheet));
    model.addAttribute("others", others);
    model.addAttribute(
        "single",
        catalogue.all().stream()
            .map(Catalogue.Stored::sheet)
            .filter(sheet -> !sheet.setOfTools())
            .sorted(Comparator.comparing(ToolSheet::name, String.CASE_INSENSITIVE_ORDER))
            .toList());
  }

  private void fillPlans(Session session, Model model) {
    if (session.columns().isEmpty()) {
      return;
    }
    boolean counted = session.table().selection().isCounted();
    boolean byPrice = session.asked().getOrDefault("order", "").equals("price");
    boolean inAll = session.asked().getOrDefault("picture", "").equals("all");
    model.addAttribute("byPrice", byPrice);
    model.addAttribute("inAll", inAll);
    model.addAttribute("counted", counted);
    PlanTable plans = new PlanTableWriter(session, byPrice, inAll).write();
    List<CostFinding> found = new CostFindings(session.evaluation().costs()).all();
    FindingWords words = new FindingWords(session.evaluation().selection());
    List<String> bySize =
        found.stream()
            .filter(CostFinding.CheapestByHeadcount.class::isInstance)
            .map(words::of)
            .toList();
    boolean first = session.columns().size() > 1 && (!counted || changesWithinPlan(found));
    model.addAttribute("plans", plans);
    model.addAttribute(
        "says",
        first ? Stream.concat(bySize.stream(), plans.says().stream()).toList() : plans.says());
    model.addAttribute("sizes", SizeTable.of(session, counted));
    model.addAttribute("bySize", first ? List.of() : bySize);
  }

  /** Then the size is the answer, and stands first. */
  private static boolean changesWithinPlan(List<CostFinding> found) {
    return found.stream()
        .anyMatch(finding ->
            finding instanceof CostFinding.WithinPlan within && !within.changes().isEmpty());
  }

  @Override
  public boolean asksWhatIf() {
    return true;
  }

  @Override
  public String own(Session session) {
    return Stream.of("order", "picture", "sizes")
        .filter(name -> !session.asked().getOrDefault(name, "").isBlank())
        .map(name ->
            name
                + "="
                + UriUtils.encodeQueryParam(
                    session.asked().getOrDefault(name, ""), StandardCharsets.UTF_8))
        .collect(Collectors.joining("&"));
  }

  private static Stream<Aside> aside(Contender contender) {
    Stream<Aside> whole =
        contender.setAside().stream()
            .map(reason -> new Aside(contender.id(), "", contender.tool().name(), reason));
    Stream<Aside> plans =
        contender.tool().plans().stream()
            .filter(plan -> contender.plansAside().containsKey(plan.id()))
            .map(plan ->
                new Aside(
                    contender.id(),
                    plan.id(),
                    contender.tool().name() + ", plan " + plan.name(),
                    contender.plansAside().getOrDefault(plan.id(), "")));
    return Stream.concat(whole, plans);
  }

  private static List<Row> rows(Session session) {
    List<Row> rows = new ArrayList<>();
    rows.add(
        Row.of(
            "Vendor",
            session.columns().stream()
                .map(c ->
                    c.tool().maker().isBlank()
                        ? Cell.missing("not said", "")
                        : Cell.fact(c.tool().maker()))
                .toList()));
    rows.add(
        Row.of("Prices as of", session.columns().stream().map(c -> prices(session, c)).toList()));
    rows.add(
        Row.of("Priced in", session.columns().stream().map(c -> currencies(session, c)).toList()));
    rows.add(
        Row.of(
            "Public rating",
            session.columns().stream().map(ContendersController::rating).toList()));
    return rows;
  }

  private static Cell prices(Session session, Contender contender) {
    Optional<Plan> oldest =
        contender.tool().plans().stream().min(Comparator.comparing(p -> p.source().asOf()));
    return oldest
        .map(plan -> {
          Cell cell =
              Cell.fact(Dates.day(plan.source().asOf())).noting(plan.source().ground().words());
          return session.isOld(plan.source())
              ? cell.looking("old")
                  .noting("older than " + session.daysFresh() + " days")
                  .confirmable(session.confirm(contender, "prices:" + plan.id(), plan.source()))
              : cell;
        })
        .orElseGet(() -> Cell.missing("—", ""));
  }

  /** The currencies of a contender's plans, with the rate that brings them together. */
  private static Cell currencies(Session session, Contender contender) {
    Selection selection = session.table().selection();
    List<CurrencyUnit> own =
        contender.tool().plans().stream()
            .flatMap(plan -> plan.charged().stream())
            .map(PriceList::currency)
            .distinct()
            .toList();
    if (own.isEmpty()) {
      return Cell.missing("—", "");
    }
    Cell cell =
        Cell.fact(own.stream().map(CurrencyUnit::getCode).collect(Collectors.joining(", ")));
    for (CurrencyUnit currency : own) {
      if (!currency.equals(selection.currency())) {
        Optional<ExchangeRate> rate =
            selection.rates().latest(currency, selection.currency(), selection.asOf());
        return rate.map(r ->
                cell.noting(
                    "at "
                        + r.rate().toPlainString()
                        + " "
                        + r.to()
                        + ", "
                        + Dates.day(r.on())
                        + ", "
                        + r.source()))
            .orElseGet(() ->
                cell.looking("stop")
                    .noting("no rate to " + selection.currency() + "; see Rates under Need"));
      }
    }
    return cell;
  }

  private static Cell rating(Contender contender) {
    if (contender.ratings().isEmpty()) {
      return Cell.missing("none entered", "");
    }
    PublicRating first = contender.ratings().getFirst();
    int count = contender.ratings().stream().mapToInt(PublicRating::count).sum();
    String interests =
        contender.ratings().stream()
            .map(rating -> rating.source().interest())
            .filter(interest -> !interest.isEmpty())
            .distinct()
            .map(interest -> ", interest: " + interest)
            .collect(Collectors.joining());
    String note = "from " + Figures.whole(count) + (count < 30 ? " only" : "") + interests;
    return Cell.fact(first.rating().toPlainString() + " of 5").noting(note);
  }
}
