package tertulia.core.evaluation;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.joda.money.Money;
import tertulia.core.billing.CostTiming;
import tertulia.core.fit.Reason;
import tertulia.core.fit.Verdict;
import tertulia.core.growth.Measure;
import tertulia.core.inuse.AsToday;
import tertulia.core.inuse.Together;
import tertulia.core.labour.StaffTime;
import tertulia.core.path.FixedPlan;
import tertulia.core.path.LeftOut;
import tertulia.core.path.Option;
import tertulia.core.path.OptionName;
import tertulia.core.path.Outcome;
import tertulia.core.path.PlanPath;
import tertulia.core.path.PlanPaths;
import tertulia.core.path.SteadyCost;
import tertulia.core.working.Derivation;
import tertulia.core.working.NoSuchFigure;
import tertulia.core.working.Quantity;

/** Answers "why" by calling the code that computed the figure. */
record Explanation(Evaluation evaluation) {
  /**
   * The working of a figure.
   *
   * @throws NoSuchFigure if the selection has nothing that it would be of
   */
  Derivation of(Figure figure) {
    if (figure instanceof Figure.OfContender of
        && selection().contenders().stream().noneMatch(c -> c.id().equals(of.contender()))) {
      throw new NoSuchFigure("contender \"" + of.contender() + "\" in this selection");
    }
    return switch (figure) {
      case Figure.Headcount headcount -> demand().headcount();
      case Figure.Units units -> demand().units(units.measure());
      case Figure.Steady steady -> steady(steady.contender());
      case Figure.Horizon horizon -> horizon(horizon.contender());
      case Figure.BestWay way -> way(way.contender());
      case Figure.InAll all -> inAll(all.contender());
      case Figure.Time time -> time(time.contender());
      case Figure.Full full -> full(full.contender());
      case Figure.Remedies remedies -> remedies(remedies.contender());
      case Figure.WholeStaff staff -> wholeStaff(staff.contender());
      case Figure.Month month -> ledger().month(month.contender(), month.m());
      case Figure.Year year -> ledger().year(year.contender(), year.year());
      case Figure.OldTool old -> periods().oldTool(old.m());
      case Figure.Running running -> periods().running(running.contender(), running.m());
      case Figure.PerHead head -> periods().perHead(head.contender(), head.months());
      case Figure.PastHorizon past -> ledger().pastHorizon(past.contender());
      case Figure.Idle idle -> ledger().idle(idle.contender());
      case Figure.Dearer dearer -> dearer(dearer.contender());
      case Figure.NeedCost cost -> needs().of(cost.capability(), cost.contender());
      case Figure.NeedCostOfAll cost -> needs().ofAll(cost.capability());
      case Figure.PlanAlone plan -> planAlone(plan.contender(), plan.plan());
      case Figure.PlanMore more -> planMore(more);
      case Figure.Room room -> room(room.contender(), room.measure());
      case Figure.Plans plans -> plans(plans.contender());
      case Figure.Weight weight -> scores().weight(weight.criterion());
      case Figure.Value value -> scores().value(value.contender(), value.criterion());
      case Figure.Total total -> scores().total(total.contender());
      case Figure.Wins wins -> scores().wins(wins.contender());
      case Figure.Winner winner -> scores().winner(winner.criterion());
    };
  }

  private Selection selection() {
    return evaluation.selection();
  }

  private DemandExplanation demand() {
    return new DemandExplanation(evaluation);
  }

  private LedgerExplanation ledger() {
    return new LedgerExplanation(evaluation, this::way);
  }

  private NeedCostExplanation needs() {
    return new NeedCostExplanation(evaluation);
  }

  private RunningExplanation periods() {
    return new RunningExplanation(evaluation.costs(), this::way, this::steady);
  }

  private ScoreExplanation scores() {
    return new ScoreExplanation(evaluation, this::plans);
  }

  private Derivation steady(String contender) {
    Outcome<SteadyCost> outcome = evaluation.costs().now().steady(contender);
    List<Derivation> needed =
        outcome instanceof Outcome.Found<SteadyCost> found
            ? counted(found.best().option()).stream().map(demand()::of).toList()
            : List.of();
    return outcome(
        "Steady cost a month for " + evaluation.costs().people().total() + " people",
        outcome,
        SteadyCost::option,
        SteadyCost::money,
        SteadyCost::explain,
        needed);
  }

