package tertulia.app.cost;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.Collectors;
import org.joda.money.Money;
import tertulia.app.chart.RibbonChart;
import tertulia.app.display.Dates;
import tertulia.app.display.Figures;
import tertulia.app.workspace.Cell;
import tertulia.app.workspace.Known;
import tertulia.app.workspace.Row;
import tertulia.app.workspace.Session;
import tertulia.core.billing.CostTiming;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.CostsOverall;
import tertulia.core.fit.Reason;
import tertulia.core.growth.Group;
import tertulia.core.path.FixedPlan;
import tertulia.core.path.LeftOut;
import tertulia.core.path.Outcome;
import tertulia.core.path.PlanPath;
import tertulia.core.path.PlanPaths;
import tertulia.core.time.Horizon;

/**
 * The cheapest path through each contender's plans, as it is read.
 *
 * @param kept what keeping one plan and term costs, with what the cheapest path saves on it
 * @param monthly the cheapest path without any commitment
 * @param ribbon the ways over the months as SVG
 * @param says when to begin a commitment, and why plans change
 */
record PathView(Row kept, Row monthly, String ribbon, List<Line> lines, List<String> says) {

  /**
   * One stretch under one plan and term.
   *
   * @param held least and most units held; empty if nothing is counted
   * @param why what led to it
   */
  record Line(
      String contender, String from, String until, String option, String held, String why) {}

  static PathView of(Session session) {
    List<Cell> kept = new ArrayList<>();
    List<Cell> monthly = new ArrayList<>();
    List<RibbonChart.Lane> lanes = new ArrayList<>();
    List<Line> lines = new ArrayList<>();
    List<String> says = new ArrayList<>();
    for (Contender contender : session.columns()) {
      PlanPaths ways = session.evaluation().costs().overall().way(contender.id());
      kept.add(kept(session, contender, ways));
      monthly.add(monthly(session, contender));
      lanes.add(lane(session, contender.tool().name(), contender, ways));
      if (ways instanceof PlanPaths.Found found) {
        lines.addAll(lines(session, contender.tool().name(), found.best()));
        for (PlanPath.Alongside other : found.best().alongside()) {
          String name = name(contender, other);
          PlanPaths own = new PlanPaths.Found(other.path(), List.of(), Optional.empty());
          lanes.add(lane(session, name, contender, own));
          lines.addAll(lines(session, name, other.path()));
        }
        says(session, contender, found, says);
      }
    }
    return new PathView(
        Row.of(CostView.own(session, "Kept on one plan"), kept),
        Row.of(CostView.own(session, "All monthly"), monthly),
        RibbonChart.draw(lanes, session.table().selection().horizon()),
        lines,
        says);
  }

  /**
   * The cheapest single plan and term kept all the time, with what the cheapest path saves on it.
   */
  private static Cell kept(Session session, Contender contender, PlanPaths ways) {
    String why = session.why("horizon", "contender", contender.id());
    CostTiming view = session.evaluation().whatIf().view();
    return switch (session.evaluation().costs().overall().stay(contender.id())) {
      case Outcome.Found<FixedPlan> found ->
          Cell.figure(Known.amount(found, stay -> stay.ledger().total(view)), why)
              .noting(
                  found.best().label()
                      + Known.mark(found.best().option())
                      + saved(ways, found, view));
      case Outcome.Unpriced<FixedPlan> unpriced ->
          unpriced
              .low()
              .map(low ->
                  Cell.missing(Known.least(Optional.of(low.ledger().total(view))), why)
                      .noting(low.option().label() + Known.mark(low.option())))
              .orElseGet(() -> Cell.missing("not known", why));
      case Outcome.NoPlan<FixedPlan> none ->
          Cell.missing("—", why)
              .noting(ways instanceof PlanPaths.Found ? "no single plan lasts" : "");
    };
  }

  /** What the cheapest path saves is a figure only where both are. */
  private static String saved(PlanPaths ways, Outcome.Found<FixedPlan> kept, CostTiming view) {
    if (!(ways instanceof PlanPaths.Found found)
        || found.isAtMost()
        || kept.isAtMost()
        || found.low().isPresent()
        || kept.low().isPresent()) {
      return "";
    }
    Money saved = kept.best().ledger().total(view).minus(found.best().ledger().total(view));
    return saved.isZero() ? "" : "; the cheapest path saves " + Figures.money(saved);
  }

  private static Cell monthly(Session session, Contender contender) {
    String why = session.why("way", "contender", contender.id());
    CostTiming view = session.evaluation().whatIf().view();
    return switch (session.evaluation().costs().overall().wayAllMonthly(contender.id())) {
      case PlanPaths.Found found -> Known.part(found, way -> way.ledger().total(view), why);
      case PlanPaths.Gap gap ->
          Known.part(gap, way -> way.ledger().total(view), why).noting(gap(session, gap));
    };
  }

  private static Horizon horizon(Session session) {
    return session.table().selection().horizon();
  }

  /** What is taken together with a contender's own way: for whom, or another tool of it. */
  private static String name(Contender contender, PlanPath.Alongside other) {
    return switch (other.kind()) {
      case TOOL -> "+ " + other.path().legs().getFirst().option().plan().name();
      case TERM -> contender.tool().name() + ", all year";
      case GROUPS ->
          contender.tool().name()
              + ", "
              + other.groups().stream().map(Group::name).collect(Collectors.joining(", "));
    };
  }

