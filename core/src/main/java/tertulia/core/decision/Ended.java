package tertulia.core.decision;

/** A proposal that did not come to a signature. It stays on record, with who ended it and why. */
public sealed interface Ended {
  Proposal proposal();

  /** Who proposed it. */
  Proposal.Act proposedBy();

  /** Who ended it. */
  Proposal.Act by();

  /** Not blank. */
  String reason();

  /** A colleague disagreed. */
  record Objected(Proposal proposal, Proposal.Act proposedBy, Proposal.Act by, String reason)
      implements Ended {
    public Objected {
      if (reason.isBlank()) {
        throw new IllegalArgumentException(
            "An objection needs a reason. Say what speaks against it.");
      }
    }
  }

  /** It was taken back. */
  record Withdrawn(Proposal proposal, Proposal.Act proposedBy, Proposal.Act by, String reason)
      implements Ended {
    public Withdrawn {
      if (reason.isBlank()) {
        throw new IllegalArgumentException(
            "A proposal is withdrawn for a reason. Say what has changed.");
      }
    }
  }

  /** How it ended, in words that come before who did it. */
  default String words() {
    return switch (this) {
      case Objected objected -> "objected to by";
      case Withdrawn withdrawn -> "withdrawn by";
    };
  }
}
