package tertulia.core.fit;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.Map;
import tertulia.core.pricing.Plan;
import tertulia.core.working.Ground;
import tertulia.core.working.Provenance;

/**
 * A plan with what is known of its capabilities.
 *
 * @param facts by capability id; what is not there is unknown
 */
public record Offering(Plan plan, Map<String, Fact> facts) {
  private static final Fact NOT_KNOWN =
      new Fact(Answer.UNKNOWN, Provenance.of(LocalDate.EPOCH, Ground.OTHER));

  public Offering {
    requireNonNull(plan);
    facts = Map.copyOf(facts);
  }

  /** The plan's fact for a capability; unknown if nobody put one down. */
  public Fact fact(Capability capability) {
    return facts.getOrDefault(capability.id(), NOT_KNOWN);
  }
}
