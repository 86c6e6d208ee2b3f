package tertulia.app.display;

import java.util.Map;
import tertulia.core.evaluation.Selection;
import tertulia.core.finding.VerdictFinding;

/** What speaks against a choice. */
record VerdictWords(Selection selection) implements SelectionWords {
  String of(VerdictFinding finding) {
    return switch (finding) {
      case VerdictFinding.NotAhead not ->
          Voice.say(
              "verdict.not-ahead",
              Map.of(
                  "tool",
                  name(not.choice()),
                  "other",
                  name(not.first()),
                  "by",
                  Figures.apart(not.by())));
      case VerdictFinding.NotForCertain open ->
          Voice.say(
              "verdict.not-for-certain",
              Map.of(
                  "tool",
                  name(open.choice()),
                  "others",
                  Voice.choice(open.mayPass().stream().map(this::name).toList())));
      case VerdictFinding.MustsUnmet unmet ->
          Voice.say("verdict.musts-unmet", "tool", name(unmet.choice()));
      case VerdictFinding.MustsUnconfirmed open ->
          Voice.say("verdict.musts-unconfirmed", "tool", name(open.choice()));
      case VerdictFinding.CostUnknown unknown ->
          Voice.say("verdict.cost-unknown", "tool", name(unknown.choice()));
      case VerdictFinding.NotRanked not ->
          Voice.say("verdict.not-ranked", "tool", name(not.choice()));
      case VerdictFinding.NoTotals none -> Voice.say("verdict.no-totals");
      case VerdictFinding.OldFacts old ->
          Voice.say(
              "verdict.old-facts",
              Map.of("tool", name(old.choice()), "day", Dates.day(old.asOf())));
      case VerdictFinding.ViewsMissing views ->
          Voice.say("verdict.views-missing", "members", Voice.list(views.people()));
      case VerdictFinding.ConditionBroken broken ->
          Voice.say(
              "verdict.condition-broken",
              "words",
              new ProvisoWords(selection).of(broken.proviso()));
      case VerdictFinding.NotTried not ->
          Voice.say("verdict.not-tried", "tool", name(not.choice()));
    };
  }
}
