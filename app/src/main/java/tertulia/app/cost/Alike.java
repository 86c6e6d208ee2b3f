package tertulia.app.cost;

import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import tertulia.app.display.Dates;
import tertulia.app.display.Figures;
import tertulia.app.display.FindingWords;
import tertulia.app.workspace.Session;
import tertulia.core.evaluation.Contender;
import tertulia.core.finding.CostCaveats;
import tertulia.core.money.ExchangeRate;
import tertulia.core.path.PlanPaths;
import tertulia.core.path.SteadyCost;
import tertulia.core.path.Terms;
import tertulia.core.pricing.Offer;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.PlanPrices;
import tertulia.core.pricing.Tax;

/** What is not equal between the columns, said at the column that differs. */
final class Alike {
  private final Session session;
  private final CostCaveats caveats;
  private final FindingWords words;

  /**
   * One thing that is not equal.
   *
   * @param says what differs, in a few words
   * @param way what the button does; empty if it is made equal already
   * @param href where the button leads
   */
  record Difference(String says, String way, String href) {}

  private Alike(Session session) {
    this.session = session;
    this.caveats = new CostCaveats(session.evaluation().costs());
    this.words = new FindingWords(session.table().selection());
  }

  /** The differences of each column, in the columns' order. */
  static List<List<Difference>> of(Session session) {
    Alike alike = new Alike(session);
    return session.columns().stream().map(alike::differences).toList();
  }

  private static Optional<SteadyCost> steady(Session session, Contender contender) {
    return session.evaluation().costs().now().best(contender.id());
  }

  private String here(String query) {
    return "/selections/" + session.table().id() + "/cost" + (query.isEmpty() ? "" : "?" + query);
  }

  private List<Difference> differences(Contender contender) {
    List<Difference> differences = new ArrayList<>();
    offers(contender, differences);
    steady(session, contender)
        .ifPresent(cost -> {
          term(contender, cost, differences);
          currency(cost, differences);
          tax(cost.option().plan(), differences);
          age(contender, differences);
          notSaid(contender, differences);
          basis(contender, cost.option().plan(), differences);
          cap(contender, differences);
        });
    return differences;
  }

  /**
   * An offer inside a total lowers it for a while only, which the columns beside it do not know.
   */
  private void offers(Contender contender, List<Difference> differences) {
    if (session.evaluation().costs().overall().way(contender.id())
        instanceof PlanPaths.Found found) {
      for (Offer offer : found.best().offers()) {
        differences.add(
            new Difference(
                "its total holds “"
                    + offer.name()
                    + "”: "
                    + offer.words()
                    + (offer.months() == null ? "" : "; after that the list price"),
                "",
                ""));
      }
    }
  }

  private void term(Contender contender, SteadyCost cost, List<Difference> differences) {
    caveats
        .mixedTerms()
        .filter(mixed -> mixed.fewer().contains(contender.id()))
        .ifPresent(mixed ->
            differences.add(
                mixed.committed().contains(contender.id())
                    ? new Difference(
                        "committed: " + cost.option().list().term().words(),
                        "All monthly",
                        here(session.query().query(Terms.MONTHLY)))
                    : new Difference(
                        "without a commitment",
                        "All committed",
                        here(session.query().query(Terms.COMMITTED)))));
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

  private void age(Contender contender, List<Difference> differences) {
    caveats
        .olderPrice(contender.id())
        .ifPresent(older ->
            differences.add(
                new Difference(
                    words.of(older),
                    session.query().day().isPresent() ? "" : "All prices of that day",
                    here(session.query().pricedOn(older.asOf()).query()))));
  }

  private void notSaid(Contender contender, List<Difference> differences) {
    caveats
        .notSaid(contender.id())
        .ifPresent(not ->
            differences.add(
                new Difference(
                    words.of(not),
                    session.person().organises() ? "Confirm or change it" : "See the price page",
                    "/catalogue/" + contender.id())));
  }

  private void basis(Contender contender, Plan plan, List<Difference> differences) {
    String edit = session.pricePage(contender.id());
    switch (plan.prices()) {
      case PlanPrices.Assumed assumed ->
          differences.add(new Difference("an assumed price", "Enter a quote", edit));
      case PlanPrices.Quoted quoted ->
          differences.add(new Difference("a quote, not a list price", "", ""));
      case PlanPrices.Listed listed -> {}
      case PlanPrices.From from ->
          differences.add(new Difference("only the least it costs", "Enter a quote", edit));
      case PlanPrices.OnRequest onRequest -> {}
    }
    caveats
        .atMost(contender.id())
        .ifPresent(most -> differences.add(new Difference(words.of(most), "Enter a quote", edit)));
  }

  /** A cheaper plan is out because of its cap: what it would be at the cap. */
  private void cap(Contender contender, List<Difference> differences) {
    caveats
        .beyondCap(contender.id())
        .filter(cap -> cap.people() > 0)
        .ifPresent(cap ->
            differences.add(
                new Difference(
                    words.of(cap),
                    "Read at " + Figures.counted(cap.people(), "people"),
                    here(session.query().at(cap.people()).query()))));
  }
}