  private Derivation horizon(String contender) {
    CostTiming view = evaluation.whatIf().view();
    Outcome<FixedPlan> outcome = evaluation.costs().overall().stay(contender);
    List<Derivation> needed =
        outcome instanceof Outcome.Found<FixedPlan> found
            ? counted(found.best().option()).stream().map(demand()::byMonth).toList()
            : List.of();
    return outcome(
        selection().horizon().months() + " months, " + view.words(),
        outcome,
        FixedPlan::option,
        stay -> stay.ledger().total(view),
        stay -> stay.ledger().explainTotal(view),
        notes(outcome, needed));
  }

  /** The way, what it saves against keeping one plan, and what it would be without credits. */
  private Derivation inAll(String contender) {
    CostTiming view = evaluation.whatIf().view();
    CostsOverall costs = evaluation.costs().overall();
    Together beside = costs.together(contender);
    List<Derivation> parts = new ArrayList<>();
    parts.add(evaluation.whatIf().basis() == WhatIf.Basis.FULL ? full(contender) : way(contender));
    for (AsToday use : beside.stays()) {
      parts.add(asToday(use, view));
    }
    for (AsToday use : beside.goes()) {
      parts.add(
          new Derivation.Derived(
              use.use().name() + ", still owed",
              Quantity.of(use.owed().total(view)),
              "what is due of it until its term ends, whatever is decided",
              List.of(use.owed().explainTotal(view))));
    }
    String label = "In all, " + view.words();
    return costs
        .total(contender)
        .<Derivation>map(money ->
            new Derivation.Derived(
                label,
                Quantity.of(money),
                "its own cost, what stays, and what is still owed of what goes",
                parts))
        .orElseGet(() ->
            new Derivation.Missing(
                label, "a part of it has no figure, which is not nothing", parts));
  }

  private static Derivation asToday(AsToday use, CostTiming view) {
    List<Derivation> parts = new ArrayList<>();
    parts.add(use.paid().explainTotal(view));
    use.after().ifPresent(after -> parts.add(after.explainTotal(view)));
    String label = use.use().name() + ", as today";
    return use.total(view)
        .<Derivation>map(money ->
            new Derivation.Derived(
                label,
                Quantity.of(money),
                "until its term ends as it is paid, then the same plan and term at list",
                parts))
        .orElseGet(() ->
            new Derivation.Missing(
                label, "what it costs after its term is not known, which is not nothing", parts));
  }

  private Derivation way(String contender) {
    CostTiming view = evaluation.whatIf().view();
    String label = "Cheapest path through the plans, " + view.words();
    return switch (evaluation.costs().overall().way(contender)) {
      case PlanPaths.Gap gap -> {
        List<Derivation> reasons = new ArrayList<>();
        gap.verdicts()
            .forEach((option, verdict) ->
                reasons.add(
                    new Derivation.Stated(
                        option.label(),
                        String.join(
                            "; ", verdict.reasons().stream().map(Reason::sentence).toList()))));
        leftOut(gap.leftOut()).forEach(reasons::add);
        gap.low()
            .ifPresent(low ->
                reasons.add(
                    new Derivation.Derived(
                        "at least",
                        Quantity.of(low.ledger().total(view)),
                        "the cheapest path if each price were the least it begins at",
                        List.of(low.ledger().explainTotal(view), low.explain()))));
        yield new Derivation.Missing(
            label,
            (gap.isUnpriced() ? "what meets the needs has no figure in " : "nothing qualifies in ")
                + selection().horizon().month(gap.month()),
            reasons);
      }
      case PlanPaths.Found found -> {
        List<Derivation> parts = new ArrayList<>();
        parts.add(found.best().ledger().explainTotal(view));
        parts.add(found.best().explain());
        found
            .best()
            .offers()
            .forEach(o -> parts.add(new Derivation.Stated("Offer used: " + o.name(), o.words())));
        leftOut(found.leftOut()).forEach(parts::add);
        parts.addAll(beside(contender, found.best(), view));
        yield new Derivation.Taken(
            label,
            Quantity.of(found.best().ledger().total(view)),
            "the cheapest of all ways: each term ends on its boundary, and a plan is left when it"
                + " does not qualify any more",
            parts);
      }
    };
  }

