package tertulia.app.display;

import java.util.ArrayList;
import java.util.List;
import tertulia.core.finding.ViewFinding;

/** Sentences of who has shown the others their view. */
public final class ViewWords {
  /** So many criteria are named, and the others counted. */
  private static final int NAMED = 4;

  private ViewWords() {}

  /** One finding as a sentence. */
  public static String of(ViewFinding finding) {
    return switch (finding) {
      case ViewFinding.OpenedTable opened ->
          "Everybody sees every view: " + opened.by() + " opened the table.";
      case ViewFinding.OwnViewShown shown ->
          "You handed in your view on " + Dates.day(shown.on()) + ".";
      case ViewFinding.ChangedSince changed ->
          changed.name()
              + " handed in on "
              + Dates.day(changed.handedIn())
              + " and has changed since: "
              + few(changed.criteria())
              + ".";
      case ViewFinding.AloneAtTheTable alone ->
          "Only you have a seat. Others see what you weigh and mark once you hand it in.";
      case ViewFinding.OwnViewFirst first ->
          "Own view first: what others weigh and mark you see once you have handed in yours, so"
              + " that the first voice does not lead the rest."
              + (first.marksLeft() == 0 ? "" : " " + open(first.marksLeft()));
      case ViewFinding.ViewsMissing missing ->
          "Not handed in yet: " + String.join(", ", missing.people()) + ".";
      case ViewFinding.ViewsLeftOut out ->
          "Not in these figures: " + String.join(", ", out.people()) + ".";
      case ViewFinding.ViewAskedFor asked ->
          asked.by()
              + " waits for your view of “"
              + asked.selection()
              + "”. What is left: "
              + left(asked)
              + ".";
    };
  }

  private static String few(List<String> names) {
    return String.join(", ", names.subList(0, Math.min(NAMED, names.size())))
        + (names.size() > NAMED ? " and " + (names.size() - NAMED) + " more" : "");
  }

  private static String open(int marks) {
    return marks == 1 ? "One mark is still open." : marks + " marks are still open.";
  }

  private static String left(ViewFinding.ViewAskedFor asked) {
    List<String> left = new ArrayList<>();
    if (asked.weights()) {
      left.add("say how much each criterion counts");
    }
    if (asked.marks() > 0) {
      left.add("give " + asked.marks() + (asked.marks() == 1 ? " mark" : " marks"));
    }
    left.add("hand in your view");
    return String.join(", ", left);
  }
}
