package tertulia.core.fit;

import static java.util.Objects.requireNonNull;

import java.util.Optional;
import java.util.Set;
import tertulia.core.pricing.ExternalCover;

/**
 * A capability the buyer needs, and how much.
 *
 * @param outside how it is covered where a plan does not have it; empty: it is not
 * @param begins when a must begins to count; what is no must counts at once
 * @param groups ids of the groups that need it; empty: everybody does
 * @param byHandIsEnough whether the buyer accepts that people do it by hand; else that is a no
 */
public record Need(
    Capability capability,
    Importance importance,
    Optional<ExternalCover> outside,
    Begins begins,
    Set<String> groups,
    boolean byHandIsEnough) {
  public Need {
    requireNonNull(begins);
    groups = Set.copyOf(groups);
    if (!groups.isEmpty() && !(importance instanceof Importance.Must)) {
      throw new IllegalArgumentException(
          "\""
              + capability.name()
              + "\" is for some groups only, which only a must can be. Make it a must, or let it be for"
              + " everybody.");
    }
    if (!(begins instanceof Begins.AtOnce)) {
      if (!(importance instanceof Importance.Must)) {
        throw new IllegalArgumentException(
            "\""
                + capability.name()
                + "\" begins later, which only a must can. Make it a must, or let it count at once.");
      }
      if (outside.isPresent()) {
        throw new IllegalArgumentException(
            "\""
                + capability.name()
                + "\" begins later and is covered outside. Remove the cover, or let it count at"
                + " once.");
      }
    }
    requireNonNull(capability);
    requireNonNull(importance);
    requireNonNull(outside);
    if (outside.isPresent() && importance instanceof Importance.Could) {
      throw new IllegalArgumentException(
          "\""
              + capability.name()
              + "\" is welcome, not needed, so nothing is paid to cover it outside. Make it a"
              + " should or a must, or remove the cover.");
    }
  }

  /** A need of everybody. */
  public Need(
      Capability capability,
      Importance importance,
      Optional<ExternalCover> outside,
      Begins begins) {
    this(capability, importance, outside, begins, Set.of(), false);
  }

  /** A need of which by hand is a no. */
  public Need(
      Capability capability,
      Importance importance,
      Optional<ExternalCover> outside,
      Begins begins,
      Set<String> groups) {
    this(capability, importance, outside, begins, groups, false);
  }

  /** Whether somebody of some groups needs it. */
  public boolean isOf(Set<String> some) {
    return groups.isEmpty() || groups.stream().anyMatch(some::contains);
  }

  /** A need that counts at once. */
  public Need(Capability capability, Importance importance, Optional<ExternalCover> outside) {
    this(capability, importance, outside, Begins.AT_ONCE);
  }

  /** Whether it counts at once. */
  public boolean isAtOnce() {
    return begins instanceof Begins.AtOnce;
  }

  /** A need that a plan has to meet by itself. */
  public Need(Capability capability, Importance importance) {
    this(capability, importance, Optional.empty());
  }

  /** The same as something that must be there; partly is not enough unless it was said so. */
  public Need asMust() {
    return importance instanceof Importance.Must
        ? this
        : new Need(
            capability,
            new Importance.Must(false),
            outside,
            Begins.AT_ONCE,
            Set.of(),
            byHandIsEnough);
  }

  /** Whether a plan with this fact leaves something to cover; unknown counts as not there. */
  boolean isLackedBy(Fact fact, boolean addOnTaken) {
    return switch (fact.answer()) {
      case YES -> false;
      case PARTLY -> !(importance instanceof Importance.Must must && must.partlyIsEnough());
      case BY_ADD_ON, THROUGH_CONNECTOR -> !addOnTaken;
      case BY_HAND -> !byHandIsEnough;
      case NO, UNKNOWN -> true;
    };
  }
}
