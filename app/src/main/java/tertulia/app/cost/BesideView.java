package tertulia.app.cost;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.joda.money.Money;
import tertulia.app.chart.BesideChart;
import tertulia.app.chart.Marks;
import tertulia.app.display.Figures;
import tertulia.app.display.Voice;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.workspace.Cell;
import tertulia.app.workspace.Known;
import tertulia.app.workspace.Session;
import tertulia.core.billing.CostTiming;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.CostsOverall;
import tertulia.core.fit.Reason;
import tertulia.core.inuse.AsToday;
import tertulia.core.inuse.Beside;
import tertulia.core.inuse.InUse;
import tertulia.core.inuse.Together;
import tertulia.core.path.PlanPaths;

/**
 * What each contender comes to with what is in use already.
 *
 * @param uses the tools in use that are part of the question
 * @param out those that somebody left out
 * @param editable whether what is in use is that of the workspace, so that it can be left out here
 * @param months how long the plan is, in words
 */
record BesideView(List<Use> uses, List<Use> out, boolean editable, String months, List<Row> rows) {
  /** A tool in use. */
  record Use(String id, String name, String detail, boolean contender) {}

  /**
   * Whether a tool in use stays with a contender.
   *
   * @param says "stays", "goes", or "itself"
   * @param other what a press would say
   */
  record Choice(String tool, String name, String says, String other) {}

  /**
   * A contender.
   *
   * @param whole what it comes to in all
   * @param apart how much more than the least of those that meet the needs, or less; empty: not
   *     known
   * @param alone areas that nobody serves any more, in a sentence; may be empty
   * @param asToday whether it is kept as it is
   * @param used whether it is in use
   */
  record Row(
      String id,
      String mark,
      String name,
      String plan,
      List<Choice> choices,
      String bar,
      Cell whole,
      String apart,
      String alone,
      boolean asToday,
      boolean used) {}

  static BesideView of(Session session, Map<String, String> leftOut) {
    Beside beside = session.table().selection().beside();
    CostsOverall costs = session.evaluation().costs().overall();
    CostTiming view = session.evaluation().whatIf().view();
    Optional<Money> least =
        session.columns().stream()
            .filter(c -> !costs.keptThoughItFails(c.id()))
            .flatMap(c -> costs.total(c.id()).stream())
            .min(Money::compareTo);
    BigDecimal most =
        session.columns().stream()
            .map(c -> costs.total(c.id()).or(() -> costs.leastTotal(c.id())))
            .flatMap(Optional::stream)
            .map(Money::getAmount)
            .max(BigDecimal::compareTo)
            .orElse(BigDecimal.ZERO);
    List<Row> rows = new ArrayList<>();
    for (Contender contender : session.columns()) {
      rows.add(row(session, contender, costs, view, least, most));
    }
    return new BesideView(
        beside.tools().stream().map(use -> use(session, use, costs.inUse().asToday(use))).toList(),
        leftOut.entrySet().stream()
            .map(entry -> new Use(entry.getKey(), entry.getValue(), "", false))
            .toList(),
        session.table().file().brief().followsUse(),
        Figures.counted(session.table().selection().horizon().months(), "months"),
        rows);
  }

  private static Use use(Session session, InUse use, AsToday today) {
    boolean contender =
        session.table().selection().contenders().stream().anyMatch(c -> c.id().equals(use.id()));
    String detail =
        today
            .total(CostTiming.SPREAD)
            .map(cost -> Voice.say("use.short.as-today", "cost", Figures.money(cost)))
            .orElseGet(() ->
                Voice.say(
                    "use.short.as-today.least",
                    "cost",
                    Figures.money(today.least(CostTiming.SPREAD))));
    boolean counted = !session.evaluation().costs().overall().inUse().uncounted().contains(use);
    return new Use(
        use.id(),
        use.name(),
        counted ? detail : detail + Voice.say("use.part.uncounted"),
        contender);
  }

