package tertulia.app.decision;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tertulia.app.act.Act;
import tertulia.app.act.Acts;
import tertulia.app.display.AdviceResults;
import tertulia.app.exchange.Limits;
import tertulia.app.exchange.ProvisoPart;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.people.SignedIn;
import tertulia.app.selection.LoadedSelection;
import tertulia.app.selection.Seats;
import tertulia.app.selection.Selections;
import tertulia.app.settings.Freshness;
import tertulia.app.web.Conflict;
import tertulia.app.web.NotFound;
import tertulia.core.decision.Answer;
import tertulia.core.decision.Decision;
import tertulia.core.decision.Ended;
import tertulia.core.decision.Proposal;
import tertulia.core.decision.Review;
import tertulia.core.decision.Signatory;
import tertulia.core.decision.Signing;
import tertulia.core.decision.SigningRule;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.path.PlanPaths;

/** Decisions: writing down, proposing, signing off, objecting. */
@Service
public class Decisions {
  /** How many changes a renewed proposal names. */
  private static final int MOST_NAMED = 5;

  private static final int LONGEST_REASON = 4000;
  private final DecisionRow.All rows;
  private final EndedRow.All ended;
  private final ReviewRow.All reviews;
  private final Selections selections;
  private final Seats seats;
  private final Clock clock;
  private final Acts acts;
  private final Freshness freshness;
  private final AnswersAsked invitations;

  Decisions(
      DecisionRow.All rows,
      EndedRow.All ended,
      ReviewRow.All reviews,
      Selections selections,
      Seats seats,
      Clock clock,
      Acts acts,
      Freshness freshness,
      AnswersAsked invitations) {
    this.freshness = freshness;
    this.invitations = invitations;
    this.acts = acts;
    this.reviews = reviews;
    this.rows = rows;
    this.ended = ended;
    this.selections = selections;
    this.seats = seats;
    this.clock = clock;
  }

  /**
   * A decision as stored.
   *
   * @param snapshot frozen when it was signed
   * @param sha256 as computed when it was signed
   * @param proposal what tells this proposal from others; empty if none is open
   */
  public record Stored(
      Decision decision,
      @Nullable String snapshot,
      @Nullable String sha256,
      long version,
      String proposal) {

    /** Whether the snapshot is still, byte for byte, what was signed. */
    public boolean isIntact() {
      return snapshot != null && Snapshot.sha256(snapshot).equals(sha256);
    }

    /** The record for readers; empty before the decision is signed. */
    public Optional<Minutes> minutes() {
      return MinutesWriter.of(this);
    }

    /** The frozen snapshot; empty before the decision is signed. */
    public Optional<Snapshot> frozen() {
      return Optional.ofNullable(snapshot).map(Snapshot::stored);
    }
  }

  @Transactional(readOnly = true)
  public Optional<Stored> find(long selectionId) {
    checkThere(selectionId);
    return rows.findBySelectionId(selectionId)
        .map(row ->
            new Stored(
                reviewed(row, of(row.selectionId)),
                row.snapshot,
                row.sha256,
                row.version,
                row.proposal()));
  }

  /** What tells the pages of a selection's decision from what they were before a change. */
  String stamp(long selectionId) {
    return find(selectionId).map(stored -> "-" + stored.version()).orElse("");
  }

  private List<Review> of(long selectionId) {
    return reviews.findBySelectionIdInOrderById(List.of(selectionId)).stream()
        .map(ReviewRow::toCore)
        .toList();
  }

  private static Decision reviewed(DecisionRow row, List<Review> reviews) {
    return row.toCore() instanceof Decision.Signed signed ? signed.reviewed(reviews) : row.toCore();
  }

