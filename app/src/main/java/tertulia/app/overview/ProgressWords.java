package tertulia.app.overview;

import java.time.LocalDate;
import tertulia.app.display.Dates;
import tertulia.app.display.Figures;
import tertulia.core.finding.Progress.Asked;
import tertulia.core.finding.Progress.Next;
import tertulia.core.finding.Stage;

/** What comes next, and what is asked of somebody, as it is said. */
final class ProgressWords {
  private ProgressWords() {}

  /** What comes next, as a button says it. */
  static String button(Next next) {
    return switch (next) {
      case Next.SayWho who -> "Say for whom and how many";
      case Next.BringContenders bring -> "Bring contenders";
      case Next.SayWhatIsNeeded needs -> "Say what must be there";
      case Next.FindOneThatDoes fit -> "See what is in the way";
      case Next.FindPrices prices -> "See which prices are missing";
      case Next.NameCriteria name -> "Name what counts";
      case Next.Weigh weigh -> "See the weights";
      case Next.Mark mark -> "See the marks";
      case Next.Propose propose -> "Write the decision down";
      case Next.Sign sign -> "Read the proposal";
      case Next.LookAgain again -> "Read the decision";
    };
  }

  /** Why that comes next, in a few words. */
  static String note(Next next, LocalDate today) {
    return switch (next) {
      case Next.SayWho who -> "nobody is counted yet";
      case Next.BringContenders bring -> bring.have() == 0 ? "none yet" : "one so far";
      case Next.SayWhatIsNeeded needs -> "nothing must be there yet";
      case Next.FindOneThatDoes fit ->
          fit.doing() == 0 ? "nobody is sure to do" : "one is sure to do";
      case Next.FindPrices prices ->
          prices.priced() == 0 ? "no cost is known" : "one cost is known";
      case Next.NameCriteria name -> "nothing says what counts";
      case Next.Weigh weigh ->
          weigh.of() == 0 ? "nobody has been asked" : counted(weigh.so(), weigh.of(), "weighed");
      case Next.Mark mark -> counted(mark.so(), mark.of(), "marked");
      case Next.Propose propose -> "everybody has weighed and marked";
      case Next.Sign sign -> sign.proposedBy() + " proposed; a second person signs";
      case Next.LookAgain again -> again(again, today);
    };
  }

  private static String counted(int so, int of, String done) {
    return so
        + " of "
        + Figures.counted(of, "people")
        + (so == 1 || of == 1 ? " has " : " have ")
        + done;
  }

  private static String again(Next.LookAgain again, LocalDate today) {
    if (again.elsewhere()) {
      return "asked again in another selection";
    }
    return again
        .on()
        .map(day -> (again.isDue(today) ? "due since " : "look again on ") + Dates.day(day))
        .orElse("no day agreed to look again");
  }

  /** What comes next, as a step is called. */
  static String step(Next next) {
    return next instanceof Next.LookAgain ? "Decided" : next.step().words();
  }

  /** What is asked of somebody, before the name of the selection. */
  static String asked(Asked asked) {
    return switch (asked) {
      case Asked.Weigh weigh -> "weigh";
      case Asked.Mark mark -> "give " + Figures.counted(mark.left(), "marks");
      case Asked.Try trial ->
          "try "
              + trial.tool()
              + ", "
              + Figures.counted(trial.tasks(), trial.tasks() == 1 ? "task" : "tasks")
              + trial
                  .daysLeft()
                  .map(days ->
                      days == 0
                          ? ", until tonight"
                          : days == 1 ? ", until tomorrow" : ", " + days + " days left")
                  .orElse("");
      case Asked.SayWhatCame came ->
          "say what came of trying "
              + came.tool()
              + ", which is over with "
              + Figures.counted(came.tasks(), came.tasks() == 1 ? "task" : "tasks")
              + " open";
      case Asked.HandIn handIn -> "hand in your view";
      case Asked.Sign sign -> "read what " + sign.proposedBy() + " proposes";
      case Asked.LookAgain again -> "look again, due since " + Dates.day(again.since());
    };
  }

  /** The same as a button says it. */
  static String button(Asked asked) {
    return switch (asked) {
      case Asked.Weigh weigh -> "Say how much each counts";
      case Asked.Mark mark -> "Mark what you have seen";
      case Asked.Try trial -> "Try " + trial.tool();
      case Asked.SayWhatCame came -> "Say what came of trying " + came.tool();
      case Asked.HandIn handIn -> "Hand in your view";
      case Asked.Sign sign -> "Read and sign, or object";
      case Asked.LookAgain again -> "Look again";
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
