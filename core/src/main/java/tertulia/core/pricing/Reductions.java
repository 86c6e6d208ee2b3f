package tertulia.core.pricing;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import tertulia.core.working.Derivation;
import tertulia.core.working.Quantity;

/**
 * Offers resolved: what is taken off a charge in one month, in the order in which it counts: free,
 * fixed, percents one after the other.
 */
public record Reductions(List<Offer> inForce) {
  public static final Reductions NONE = new Reductions(List.of());

  public Reductions {
    inForce = List.copyOf(inForce);
  }

  /** What {@code offers} take off {@code charge} in a month with the tool, counted from 0. */
  public static Reductions of(List<Offer> offers, Charge charge, int month) {
    List<Offer> inForce = new ArrayList<>();
    for (int rank = 0; rank < 3; rank++) {
      for (Offer offer : offers) {
        if (rank(offer) == rank && offer.holdsIn(month) && offer.touches(charge)) {
          inForce.add(offer);
        }
      }
    }
    return inForce.isEmpty() ? NONE : new Reductions(inForce);
  }

  /** Amounts off invoices are no reduction of a charge; they rank behind all. */
  private static int rank(Offer offer) {
    return switch (offer.benefit()) {
      case Offer.Benefit.Free free -> 0;
      case Offer.Benefit.Fixed fixed -> 1;
      case Offer.Benefit.Percent percent -> 2;
      case Offer.Benefit.AmountOff amount -> 3;
    };
  }

  /**
   * The price a month that is left of {@code list}.
   *
   * @param units units it is paid for; 1 for an account
   */
  public BigDecimal apply(BigDecimal list, BigDecimal units) {
    BigDecimal left = list;
    for (Offer offer : inForce) {
      left =
          switch (offer.benefit()) {
            case Offer.Benefit.Free free -> BigDecimal.ZERO;
            case Offer.Benefit.Fixed fixed -> left.min(fixed.price().amount().multiply(units));
            case Offer.Benefit.Percent percent ->
                left.multiply(BigDecimal.ONE.subtract(percent.off()));
            case Offer.Benefit.AmountOff amount -> left;
          };
    }
    return left;
  }

  /** The working of {@link #apply}; {@code list} itself if nothing is taken off. */
  public Derivation explain(Derivation list, BigDecimal units) {
    if (inForce.isEmpty()) {
      return list;
    }
    Quantity before = list.value().orElseThrow();
    return new Derivation.Derived(
        "after offers",
        new Quantity(apply(before.amount(), units), before.unit(), before.one()),
        inForce.stream()
            .map(offer -> offer.name() + ": " + offer.words())
            .collect(Collectors.joining("; ")),
        List.of(list));
  }
}
