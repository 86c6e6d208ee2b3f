package tertulia.core.decision;

import static java.util.Objects.requireNonNull;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;

/**
 * How far a decision has come. One person proposes; others agree, with reservations or without, or
 * are against it; by the rule agreed it stands, or goes back to the panel.
 */
public sealed interface Decision {
  Proposal proposal();

  /** Who is asked to agree, and what they said. */
  Signing signing();

  /** Written down, not yet put forward. */
  record Draft(Proposal proposal, Signing signing) implements Decision {
    public Draft {
      signing = signing.anew();
    }

    /** One that one other person signs. */
    public Draft(Proposal proposal) {
      this(proposal, Signing.BY_ONE_OTHER);
    }

    /**
     * Puts it forward.
     *
     * @throws IllegalArgumentException if whoever proposes is asked to agree
     */
    public Proposed propose(Signatory person, Instant at) {
      return new Proposed(proposal, new Proposal.Act(person, at), signing);
    }
  }

  /** Put forward; waits for answers. */
  record Proposed(Proposal proposal, Proposal.Act by, Signing signing) implements Decision {
    public Proposed {
      if (signing.asked().stream().anyMatch(by.by()::isSameAs)) {
        throw new IllegalArgumentException(
            by.person() + " proposes it and so is not asked to agree. Ask others.");
      }
    }

    /**
     * Takes an answer.
     *
     * @return the same with the answer, or what has come of it
     * @throws IllegalStateException if that person proposed it or is not asked, or is against it
     *     after the days for objections
     */
    public Decision answer(Answer answer) {
      Signatory person = answer.by().by();
      if (person.isSameAs(by.by())) {
        throw new IllegalStateException(
            "Whoever proposes a decision cannot sign it. Ask a colleague.");
      }
      if (!signing.asks(person)) {
        throw new IllegalStateException(
            "You are not among those who are asked to agree to this proposal.");
      }
      if (answer instanceof Answer.Against
          && signing.outcome(by.at(), answer.by().at()) instanceof Signing.Outcome.Unopposed) {
        throw new IllegalStateException(
            "The days in which somebody could object are over. Ask an organiser to withdraw the"
                + " proposal, or look at the decision again once it stands.");
      }
      Signing more = signing.with(answer);
      return switch (more.outcome(by.at(), answer.by().at())) {
        case Signing.Outcome.Open open -> new Proposed(proposal, by, more);
        case Signing.Outcome.Unopposed unopposed -> new Proposed(proposal, by, more);
        case Signing.Outcome.Stands stands ->
            new Signed(proposal, by, more, answer.by(), List.of());
        case Signing.Outcome.Falls falls ->
            new Objected(proposal, by, more, falls.by().by(), falls.by().reason());
      };
    }

    /**
     * Agrees where one other person is enough.
     *
     * @throws IllegalStateException as {@link #answer}, or if others have to agree, too
     */
    public Signed sign(Signatory person, Instant at) {
      if (answer(new Answer.Agrees(new Proposal.Act(person, at), "")) instanceof Signed signed) {
        return signed;
      }
      throw new IllegalStateException("Others have to agree, too.");
    }

    /**
     * Notes that nobody objected in time.
     *
     * @throws IllegalStateException if it is not so
     */
    public Signed unopposed(Signatory person, Instant at) {
      if (!(signing.outcome(by.at(), at) instanceof Signing.Outcome.Unopposed)) {
        throw new IllegalStateException(
            "The days in which somebody may object are not over, or somebody is against it.");
      }
      return new Signed(proposal, by, signing, new Proposal.Act(person, at), List.of());
    }

    /**
     * Takes it back; what was proposed becomes a draft again and stays on record.
     *
     * @throws IllegalArgumentException if the reason is blank
     */
    public Ended.Withdrawn withdraw(Signatory person, Instant at, String reason) {
      return new Ended.Withdrawn(proposal, by, new Proposal.Act(person, at), reason);
    }
  }

  /**
   * Agreed; does not change any more.
   *
   * @param closedBy whose answer made it stand, or who noted that nobody objected
   * @param reviews what came of looking again, oldest first
   */
  record Signed(
      Proposal proposal,
      Proposal.Act by,
      Signing signing,
      Proposal.Act closedBy,
      List<Review> reviews)
      implements Decision {
    public Signed {
      requireNonNull(closedBy);
      reviews = List.copyOf(reviews);
    }

    /** When it was agreed. */
    public Instant at() {
      return closedBy.at();
    }

    /** The names of those who agreed, without whoever proposed it. */
    public List<String> agreed() {
      return signing.answers().stream()
          .filter(Answer.Agrees.class::isInstance)
          .map(answer -> answer.by().person())
          .toList();
    }

    /** The same with the plan and term that it meant. */
    public Signed under(String option) {
      return new Signed(proposal.under(option), by, signing, closedBy, reviews);
    }

    /** The same after it was looked at again. */
    public Signed reviewed(List<Review> all) {
      return new Signed(proposal, by, signing, closedBy, all);
    }

    /** When to look again, as agreed last; empty if no day is agreed, or it is asked elsewhere. */
    public Optional<LocalDate> reviewOn() {
      return reviews.isEmpty() ? proposal.reviewOn() : reviews.getLast().next();
    }

    /** The selection in which it is asked again, as the application numbers it. */
    public Optional<Long> successor() {
      return !reviews.isEmpty() && reviews.getLast() instanceof Review.AskedAgain asked
          ? Optional.of(asked.successor())
          : Optional.empty();
    }
  }

  /** Objected to; can be revised and proposed again. */
  record Objected(
      Proposal proposal, Proposal.Act by, Signing signing, Proposal.Act objectedBy, String reason)
      implements Decision {
    public Objected {
      if (reason.isBlank()) {
        throw new IllegalArgumentException(
            "An objection needs a reason. Say what speaks against it.");
      }
    }

    /** What stays on record of it. */
    public Ended.Objected ended() {
      return new Ended.Objected(proposal, by, objectedBy, reason);
    }

    public Draft revise(Proposal revised) {
      return new Draft(revised, signing);
    }
  }
}
