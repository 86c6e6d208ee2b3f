package tertulia.app.pricechange;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import tertulia.app.catalogue.Catalogue;
import tertulia.app.catalogue.PageDays;
import tertulia.app.catalogue.SheetCells;
import tertulia.app.decision.Decisions;
import tertulia.app.display.Dates;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.Faults;
import tertulia.app.people.SignedIn;
import tertulia.app.selection.Selections;
import tertulia.app.web.NotFound;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.Selection;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.path.CostByHeadcount;

/** A tool's price pages over time, and two of them side by side. */
@Controller
class HistoryController {
  private static final int USUAL_PEOPLE = 25;
  private final Catalogue catalogue;
  private final Selections selections;
  private final Decisions decisions;

  HistoryController(Catalogue catalogue, Selections selections, Decisions decisions) {
    this.catalogue = catalogue;
    this.selections = selections;
    this.decisions = decisions;
  }

  /**
   * A page in the list.
   *
   * @param changed in how many things it differs from the one before
   * @param undo what taking it back would do; empty if it cannot be
   */
  record Entry(
      String day,
      String date,
      String by,
      String noted,
      String changed,
      boolean inForce,
      String undo) {}

  @GetMapping("/catalogue/{slug}/history")
  String history(@PathVariable String slug, @AuthenticationPrincipal SignedIn person, Model model) {
    List<Catalogue.Edition> editions = catalogue.history(slug);
    model.addAttribute("tool", catalogue.get(slug).sheet());
    model.addAttribute("version", catalogue.get(slug).version());
    model.addAttribute("entries", entries(editions));
    model.addAttribute("organises", person.organises());
    return "pricechange/history";
  }

  private List<Entry> entries(List<Catalogue.Edition> editions) {
    List<Entry> entries = new ArrayList<>();
    Optional<LocalDate> inForce =
        PageDays.of(editions.stream().map(Catalogue.Edition::validFrom).toList())
            .inForce(catalogue.today());
    for (int i = 0; i < editions.size(); i++) {
      Catalogue.Edition edition = editions.get(i);
      int changed =
          i == 0 ? 0 : SheetCells.changes(editions.get(i - 1).sheet(), edition.sheet()).size();
      entries.add(
          new Entry(
              edition.validFrom().toString(),
              Dates.day(edition.validFrom()),
              edition.by(),
              Dates.day(edition.at(), java.time.ZoneId.systemDefault()),
              i == 0 ? "the first" : changed + (changed == 1 ? " thing" : " things") + " changed",
              inForce.equals(Optional.of(edition.validFrom())),
              undo(edition, editions.size())));
    }
    return entries;
  }

  private static String undo(Catalogue.Edition edition, int editions) {
    String date = Dates.day(edition.validFrom());
    if (edition.canUndo()) {
      return "Take back the last change of " + date;
    }
    return editions > 1 ? "Take the page of " + date + " away" : "";
  }

  @GetMapping("/catalogue/{slug}/compare")
  String compare(
      @PathVariable String slug,
      @RequestParam String from,
      @RequestParam String to,
      @RequestParam(defaultValue = "") String people,
      Model model) {
    Catalogue.Edition before = edition(slug, from);
    Catalogue.Edition after = edition(slug, to);
    Optional<Selection> selection = demandOf(slug);
    int usual =
        selection
            .map(s -> Evaluation.of(s, WhatIf.START).costs().overall().today().total())
            .filter(n -> n > 0)
            .orElse(USUAL_PEOPLE);
    Faults faults = new Faults();
    int count =
        people.isBlank() ? usual : faults.at("people", () -> headcount(people)).orElse(usual);
    model.addAttribute("tool", after.sheet());
    model.addAttribute("from", from);
    model.addAttribute("to", to);
    model.addAttribute("fromDate", Dates.day(before.validFrom()));
    model.addAttribute("toDate", Dates.day(after.validFrom()));
    model.addAttribute("typed", people.isBlank() ? "" + usual : people);
    model.addAttribute("faults", faults.byField());
    model.addAttribute("people", count);
    model.addAttribute("demandOf", selection.map(Selection::title).orElse(""));
    model.addAttribute("changes", SheetCells.changes(before.sheet(), after.sheet()));
    model.addAttribute("lines", Comparison.lines(before.sheet(), after.sheet(), selection, count));
    model.addAttribute("effects", Effect.of(before.sheet(), after.sheet(), selections, decisions));
    return "pricechange/compare";
  }

  @GetMapping("/catalogue/{slug}/compare/why")
  String why(
      @PathVariable String slug,
      @RequestParam String page,
      @RequestParam String people,
      @RequestParam String option,
      Model model) {
    int count =
        new Faults()
            .at("people", () -> headcount(people))
            .orElseThrow(() -> new NotFound("figure for " + people + " people"));
    return Why.show(
        Comparison.explain(edition(slug, page).sheet(), demandOf(slug), count, option)
            .orElseThrow(() -> new NotFound("figure for \"" + option + "\"")),
        model);
  }

  @GetMapping("/catalogue/{slug}/compare/effect")
  String effect(
      @PathVariable String slug,
      @RequestParam String page,
      @RequestParam long selection,
      Model model) {
    return Why.show(
        Effect.explain(selections.load(selection), edition(slug, page).sheet())
            .orElseThrow(() -> new NotFound("figure: the tool is not in that selection")),
        model);
  }

  /** The first selection with the tool says what people need of it. */
  private Optional<Selection> demandOf(String slug) {
    return selections.with(slug).stream().findFirst().map(id -> selections.load(id).selection());
  }

  private Catalogue.Edition edition(String slug, String day) {
    return catalogue.history(slug).stream()
        .filter(edition -> edition.validFrom().toString().equals(day))
        .findFirst()
        .orElseThrow(() -> new NotFound("price page from \"" + day + "\""));
  }

  private static int headcount(String typed) {
    int people = Codes.whole(typed);
    if (people < 1 || people > CostByHeadcount.MOST_SWEPT) {
      throw new IllegalArgumentException(
          "A headcount lies between 1 and 5,000; found " + typed + ".");
    }
    return people;
  }
}
