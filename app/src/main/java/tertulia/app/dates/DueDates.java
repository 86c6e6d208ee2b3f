package tertulia.app.dates;

import java.time.LocalDate;
import java.time.YearMonth;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tertulia.app.catalogue.Catalogue;
import tertulia.app.decision.Decisions;
import tertulia.app.decision.LookBack;
import tertulia.app.display.Voice;
import tertulia.app.exchange.InUsePart;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.exchange.ToolSheet;
import tertulia.app.inuse.ToolsInUse;
import tertulia.app.selection.LoadedSelection;
import tertulia.app.selection.PutAway;
import tertulia.app.selection.Selections;
import tertulia.core.decision.Decision;
import tertulia.core.decision.SigningRule;
import tertulia.core.evaluation.Contender;
import tertulia.core.trial.Trial;

/** Finds what is due when, in the selections that whoever is signed in may open. */
@Service
class DueDates {
  private final Selections selections;
  private final Decisions decisions;
  private final Catalogue catalogue;
  private final LookBack lookBack;
  private final ToolsInUse inUse;

  DueDates(
      Selections selections,
      Decisions decisions,
      Catalogue catalogue,
      LookBack lookBack,
      ToolsInUse inUse) {
    this.inUse = inUse;
    this.lookBack = lookBack;
    this.selections = selections;
    this.decisions = decisions;
    this.catalogue = catalogue;
  }

  /**
   * A day.
   *
   * @param id the same whenever it is asked, whatever day it moves to
   * @param what in a sentence without a full stop
   * @param href the page it is about
   * @param past whether the day is over and what was due is not done
   */
  record Due(String id, LocalDate on, String what, String href, boolean past) {}

  /** All of them, the soonest first; what was due and is not done comes before. */
  @Transactional(readOnly = true)
  public List<Due> all() {
    LocalDate today = catalogue.today();
    List<LoadedSelection> tables = selections.all(PutAway.Shown.AT_HAND);
    Map<Long, Decision> decided = decisions.of(tables.stream().map(LoadedSelection::id).toList());
    List<Due> due = new ArrayList<>();
    for (LoadedSelection table : tables) {
      Decision decision = decided.get(table.id());
      if (decision instanceof Decision.Signed signed) {
        review(table, signed, today, due);
        conditions(table, signed, due);
      } else {
        if (decision instanceof Decision.Proposed proposed) {
          objections(table, proposed, today, due);
        }
        trials(table, today, due);
        prices(table, today, due);
      }
    }
    uses(today, due);
    due.sort(Comparator.comparing(Due::on).thenComparing(Due::id));
    return due;
  }

  /** Until when notice must be given of tools in use, and when their terms end. */
  private void uses(LocalDate today, List<Due> due) {
    List<InUsePart> parts = inUse.find().tools();
    Map<String, ToolSheet> pages =
        catalogue.pages(parts.stream().map(InUsePart::tool).toList(), today);
    for (InUsePart part : parts) {
      ToolSheet page = pages.get(part.tool());
      if (page == null) {
        continue;
      }
      if (part.noticeBy() != null) {
        use("notice", "date.short.notice", page, LocalDate.parse(part.noticeBy()), today, due);
      }
      if (part.ends() != null) {
        LocalDate last = YearMonth.parse(part.ends()).atEndOfMonth();
        use("ends", "date.short.term-ends", page, last, today, due);
      }
    }
  }

  private static void use(
      String kind, String key, ToolSheet page, LocalDate day, LocalDate today, List<Due> due) {
    if (!day.isBefore(today)) {
      due.add(
          new Due(
              kind + "-" + page.id(), day, Voice.say(key, "tool", page.name()), "/in-use", false));
    }
  }

  private static void review(
      LoadedSelection table, Decision.Signed signed, LocalDate today, List<Due> due) {
    signed
        .reviewOn()
        .ifPresent(day ->
            due.add(
                new Due(
                    "review-" + table.id(),
                    day,
                    Voice.say("date.short.review", "selection", table.selection().title()),
                    "/selections/" + table.id() + "/decision#again",
                    day.isBefore(today))));
  }

