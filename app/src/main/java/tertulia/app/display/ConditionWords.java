package tertulia.app.display;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.joda.money.Money;
import tertulia.core.evaluation.Selection;
import tertulia.core.firmness.StabilityRange;
import tertulia.core.fit.Capability;
import tertulia.core.path.Terms;
import tertulia.core.scoring.Criterion;
import tertulia.core.sensitivity.Condition;
import tertulia.core.sensitivity.FindOut;
import tertulia.core.sensitivity.Otherwise;
import tertulia.core.sensitivity.Sizes;
import tertulia.core.sensitivity.Tried;

/** Under what something holds, and what is not known: parts of sentences. */
record ConditionWords(Selection selection) {

  /** A condition, as it reads after "if"; of a number of people after the contender's name. */
  String of(Condition condition) {
    return switch (condition) {
      case Condition.Between between -> between(between);
      case Condition.If given -> given(given.otherwise());
      case Condition.Unless unless -> unless(unless.other());
      case Condition.Weight weight -> weight(weight);
      case Condition.Worth worth -> score(worth, "condition.part.mark", "condition.part.score");
      case Condition.Costs costs -> Voice.say("condition.part.costs", "cost", cost(costs));
      case Condition.Without without ->
          Voice.say("condition.part.without", "member", without.member().name());
    };
  }

  private static String weight(Condition.Weight weight) {
    String criterion = quoted(weight.criterion().name());
    if (weight.from() == 0) {
      return Voice.say(
          "condition.part.weight.most",
          Map.of("criterion", criterion, "share", weight.to() + "\u00a0%"));
    }
    return weight.to() == 100
        ? Voice.say(
            "condition.part.weight.least",
            Map.of("criterion", criterion, "share", weight.from() + "\u00a0%"))
        : Voice.say(
            "condition.part.weight.between",
            Map.of(
                "criterion", criterion, "least", weight.from(), "most", weight.to() + "\u00a0%"));
  }

  /** For which numbers of people, or of a quantity. */
  String between(Condition.Between between) {
    String units = units(between);
    if (between.isEverywhere()) {
      return Voice.say("condition.part.size.any", "units", units);
    }
    if (between.first()) {
      return Voice.say("condition.part.size.up-to", "amount", Figures.counted(between.to(), units));
    }
    if (between.last()) {
      return Voice.say(
          "condition.part.size.from", "amount", Figures.counted(between.from(), units));
    }
    String most = Figures.counted(between.to(), units);
    return between.from() == between.to()
        ? Voice.say("condition.part.size.just", "amount", most)
        : Voice.say(
            "condition.part.size.between",
            Map.of("least", Figures.whole(between.from()), "amount", most));
  }

  private static String units(Condition.Between between) {
    return switch (between.axis()) {
      case Sizes.Axis.Headcount people -> "people";
      case Sizes.Axis.Quantity quantity -> quantity.measure().label();
    };
  }

  private static String outside(Condition.Between between) {
    String fewer = Figures.counted(between.from(), units(between));
    String more = Figures.counted(between.to(), units(between));
    if (between.first()) {
      return Voice.say("condition.part.outside.more", "amount", more);
    }
    return between.last()
        ? Voice.say("condition.part.outside.fewer", "amount", fewer)
        : Voice.say(
            "condition.part.outside.both",
            Map.of("amount", fewer, "most", Figures.whole(between.to())));
  }

  private String given(Otherwise otherwise) {
    return switch (otherwise) {
      case Otherwise.Dropped dropped ->
          Voice.say("condition.part.no-must", "need", need(dropped.need().capability()));
      case Otherwise.Required required ->
          Voice.say("condition.part.must", "need", need(required.need().capability()));
      case Otherwise.Term term -> terms(term.terms());
      case Otherwise.Growth growth ->
          Voice.say("condition.part.growth", "scenario", growth.scenario().words());
      case Otherwise.Rise rise -> Voice.say("condition.part.rise", "share", share(rise));
      case Otherwise.Confirmed confirmed ->
          Voice.say(
              confirmed.there() ? "condition.part.has" : "condition.part.has-not",
              Map.of("tool", name(confirmed.tool()), "need", need(confirmed.capability())));
      case Otherwise.TurnedOut turned ->
          Voice.say(
              "condition.part.no-longer",
              Map.of("tool", name(turned.tool()), "need", need(turned.capability())));
    };
  }

