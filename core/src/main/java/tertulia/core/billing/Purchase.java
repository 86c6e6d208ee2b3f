package tertulia.core.billing;

import static java.util.Objects.requireNonNull;

import java.math.BigDecimal;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import tertulia.core.growth.Measure;
import tertulia.core.money.PriceRise;
import tertulia.core.pricing.Charge;
import tertulia.core.pricing.ExternalCover;
import tertulia.core.pricing.Holding;
import tertulia.core.pricing.Offer;
import tertulia.core.pricing.Owned;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.PriceList;
import tertulia.core.time.Horizon;

/**
 * One plan under one of its lists, kept over a horizon.
 *
 * @param needed units needed by plan month; every measure the list counts must be there
 * @param averagePayment average value of a payment, in the list's currency; empty: not known, and
 *     the list has no payment fee
 * @param offers those used
 * @param owned what is paid for already, of this plan
 * @param outside what is covered outside while the plan is used, by plan month, in the reporting
 *     currency
 */
public record Purchase(
    Plan plan,
    PriceList list,
    List<UnitsNeeded> needed,
    PriceRise rise,
    Horizon horizon,
    Optional<BigDecimal> averagePayment,
    List<Offer> offers,
    Optional<Owned> owned,
    List<List<ExternalCover>> outside) {
  public Purchase {
    outside = List.copyOf(outside);
    requireNonNull(rise);
    needed = List.copyOf(needed);
    offers = List.copyOf(offers);
    owned = owned.filter(o -> o.plan().equals(plan.id()));
  }

  /** Where nothing is covered outside. */
  public Purchase(
      Plan plan,
      PriceList list,
      List<UnitsNeeded> needed,
      PriceRise rise,
      Horizon horizon,
      Optional<BigDecimal> averagePayment,
      List<Offer> offers,
      Optional<Owned> owned) {
    this(
        plan,
        list,
        needed,
        rise,
        horizon,
        averagePayment,
        offers,
        owned,
        Collections.nCopies(needed.size(), List.of()));
  }

  public Purchase with(List<Offer> used) {
    return new Purchase(plan, list, needed, rise, horizon, averagePayment, used, owned, outside);
  }

  /** Who takes the tool, for the conditions of offers. */
  public Offer.Buyer buyer(boolean ownsTool) {
    int units =
        list.charges().stream()
            .filter(Charge.Counted.class::isInstance)
            .map(Charge.Counted.class::cast)
            .filter(counted -> counted.measure().equals(plan.range().measure()))
            .mapToInt(counted -> paidUnits(counted, 0))
            .findFirst()
            .orElseGet(() -> needed.getFirst().of(plan.range().measure()).orElse(0));
    return new Offer.Buyer(plan.id(), list.term(), ownsTool, horizon.month(0).atDay(1), units);
  }

  int demand(Measure measure, int m) {
    return needed.get(m).of(measure).orElseThrow();
  }

  /** What has to be paid for in month {@code m}. */
  Holding holding(int m) {
    return Holding.in(plan, list, owned, horizon.month(m));
  }

  /** Units to pay for in month {@code m}: an account is one unit, none while it is owned. */
  int wanted(Charge.Held charge, int m) {
    return switch (charge) {
      case Charge.Flat flat -> holding(m).accounts(flat);
      case Charge.Counted counted -> paidUnits(counted, m);
    };
  }

  private int paidUnits(Charge.Counted counted, int m) {
    return holding(m).units(counted, demand(counted.measure(), m));
  }

  /** Units that count for allowances and one-offs in month {@code m}; idle ones do not. */
  int seats(Measure measure, int m) {
    return holding(m).seats(measure, demand(measure, m));
  }
}