  /** Decisions of some selections, by selection, whatever their state; two queries. */
  @Transactional(readOnly = true)
  public Map<Long, Decision> of(Collection<Long> selectionIds) {
    Map<Long, List<Review>> looked =
        reviews.findBySelectionIdInOrderById(selectionIds).stream()
            .collect(
                Collectors.groupingBy(
                    row -> row.selectionId,
                    Collectors.mapping(ReviewRow::toCore, Collectors.toList())));
    return rows.findBySelectionIdIn(selectionIds).stream()
        .collect(
            Collectors.toMap(
                row -> row.selectionId,
                row -> reviewed(row, looked.getOrDefault(row.selectionId, List.of()))));
  }

  /** Proposals that did not stand, oldest first. */
  @Transactional(readOnly = true)
  public List<SelectionFile.EndedPart> ended(long selectionId) {
    checkThere(selectionId);
    return ended.findBySelectionIdOrderById(selectionId).stream().map(EndedRow::part).toList();
  }

  /**
   * Keeps proposals that did not stand, here or elsewhere.
   *
   * @throws Conflict if as many are kept already as can be
   */
  @Transactional
  public void keep(long selectionId, List<SelectionFile.EndedPart> parts) {
    if (ended.countBySelectionId(selectionId) + parts.size() > Limits.ENDED) {
      throw new Conflict(
          "At most "
              + Limits.ENDED
              + " proposals that did not stand are kept for one selection. Begin another selection"
              + " for this question.");
    }
    parts.forEach(part -> ended.save(EndedRow.of(selectionId, part)));
  }

  /**
   * Writes a draft down, replacing an earlier draft or what was objected to.
   *
   * @param version of the decision that was read; empty: there was none
   * @throws Conflict if it is not at that version any more, or waits for a signature, or is signed
   */
  @Transactional
  public void draft(long selectionId, OptionalLong version, Proposal proposal) {
    draft(selectionId, version, proposal, Signing.BY_ONE_OTHER);
  }

  /** As above, with who is to be asked. */
  @Transactional
  public void draft(long selectionId, OptionalLong version, Proposal proposal, Signing signing) {
    DecisionRow row = write(selectionId, version, new Decision.Draft(proposal, signing));
    acts.note(selectionId, new Act.Drafted(name(selectionId, row.choice)));
  }

  /** As above, and puts it forward with everything it rests on. */
  @Transactional
  public void propose(long selectionId, OptionalLong version, Proposal proposal, SignedIn person) {
    propose(selectionId, version, proposal, Signing.BY_ONE_OTHER, person);
  }

  /**
   * As above, asking some people.
   *
   * @throws IllegalArgumentException if nobody but whoever proposes would be asked
   */
  @Transactional
  public void propose(
      long selectionId, OptionalLong version, Proposal proposal, Signing asked, SignedIn person) {
    Decision.Draft draft = new Decision.Draft(proposal, asked.without(signatory(person)));
    DecisionRow row = write(selectionId, version, draft);
    LoadedSelection seen = selections.load(selectionId);
    if (!seen.selection().isCounted()) {
      throw new Conflict(
          "Nobody is counted yet, so no cost can be recorded. Say under Need how many people there"
              + " are, then propose.");
    }
    if (!seen.withheld().isEmpty()) {
      throw new Conflict(
          "The view of "
              + String.join(", ", seen.withheld())
              + " is not in the figures you read. Wait until everybody has handed in theirs, or "
              + "open the panel’s views to everybody under Marks, then propose.");
    }
    if (seen.openedBy() == null) {
      // what is proposed shows everybody's view, so it is nobody's secret any more
      seats.openTable(selectionId, person.name());
    }
    acts.note(selectionId, new Act.Proposed(name(selectionId, row.choice)));
    Basis basis = Basis.of(selections.load(selectionId));
    row.write(draft.propose(signatory(person), now()));
    row.basis = basis.toJson();
    row.digest = basis.digest();
    invitations.ask(selectionId, title(selectionId), draft.signing(), person, now(), false);
  }

