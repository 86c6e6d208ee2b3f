package tertulia.app.decision;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import tertulia.app.display.FindingWords;
import tertulia.core.decision.Proposal;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.Selection;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.finding.VerdictFindings;

/**
 * What speaks against a choice in the figures and facts as they stand on a day.
 *
 * @param daysFresh prices older than this are old
 */
record Against(Evaluation evaluation, LocalDate day, int daysFresh) {
  static Against of(Selection selection, LocalDate day, int daysFresh) {
    return new Against(Evaluation.of(selection, WhatIf.START), day, daysFresh);
  }

  /** In sentences; none of what is not compared. */
  List<String> choosing(String contender) {
    Selection selection = evaluation.selection();
    if (selection.active().stream().noneMatch(other -> other.id().equals(contender))) {
      return List.of();
    }
    FindingWords words = new FindingWords(selection);
    return new VerdictFindings(evaluation)
        .against(contender, day, daysFresh).stream().map(words::of).toList();
  }

  /** In sentences, with the conditions that are broken as it is made. */
  List<String> proposing(Proposal proposal) {
    List<String> against = new ArrayList<>(choosing(proposal.choice()));
    FindingWords words = new FindingWords(evaluation.selection());
    VerdictFindings.broken(LookBack.foreseen(proposal, evaluation, day)).stream()
        .map(words::of)
        .forEach(against::add);
    return against;
  }

  /** What is said whatever is chosen. */
  List<String> whatever() {
    List<List<String>> all =
        evaluation.selection().active().stream().map(c -> choosing(c.id())).toList();
    return all.isEmpty()
        ? List.of()
        : all.getFirst().stream()
            .filter(said -> all.stream().allMatch(other -> other.contains(said)))
            .toList();
  }
}
