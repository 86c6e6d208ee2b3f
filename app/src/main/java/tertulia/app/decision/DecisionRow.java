package tertulia.app.decision;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Lob;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.data.jpa.repository.JpaRepository;
import tertulia.app.exchange.Json;
import tertulia.app.exchange.ProvisoPart;
import tertulia.core.decision.Answer;
import tertulia.core.decision.Decision;
import tertulia.core.decision.Proposal;
import tertulia.core.decision.Signatory;
import tertulia.core.decision.Signing;

/** Storage of a decision in whatever state it is. */
@Entity
@Table(name = "decision")
class DecisionRow {
  /** How far it has come. */
  enum State {
    DRAFT,
    PROPOSED,
    SIGNED,
    OBJECTED
  }

  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  @Nullable Long id;

  long selectionId;

  @Enumerated(EnumType.STRING)
  State state = State.DRAFT;

  String choice = "";
  String planOption = "";
  String reasons = "";
  String givenUp = "";
  String conditions = "";
  @Nullable LocalDate lookAgain;
  String despite = "";

  /** Conditions that can be tested, as a file holds them. */
  String holdsWhile = "[]";

  @Nullable String proposedBy;
  @Nullable String proposedByAccount;
  @Nullable Instant proposedAt;
  @Nullable String answeredBy;
  @Nullable String answeredByAccount;
  @Nullable Instant answeredAt;
  @Nullable String objection;

  /** Who is asked and what they said; null: written before that was kept. */
  @Lob @Nullable String signing;

  /** What the proposal rests on, with its fingerprint. */
  @Lob @Nullable String basis;

  @Nullable String digest;
  @Lob @Nullable String snapshot;
  @Nullable String sha256;
  @Version long version;

  interface All extends JpaRepository<DecisionRow, Long> {
    Optional<DecisionRow> findBySelectionId(long selectionId);

    List<DecisionRow> findBySelectionIdIn(Collection<Long> selectionIds);

    List<DecisionRow> findByState(State state);
  }

  /** What tells an open proposal from those before and after it; empty if none is open. */
  String proposal() {
    return state == State.PROPOSED
        ? Objects.requireNonNull(proposedAt).getEpochSecond()
            + "-"
            + Objects.requireNonNullElse(digest, "")
        : "";
  }

  /** The core's decision. */
  Decision toCore() {
    Proposal proposal =
        new Proposal(
            choice,
            planOption,
            reasons,
            givenUp,
            conditions,
            lookAgain,
            despite,
            ProvisoPart.read(List.of(Json.stored(holdsWhile, ProvisoPart[].class))));
    return switch (state) {
      case DRAFT -> new Decision.Draft(proposal, signing());
      case PROPOSED -> new Decision.Proposed(proposal, proposed(), signing());
      case SIGNED -> new Decision.Signed(proposal, proposed(), signing(), answered(), List.of());
      case OBJECTED ->
          new Decision.Objected(
              proposal, proposed(), signing(), answered(), Objects.requireNonNull(objection));
    };
  }

  /** Takes over what a decision says. */
  void write(Decision decision) {
    Proposal proposal = decision.proposal();
    choice = proposal.choice();
    planOption = proposal.option();
    reasons = proposal.reasons();
    givenUp = proposal.givenUp();
    conditions = proposal.conditions();
    despite = proposal.despite();
    holdsWhile =
        Json.write(Objects.requireNonNullElse(ProvisoPart.of(proposal.holdsWhile()), List.of()));
    lookAgain = proposal.reviewOn().orElse(null);
    signing = Json.write(SigningPart.of(decision.signing()));
    switch (decision) {
      case Decision.Draft draft -> acts(State.DRAFT, null, null, null);
      case Decision.Proposed proposed -> acts(State.PROPOSED, proposed.by(), null, null);
      case Decision.Signed signed -> acts(State.SIGNED, signed.by(), signed.closedBy(), null);
      case Decision.Objected objected ->
          acts(State.OBJECTED, objected.by(), objected.objectedBy(), objected.reason());
    }
  }

  private void acts(
      State now,
      Proposal.@Nullable Act proposed,
      Proposal.@Nullable Act answered,
      @Nullable String reason) {
    state = now;
    proposedBy = proposed == null ? null : proposed.person();
    proposedByAccount = proposed == null ? null : proposed.by().account();
    proposedAt = proposed == null ? null : proposed.at();
    answeredBy = answered == null ? null : answered.person();
    answeredByAccount = answered == null ? null : answered.by().account();
    answeredAt = answered == null ? null : answered.at();
    objection = reason;
  }

  /** What was signed before others could be asked was signed by one other. */
  private Signing signing() {
    String stored = signing;
    if (stored != null) {
      return Json.stored(stored, SigningPart.class).toCore();
    }
    return state == State.SIGNED
        ? Signing.BY_ONE_OTHER.with(new Answer.Agrees(answered(), ""))
        : Signing.BY_ONE_OTHER;
  }

  private Proposal.Act proposed() {
    return act(proposedBy, proposedByAccount, proposedAt);
  }

  private Proposal.Act answered() {
    return act(answeredBy, answeredByAccount, answeredAt);
  }

  private static Proposal.Act act(
      @Nullable String person, @Nullable String account, @Nullable Instant at) {
    return new Proposal.Act(
        new Signatory(Objects.requireNonNull(person), Objects.requireNonNullElse(account, "")),
        Objects.requireNonNull(at));
  }
}