  private DecisionRow write(long selectionId, OptionalLong version, Decision.Draft draft) {
    checkThere(selectionId);
    selections.changing(selectionId);
    Optional<DecisionRow> stored = rows.findBySelectionId(selectionId);
    OptionalLong now =
        stored.map(row -> OptionalLong.of(row.version)).orElseGet(OptionalLong::empty);
    if (stored.isPresent() && stored.get().state == DecisionRow.State.SIGNED) {
      throw new Conflict("This decision is signed and no longer changes.");
    }
    if (stored.isPresent() && stored.get().state == DecisionRow.State.PROPOSED) {
      throw new Conflict(
          "This decision is proposed and waits for a signature. Withdraw the proposal first, and"
              + " say why.");
    }
    if (!now.equals(version)) {
      throw new Conflict(
          "Somebody else changed this decision while you were writing. Your entries are still here;"
              + " save again to replace theirs.");
    }
    DecisionRow row = stored.orElseGet(DecisionRow::new);
    row.selectionId = selectionId;
    row.write(draft);
    row.basis = null;
    row.digest = null;
    return rows.save(row);
  }

  /**
   * Takes a proposal back to a draft, for a reason that stays on record.
   *
   * @param version the version of the proposal that was read
   */
  @Transactional
  public void withdraw(long selectionId, long version, SignedIn person, String reason) {
    DecisionRow row = row(selectionId);
    Decision.Proposed proposed = proposed(row, version);
    keep(row, proposed.withdraw(signatory(person), now(), reason));
    acts.note(selectionId, new Act.Withdrawn(reason));
    row.write(new Decision.Draft(proposed.proposal(), proposed.signing()));
    row.basis = null;
    row.digest = null;
  }

  /**
   * Takes a proposal back because what it rests on has changed, and proposes the same choice as
   * things stand now.
   *
   * @param option plan and term of a contender as they stand now; "" if none would do
   * @throws IllegalStateException if nothing has changed, or the choice is not compared any more
   */
  @Transactional
  public void renew(long selectionId, long version, SignedIn person, UnaryOperator<String> option) {
    DecisionRow row = row(selectionId);
    Decision.Proposed proposed = proposed(row, version);
    LoadedSelection table = selections.load(selectionId);
    List<Difference.Line> lines = changed(row, table).map(Difference::lines).orElse(List.of());
    if (lines.isEmpty() && row.basis != null) {
      throw new IllegalStateException("Nothing has changed since; the proposal stands as it is.");
    }
    String choice = proposed.proposal().choice();
    boolean there =
        table.selection().active().stream().anyMatch(contender -> contender.id().equals(choice));
    if (!there) {
      throw new IllegalStateException(
          "The choice is not compared any more. Withdraw the proposal and write a new one.");
    }
    if (proposed.signing().asked().stream().allMatch(signatory(person)::isSameAs)
        && proposed.signing().asks(signatory(person))
        && !(proposed.signing().rule() instanceof SigningRule.OneOther)) {
      throw new IllegalStateException(
          "You are the only one who is asked to agree, and whoever proposes is not asked. Withdraw"
              + " the proposal and ask others, or let somebody else propose it again.");
    }
    String now = option.apply(choice);
    keep(row, proposed.withdraw(signatory(person), now(), reason(lines)));
    acts.note(selectionId, new Act.Withdrawn(reason(lines)));
    acts.note(selectionId, new Act.Proposed(name(selectionId, choice)));
    Basis basis = Basis.of(table);
    Decision.Draft draft =
        new Decision.Draft(
            proposed.proposal().under(now), proposed.signing().without(signatory(person)));
    row.write(draft.propose(signatory(person), now()));
    row.basis = basis.toJson();
    row.digest = basis.digest();
    invitations.ask(selectionId, title(selectionId), draft.signing(), person, now(), true);
  }

  private static String reason(List<Difference.Line> lines) {
    String what =
        lines.stream()
            .limit(MOST_NAMED)
            .map(line -> line.what() + ": " + line.before() + " → " + line.now())
            .collect(Collectors.joining("; "));
    String all =
        lines.size() > MOST_NAMED ? what + "; and " + (lines.size() - MOST_NAMED) + " more" : what;
    String reason = "Proposed again, as this has changed since: " + all;
    return reason.length() > LONGEST_REASON ? reason.substring(0, LONGEST_REASON) : reason;
  }

