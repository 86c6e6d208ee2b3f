package tertulia.app.display;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.joda.money.Money;
import tertulia.core.evaluation.Selection;
import tertulia.core.finding.Advice;
import tertulia.core.firmness.NearestUpset;
import tertulia.core.firmness.WeightRoom;
import tertulia.core.path.Terms;
import tertulia.core.scoring.Criterion;
import tertulia.core.sensitivity.Condition;
import tertulia.core.sensitivity.FindOut;
import tertulia.core.sensitivity.Otherwise;
import tertulia.core.sensitivity.ScenarioGrid;
import tertulia.core.sensitivity.Sizes;
import tertulia.core.sensitivity.Tried;

/** The one place where advice becomes sentences. */
public record AdviceWords(Selection selection) {

  /** A sentence with its full stop. */
  public String of(Advice advice) {
    return switch (advice) {
      case Advice.Firmness firmness -> firmness(firmness);
      case Advice.Take take -> take(take);
      case Advice.Never never -> never(never);
      case Advice.BySize sizes -> bySize(sizes);
      case Advice.Next next -> next(next.what());
      case Advice.MoreOften more ->
          Voice.say(
              "advice.first-more-often",
              Map.of(
                  "ahead",
                  name(more.ahead()),
                  "other",
                  name(more.other()),
                  "others",
                  percent(more.othersShare()),
                  "own",
                  percent(more.share())));
      case Advice.AtThisSize at ->
          Voice.say(
              "advice.at-this-size",
              Map.of(
                  "people",
                  Figures.counted(at.people(), "people"),
                  "now",
                  name(at.now()),
                  "whole",
                  name(at.whole())));
      case Advice.Tightest tightest -> tightest(tightest);
      case Advice.Nearest nearest -> nearest(nearest);
      case Advice.HoldsFor holds -> holdsFor(holds);
      case Advice.Mattering mattering -> mattering(mattering);
      case Advice.Beaten beaten ->
          Voice.say(
              beaten.by().size() == 1 ? "advice.beaten.one" : "advice.beaten.many",
              Map.of(
                  "tool",
                  name(beaten.tool()),
                  "others",
                  Voice.list(beaten.by().stream().map(this::name).toList())));
      case Advice.MoreWorth more ->
          Voice.say(
              "advice.price-of-score",
              Map.of(
                  "from",
                  name(more.step().from()),
                  "to",
                  name(more.step().to()),
                  "each",
                  Figures.moneyIn(more.step().each())));
      case Advice.Weighed weighed -> weighted(weighed);
    };
  }

  private String firmness(Advice.Firmness firmness) {
    String because = because(firmness);
    return lead(firmness) + (because.isEmpty() ? "" : " " + because);
  }

  private static String weighted(Advice.Weighed weighed) {
    if (weighed.of() == 0) {
      return Voice.say("advice.weights.no-panel");
    }
    if (weighed.so() == 0) {
      return Voice.say("advice.weights.none");
    }
    return weighed.so() == 1
        ? Voice.say("advice.weights.one", "of", weighed.of())
        : Voice.say("advice.weights.many", Map.of("so", weighed.so(), "of", weighed.of()));
  }

  /** How firm a lead is, in the first of its sentences. */
  public String lead(Advice.Firmness firmness) {
    String ahead = firmness.ahead().map(this::name).orElse("");
    return switch (firmness.grade()) {
      case ALONE -> Voice.say("advice.lead.alone");
      case OPEN ->
          ahead.isEmpty()
              ? Voice.say("advice.lead.nobody")
              : Voice.say(
                  "advice.lead.open",
                  Map.of(
                      "tool",
                      ahead,
                      "others",
                      Voice.choice(firmness.mayPass().stream().map(this::name).toList())));
      case NOT_FIRM ->
          Voice.all(
              Voice.say("advice.lead.not-firm", "tool", ahead),
              firmness.within().stream().map(AdviceWords::within).collect(Collectors.joining(" ")));
      case HOLDS -> Voice.say("advice.lead.holds", "tool", ahead);
      case FIRM -> Voice.say("advice.lead.firm", "tool", ahead);
    };
  }