  private static Row row(
      Session session,
      Contender contender,
      CostsOverall costs,
      CostTiming view,
      Optional<Money> least,
      BigDecimal most) {
    String id = contender.id();
    Beside beside = session.table().selection().beside();
    Together together = costs.together(id);
    Optional<Money> own = costs.own(id);
    Optional<Money> total = costs.total(id);
    Money stays =
        together.staying(view).orElseGet(() -> together.least(view).minus(together.owed(view)));
    String says =
        Voice.say(
            "use.short.bar",
            Map.of(
                "owed",
                Figures.money(together.owed(view)),
                "cost",
                Figures.money(stays),
                "own",
                own.map(Figures::money).orElse("not known")));
    return new Row(
        id,
        Marks.inline(session.mark(id)),
        contender.tool().name(),
        plan(session, contender),
        beside.tools().stream().map(use -> choice(beside, contender, use)).toList(),
        BesideChart.of(
            new BesideChart.Bar(
                session.mark(id),
                together.owed(view).getAmount(),
                stays.getAmount(),
                own.map(Money::getAmount).orElse(BigDecimal.ZERO),
                most,
                Figures.money(stays),
                own.map(Figures::money).orElse("")),
            contender.tool().name() + ": " + says),
        whole(session, id, costs),
        apart(total, least),
        alone(session, contender, beside),
        contender.asToday(),
        beside.tool(id).isPresent());
  }

  private static String plan(Session session, Contender contender) {
    if (contender.asToday()) {
      return Voice.say("use.short.kept") + fails(session, contender);
    }
    return session.evaluation().costs().overall().way(contender.id())
            instanceof PlanPaths.Found found
        ? found.best().label()
        : "";
  }

  /** What it does not have of what is needed. */
  private static String fails(Session session, Contender contender) {
    CostsOverall costs = session.evaluation().costs().overall();
    if (!costs.keptThoughItFails(contender.id())
        || !(costs.way(contender.id()) instanceof PlanPaths.Found found)) {
      return "";
    }
    int m = Math.max(0, session.query().month());
    return found.best().legs().stream()
        .map(leg -> costs.reasonsIn(leg.option(), m))
        .filter(reasons -> !reasons.isEmpty())
        .findFirst()
        .map(reasons ->
            Voice.say(
                "use.part.fails",
                "reasons",
                reasons.stream().map(Reason::sentence).collect(Collectors.joining("; "))))
        .orElse("");
  }

  private static Choice choice(Beside beside, Contender contender, InUse use) {
    if (use.id().equals(contender.id())) {
      return new Choice(use.id(), use.name(), contender.asToday() ? "itself" : "goes", "");
    }
    boolean goes = beside.going(contender.id()).contains(use);
    return new Choice(use.id(), use.name(), goes ? "goes" : "stays", goes ? "stays" : "goes");
  }

  private static Cell whole(Session session, String id, CostsOverall costs) {
    String why = session.why("inall", "contender", id);
    return costs
        .totalBounds(id)
        .map(amount -> Cell.figure(Known.amount(amount), why))
        .orElseGet(() ->
            costs
                .leastTotal(id)
                .map(money -> Cell.missing(Known.least(Optional.of(money)), why))
                .orElseGet(() -> Cell.missing("not known", why)));
  }

  private static String apart(Optional<Money> total, Optional<Money> least) {
    if (total.isEmpty() || least.isEmpty()) {
      return "";
    }
    Money apart = total.get().minus(least.get());
    if (apart.isZero()) {
      return Voice.say("use.short.the-least");
    }
    return (apart.isPositive() ? "+" : "−") + Figures.money(apart.abs());
  }

  /** Work areas that nobody serves any more if the contender is taken. */
  private static String alone(Session session, Contender contender, Beside beside) {
    Set<String> served =
        session.table().file().contenders().stream()
            .filter(part -> part.tool().id().equals(contender.id()))
            .map(SelectionFile.ContenderPart::tool)
            .flatMap(sheet -> sheet.areas().stream())
            .collect(Collectors.toCollection(LinkedHashSet::new));
    beside.tool(contender.id()).ifPresent(itself -> served.addAll(itself.areas()));
    Set<String> areas = beside.unserved(contender.id(), served);
    return areas.isEmpty()
        ? ""
        : Voice.say(
            "use.alone",
            Map.of(
                "tools",
                Voice.list(beside.going(contender.id()).stream().map(InUse::name).toList()),
                "areas",
                Voice.list(List.copyOf(areas)),
                "other",
                contender.tool().name()));
  }
}
