package tertulia.core.path;

import java.util.List;
import tertulia.core.fit.Fit;
import tertulia.core.fit.Offering;
import tertulia.core.pricing.AddOn;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.PriceList;

/**
 * A plan under one of its terms.
 *
 * @param list with the charges of the add-ons taken
 * @param addOns names of the add-ons taken, because a must requires them
 */
public record Option(Offering offering, PriceList list, List<String> addOns) {
  public Option {
    addOns = List.copyOf(addOns);
  }

  /** {@code list} with the add-ons the musts require. */
  static Option of(Offering offering, PriceList list, Fit fit) {
    List<AddOn> taken = fit.required(offering, list);
    return new Option(offering, list.with(taken), taken.stream().map(AddOn::name).toList());
  }

  public Plan plan() {
    return offering.plan();
  }

  /** Such as "Crew, yearly, up front" or "Crew with Single sign-on, monthly". */
  public String label() {
    return plan().name()
        + (addOns.isEmpty() ? "" : " with " + String.join(" and ", addOns))
        + ", "
        + list.term().words();
  }
}
