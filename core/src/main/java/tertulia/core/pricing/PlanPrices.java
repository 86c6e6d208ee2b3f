package tertulia.core.pricing;

import java.util.List;

/** What is known of a plan's prices. */
public sealed interface PlanPrices {
  /** A price list for each term the plan sells; no charges means free. */
  record Listed(List<PriceList> lists) implements PlanPrices {
    public Listed {
      lists = List.copyOf(lists);
      if (lists.isEmpty()) {
        throw new IllegalArgumentException(
            "A plan with listed prices sells at least one term. Enter a price or mark the plan"
                + " \"price on request\".");
      }
      if (lists.stream().map(PriceList::term).distinct().count() < lists.size()) {
        throw new IllegalArgumentException("A plan has one price list for each term.");
      }
    }
  }

  /** The maker names a price only when asked; unknown, never nothing. */
  record OnRequest() implements PlanPrices {}
}
