package tertulia.app.decision;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tertulia.app.display.AdviceWords;
import tertulia.app.display.Dates;
import tertulia.app.display.FindingWords;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.people.SignedIn;
import tertulia.app.workspace.Cell;
import tertulia.app.workspace.HorizonCell;
import tertulia.app.workspace.Row;
import tertulia.app.workspace.Session;
import tertulia.core.billing.CostTiming;
import tertulia.core.decision.Decision;
import tertulia.core.decision.Proposal;
import tertulia.core.decision.Review;
import tertulia.core.evaluation.Contender;
import tertulia.core.finding.AdviceFindings;
import tertulia.core.finding.ScoreFindings;
import tertulia.core.path.PlanPaths;

/**
 * The Decision step as it is read.
 *
 * @param state "none", "draft", "proposed", "signed" or "objected"
 * @param lead what the totals say, in a sentence
 * @param against what speaks against the choice, in sentences
 * @param despite why nevertheless; may be empty
 * @param holds for what the choice holds, or as long as there is none who is ahead
 * @param mine whether the reader proposed it
 * @param changed what a proposal rests on and is not so any more; empty if it stands
 * @param inAYear a day in the form in which one is typed
 * @param again looking again at what was signed
 * @param ended proposals that did not stand, in sentences
 * @param whatever what speaks against every choice, in sentences
 */
