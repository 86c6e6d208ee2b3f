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
import tertulia.core.pricing.Charge;
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
 * @param limited what some plan of its tool limits, by an allowance or a charge for use, and which
 *     plan that is: where this plan says nothing of it, that is not confirmed
 */
public record Offering(
    Plan plan,
    Map<String, Fact> facts,
    List<Offer> offers,
    Optional<Owned> owned,
    Map<Measure, String> limited) {
  private static final Fact NOT_KNOWN =
      new Fact(Answer.UNKNOWN, Provenance.of(LocalDate.EPOCH, Ground.OTHER));

  public Offering {
    requireNonNull(plan);
    requireNonNull(owned);
    facts = Map.copyOf(facts);
    offers = List.copyOf(offers);
    limited = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(limited));
  }

  /** Of a tool that has no other plan. */
  public Offering(Plan plan, Map<String, Fact> facts, List<Offer> offers, Optional<Owned> owned) {
    this(plan, facts, offers, owned, limits(List.of(plan)));
  }

  /** Without offers, not owned, of a tool that has no other plan. */
  public Offering(Plan plan, Map<String, Fact> facts) {
    this(plan, facts, List.of(), Optional.empty());
  }

  /** The plans of a tool with their facts by plan id, in the tool's order. */
  public static List<Offering> of(Tool tool, Map<String, Map<String, Fact>> facts) {
    Map<Measure, String> limited = limits(tool.plans());
    return tool.plans().stream()
        .map(plan ->
            new Offering(
                plan,
                facts.getOrDefault(plan.id(), Map.of()),
                tool.offers(),
                tool.owned(),
                limited))
        .toList();
  }

  /** What any of the plans limits, with the first plan that does. */
  private static Map<Measure, String> limits(List<Plan> plans) {
    Map<Measure, String> limited = new LinkedHashMap<>();
    for (Plan plan : plans) {
      plan.allowances().stream()
          .filter(allowance -> allowance.limit() instanceof Allowance.Limit.Hard)
          .forEach(allowance -> limited.putIfAbsent(allowance.measure(), plan.name()));
      plan.charged().stream()
          .flatMap(list -> list.charges().stream())
          .filter(Charge.Usage.class::isInstance)
          .forEach(charge -> limited.putIfAbsent(((Charge.Usage) charge).measure(), plan.name()));
    }
    return limited;
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
    return new Offering(plan.times(part), facts, offers, owned, limited);
  }
}
