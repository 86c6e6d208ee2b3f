package tertulia.app.cost;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Function;
import org.joda.money.Money;
import tertulia.app.chart.CostChart;
import tertulia.app.chart.Drawn;
import tertulia.app.display.Dates;
import tertulia.app.display.Figures;
import tertulia.app.display.Voice;
import tertulia.app.workspace.Cell;
import tertulia.app.workspace.HorizonCell;
import tertulia.app.workspace.Known;
import tertulia.app.workspace.Row;
import tertulia.app.workspace.Session;
import tertulia.core.billing.CostTiming;
import tertulia.core.billing.Ledger;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Costs;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.evaluation.WhatIf.Moment;
import tertulia.core.finding.CostFindings;
import tertulia.core.labour.StaffTime;
import tertulia.core.path.CostByHeadcount;
import tertulia.core.path.OptionName;
import tertulia.core.path.Outcome;
import tertulia.core.path.PlanPath;
import tertulia.core.path.PlanPaths;

/**
 * The Cost step as it is read.
 *
 * @param rows rows below the contenders
 * @param chart cost by headcount as SVG
 * @param chartReach how many people the chart reaches to
 * @param changes every plan change and change of the lead, as a table
 * @param curves what the curves show
 * @param says sentences on what the picture means
 * @param warnings where a mistake would be made, with the way out
 * @param ways the cheapest path through each contender's plans
 * @param months cost over the months
 * @param running what each has cost so far
 * @param quantity cost by something other than people
 * @param unlike for each column what is not equal to the others
 */