  private Derivation time(String contender) {
    return switch (evaluation.costs().overall().takes(contender)) {
      case StaffTime.Known known -> known.time().explain();
      case StaffTime.Unknown unknown ->
          new Derivation.Missing("Staff time", unknown.why() + ", which is not none");
    };
  }

  private Derivation full(String contender) {
    if (evaluation.costs().overall().way(contender) instanceof PlanPaths.Found
        && evaluation.costs().overall().takes(contender) instanceof StaffTime.Known) {
      return Derivation.Sum.of(
          "Full cost over " + selection().horizon().months() + " months",
          selection().currency().getCode(),
          List.of(way(contender), time(contender)));
    }
    return new Derivation.Missing(
        "Full cost", "a part of it is not known", List.of(way(contender), time(contender)));
  }

  private Derivation remedies(String contender) {
    List<Derivation> lines = new ArrayList<>();
    for (Remedy remedy : evaluation.costs().remedies(contender)) {
      lines.add(
          switch (remedy) {
            case Remedy.Discount discount ->
                new Derivation.Derived(
                    "a discount of " + discount.percent().toPlainString() + " % on every price",
                    Quantity.of(discount.becomes()),
                    "over "
                        + selection().horizon().months()
                        + " months, against "
                        + discount.rival()
                        + " for the cheapest; a tenth of a percent less would not do",
                    List.of());
            case Remedy.Headcount headcount ->
                new Derivation.Derived(
                    "another headcount",
                    Quantity.of(headcount.people(), "people"),
                    "the nearest at which its cost a month is the lowest",
                    List.of());
            case Remedy.Term term ->
                new Derivation.Derived(
                    "other terms: " + term.terms().words(),
                    Quantity.of(term.becomes()),
                    "over "
                        + selection().horizon().months()
                        + " months, less than every other under these terms",
                    List.of());
          });
    }
    String label =
        "What would make " + selection().contender(contender).tool().name() + " the cheapest";
    return lines.isEmpty()
        ? new Derivation.Stated(label, "no discount, headcount or term would, or it is already")
        : new Derivation.Stated(label, "any one of these", Optional.empty(), lines);
  }

  private Derivation wholeStaff(String contender) {
    String label = "The whole-staff price against named seats";
    return evaluation
        .costs()
        .now()
        .wholeStaff(contender)
        .<Derivation>map(staff ->
            new Derivation.Derived(
                label,
                Quantity.of(staff.named(), "named people"),
                "the first number of named people whose seats cost more than all staff",
                List.of(
                    staff.whole().explain(),
                    new Derivation.Stated(
                        (staff.named() - 1) + " named people",
                        "not more expensive",
                        Optional.empty(),
                        List.of(staff.before().explain())),
                    new Derivation.Stated(
                        staff.named() + " named people",
                        "dearer",
                        Optional.empty(),
                        List.of(staff.at().explain())))))
        .orElseGet(
            () -> new Derivation.Missing(label, "it does not sell both, or one is always cheaper"));
  }

  private List<Derivation> beside(String contender, PlanPath way, CostTiming view) {
    List<Derivation> parts = new ArrayList<>();
    if (evaluation.costs().overall().stay(contender) instanceof Outcome.Found<FixedPlan> stay) {
      parts.add(
          new Derivation.Derived(
              "Keeping " + stay.best().option().label(),
              Quantity.of(stay.best().ledger().total(view)),
              "the cheapest single plan and term that qualifies in all months",
              List.of()));
    }
    if (evaluation.costs().overall().wayAllMonthly(contender) instanceof PlanPaths.Found monthly) {
      parts.add(
          new Derivation.Derived(
              "All monthly",
              Quantity.of(monthly.best().ledger().total(view)),
              "the cheapest path without any commitment",
              List.of()));
    }
    if (!way.credited().isZero()
        && evaluation.costs().overall().wayIfLost(contender) instanceof PlanPaths.Found lost) {
      parts.add(
          new Derivation.Derived(
              "Credited for terms that are left",
              Quantity.of(way.credited()),
              "the spread shares of their unused months",
              List.of()));
      parts.add(
          new Derivation.Derived(
              "If nothing were credited",
              Quantity.of(lost.best().ledger().total(view)),
              "the cheapest path then",
              List.of(lost.best().explain())));
    }
    return parts;
  }

