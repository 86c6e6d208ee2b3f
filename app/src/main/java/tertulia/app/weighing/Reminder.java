package tertulia.app.weighing;

import java.util.ArrayList;
import java.util.List;
import tertulia.core.evaluation.Selection;
import tertulia.core.finding.Progress;
import tertulia.core.scoring.Member;

/** What somebody is reminded of whose view is missing. */
final class Reminder {
  private Reminder() {}

  static String of(Selection selection, Member member, String from) {
    List<String> left = new ArrayList<>();
    if (!Progress.hasWeighed(selection, member)) {
      left.add("say how much each criterion counts");
    }
    int marks = Progress.marksLeft(selection, member);
    if (marks > 0) {
      left.add("give " + marks + (marks == 1 ? " mark" : " marks"));
    }
    left.add("hand in your view");
    return from
        + " waits for your view of “"
        + selection.title()
        + "”. What is left: "
        + String.join(", ", left)
        + ".";
  }
}
