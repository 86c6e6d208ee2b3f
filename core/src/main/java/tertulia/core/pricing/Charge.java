package tertulia.core.pricing;

import static java.util.Objects.requireNonNull;

import java.util.List;
import java.util.OptionalInt;
import org.joda.money.CurrencyUnit;
import tertulia.core.growth.Measure;
import tertulia.core.money.UnitPrice;

/** One thing a plan charges for, as a price a month. */
public sealed interface Charge {
  /** What the price page calls it. */
  String name();

  CurrencyUnit currency();

  /** A charge for units of a measure. */
  sealed interface Counted extends Charge {
    Measure measure();

    UnitRule rule();

    /** The most units this charge has a price for; empty if there is no end. */
    OptionalInt mostUnits();
  }

  /** price × units. */
  record PerUnit(String name, Measure measure, UnitPrice price, UnitRule rule) implements Counted {
    public PerUnit {
      checkName(name);
      requireNonNull(measure);
      requireNonNull(price);
      requireNonNull(rule);
    }

    @Override
    public CurrencyUnit currency() {
      return price.currency();
    }

    @Override
    public OptionalInt mostUnits() {
      return OptionalInt.empty();
    }
  }

  /** A price that depends on the band the units fall in. */
  record Banded(String name, Measure measure, BandMode mode, List<Band> bands, UnitRule rule)
      implements Counted {
    public Banded {
      checkName(name);
      requireNonNull(measure);
      requireNonNull(mode);
      requireNonNull(rule);
      bands = List.copyOf(bands);
      checkBands(bands);
    }

    @Override
    public CurrencyUnit currency() {
      return bands.getFirst().unitPrice().currency();
    }

    @Override
    public OptionalInt mostUnits() {
      return bands.getLast().end();
    }

    private static void checkBands(List<Band> bands) {
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

  /** A price for the account, whatever is used. */
  record Flat(String name, UnitPrice price) implements Charge {
    public Flat {
      checkName(name);
      requireNonNull(price);
    }

    @Override
    public CurrencyUnit currency() {
      return price.currency();
    }
  }

  private static void checkName(String name) {
    if (name.isBlank()) {
      throw new IllegalArgumentException("A charge needs a name, as on the price page.");
    }
  }
}