  private void conditions(LoadedSelection table, Decision.Signed signed, List<Due> due) {
    for (LookBack.Breaks breaks : lookBack.breaks(table.id(), signed)) {
      due.add(
          new Due(
              "condition-" + table.id() + "-" + Integer.toHexString(breaks.condition().hashCode()),
              breaks.on(),
              Voice.say(
                  "date.short.breaks",
                  Map.of("words", breaks.condition(), "selection", table.selection().title())),
              "/selections/" + table.id() + "/look-again",
              false));
    }
  }

  private static void objections(
      LoadedSelection table, Decision.Proposed proposed, LocalDate today, List<Due> due) {
    if (proposed.signing().rule() instanceof SigningRule.NoObjection until) {
      LocalDate last =
          LocalDate.ofInstant(proposed.by().at(), ZoneId.systemDefault()).plusDays(until.days());
      due.add(
          new Due(
              "objections-" + table.id(),
              last,
              Voice.say("date.short.objections", "selection", table.selection().title()),
              "/selections/" + table.id() + "/decision",
              last.isBefore(today)));
    }
  }

  private static void trials(LoadedSelection table, LocalDate today, List<Due> due) {
    Map<String, String> names =
        table.selection().contenders().stream()
            .collect(Collectors.toMap(Contender::id, c -> c.tool().name()));
    for (Trial trial : table.selection().trials().trials()) {
      String tool = names.getOrDefault(trial.contender(), trial.contender());
      String href = "/selections/" + table.id() + "/trials";
      if (!trial.first().isBefore(today)) {
        due.add(
            new Due(
                "trial-begins-" + table.id() + "-" + trial.contender(),
                trial.first(),
                said("date.short.trial-begins", tool, table),
                href,
                false));
      }
      trial
          .ends()
          .filter(day -> !day.isBefore(today))
          .ifPresent(day ->
              due.add(
                  new Due(
                      "trial-ends-" + table.id() + "-" + trial.contender(),
                      day,
                      said("date.short.trial-ends", tool, table),
                      href,
                      false)));
    }
  }

  /** The last days of quotes of those that are compared. */
  private static void quotes(LoadedSelection table, LocalDate today, List<Due> due) {
    Set<String> active =
        table.selection().active().stream().map(Contender::id).collect(Collectors.toSet());
    for (SelectionFile.ContenderPart part : table.file().contenders()) {
      ToolSheet page = part.tool();
      for (ToolSheet.PlanPart plan : page.plans()) {
        String last = active.contains(page.id()) ? plan.holdsUntil() : null;
        if (last != null && !LocalDate.parse(last).isBefore(today)) {
          due.add(
              new Due(
                  "quote-" + table.id() + "-" + page.id() + "-" + plan.id(),
                  LocalDate.parse(last),
                  Voice.say(
                      "date.short.quote-ends",
                      Map.of(
                          "tool",
                          page.name(),
                          "plan",
                          plan.name(),
                          "selection",
                          table.selection().title())),
                  "/catalogue/" + page.id(),
                  false));
        }
      }
    }
  }

  private void prices(LoadedSelection table, LocalDate today, List<Due> due) {
    quotes(table, today, due);
    for (Contender contender : table.selection().active()) {
      for (LocalDate day : catalogue.days(contender.id()).after(today)) {
        due.add(
            new Due(
                "prices-" + table.id() + "-" + contender.id() + "-" + day,
                day,
                said("date.short.prices", contender.tool().name(), table),
                "/catalogue/" + contender.id() + "/history",
                false));
      }
    }
  }

  private static String said(String key, String tool, LoadedSelection table) {
    return Voice.say(key, Map.of("tool", tool, "selection", table.selection().title()));
  }
}
