package tertulia.app.display;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import tertulia.core.evaluation.Selection;
import tertulia.core.finding.Advice;
import tertulia.core.firmness.NearestUpset;
import tertulia.core.firmness.StabilityRange;
import tertulia.core.scoring.Criterion;
import tertulia.core.sensitivity.Condition;
import tertulia.core.sensitivity.FindOut;
import tertulia.core.sensitivity.ScenarioGrid;

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
              ? open(firmness)
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

  private String open(Advice.Firmness firmness) {
    List<String> level = firmness.mayPass().stream().map(this::name).toList();
    return level.size() > 1
        ? Voice.say("advice.lead.level", "tools", Voice.list(level))
        : Voice.say("advice.lead.nobody");
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
    return Voice.all(
        take(name, Voice.list(sizes), Voice.list(ifs), take.leads()),
        take.saves()
            .map(money ->
                Voice.say(
                    "advice.choose.saves",
                    Map.of(
                        "cost",
                        Figures.moneyIn(money),
                        "months",
                        Figures.counted(selection.horizon().months(), "months"))))
            .orElse(""));
  }

  private static String take(String tool, String sizes, String ifs, boolean leads) {
    if (ifs.isEmpty()) {
      return Voice.say("advice.choose.sizes", Map.of("tool", tool, "sizes", sizes));
    }
    if (sizes.isEmpty()) {
      return Voice.say(
          leads ? "advice.choose.while" : "advice.choose.if",
          Map.of("tool", tool, "conditions", ifs));
    }
    return Voice.say(
        leads ? "advice.choose.sizes-while" : "advice.choose.sizes-if",
        Map.of("tool", tool, "sizes", sizes, "conditions", ifs));
  }

  /** A condition, as it reads after "if"; of a number of people after the contender's name. */
  public String of(Condition condition) {
    return conditions().of(condition);
  }

  /** What is not known, as it reads after "Find out first". */
  public String of(FindOut.Unknown unknown) {
    return conditions().of(unknown);
  }

  private ConditionWords conditions() {
    return new ConditionWords(selection);
  }

  private String bySize(Advice.BySize sizes) {
    String ranges =
        Voice.list(
            sizes.ranges().stream()
                .map(range ->
                    Voice.say(
                        "advice.by-size.part.range",
                        Map.of(
                            "tool",
                            name(range.tool()),
                            "sizes",
                            conditions().between(range.people()))))
                .toList());
    return Voice.all(
        Voice.say("advice.by-size", "ranges", ranges),
        sizes.gaps() ? Voice.say("advice.by-size.gaps") : "");
  }

  private String never(Advice.Never never) {
    return Voice.say(
        "advice.never.tried",
        Map.of(
            "tools",
            Voice.list(never.tools().stream().map(this::name).toList()),
            "changes",
            ConditionWords.tried(never.tried())));
  }

  /** Who leads nowhere, without what was tried. */
  public String inShort(Advice.Never never) {
    return Voice.say(
        "advice.never", "tools", Voice.list(never.tools().stream().map(this::name).toList()));
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

  private String holdsFor(Advice.HoldsFor holds) {
    String tool = name(holds.tool());
    if (!holds.first()) {
      return Voice.say("advice.holds.not-first", "tool", tool);
    }
    String sizes = holds.people().map(conditions()::between).orElse("");
    if (sizes.isEmpty() && holds.rooms().isEmpty()) {
      return Voice.say(holds.certain() ? "advice.holds.first" : "advice.holds.ahead", "tool", tool);
    }
    return Voice.all(
        sizes.isEmpty()
            ? ""
            : Voice.say(
                holds.certain() ? "advice.holds.first.sizes" : "advice.holds.ahead.sizes",
                Map.of("tool", tool, "sizes", sizes)),
        holds.rooms().isEmpty() ? "" : byWeights(tool, holds.rooms()));
  }

  /** Ranges of weights are found by the middle of the totals, however sure the lead is. */
  private static String byWeights(String tool, List<StabilityRange> rooms) {
    return Voice.say(
        rooms.size() == 1 ? "advice.holds.weights" : "advice.holds.weights.one-at-a-time",
        Map.of(
            "tool",
            tool,
            "conditions",
            Voice.list(rooms.stream().map(ConditionWords::within).toList())));
  }

  private static String mattering(Advice.Mattering mattering) {
    return mattering.axes().isEmpty()
        ? Voice.say("advice.matters.none")
        : Voice.all(
            Voice.say(
                "advice.matters",
                "axes",
                Voice.list(mattering.axes().stream().map(AdviceWords::axis).toList())),
            Voice.say("advice.matters.rest"));
  }

  private static String axis(ScenarioGrid.Axis axis) {
    return switch (axis) {
      case GROWTH -> Voice.say("advice.part.axis.growth");
      case RISE -> Voice.say("advice.part.axis.rise");
      case TERMS -> Voice.say("advice.part.axis.terms");
      case NEEDS -> Voice.say("advice.part.axis.needs");
    };
  }

  private String tightest(Advice.Tightest tightest) {
    StabilityRange room = tightest.room();
    return Voice.all(
        Voice.say(
            "advice.tightest",
            Map.of(
                "criterion",
                ConditionWords.quoted(room.criterion().name()),
                "own",
                share(room.weight()))),
        Voice.say(
            "advice.tightest.range",
            Map.of(
                "tool",
                name(tightest.leader()),
                "least",
                share(room.low().weight()),
                "most",
                share(room.high().weight()))),
        ends(room));
  }

  /** Who takes over at which end; empty if nobody does at either. */
  public String ends(StabilityRange room) {
    return Voice.all(
        end(room.low(), "advice.below.one", "advice.below.many"),
        end(room.high(), "advice.above.one", "advice.above.many"));
  }

  private String end(StabilityRange.End end, String one, String many) {
    List<String> names = end.takesOver().stream().map(this::name).toList();
    return names.isEmpty()
        ? ""
        : Voice.say(names.size() == 1 ? one : many, "others", Voice.list(names));
  }

  private String nearest(Advice.Nearest nearest) {
    NearestUpset upset = nearest.upset();
    String gaining = criteria(nearest, 1);
    String losing = criteria(nearest, -1);
    String tool = name(upset.contender());
    return gaining.isEmpty() || losing.isEmpty()
        ? Voice.say("advice.nearest", Map.of("tool", tool, "share", share(upset.shift())))
        : Voice.say(
            "advice.nearest.from-to",
            Map.of(
                "tool", tool, "share", share(upset.shift()), "losing", losing, "gaining", gaining));
  }

  private static String criteria(Advice.Nearest nearest, int sign) {
    return Voice.list(
        nearest.moves().stream()
            .filter(move -> move.by().signum() == sign)
            .map(move -> ConditionWords.quoted(move.criterion().name()))
            .toList());
  }

  private String name(String tool) {
    return conditions().name(tool);
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
    return ConditionWords.share(weight);
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