  /** What that rests on, in the second; empty if nobody is ahead or nothing was tried. */
  public String because(Advice.Firmness firmness) {
    if (firmness.grade() == Advice.Grade.ALONE || firmness.ahead().isEmpty()) {
      return "";
    }
    String share =
        firmness.share().map(s -> Voice.say("advice.lead.share", "share", percent(s))).orElse("");
    return Voice.all(
        share, firmness.tried() == 0 ? "" : tried(firmness.tried(), firmness.turned()));
  }

  private static String tried(int tried, int turned) {
    return switch (turned) {
      case 0 -> Voice.say("advice.lead.tried.none", "tried", tried);
      case 1 -> Voice.say("advice.lead.tried.one", "tried", tried);
      default -> Voice.say("advice.lead.tried.many", Map.of("tried", tried, "turned", turned));
    };
  }

  private static String within(Advice.Within within) {
    return switch (within) {
      case PEOPLE_PLANNED -> Voice.say("advice.within.people");
      case GROWTH -> Voice.say("advice.within.growth");
      case A_VIEW -> Voice.say("advice.within.view");
      case WEIGHTS -> Voice.say("advice.within.weights");
    };
  }

  private String take(Advice.Take take) {
    String name = name(take.tool());
    if (take.when().isEmpty()) {
      return Voice.say(
          take.othersBySize() ? "advice.choose.but-by-size" : "advice.choose", "tool", name);
    }
    List<String> sizes = new ArrayList<>();
    List<String> ifs = new ArrayList<>();
    for (Condition condition : take.when()) {
      (condition instanceof Condition.Between ? sizes : ifs).add(of(condition));
    }
    String saves =
        take.saves()
            .map(money ->
                ": that saves "
                    + Figures.moneyIn(money)
                    + " over the "
                    + counted(selection.horizon().months(), "month", "months"))
            .orElse("");
    return "Take "
        + name
        + (sizes.isEmpty() ? "" : " " + listed(sizes))
        + (ifs.isEmpty() ? "" : (take.leads() ? " as long as " : " if ") + listed(ifs))
        + saves
        + ".";
  }

  /** A condition, as it reads after "take it" or "if". */
  public String of(Condition condition) {
    return switch (condition) {
      case Condition.Between between -> between(between);
      case Condition.If given -> given(given.otherwise());
      case Condition.Unless unless -> unless(unless.other());
      case Condition.Weight weight ->
          quoted(weight.criterion().name())
              + " weighs "
              + (weight.from() == 0
                  ? "at most " + weight.to() + "\u00a0%"
                  : weight.to() == 100
                      ? "at least " + weight.from() + "\u00a0%"
                      : weight.from() + " to " + weight.to() + "\u00a0%");
      case Condition.Worth worth -> worth(worth, "its");
      case Condition.Costs costs -> costs(costs);
      case Condition.Without without -> without.member().name() + "’s view did not count";
    };
  }

  private String between(Condition.Between between) {
    String what =
        switch (between.axis()) {
          case Sizes.Axis.Headcount people -> "people";
          case Sizes.Axis.Quantity quantity -> quantity.measure().label();
        };
    if (between.isEverywhere()) {
      return "for any number of " + what;
    }
    if (between.first()) {
      return "up to " + Figures.counted(between.to(), what);
    }
    if (between.last()) {
      return "from " + Figures.counted(between.from(), what) + " on";
    }
    return between.from() == between.to()
        ? "for just " + Figures.counted(between.to(), what)
        : "from " + Figures.whole(between.from()) + " to " + Figures.counted(between.to(), what);
  }

  private static String counted(Condition.Between between, String than, long number) {
    String what =
        switch (between.axis()) {
          case Sizes.Axis.Headcount people -> "people";
          case Sizes.Axis.Quantity quantity -> quantity.measure().label();
        };
    return "there are " + than + " than " + Figures.counted(number, what);
  }

  /** Where it is not so. */
  private static String outside(Condition.Between between) {
    if (between.first()) {
      return counted(between, "more", between.to());
    }
    return between.last()
        ? counted(between, "fewer", between.from())
        : counted(between, "fewer", between.from())
            + " or more than "
            + Figures.whole(between.to());
  }

