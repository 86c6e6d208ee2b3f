package tertulia.app.weighing;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
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
import tertulia.app.exchange.Brief;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.Limits;
import tertulia.app.exchange.MeasuredNumber;
import tertulia.app.exchange.TypedCount;
import tertulia.app.exchange.WeighingReader;
import tertulia.app.people.Role;
import tertulia.app.people.SignedIn;
import tertulia.app.people.UserAccounts;
import tertulia.app.selection.LoadedSelection;
import tertulia.app.selection.Seats;
import tertulia.app.selection.Selections;
import tertulia.app.selection.Views;
import tertulia.app.web.Conflict;
import tertulia.app.web.FormFields;
import tertulia.app.web.NotFound;
import tertulia.app.web.OtherVersion;
import tertulia.app.web.RetryOnConflict;
import tertulia.app.workspace.Dimensions;
import tertulia.app.workspace.Session;
import tertulia.app.workspace.StepBody;
import tertulia.app.workspace.Steps;
import tertulia.core.evaluation.Selection;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Preference;

/** The Weights step. */
@Controller
class WeighingController implements StepBody {
  private static final String VIEW = "weighing/weights";
  private final Steps steps;
  private final Selections selections;
  private final Seats seats;
  private final Views views;
  private final UserAccounts people;

  WeighingController(
      Steps steps, Selections selections, Seats seats, Views views, UserAccounts people) {
    this.people = people;
    this.steps = steps;
    this.selections = selections;
    this.seats = seats;
    this.views = views;
  }

  @InitBinder("form")
  void bindFields(WebDataBinder binder, HttpServletRequest request) {
    FormFields.bind(binder, request);
  }