  /**
   * Agrees to a proposal. If it stands by that, everything it rests on is frozen.
   *
   * @param read which proposal was read, as {@link Stored#proposal}
   * @param reservations may be empty
   * @throws Changed if what it rests on is not so any more
   */
  @Transactional
  public void agree(long selectionId, String read, SignedIn person, String reservations) {
    DecisionRow row = row(selectionId);
    Decision now =
        proposed(row, read)
            .answer(new Answer.Agrees(new Proposal.Act(signatory(person), now()), reservations));
    LoadedSelection table = unchanged(row);
    settle(row, now, table, new Act.Agreed(reservations));
  }

  /** Agrees without reservations. */
  @Transactional
  public void sign(long selectionId, String read, SignedIn person) {
    agree(selectionId, read, person, "");
  }

  /**
   * Notes that nobody objected in time, and freezes everything it rests on.
   *
   * @throws Changed as {@link #agree}
   */
  @Transactional
  public void unopposed(long selectionId, String read, SignedIn person) {
    DecisionRow row = row(selectionId);
    Decision.Signed signed = proposed(row, read).unopposed(signatory(person), now());
    settle(row, signed, unchanged(row), new Act.Agreed(""));
  }

  /** Is against a proposal with a reason, which stays on record. */
  @Transactional
  public void object(long selectionId, String read, SignedIn person, String reason) {
    DecisionRow row = row(selectionId);
    Decision now =
        proposed(row, read)
            .answer(new Answer.Against(new Proposal.Act(signatory(person), now()), reason));
    settle(row, now, selections.load(selectionId), new Act.SpokeAgainst(reason));
  }

  /**
   * Writes what came of an answer.
   *
   * @param act what is told of the answer if nothing has come of it yet
   */
  private void settle(DecisionRow row, Decision now, LoadedSelection table, Act act) {
    switch (now) {
      case Decision.Signed signed -> {
        freeze(row, signed, table);
        acts.note(row.selectionId, new Act.Signed(name(row.selectionId, row.choice)));
      }
      case Decision.Objected objected -> {
        row.write(objected);
        acts.note(row.selectionId, new Act.Objected(objected.reason()));
        keep(row, objected.ended());
      }
      case Decision.Proposed proposed -> {
        row.write(proposed);
        acts.note(row.selectionId, act);
      }
      case Decision.Draft draft ->
          throw new IllegalStateException("An answer makes no draft of a proposal.");
    }
  }

  /** What a proposal rests on, if it is still so and nothing speaks against it without a reason. */
  private LoadedSelection unchanged(DecisionRow row) {
    LoadedSelection table = selections.load(row.selectionId);
    Difference difference =
        changed(row, table)
            .orElseThrow(() ->
                new Conflict(
                    "What this proposal rested on is not known: it was made before that was recorded."
                        + " Withdraw it and propose it again."));
    if (!difference.lines().isEmpty()) {
      throw new Changed(difference);
    }
    if (row.despite.isBlank()) {
      List<String> against = against(table).proposing(row.toCore().proposal());
      if (!against.isEmpty()) {
        throw new Conflict(
            String.join(" ", against)
                + " The proposal does not say why nevertheless. Withdraw it, and propose it again"
                + " with the reason.");
      }
    }
    return table;
  }

  /**
   * Reminds those who have not answered, each at most once a day.
   *
   * @return the names of those who were written to
   * @throws Conflict if nothing waits
   */
  @Transactional
  public List<String> remind(long selectionId, SignedIn person) {
    DecisionRow row = row(selectionId);
    if (!(row.toCore() instanceof Decision.Proposed proposed)) {
      throw new Conflict("Nothing is proposed here that waits for an answer.");
    }
    return invitations.remind(
        selectionId, title(selectionId), proposed.signing(), person, LocalDate.now(clock));
  }

  private String title(long selectionId) {
    return selections.title(selectionId);
  }

