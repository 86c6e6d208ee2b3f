package tertulia.core.decision;

import static java.util.Objects.requireNonNull;

/** What somebody says to a proposal. */
public sealed interface Answer {
  /** Who said it, and when. */
  Proposal.Act by();

  /**
   * Agrees.
   *
   * @param reservations may be empty: without any
   */
  record Agrees(Proposal.Act by, String reservations) implements Answer {
    public Agrees {
      requireNonNull(by);
      requireNonNull(reservations);
    }
  }

  /**
   * Is against it.
   *
   * @param reason not blank
   */
  record Against(Proposal.Act by, String reason) implements Answer {
    public Against {
      requireNonNull(by);
      if (reason.isBlank()) {
        throw new IllegalArgumentException(
            "An objection needs a reason. Say what speaks against it.");
      }
    }
  }
}
