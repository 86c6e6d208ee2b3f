package tertulia.app.display;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import tertulia.core.evaluation.Selection;
import tertulia.core.finding.AnswerFinding;

/** What is said first, to somebody who was not there. */
record AnswerWords(Selection selection) implements SelectionWords {
  String of(AnswerFinding answer) {
    return switch (answer) {
      case AnswerFinding.NobodyCompared nobody -> Voice.say("answer.nobody-compared");
      case AnswerFinding.NobodyDoes none -> noneMeets(none.toConfirm());
      case AnswerFinding.NobodyHasATotal none ->
          none.tools().size() == 1
              ? Voice.say("answer.no-total.one", "tools", names(none.tools()))
              : Voice.say("answer.no-total.many", "tools", names(none.tools()));
      case AnswerFinding.OnlyOneDoes only ->
          Voice.say(
              only.alone() ? "answer.only-one.alone" : "answer.only-one",
              "tool",
              name(only.tool()));
      case AnswerFinding.CheapestThatDoes cheapest -> cheapest(cheapest);
      case AnswerFinding.Ahead ahead -> Voice.all(ahead(ahead), notFirmly(ahead));
      case AnswerFinding.DecisionToday today -> today(today);
      case AnswerFinding.WhoDoes does -> whoDoes(does);
    };
  }

  /** An answer in a few words, where its tool stands beside it. */
  String inShort(AnswerFinding answer) {
    return switch (answer) {
      case AnswerFinding.NobodyCompared nobody -> Voice.say("answer.short.nobody-compared");
      case AnswerFinding.NobodyDoes none ->
          Voice.say(
              none.toConfirm().isEmpty()
                  ? "answer.short.none-meets"
                  : "answer.short.none-confirmed");
      case AnswerFinding.NobodyHasATotal none ->
          Voice.say("answer.short.no-total", "tools", names(none.tools()));
      case AnswerFinding.OnlyOneDoes only ->
          Voice.say(only.alone() ? "answer.short.only-one.alone" : "answer.short.only-one");
      case AnswerFinding.CheapestThatDoes cheapest -> cheapestInShort(cheapest);
      case AnswerFinding.Ahead ahead ->
          ahead.tools().size() > 1
              ? Voice.say("answer.short.level", "tools", names(ahead.tools()))
              : Voice.say(
                  ahead.isCertain()
                      ? "answer.short.leads-in-every-case"
                      : "answer.short.leads-not-firmly");
      case AnswerFinding.DecisionToday today -> today(today);
      case AnswerFinding.WhoDoes does -> whoDoes(does);
    };
  }

  private String noneMeets(List<String> toConfirm) {
    return toConfirm.isEmpty()
        ? Voice.say("answer.none-meets")
        : toConfirm.size() == 1
            ? Voice.say("answer.none-meets.may.one", "tools", names(toConfirm))
            : Voice.say("answer.none-meets.may.many", "tools", names(toConfirm));
  }

  private String whoDoes(AnswerFinding.WhoDoes does) {
    List<String> doing = does.doing();
    int all = doing.size() + does.toConfirm().size() + does.not().size();
    if (all == 0) {
      return Voice.say("answer.nobody-compared");
    }
    if (doing.isEmpty()) {
      return noneMeets(does.toConfirm());
    }
    List<String> sentences = new ArrayList<>();
    sentences.add(
        doing.size() == all && all > 2
            ? Voice.say("answer.covers.all", "count", Figures.inWords(all))
            : doing.size() == 1
                ? Voice.say("answer.covers.one", "tools", names(doing))
                : Voice.say("answer.covers.many", "tools", names(doing)));
    if (!does.toConfirm().isEmpty()) {
      sentences.add(
          does.toConfirm().size() == 1
              ? Voice.say("answer.covers.may.one", "tools", names(does.toConfirm()))
              : Voice.say("answer.covers.may.many", "tools", names(does.toConfirm())));
    }
    if (!does.not().isEmpty()) {
      sentences.add(
          does.not().size() == 1
              ? Voice.say("answer.covers.not.one", "tools", names(does.not()))
              : Voice.say("answer.covers.not.many", "tools", names(does.not())));
    }
    return String.join(" ", sentences);
  }

