package tertulia.core.billing;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalInt;
import java.util.stream.IntStream;
import org.joda.money.Money;
import tertulia.core.money.Rounding;
import tertulia.core.pricing.Charge;
import tertulia.core.pricing.MonthlyPrice;
import tertulia.core.pricing.PriceBasis;
import tertulia.core.working.Quantity;
import tertulia.core.working.Working;

/**
 * One charge on one invoice, all its bands, units and months: (monthly price of the units − what is
 * invoiced already) × months, rounded once.
 *
 * @param charge at the price of the term's start
 * @param basis how list prices become the prices in force
 * @param needed units needed when it was invoiced; the same as units for a flat charge
 * @param units units paid for
 * @param already highest monthly price already invoiced in this term, exact; 0 at its start
 * @param months how many months the line covers
 */
public record InvoiceLine(
    Charge charge, PriceBasis basis, int needed, int units, BigDecimal already, int months) {

  /** The line's amount, rounded half-up to the minor unit. */
  public Money amount() {
    BigDecimal exact =
        MonthlyPrice.of(charge, units, basis)
            .subtract(already)
            .multiply(BigDecimal.valueOf(months));
    return Rounding.toMinorUnit(exact, charge.currency());
  }

  /** The working of {@link #amount}. */
  public Working explain() {
    String currency = charge.currency().getCode();
    Working monthly = MonthlyPrice.explain(charge, units, basis);
    if (already.signum() != 0) {
      monthly =
          Working.Sum.of(
              "More a month",
              currency,
              List.of(
                  monthly,
                  new Working.Entered(
                      "already invoiced a month in this term",
                      new Quantity(already.negate(), currency))));
    }
    Working exact =
        months == 1
            ? monthly
            : Working.Product.of(
                "before rounding",
                currency,
                List.of(monthly, new Working.Entered("months", Quantity.of(months, "months"))));
    return new Working.Derived(charge.name(), Quantity.of(amount()), rule(exact), List.of(exact));
  }

  private String rule(Working exact) {
    boolean rounded =
        exact.value().map(q -> q.amount().compareTo(amount().getAmount()) != 0).orElse(false);
    List<String> words = new ArrayList<>();
    if (charge instanceof Charge.Counted) {
      words.add(unitsWords());
    }
    if (rounded) {
      words.add("rounded half-up to the minor unit");
    }
    return words.isEmpty() ? "for the account" : String.join("; ", words);
  }

  private String unitsWords() {
    return switch (charge) {
      case Charge.Flat flat -> "";
      case Charge.Counted counted -> {
        String rule = counted.rule().words();
        yield needed
            + " "
            + counted.measure().label()
            + " needed"
            + (rule.isEmpty() ? "" : " (" + rule + ")")
            + ", "
            + units
            + " paid for";
      }
    };
  }

  /**
   * The next number of units, at most half as many again, that would cost less than those paid for,
   * as whole bands can; empty if there is none.
   */
  public OptionalInt cheaperWithMore() {
    if (!(charge instanceof Charge.Banded banded)) {
      return OptionalInt.empty();
    }
    BigDecimal now = MonthlyPrice.of(charge, units, basis);
    int most = Math.min(units + units / 2, banded.mostUnits().orElse(Integer.MAX_VALUE));
    return IntStream.rangeClosed(units + 1, most)
        .filter(more -> MonthlyPrice.of(charge, more, basis).compareTo(now) < 0)
        .findFirst();
  }
}