  private static RibbonChart.Lane lane(
      Session session, String name, Contender contender, PlanPaths ways) {
    int mark = session.mark(contender.id());
    return switch (ways) {
      case PlanPaths.Gap gap ->
          new RibbonChart.Lane(name, mark, List.of(), List.of(), List.of(), gap(session, gap));
      case PlanPaths.Found found ->
          new RibbonChart.Lane(
              name,
              mark,
              found.best().stretches().stream()
                  .map(leg ->
                      new RibbonChart.Stretch(
                          leg.option().label(), leg.months().from(), leg.months().end()))
                  .toList(),
              months(session, m -> found.best().held(m)),
              months(
                  session,
                  m ->
                      found.best().alongside().isEmpty() && name.equals(contender.tool().name())
                          ? used(session, found.best(), m)
                          : found.best().held(m)),
              "");
    };
  }

  /**
   * Why there is no way: a price nobody knows, or nothing that qualifies and what comes nearest.
   */
  private static String gap(Session session, PlanPaths.Gap gap) {
    if (gap.isUnpriced()) {
      return (gap.low().isPresent() ? "" : "price not known: ") + LeftOut.words(gap.leftOut());
    }
    return gap.nearest()
        .filter(PlanPaths.Nearest::isOnlyNotSoldSo)
        .map(near -> near.option().label() + " is " + near.reasons().getFirst().sentence())
        .orElseGet(() ->
            "nothing qualifies from "
                + Dates.shortMonth(horizon(session).month(gap.month()))
                + gap.nearest().map(near -> "; nearest is " + near(near)).orElse(""));
  }

  private static String near(PlanPaths.Nearest nearest) {
    return nearest.option().label()
        + ": "
        + nearest.reasons().stream().map(Reason::sentence).collect(Collectors.joining("; "));
  }

  private static List<OptionalInt> months(
      Session session, java.util.function.IntFunction<OptionalInt> units) {
    List<OptionalInt> months = new ArrayList<>();
    for (int m = 0; m < horizon(session).months(); m++) {
      months.add(units.apply(m));
    }
    return months;
  }

  private static OptionalInt used(Session session, PlanPath way, int m) {
    return way.counts(m)
        .map(measure -> session.evaluation().costs().overall().months().get(m).of(measure))
        .orElse(OptionalInt.empty());
  }

  private static List<Line> lines(Session session, String name, PlanPath way) {
    List<Line> lines = new ArrayList<>();
    List<CostsOverall.Turn> turns = session.evaluation().costs().overall().turns(way);
    List<PlanPath.Leg> stretches = way.stretches();
    for (int i = 0; i < stretches.size(); i++) {
      PlanPath.Leg leg = stretches.get(i);
      lines.add(
          new Line(
              name,
              Dates.shortMonth(horizon(session).month(leg.months().from())),
              Dates.shortMonth(horizon(session).month(leg.months().end() - 1)),
              leg.option().label(),
              held(way, leg),
              i == 0 ? "the cheapest to begin with" : why(turns.get(i - 1))));
    }
    return lines;
  }

  private static String held(PlanPath way, PlanPath.Leg leg) {
    var units =
        java.util.stream.IntStream.range(leg.months().from(), leg.months().end())
            .flatMap(m -> way.held(m).stream())
            .summaryStatistics();
    if (units.getCount() == 0) {
      return "—";
    }
    return units.getMin() == units.getMax()
        ? Figures.whole(units.getMin())
        : Figures.whole(units.getMin()) + " to " + Figures.whole(units.getMax());
  }

  private static String why(CostsOverall.Turn turn) {
    return turn.reasons().isEmpty()
        ? "cheaper from here on"
        : turn.reasons().stream().map(Reason::sentence).collect(Collectors.joining("; "));
  }

  /** What the way comes to beside keeping one plan and beside no commitment at all. */
  private static String beside(Session session, Contender contender, PlanPaths.Found found) {
    CostTiming view = session.evaluation().whatIf().view();
    StringBuilder words =
        new StringBuilder(
            ": "
                + Known.amount(found, way -> way.ledger().total(view))
                + " "
                + found.best().ledger().currency()
                + " in all");
    List<String> others = new ArrayList<>();
    if (session.evaluation().costs().overall().stay(contender.id())
        instanceof Outcome.Found<FixedPlan> stay) {
      others.add(
          Known.amount(stay, kept -> kept.ledger().total(view))
              + " on "
              + stay.best().label()
              + " throughout");
    }
    if (session.evaluation().costs().overall().wayAllMonthly(contender.id())
        instanceof PlanPaths.Found monthly) {
      others.add(Known.amount(monthly, way -> way.ledger().total(view)) + " all monthly");
    }
    return others.isEmpty()
        ? words.toString()
        : words.append(", against ").append(String.join(" and ", others)).toString();
  }

  /** When a commitment is best begun, if not at once. */
  private static void says(
      Session session, Contender contender, PlanPaths.Found found, List<String> says) {
    found.best().stretches().stream()
        .filter(leg -> leg.option().list().term().isCommitted())
        .findFirst()
        .filter(leg -> leg.months().from() > 0)
        .ifPresent(leg ->
            says.add(
                contender.tool().name()
                    + ": a commitment is best begun in "
                    + Dates.month(horizon(session).month(leg.months().from()))
                    + ", with "
                    + leg.option().label()
                    + beside(session, contender, found)
                    + "."));
  }
}
