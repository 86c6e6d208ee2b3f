package tertulia.core.pricing;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import tertulia.core.growth.Measure;
import tertulia.core.money.UnitPrice;
import tertulia.core.working.Derivation;
import tertulia.core.working.Quantity;

/** The exact price a month of what is held, before rounding, and its working. */
public final class MonthlyPrice {
  private static final String EACH = "price each, a month";

  private MonthlyPrice() {}

  /**
   * The exact monthly price of {@code units} paid units; for a flat charge 1 is the account and 0
   * an account that is paid for already.
   *
   * @throws IllegalArgumentException if a banded price has no band for so many units
   */
  public static BigDecimal of(Charge.Held charge, int units, PriceBasis basis) {
    return switch (charge) {
      case Charge.Flat flat -> times(basis.price(flat.price()), Math.min(units, 1));
      case Charge.PerUnit perUnit -> times(basis.price(perUnit.price()), units);
      case Charge.Banded banded -> banded(banded, units, basis);
    };
  }

  /** The working of {@link #of}: a line that yields the same amount. */
  public static Derivation explain(Charge.Held charge, int units, PriceBasis basis) {
    return switch (charge) {
      case Charge.Flat flat -> flatLine(flat, units, basis);
      case Charge.PerUnit perUnit ->
          perUnitLine(
              charge.name(), perUnit.measure(), units, basis.explain(EACH, perUnit.price()));
      case Charge.Banded banded -> explainBanded(banded, units, basis);
    };
  }

  private static Derivation flatLine(Charge.Flat flat, int units, PriceBasis basis) {
    Derivation price = basis.explain("price a month", flat.price());
    return units > 0
        ? price
        : Derivation.Product.of(
            flat.name(),
            flat.currency().getCode(),
            List.of(price, new Derivation.Entered("owned already", Quantity.of(0, "accounts"))));
  }

  private static BigDecimal banded(Charge.Banded banded, int units, PriceBasis basis) {
    BigDecimal sum = BigDecimal.ZERO;
    for (Slice slice : slices(banded, units)) {
      sum =
          sum.add(times(basis.price(slice.band().unitPrice()), slice.units()))
              .add(basis.price(slice.band().flatPrice()).amount());
    }
    return sum;
  }

  private static Derivation explainBanded(Charge.Banded banded, int units, PriceBasis basis) {
    String currency = banded.currency().getCode();
    List<Derivation> lines = new ArrayList<>();
    for (Slice slice : slices(banded, units)) {
      if (!slice.band().unitPrice().isFree()) {
        lines.add(
            perUnitLine(
                slice.label(),
                banded.measure(),
                slice.units(),
                basis.explain(EACH, slice.band().unitPrice())));
      }
      if (!slice.band().flatPrice().isFree()) {
        lines.add(basis.explain(slice.label() + ", flat", slice.band().flatPrice()));
      }
    }
    return Derivation.Sum.of(
        banded.name() + ", " + banded.mode().words() + " bands", currency, lines);
  }

  /** The bands that count for {@code units}, each with the units it prices. */
  private static List<Slice> slices(Charge.Banded banded, int units) {
    if (units == 0) {
      return List.of();
    }
    List<Slice> reached = new ArrayList<>();
    int before = 0;
    for (Band band : banded.bands()) {
      int last = band.holds(units) ? units : band.end().getAsInt();
      switch (banded.mode()) {
        case SLICED -> reached.add(new Slice(band, before + 1, last - before));
        case WHOLE -> {
          if (band.holds(units)) {
            reached.add(new Slice(band, before + 1, units));
          }
        }
      }
      if (band.holds(units)) {
        return reached;
      }
      before = last;
    }
    throw new IllegalArgumentException(
        banded.name() + " has no band for " + units + " units; the last ends at " + before + ".");
  }

  private static BigDecimal times(UnitPrice price, int units) {
    return price.amount().multiply(BigDecimal.valueOf(units));
  }

  private static Derivation perUnitLine(
      String label, Measure measure, int units, Derivation price) {
    return Derivation.Product.of(
        label,
        price.value().orElseThrow().unit(),
        List.of(
            new Derivation.Entered("paid for", measure.quantity(BigDecimal.valueOf(units))),
            price));
  }

  private record Slice(Band band, int from, int units) {
    String label() {
      return band.end().isPresent()
          ? "Band " + from + " to " + band.end().getAsInt()
          : "Band from " + from;
    }
  }
}
