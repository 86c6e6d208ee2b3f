package tertulia.app.cost;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import tertulia.app.display.Dates;
import tertulia.app.display.Figures;
import tertulia.app.selection.Workspace;
import tertulia.core.evaluation.Contender;
import tertulia.core.fit.Reason;
import tertulia.core.money.ExchangeRate;
import tertulia.core.path.LeftOut;
import tertulia.core.path.Outcome;
import tertulia.core.path.SteadyCost;
import tertulia.core.path.Terms;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.PlanPrices;
import tertulia.core.pricing.Tax;

/** What is not equal between the columns, said at the column that differs. */
final class Alike {
  /** Prices written down further apart than this are not of one time. */
  private static final long DAYS_APART = 90;

  private final Workspace.Session session;
  private final List<SteadyCost> all;

  /**
   * One thing that is not equal.
   *
   * @param says what differs, in a few words
   * @param way what the button does; empty if it is made equal already
   * @param href where the button leads
   */
  record Difference(String says, String way, String href) {}

  private Alike(Workspace.Session session) {
    this.session = session;
    this.all =
        session.columns().stream()
            .flatMap(contender -> steady(session, contender).stream())
            .toList();
  }

  /** The differences of each column, in the columns' order. */
  static List<List<Difference>> of(Workspace.Session session) {
    Alike alike = new Alike(session);
    return session.columns().stream().map(alike::differences).toList();
  }

  private static Optional<SteadyCost> steady(Workspace.Session session, Contender contender) {
    return session.evaluation().costs().steady(contender.id())
            instanceof Outcome.Found<SteadyCost> found
        ? Optional.of(found.best())
        : Optional.empty();
  }

  private String here(String query) {
    return "/selections/" + session.table().id() + "/cost" + (query.isEmpty() ? "" : "?" + query);
  }

  private List<Difference> differences(Contender contender) {
    List<Difference> differences = new ArrayList<>();
    steady(session, contender)
        .ifPresent(cost -> {
          term(cost, differences);
          currency(cost, differences);
          tax(cost.option().plan(), differences);
          age(cost.option().plan(), differences);
          basis(contender, cost.option().plan(), differences);
          cap(contender, differences);
        });
    return differences;
  }

  private void term(SteadyCost cost, List<Difference> differences) {
    boolean committed = cost.option().list().term().isCommitted();
    long alike =
        all.stream().filter(c -> c.option().list().term().isCommitted() == committed).count();
    if (2 * alike < all.size() || 2 * alike == all.size() && !committed) {
      differences.add(
          committed
              ? new Difference(
                  "committed: " + cost.option().list().term().words(),
                  "All monthly",
                  here(session.query().query(Terms.MONTHLY)))
              : new Difference(
                  "without a commitment",
                  "All committed",
                  here(session.query().query(Terms.COMMITTED))));
    }
  }

  private void currency(SteadyCost cost, List<Difference> differences) {
    cost.rate()
        .ifPresent(rate ->
            differences.add(
                new Difference(
                    "priced in "
                        + rate.from()
                        + ", converted at "
                        + rate.rate().toPlainString()
                        + " of "
                        + Dates.day(rate.on()),
                    isLatest(rate) ? "" : "Take the published rates",
                    "/selections/" + session.table().id() + "/need#rates")));
  }

  private boolean isLatest(ExchangeRate rate) {
    return ChronoUnit.DAYS.between(rate.on(), session.today()) <= 31;
  }

  private static void tax(Plan plan, List<Difference> differences) {
    Tax tax = plan.tax();
    if (tax.isIncluded()) {
      differences.add(
          new Difference(
              "listed with " + Figures.percent(tax.included()) + " tax, which is taken out here",
              "",
              ""));
    }
  }

  private void age(Plan plan, List<Difference> differences) {
    LocalDate newest =
        all.stream()
            .map(cost -> cost.option().plan().source().asOf())
            .max(Comparator.naturalOrder())
            .orElseThrow();
    LocalDate asOf = plan.source().asOf();
    if (ChronoUnit.DAYS.between(asOf, newest) > DAYS_APART) {
      differences.add(
          new Difference(
              "price of " + Dates.day(asOf) + ", others up to " + Dates.day(newest),
              session.query().day().isPresent() ? "" : "All prices of that day",
              here(session.query().pricedOn(asOf).query())));
    }
  }

  private void basis(Contender contender, Plan plan, List<Difference> differences) {
    String edit = "/catalogue/" + contender.id() + (session.person().organises() ? "/edit" : "");
    switch (plan.prices()) {
      case PlanPrices.Assumed assumed ->
          differences.add(new Difference("an assumed price", "Enter a quote", edit));
      case PlanPrices.Quoted quoted ->
          differences.add(new Difference("a quote, not a list price", "", ""));
      case PlanPrices.Listed listed -> {}
      case PlanPrices.OnRequest onRequest -> {}
    }
    if (session.evaluation().costs().steady(contender.id())
            instanceof Outcome.Found<SteadyCost> found
        && found.isAtMost()) {
      differences.add(
          new Difference(
              "at most: "
                  + found.leftOut().stream()
                      .filter(LeftOut::mayBeCheaper)
                      .map(LeftOut::option)
                      .collect(Collectors.joining(", "))
                  + " may be cheaper and has no figure",
              "Enter a quote",
              edit));
    }
  }

  /** A cheaper plan is out because of its cap: what it would be at the cap. */
  private void cap(Contender contender, List<Difference> differences) {
    session
        .evaluation()
        .costs()
        .steady(contender.id())
        .passedOver()
        .forEach((option, verdict) -> {
          for (Reason reason : verdict.reasons()) {
            if (reason instanceof Reason.OverCap over
                && verdict.reasons().size() == 1
                && differences.stream().noneMatch(d -> d.way().startsWith("Read at"))) {
              int people = peopleFor(over);
              if (people > 0) {
                differences.add(
                    new Difference(
                        "beyond the cap of " + option + ": " + over.sentence(),
                        "Read at " + Figures.whole(people) + " people",
                        here(session.query().at(people).query())));
              }
            }
          }
        });
  }

  /** The most people who still fit under a cap, in today's shares; 0 if nobody does. */
  private int peopleFor(Reason.OverCap over) {
    int now = session.evaluation().costs().people().total();
    int month = session.evaluation().costs().occasion().month();
    for (int n = now - 1; n > 0; n--) {
      BigDecimal needed =
          session
              .evaluation()
              .costs()
              .market()
              .occasion(session.evaluation().costs().today().scaledTo(n), month)
              .units()
              .amount(over.measure())
              .orElse(BigDecimal.ZERO);
      if (needed.compareTo(BigDecimal.valueOf(over.most())) <= 0) {
        return n;
      }
    }
    return 0;
  }
}
