package tertulia.app.display;

import java.util.stream.Collectors;
import tertulia.core.evaluation.Selection;
import tertulia.core.finding.ScoreFinding;
import tertulia.core.scoring.Interval;

/** What is said of totals. */
record ScoreWords(Selection selection) implements SelectionWords {
  String of(ScoreFinding finding) {
    return switch (finding) {
      case ScoreFinding.NoTotals none ->
          none.anybodyRanked()
              ? "There are no totals yet: no weights are in these figures."
              : "There are no totals: no contender has a plan for all months.";
      case ScoreFinding.Leads leads ->
          name(leads.tool()) + " leads by the totals, at " + Figures.score(leads.total()) + ".";
      case ScoreFinding.LevelLead level ->
          names(level.tools())
              + " are level in the lead, at "
              + Figures.score(Interval.exactly(level.total()))
              + ".";
      case ScoreFinding.OpenLead open ->
          name(open.tool())
              + " is ahead by the middle of its total, but "
              + (open.open().size() == 1 ? "a value under " : "values under ")
              + listed(open.open())
              + (open.open().size() == 1 ? " is" : " are")
              + " only known within bounds: it could come as low as place "
              + open.worst()
              + ".";
      case ScoreFinding.WorthUnder under ->
          "Worth under "
              + under.criterion()
              + ": "
              + under.worths().stream()
                  .map(worth -> name(worth.tool()) + " " + Figures.score(worth.value()))
                  .collect(Collectors.joining(", "))
              + ".";
      case ScoreFinding.CountedTwice twice ->
          twice.judged()
              + " and "
              + twice.measured()
              + " seem to count the same twice: "
              + (twice.cost() ? "what a tool costs" : "what a tool can do")
              + " is worked out already. Drop one, or say under the other what else it means.";
      case ScoreFinding.GuessedScale guess ->
          "Nobody has said what the worst and the best of "
              + guess.criterion()
              + " are. As a first guess "
              + guess.worst().toPlainString()
              + " a month, in the mean of the months, is worth 0 and "
              + guess.best().toPlainString()
              + " is worth 1, as the contenders lie (at least half as much again as the cheapest);"
              + " that moves when contenders come and go.";
      case ScoreFinding.OutsideScale outside ->
          names(outside.tools())
              + " cost different amounts and are worth the same, as they lie outside the scale."
              + " With worst "
              + outside.worst().toPlainString()
              + " and best "
              + outside.best().toPlainString()
              + " a month, in the mean of the months, it would tell them apart.";
    };
  }
}
