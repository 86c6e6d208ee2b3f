package tertulia.app.display;

import tertulia.core.evaluation.Selection;
import tertulia.core.finding.MissingFinding;

/** What keeps an answer from being settled. */
record MissingWords(Selection selection) implements SelectionWords {
  String of(MissingFinding missing) {
    return switch (missing) {
      case MissingFinding.NoCriteria none -> "Nothing says yet what counts.";
      case MissingFinding.NotWeighed nobody ->
          nobody.members().isEmpty()
              ? "Nobody has been asked to weigh yet."
              : listed(nobody.members())
                  + (nobody.members().size() == 1 ? " has" : " have")
                  + " not weighed yet.";
      case MissingFinding.ViewsWithheld views ->
          "Not in these figures: the "
              + (views.members().size() == 1 ? "view of " : "views of ")
              + listed(views.members())
              + (views.handedIn().isEmpty()
                  ? ", not handed in yet."
                  : views.handedIn().size() == views.members().size()
                      ? ". You see it once you have handed in yours."
                      : ". What "
                          + listed(views.handedIn())
                          + " handed in you see once you have"
                          + " handed in yours.");
      case MissingFinding.NotMarked marks ->
          marks.member() + " has " + marks.left() + " of " + marks.of() + " marks left to give.";
      case MissingFinding.ValueOpen open ->
          name(open.tool()) + ": " + open.criterion() + " is known only within bounds.";
      case MissingFinding.ToConfirm confirm ->
          name(confirm.tool()) + ": something that must be there is not confirmed.";
      case MissingFinding.NoPrice none -> name(none.tool()) + ": a price is not known.";
      case MissingFinding.MonthsPassed months ->
          (months.passed() == months.of() ? "All" : months.passed() + " of the")
              + " "
              + Figures.counted(months.of(), "months")
              + (months.passed() == 1 ? " has" : " have")
              + " passed: they begin in "
              + Dates.month(months.start())
              + ".";
      case MissingFinding.OpenQuestions open ->
          name(open.tool())
              + ": "
              + (open.questions() == 1
                  ? "one thing nobody has said"
                  : open.questions() + " things nobody has said")
              + " may change the plan it needs.";
      case MissingFinding.OldPrice old ->
          name(old.tool()) + ": the price is of " + Dates.day(old.asOf()) + ".";
    };
  }

  /** Whose views a total is without, such as "without the views of Joren and Odile". */
  String inShort(MissingFinding.ViewsWithheld views) {
    return "without the "
        + (views.members().size() == 1 ? "view of " : "views of ")
        + listed(views.members());
  }
}
