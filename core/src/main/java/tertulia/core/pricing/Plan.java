package tertulia.core.pricing;

import static java.util.Objects.requireNonNull;

import java.util.List;
import tertulia.core.working.Provenance;

/**
 * One plan of a tool, as its price page states it.
 *
 * @param id stable name within the tool
 * @param allowances at most one a measure; measures that are not there are not limited
 * @param unsaid what the page leaves open of prices that were put down all the same
 * @param source date and origin of the prices
 * @param inForce the plan months in which it is sold so
 */
public record Plan(
    String id,
    String name,
    SeatRange range,
    PlanPrices prices,
    Tax tax,
    List<Allowance> allowances,
    List<Unsaid> unsaid,
    Provenance source,
    InForce inForce) {
  public Plan {
    requireNonNull(inForce);
    requireNonNull(id);
    requireNonNull(range);
    requireNonNull(prices);
    requireNonNull(tax);
    requireNonNull(source);
    allowances = List.copyOf(allowances);
    unsaid = List.copyOf(unsaid);
    if (name.isBlank()) {
      throw new IllegalArgumentException("A plan needs a name.");
    }
    if (allowances.stream().map(Allowance::measure).distinct().count() < allowances.size()) {
      throw new IllegalArgumentException(
          "Plan \"" + name + "\" has two allowances of one measure. Keep one of them.");
    }
  }

  /** A plan that is sold so in all months. */
  public Plan(
      String id,
      String name,
      SeatRange range,
      PlanPrices prices,
      Tax tax,
      List<Allowance> allowances,
      List<Unsaid> unsaid,
      Provenance source) {
    this(id, name, range, prices, tax, allowances, unsaid, source, InForce.ALWAYS);
  }

  /** A plan whose page says all there is to say of its prices. */
  public Plan(
      String id,
      String name,
      SeatRange range,
      PlanPrices prices,
      Tax tax,
      List<Allowance> allowances,
      Provenance source) {
    this(id, name, range, prices, tax, allowances, List.of(), source);
  }

  /** A plan priced before tax and without allowances. */
  public Plan(String id, String name, SeatRange range, PlanPrices prices, Provenance source) {
    this(id, name, range, prices, Tax.NOT_INCLUDED, List.of(), source);
  }

  /**
   * The price lists by term, in the page's order; none if the price is on request, and at the high
   * end none if only the least is known.
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
      case PlanPrices.From from ->
          switch (end) {
            case LOW -> from.least();
            case HIGH -> List.of();
          };
      case PlanPrices.OnRequest onRequest -> List.of();
    };
  }

  /** What is charged for under each term, whatever it comes to; none if nobody has a price. */
  public List<PriceList> charged() {
    return isFrom() ? lists(PlanPrices.End.LOW) : lists(PlanPrices.End.HIGH);
  }

  /**
   * What the page charges for under another term and says nothing of under this one, by the names
   * of the charges: unknown, never free. A charge of 0 says that it is not charged.
   */
  public List<String> notSaid(BillingTerm term) {
    List<PriceList> lists = charged();
    return lists.stream()
        .filter(list -> list.term().equals(term))
        .findFirst()
        .map(own ->
            lists.stream()
                .flatMap(list -> list.charges().stream())
                .filter(charge -> !own.speaksOf(charge))
                .map(Charge::name)
                .distinct()
                .toList())
        .orElse(List.of());
  }

  /**
   * Whether use above an allowance can be paid for, under some term: under others what it costs is
   * not said.
   */
  public boolean sellsUsageOf(tertulia.core.growth.Measure measure) {
    return charged().stream().anyMatch(list -> list.sellsUsageOf(measure));
  }

  /** What is left open of the plan's own prices under a term; add-ons are none of them. */
  public List<Unsaid> unsaid(BillingTerm term) {
    List<String> own =
        charged().stream()
            .filter(list -> list.term().equals(term))
            .flatMap(list -> list.charges().stream())
            .map(Charge::name)
            .toList();
    return unsaid.stream()
        .filter(open -> open.term().equals(term) && own.contains(open.charge()))
        .toList();
  }

  /** Whether of a list of this plan only the least it comes to is known. */
  public boolean isLeast(BillingTerm term) {
    return isFrom() || !notSaid(term).isEmpty();
  }

  /** Whether only the least it costs is known. */
  public boolean isFrom() {
    return prices instanceof PlanPrices.From;
  }

  /** Whether what is known of its prices at the low end is other than at the high end. */
  public boolean isRange() {
    return isRanged() || charged().stream().anyMatch(list -> isLeast(list.term()));
  }

  private boolean isRanged() {
    return switch (prices) {
      case PlanPrices.Assumed assumed -> true;
      case PlanPrices.From from -> true;
      case PlanPrices.Listed listed -> false;
      case PlanPrices.Quoted quoted -> false;
      case PlanPrices.OnRequest onRequest -> false;
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

  /** This plan at so much of every list price; what is on request stays so. */
  public Plan times(java.math.BigDecimal part) {
    PlanPrices scaled =
        switch (prices) {
          case PlanPrices.Listed listed -> new PlanPrices.Listed(times(listed.lists(), part));
          case PlanPrices.Quoted quoted -> new PlanPrices.Quoted(times(quoted.lists(), part));
          case PlanPrices.Assumed assumed ->
              new PlanPrices.Assumed(times(assumed.low(), part), times(assumed.high(), part));
          case PlanPrices.From from ->
              new PlanPrices.From(times(from.least(), part), from.because());
          case PlanPrices.OnRequest onRequest -> onRequest;
        };
    return priced(scaled);
  }

  /** This plan at other prices. */
  public Plan priced(PlanPrices others) {
    return new Plan(id, name, range, others, tax, allowances, unsaid, source, inForce);
  }

  /** This plan under another name. */
  public Plan named(String other) {
    return new Plan(id, other, range, prices, tax, allowances, unsaid, source, inForce);
  }

  /** This plan, sold so in some months only. */
  public Plan in(InForce months) {
    return new Plan(id, name, range, prices, tax, allowances, unsaid, source, months);
  }

  private static List<PriceList> times(List<PriceList> lists, java.math.BigDecimal part) {
    return lists.stream().map(list -> list.times(part)).toList();
  }
}
