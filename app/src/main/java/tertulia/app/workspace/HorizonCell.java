package tertulia.app.workspace;

import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import tertulia.app.display.Dates;
import tertulia.app.display.Voice;
import tertulia.core.billing.CostTiming;
import tertulia.core.evaluation.Confirmation;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.CostsOverall;
import tertulia.core.inuse.Together;
import tertulia.core.path.PlanPath;
import tertulia.core.path.PlanPaths;

/** A contender's total over all months as it reads in the table, wherever it stands. */
public final class HorizonCell {
  private HorizonCell() {}

  /** Offers that the total holds, by name; beyond their time the price is another. */
  private static String offers(PlanPath way) {
    return way.offers().isEmpty()
        ? ""
        : "; with "
            + way.offers().stream()
                .map(offer -> "“" + offer.name() + "”")
                .collect(Collectors.joining(" and "));
  }

  private static Optional<Confirmation.Whole> confirmed(Session session, Contender contender) {
    return session.evaluation().costs().confirmation().whole(contender.id());
  }

  private static CostsOverall costs(Session session) {
    return session.evaluation().costs().overall();
  }

  /** What it comes to with what is in use beside it; of it its own cost, below. */
  private static Cell withInUse(Session session, Contender contender, PlanPaths.Found found) {
    CostTiming view = session.evaluation().whatIf().view();
    Together beside = costs(session).together(contender.id());
    String why = session.why("inall", "contender", contender.id());
    Cell sum =
        beside
            .total(view)
            .map(more ->
                Cell.figure(Known.amount(found, way -> way.ledger().total(view).plus(more)), why))
            .orElseGet(
                () -> Cell.missing(Known.least(costs(session).leastTotal(contender.id())), why));
    return sum.noting(
        Voice.say(
            "use.short.own",
            Map.of(
                "cost",
                Known.amount(found, way -> way.ledger().total(view)),
                "plan",
                found.best().label())));
  }

  /** The total of the cheapest path, with what is taken below it; "at most" if one was left out. */
  public static Cell of(Session session, Contender contender) {
    CostTiming view = session.evaluation().whatIf().view();
    String why = session.why("way", "contender", contender.id());
    return switch (session.evaluation().costs().overall().way(contender.id())) {
      case PlanPaths.Found found when !costs(session).together(contender.id()).isNothing() ->
          withInUse(session, contender, found);
      case PlanPaths.Found found ->
          Cell.figure(Known.amount(found, way -> way.ledger().total(view)), why)
              .noting(
                  found.best().label()
                      + Known.mark(found.best().legs().getLast().option())
                      + offers(found.best()));
      case PlanPaths.Gap gap when gap.isUnpriced() ->
          Cell.missing(
              Known.least(session.evaluation().costs().overall().leastTotal(contender.id())), why);
      case PlanPaths.Gap gap when confirmed(session, contender).isPresent() ->
          Cell.missing(
                  Voice.say(
                      "confirm.short.alone",
                      "cost",
                      Known.amount(confirmed(session, contender).get().total())),
                  why)
              .noting(confirmed(session, contender).get().path().label());
      case PlanPaths.Gap gap ->
          Cell.missing(gap.isUnconfirmed() ? "not confirmed" : "no plan fits", why)
              .noting(
                  gap.month() == 0
                      ? ""
                      : "nothing from "
                          + Dates.shortMonth(
                              session.table().selection().horizon().month(gap.month())));
    };
  }
}
