package tertulia.app.decision;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tertulia.app.exchange.Results;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.people.SignedIn;
import tertulia.app.selection.Selections;
import tertulia.app.selection.Table;
import tertulia.app.web.Conflict;
import tertulia.app.web.NotFound;
import tertulia.core.decision.Decision;
import tertulia.core.decision.Proposal;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.path.Ways;

/** Decisions: writing down, proposing, signing off, objecting. */
@Service
public class Decisions {
  private final DecisionRow.All rows;
  private final Selections selections;
  private final Clock clock;

  Decisions(DecisionRow.All rows, Selections selections, Clock clock) {
    this.rows = rows;
    this.selections = selections;
    this.clock = clock;
  }

  /**
   * A decision as stored.
   *
   * @param snapshot frozen when it was signed
   * @param sha256 as computed when it was signed
   */
  public record Stored(
      Decision decision, @Nullable String snapshot, @Nullable String sha256, long version) {

    /** Whether the snapshot is still, byte for byte, what was signed. */
    public boolean isIntact() {
      return snapshot != null && Snapshot.sha256(snapshot).equals(sha256);
    }

    /** The frozen snapshot; empty before the decision is signed. */
    public Optional<Snapshot> frozen() {
      return Optional.ofNullable(snapshot).map(Snapshot::stored);
    }
  }

  @Transactional(readOnly = true)
  public Optional<Stored> find(long selectionId) {
    return rows.findBySelectionId(selectionId)
        .map(row -> new Stored(row.toCore(), row.snapshot, row.sha256, row.version));
  }

  /** Writes a draft down, replacing an earlier draft or what was objected to. */
  @Transactional
  public void draft(long selectionId, Proposal proposal) {
    DecisionRow row = rows.findBySelectionId(selectionId).orElseGet(DecisionRow::new);
    Decision next =
        row.id == null
            ? new Decision.Draft(proposal)
            : switch (row.toCore()) {
              case Decision.Draft draft -> new Decision.Draft(proposal);
              case Decision.Objected objected -> objected.revise(proposal);
              case Decision.Proposed proposed -> new Decision.Draft(proposal);
              case Decision.Signed signed ->
                  throw new Conflict("This decision is signed off; it does not change any more.");
            };
    row.selectionId = selectionId;
    row.write(next);
    rows.save(row);
  }

  /** Puts a draft forward. */
  @Transactional
  public void propose(long selectionId, SignedIn person) {
    DecisionRow row = row(selectionId);
    if (!(row.toCore() instanceof Decision.Draft draft)) {
      throw new Conflict("Only a draft can be proposed. Save the decision first.");
    }
    row.write(draft.propose(person.name(), now()));
  }

  /**
   * Signs a proposal off and freezes everything it rests on.
   *
   * @param version the version of the proposal that was read
   */
  @Transactional
  public void sign(long selectionId, long version, SignedIn person) {
    DecisionRow row = row(selectionId);
    Decision.Signed signed = proposed(row, version).sign(person.name(), now());
    freeze(row, signed, selections.load(selectionId));
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
    Table table = selections.load(selectionId, pagesOf);
    String choice = signed.proposal().choice();
    Ways ways = Evaluation.of(table.selection(), WhatIf.START).costs().way(choice);
    String option = ways instanceof Ways.Found found ? found.best().label() : "";
    freeze(rows.save(row), signed.under(option), table);
  }

  private void freeze(DecisionRow row, Decision.Signed signed, Table table) {
    SelectionFile file = withDecision(table.file(), signed.proposal());
    String snapshot = Snapshot.of(signed, file, Results.of(table.selection())).toJson();
    row.write(signed);
    row.snapshot = snapshot;
    row.sha256 = Snapshot.sha256(snapshot);
    selections.close(row.selectionId);
  }

  /** Objects to a proposal with a reason. */
  @Transactional
  public void object(long selectionId, long version, SignedIn person, String reason) {
    DecisionRow row = row(selectionId);
    row.write(proposed(row, version).object(person.name(), now(), reason));
  }

  private static Decision.Proposed proposed(DecisionRow row, long version) {
    if (row.version != version || !(row.toCore() instanceof Decision.Proposed proposed)) {
      throw new Conflict(
          "This proposal has changed since you read it, or was answered by somebody else. Read it"
              + " again.");
    }
    return proposed;
  }

  /** A file with what was written down as the decision. */
  public static SelectionFile withDecision(SelectionFile file, Proposal proposal) {
    return new SelectionFile(
        file.format(),
        file.version(),
        file.brief(),
        file.contenders(),
        file.panel(),
        new SelectionFile.DecisionPart(
            proposal.choice(),
            proposal.reasons(),
            proposal.givenUp(),
            proposal.conditions(),
            proposal.reviewOn().map(Objects::toString).orElse(null)),
        file.log());
  }

  private DecisionRow row(long selectionId) {
    return rows.findBySelectionId(selectionId)
        .orElseThrow(() -> new NotFound("decision in this selection yet"));
  }

  private Instant now() {
    return clock.instant().truncatedTo(ChronoUnit.SECONDS);
  }
}