  /** The demand, and the offers used and refused. */
  private static List<Derivation> notes(Outcome<FixedPlan> outcome, List<Derivation> needed) {
    List<Derivation> notes = new ArrayList<>(needed);
    if (outcome instanceof Outcome.Found<FixedPlan> found) {
      found
          .best()
          .offers()
          .forEach(o -> notes.add(new Derivation.Stated("Offer used: " + o.name(), o.words())));
      found
          .best()
          .refusedOffers()
          .forEach((name, why) -> notes.add(new Derivation.Stated("Offer not used: " + name, why)));
    }
    return notes;
  }

  /** The measures an option's charges count. */
  private static List<Measure> counted(Option option) {
    return option.list().measures();
  }

  private <C> Derivation outcome(
      String label,
      Outcome<C> outcome,
      Function<C, Option> option,
      Function<C, Money> money,
      Function<C, Derivation> working,
      List<Derivation> needed) {
    return switch (outcome) {
      case Outcome.Found<C> found -> {
        List<Derivation> parts = new ArrayList<>();
        parts.add(working.apply(found.best()));
        parts.addAll(needed);
        found
            .low()
            .ifPresent(low ->
                parts.add(
                    new Derivation.Derived(
                        "at the low end of what is known of prices: " + option.apply(low).label(),
                        Quantity.of(money.apply(low)),
                        "nobody has a price yet; the range was assumed",
                        List.of(working.apply(low)))));
        for (C other : found.others()) {
          parts.add(
              new Derivation.Derived(
                  "instead of " + option.apply(other).label(),
                  Quantity.of(money.apply(other)),
                  "qualifies, not cheaper",
                  List.of(working.apply(other))));
        }
        parts.addAll(leftOut(found.leftOut(), found.passedOver()));
        yield new Derivation.Taken(
            label + ": " + option.apply(found.best()).label(),
            Quantity.of(money.apply(found.best())),
            found.isAtMost()
                ? "at most: a plan without a figure that stands before it may be cheaper"
                : "the cheapest option that qualifies",
            parts);
      }
      case Outcome.NoPlan<C> none ->
          new Derivation.Missing(label, "no plan qualifies", leftOut(List.of(), none.passedOver()));
      case Outcome.Unpriced<C> unpriced -> {
        List<Derivation> parts = new ArrayList<>();
        unpriced
            .low()
            .ifPresent(low ->
                parts.add(
                    new Derivation.Derived(
                        "at least: " + option.apply(low).label(),
                        Quantity.of(money.apply(low)),
                        "if each price were the least it begins at",
                        List.of(working.apply(low)))));
        parts.addAll(leftOut(unpriced.leftOut(), unpriced.passedOver()));
        yield new Derivation.Missing(label, "not known, which is not nothing", parts);
      }
    };
  }

  private static List<Derivation> leftOut(List<LeftOut> leftOut) {
    return leftOut.stream()
        .<Derivation>map(
            left -> new Derivation.Missing(left.option().label(), left.why().words() + rank(left)))
        .toList();
  }

  private static String rank(LeftOut left) {
    if (left.why().isBound()) {
      return "";
    }
    return left.mayBeCheaper()
        ? ", and it may be cheaper"
        : ", and it stands behind the plan taken";
  }

  private List<Derivation> leftOut(List<LeftOut> leftOut, Map<OptionName, Verdict> passedOver) {
    List<Derivation> lines = new ArrayList<>(leftOut(leftOut));
    passedOver.forEach((option, verdict) -> lines.add(verdictLine(option, verdict)));
    return lines;
  }

  private Derivation verdictLine(OptionName option, Verdict verdict) {
    String word =
        switch (verdict) {
          case Verdict.Qualifies q -> "qualifies";
          case Verdict.Unconfirmed u -> "not confirmed";
          case Verdict.Excluded e -> "does not qualify";
        };
    List<Derivation> reasons = verdict.reasons().stream().map(this::reasonLine).toList();
    return new Derivation.Stated(option.label(), word, Optional.empty(), reasons);
  }

  private Derivation reasonLine(Reason reason) {
    return new Derivation.Stated(
        reason.sentence(),
        reason.excludes() ? "out" : "open",
        Optional.empty(),
        reason instanceof Reason.OverCap over && over.since().isPresent()
            ? demand().firstMonthWith(over)
            : List.of());
  }

