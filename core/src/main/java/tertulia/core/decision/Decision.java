package tertulia.core.decision;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;

/**
 * How far a decision has come. One person proposes; another signs it off or objects with a reason;
 * an objection takes it back to the table.
 */
public sealed interface Decision {
  Proposal proposal();

  /** Written down, not yet put forward. */
  record Draft(Proposal proposal) implements Decision {
    public Proposed propose(Signatory person, Instant at) {
      return new Proposed(proposal, new Proposal.Act(person, at));
    }
  }

  /** Put forward; waits for a second person. */
  record Proposed(Proposal proposal, Proposal.Act by) implements Decision {
    /**
     * Agrees.
     *
     * @throws IllegalStateException if the same person proposed it
     */
    public Signed sign(Signatory person, Instant at) {
      checkSecond(person);
      return new Signed(proposal, by, new Proposal.Act(person, at));
    }

    /**
     * Disagrees, with a reason.
     *
     * @throws IllegalStateException if the same person proposed it
     * @throws IllegalArgumentException if the reason is blank
     */
    public Objected object(Signatory person, Instant at, String reason) {
      checkSecond(person);
      return new Objected(proposal, by, new Proposal.Act(person, at), reason);
    }

    /**
     * Takes it back; what was proposed becomes a draft again and stays on record.
     *
     * @throws IllegalArgumentException if the reason is blank
     */
    public Ended.Withdrawn withdraw(Signatory person, Instant at, String reason) {
      return new Ended.Withdrawn(proposal, by, new Proposal.Act(person, at), reason);
    }

    private void checkSecond(Signatory person) {
      if (person.isSameAs(by.by())) {
        throw new IllegalStateException(
            "Whoever proposes a decision cannot sign it. Ask a colleague.");
      }
    }
  }

  /**
   * Agreed by a second person; does not change any more.
   *
   * @param reviews what came of looking again, oldest first
   */
  record Signed(Proposal proposal, Proposal.Act by, Proposal.Act signedBy, List<Review> reviews)
      implements Decision {
    public Signed {
      reviews = List.copyOf(reviews);
    }

    /** One that nobody has looked at again. */
    public Signed(Proposal proposal, Proposal.Act by, Proposal.Act signedBy) {
      this(proposal, by, signedBy, List.of());
    }

    /** The same with the plan and term that it meant. */
    public Signed under(String option) {
      return new Signed(proposal.under(option), by, signedBy, reviews);
    }

    /** The same after it was looked at again. */
    public Signed reviewed(List<Review> all) {
      return new Signed(proposal, by, signedBy, all);
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
  record Objected(Proposal proposal, Proposal.Act by, Proposal.Act objectedBy, String reason)
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
      return new Draft(revised);
    }
  }
}
