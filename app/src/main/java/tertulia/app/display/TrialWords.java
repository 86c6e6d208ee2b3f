package tertulia.app.display;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Selection;
import tertulia.core.finding.TrialFinding;
import tertulia.core.fit.Answer;
import tertulia.core.pricing.Plan;
import tertulia.core.trial.Trial;
import tertulia.core.trial.Trials;

/** Sentences of what was tried by hand. */
public final class TrialWords {
  private final Selection selection;

  public TrialWords(Selection selection) {
    this.selection = selection;
  }

  /** One finding as a sentence. */
  public String of(TrialFinding finding) {
    return switch (finding) {
      case TrialFinding.NoTasks none -> Voice.say("trial.no-tasks");
      case TrialFinding.NotTried not ->
          Voice.say(
              not.tools().size() == 1 ? "trial.not-tried.one" : "trial.not-tried.many",
              "tools",
              Voice.list(not.tools().stream().map(this::name).toList()));
      case TrialFinding.Tried tried -> Voice.all(tried(tried), stage(tried.stage()));
      case TrialFinding.TriedFact fact -> fact(fact);
    };
  }

  private String tried(TrialFinding.Tried tried) {
    String tool = name(tried.tool());
    String tally = tally(tried.tally());
    return tried
        .minutes()
        .map(m ->
            Voice.say(
                "trial.tried.minutes",
                Map.of(
                    "tool",
                    tool,
                    "tally",
                    tally,
                    "minutes",
                    m.stripTrailingZeros().toPlainString())))
        .orElseGet(() -> Voice.say("trial.tried", Map.of("tool", tool, "tally", tally)));
  }

  /** Such as "3 of 5 tasks done, 1 not, 1 not tried". */
  public static String tally(Trials.Tally tally) {
    List<String> parts = new ArrayList<>();
    parts.add(
        tally.tasks() == 1
            ? Voice.say("trial.part.done.one", "done", tally.done())
            : Voice.say(
                "trial.part.done.many", Map.of("done", tally.done(), "tasks", tally.tasks())));
    if (tally.partly() > 0) {
      parts.add(Voice.say("trial.part.mixed", "count", tally.partly()));
    }
    if (tally.notDone() > 0) {
      parts.add(Voice.say("trial.part.not", "count", tally.notDone()));
    }
    if (tally.untried() > 0) {
      parts.add(Voice.say("trial.part.not-tried", "count", tally.untried()));
    }
    return String.join(", ", parts);
  }

  /** How far a trial is. */
  public static String stage(Trial.Stage stage) {
    return switch (stage) {
      case Trial.Stage.Ahead ahead ->
          ahead.days() == 1
              ? Voice.say("trial.begins-tomorrow")
              : Voice.say("trial.begins", "days", ahead.days());
      case Trial.Stage.Running running ->
          running.daysLeft().map(TrialWords::ends).orElseGet(() -> Voice.say("trial.no-end"));
      case Trial.Stage.Over over ->
          over.days() == 1
              ? Voice.say("trial.ended-yesterday")
              : Voice.say("trial.ended", "days", over.days());
    };
  }

  private static String ends(long days) {
    return days == 0
        ? Voice.say("trial.ends-today")
        : days == 1 ? Voice.say("trial.ends-tomorrow") : Voice.say("trial.ends", "days", days);
  }

  private String fact(TrialFinding.TriedFact fact) {
    String plan =
        selection.contender(fact.tool()).tool().plans().stream()
                .filter(p -> p.id().equals(fact.plan()))
                .map(Plan::name)
                .findFirst()
                .orElse(fact.plan())
            + " of "
            + name(fact.tool());
    Map<String, String> page =
        Map.of("plan", plan, "feature", "“" + fact.capability().name() + "”");
    boolean did = fact.shown() == Answer.YES;
    Map<String, String> shown = Map.of("person", fact.by(), "day", Dates.day(fact.on()));
    String tried = Voice.say(did ? "trial.did" : "trial.did-not", shown);
    return switch (fact.known()) {
      case UNKNOWN -> Voice.all(Voice.say("trial.not-confirmed", page), tried);
      case PARTLY -> Voice.all(Voice.say("trial.page-says-partly", page), tried);
      case BY_ADD_ON -> Voice.all(Voice.say("trial.page-says-add-on", page), tried);
      case THROUGH_CONNECTOR -> Voice.all(Voice.say("trial.page-says-connector", page), tried);
      case BY_HAND -> Voice.all(Voice.say("trial.page-says-by-hand", page), tried);
      case YES ->
          fact.isContrary()
              ? Voice.all(Voice.say("trial.page-says-yes", page), tried)
              : Voice.say(did ? "trial.did-too" : "trial.did-not-either", both(page, shown));
      case NO ->
          fact.isContrary()
              ? Voice.all(Voice.say("trial.page-says-no", page), tried)
              : Voice.say(did ? "trial.did-too" : "trial.did-not-either", both(page, shown));
    };
  }

  private static Map<String, String> both(Map<String, String> page, Map<String, String> shown) {
    Map<String, String> both = new HashMap<>(page);
    both.putAll(shown);
    return both;
  }

  private String name(String tool) {
    return selection.contenders().stream()
        .filter(c -> c.id().equals(tool))
        .map(Contender::tool)
        .map(t -> t.name())
        .findFirst()
        .orElse(tool);
  }
}
