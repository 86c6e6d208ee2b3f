package tertulia.app.display;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import tertulia.core.finding.ViewFinding;

/** Sentences of who has shown the others their view. */
public final class ViewWords {
  /** So many criteria are named, and the others counted. */
  private static final int NAMED = 4;

  private ViewWords() {}

  /** One finding as a sentence. */
  public static String of(ViewFinding finding) {
    return switch (finding) {
      case ViewFinding.OpenedTable opened -> Voice.say("view.opened", "person", opened.by());
      case ViewFinding.OwnViewShown shown ->
          Voice.say("view.handed-in", "day", Dates.day(shown.on()));
      case ViewFinding.ChangedSince changed ->
          Voice.say(
              "view.changed-since",
              Map.of(
                  "person",
                  changed.name(),
                  "day",
                  Dates.day(changed.handedIn()),
                  "criteria",
                  few(changed.criteria())));
      case ViewFinding.AloneAtTheTable alone -> Voice.say("view.alone");
      case ViewFinding.OwnViewFirst first ->
          Voice.all(Voice.say("view.own-first"), open(first.marksLeft()));
      case ViewFinding.ViewsMissing missing ->
          Voice.say("view.missing", "members", String.join(", ", missing.people()));
      case ViewFinding.ViewsLeftOut out ->
          Voice.say("view.left-out", "members", String.join(", ", out.people()));
      case ViewFinding.ViewAskedFor asked ->
          Voice.say(
              "view.asked",
              Map.of("person", asked.by(), "selection", asked.selection(), "acts", left(asked)));
    };
  }

  private static String few(List<String> names) {
    String named = String.join(", ", names.subList(0, Math.min(NAMED, names.size())));
    return names.size() <= NAMED
        ? named
        : Voice.say("view.part.more", Map.of("criteria", named, "count", names.size() - NAMED));
  }

  private static String open(int marks) {
    return switch (marks) {
      case 0 -> "";
      case 1 -> Voice.say("view.marks-open.one");
      default -> Voice.say("view.marks-open.many", "count", marks);
    };
  }

  private static String left(ViewFinding.ViewAskedFor asked) {
    List<String> left = new ArrayList<>();
    if (asked.weights()) {
      left.add(Voice.say("view.part.weights"));
    }
    if (asked.marks() > 0) {
      left.add(
          asked.marks() == 1
              ? Voice.say("view.part.mark")
              : Voice.say("view.part.marks", "count", asked.marks()));
    }
    left.add(Voice.say("view.part.hand-in"));
    return String.join(", ", left);
  }
}
