package tertulia.app.decision;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import tertulia.app.catalogue.SheetCells;
import tertulia.app.display.Dates;
import tertulia.app.display.Figures;
import tertulia.app.display.Voice;
import tertulia.app.exchange.Brief;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.exchange.ToolSheet;
import tertulia.core.difference.Cause;
import tertulia.core.difference.Differences;
import tertulia.core.difference.ThenAndNow;
import tertulia.core.growth.Group;
import tertulia.core.growth.Scenario;

/** What of the entries changed since something was decided, by cause, in lines. */
final class WhatChanged {
  private static final int MOST = 6;
  private final Map<Cause, List<String>> lines = new EnumMap<>(Cause.class);

  private WhatChanged() {}

  static Map<Cause, List<String>> between(LookBack.LookedAt looked, Differences differences) {
    WhatChanged what = new WhatChanged();
    ThenAndNow question = differences.question();
    for (String id : question.both()) {
      what.pages(sheet(looked.then().selection(), id), sheet(looked.now(), id));
    }
    what.rates(looked.then().selection().brief(), looked.now().brief());
    what.people(question);
    what.lines.replaceAll((cause, all) -> shortened(all));
    return what.lines;
  }

  private static List<String> shortened(List<String> all) {
    if (all.size() <= MOST) {
      return all;
    }
    List<String> some = new ArrayList<>(all.subList(0, MOST - 1));
    some.add(Voice.say("again.part.more", "count", Figures.whole(all.size() - (long) (MOST - 1))));
    return some;
  }

  private static ToolSheet sheet(SelectionFile file, String id) {
    return file.contenders().stream()
        .map(SelectionFile.ContenderPart::tool)
        .filter(tool -> tool.id().equals(id))
        .findFirst()
        .orElseThrow();
  }

  private void say(Cause cause, String line) {
    lines.computeIfAbsent(cause, c -> new ArrayList<>()).add(line);
  }

  /** What the page says of prices and limits, and apart from that what the tool can do. */
  private void pages(ToolSheet before, ToolSheet after) {
    Set<String> facts = new HashSet<>();
    facts.add("Public ratings");
    for (ToolSheet sheet : List.of(before, after)) {
      for (ToolSheet.PlanPart plan : sheet.plans()) {
        plan.facts().forEach(fact -> facts.add(plan.name() + ": " + fact.capability()));
      }
    }
    for (SheetCells.Change change : SheetCells.changes(before, after)) {
      if (!change.isSource()) {
        say(
            facts.contains(change.what()) ? Cause.NEEDS : Cause.PRICES,
            after.name()
                + ", "
                + change.what()
                + ": "
                + said(change.before())
                + " → "
                + said(change.after()));
      }
    }
  }

  private static String said(String cell) {
    return cell.isEmpty() ? "not stated" : cell;
  }

  private void rates(Brief before, Brief after) {
    for (Brief.RatePart rate : before.rates()) {
      latest(after, rate.from(), rate.to())
          .filter(now -> !now.rate().equals(rate.rate()))
          .filter(now -> latest(before, rate.from(), rate.to()).filter(rate::equals).isPresent())
          .ifPresent(now ->
              say(
                  Cause.RATES,
                  rate.from() + " to " + rate.to() + ": " + rate.rate() + " → " + now.rate()));
    }
  }

  private static Optional<Brief.RatePart> latest(Brief brief, String from, String to) {
    return brief.rates().stream()
        .filter(rate -> rate.from().equals(from) && rate.to().equals(to))
        .filter(rate -> rate.on().compareTo(brief.asOf()) <= 0)
        .reduce((one, other) -> other.on().compareTo(one.on()) >= 0 ? other : one);
  }

  /** The first month from today on in which a group is not as it was planned. */
  private void people(ThenAndNow question) {
    for (Group group : question.now().groups()) {
      question.then().groups().stream()
          .filter(was -> was.id().equals(group.id()))
          .findFirst()
          .flatMap(was -> line(question, was, group))
          .ifPresent(line -> say(Cause.PEOPLE, line));
    }
    if (!Objects.equals(question.then().demands(), question.now().demands())) {
      say(Cause.PEOPLE, Voice.say("again.part.demand"));
    }
  }

  private static Optional<String> line(ThenAndNow question, Group was, Group is) {
    for (int m = question.month(); m < question.then().horizon().months(); m++) {
      int then = was.headcount(question.then().horizon(), m, Scenario.EXPECTED);
      int now = is.headcount(question.then().horizon(), m, Scenario.EXPECTED);
      if (then != now) {
        return Optional.of(
            Voice.say(
                "again.part.people",
                Map.of(
                    "group",
                    is.name(),
                    "was",
                    Figures.whole(then),
                    "month",
                    Dates.month(question.then().horizon().month(m)),
                    "now",
                    Figures.whole(now))));
      }
    }
    return Optional.empty();
  }
}
