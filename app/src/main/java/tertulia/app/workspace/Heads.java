package tertulia.app.workspace;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import tertulia.app.chart.Marks;
import tertulia.app.display.Figures;
import tertulia.app.display.Voice;
import tertulia.core.evaluation.Confirmation;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.finding.CostFindings;
import tertulia.core.path.Outcome;
import tertulia.core.path.SteadyCost;
import tertulia.core.scoring.Totals;

/**
 * What stands at the head of a contender's column: the plan it would need, its cost and its total.
 */
public final class Heads {
  private Heads() {}

  /** The heads of all columns. */
  static List<Head> of(Session session) {
    return session.columns().stream().map(contender -> of(session, contender)).toList();
  }

  /** The head of a contender's column. */
  public static Head of(Session session, Contender contender) {
    String id = contender.id();
    boolean best =
        new CostFindings(session.evaluation().costs())
            .place(id)
            .filter(place -> place.place() == 1)
            .isPresent();
    Outcome<SteadyCost> outcome = session.evaluation().costs().now().steady(id);
    return new Head(
        id,
        contender.tool().name(),
        Marks.inline(session.mark(id)),
        plan(outcome, confirmed(session, id))
            + asToday(session, contender)
            + (session.query().plans().containsKey(id) ? "; chosen" : ""),
        cost(session, id, outcome, best),
        total(
            session,
            id,
            session.evaluation().scores().totals().map(Totals::standings).orElse(List.of())));
  }

  private static Optional<Confirmation.Now> confirmed(Session session, String id) {
    return session.evaluation().costs().confirmation().now(id);
  }

  private static String plan(Outcome<SteadyCost> outcome, Optional<Confirmation.Now> ifConfirmed) {
    return switch (outcome) {
      case Outcome.Found<SteadyCost> found ->
          plan(found.best()) + Known.mark(found.best().option());
      case Outcome.NoPlan<SteadyCost> none ->
          ifConfirmed
              .map(open -> Voice.say("confirm.short.plan", "plan", open.cost().option().label()))
              .orElse(none.isUnconfirmed() ? "not confirmed" : "no plan fits");
      case Outcome.Unpriced<SteadyCost> unpriced ->
          unpriced
              .low()
              .map(low -> low.option().label() + Known.mark(low.option()))
              .orElse("price not known");
    };
  }

  /** What it is on; that there is more of it is said where it is counted. */
  private static String plan(SteadyCost best) {
    return best.alongside().isEmpty()
        ? best.option().label()
        : Voice.say("use.short.and-more", "plan", best.option().label());
  }

  private static Cell cost(Session session, String id, Outcome<SteadyCost> outcome, boolean best) {
    String why = session.why("steady", "contender", id);
    return switch (outcome) {
      case Outcome.Found<SteadyCost> found -> {
        yield Cell.figure(Known.amount(found, SteadyCost::money), why)
            .looking(best ? "best" : "")
            .noting(
                Stream.of(
                        boughtOnce(found.best()),
                        owned(found.best()),
                        time(session, id),
                        staying(session, id),
                        confirmed(session, id).map(Heads::beside).orElse(""))
                    .filter(note -> !note.isEmpty())
                    .collect(Collectors.joining("; ")));
      }
      case Outcome.NoPlan<SteadyCost> none ->
          confirmed(session, id)
              .map(open ->
                  Cell.missing(
                      Voice.say("confirm.short.alone", "cost", Known.amount(open.monthly())), why))
              .orElseGet(() -> Cell.missing("—", why));
      case Outcome.Unpriced<SteadyCost> unpriced ->
          Cell.missing(Known.least(session.evaluation().costs().now().leastMonthly(id)), why);
    };
  }

  /** What it would cost on another plan, of which something is open. */
  private static String beside(Confirmation.Now open) {
    return Voice.say(
        "confirm.short.beside",
        Map.of("cost", Known.amount(open.monthly()), "plan", open.cost().option().plan().name()));
  }

  /** A month's share of what is bought once stands in the figure, so it is named. */
  private static String boughtOnce(SteadyCost cost) {
    return cost.boughtOnce().isZero()
        ? ""
        : "of it " + Figures.money(cost.boughtOnce()) + " a month for what is bought once";
  }

  /** What is paid for already stands outside the figure, so it is named with its last day. */
  private static String owned(SteadyCost cost) {
    return cost.owned().map(owned -> "paid for already: " + owned.words()).orElse("");
  }

  /** What people look after and do by hand in a month, if full cost is read. */
  private static String time(Session session, String id) {
    return session.query().whatIf().basis() == WhatIf.Basis.SUBSCRIPTION
        ? ""
        : session
            .evaluation()
            .costs()
            .now()
            .steadyTime(id)
            .map(money -> "+ " + Figures.money(money) + " of staff time")
            .orElse("staff time not known");
  }

  /** That it is what is in use, and whether that does not meet the needs. */
  private static String asToday(Session session, Contender contender) {
    if (!contender.asToday()) {
      return "";
    }
    return session.evaluation().costs().overall().keptThoughItFails(contender.id())
        ? Voice.say("use.part.as-today.fails")
        : Voice.say("use.part.as-today");
  }

  /** What stays in use beside it, with which it is compared. */
  private static String staying(Session session, String id) {
    return session.evaluation().costs().overall().together(id).stays().isEmpty()
        ? ""
        : session
            .evaluation()
            .costs()
            .now()
            .staying(id)
            .map(money -> Voice.say("use.short.beside", "cost", Figures.money(money)))
            .orElseGet(() -> Voice.say("use.short.beside.unknown"));
  }

  /** A contender's total as it reads at the head of its column. */
  private static Cell total(Session session, String id, List<Totals.Standing> standings) {
    String why = session.why("total", "contender", id);
    return standings.stream()
        .filter(s -> s.contender().equals(id))
        .findFirst()
        .map(mine -> total(mine, standings.getFirst() == mine, why))
        .orElseGet(() -> Cell.missing("—", why))
        .named("total-" + id);
  }

  private static Cell total(Totals.Standing mine, boolean first, String why) {
    String ranks =
        mine.bestRank() == mine.worstRank()
            ? "rank " + mine.bestRank()
            : "rank " + mine.bestRank() + " to " + mine.worstRank();
    return Cell.figure(Figures.score(mine.total()), why).looking(first ? "best" : "").noting(ranks);
  }
}