  /**
   * What has changed since a proposal was made; no lines if nothing has. Empty if nothing is
   * proposed, or it was proposed before what it rests on was kept.
   */
  @Transactional(readOnly = true)
  public Optional<Difference> changed(LoadedSelection table) {
    return rows.findBySelectionId(table.id())
        .filter(row -> row.state == DecisionRow.State.PROPOSED)
        .flatMap(row -> changed(row, table));
  }

  private static Optional<Difference> changed(DecisionRow row, LoadedSelection table) {
    Basis now = Basis.of(table);
    String basis = row.basis;
    if (basis == null) {
      return Optional.empty();
    }
    Basis proposed = Basis.stored(basis);
    if (proposed.canonical().equals(now.canonical())) {
      return Optional.of(new Difference(List.of()));
    }
    Difference difference = Difference.between(proposed, now);
    return Optional.of(
        difference.lines().isEmpty()
            ? new Difference(List.of(new Difference.Line("Entries", "as proposed", "changed")))
            : difference);
  }

  /** What speaks against choices in the figures and facts as they stand today. */
  Against against(LoadedSelection table) {
    return against(table, LocalDate.now(clock));
  }

  private Against against(LoadedSelection table, LocalDate day) {
    return Against.of(table.selection(), day, freshness.days());
  }

  /** A proposal that waits for a signature. */
  record Waiting(long selection, String title, String by, Instant at) {}

  /** The proposals that wait, oldest first. */
  @Transactional(readOnly = true)
  List<Waiting> waiting() {
    return rows.findByState(DecisionRow.State.PROPOSED).stream()
        .filter(row -> selections.isThere(row.selectionId))
        .map(row ->
            new Waiting(
                row.selectionId,
                selections.title(row.selectionId),
                Objects.requireNonNull(row.proposedBy),
                Objects.requireNonNull(row.proposedAt)))
        .toList();
  }

  /**
   * Enters a decision that was agreed before it came here.
   *
   * @param pagesOf the day whose price pages it rests on
   */
  @Transactional
  public void enter(long selectionId, Decision.Signed signed, LocalDate pagesOf) {
    DecisionRow row = new DecisionRow();
    row.selectionId = selectionId;
    LoadedSelection table = selections.load(selectionId, pagesOf);
    String choice = signed.proposal().choice();
    PlanPaths ways = Evaluation.of(table.selection(), WhatIf.START).costs().overall().way(choice);
    String option = ways instanceof PlanPaths.Found found ? found.best().label() : "";
    freeze(rows.save(row), signed.under(option), table);
    acts.note(selectionId, new Act.Entered(name(selectionId, choice)));
  }

  private void freeze(DecisionRow row, Decision.Signed signed, LoadedSelection table) {
    SelectionFile file = withDecision(table.file(), signed.proposal(), ended(row.selectionId));
    String snapshot =
        Snapshot.of(
                signed,
                file,
                AdviceResults.with(table.selection(), table.file()),
                against(table, LocalDate.ofInstant(signed.at(), clock.getZone()))
                    .proposing(signed.proposal()))
            .toJson();
    row.write(signed);
    row.snapshot = snapshot;
    row.sha256 = Snapshot.sha256(snapshot);
    selections.close(row.selectionId);
  }

  /** How often a decision may be looked at again. */
  static final int MOST_REVIEWS = 100;

  /**
   * Notes that a signed decision still holds.
   *
   * @param read how many reviews there were when it was read
   * @throws Conflict if somebody has looked again meanwhile, or it is not signed, or asked anew
   */
  @Transactional
  public void stillHolds(
      long selectionId, int read, SignedIn person, String note, LocalDate lookAgain) {
    reviewed(
        selectionId,
        read,
        new Review.StillHolds(new Proposal.Act(signatory(person), now()), note, lookAgain));
  }

  /**
   * Notes that the question of a signed decision is asked again in another selection.
   *
   * @throws Conflict as {@link #stillHolds}
   */
  @Transactional
  public void askedAgain(long selectionId, int read, SignedIn person, long successor) {
    reviewed(
        selectionId,
        read,
        new Review.AskedAgain(new Proposal.Act(signatory(person), now()), successor));
  }

