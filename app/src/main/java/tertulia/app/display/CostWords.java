package tertulia.app.display;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import tertulia.core.evaluation.HeadToHead.Apart;
import tertulia.core.evaluation.Selection;
import tertulia.core.finding.CostFinding;
import tertulia.core.finding.CostFinding.Cause;
import tertulia.core.finding.CostFinding.CheapestByHeadcount.Stretch;
import tertulia.core.path.Dimension;
import tertulia.core.pricing.Unsaid;

/** What is said of cost. */
record CostWords(Selection selection) implements SelectionWords {
  String of(CostFinding finding) {
    return switch (finding) {
      case CostFinding.OnlyOne only -> onlyOne(only);
      case CostFinding.WholePeriod whole -> wholePeriod(whole);
      case CostFinding.NobodyHasAFigure nobody -> Voice.say("cost.nobody");
      case CostFinding.CheapestByHeadcount cheapest -> cheapest(cheapest);
      case CostFinding.LeadChange change -> leadChange(change);
      case CostFinding.WithinPlan within -> withinPlan(within);
      case CostFinding.FreeUpTo free -> free(free);
      case CostFinding.OwnedForAWhile owned -> owned(owned);
      case CostFinding.PaysFrom pays ->
          Voice.say(
              "cost.breaks-even",
              Map.of(
                  "tool",
                  name(pays.tool()),
                  "rival",
                  name(pays.rival()),
                  "month",
                  month(pays.month())));
      case CostFinding.BeatsOldTool beats ->
          beats.month() == 0
              ? Voice.say("cost.old-tool.beaten-from-the-start", "tool", name(beats.tool()))
              : Voice.say(
                  "cost.old-tool.beaten",
                  Map.of("tool", name(beats.tool()), "month", month(beats.month())));
      case CostFinding.OldToolCostsNoMore none ->
          Voice.say(
              "cost.old-tool.not-beaten", Map.of("months", length(), "tools", names(none.tools())));
      case CostFinding.CommitmentPays pays ->
          pays.month() == 0
              ? Voice.say("cost.commitment.from-the-start", "tool", name(pays.tool()))
              : Voice.say(
                  "cost.commitment",
                  Map.of("tool", name(pays.tool()), "month", month(pays.month())));
      case CostFinding.NobodyHasAFigureBy nobody ->
          Voice.say(
              switch (nobody.dimension()) {
                case Dimension.Quantity quantity -> "cost.by-quantity.nobody";
                case Dimension.AveragePayment payment -> "cost.by-payment.nobody";
              },
              Map.of("dimension", by(nobody.dimension()), "most", Figures.whole(nobody.most())));
      case CostFinding.CheapestByQuantity cheapest -> cheapest(cheapest);
      case CostFinding.WholeStaffPays staff ->
          Voice.say(
              "cost.all-staff",
              Map.of(
                  "tool",
                  name(staff.tool()),
                  "staff",
                  staff.staff(),
                  "nth",
                  ordinal(staff.named())));
      case CostFinding.NoWay none -> noPath(none);
      case CostFinding.MixedTerms mixed -> mixed(mixed);
      case CostFinding.OlderPrice older ->
          Voice.say(
              "cost.short.older",
              Map.of("day", Dates.day(older.asOf()), "newest", Dates.day(older.newest())));
      case CostFinding.NotSaid not ->
          UnsaidWords.note(not.open().stream().map(Unsaid::kind).distinct().sorted().toList());
      case CostFinding.FallingBand band ->
          Voice.say(
              "cost.volume-price",
              Map.of("tool", name(band.tool()), "units", band.units(), "term", band.term()));
      case CostFinding.BeyondCap cap ->
          Voice.say(
              "cost.short.above-limit",
              Map.of("plan", cap.plan(), "reason", cap.over().sentence()));
      case CostFinding.AtMost most -> atMost(most);
    };
  }

