package tertulia.core.fit;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tertulia.core.growth.Measure;
import tertulia.core.pricing.Allowance;
import tertulia.core.pricing.Holding;
import tertulia.core.pricing.Offer;
import tertulia.core.pricing.Owned;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.PriceList;
import tertulia.core.pricing.Tool;
import tertulia.core.working.Ground;
import tertulia.core.working.Provenance;

/**
 * A plan with what is known of its capabilities.
 *
 * @param facts by capability id; what is not there is unknown
 * @param offers of its tool
 * @param owned what of its tool is paid for already
 * @param spoken what some plan of its tool speaks of, by an allowance, "unlimited" or a charge that
 *     counts it, and which plan that is: where this plan says nothing of it, that is not confirmed
 */
public record Offering(
    Plan plan,
    Map<String, Fact> facts,
    List<Offer> offers,
    Optional<Owned> owned,
    Map<Measure, String> spoken) {
  private static final Fact NOT_KNOWN =
      new Fact(Answer.UNKNOWN, Provenance.of(LocalDate.EPOCH, Ground.OTHER));

  public Offering {
    requireNonNull(plan);
    requireNonNull(owned);
    facts = Map.copyOf(facts);
    offers = List.copyOf(offers);
    spoken = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(spoken));
  }

  /** Of a tool that has no other plan. */
  public Offering(Plan plan, Map<String, Fact> facts, List<Offer> offers, Optional<Owned> owned) {
    this(plan, facts, offers, owned, spoken(List.of(plan)));
  }

  /** Without offers, not owned, of a tool that has no other plan. */
  public Offering(Plan plan, Map<String, Fact> facts) {
    this(plan, facts, List.of(), Optional.empty());
  }

  /** The plans of a tool with their facts by plan id, in the tool's order. */
  public static List<Offering> of(Tool tool, Map<String, Map<String, Fact>> facts) {
    Map<Measure, String> spoken = spoken(tool.plans());
    return tool.plans().stream()
        .map(plan ->
            new Offering(
                plan, facts.getOrDefault(plan.id(), Map.of()), tool.offers(), tool.owned(), spoken))
        .toList();
  }

  /** What any of the plans speaks of, with the first plan that does. */
  private static Map<Measure, String> spoken(List<Plan> plans) {
    Map<Measure, String> spoken = new LinkedHashMap<>();
    for (Plan plan : plans) {
      plan.allowances().stream()
          .filter(allowance -> !(allowance.limit() instanceof Allowance.Limit.Unknown))
          .forEach(allowance -> spoken.putIfAbsent(allowance.measure(), plan.name()));
      plan.charged().stream()
          .flatMap(list -> list.charges().stream())
          .flatMap(charge -> charge.counts().stream())
          .forEach(measure -> spoken.putIfAbsent(measure, plan.name()));
    }
    return spoken;
  }

  /** What is owned of this plan in a month. */
  public Holding holding(PriceList list, YearMonth month) {
    return Holding.in(plan, list, owned, month);
  }

  /** The plan's fact for a capability; unknown if nobody put one down. */
  public Fact fact(Capability capability) {
    return facts.getOrDefault(capability.id(), NOT_KNOWN);
  }

  /** This offering at so much of every list price. */
  public Offering times(java.math.BigDecimal part) {
    return new Offering(plan.times(part), facts, offers, owned, spoken);
  }
}
