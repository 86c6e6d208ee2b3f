package tertulia.core.fit;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tertulia.core.pricing.Offer;
import tertulia.core.pricing.Owned;
import tertulia.core.pricing.Plan;
import tertulia.core.working.Ground;
import tertulia.core.working.Provenance;

/**
 * A plan with what is known of its capabilities.
 *
 * @param facts by capability id; what is not there is unknown
 * @param offers of its tool
 * @param owned what of its tool is paid for already
 */
public record Offering(
    Plan plan, Map<String, Fact> facts, List<Offer> offers, Optional<Owned> owned) {
  private static final Fact NOT_KNOWN =
      new Fact(Answer.UNKNOWN, Provenance.of(LocalDate.EPOCH, Ground.OTHER));

  public Offering {
    requireNonNull(plan);
    requireNonNull(owned);
    facts = Map.copyOf(facts);
    offers = List.copyOf(offers);
  }

  /** Without offers, not owned. */
  public Offering(Plan plan, Map<String, Fact> facts) {
    this(plan, facts, List.of(), Optional.empty());
  }

  /** The plan's fact for a capability; unknown if nobody put one down. */
  public Fact fact(Capability capability) {
    return facts.getOrDefault(capability.id(), NOT_KNOWN);
  }

  /** This offering at so much of every list price. */
  public Offering times(java.math.BigDecimal part) {
    return new Offering(plan.times(part), facts, offers, owned);
  }
}