  private String given(Otherwise otherwise) {
    return switch (otherwise) {
      case Otherwise.Dropped dropped ->
          quoted(dropped.need().capability().name()) + " can be done without";
      case Otherwise.Required required ->
          quoted(required.need().capability().name()) + " must be there";
      case Otherwise.Term term -> terms(term.terms());
      case Otherwise.Growth growth -> "growth comes out " + growth.scenario().words();
      case Otherwise.Rise rise ->
          "prices rise by " + Figures.percentAsEntered(rise.rise().perYear()) + " a year";
      case Otherwise.Confirmed confirmed ->
          name(confirmed.tool())
              + (confirmed.there() ? " turns out to have " : " turns out not to have ")
              + quoted(confirmed.capability().name());
      case Otherwise.TurnedOut turned ->
          name(turned.tool()) + " no longer has " + quoted(turned.capability().name());
    };
  }

  private static String terms(Terms terms) {
    return switch (terms) {
      case ANY -> "any term may be taken";
      case MONTHLY -> "only terms by the month are taken";
      case COMMITTED -> "only committed terms are taken";
    };
  }

  private String unless(Condition other) {
    return switch (other) {
      case Condition.If given -> unless(given.otherwise());
      case Condition.Worth worth -> "that is not so of another: " + worth(worth, "its");
      case Condition.Costs costs -> "that is not so of another: " + costs(costs);
      case Condition.Without without -> without.member().name() + "’s view counts";
      case Condition.Between between -> outside(between);
      case Condition.Weight weight -> "it is not so that " + of(weight);
      case Condition.Unless again -> of(again.other());
    };
  }

  private String unless(Otherwise otherwise) {
    return switch (otherwise) {
      case Otherwise.Dropped dropped ->
          quoted(dropped.need().capability().name()) + " must be there";
      case Otherwise.Required required ->
          quoted(required.need().capability().name()) + " need not be there";
      case Otherwise.Term term ->
          switch (term.terms()) {
            case ANY -> "not every term may be taken";
            case MONTHLY -> "committed terms may be taken";
            case COMMITTED -> "terms by the month may be taken";
          };
      case Otherwise.Growth growth -> "growth does not come out " + growth.scenario().words();
      case Otherwise.Rise rise ->
          "prices do not rise by " + Figures.percentAsEntered(rise.rise().perYear()) + " a year";
      case Otherwise.Confirmed confirmed ->
          "it is not confirmed that "
              + name(confirmed.tool())
              + " has "
              + quoted(confirmed.capability().name());
      case Otherwise.TurnedOut turned ->
          name(turned.tool()) + " still has " + quoted(turned.capability().name());
    };
  }

  private String worth(Condition.Worth worth, String whose) {
    Criterion criterion = worth.criterion();
    return switch (criterion.kind()) {
      case Criterion.Judged judged ->
          whose
              + " mark for "
              + quoted(criterion.name())
              + " is "
              + worth.value().movePointRight(1).stripTrailingZeros().toPlainString()
              + " or more";
      case Criterion.Cost cost -> atLeast(criterion, worth.value());
      case Criterion.CostAsFound found -> atLeast(criterion, worth.value());
      case Criterion.Coverage coverage -> atLeast(criterion, worth.value());
      case Criterion.Ratings ratings -> atLeast(criterion, worth.value());
      case Criterion.Measured measured -> atLeast(criterion, worth.value());
    };
  }

  private String costs(Condition.Costs costs) {
    return "it costs "
        + Figures.moneyIn(Money.of(selection.currency(), costs.most()))
        + " a month or less, in the mean of the months";
  }

  private static String atLeast(Criterion criterion, BigDecimal value) {
    return "it is worth "
        + value.setScale(2, RoundingMode.HALF_UP)
        + " of 1 or more under "
        + quoted(criterion.name());
  }

  private String bySize(Advice.BySize sizes) {
    return "By number of people alone, each at its cost a head: "
        + listed(
            sizes.ranges().stream()
                .map(range -> name(range.tool()) + " leads " + between(range.people()))
                .toList())
        + "."
        + (sizes.gaps() ? " At the other numbers planned no contender leads in every case." : "");
  }

