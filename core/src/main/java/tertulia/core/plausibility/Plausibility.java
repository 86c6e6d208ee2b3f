package tertulia.core.plausibility;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import tertulia.core.growth.Measure;
import tertulia.core.money.UnitPrice;
import tertulia.core.pricing.BillingTerm;
import tertulia.core.pricing.Charge;
import tertulia.core.pricing.MonthlyPrice;
import tertulia.core.pricing.Offer;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.PriceBasis;
import tertulia.core.pricing.PriceList;
import tertulia.core.pricing.Tool;

/** Finds what may be a slip on a price page: eight times off, ten times off, dearer by the year. */
public final class Plausibility {
  private static final BigDecimal FAR = BigDecimal.valueOf(8);
  private static final BigDecimal TEN_LOW = BigDecimal.valueOf(8);
  private static final BigDecimal TEN_HIGH = BigDecimal.valueOf(12);

  /** Units for which ways to pay are compared, unless the plan is sold for more or fewer only. */
  private static final int COMPARED = 10;

  private final Peers peers;
  private final List<Doubt> doubts = new ArrayList<>();

  private Plausibility(Peers peers) {
    this.peers = peers;
  }

  /** Every doubt about the prices and offers of a tool, plan by plan. */
  public static List<Doubt> of(Tool tool, Peers peers) {
    Plausibility found = new Plausibility(peers);
    for (Plan plan : tool.plans()) {
      found.plan(plan);
      tool.offers().forEach(offer -> found.offer(offer, plan));
    }
    return List.copyOf(found.doubts);
  }

  private void plan(Plan plan) {
    List<PriceList> lists = plan.charged();
    Optional<PriceList> monthly =
        lists.stream().filter(list -> list.term().equals(BillingTerm.MONTHLY)).findFirst();
    for (PriceList list : lists) {
      for (Charge charge : list.charges()) {
        median(plan, list, charge);
        if (charge instanceof Charge.Held held && list.term().isCommitted()) {
          monthly
              .flatMap(month -> same(month, held))
              .ifPresent(other -> terms(plan, list.term(), held, other));
        }
      }
    }
  }

  private static Optional<Charge.Held> same(PriceList list, Charge.Held charge) {
    return list.charges().stream()
        .filter(other -> other.name().equals(charge.name()))
        .filter(Charge.Held.class::isInstance)
        .map(Charge.Held.class::cast)
        .findFirst();
  }

  private void terms(Plan plan, BillingTerm term, Charge.Held charge, Charge.Held monthly) {
    int units = Math.max(1, Math.min(units(plan, charge), units(plan, monthly)));
    BigDecimal committed = price(plan, charge, units);
    BigDecimal month = price(plan, monthly, units);
    if (isTenTimes(committed, month)) {
      doubts.add(
          new Doubt.TenTimes(
              plan.name(), charge.name(), term, committed, BillingTerm.MONTHLY, month, units));
    } else if (isTenTimes(month, committed)) {
      doubts.add(
          new Doubt.TenTimes(
              plan.name(), charge.name(), BillingTerm.MONTHLY, month, term, committed, units));
    } else if (committed.compareTo(month) > 0) {
      doubts.add(
          new Doubt.DearerCommitted(plan.name(), charge.name(), term, committed, month, units));
    }
  }

  private static boolean isTenTimes(BigDecimal a, BigDecimal b) {
    return b.signum() > 0
        && a.compareTo(b.multiply(TEN_LOW)) >= 0
        && a.compareTo(b.multiply(TEN_HIGH)) <= 0;
  }

  private void median(Plan plan, PriceList list, Charge charge) {
    Optional<Peers.Price> own = Peers.unitPrice(charge);
    own.flatMap(price -> peers.median(price.measure(), price.price().currency()))
        .filter(median -> isFar(own.orElseThrow().price(), median))
        .ifPresent(median -> {
          Measure measure = own.orElseThrow().measure();
          doubts.add(
              new Doubt.FarFromOthers(
                  plan.name(),
                  charge.name(),
                  list.term(),
                  measure,
                  own.orElseThrow().price(),
                  median));
        });
  }

  private static boolean isFar(UnitPrice price, UnitPrice median) {
    return price.amount().compareTo(median.amount().multiply(FAR)) > 0
        || price.amount().multiply(FAR).compareTo(median.amount()) < 0;
  }

  private void offer(Offer offer, Plan plan) {
    boolean forPlan = offer.when().plans().isEmpty() || offer.when().plans().contains(plan.id());
    if (!forPlan || !(offer.benefit() instanceof Offer.Benefit.AmountOff off)) {
      return;
    }
    for (PriceList list : plan.charged()) {
      boolean forTerm =
          offer.when().terms().isEmpty() || offer.when().terms().contains(list.term());
      BigDecimal invoice = smallestInvoice(plan, list, offer);
      if (forTerm && invoice.signum() > 0 && off.amount().amount().compareTo(invoice) > 0) {
        doubts.add(
            new Doubt.OfferAboveInvoice(
                offer.name(), off.amount(), plan.name(), list.term(), invoice));
        return;
      }
    }
  }

  /** The touched charges for the least that is sold, for the months an invoice covers. */
  private static BigDecimal smallestInvoice(Plan plan, PriceList list, Offer offer) {
    BigDecimal month =
        list.charges().stream()
            .filter(offer::touches)
            .filter(Charge.Held.class::isInstance)
            .map(Charge.Held.class::cast)
            .map(held -> price(plan, held, Math.max(1, offer.when().leastSeats())))
            .reduce(BigDecimal.ZERO, BigDecimal::add);
    return list.term().payment() == BillingTerm.Payment.UP_FRONT
        ? month.multiply(BigDecimal.valueOf(list.term().monthsCommitted()))
        : month;
  }

  private static BigDecimal price(Plan plan, Charge.Held charge, int units) {
    int held =
        switch (charge) {
          case Charge.Flat flat -> 1;
          case Charge.Counted counted -> plan.paidUnits(counted, units);
        };
    return MonthlyPrice.of(charge, held, PriceBasis.today(plan));
  }

  /** Ten, or the most that is sold if that is less. */
  private static int units(Plan plan, Charge.Held charge) {
    return switch (charge) {
      case Charge.Flat flat -> 1;
      case Charge.Counted counted ->
          Math.min(
              COMPARED,
              Math.min(counted.mostUnits().orElse(COMPARED), plan.range().cap().orElse(COMPARED)));
    };
  }
}
