package tertulia.core.path;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.joda.money.Money;
import tertulia.core.billing.Biller;
import tertulia.core.billing.CostTiming;
import tertulia.core.billing.Ledger;
import tertulia.core.billing.Purchase;
import tertulia.core.deadline.Deadline;
import tertulia.core.money.ExchangeRate;
import tertulia.core.pricing.Offer;

/**
 * The cheapest permitted combination of offers for one purchase. An offer never makes anything
 * dearer, so all that exclude no other are used, and of each group the member with which the total
 * is least.
 *
 * @param used in the tool's order
 * @param refused why not, by name of the offer
 */
record OfferChoice(Ledger ledger, List<Offer> used, Map<String, String> refused) {

  static OfferChoice cheapest(
      Purchase purchase,
      List<Offer> offers,
      boolean ownsTool,
      Optional<ExchangeRate> rate,
      CostTiming view) {
    if (offers.isEmpty()) {
      return new OfferChoice(Biller.bill(purchase, rate), List.of(), Map.of());
    }
    Map<String, String> refused = new LinkedHashMap<>();
    List<Offer> permitted = new ArrayList<>();
    Offer.Buyer buyer = purchase.buyer(ownsTool);
    for (Offer offer : offers) {
      offer
          .refusal(buyer)
          .or(() -> otherCurrency(offer, purchase))
          .ifPresentOrElse(why -> refused.put(offer.name(), why), () -> permitted.add(offer));
    }
    OfferChoice best = null;
    for (List<Offer> combination : combinations(permitted)) {
      Deadline.check(() -> "what the offers for " + purchase.plan().name() + " come to");
      Ledger ledger = Biller.bill(purchase.with(combination), rate);
      if (best == null || ledger.total(view).isLessThan(best.ledger.total(view))) {
        best = new OfferChoice(ledger, combination, refused);
      }
    }
    return java.util.Objects.requireNonNull(best).named(permitted, purchase, rate, view);
  }

  /** Says why permitted offers are not used, and drops those that change nothing. */
  private OfferChoice named(
      List<Offer> permitted, Purchase purchase, Optional<ExchangeRate> rate, CostTiming view) {
    Map<String, String> why = new LinkedHashMap<>(refused);
    List<Offer> useful = new ArrayList<>();
    Money total = ledger.total(view);
    for (Offer offer : permitted) {
      if (!used.contains(offer)) {
        why.put(offer.name(), "excluded by another offer of group \"" + offer.group() + "\"");
      } else if (without(offer, purchase, rate).total(view).isEqual(total)) {
        why.put(offer.name(), "changes nothing here");
      } else {
        useful.add(offer);
      }
    }
    return new OfferChoice(ledger, useful, why);
  }

  private Ledger without(Offer offer, Purchase purchase, Optional<ExchangeRate> rate) {
    return Biller.bill(
        purchase.with(used.stream().filter(other -> !other.equals(offer)).toList()), rate);
  }

  static Optional<String> otherCurrency(Offer offer, Purchase purchase) {
    return offer
        .benefit()
        .currency()
        .filter(currency -> !currency.equals(purchase.list().currency()))
        .map(currency -> "is in " + currency + ", the prices are in " + purchase.list().currency());
  }

  /** All offers without a group with one member of each group, in the offers' order. */
  static List<List<Offer>> combinations(List<Offer> permitted) {
    Map<String, List<Offer>> groups = new LinkedHashMap<>();
    for (Offer offer : permitted) {
      String group = offer.group();
      if (group != null) {
        groups.computeIfAbsent(group, g -> new ArrayList<>()).add(offer);
      }
    }
    List<List<Offer>> chosen = new ArrayList<>();
    chosen.add(permitted.stream().filter(offer -> offer.group() == null).toList());
    for (List<Offer> group : groups.values()) {
      List<List<Offer>> longer = new ArrayList<>();
      for (List<Offer> before : chosen) {
        for (Offer member : group) {
          List<Offer> with = new ArrayList<>(before);
          with.add(member);
          longer.add(with);
        }
      }
      chosen = longer;
    }
    return chosen.stream()
        .map(offers -> permitted.stream().filter(offers::contains).toList())
        .toList();
  }
}