  private String never(Advice.Never never) {
    return Voice.say(
        "advice.never.tried",
        Map.of(
            "tools",
            Voice.list(never.tools().stream().map(this::name).toList()),
            "changes",
            tried(never.tried())));
  }

  /** Who leads nowhere, without what was tried. */
  public String inShort(Advice.Never never) {
    return Voice.say(
        "advice.never", "tools", Voice.list(never.tools().stream().map(this::name).toList()));
  }

  /** Under what it was looked, such as "1 to 500 people, 3 musts given up". */
  public String tried(Tried tried) {
    List<String> parts = new ArrayList<>();
    if (tried.people() > 0) {
      parts.add("1 to " + Figures.counted(tried.people(), "people"));
    }
    tried.quantities().forEach(measure -> parts.add("any number of " + measure.label()));
    count(parts, tried.dropped(), "must given up", "musts given up");
    count(parts, tried.required(), "other need made a must", "other needs made musts");
    count(parts, tried.terms(), "other choice of terms", "other choices of terms");
    count(parts, tried.scenarios(), "other growth", "other growths");
    count(parts, tried.facts(), "fact confirmed", "facts confirmed");
    count(parts, tried.weights(), "weight from 0 to 100\u00a0%", "weights from 0 to 100\u00a0%");
    count(parts, tried.views(), "view left out", "views left out");
    return parts.isEmpty() ? "there was nothing to try" : listed(parts) + ", one at a time";
  }

  private static void count(List<String> parts, int count, String one, String many) {
    if (count > 0) {
      parts.add(counted(count, one, many));
    }
  }

  private String next(FindOut what) {
    String first =
        Voice.say(
            what.turns() ? "advice.find-out.turns" : "advice.find-out",
            "question",
            of(what.unknown()));
    return what.change() == 0
        ? first
        : Voice.all(
            first,
            Voice.say(
                "advice.find-out.share",
                Map.of(
                    "tool",
                    name(what.gains()),
                    "least",
                    percent(what.least()),
                    "most",
                    percent(what.most()))));
  }

  /** What is not known, as it reads after "find out". */
  public String of(FindOut.Unknown unknown) {
    return switch (unknown) {
      case FindOut.Unknown.Worth worth ->
          switch (worth.criterion().kind()) {
            case Criterion.Judged judged ->
                "how good " + name(worth.tool()) + " is at " + quoted(worth.criterion().name());
            case Criterion.Cost cost -> "what " + name(worth.tool()) + " costs";
            case Criterion.CostAsFound cost -> "what " + name(worth.tool()) + " costs";
            case Criterion.Coverage coverage ->
                "what " + name(worth.tool()) + " has of what should be there";
            case Criterion.Ratings ratings -> "how others rate " + name(worth.tool());
            case Criterion.Measured measured ->
                quoted(worth.criterion().name()) + " of " + name(worth.tool());
          };
      case FindOut.Unknown.Has has ->
          "whether " + name(has.tool()) + " has " + quoted(has.capability().name());
      case FindOut.Unknown.StillHas still ->
          "whether "
              + name(still.tool())
              + " still has "
              + quoted(still.capability().name())
              + ", last read "
              + Dates.day(still.asOf());
    };
  }

  private String holdsFor(Advice.HoldsFor holds) {
    String name = name(holds.tool());
    if (!holds.first()) {
      return name + " is not first alone as things stand.";
    }
    List<String> parts = new ArrayList<>();
    holds.people().map(people -> between(people) + ", taken by themselves").ifPresent(parts::add);
    if (!holds.rooms().isEmpty()) {
      String weights = listed(holds.rooms().stream().map(AdviceWords::within).toList());
      parts.add(
          (holds.certain() ? "by the middle of the totals " : "")
              + "while "
              + weights
              + (holds.rooms().size() == 1 ? "" : ", one weight moved at a time"));
    }
    String first = holds.certain() ? "first" : "ahead by the middle of the totals";
    return parts.isEmpty()
        ? name + " is " + first + " as things stand."
        : name + " stays " + first + " " + String.join(", and ", parts) + ".";
  }