record CostView(
    List<Row> rows,
    String chart,
    int chartReach,
    List<Change> changes,
    String curves,
    List<String> says,
    List<Warning> warnings,
    PathView ways,
    MonthsView months,
    RunningView running,
    QuantityView quantity,
    List<List<Alike.Difference>> unlike) {

  /** From so many people on this happens to a contender. */
  record Change(Cell from, String contender, String what) {}

  /**
   * A sentence where a mistake would be made; the link leads out of it.
   *
   * @param confirm address that confirms an old fact as of today; empty if there is nothing to
   */
  record Warning(String sentence, String way, String href, String confirm) {
    Warning(String sentence, String way, String href) {
      this(sentence, way, href, "");
    }
  }

  static CostView of(Session session) {
    Evaluation evaluation = session.evaluation();
    CostByHeadcount costs = evaluation.costs().curves().costByHeadcount();
    CostChart.Read read =
        new CostChart.Read(
            evaluation.costs().people().total(),
            evaluation.costs().overall().lowestPlanned(),
            evaluation.costs().overall().highestPlanned());
    PathView ways = PathView.of(session);
    return new CostView(
        rows(session, List.of(ways.kept(), ways.monthly())),
        CostChart.draw(
            costs,
            evaluation.costs().ifConfirmed().curves().costByHeadcount(),
            lines(session),
            read),
        CostChart.reach(costs, read),
        changes(session, costs),
        curves(session),
        Sentences.says(session),
        Sentences.warnings(session),
        ways,
        MonthsView.of(session),
        RunningView.of(session),
        QuantityView.of(session),
        Alike.of(session));
  }

  /** What the curves show. */
  private static String curves(Session session) {
    String plan =
        session.evaluation().whatIf().basis() == WhatIf.Basis.FULL
            ? "each at its cheapest plan that meets the needs, with people’s upkeep and work by hand"
            : "each at its cheapest plan that meets the needs";
    return session.table().selection().beside().isNothing()
        ? plan
        : plan + Voice.say("use.part.with-it");
  }

  /** The contenders as lines of a picture. */
  static List<Drawn> lines(Session session) {
    return session.columns().stream().map(session::drawn).toList();
  }

  private static List<Row> rows(Session session, List<Row> beside) {
    Evaluation evaluation = session.evaluation();
    CostTiming view = evaluation.whatIf().view();
    int months = session.table().selection().horizon().months();
    List<Row> rows = new ArrayList<>();
    rows.add(
        Row.of(
            evaluation.whatIf().basis() == WhatIf.Basis.FULL
                ? "More than the cheapest, time counted"
                : "More than the cheapest",
            cells(session, c -> dearer(session, c))));
    rows.add(Row.of("A head a month", cells(session, c -> head(session, c, 1))));
    rows.add(Row.of("A head a year", cells(session, c -> head(session, c, 12))));
    rows.add(Row.of("To become the cheapest", cells(session, c -> remedy(session, c))));
    rows.add(
        new Row(
            Cell.fact(months + " months, " + view.words())
                .noting("in " + evaluation.selection().currency()),
            totals(session, view),
            "big"));
    if (evaluation.whatIf().moment() instanceof Moment.Month month) {
      String label =
          "of it in " + Dates.shortMonth(session.table().selection().horizon().month(month.m()));
      rows.add(
          Row.of(own(session, label), cells(session, c -> month(session, c, month.m(), view))));
    }
    List<PlanPath> found =
        session.columns().stream().flatMap(c -> found(session, c).stream()).toList();
    if (found.stream().anyMatch(s -> !s.ledger().pastHorizon(view).isZero())) {
      rows.add(
          Row.of(
              "Committed after these months", cells(session, c -> pastHorizon(session, c, view))));
    }
    if (found.stream().anyMatch(s -> s.ledger().mostIdle() > 0)) {
      rows.add(Row.of("Paid for and idle", cells(session, c -> idle(session, c))));
    }
    rows.addAll(beside);
    rows.addAll(full(session));
    return rows;
  }

  /** People's time and the full cost, if anybody has said anything of them. */
  private static List<Row> full(Session session) {
    boolean said = session.columns().stream().anyMatch(c -> c.takes().isPresent());
    boolean read = session.evaluation().whatIf().basis() == WhatIf.Basis.FULL;
    List<Row> rows = new ArrayList<>();
    if (said || read) {
      rows.add(Row.of("Staff time, kept apart", cells(session, c -> time(session, c))));
    }
    if (read) {
      rows.add(
          new Row(
              Cell.fact("Full cost").noting("subscription and staff time"),
              cells(session, c -> fullCost(session, c)),
              "big"));
    }
    return rows;
  }

  private static Cell time(Session session, Contender contender) {
    String why = session.why("time", "contender", contender.id());
    return switch (session.evaluation().costs().overall().takes(contender.id())) {
      case StaffTime.Known known -> Cell.figure(Figures.money(known.time().total()), why);
      case StaffTime.Unknown unknown -> Cell.missing("not known", why).noting(unknown.why());
    };
  }

  private static Cell fullCost(Session session, Contender contender) {
    String why = session.why("full", "contender", contender.id());
    Optional<Money> least =
        session.columns().stream()
            .flatMap(c -> session.evaluation().costs().overall().total(c.id()).stream())
            .min(Money::compareTo);
    Optional<Money> mine = session.evaluation().costs().overall().total(contender.id());
    return mine.map(total -> Cell.figure(Figures.money(total), why))
        .map(cell -> mine.equals(least) ? cell.looking("best") : cell)
        .orElseGet(() ->
            Cell.missing(
                Known.least(session.evaluation().costs().overall().leastTotal(contender.id())),
                why));
  }

  private static Cell head(Session session, Contender contender, int months) {
    String why = session.why("head", "contender", contender.id(), "of", "" + months);
    Costs costs = session.evaluation().costs();
    Optional<Cell> least =
        costs
            .now()
            .leastPerHead(contender.id(), months)
            .map(money -> Cell.missing(Known.least(Optional.of(money)), why));
    return costs
        .now()
        .perHead(contender.id(), months)
        .map(amount -> Cell.figure(Known.amount(amount), why))
        .or(() -> least)
        .orElseGet(() -> Cell.missing("—", why));
  }

  /** Asked for, as it takes many computations. */
  private static Cell remedy(Session session, Contender contender) {
    return session.evaluation().costs().overall().way(contender.id()) instanceof PlanPaths.Found
        ? Cell.figure("what it would take", session.why("remedies", "contender", contender.id()))
        : Cell.fact("—");
  }

  private static List<Cell> cells(Session session, Function<Contender, Cell> cell) {
    return session.columns().stream().map(cell).toList();
  }

  private static List<Cell> totals(Session session, CostTiming view) {
    Optional<Money> least =
        session.columns().stream()
            .filter(c -> !session.evaluation().costs().overall().keptThoughItFails(c.id()))
            .flatMap(c -> inAll(session, c, view).stream())
            .min(Money::compareTo);
    return cells(session, c -> total(session, c, view, least));
  }

  private static Cell total(
      Session session, Contender contender, CostTiming view, Optional<Money> least) {
    Cell cell = HorizonCell.of(session, contender);
    boolean best = least.isPresent() && inAll(session, contender, view).equals(least);
    return best ? cell.looking("best") : cell;
  }

  /** The subscription with what is in use beside it. */
  private static Optional<Money> inAll(Session session, Contender contender, CostTiming view) {
    Optional<Money> beside =
        session.evaluation().costs().overall().together(contender.id()).total(view);
    return found(session, contender)
        .map(way -> way.ledger().total(view))
        .flatMap(own -> beside.map(own::plus));
  }

  /** A row that tells of a contender's own cost, beside which something is in use. */
  static String own(Session session, String label) {
    return session.table().selection().beside().isNothing()
        ? label
        : Voice.say(
            "use.part.own",
            "words",
            label.substring(0, 1).toLowerCase(Locale.ROOT) + label.substring(1));
  }

  private static Optional<PlanPath> found(Session session, Contender contender) {
    return session.evaluation().costs().overall().way(contender.id())
            instanceof PlanPaths.Found found
        ? Optional.of(found.best())
        : Optional.empty();
  }

  static PlanPaths way(Session session, Contender contender) {
    return session.evaluation().costs().overall().way(contender.id());
  }

  private static Cell pastHorizon(Session session, Contender contender, CostTiming view) {
    String why = session.why("past", "contender", contender.id());
    return Known.part(way(session, contender), way -> way.ledger().pastHorizon(view), why);
  }

  private static Cell month(Session session, Contender contender, int m, CostTiming view) {
    String why = session.why("month", "contender", contender.id(), "of", "" + m);
    return Known.part(way(session, contender), way -> way.ledger().months(view).get(m), why);
  }

  static Cell idle(Session session, Contender contender) {
    String why = session.why("idle", "contender", contender.id());
    return found(session, contender)
        .map(s -> {
          Ledger ledger = s.ledger();
          return ledger.mostIdle() == 0
              ? Cell.figure("nothing", why).looking("plain")
              : Cell.figure(Figures.money(ledger.idleMoney()), why)
                  .noting("up to " + Figures.counted(ledger.mostIdle(), "units"));
        })
        .orElseGet(() -> Cell.missing("—", why));
  }

  private static Cell dearer(Session session, Contender contender) {
    String why = session.why("dearer", "contender", contender.id());
    if (!(session.evaluation().costs().now().steady(contender.id()) instanceof Outcome.Found)) {
      return Cell.missing("—", why);
    }
    return new CostFindings(session.evaluation().costs())
        .place(contender.id())
        .map(place -> dearer(place, why))
        .orElseGet(() -> Cell.missing("not known", why).noting("staff time is not stated"));
  }

  private static Cell dearer(CostFindings.Place place, String why) {
    String which =
        place.place() + " of " + place.of() + (place.bound() ? ", by a figure within bounds" : "");
    if (place.of() == 1) {
      return Cell.figure("the only figure", why);
    }
    if (place.more().isZero()) {
      return Cell.figure("cheapest", why).looking(place.bound() ? "" : "best").noting(which);
    }
    String share =
        place.least().isZero()
            ? "+" + Figures.money(place.more())
            : Figures.change(share(place.more().getAmount(), place.least().getAmount()));
    return Cell.figure(share, why).noting(which);
  }

  private static BigDecimal share(BigDecimal more, BigDecimal least) {
    return more.divide(least, MathContext.DECIMAL64);
  }

  private static List<Change> changes(Session session, CostByHeadcount costs) {
    TreeMap<Integer, List<Change>> changes = new TreeMap<>();
    for (Contender contender : session.columns()) {
      for (CostByHeadcount.PlanChange change : costs.curve(contender.id()).changes()) {
        String option = change.option().map(OptionName::label).orElse("no plan with a figure");
        add(changes, session, change.n(), contender.id(), option);
      }
    }
    for (CostByHeadcount.Lead lead : costs.leads()) {
      lead.tool().ifPresent(id -> add(changes, session, lead.n(), id, "cheapest of all"));
    }
    return changes.values().stream().flatMap(List::stream).toList();
  }

  private static Cell from(Session session, int n, String contender) {
    return Cell.figure(
        Figures.counted(n, "people"), session.at(n).why("steady", "contender", contender));
  }

  private static void add(
      TreeMap<Integer, List<Change>> changes,
      Session session,
      int n,
      String contender,
      String what) {
    changes
        .computeIfAbsent(n, key -> new ArrayList<>())
        .add(new Change(from(session, n, contender), Sentences.name(session, contender), what));
  }
}
