package tertulia.core.pricing;

import static java.util.Objects.requireNonNull;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import tertulia.core.money.PriceRise;
import tertulia.core.money.UnitPrice;
import tertulia.core.working.Derivation;
import tertulia.core.working.Provenance;
import tertulia.core.working.Quantity;

/**
 * Turns a list price into the price in force: where it comes from and how often it has risen.
 *
 * @param source date and origin of the list price
 * @param tax what the list price holds
 * @param years yearly rises so far, 0 or more
 */
public record PriceBasis(Provenance source, Tax tax, PriceRise rise, int years) {
  public PriceBasis {
    requireNonNull(source);
    requireNonNull(tax);
    requireNonNull(rise);
  }

  /** Today's list of a plan, not raised. */
  public static PriceBasis today(Plan plan) {
    return new PriceBasis(plan.source(), plan.tax(), PriceRise.NONE, 0);
  }

  /**
   * The list of a plan in force in plan month {@code m}, raised once for every full year of its
   * page.
   */
  public static PriceBasis inMonth(Plan plan, PriceRise rise, int m) {
    return after(plan, rise, plan.inForce().years(m));
  }

  /** The list of a plan after so many yearly rises. */
  public static PriceBasis after(Plan plan, PriceRise rise, int years) {
    return new PriceBasis(plan.source(), plan.tax(), plan.inForce().rise().orElse(rise), years);
  }

  /** The price in force, to four decimals. */
  public UnitPrice price(UnitPrice list) {
    return list.raised(rise, years);
  }

  /** The working of {@link #price}. */
  public Derivation explain(String label, UnitPrice list) {
    if (list.months() > 1) {
      return share(label, stated("price " + list.period(), list), price(list));
    }
    return stated(label, list);
  }

  /** A month's share of a price that is stated for several. */
  private static Derivation share(String label, Derivation stated, UnitPrice inForce) {
    return new Derivation.Derived(
        label,
        quantity(inForce.amount(), inForce),
        "1/" + inForce.months() + " of it",
        List.of(stated));
  }

  /** The price in force for as long as it is stated for. */
  private Derivation stated(String label, UnitPrice list) {
    Derivation entered =
        new Derivation.Entered(label, quantity(list.stated(), list), Optional.of(source));
    if (rise.isNone() || years == 0) {
      return entered;
    }
    return new Derivation.Derived(
        label,
        quantity(price(list).stated(), list),
        "list price after "
            + years
            + (years == 1 ? " rise of " : " rises of ")
            + rise.perYear().movePointRight(2).stripTrailingZeros().toPlainString()
            + " %, rounded half-up to 4 decimals",
        List.of(entered));
  }

  private static Quantity quantity(BigDecimal amount, UnitPrice price) {
    return new Quantity(amount, price.currency().getCode());
  }
}
