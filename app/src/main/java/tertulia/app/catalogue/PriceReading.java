package tertulia.app.catalogue;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;
import tertulia.app.display.Figures;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.PriceText;
import tertulia.app.exchange.ToolReader;
import tertulia.app.exchange.ToolSheet;
import tertulia.core.money.PriceRise;
import tertulia.core.pricing.Charge;
import tertulia.core.pricing.MonthlyPrice;
import tertulia.core.pricing.PriceBasis;
import tertulia.core.pricing.Tax;
import tertulia.core.working.Ground;
import tertulia.core.working.Provenance;

/** What a price in a cell comes to, said beside it while it is typed. */
final class PriceReading {
  private static final int DECIMALS = 10;
  private static final BigDecimal YEAR = BigDecimal.valueOf(12);

  /** A size inside the first band, as people know them. */
  private static final int INSIDE = 10;

  private static final List<Integer> OPEN_SIZES = List.of(1, INSIDE, 100);
  private static final String NUMBER = "[0-9]+([.][0-9]+)?";

  /** The list as it stands; where it comes from does not change what it comes to. */
  private static final PriceBasis AS_LISTED =
      new PriceBasis(
          Provenance.of(LocalDate.EPOCH, Ground.OTHER), Tax.NOT_INCLUDED, PriceRise.NONE, 0);

  private PriceReading() {}

  /**
   * What it comes to: of a price a month the sum a year, of bands the price of the first sizes, of
   * any other how it was read if it was not written as we write it.
   *
   * @param high the same at the high end of an assumed range
   * @param typed what stands in the cell
   * @param currency a code; an unknown one says nothing
   */
  static Optional<String> of(
      ToolSheet.ChargePart low, ToolSheet.ChargePart high, String typed, String currency) {
    return unit(currency)
        .flatMap(unit ->
            switch (low) {
              case ToolSheet.FlatPart flat ->
                  Optional.of(
                      aYear(flat.price(), ChargeTexts.alike(flat, high).price(), typed, unit));
              case ToolSheet.PerUnitPart each ->
                  Optional.of(
                      aYear(each.price(), ChargeTexts.alike(each, high).price(), typed, unit));
              case ToolSheet.BandedPart banded -> sizes(banded, unit);
              case ToolSheet.OneOffPart once -> asRead(once.price(), typed, unit);
              case ToolSheet.UsagePart usage -> asRead(usage.price(), typed, unit);
              case ToolSheet.PaymentFeePart fee -> Optional.empty();
            });
  }

  private static Optional<CurrencyUnit> unit(String code) {
    try {
      return Optional.of(Codes.currency(code));
    } catch (IllegalArgumentException e) {
      return Optional.empty();
    }
  }

  private static String aYear(String low, String high, String typed, CurrencyUnit unit) {
    String year = times(low, YEAR, unit) + " a year";
    if (!low.equals(high)) {
      return times(low, YEAR, unit) + " to " + times(high, YEAR, unit) + " a year";
    }
    return typed.matches(NUMBER) ? year : times(low, BigDecimal.ONE, unit) + " a month, " + year;
  }

  private static Optional<String> asRead(String price, String typed, CurrencyUnit unit) {
    return typed.matches(NUMBER) || typed.matches(NUMBER + " to " + NUMBER)
        ? Optional.empty()
        : Optional.of("read as " + times(price, BigDecimal.ONE, unit));
  }

  /**
   * So many months of a price, with the decimals of the currency, or as many more as it has;
   * "about" where a share does not come out even.
   */
  private static String times(String text, BigDecimal times, CurrencyUnit unit) {
    PriceText price = PriceText.of(text);
    BigDecimal whole = price.amount().multiply(times);
    BigDecimal months = BigDecimal.valueOf(price.months());
    BigDecimal exact = whole.divide(months, DECIMALS, RoundingMode.HALF_UP).stripTrailingZeros();
    if (exact.multiply(months).compareTo(whole) != 0) {
      return "about " + Figures.money(Money.of(unit, exact, RoundingMode.HALF_UP));
    }
    return exact.scale() <= unit.getDecimalPlaces()
        ? Figures.money(Money.of(unit, exact.setScale(unit.getDecimalPlaces())))
        : exact.toPlainString();
  }

  /** Such as "10 → 90.00, 25 → 90.00, 26 → 179.40 a month". */
  private static Optional<String> sizes(ToolSheet.BandedPart part, CurrencyUnit unit) {
    if (part.bands().isEmpty()) {
      return Optional.empty();
    }
    Charge.Banded banded = (Charge.Banded) ToolReader.charge(part, unit);
    List<String> said = new ArrayList<>();
    for (int size : sizes(part.bands().getFirst().upTo())) {
      int units = banded.rule().paidUnits(size);
      if (banded.mostUnits().isEmpty() || units <= banded.mostUnits().getAsInt()) {
        said.add(
            size
                + " → "
                + Figures.money(
                    Money.of(
                        unit, MonthlyPrice.of(banded, units, AS_LISTED), RoundingMode.HALF_UP)));
      }
    }
    return Optional.of(String.join(", ", said) + " a month");
  }

  private static List<Integer> sizes(@Nullable Integer firstEnd) {
    if (firstEnd == null) {
      return OPEN_SIZES;
    }
    int inside = firstEnd > INSIDE ? INSIDE : 1;
    return firstEnd == inside
        ? List.of(firstEnd, firstEnd + 1)
        : List.of(inside, firstEnd, firstEnd + 1);
  }
}
