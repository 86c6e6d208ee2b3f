package tertulia.app.workspace;

import java.time.Clock;
import java.time.LocalDate;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.springframework.stereotype.Component;
import tertulia.app.display.FindingWords;
import tertulia.app.exchange.Disinterested;
import tertulia.app.live.Live;
import tertulia.app.people.SignedIn;
import tertulia.app.selection.LoadedSelection;
import tertulia.app.selection.Selections;
import tertulia.app.settings.Freshness;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.Selection;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.finding.InterestFinding;
import tertulia.core.finding.InterestFindings;

/** Sets a selection on the table for one request: loaded, computed out, with its frame. */
@Component
public class Workspace {
  private final Selections selections;
  private final Freshness freshness;
  private final Live live;
  private final Clock clock;
  private final Evaluations evaluations = new Evaluations();

  Workspace(Selections selections, Freshness freshness, Live live, Clock clock) {
    this.live = live;
    this.freshness = freshness;
    this.selections = selections;
    this.clock = clock;
  }

  /** Loads and computes; the query is the request's parameters. */
  public Session open(long id, Map<String, String> parameters, SignedIn person) {
    long last = live.last(id);
    LocalDate today = LocalDate.now(clock);
    LoadedSelection table =
        selections.load(
            id,
            WhatIfQuery.pricesOf(parameters).orElse(today),
            WhatIfQuery.disinterested(parameters));
    return open(table, parameters, person, today, freshness.days(), last);
  }

  /**
   * What a session reads with what people with an interest said, or without it: the other way than
   * it does; empty if nobody at the table has said anything with an interest.
   */
  public Optional<Interested> interested(Session session) {
    Disinterested.Interests interests = Disinterested.in(session.table().file());
    if (interests.areNone()) {
      return Optional.empty();
    }
    boolean without = session.query().disinterested();
    LoadedSelection other =
        selections.load(
            session.table().id(), session.query().day().orElse(session.today()), !without);
    Evaluation turned =
        evaluations.of(read(other.selection(), session.query()), session.query().whatIf());
    InterestFinding.WithoutInterested finding =
        InterestFindings.of(
            new InterestFindings.Count(interests.facts(), interests.ratings(), interests.marks()),
            without ? turned : session.evaluation(),
            without ? session.evaluation() : turned);
    return Optional.of(
        new Interested(
            new FindingWords(session.table().entered()).of(finding),
            without ? "read everything with that" : "read everything without that",
            session.query().disinterested(!without).query(),
            without));
  }

  /**
   * What people with an interest said, and how it is read.
   *
   * @param sentence what is left without it
   * @param word of the switch
   * @param query of the address that reads it the other way; may be empty
   * @param without whether it is read without it now
   */
  public record Interested(String sentence, String word, String query, boolean without) {}

  /** So many people are read while nobody is counted. */
  static final int SMALL_TEAM = 10;

  /** Computes what is loaded. */
  public Session open(LoadedSelection table, Map<String, String> parameters, SignedIn person) {
    return open(table, parameters, person, LocalDate.now(clock), freshness.days(), 0);
  }

  /** Computes each of several that are loaded; what holds for all is read once. */
  public Function<LoadedSelection, Session> opening(SignedIn person) {
    LocalDate today = LocalDate.now(clock);
    int daysFresh = freshness.days();
    return table -> open(table, Map.of(), person, today, daysFresh, 0);
  }

  /**
   * As it is read: on the plans chosen, and where nobody is counted for as many people as are asked
   * for, a small team if none are.
   */
  private static Selection read(Selection selection, WhatIfQuery query) {
    Selection chosen = selection.on(query.plans());
    return switch (query.whatIf().moment()) {
      case WhatIf.Moment.Headcount typed -> chosen.forAnybody(Math.max(1, typed.people()));
      case WhatIf.Moment.Month month -> chosen.isCounted() ? chosen : chosen.forAnybody(SMALL_TEAM);
    };
  }

  private Session open(
      LoadedSelection table,
      Map<String, String> parameters,
      SignedIn person,
      LocalDate today,
      int daysFresh,
      long last) {
    WhatIfQuery query = WhatIfQuery.of(parameters, table.selection(), today);
    Evaluation evaluation = evaluations.of(read(table.selection(), query), query.whatIf());
    return new Session(
        table,
        Map.copyOf(parameters),
        query,
        evaluation,
        person,
        today,
        daysFresh,
        last,
        evaluations.sensitivity(evaluation));
  }
}
