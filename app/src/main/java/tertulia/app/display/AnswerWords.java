package tertulia.app.display;

import java.util.ArrayList;
import java.util.List;
import tertulia.core.evaluation.Selection;
import tertulia.core.finding.AnswerFinding;

/** What is said first, to somebody who was not there. */
record AnswerWords(Selection selection) implements SelectionWords {
  String of(AnswerFinding answer) {
    return switch (answer) {
      case AnswerFinding.NobodyCompared nobody -> "Nothing is compared yet: bring two contenders.";
      case AnswerFinding.NobodyDoes none ->
          "None of the contenders has a plan that does for all people and months"
              + (none.toConfirm().isEmpty()
                  ? "."
                  : "; "
                      + names(none.toConfirm())
                      + " may, once "
                      + (none.toConfirm().size() == 1 ? "its" : "their")
                      + " facts are confirmed.");
      case AnswerFinding.NobodyHasATotal none ->
          names(none.tools())
              + (none.tools().size() == 1 ? " does" : " do")
              + " what is needed; what "
              + (none.tools().size() == 1 ? "it costs" : "they cost")
              + " is not known yet.";
      case AnswerFinding.OnlyOneDoes only ->
          name(only.tool())
              + (only.alone()
                  ? " does what is needed; nothing is compared with it yet."
                  : " is the only one that does what is needed.");
      case AnswerFinding.CheapestThatDoes cheapest -> cheapest(cheapest);
      case AnswerFinding.Ahead ahead -> ahead(ahead);
      case AnswerFinding.DecisionToday today -> today(today);
      case AnswerFinding.WhoDoes does -> whoDoes(does);
    };
  }

  /** An answer in a few words, where its tool stands beside it. */
  String inShort(AnswerFinding answer) {
    return switch (answer) {
      case AnswerFinding.NobodyCompared nobody -> "nothing is compared yet";
      case AnswerFinding.NobodyDoes none ->
          none.toConfirm().isEmpty()
              ? "no contender does for all people and months"
              : "nobody is sure to do; facts are to be confirmed";
      case AnswerFinding.NobodyHasATotal none ->
          Figures.counted(none.tools().size(), "contenders") + " would do, without a known cost";
      case AnswerFinding.OnlyOneDoes only ->
          only.alone() ? "does; nothing is compared with it yet" : "the only one that does";
      case AnswerFinding.CheapestThatDoes cheapest ->
          (cheapest.tools().size() == 1
                  ? "the cheapest that does"
                  : names(cheapest.tools()) + " cost the same")
              + (cheapest.open().isEmpty() ? "" : ", not for certain")
              + "; there are no totals yet";
      case AnswerFinding.Ahead ahead ->
          ahead.tools().size() > 1
              ? names(ahead.tools()) + " are level"
              : ahead.isCertain() ? "leads, whatever is not known" : "leads, not for certain";
      case AnswerFinding.DecisionToday today -> today(today);
      case AnswerFinding.WhoDoes does -> whoDoes(does);
    };
  }

  private String whoDoes(AnswerFinding.WhoDoes does) {
    if (does.doing().size() + does.toConfirm().size() + does.not().size() == 0) {
      return "Nothing is compared yet: bring two contenders.";
    }
    List<String> parts = new ArrayList<>();
    if (!does.doing().isEmpty()) {
      parts.add(
          names(does.doing())
              + (does.doing().size() == 1 ? " has" : " have")
              + " a plan that does for all people and months");
    }
    if (!does.toConfirm().isEmpty()) {
      parts.add(
          names(does.toConfirm())
              + " may, once "
              + (does.toConfirm().size() == 1 ? "its" : "their")
              + " facts are confirmed");
    }
    if (!does.not().isEmpty()) {
      parts.add(names(does.not()) + (does.not().size() == 1 ? " has none" : " have none"));
    }
    return String.join("; ", parts) + ".";
  }

  private String today(AnswerFinding.DecisionToday today) {
    if (today.first().isEmpty()) {
      return "Today nobody could be put first.";
    }
    if (!today.stands()) {
      return "Today " + names(today.first()) + " would be first.";
    }
    return today.first().size() == 1
        ? "By today’s facts and prices it is first."
        : "Today " + names(today.first()) + " would be level.";
  }

  private String cheapest(AnswerFinding.CheapestThatDoes cheapest) {
    boolean one = cheapest.tools().size() == 1;
    return names(cheapest.tools())
        + (one ? " is the cheapest that does, " : " are the cheapest that do, ")
        + (cheapest.now() ? "now and " : "")
        + period()
        + mayCostLess(cheapest.open())
        + ". There are no totals yet.";
  }

  private String ahead(AnswerFinding.Ahead ahead) {
    if (ahead.tools().size() > 1) {
      return names(ahead.tools()) + " are level in the lead.";
    }
    String cost =
        switch (ahead.cost()) {
          case NOW_AND_WHOLE -> " and is the cheapest, now and " + period();
          case WHOLE -> " and is the cheapest " + period() + ", though not now";
          case NOW -> " and is the cheapest now, though not " + period();
          case NEITHER -> "; it is not the cheapest";
          case NOT_KNOWN -> "; what it costs is not known";
        };
    return names(ahead.tools())
        + " leads"
        + cost
        + (ahead.cost() == AnswerFinding.Cheapness.NEITHER
                || ahead.cost() == AnswerFinding.Cheapness.NOT_KNOWN
            ? ""
            : mayCostLess(ahead.open()))
        + "."
        + (ahead.isCertain()
            ? ""
            : " It is not settled: " + names(ahead.mayPass()) + " could still pass it.");
  }
}
