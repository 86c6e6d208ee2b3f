package tertulia.core.fit;

import static java.util.Objects.requireNonNull;

import tertulia.core.working.Provenance;

/** A plan's answer for one capability, with its date and source. */
public record Fact(Answer answer, Provenance source) {
  public Fact {
    requireNonNull(answer);
    requireNonNull(source);
  }
}
