package tertulia.app.selection;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import tertulia.app.display.Dates;
import tertulia.app.display.Figures;
import tertulia.core.evaluation.Contender;
import tertulia.core.fit.Answer;
import tertulia.core.fit.Fact;
import tertulia.core.fit.Importance;
import tertulia.core.fit.Need;
import tertulia.core.fit.Offering;
import tertulia.core.growth.Measure;
import tertulia.core.path.Outcome;
import tertulia.core.path.SteadyCost;

/** Rows that set needs against contenders. */
final class NeedRows {
  private NeedRows() {}

  /** Units needed of each measure by the people under discussion. */
  static List<Cell> demand(Workspace.Session session) {
    List<Cell> cells = new ArrayList<>();
    for (Measure measure : session.table().selection().demands().keySet()) {
      int units =
          session
              .evaluation()
              .market()
              .units(session.evaluation().people())
              .of(measure)
              .orElseThrow();
      cells.add(
          Cell.figure(
              Figures.whole(units) + " " + measure.label(),
              session.why("units", "measure", measure.id())));
    }
    return cells;
  }

  /** For each need the answer of the plan each contender would need; or its last if none fits. */
  static List<Row> needs(Workspace.Session session, boolean withSource) {
    List<Row> rows = new ArrayList<>();
    for (Need need : session.table().selection().needs()) {
      List<Cell> cells =
          session.columns().stream().map(c -> cell(session, c, need, withSource)).toList();
      String words =
          switch (need.importance()) {
            case Importance.Must must -> must.partlyIsEnough() ? "must, partly will do" : "must";
            case Importance.Should should -> "should, weight " + should.weight();
            case Importance.Could could -> "could";
          };
      rows.add(
          new Row(
              Cell.fact(need.capability().name()).noting(words),
              cells,
              need.importance() instanceof Importance.Must ? "must" : ""));
    }
    return rows;
  }

  private static Cell cell(
      Workspace.Session session, Contender contender, Need need, boolean withSource) {
    Optional<Offering> plan = shown(session, contender);
    if (plan.isEmpty()) {
      return Cell.missing("no plans entered", "");
    }
    Fact fact = plan.get().fact(need.capability());
    boolean must = need.importance() instanceof Importance.Must;
    Cell cell =
        Cell.fact(
                sign(fact.answer())
                    + fact.answer().words()
                    + (fact.addOn().isEmpty() ? "" : " “" + fact.addOn() + "”"))
            .noting(withSource ? source(fact, session) : oldOnly(fact, session))
            .confirmable(
                withSource
                    ? session.confirm(contender, "fact:" + need.capability().id(), fact.source())
                    : "");
    return switch (fact.answer()) {
      case YES -> cell.looking("yes");
      case PARTLY, BY_ADD_ON -> cell.looking("partly");
      case NO -> cell.looking(must ? "stop" : "no");
      case UNKNOWN -> cell.looking("missing").noting(must ? "confirm it" : "");
    };
  }

  private static String sign(Answer answer) {
    return switch (answer) {
      case YES -> "● ";
      case PARTLY -> "◐ ";
      case BY_ADD_ON -> "⊕ ";
      case NO -> "○ ";
      case UNKNOWN -> "? ";
    };
  }

  private static String oldOnly(Fact fact, Workspace.Session session) {
    boolean known = fact.answer() != Answer.UNKNOWN;
    return known && session.isOld(fact.source()) ? source(fact, session) : "";
  }

  private static String source(Fact fact, Workspace.Session session) {
    String source = fact.source().ground().words();
    return session.isOld(fact.source())
        ? source + ", old: " + Dates.day(fact.source().asOf())
        : source;
  }

  /** The plan a contender would need, or the best documented one if none fits. */
  static Optional<Offering> shown(Workspace.Session session, Contender contender) {
    Outcome<SteadyCost> outcome = session.evaluation().steady(contender.id());
    if (outcome instanceof Outcome.Found<SteadyCost> found) {
      return Optional.of(found.best().option().offering());
    }
    List<Offering> offerings = contender.offerings();
    return offerings.isEmpty() ? Optional.empty() : Optional.of(offerings.getLast());
  }
}