  private static String terms(Terms terms) {
    return switch (terms) {
      case ANY -> Voice.say("condition.part.terms.any");
      case MONTHLY -> Voice.say("condition.part.terms.monthly");
      case COMMITTED -> Voice.say("condition.part.terms.committed");
    };
  }

  private String unless(Condition other) {
    return switch (other) {
      case Condition.If given -> unless(given.otherwise());
      case Condition.Worth worth ->
          score(worth, "condition.part.mark.below", "condition.part.score.below");
      case Condition.Costs costs -> Voice.say("condition.part.costs.more", "cost", cost(costs));
      case Condition.Without without ->
          Voice.say("condition.part.with", "member", without.member().name());
      case Condition.Between between -> outside(between);
      case Condition.Weight weight ->
          Voice.say(
              "condition.part.weight.not",
              Map.of(
                  "criterion",
                  quoted(weight.criterion().name()),
                  "least",
                  weight.from(),
                  "most",
                  weight.to() + "\u00a0%"));
      case Condition.Unless again -> of(again.other());
    };
  }

  private String unless(Otherwise otherwise) {
    return switch (otherwise) {
      case Otherwise.Dropped dropped ->
          Voice.say("condition.part.must", "need", need(dropped.need().capability()));
      case Otherwise.Required required ->
          Voice.say("condition.part.no-must", "need", need(required.need().capability()));
      case Otherwise.Term term ->
          switch (term.terms()) {
            case ANY -> Voice.say("condition.part.terms.not-any");
            case MONTHLY -> Voice.say("condition.part.terms.not-only-monthly");
            case COMMITTED -> Voice.say("condition.part.terms.not-only-committed");
          };
      case Otherwise.Growth growth ->
          Voice.say("condition.part.growth.not", "scenario", growth.scenario().words());
      case Otherwise.Rise rise -> Voice.say("condition.part.rise.not", "share", share(rise));
      case Otherwise.Confirmed confirmed ->
          Voice.say(
              "condition.part.not-confirmed",
              Map.of("tool", name(confirmed.tool()), "need", need(confirmed.capability())));
      case Otherwise.TurnedOut turned ->
          Voice.say(
              "condition.part.still",
              Map.of("tool", name(turned.tool()), "need", need(turned.capability())));
    };
  }

  /**
   * A bound of what a contender reaches under a criterion.
   *
   * @param mark the sentence if people mark it
   * @param score the sentence if it is found
   */
  private static String score(Condition.Worth worth, String mark, String score) {
    String criterion = quoted(worth.criterion().name());
    return worth.criterion().kind() instanceof Criterion.Judged
        ? Voice.say(
            mark,
            Map.of(
                "criterion",
                criterion,
                "w",
                worth.value().movePointRight(1).stripTrailingZeros().toPlainString()))
        : Voice.say(
            score,
            Map.of("criterion", criterion, "w", worth.value().setScale(2, RoundingMode.HALF_UP)));
  }

  private String cost(Condition.Costs costs) {
    return Figures.moneyIn(Money.of(selection.currency(), costs.most()));
  }

  /** In which range of a weight the one who leads stays ahead. */
  static String within(StabilityRange room) {
    String criterion = quoted(room.criterion().name());
    if (room.low().takesOver().isEmpty()) {
      return Voice.say(
          "condition.part.room.below",
          Map.of("criterion", criterion, "share", share(room.high().weight())));
    }
    return room.high().takesOver().isEmpty()
        ? Voice.say(
            "condition.part.room.above",
            Map.of("criterion", criterion, "share", share(room.low().weight())))
        : Voice.say(
            "condition.part.weight.between",
            Map.of(
                "criterion",
                criterion,
                "least",
                share(room.low().weight()),
                "most",
                share(room.high().weight())));
  }