  /**
   * Saves one criterion's number as soon as it is entered.
   *
   * @param way that for which it was entered, whichever counts by now
   */
  @PostMapping("/selections/{id}/weights")
  String weigh(
      @PathVariable long id,
      @RequestParam String criterion,
      @RequestParam String points,
      @RequestParam(defaultValue = "points") String way,
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
      RetryOnConflict.until(
          () -> enter(id, person, WeighingReader.Elicitation.of(way), criterion, points));
    } catch (IllegalArgumentException e) {
      fault = String.valueOf(e.getMessage());
    }
    steps.page(steps.open(id, query, person), this, model);
    model.addAttribute("faultAt", criterion);
    model.addAttribute("fault", fault);
    return "weighing/weighed";
  }

  private void enter(
      long id, SignedIn person, WeighingReader.Elicitation way, String criterion, String text) {
    switch (way) {
      case POINTS ->
          views.weigh(
              id, person, criterion, text.isBlank() ? 0 : number(text, 0, 1000, "Points lie"));
      case SWING ->
          views.number(
              id,
              person,
              way,
              criterion,
              text.isBlank() ? null : number(text, 0, 100, "The points of a step lie"));
      case RANK_ORDER ->
          views.number(
              id,
              person,
              way,
              criterion,
              text.isBlank() ? null : number(text, 1, 99, "A place in the order lies"));
      case PAIRS ->
          throw new IllegalArgumentException("Two criteria are compared, not one given a number.");
    }
  }

  private static int number(String text, int least, int most, String what) {
    int number = Codes.whole(text);
    if (number < least || number > most) {
      throw new IllegalArgumentException(
          what + " between " + least + " and " + most + "; found " + text.strip() + ".");
    }
    return number;
  }

  /**
   * Saves how two criteria compare as soon as it is chosen.
   *
   * @param times 1 to 9: the one matters so many times as much; below 0 the other does; 0: not
   *     compared
   */
  @PostMapping("/selections/{id}/weights/pair")
  String compare(
      @PathVariable long id,
      @RequestParam String one,
      @RequestParam String other,
      @RequestParam int times,
      @RequestParam Map<String, String> query,
      @AuthenticationPrincipal SignedIn person,
      Model model) {
    List<String> known =
        steps.open(id, query, person).evaluation().scores().criteria().stream()
            .map(Criterion::id)
            .toList();
    if (!known.contains(one) || !known.contains(other) || one.equals(other)) {
      throw new NotFound("pair of criteria like that any more");
    }
    if (Math.abs(times) > Preference.MOST || times == -1) {
      throw new NotFound("comparison \"" + times + "\"; one matters 1 to 9 times as much");
    }
    RetryOnConflict.until(() -> views.compare(id, person, one, other, times));
    steps.page(steps.open(id, query, person), this, model);
    model.addAttribute("faultAt", "");
    model.addAttribute("fault", "");
    return "weighing/weighed";
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
        LoadedSelection now = selections.load(id);
        form.version = now.version();
        model.addAttribute(
            "other", OtherVersion.of(CriteriaConverter.form(now.file().brief(), now.version())));
      }
    }
    String page = steps.refused(steps.open(id, Map.of(), person), this, model, response);
    model.addAttribute("form", CriteriaConverter.withRoom(form));
    model.addAttribute("faults", faults);
    return page;
  }

  /** Another selection's criteria, or a set, as a choice. */
  record Choice(String code, String words) {}

  /**
   * Adds the criteria of a set or of another selection that are not there yet.
   *
   * @param from "set:" and its id, or "selection:" and its number
   */
  @PostMapping("/selections/{id}/criteria/take")
  String take(@PathVariable long id, @RequestParam String from, RedirectAttributes flash) {
    List<Brief.CriterionPart> others =
        from.matches("selection:[0-9]{1,18}")
            ? selections.load(Long.parseLong(from.substring(10))).file().brief().criteria()
            : CriteriaSets.all().stream()
                .filter(set -> from.equals("set:" + set.id()))
                .findFirst()
                .orElseThrow(() -> new NotFound("set of criteria \"" + from + "\""))
                .parts();
    int added =
        RetryOnConflict.until(() -> {
          LoadedSelection table = selections.load(id);
          Brief before = table.file().brief();
          Brief after = CriteriaSets.adding(before, others);
          selections.changeBrief(id, table.version(), after);
          return after.criteria().size() - before.criteria().size();
        });
    flash.addFlashAttribute(
        "done",
        added == 0
            ? "All of them were there already."
            : added == 1 ? "One criterion was added." : added + " criteria were added.");
    return "redirect:/selections/" + id + "/weights";
  }

  @PostMapping("/selections/{id}/shares")
  String shares(
      @PathVariable long id,
      @RequestParam Map<String, String> typed,
      @AuthenticationPrincipal SignedIn person,
      Model model,
      HttpServletResponse response) {
    Map<Long, Integer> shares = new HashMap<>();
    Map<Long, String> competences = new HashMap<>();
    Map<String, String> faults = new LinkedHashMap<>();
    typed.forEach((name, text) -> {
      if (name.matches("share-[0-9]{1,18}")) {
        try {
          shares.put(Long.valueOf(name.substring(6)), share(text));
        } catch (IllegalArgumentException e) {
          faults.put(name, String.valueOf(e.getMessage()));
        }
      }
      if (name.matches("knows-[0-9]{1,18}")) {
        try {
          competences.put(Long.valueOf(name.substring(6)), Codes.text(text, Limits.COMPETENCE));
        } catch (IllegalArgumentException e) {
          faults.put(name, String.valueOf(e.getMessage()));
        }
      }
    });
    if (faults.isEmpty()) {
      seats.change(id, shares, competences);
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
  public void fill(Session session, Model model) {
    model.addAttribute(
        "weights",
        WeightsView.of(session, ViewsView.of(session, seats.changedSince(session.table()))));
    List<Long> seated =
        session.table().seats().stream().flatMap(s -> Stream.ofNullable(s.accountId())).toList();
    model.addAttribute(
        "others",
        people.all().stream()
            .filter(entry -> !entry.disabled() && entry.role() != Role.READER)
            .filter(entry -> !seated.contains(entry.id()))
            .toList());
    model.addAttribute("numbers", numbers(session));
    model.addAttribute(
        "headings",
        session.table().selection().criteria().stream()
            .map(Criterion::heading)
            .filter(heading -> !heading.isEmpty())
            .distinct()
            .toList());
    model.addAttribute(
        "sets",
        Stream.concat(
                CriteriaSets.first(areas(session)).stream()
                    .map(set -> new Choice("set:" + set.id(), "what counts in: " + set.name())),
                selections.titles().stream()
                    .filter(other -> other.id() != session.table().id())
                    .map(other -> new Choice("selection:" + other.id(), other.title())))
            .toList());
    model.addAttribute("faults", Map.of());
    model.addAttribute("typedShares", Map.of());
    model.addAttribute(
        "form",
        CriteriaConverter.withRoom(
            CriteriaConverter.form(session.table().file().brief(), session.table().version())));
  }

  /** The work areas of the contenders, as their pages name them. */
  private static List<String> areas(Session session) {
    return session.table().file().contenders().stream()
        .flatMap(contender -> contender.tool().areas().stream())
        .distinct()
        .toList();
  }

  /**
   * What may be measured here: what was tried by hand, what plans include, what somebody counted of
   * a contender; and what is measured already.
   */
  private static List<Choice> numbers(Session session) {
    Selection selection = session.table().selection();
    Stream<Criterion.Number> counted =
        session.table().file().contenders().stream()
            .flatMap(part -> part.tool().plans().stream())
            .flatMap(plan -> plan.facts().stream())
            .filter(fact -> TypedCount.isMeant(fact.answer()))
            .map(fact -> MeasuredNumber.counted(fact.capability(), fact.answer()));
    Stream<Criterion.Number> already =
        selection.criteria().stream()
            .map(Criterion::kind)
            .filter(Criterion.Measured.class::isInstance)
            .map(kind -> ((Criterion.Measured) kind).number());
    return Stream.of(
            Stream.of(new Criterion.Number.TasksDone(), new Criterion.Number.Minutes()),
            Dimensions.quantities(session).stream().map(Criterion.Number.Included::new),
            counted,
            already)
        .flatMap(numbers -> numbers)
        .distinct()
        .map(number -> new Choice(MeasuredNumber.code(number), MeasuredNumber.words(number)))
        .toList();
  }
}
