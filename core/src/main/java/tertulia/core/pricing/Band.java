package tertulia.core.pricing;

import static java.util.Objects.requireNonNull;

import java.util.OptionalInt;
import org.jspecify.annotations.Nullable;
import tertulia.core.money.UnitPrice;

/**
 * A stretch of units with its own price. It starts where the one before it ends.
 *
 * @param upTo last unit of the band; null: open
 * @param unitPrice for each unit, a month
 * @param flatPrice once for the band, a month
 */
public record Band(@Nullable Integer upTo, UnitPrice unitPrice, UnitPrice flatPrice) {
  public Band {
    requireNonNull(unitPrice);
    requireNonNull(flatPrice);
    if (!unitPrice.currency().equals(flatPrice.currency())) {
      throw new IllegalArgumentException(
          "A band has one currency; found "
              + unitPrice.currency()
              + " and "
              + flatPrice.currency()
              + ".");
    }
    if (upTo != null && (upTo < 1 || upTo > 1_000_000)) {
      throw new IllegalArgumentException(
          "A band ends at 1 to 1,000,000 units; found " + upTo + ".");
    }
  }

  public OptionalInt end() {
    return upTo == null ? OptionalInt.empty() : OptionalInt.of(upTo);
  }

  boolean holds(int units) {
    return upTo == null || units <= upTo;
  }
}
