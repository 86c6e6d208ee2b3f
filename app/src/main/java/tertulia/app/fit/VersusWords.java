package tertulia.app.fit;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
import tertulia.app.display.Figures;
import tertulia.app.display.Voice;
import tertulia.core.evaluation.HeadToHead;
import tertulia.core.evaluation.HeadToHead.Apart;
import tertulia.core.evaluation.HeadToHead.Side;
import tertulia.core.evaluation.HeadToHead.Turn;
import tertulia.core.fit.Need;
import tertulia.core.scoring.Totals.Margin;

/** What a head to head comes to in words; every clause is one of its figures, none is a guess. */
final class VersusWords {
  private VersusWords() {}

  /** Who is ahead in all, by criteria and in money, and whether these agree. */
  static List<String> verdict(HeadToHead found, String left, String right) {
    List<String> says = new ArrayList<>();
    says.add(total(found, left, right));
    if (!found.criteria().isEmpty()) {
      says.add(criteria(found, left, right));
    }
    says.add(money(found, left, right));
    musts(found, left, right, says);
    agree(found, left, right, says);
    return says;
  }

  private static String total(HeadToHead found, String left, String right) {
    if (found.total().isEmpty()) {
      return Voice.say("versus.total.none");
    }
    HeadToHead.Lead lead = found.total().get();
    String by = Figures.apart(lead.apart());
    if (lead.margin() == Margin.TIE) {
      return Voice.say("versus.total.tie", "by", by);
    }
    return Voice.say(
        lead.certain() ? "versus.total.ahead" : "versus.total.ahead.open",
        Map.of(
            "tool",
            name(lead.side().orElseThrow(), left, right),
            "by",
            by,
            "margin",
            lead.margin().words()));
  }

  private static String criteria(HeadToHead found, String left, String right) {
    long l = found.wins(Side.LEFT);
    long r = found.wins(Side.RIGHT);
    long open = found.open();
    long ties = found.criteria().size() - l - r - open;
    return Voice.all(
        Voice.say(
            "versus.wins",
            Map.of("first", left, "own", count(l), "other", right, "others", count(r))),
        some(ties, "versus.wins.ties.one", "versus.wins.ties.many"),
        some(open, "versus.wins.open.one", "versus.wins.open.many"),
        Voice.say("versus.wins.not-weighted"));
  }

  private static String some(long count, String one, String many) {
    if (count == 0) {
      return "";
    }
    return count == 1 ? Voice.say(one) : Voice.say(many, "count", count);
  }

  private static String count(long criteria) {
    return criteria == 0
        ? Voice.say("versus.part.criteria.none")
        : some(criteria, "versus.part.criteria.one", "versus.part.criteria.many");
  }

  private static String money(HeadToHead found, String left, String right) {
    return switch (found.horizon()) {
      case Apart.Same same -> Voice.say("versus.money.same");
      case Apart.Cheaper cheaper ->
          Voice.say(
              cheaper.atLeast() ? "versus.money.cheaper.at-least" : "versus.money.cheaper",
              Map.of(
                  "tool",
                  name(cheaper.side(), left, right),
                  "cost",
                  Figures.moneyIn(cheaper.by())));
      case Apart.Open open -> Voice.say("versus.money.open");
      case Apart.NotKnown unknown -> Voice.say("versus.money.not-known");
    };
  }

  private static void musts(HeadToHead found, String left, String right, List<String> says) {
    for (Side side : Side.values()) {
      List<Need> only = found.mustsBetter(side);
      if (!only.isEmpty()) {
        says.add(
            Voice.say(
                "versus.musts",
                Map.of(
                    "tool",
                    name(side, left, right),
                    "needs",
                    Voice.list(only.stream().map(need -> need.capability().name()).toList()))));
      }
    }
  }

  private static void agree(HeadToHead found, String left, String right, List<String> says) {
    if (found.agrees().isEmpty() || !(found.horizon() instanceof Apart.Cheaper cheaper)) {
      return;
    }
    String ahead = name(found.total().flatMap(HeadToHead.Lead::side).orElseThrow(), left, right);
    says.add(
        found.agrees().get()
            ? Voice.say("versus.agree", "tool", ahead)
            : Voice.say(
                "versus.disagree",
                Map.of("tool", ahead, "other", name(cheaper.side(), left, right))));
  }

  private static String name(Side side, String left, String right) {
    return side == Side.LEFT ? left : right;
  }

  /** What would turn the order of the two, a sentence each. */
  static List<String> turns(HeadToHead found, UnaryOperator<String> name) {
    List<String> says = new ArrayList<>();
    for (Turn turn : found.turns()) {
      says.add(
          switch (turn) {
            case Turn.Weight weight ->
                Voice.say(
                    "versus.turn.weight",
                    Map.of(
                        "criterion",
                        weight.criterion().name(),
                        "other",
                        Figures.tenths(weight.level()),
                        "own",
                        Figures.tenths(weight.now())));
            case Turn.Headcount headcount ->
                Voice.say(
                    "versus.turn.people",
                    Map.of(
                        "people",
                        Figures.counted(headcount.people(), "people"),
                        "tool",
                        name.apply(headcount.cheaper())));
            case Turn.WithoutNeed need ->
                Voice.say(
                    "versus.turn.need",
                    Map.of(
                        "need",
                        need.need().capability().name(),
                        "tool",
                        name.apply(need.cheaper())));
          });
    }
    return says;
  }
}