  /** Under what it was looked, such as "1 to 500 people and 3 must-haves dropped". */
  static String tried(Tried tried) {
    List<String> parts = new ArrayList<>();
    if (tried.people() > 0) {
      parts.add(
          Voice.say(
              "condition.part.tried.people", "amount", Figures.counted(tried.people(), "people")));
    }
    tried
        .quantities()
        .forEach(measure ->
            parts.add(Voice.say("condition.part.tried.quantity", "units", measure.label())));
    count(
        parts,
        tried.dropped(),
        "condition.part.tried.dropped.one",
        "condition.part.tried.dropped.many");
    count(
        parts,
        tried.required(),
        "condition.part.tried.required.one",
        "condition.part.tried.required.many");
    count(
        parts, tried.terms(), "condition.part.tried.terms.one", "condition.part.tried.terms.many");
    count(
        parts,
        tried.scenarios(),
        "condition.part.tried.growth.one",
        "condition.part.tried.growth.many");
    count(
        parts, tried.facts(), "condition.part.tried.facts.one", "condition.part.tried.facts.many");
    count(
        parts,
        tried.weights(),
        "condition.part.tried.weights.one",
        "condition.part.tried.weights.many");
    count(
        parts, tried.views(), "condition.part.tried.views.one", "condition.part.tried.views.many");
    return parts.isEmpty()
        ? Voice.say("condition.part.tried.nothing")
        : Voice.say("condition.part.tried.all", "changes", Voice.list(parts));
  }

  private static void count(List<String> parts, int count, String one, String many) {
    if (count > 0) {
      parts.add(count == 1 ? Voice.say(one) : Voice.say(many, "count", Figures.whole(count)));
    }
  }

  /** What is not known, as it reads after "Find out first". */
  String of(FindOut.Unknown unknown) {
    return switch (unknown) {
      case FindOut.Unknown.Worth worth -> unknown(worth.criterion(), name(worth.tool()));
      case FindOut.Unknown.Has has ->
          Voice.say(
              "condition.part.unknown.has",
              Map.of("tool", name(has.tool()), "need", need(has.capability())));
      case FindOut.Unknown.StillHas still ->
          Voice.say(
              "condition.part.unknown.still",
              Map.of(
                  "tool",
                  name(still.tool()),
                  "need",
                  need(still.capability()),
                  "day",
                  Dates.day(still.asOf())));
    };
  }

  private static String unknown(Criterion criterion, String tool) {
    Map<String, String> both = Map.of("tool", tool, "criterion", quoted(criterion.name()));
    return switch (criterion.kind()) {
      case Criterion.Judged judged -> Voice.say("condition.part.unknown.mark", both);
      case Criterion.Cost cost -> Voice.say("condition.part.unknown.cost", "tool", tool);
      case Criterion.CostAsFound cost -> Voice.say("condition.part.unknown.cost", "tool", tool);
      case Criterion.Coverage coverage ->
          Voice.say("condition.part.unknown.coverage", "tool", tool);
      case Criterion.Ratings ratings -> Voice.say("condition.part.unknown.ratings", "tool", tool);
      case Criterion.Measured measured -> Voice.say("condition.part.unknown.measured", both);
    };
  }

  private static String share(Otherwise.Rise rise) {
    return Figures.percentAsEntered(rise.rise().perYear());
  }

  /** A weight as percent to a tenth. */
  static String share(BigDecimal weight) {
    return weight.movePointRight(2).setScale(1, RoundingMode.HALF_UP).toPlainString() + "\u00a0%";
  }

  String name(String tool) {
    return selection.contenders().stream()
        .filter(c -> c.id().equals(tool))
        .map(c -> c.tool().name())
        .findFirst()
        .orElse(tool);
  }

  private static String need(Capability capability) {
    return quoted(capability.name());
  }

  static String quoted(String name) {
    return "“" + name + "”";
  }
}
