package tertulia.app.display;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
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
      case TrialFinding.NoTasks none ->
          "Nobody has said what to try. Name a few tasks; they are the same for every contender.";
      case TrialFinding.NotTried not ->
          not.tools().stream().map(this::name).collect(Collectors.joining(", "))
              + (not.tools().size() == 1 ? " is" : " are")
              + " not tried.";
      case TrialFinding.Tried tried ->
          name(tried.tool())
              + ": "
              + tally(tried.tally())
              + tried
                  .minutes()
                  .map(m ->
                      "; " + m.stripTrailingZeros().toPlainString() + " minutes a task, the median")
                  .orElse("")
              + ". "
              + stage(tried.stage());
      case TrialFinding.TriedFact fact -> fact(fact);
    };
  }

  /** Such as "3 of 5 tasks done, 1 not, 1 not tried". */
  public static String tally(Trials.Tally tally) {
    List<String> parts = new ArrayList<>();
    parts.add(
        tally.done()
            + " of "
            + tally.tasks()
            + (tally.tasks() == 1 ? " task" : " tasks")
            + " done");
    if (tally.partly() > 0) {
      parts.add(tally.partly() + " by some and not by others");
    }
    if (tally.notDone() > 0) {
      parts.add(tally.notDone() + " not");
    }
    if (tally.untried() > 0) {
      parts.add(tally.untried() + " not tried");
    }
    return String.join(", ", parts);
  }

  /** How far a trial is. */
  public static String stage(Trial.Stage stage) {
    return switch (stage) {
      case Trial.Stage.Ahead ahead -> "The trial begins " + in(ahead.days()) + ".";
      case Trial.Stage.Running running ->
          running
              .daysLeft()
              .map(days -> "The trial ends " + (days == 0 ? "today" : in(days)) + ".")
              .orElse("The trial has no end.");
      case Trial.Stage.Over over ->
          "The trial ended " + (over.days() == 1 ? "yesterday" : over.days() + " days ago") + ".";
    };
  }

  private static String in(long days) {
    return days == 1 ? "tomorrow" : "in " + days + " days";
  }

  private String fact(TrialFinding.TriedFact fact) {
    String plan =
        selection.contender(fact.tool()).tool().plans().stream()
            .filter(p -> p.id().equals(fact.plan()))
            .map(Plan::name)
            .findFirst()
            .orElse(fact.plan());
    String of = plan + " of " + name(fact.tool());
    String what = "“" + fact.capability().name() + "”";
    String tried =
        fact.by()
            + (fact.shown() == Answer.YES ? " did it on " : " could not do it on ")
            + Dates.day(fact.on());
    if (fact.isContrary()) {
      return "The price page says that "
          + of
          + (fact.known() == Answer.YES ? " has " : " does not have ")
          + what
          + "; "
          + tried
          + ".";
    }
    return switch (fact.known()) {
      case UNKNOWN -> "Whether " + of + " has " + what + " is not confirmed; " + tried + ".";
      case PARTLY -> of + " is said to have " + what + " in part; " + tried + ".";
      case BY_ADD_ON -> of + " is said to have " + what + " by an add-on; " + tried + ".";
      case YES, NO -> tried + ", as the price page says of " + what + " in " + of + ".";
    };
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