  private void reviewed(long selectionId, int read, Review review) {
    DecisionRow row = row(selectionId);
    List<Review> before = of(selectionId);
    if (!(reviewed(row, before) instanceof Decision.Signed signed)) {
      throw new Conflict("This is not decided yet, so there is nothing to look at again.");
    }
    if (signed.successor().isPresent()) {
      throw new Conflict("This question is asked again in another selection. Look there.");
    }
    if (before.size() != read) {
      throw new Conflict(
          "Somebody else has looked at this again meanwhile. Read what they noted first.");
    }
    if (before.size() >= MOST_REVIEWS) {
      throw new Conflict(
          "This was looked at again " + MOST_REVIEWS + " times. Ask it again instead.");
    }
    reviews.save(ReviewRow.of(selectionId, review));
    acts.note(
        selectionId,
        switch (review) {
          case Review.StillHolds holds -> new Act.StillHolds(holds.again());
          case Review.AskedAgain again -> new Act.AskedAgain();
        });
  }

  private void keep(DecisionRow row, Ended end) {
    Proposal proposal = end.proposal();
    keep(
        row.selectionId,
        List.of(
            new SelectionFile.EndedPart(
                name(row.selectionId, proposal.choice()),
                proposal.option(),
                proposal.reasons(),
                proposal.givenUp(),
                end.proposedBy().person(),
                end.proposedBy().at().toString(),
                switch (end) {
                  case Ended.Objected objected -> "objected";
                  case Ended.Withdrawn withdrawn -> "withdrawn";
                },
                end.by().person(),
                end.by().at().toString(),
                end.reason())));
  }

  private String name(long selectionId, String choice) {
    return selections.load(selectionId).selection().contenders().stream()
        .filter(contender -> contender.id().equals(choice))
        .map(contender -> contender.tool().name())
        .findFirst()
        .orElse(choice);
  }

  private static Decision.Proposed proposed(DecisionRow row, long version) {
    if (row.version != version || !(row.toCore() instanceof Decision.Proposed proposed)) {
      throw new Conflict(
          "This proposal has changed since you read it, or was answered by somebody else. Read it"
              + " again.");
    }
    return proposed;
  }

  /** What others answered meanwhile does not matter to somebody's own answer. */
  private static Decision.Proposed proposed(DecisionRow row, String read) {
    if (!row.proposal().equals(read) || !(row.toCore() instanceof Decision.Proposed proposed)) {
      throw new Conflict(
          "This proposal has changed since you read it, or is not open any more. Read it again.");
    }
    return proposed;
  }

  /** A file with what was written down as the decision, and the proposals that did not stand. */
  public static SelectionFile withDecision(
      SelectionFile file, Proposal proposal, List<SelectionFile.EndedPart> ended) {
    return file.deciding(
        new SelectionFile.DecisionPart(
            proposal.choice(),
            proposal.reasons(),
            proposal.givenUp(),
            proposal.conditions(),
            proposal.reviewOn().map(Objects::toString).orElse(null),
            proposal.despite().isEmpty() ? null : proposal.despite(),
            ProvisoPart.of(proposal.holdsWhile())),
        ended);
  }

  /** The decision of a selection to be changed. */
  private DecisionRow row(long selectionId) {
    checkThere(selectionId);
    selections.changing(selectionId);
    return rows.findBySelectionId(selectionId)
        .orElseThrow(() -> new NotFound("decision in this selection yet"));
  }

  /** Nothing is said of a selection that is not open to whoever asks. */
  private void checkThere(long selectionId) {
    if (!selections.isThere(selectionId)) {
      throw new NotFound("selection " + selectionId);
    }
  }

  /** As what somebody proposes, signs and objects. */
  static Signatory signatory(SignedIn person) {
    return new Signatory(person.name(), person.getUsername());
  }

  private Instant now() {
    return clock.instant().truncatedTo(ChronoUnit.SECONDS);
  }
}