  private static String within(WeightRoom room) {
    String name = quoted(room.criterion().name()) + " weighs ";
    if (room.low().takesOver().isEmpty()) {
      return name + "less than " + share(room.high().weight());
    }
    return room.high().takesOver().isEmpty()
        ? name + "more than " + share(room.low().weight())
        : name + share(room.low().weight()) + " to " + share(room.high().weight());
  }

  private static String mattering(Advice.Mattering mattering) {
    return mattering.axes().isEmpty()
        ? "Whatever of this is combined, it does not change who leads."
        : "What changes who leads: "
            + listed(mattering.axes().stream().map(AdviceWords::axis).toList())
            + ". The rest does not, alone.";
  }

  private static String axis(ScenarioGrid.Axis axis) {
    return switch (axis) {
      case GROWTH -> "growth";
      case RISE -> "the price rise";
      case TERMS -> "the terms";
      case NEEDS -> "which musts are kept";
    };
  }

  private String tightest(Advice.Tightest tightest) {
    WeightRoom room = tightest.room();
    return "Of the weights "
        + quoted(room.criterion().name())
        + " has the least room: "
        + name(tightest.leader())
        + " stays ahead from "
        + share(room.low().weight())
        + " to "
        + share(room.high().weight())
        + ", now "
        + share(room.weight())
        + ends(room)
        + ".";
  }

  /** Who takes over at which end. */
  public String ends(WeightRoom room) {
    String below =
        room.low().takesOver().isEmpty() ? "" : "; below, " + names(room.low()) + takes(room.low());
    String above =
        room.high().takesOver().isEmpty()
            ? ""
            : "; above, " + names(room.high()) + takes(room.high());
    return below + above;
  }

  private static String takes(WeightRoom.End end) {
    return end.takesOver().size() == 1 ? " takes over" : " take over";
  }

  private String names(WeightRoom.End end) {
    return listed(end.takesOver().stream().map(this::name).toList());
  }

  private String nearest(Advice.Nearest nearest) {
    NearestUpset upset = nearest.upset();
    List<NearestUpset.Move> gains =
        nearest.moves().stream().filter(move -> move.by().signum() > 0).toList();
    List<NearestUpset.Move> losses =
        nearest.moves().stream().filter(move -> move.by().signum() < 0).toList();
    String how =
        gains.isEmpty() || losses.isEmpty()
            ? ""
            : ", from " + criteria(losses) + " to " + criteria(gains);
    return name(upset.contender())
        + " is level with the first if "
        + share(upset.shift())
        + " of the weight moves"
        + how
        + ".";
  }

  private static String criteria(List<NearestUpset.Move> moves) {
    return listed(moves.stream().map(move -> quoted(move.criterion().name())).toList());
  }

  private String name(String tool) {
    return selection.contenders().stream()
        .filter(c -> c.id().equals(tool))
        .map(c -> c.tool().name())
        .findFirst()
        .orElse(tool);
  }

  private static String quoted(String name) {
    return "“" + name + "”";
  }

  private static String counted(int count, String one, String many) {
    return Figures.whole(count) + " " + (count == 1 ? one : many);
  }

  /** A share as whole percent; what is not nothing and not all is never said to be. */
  public static String percent(double share) {
    long whole = Math.round(share * 100);
    if (whole == 0 && share > 0) {
      return "under 1\u00a0%";
    }
    return whole == 100 && share < 1 ? "over 99\u00a0%" : whole + "\u00a0%";
  }

  /** A weight as percent to a tenth. */
  public static String share(BigDecimal weight) {
    return weight.movePointRight(2).setScale(1, RoundingMode.HALF_UP).toPlainString() + "\u00a0%";
  }

  private static String listed(List<String> names) {
    return names.size() <= 1
        ? String.join("", names)
        : String.join(", ", names.subList(0, names.size() - 1)) + " and " + names.getLast();
  }

  /** What a reader does to find out, as it stands on a button. */
  public static String verb(FindOut.Unknown unknown) {
    return switch (unknown) {
      case FindOut.Unknown.Worth worth ->
          worth.criterion().kind() instanceof Criterion.Judged ? "Mark it" : "Enter it";
      case FindOut.Unknown.Has has -> "Record it";
      case FindOut.Unknown.StillHas still -> "Confirm it";
    };
  }
}