  private static String atMost(CostFinding.AtMost most) {
    List<String> plans = most.because().stream().map(left -> left.option().label()).toList();
    return plans.size() == 1
        ? Voice.say("cost.short.at-most.one", "plans", Voice.list(plans))
        : Voice.say("cost.short.at-most.many", "plans", Voice.list(plans));
  }

  private String onlyOne(CostFinding.OnlyOne only) {
    String tool = name(only.tool());
    String month = only.month().map(this::amount).orElse("");
    String whole = only.whole().map(this::amount).orElse("");
    String costs =
        whole.isEmpty()
            ? Voice.say("cost.only-one.month", Map.of("tool", tool, "month", month))
            : month.isEmpty()
                ? Voice.say(
                    "cost.only-one.whole", Map.of("tool", tool, "whole", whole, "months", length()))
                : Voice.say(
                    "cost.only-one.both",
                    Map.of("tool", tool, "month", month, "whole", whole, "months", length()));
    return Voice.all(
        costs,
        only.others().isEmpty() ? Voice.say("cost.only-one.alone") : "",
        others("cost.only-one.others", only.out(), only.most()),
        others("cost.only-one.to-confirm", only.toConfirm(), only.most()));
  }

  private String others(String key, List<String> tools, int most) {
    return tools.isEmpty()
        ? ""
        : Voice.say(key, Map.of("tools", names(tools), "most", Figures.whole(most)));
  }

  private String wholePeriod(CostFinding.WholePeriod whole) {
    String breaksEven =
        whole
            .paysFrom()
            .map(m ->
                m == 0
                    ? Voice.say("cost.whole.ahead-from-the-start")
                    : Voice.say("cost.whole.breaks-even", "month", month(m)))
            .orElse("");
    return Voice.all(cheapest(whole), breaksEven, mayCostLess(whole.open()));
  }

  private String cheapest(CostFinding.WholePeriod whole) {
    if (whole.whole().size() > 1) {
      return Voice.say(
          "cost.whole.level", Map.of("tools", names(whole.whole()), "months", length()));
    }
    String tool = name(whole.whole().getFirst());
    if (!whole.differs()) {
      return Voice.say(
          whole.now().isPresent() ? "cost.whole.always" : "cost.whole.in-all",
          Map.of("tool", tool, "months", length()));
    }
    String now = name(whole.now().orElseThrow());
    Map<String, String> places = Map.of("now", now, "tool", tool, "months", length());
    return switch (whole.apart().orElseThrow()) {
      case Apart.NotKnown unknown -> Voice.say("cost.whole.another.no-total", places);
      case Apart.Cheaper cheaper ->
          Voice.say(
              cheaper.atLeast() ? "cost.whole.another.by-at-least" : "cost.whole.another.by",
              Map.of(
                  "now",
                  now,
                  "tool",
                  tool,
                  "months",
                  length(),
                  "by",
                  Figures.moneyIn(cheaper.by())));
      case Apart.Same same -> Voice.say("cost.whole.another", places);
      case Apart.Open open -> Voice.say("cost.whole.another", places);
    };
  }

  private String cheapest(CostFinding.CheapestByHeadcount finding) {
    List<Stretch> stretches = finding.stretches();
    Stretch first = stretches.getFirst();
    boolean always =
        stretches.size() == 1
            && first.from() == 1
            && first.to() == finding.most()
            && first.tool().isPresent();
    if (always) {
      return Voice.all(always(first), mayCostLess(first.open()));
    }
    String all =
        stretches.stream()
            .map(stretch -> stretch(stretch, finding.most()))
            .collect(Collectors.joining("; "));
    return Voice.all(Voice.say("cost.by-headcount", "stretches", all), mayCostLess(finding.open()));
  }

  private String always(Stretch all) {
    String tool = name(all.tool().orElseThrow());
    return switch (all.level().size()) {
      case 0 -> Voice.say("cost.by-headcount.always", "tool", tool);
      case 1 ->
          Voice.say(
              "cost.by-headcount.level.one", Map.of("tool", tool, "level", names(all.level())));
      default ->
          Voice.say(
              "cost.by-headcount.level.many", Map.of("tool", tool, "level", names(all.level())));
    };
  }

