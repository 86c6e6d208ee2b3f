package tertulia.core.pricing;

import static java.util.Objects.requireNonNull;

import java.util.List;
import tertulia.core.working.Provenance;

/**
 * One plan of a tool, as its price page states it.
 *
 * @param id stable name within the tool
 * @param source date and origin of the prices
 */
public record Plan(String id, String name, SeatRange range, PlanPrices prices, Provenance source) {
  public Plan {
    requireNonNull(id);
    requireNonNull(range);
    requireNonNull(prices);
    requireNonNull(source);
    if (name.isBlank()) {
      throw new IllegalArgumentException("A plan needs a name.");
    }
  }

  /** The price lists by term, in the page's order; none if the price is on request. */
  public List<PriceList> lists() {
    return switch (prices) {
      case PlanPrices.Listed listed -> listed.lists();
      case PlanPrices.OnRequest onRequest -> List.of();
    };
  }

  /**
   * Units paid for at a demand: the range's lower end is needed at least if it counts the same
   * measure, then the charge's own rule applies.
   */
  public int paidUnits(Charge.Counted charge, int demand) {
    boolean same = range.measure().id().equals(charge.measure().id());
    return charge.rule().paidUnits(same ? Math.max(range.least(), demand) : demand);
  }
}