  private Derivation dearer(String contender) {
    List<String> order = evaluation.costs().now().orderByCost();
    if (order.isEmpty()
        || !(evaluation.costs().now().steady(contender) instanceof Outcome.Found<SteadyCost> mine)
        || !(evaluation.costs().now().steady(order.getFirst())
            instanceof Outcome.Found<SteadyCost> least)) {
      return steady(contender);
    }
    if (!order.contains(contender)) {
      return time(contender);
    }
    Money myStays = evaluation.costs().now().staying(contender).orElseThrow();
    Money leastStays = evaluation.costs().now().staying(order.getFirst()).orElseThrow();
    Money leastTime = evaluation.costs().now().steadyTime(order.getFirst()).orElseThrow();
    Money myTime = evaluation.costs().now().steadyTime(contender).orElseThrow();
    List<Derivation> parts = new ArrayList<>(List.of(mine.best().explain()));
    if (!myTime.isZero()) {
      parts.add(monthly("upkeep and work by hand, a month", myTime));
    }
    if (!myStays.isZero()) {
      parts.add(monthly("what stays in use beside it, a month", myStays));
    }
    parts.add(
        new Derivation.Derived(
            "less the cheapest, " + selection().contender(order.getFirst()).tool().name(),
            Quantity.of(least.best().money().negated()),
            least.best().option().label(),
            List.of(least.best().explain())));
    if (!leastTime.isZero()) {
      parts.add(monthly("less its upkeep and work by hand", leastTime.negated()));
    }
    if (!leastStays.isZero()) {
      parts.add(monthly("less what stays in use beside that", leastStays.negated()));
    }
    return Derivation.Sum.of(
        "More a month than the cheapest", selection().currency().getCode(), parts);
  }

  private Derivation planAlone(String contender, String plan) {
    return selection().contender(contender).offerings().stream()
        .filter(offering -> offering.plan().id().equals(plan))
        .findFirst()
        .flatMap(evaluation.costs().now()::planAlone)
        .map(cost -> cost.explain())
        .orElseThrow(() -> new NoSuchFigure("plan with a figure: " + plan));
  }

  private Derivation planMore(Figure.PlanMore more) {
    Derivation plan = planAlone(more.contender(), more.plan());
    Derivation than = planAlone(more.contender(), more.than());
    Quantity less = than.value().orElseThrow();
    return Derivation.Sum.of(
        "More a month than the plan before",
        selection().currency().getCode(),
        List.of(
            plan,
            new Derivation.Derived(
                "less the plan before",
                new Quantity(less.amount().negate(), less.unit(), less.one()),
                than.label(),
                List.of(than))));
  }

  private Derivation room(String contender, String measure) {
    Measure counted =
        selection().demands().keySet().stream()
            .filter(m -> m.id().equals(measure))
            .findFirst()
            .orElseThrow(() -> new NoSuchFigure("demand for " + measure));
    String plan =
        evaluation
            .costs()
            .now()
            .optionNow(contender)
            .map(Option::label)
            .orElse("no plan with a price");
    return evaluation
        .costs()
        .now()
        .roomNow(contender, counted)
        .map(room -> room.explain(plan, demand().units(measure)))
        .orElseGet(() ->
            new Derivation.Missing(
                counted.label() + " of " + plan, "the plan neither counts nor limits them"));
  }

  private static Derivation monthly(String label, Money time) {
    return new Derivation.Derived(
        label, Quantity.of(time), "hours × the cost of an hour, of any one month", List.of());
  }

  private Derivation plans(String contender) {
    List<Derivation> lines = new ArrayList<>();
    if (evaluation.costs().overall().stay(contender) instanceof Outcome.Found<FixedPlan> found) {
      lines.add(verdictLine(found.best().option().name(), new Verdict.Qualifies()));
      found
          .others()
          .forEach(o -> lines.add(verdictLine(o.option().name(), new Verdict.Qualifies())));
      lines.addAll(leftOut(found.leftOut(), found.passedOver()));
    } else {
      lines.addAll(leftOut(List.of(), evaluation.costs().overall().stay(contender).passedOver()));
    }
    return new Derivation.Stated(
        "Plans of " + selection().contender(contender).tool().name(),
        "over all " + selection().horizon().months() + " months",
        Optional.empty(),
        lines);
  }
}
