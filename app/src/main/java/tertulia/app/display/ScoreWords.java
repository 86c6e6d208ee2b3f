package tertulia.app.display;

import java.util.Map;
import java.util.stream.Collectors;
import tertulia.core.evaluation.Selection;
import tertulia.core.finding.ScoreFinding;
import tertulia.core.scoring.Interval;

/** What is said of totals. */
record ScoreWords(Selection selection) implements SelectionWords {
  String of(ScoreFinding finding) {
    return switch (finding) {
      case ScoreFinding.NoTotals none ->
          Voice.say(
              none.anybodyRanked() ? "score.no-totals.no-weights" : "score.no-totals.no-plan");
      case ScoreFinding.Leads leads ->
          Voice.say(
              "score.leads",
              Map.of("tool", name(leads.tool()), "total", Figures.score(leads.total())));
      case ScoreFinding.LevelLead level ->
          Voice.say(
              "score.level",
              Map.of(
                  "tools",
                  names(level.tools()),
                  "total",
                  Figures.score(Interval.exactly(level.total()))));
      case ScoreFinding.OpenLead open ->
          Voice.say(
              open.open().size() == 1 ? "score.open.one" : "score.open.many",
              Map.of(
                  "tool",
                  name(open.tool()),
                  "criteria",
                  listed(open.open()),
                  "worst",
                  open.worst()));
      case ScoreFinding.WorthUnder under ->
          Voice.say(
              "score.under",
              Map.of(
                  "criterion",
                  under.criterion(),
                  "scores",
                  under.worths().stream()
                      .map(worth -> name(worth.tool()) + " " + Figures.score(worth.value()))
                      .collect(Collectors.joining(", "))));
      case ScoreFinding.CountedTwice twice ->
          Voice.say(
              twice.cost() ? "score.counted-twice.cost" : "score.counted-twice.fit",
              Map.of("judged", twice.judged(), "measured", twice.measured()));
      case ScoreFinding.GuessedScale guess ->
          Voice.say(
              "score.guessed-scale",
              Map.of(
                  "criterion",
                  guess.criterion(),
                  "worst",
                  guess.worst().toPlainString(),
                  "best",
                  guess.best().toPlainString()));
      case ScoreFinding.OutsideScale outside ->
          Voice.say(
              "score.outside-scale",
              Map.of(
                  "tools",
                  names(outside.tools()),
                  "worst",
                  outside.worst().toPlainString(),
                  "best",
                  outside.best().toPlainString()));
    };
  }
}
