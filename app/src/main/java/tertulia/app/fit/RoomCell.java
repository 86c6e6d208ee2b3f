package tertulia.app.fit;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import tertulia.app.display.Dates;
import tertulia.app.display.Figures;
import tertulia.app.workspace.Cell;
import tertulia.app.workspace.Session;
import tertulia.core.evaluation.Contender;
import tertulia.core.fit.Headroom;
import tertulia.core.fit.Headroom.Bound;
import tertulia.core.growth.Measure;
import tertulia.core.pricing.Included;
import tertulia.core.pricing.Plan;
import tertulia.core.time.Horizon;

/** How much of what a plan has is used now and at the end of the plan months, and until when. */
final class RoomCell {
  private RoomCell() {}

  static Cell of(Session session, Contender contender, Measure measure) {
    String why = session.why("room", "contender", contender.id(), "measure", measure.id());
    Optional<Headroom> now = session.evaluation().costs().now().roomNow(contender.id(), measure);
    Optional<Headroom> months = session.evaluation().costs().now().room(contender.id(), measure);
    if (session.evaluation().costs().now().optionNow(contender.id()).isEmpty()) {
      // what a page without prices charges for may go beyond what it allows
      return Cell.missing("not known", why);
    }
    if (now.isEmpty() || months.isEmpty()) {
      return Cell.missing("not limited", why);
    }
    Cell cell =
        of(
            now.get(),
            months.get(),
            session.evaluation().costs().people().total(),
            session.table().selection().horizon(),
            why);
    if (now.get().bound() instanceof Bound.Silent) {
      return cell;
    }
    String source = NeedCell.source(now.get().source(), session);
    return noting(cell, source)
        .confirmable(
            session.confirm(contender, key(session, contender, measure), now.get().source()));
  }

  /**
   * What a confirmation is called: of an allowance by itself, of all else with the plan's prices.
   */
  private static String key(Session session, Contender contender, Measure measure) {
    Plan plan = session.evaluation().costs().now().optionNow(contender.id()).orElseThrow().plan();
    return plan.allowances().stream().anyMatch(a -> a.measure().equals(measure))
        ? "allowance:" + measure.id()
        : "prices:" + plan.id();
  }

  /**
   * The same for any plan.
   *
   * @param now for the people under discussion
   * @param months over the plan months
   */
  static Cell of(Headroom now, Headroom months, int people, Horizon horizon, String why) {
    BigDecimal used = now.used().getFirst();
    return switch (now.bound()) {
      case Bound.Endless endless -> Cell.figure(amount(used) + ", no end", why).looking("yes");
      case Bound.Unknown unknown when now.state(months) == Headroom.State.COVERED ->
          outside(used, why).noting("? not confirmed");
      case Bound.Silent silent when now.state(months) == Headroom.State.COVERED ->
          outside(used, why).noting("? nothing said");
      case Bound.Unknown unknown ->
          Cell.missing("? not confirmed", why).noting(amount(used) + " needed; confirm it");
      case Bound.Silent silent ->
          Cell.missing("? nothing said", why)
              .noting(
                  amount(used)
                      + " needed"
                      + silent
                          .sister()
                          .map(plan -> "; the page speaks of it for " + plan)
                          .orElse("")
                      + "; ask the vendor");
      case Bound.AccountOrSeat open when now.state(months) == Headroom.State.NOT_CONFIRMED ->
          Cell.missing("? account or seat", why)
              .noting(amount(used) + " needed; " + forWhom(open) + "; ask the vendor");
      case Bound.AccountOrSeat open ->
          noting(bounded(now, months, people, horizon, why, Optional.empty()), forWhom(open));
      case Bound.UpTo upTo -> bounded(now, months, people, horizon, why, upTo.rule());
      case Bound.Charged charged ->
          bounded(now, months, people, horizon, why, Optional.of(charged.rule()));
    };
  }

  /** Such as "10 for the account or for each of the seats, the page does not say which". */
  private static String forWhom(Bound.AccountOrSeat open) {
    return open.rule().words() + ", the page does not say which";
  }

  private static Cell noting(Cell cell, String more) {
    return cell.noting(cell.note().isEmpty() ? more : cell.note() + "; " + more);
  }

  private static Cell outside(BigDecimal used, String why) {
    return Cell.figure("◇ " + amount(used) + ", covered outside", why).looking("partly");
  }

  private static Cell bounded(
      Headroom now,
      Headroom months,
      int people,
      Horizon horizon,
      String why,
      Optional<Included> rule) {
    BigDecimal used = now.used().getFirst();
    BigDecimal most = now.most(0).orElseThrow();
    Headroom.State state = now.state(months);
    boolean charged = state == Headroom.State.CHARGED;
    int last = horizon.months() - 1;
    List<String> notes = new ArrayList<>();
    if (now.measure().nature() == Measure.Nature.SUM) {
      notes.add("added up since the start");
    }
    rule.ifPresent(r -> notes.add(perHead(now.measure(), r, most, people)));
    notes.add(
        Dates.shortMonth(horizon.month(last))
            + ": "
            + amount(months.used().get(last))
            + " of "
            + amount(months.most(last).orElseThrow()));
    boolean outside = !charged && months.outside().signum() > 0;
    months
        .runsOut()
        .ifPresent(out ->
            notes.add(
                (charged
                        ? "paid for beyond it from "
                        : outside ? "◇ covered outside from " : "runs out ")
                    + Dates.shortMonth(horizon.month(out))));
    if (outside) {
      months.ends().ifPresent(out -> notes.add("runs out " + Dates.shortMonth(horizon.month(out))));
    }
    return Cell.figure(amount(used) + " of " + amount(most) + (charged ? " included" : ""), why)
        .looking(look(state))
        .noting(String.join("; ", notes));
  }

  private static String look(Headroom.State state) {
    return switch (state) {
      case OVER -> "stop";
      case RUNS_OUT -> "care";
      case LASTS, ENDLESS -> "yes";
      case COVERED -> "partly";
      case CHARGED, NOT_CONFIRMED, NOT_SAID -> "";
    };
  }

  /**
   * A quantity for each seat and one for the account, each also as the other; a limit of one call
   * or one recording is no quantity that people share.
   */
  static String perHead(Measure measure, Included rule, BigDecimal most, int people) {
    if (measure.nature() == Measure.Nature.LARGEST) {
      return rule.words();
    }
    boolean bySeat = rule.perSeat().signum() > 0;
    if (bySeat) {
      return rule.words() + ", " + amount(most) + " in all";
    }
    return people == 0
        ? rule.words()
        : rule.words()
            + ", "
            + amount(most.divide(BigDecimal.valueOf(people), new MathContext(2)))
            + " a person";
  }

  static String amount(BigDecimal units) {
    BigDecimal plain = units.stripTrailingZeros();
    return plain.scale() <= 0 ? Figures.whole(plain.longValue()) : plain.toPlainString();
  }
}
