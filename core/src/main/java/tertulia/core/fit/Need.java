package tertulia.core.fit;

import static java.util.Objects.requireNonNull;

/** A capability the buyer needs, and how much. */
public record Need(Capability capability, Importance importance) {
  public Need {
    requireNonNull(capability);
    requireNonNull(importance);
  }
}
