package tertulia.core.pricing;

import static java.util.Objects.requireNonNull;

import java.util.List;
import tertulia.core.working.Provenance;

/**
 * One plan of a tool, as its price page states it.
 *
 * @param id stable name within the tool
 * @param allowances at most one a measure; measures that are not there are not limited
 * @param source date and origin of the prices
 */
public record Plan(
    String id,
    String name,
    SeatRange range,
    PlanPrices prices,
    Tax tax,
    List<Allowance> allowances,
    Provenance source) {
  public Plan {
    requireNonNull(id);
    requireNonNull(range);
    requireNonNull(prices);
    requireNonNull(tax);
    requireNonNull(source);
    allowances = List.copyOf(allowances);
    if (name.isBlank()) {
      throw new IllegalArgumentException("A plan needs a name.");
    }
    if (allowances.stream().map(Allowance::measure).distinct().count() < allowances.size()) {
      throw new IllegalArgumentException(
          "Plan \"" + name + "\" has two allowances of one measure. Keep one of them.");
    }
  }

  /** A plan priced before tax and without allowances. */
  public Plan(String id, String name, SeatRange range, PlanPrices prices, Provenance source) {
    this(id, name, range, prices, Tax.NOT_INCLUDED, List.of(), source);
  }

  /**
   * The price lists by term, in the page's order; none if the price is on request.
   *
   * @param end which end of an assumed range is meant
   */
  public List<PriceList> lists(PlanPrices.End end) {
    return switch (prices) {
      case PlanPrices.Listed listed -> listed.lists();
      case PlanPrices.Quoted quoted -> quoted.lists();
      case PlanPrices.Assumed assumed ->
          switch (end) {
            case LOW -> assumed.low();
            case HIGH -> assumed.high();
          };
      case PlanPrices.OnRequest onRequest -> List.of();
    };
  }

  public boolean isAssumed() {
    return prices instanceof PlanPrices.Assumed;
  }

  /**
   * Units paid for at a demand: the range's lower end is needed at least if it counts the same
   * measure, then the charge's own rule applies.
   */
  public int paidUnits(Charge.Counted charge, int demand) {
    boolean same = range.measure().id().equals(charge.measure().id());
    return charge.rule().paidUnits(same ? Math.max(range.least(), demand) : demand);
  }

  /** This plan at so much of every list price; what is on request stays so. */
  public Plan times(java.math.BigDecimal part) {
    PlanPrices scaled =
        switch (prices) {
          case PlanPrices.Listed listed -> new PlanPrices.Listed(times(listed.lists(), part));
          case PlanPrices.Quoted quoted -> new PlanPrices.Quoted(times(quoted.lists(), part));
          case PlanPrices.Assumed assumed ->
              new PlanPrices.Assumed(times(assumed.low(), part), times(assumed.high(), part));
          case PlanPrices.OnRequest onRequest -> onRequest;
        };
    return new Plan(id, name, range, scaled, tax, allowances, source);
  }

  private static List<PriceList> times(List<PriceList> lists, java.math.BigDecimal part) {
    return lists.stream().map(list -> list.times(part)).toList();
  }
}
