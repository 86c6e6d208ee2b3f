package tertulia.core.decision;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.Optional;

/** What came of looking again at a signed decision. The decision itself does not change. */
public sealed interface Review {
  /** Who looked again, and when. */
  Proposal.Act by();

  /** When to look again next; empty if it need not be. */
  Optional<LocalDate> next();

  /**
   * It still holds.
   *
   * @param note what was seen; may be empty
   * @param again when to look again
   */
  record StillHolds(Proposal.Act by, String note, LocalDate again) implements Review {
    public StillHolds {
      requireNonNull(note);
      requireNonNull(again);
    }

    @Override
    public Optional<LocalDate> next() {
      return Optional.of(again);
    }
  }

  /**
   * It is asked again, in another selection, which is now looked at instead.
   *
   * @param successor of that selection, as the application numbers it
   */
  record AskedAgain(Proposal.Act by, long successor) implements Review {
    @Override
    public Optional<LocalDate> next() {
      return Optional.empty();
    }
  }
}
