package tertulia.core.pricing;

import static java.util.Objects.requireNonNull;

import java.util.List;
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

  /**
   * Refuses bands that do not follow one another.
   *
   * @throws IllegalArgumentException with the number of the band
   */
  static void check(List<Band> bands) {
    if (bands.isEmpty()) {
      throw new IllegalArgumentException("A banded price needs at least one band.");
    }
    int before = 0;
    for (int i = 0; i < bands.size(); i++) {
      Band band = bands.get(i);
      if (!band.unitPrice().currency().equals(bands.getFirst().unitPrice().currency())) {
        throw new IllegalArgumentException("All bands of a price have one currency.");
      }
      if (band.end().isEmpty() && i < bands.size() - 1) {
        throw new IllegalArgumentException(
            "Band "
                + (i + 1)
                + " has no end but band "
                + (i + 2)
                + " follows. Give it an end or make it the last.");
      }
      if (band.end().isPresent() && band.end().getAsInt() <= before) {
        throw new IllegalArgumentException(
            "Band "
                + (i + 1)
                + " ends at "
                + band.end().getAsInt()
                + " units but band "
                + i
                + " ends at "
                + before
                + ". Reorder the bands.");
      }
      before = band.end().orElse(Integer.MAX_VALUE);
    }
  }
}
