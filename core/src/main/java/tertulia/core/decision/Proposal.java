package tertulia.core.decision;

import static java.util.Objects.requireNonNull;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * What is to be agreed: a choice with its reasons and its price.
 *
 * @param choice contender id
 * @param option label of plan and term
 * @param reasons why this one; not blank
 * @param givenUp what the others would have had; not blank
 * @param conditions under which it holds, in words; may be empty
 * @param lookAgain when to look again; null if not agreed
 * @param despite why nevertheless, where figures or facts speak against it; may be empty
 * @param holdsWhile conditions under which it holds that can be tested
 */
public record Proposal(
    String choice,
    String option,
    String reasons,
    String givenUp,
    String conditions,
    @Nullable LocalDate lookAgain,
    String despite,
    List<Proviso> holdsWhile) {
  public Proposal {
    holdsWhile = List.copyOf(holdsWhile);
    requireNonNull(despite);
    requireNonNull(choice);
    requireNonNull(option);
    requireNonNull(conditions);
    if (reasons.isBlank()) {
      throw new IllegalArgumentException("A decision needs its reasons. Say why this one.");
    }
    if (givenUp.isBlank()) {
      throw new IllegalArgumentException(
          "A decision needs what is given up. Say what another contender would have had.");
    }
  }

  /** The same for another plan and term. */
  public Proposal under(String otherOption) {
    return new Proposal(
        choice, otherOption, reasons, givenUp, conditions, lookAgain, despite, holdsWhile);
  }

  /** One that nothing speaks against. */
  public Proposal(
      String choice,
      String option,
      String reasons,
      String givenUp,
      String conditions,
      @Nullable LocalDate lookAgain) {
    this(choice, option, reasons, givenUp, conditions, lookAgain, "", List.of());
  }

  public Optional<LocalDate> reviewOn() {
    return Optional.ofNullable(lookAgain);
  }

  /** Who did something, and when. */
  public record Act(Signatory by, Instant at) {
    /** The name of who did it. */
    public String person() {
      return by.name();
    }
  }
}
