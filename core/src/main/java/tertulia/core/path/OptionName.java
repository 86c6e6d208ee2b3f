package tertulia.core.path;

import java.util.List;
import java.util.Optional;
import tertulia.core.pricing.BillingTerm;
import tertulia.core.pricing.Plan;

/**
 * Which of a tool's options it is.
 *
 * @param planId of the plan, by which it is known within its tool
 * @param plan what the plan is called
 * @param addOns names of the add-ons taken
 * @param term empty of a plan that has no price, or is not sold as is allowed
 */
public record OptionName(
    String planId, String plan, List<String> addOns, Optional<BillingTerm> term) {
  public OptionName {
    addOns = List.copyOf(addOns);
  }

  /** A plan, whatever the term. */
  public static OptionName of(Plan plan) {
    return new OptionName(plan.id(), plan.name(), List.of(), Optional.empty());
  }

  /** Its plan, whatever the term. */
  OptionName ofAnyTerm() {
    return new OptionName(planId, plan, List.of(), Optional.empty());
  }

  /** Such as "Crew, yearly, up front" or "Crew with Single sign-on, monthly". */
  public String label() {
    return plan
        + (addOns.isEmpty() ? "" : " with " + String.join(" and ", addOns))
        + term.map(t -> ", " + t.words()).orElse("");
  }

  /** Its label, as it may be read in a sentence. */
  @Override
  public String toString() {
    return label();
  }
}
