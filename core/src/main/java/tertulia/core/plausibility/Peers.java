package tertulia.core.plausibility;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import tertulia.core.growth.Measure;
import tertulia.core.money.UnitPrice;
import tertulia.core.pricing.Charge;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.Tool;

/** What a unit costs at the other tools of a work area. */
public record Peers(List<Price> prices) {
  public static final Peers NONE = new Peers(List.of());

  /** Fewer prices than this say nothing about what is usual. */
  private static final int FEWEST = 3;

  public Peers {
    prices = List.copyOf(prices);
  }

  /** What one unit of a measure costs a month. */
  public record Price(Measure measure, UnitPrice price) {}

  /** The unit prices of some tools that are not free; of bands the first that has one. */
  public static Peers of(Stream<Tool> tools) {
    return new Peers(
        tools
            .flatMap(tool -> tool.plans().stream())
            .flatMap(Peers::lists)
            .flatMap(charge -> unitPrice(charge).stream())
            .toList());
  }

  private static Stream<Charge> lists(Plan plan) {
    return plan.charged().stream().flatMap(list -> list.charges().stream());
  }

  /** The price of one unit of a charge; empty if there is none or it is free. */
  static Optional<Price> unitPrice(Charge charge) {
    return switch (charge) {
      case Charge.PerUnit unit -> priced(unit.measure(), Stream.of(unit.price()));
      case Charge.Banded banded ->
          priced(banded.measure(), banded.bands().stream().map(band -> band.unitPrice()));
      case Charge.Flat flat -> Optional.empty();
      case Charge.OneOff once -> Optional.empty();
      case Charge.Usage usage -> Optional.empty();
      case Charge.PaymentFee fee -> Optional.empty();
    };
  }

  private static Optional<Price> priced(Measure measure, Stream<UnitPrice> prices) {
    return prices
        .filter(price -> !price.isFree())
        .findFirst()
        .map(price -> new Price(measure, price));
  }

  /**
   * The median price of a measure in a currency; unlike currencies are not compared. Empty if fewer
   * than three prices are known.
   */
  Optional<UnitPrice> median(Measure measure, CurrencyUnit currency) {
    List<BigDecimal> amounts = new ArrayList<>();
    for (Price price : prices) {
      if (price.measure().equals(measure) && price.price().currency().equals(currency)) {
        amounts.add(price.price().amount());
      }
    }
    if (amounts.size() < FEWEST) {
      return Optional.empty();
    }
    amounts.sort(null);
    BigDecimal low = amounts.get((amounts.size() - 1) / 2);
    BigDecimal high = amounts.get(amounts.size() / 2);
    BigDecimal middle =
        low.add(high)
            .divide(BigDecimal.valueOf(2), MathContext.DECIMAL64)
            .setScale(4, RoundingMode.HALF_UP);
    return Optional.of(new UnitPrice(currency, middle));
  }
}