  private String stretch(Stretch stretch, int most) {
    String tool = cheapest(stretch, "cost.part.level");
    if (stretch.to() == most) {
      return Voice.say("cost.part.from", Map.of("people", people(stretch.from()), "tool", tool));
    }
    if (stretch.from() == 1) {
      return Voice.say("cost.part.up-to", Map.of("people", people(stretch.to()), "tool", tool));
    }
    return stretch.from() == stretch.to()
        ? Voice.say("cost.part.at", Map.of("from", stretch.from(), "tool", tool))
        : between(stretch, tool);
  }

  private static String between(Stretch stretch, String tool) {
    return Voice.say(
        "cost.part.between",
        Map.of(
            "from",
            Figures.whole(stretch.from()),
            "to",
            Figures.whole(stretch.to()),
            "tool",
            tool));
  }

  /** The cheapest, with those that cost the same. */
  private String cheapest(Stretch stretch, String level) {
    String tool = stretch.tool().map(this::name).orElseGet(() -> Voice.say("cost.part.nobody"));
    return stretch.level().isEmpty()
        ? tool
        : Voice.say(level, Map.of("tool", tool, "level", names(stretch.level())));
  }

  private String cheapest(CostFinding.CheapestByQuantity finding) {
    String stretches =
        finding.stretches().stream()
            .map(stretch -> stretch(stretch, finding))
            .collect(Collectors.joining("; "));
    List<String> open =
        finding.stretches().stream().flatMap(s -> s.open().stream()).distinct().toList();
    String by = by(finding.dimension());
    String said =
        finding.step() == 1
            ? Voice.say("cost.by-quantity", Map.of("dimension", by, "stretches", stretches))
            : Voice.say(
                "cost.by-quantity.steps",
                Map.of(
                    "dimension",
                    by,
                    "stretches",
                    stretches,
                    "step",
                    Figures.whole(finding.step())));
    return Voice.all(said, mayCostLess(open));
  }

  private String stretch(Stretch stretch, CostFinding.CheapestByQuantity finding) {
    String tool = cheapest(stretch, "cost.part.quantity.level");
    boolean last = stretch.to() == finding.most();
    if (stretch == finding.stretches().getFirst()) {
      return last
          ? Voice.say(
              switch (finding.dimension()) {
                case Dimension.Quantity quantity -> "cost.part.quantity.any";
                case Dimension.AveragePayment payment -> "cost.part.payment.any";
              },
              Map.of("most", Figures.whole(finding.most()), "tool", tool))
          : Voice.say(
              "cost.part.quantity.up-to", Map.of("to", Figures.whole(stretch.to()), "tool", tool));
    }
    return last
        ? Voice.say(
            "cost.part.quantity.from", Map.of("from", Figures.whole(stretch.from()), "tool", tool))
        : between(stretch, tool);
  }

  private String by(Dimension dimension) {
    return switch (dimension) {
      case Dimension.Quantity quantity -> quantity.label();
      case Dimension.AveragePayment payment ->
          payment.label() + " in " + selection.currency().getCode();
    };
  }

  private String leadChange(CostFinding.LeadChange change) {
    Map<String, String> places =
        Map.of(
            "people",
            people(change.n()),
            "now",
            name(change.now()),
            "before",
            name(change.before()));
    return Voice.all(
        Voice.say(change.certain() ? "cost.change" : "cost.change.looks", places),
        cause(change.cause(), ordinal(change.n())));
  }

