package tertulia.app.cost;

import java.util.ArrayList;
import java.util.List;
import tertulia.app.cost.CostView.Warning;
import tertulia.app.display.Dates;
import tertulia.app.display.FindingWords;
import tertulia.app.workspace.Session;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Costs;
import tertulia.core.finding.CostCaveats;
import tertulia.core.finding.CostFindings;
import tertulia.core.path.Outcome;
import tertulia.core.path.SteadyCost;
import tertulia.core.path.Terms;

/** What the Cost step says, and what it warns of: its findings in words, with the way out. */
final class Sentences {
  private Sentences() {}

  static String name(Session session, String contender) {
    return session.table().selection().contender(contender).tool().name();
  }

  /**
   * The answer first: who is cheapest now and over the whole period, then by headcount, and why.
   */
  static List<String> says(Session session) {
    FindingWords words = new FindingWords(session.table().selection());
    return new CostFindings(session.evaluation().costs()).all().stream().map(words::of).toList();
  }

  /** Mistakes that could be made on this page. */
  static List<Warning> warnings(Session session) {
    FindingWords words = new FindingWords(session.table().selection());
    Costs costs = session.evaluation().costs();
    CostCaveats caveats = new CostCaveats(costs);
    List<Warning> warnings = new ArrayList<>();
    caveats
        .mixedTerms()
        .ifPresent(mixed ->
            warnings.add(
                new Warning(
                    words.of(mixed),
                    "Compare all monthly",
                    "/selections/"
                        + session.table().id()
                        + "/cost?"
                        + session.query().query(Terms.MONTHLY))));
    new CostFindings(costs)
        .openQuestions()
        .forEach(open ->
            warnings.add(
                new Warning(words.of(open), "See which", session.step("fit") + "#unsaid")));
    for (Contender contender : session.columns()) {
      oldPrice(session, contender, warnings);
      caveats
          .fallingBand(contender.id())
          .ifPresent(band ->
              warnings.add(
                  new Warning(
                      words.of(band), "See the price page", "/catalogue/" + contender.id())));
    }
    return warnings;
  }

  private static void oldPrice(Session session, Contender contender, List<Warning> warnings) {
    if (session.evaluation().costs().now().steady(contender.id())
            instanceof Outcome.Found<SteadyCost> found
        && session.isOld(found.best().option().plan().source())) {
      warnings.add(
          new Warning(
              contender.tool().name()
                  + "’s price is from "
                  + Dates.day(found.best().option().plan().source().asOf())
                  + ", more than "
                  + session.daysFresh()
                  + " days ago.",
              session.person().organises() ? "Change it" : "See the price page",
              session.pricePage(contender.id()),
              session.confirm(
                  contender,
                  "prices:" + found.best().option().plan().id(),
                  found.best().option().plan().source())));
    }
  }
}
