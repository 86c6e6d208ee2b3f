package tertulia.core.path;

import java.util.List;
import java.util.Optional;
import org.joda.money.Money;
import tertulia.core.fit.Answer;
import tertulia.core.fit.Capability;
import tertulia.core.fit.Fact;
import tertulia.core.fit.Fit;
import tertulia.core.fit.Offering;
import tertulia.core.pricing.AddOn;
import tertulia.core.pricing.Outside;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.PriceList;

/**
 * A plan under one of its terms.
 *
 * @param list with the charges of the add-ons taken
 * @param addOns names of the add-ons taken, because a must requires them
 * @param outside what is covered outside, because the plan does not have it
 */
public record Option(
    Offering offering, PriceList list, List<String> addOns, List<Outside> outside) {
  public Option {
    outside = List.copyOf(outside);
    addOns = List.copyOf(addOns);
  }

  /** {@code list} with the add-ons the musts require, and what is covered outside. */
  public static Option of(Offering offering, PriceList list, Fit fit) {
    List<AddOn> taken = fit.required(offering, list);
    return new Option(
        offering,
        list.with(taken),
        taken.stream().map(AddOn::name).toList(),
        fit.outside(offering, list));
  }

  public Plan plan() {
    return offering.plan();
  }

  /**
   * What the plan says of a capability: "by an add-on" is a yes if that one is taken, else a no.
   */
  public Answer answer(Capability capability) {
    Fact fact = offering.fact(capability);
    return fact.answer() != Answer.BY_ADD_ON
        ? fact.answer()
        : addOns.contains(fact.addOn()) ? Answer.YES : Answer.NO;
  }

  /** What is covered outside costs so much a month; empty if nothing is. */
  Optional<Money> outsideMonthly() {
    return outside.stream().map(Outside::monthly).reduce(Money::plus);
  }

  /** Such as "Crew, yearly, up front" or "Crew with Single sign-on, monthly". */
  public String label() {
    return plan().name()
        + (addOns.isEmpty() ? "" : " with " + String.join(" and ", addOns))
        + ", "
        + list.term().words();
  }
}