  private String cause(Cause cause, String nth) {
    return switch (cause) {
      case Cause.LeavesPlan leaves -> leaves(leaves);
      case Cause.TakesPlan takes ->
          Voice.say(
              "cost.cause.takes",
              Map.of("tool", name(takes.tool()), "plan", takes.option().label()));
      case Cause.Jumps jumps ->
          Voice.say(
              "cost.cause.jumps",
              Map.of("tool", name(jumps.tool()), "by", Figures.moneyIn(jumps.by()), "nth", nth));
      case Cause.Falls falls ->
          Voice.say("cost.cause.falls", Map.of("by", Figures.moneyIn(falls.by()), "nth", nth));
      case Cause.GrowsLess less ->
          less.less().isZero()
              ? Voice.say(
                  "cost.cause.stays", Map.of("nth", nth, "more", Figures.money(less.more())))
              : Voice.say(
                  "cost.cause.grows-less",
                  Map.of(
                      "nth",
                      nth,
                      "less",
                      Figures.money(less.less()),
                      "more",
                      Figures.money(less.more())));
      case Cause.HasAFigure has -> Voice.say("cost.cause.has-a-cost-now");
    };
  }

  private String leaves(Cause.LeavesPlan leaves) {
    String tool = name(leaves.tool());
    String plan = leaves.option().label();
    return leaves.reasons().isEmpty()
        ? Voice.say("cost.cause.leaves", Map.of("tool", tool, "plan", plan))
        : Voice.say(
            "cost.cause.leaves.because",
            Map.of("tool", tool, "plan", plan, "reasons", reasons(leaves.reasons())));
  }

  private String noPath(CostFinding.NoWay none) {
    String plan = none.option().label();
    return none.reasons().isEmpty()
        ? Voice.say(
            "cost.no-path",
            Map.of("plan", plan, "month", month(none.month()), "tool", name(none.tool())))
        : Voice.say(
            "cost.no-path.because",
            Map.of(
                "plan",
                plan,
                "month",
                month(none.month()),
                "tool",
                name(none.tool()),
                "reasons",
                reasons(none.reasons())));
  }

  private String mixed(CostFinding.MixedTerms mixed) {
    boolean one = mixed.monthly().size() == 1;
    boolean other = mixed.committed().size() == 1;
    String key =
        one
            ? other ? "cost.mixed-terms.one-one" : "cost.mixed-terms.one-many"
            : other ? "cost.mixed-terms.many-one" : "cost.mixed-terms.many-many";
    return Voice.say(
        key, Map.of("monthly", names(mixed.monthly()), "committed", names(mixed.committed())));
  }

  private String withinPlan(CostFinding.WithinPlan within) {
    String people =
        within.fewest() == within.most()
            ? people(within.most())
            : within.fewest() + " to " + people(within.most());
    boolean known = within.open().isEmpty();
    if (within.changes().isEmpty()) {
      return Voice.say(known ? "cost.within.same" : "cost.within.same.as-known", "people", people);
    }
    return Voice.say(
        known ? "cost.within.changes" : "cost.within.changes.as-known",
        Map.of(
            "people", people, "at", listed(within.changes().stream().map(n -> "" + n).toList())));
  }

  private String free(CostFinding.FreeUpTo free) {
    String tool = name(free.tool());
    String people = free.ends() ? people(free.people()) : Figures.whole(free.people());
    Map<String, String> places = Map.of("tool", tool, "people", people);
    if (free.doesUntil().isEmpty()) {
      return Voice.say(free.ends() ? "cost.free.more" : "cost.free.any.more", places);
    }
    if (free.always()) {
      return Voice.say(free.ends() ? "cost.free.always" : "cost.free.any.always", places);
    }
    return Voice.say(
        free.ends() ? "cost.free.until" : "cost.free.any.until",
        Map.of("tool", tool, "people", people, "month", month(free.doesUntil().get())));
  }

  private String owned(CostFinding.OwnedForAWhile owned) {
    return Voice.say(
        owned.units() == 1 ? "cost.owned.one" : "cost.owned.many",
        Map.of(
            "tool",
            name(owned.tool()),
            "units",
            Figures.counted(owned.units(), owned.measure()),
            "day",
            Dates.day(owned.until())));
  }
}
