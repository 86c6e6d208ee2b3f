package tertulia.app.overview;

import java.time.LocalDate;
import java.util.Map;
import tertulia.app.display.Dates;
import tertulia.app.display.Figures;
import tertulia.app.display.Voice;
import tertulia.core.finding.Progress.Asked;
import tertulia.core.finding.Progress.Next;
import tertulia.core.finding.Stage;

/** What comes next, and what is asked of somebody, as it is said. */
final class ProgressWords {
  private ProgressWords() {}

  /** What comes next, as a button says it. */
  static String button(Next next) {
    return switch (next) {
      case Next.SayWho who -> Voice.say("next.short.who.do");
      case Next.BringContenders bring -> Voice.say("next.short.contenders.do");
      case Next.SayWhatIsNeeded needs -> Voice.say("next.short.needs.do");
      case Next.FindOneThatDoes fit -> Voice.say("next.short.fit.do");
      case Next.FindPrices prices -> Voice.say("next.short.prices.do");
      case Next.NameCriteria name -> Voice.say("next.short.criteria.do");
      case Next.Weigh weigh -> Voice.say("next.short.weights.do");
      case Next.Mark mark -> Voice.say("next.short.marks.do");
      case Next.Propose propose -> Voice.say("next.short.propose.do");
      case Next.Sign sign -> Voice.say("next.short.sign.do");
      case Next.LookAgain again -> Voice.say("next.short.decided.do");
    };
  }

  /** Why that comes next, in a few words. */
  static String note(Next next, LocalDate today) {
    return switch (next) {
      case Next.SayWho who -> Voice.say("next.short.who");
      case Next.BringContenders bring ->
          Voice.say(bring.have() == 0 ? "next.short.contenders.none" : "next.short.contenders.one");
      case Next.SayWhatIsNeeded needs -> Voice.say("next.short.needs");
      case Next.FindOneThatDoes fit ->
          Voice.say(fit.doing() == 0 ? "next.short.fit.none" : "next.short.fit.one");
      case Next.FindPrices prices ->
          Voice.say(prices.priced() == 0 ? "next.short.prices.none" : "next.short.prices.one");
      case Next.NameCriteria name -> Voice.say("next.short.criteria");
      case Next.Weigh weigh when weigh.of() == 0 -> Voice.say("next.short.weights.nobody-asked");
      case Next.Weigh weigh ->
          counted(weigh.so(), weigh.of(), "next.short.weights.one", "next.short.weights.many");
      case Next.Mark mark ->
          counted(mark.so(), mark.of(), "next.short.marks.one", "next.short.marks.many");
      case Next.Propose propose -> Voice.say("next.short.propose");
      case Next.Sign sign -> Voice.say("next.short.sign", "person", sign.proposedBy());
      case Next.LookAgain again -> again(again, today);
    };
  }

  private static String counted(int so, int of, String one, String many) {
    String people = Figures.counted(of, "people");
    return so == 1
        ? Voice.say(one, "people", people)
        : Voice.say(many, Map.of("so", so, "people", people));
  }

  private static String again(Next.LookAgain again, LocalDate today) {
    if (again.elsewhere()) {
      return Voice.say("next.short.again.elsewhere");
    }
    return again
        .on()
        .map(day ->
            Voice.say(
                again.isDue(today) ? "next.short.again.due" : "next.short.again.on",
                "day",
                Dates.day(day)))
        .orElseGet(() -> Voice.say("next.short.again.no-day"));
  }

  /** What comes next, as a step is called. */
  static String step(Next next) {
    return next instanceof Next.LookAgain ? Voice.say("next.short.decided") : next.step().words();
  }

  /** What is asked of somebody, before the name of the selection. */
  static String asked(Asked asked) {
    return switch (asked) {
      case Asked.Weigh weigh -> Voice.say("next.part.weights");
      case Asked.Mark mark ->
          mark.left() == 1
              ? Voice.say("next.part.marks.one")
              : Voice.say("next.part.marks.many", "count", mark.left());
      case Asked.Try trial ->
          Voice.say(
              "next.part.try",
              Map.of("tool", trial.tool(), "tasks", tasks(trial.tasks()), "left", left(trial)));
      case Asked.SayWhatCame came ->
          Voice.say("next.part.report", Map.of("tool", came.tool(), "tasks", tasks(came.tasks())));
      case Asked.HandIn handIn -> Voice.say("next.part.hand-in");
      case Asked.Sign sign -> Voice.say("next.part.sign", "person", sign.proposedBy());
      case Asked.LookAgain again -> Voice.say("next.part.again", "day", Dates.day(again.since()));
    };
  }

  private static String tasks(int tasks) {
    return tasks == 1
        ? Voice.say("next.part.tasks.one")
        : Voice.say("next.part.tasks.many", "count", tasks);
  }

  private static String left(Asked.Try trial) {
    return trial
        .daysLeft()
        .map(days -> {
          if (days == 0) {
            return Voice.say("next.part.left.today");
          }
          return days == 1
              ? Voice.say("next.part.left.tomorrow")
              : Voice.say("next.part.left.days", "days", days);
        })
        .orElseGet(() -> Voice.say("next.part.left.no-end"));
  }

  /** The same as a button says it. */
  static String button(Asked asked) {
    return switch (asked) {
      case Asked.Weigh weigh -> Voice.say("next.short.asked.weights");
      case Asked.Mark mark -> Voice.say("next.short.asked.marks");
      case Asked.Try trial -> Voice.say("next.short.asked.try", "tool", trial.tool());
      case Asked.SayWhatCame came -> Voice.say("next.short.asked.report", "tool", came.tool());
      case Asked.HandIn handIn -> Voice.say("next.short.asked.hand-in");
      case Asked.Sign sign -> Voice.say("next.short.asked.sign");
      case Asked.LookAgain again -> Voice.say("next.short.asked.again");
    };
  }

  static Stage step(Asked asked) {
    return switch (asked) {
      case Asked.Weigh weigh -> Stage.WEIGHTS;
      case Asked.Mark mark -> Stage.MARKS;
      case Asked.Try trial -> Stage.MARKS;
      case Asked.SayWhatCame came -> Stage.MARKS;
      case Asked.HandIn handIn -> Stage.MARKS;
      case Asked.Sign sign -> Stage.DECISION;
      case Asked.LookAgain again -> Stage.DECISION;
    };
  }
}
