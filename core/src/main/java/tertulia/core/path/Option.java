package tertulia.core.path;

import tertulia.core.fit.Offering;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.PriceList;

/** A plan under one of its terms. */
public record Option(Offering offering, PriceList list) {
  public Plan plan() {
    return offering.plan();
  }

  /** Such as "Crew, yearly, up front". */
  public String label() {
    return plan().name() + ", " + list.term().words();
  }
}