record DecisionView(
    String state,
    List<Row> rows,
    String lead,
    List<String> against,
    String despite,
    String holds,
    long version,
    boolean mine,
    String choice,
    String option,
    String reasons,
    String givenUp,
    String conditions,
    String lookAgain,
    String proposed,
    String answered,
    String objection,
    List<Difference.Line> changed,
    String inAYear,
    Again again,
    List<Past> ended,
    List<String> whatever,
    List<Choice> choices) {

  /**
   * Looking again at what was signed.
   *
   * @param due since when it is, in words; empty if it is not
   * @param looked what came of it each time, in sentences, oldest first
   * @param successor address of the selection in which it is asked again; empty if it is not
   * @param holds whether the reader may say that it still holds
   * @param asks whether the reader may ask it again
   */
  record Again(String due, List<String> looked, String successor, boolean holds, boolean asks) {
    static final Again NEVER = new Again("", List.of(), "", false, false);

    /** Whether there is anything to say or to do. */
    public boolean isShown() {
      return !looked.isEmpty() || !due.isEmpty() || !successor.isEmpty() || holds || asks;
    }

    /** As above; in what is decided nobody weighs, so who may look again is asked of the person. */
    static Again of(Decision.Signed signed, SignedIn person, LocalDate today) {
      boolean open = signed.successor().isEmpty();
      return new Again(
          signed.reviewOn().filter(day -> !day.isAfter(today)).map(Dates::day).orElse(""),
          signed.reviews().stream().map(Again::sentence).toList(),
          signed.successor().map(id -> "/selections/" + id + "/overview").orElse(""),
          open && person.weighs(),
          open && person.organises());
    }

    private static String sentence(Review review) {
      return switch (review) {
        case Review.StillHolds holds ->
            act(holds.by())
                + ": it still holds"
                + (holds.note().isEmpty() ? "" : ". " + holds.note().replaceAll("[.\\s]+$", ""))
                + ". Look again on "
                + Dates.day(holds.again())
                + ".";
        case Review.AskedAgain asked -> act(asked.by()) + ": asked again in another selection.";
      };
    }
  }

  /** A proposal that did not stand: what it was, how it ended, and why. */
  record Past(String proposed, String ended, String reason) {}

  /**
   * A contender that can be chosen.
   *
   * @param option its cheapest path, or why none is known
   * @param against what speaks against it and not against every choice
   */
  record Choice(String slug, String name, String option, List<String> against) {}

  static DecisionView of(
      Session session,
      Optional<Decisions.Stored> stored,
      List<SelectionFile.EndedPart> ended,
      Optional<Difference> changed,
      Against against) {
    Optional<Proposal> proposal = stored.map(s -> s.decision().proposal());
    Optional<Proposal.Act> by = stored.flatMap(s -> proposedBy(s.decision()));
    return new DecisionView(
        stored.map(s -> state(s.decision())).orElse("none"),
        signed(stored).isPresent() ? List.of() : rows(session),
        signed(stored).isPresent() ? "" : lead(session),
        proposal.filter(p -> signed(stored).isEmpty()).map(against::proposing).orElse(List.of()),
        proposal.map(Proposal::despite).orElse(""),
        signed(stored).isPresent() ? "" : holds(session, proposal),
        stored.map(Decisions.Stored::version).orElse(0L),
        by.map(act -> act.by().isSameAs(Decisions.signatory(session.person()))).orElse(false),
        proposal.map(p -> name(session, p.choice())).orElse(""),
        proposal.map(Proposal::option).orElse(""),
        proposal.map(Proposal::reasons).orElse(""),
        proposal.map(Proposal::givenUp).orElse(""),
        proposal.map(Proposal::conditions).orElse(""),
        signed(stored)
            .map(Decision.Signed::reviewOn)
            .orElseGet(() -> proposal.flatMap(Proposal::reviewOn))
            .map(Dates::day)
            .orElse(""),
        by.map(DecisionView::act).orElse(""),
        stored.flatMap(s -> answeredBy(s.decision())).map(DecisionView::act).orElse(""),
        stored.map(s -> s.decision() instanceof Decision.Objected o ? o.reason() : "").orElse(""),
        changed.map(Difference::lines).orElse(List.of()),
        session.today().plusYears(1).toString(),
        signed(stored).map(s -> Again.of(s, session.person(), session.today())).orElse(Again.NEVER),
        ended.stream().map(DecisionView::past).toList(),
        signed(stored).isPresent() ? List.of() : against.whatever(),
        signed(stored).isPresent() ? List.of() : choices(session, against));
  }

  private static Optional<Decision.Signed> signed(Optional<Decisions.Stored> stored) {
    return stored
        .map(Decisions.Stored::decision)
        .filter(Decision.Signed.class::isInstance)
        .map(Decision.Signed.class::cast);
  }

  private static String state(Decision decision) {
    return switch (decision) {
      case Decision.Draft d -> "draft";
      case Decision.Proposed p -> "proposed";
      case Decision.Signed s -> "signed";
      case Decision.Objected o -> "objected";
    };
  }

  private static Optional<Proposal.Act> proposedBy(Decision decision) {
    return switch (decision) {
      case Decision.Draft d -> Optional.empty();
      case Decision.Proposed p -> Optional.of(p.by());
      case Decision.Signed s -> Optional.of(s.by());
      case Decision.Objected o -> Optional.of(o.by());
    };
  }

  private static Optional<Proposal.Act> answeredBy(Decision decision) {
    return switch (decision) {
      case Decision.Draft d -> Optional.empty();
      case Decision.Proposed p -> Optional.empty();
      case Decision.Signed s -> Optional.of(s.closedBy());
      case Decision.Objected o -> Optional.of(o.objectedBy());
    };
  }

  private static Past past(SelectionFile.EndedPart part) {
    return new Past(
        part.choice()
            + ", "
            + part.option()
            + ", proposed by "
            + part.proposedBy()
            + ", "
            + day(Instant.parse(part.proposedAt())),
        part.words() + " " + part.by() + ", " + day(Instant.parse(part.at())),
        part.reason());
  }

  private static String act(Proposal.Act act) {
    return act.by().words() + ", " + day(act.at());
  }

  private static String day(Instant at) {
    return Dates.day(at, ZoneId.systemDefault());
  }

  private static String name(Session session, String slug) {
    return session.table().selection().contenders().stream()
        .filter(c -> c.id().equals(slug))
        .map(c -> c.tool().name())
        .findFirst()
        .orElse(slug);
  }

  private static List<Row> rows(Session session) {
    CostTiming view = session.evaluation().whatIf().view();
    int months = session.table().selection().horizon().months();
    List<Row> rows = new ArrayList<>();
    List<Cell> totals = new ArrayList<>();
    List<Cell> wins = new ArrayList<>();
    for (Contender contender : session.columns()) {
      totals.add(HorizonCell.of(session, contender));
      wins.add(wins(session, contender));
    }
    rows.add(new Row(Cell.fact(months + " months, " + view.words()), totals, "big"));
    rows.add(Row.of("Criteria won", wins));
    return rows;
  }

  private static Cell wins(Session session, Contender contender) {
    return session
        .evaluation()
        .scores()
        .totals()
        .filter(t -> t.values().containsKey(contender.id()))
        .map(t ->
            Cell.figure(
                t.wins(contender.id()) + " of " + t.criteria().size(),
                session.why("wins", "contender", contender.id())))
        .orElseGet(() -> Cell.missing("—", session.why("wins", "contender", contender.id())));
  }

  private static String lead(Session session) {
    return new FindingWords(session.table().selection())
        .of(new ScoreFindings(session.evaluation()).lead());
  }

  private static String holds(Session session, Optional<Proposal> proposal) {
    if (session.columns().size() < 2) {
      return "";
    }
    AdviceFindings findings = new AdviceFindings(session.sensitivity());
    return proposal
        .map(Proposal::choice)
        .filter(choice -> session.columns().stream().anyMatch(c -> c.id().equals(choice)))
        .or(() -> findings.firmness().ahead())
        .map(findings::holdsFor)
        .map(new AdviceWords(session.table().selection())::of)
        .orElse("");
  }

  private static List<Choice> choices(Session session, Against against) {
    List<String> whatever = against.whatever();
    return session.columns().stream()
        .map(c ->
            new Choice(
                c.id(),
                c.tool().name(),
                option(session.evaluation().costs().overall().way(c.id())),
                against.choosing(c.id()).stream().filter(s -> !whatever.contains(s)).toList()))
        .toList();
  }

  private static String option(PlanPaths ways) {
    return switch (ways) {
      case PlanPaths.Found found -> found.best().label();
      case PlanPaths.Gap gap when gap.isUnpriced() ->
          gap.low()
              .map(low -> low.label() + ": only the least it costs is known")
              .orElse("price not known");
      case PlanPaths.Gap gap -> gap.isUnconfirmed() ? "not confirmed" : "no plan for all months";
    };
  }

  /** What stands in the form: the stored proposal, or the leader as a first suggestion. */
  static Map<String, String> typed(Session session, Optional<Decisions.Stored> stored) {
    Map<String, String> typed = new LinkedHashMap<>();
    typed.put("version", stored.map(s -> "" + s.version()).orElse(""));
    stored
        .map(s -> s.decision().proposal())
        .ifPresent(p -> {
          typed.put("choice", p.choice());
          typed.put("reasons", p.reasons());
          typed.put("givenUp", p.givenUp());
          typed.put("conditions", p.conditions());
          typed.put("despite", p.despite());
          typed.putAll(ProvisoForm.typed(p.holdsWhile()));
          typed.putAll(SigningForm.typed(stored.get().decision().signing()));
          typed.put("lookAgain", p.reviewOn().map(Object::toString).orElse(""));
        });
    session
        .evaluation()
        .scores()
        .totals()
        .ifPresent(t -> typed.putIfAbsent("choice", t.standings().getFirst().contender()));
    return typed;
  }
}