  private String today(AnswerFinding.DecisionToday today) {
    if (today.first().isEmpty()) {
      return Voice.say("answer.today.nobody");
    }
    if (!today.stands()) {
      return Voice.say("answer.today.another", "tools", names(today.first()));
    }
    return today.first().size() == 1
        ? Voice.say("answer.today.first")
        : Voice.say("answer.today.level", "tools", names(today.first()));
  }

  private String cheapest(AnswerFinding.CheapestThatDoes cheapest) {
    Map<String, String> places = Map.of("tools", names(cheapest.tools()), "months", length());
    boolean one = cheapest.tools().size() == 1;
    String who =
        cheapest.now()
            ? Voice.say(one ? "answer.cheapest.now.one" : "answer.cheapest.now.many", places)
            : Voice.say(one ? "answer.cheapest.whole.one" : "answer.cheapest.whole.many", places);
    return Voice.all(who, mayCostLess(cheapest.open()), Voice.say("answer.no-totals"));
  }

  private String cheapestInShort(AnswerFinding.CheapestThatDoes cheapest) {
    boolean certain = cheapest.open().isEmpty();
    return cheapest.tools().size() == 1
        ? Voice.say(certain ? "answer.short.cheapest" : "answer.short.cheapest.as-known")
        : Voice.say(
            certain ? "answer.short.equally-cheap" : "answer.short.equally-cheap.as-known",
            "tools",
            names(cheapest.tools()));
  }

  private String ahead(AnswerFinding.Ahead ahead) {
    if (ahead.tools().size() > 1) {
      return Voice.say("answer.leads.level", "tools", names(ahead.tools()));
    }
    String tool = names(ahead.tools());
    Map<String, String> places = Map.of("tool", tool, "months", length());
    String leads =
        switch (ahead.cost()) {
          case NOW_AND_WHOLE -> Voice.say("answer.leads.cheapest-always", places);
          case WHOLE -> Voice.say("answer.leads.cheapest-in-all", places);
          case NOW -> Voice.say("answer.leads.cheapest-today", places);
          case NEITHER -> Voice.say("answer.leads.not-cheapest", "tool", tool);
          case NOT_KNOWN -> Voice.say("answer.leads.cost-not-known", "tool", tool);
        };
    boolean ofCheapest =
        ahead.cost() != AnswerFinding.Cheapness.NEITHER
            && ahead.cost() != AnswerFinding.Cheapness.NOT_KNOWN;
    return Voice.all(leads, ofCheapest ? mayCostLess(ahead.open()) : "");
  }

  private String notFirmly(AnswerFinding.Ahead ahead) {
    return ahead.tools().size() > 1 || ahead.isCertain()
        ? ""
        : Voice.say(
            "answer.leads.not-firmly",
            "tools",
            Voice.choice(ahead.mayPass().stream().map(this::name).toList()));
  }

  /** An answer where a sentence above says already how firm it is. */
  String besideFirmness(AnswerFinding answer) {
    if (!(answer instanceof AnswerFinding.Ahead ahead)) {
      return of(answer);
    }
    if (ahead.tools().size() > 1) {
      return ahead(ahead);
    }
    Map<String, String> places = Map.of("tool", names(ahead.tools()), "months", length());
    String tool = names(ahead.tools());
    return switch (ahead.cost()) {
      case NOW_AND_WHOLE ->
          Voice.all(Voice.say("answer.also.cheapest-always", places), mayCostLess(ahead.open()));
      case WHOLE ->
          Voice.all(Voice.say("answer.also.cheapest-in-all", places), mayCostLess(ahead.open()));
      case NOW ->
          Voice.all(Voice.say("answer.also.cheapest-today", places), mayCostLess(ahead.open()));
      case NEITHER -> Voice.say("answer.also.not-cheapest", "tool", tool);
      case NOT_KNOWN -> Voice.say("answer.also.cost-not-known", "tool", tool);
    };
  }
}
