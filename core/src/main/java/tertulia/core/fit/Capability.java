package tertulia.core.fit;

import static java.util.Objects.requireNonNull;

/** Something a tool can do, such as "two-way calendar link". */
public record Capability(String id, String name) {
  public Capability {
    requireNonNull(id);
    if (name.isBlank()) {
      throw new IllegalArgumentException("A capability needs a name.");
    }
  }
}
