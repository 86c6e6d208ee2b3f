package tertulia.core.pricing;

import static java.util.Objects.requireNonNull;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import org.joda.money.CurrencyUnit;
import tertulia.core.growth.Measure;
import tertulia.core.money.UnitPrice;

/** One thing a plan charges for. */
public sealed interface Charge {
  /** What the price page calls it. */
  String name();

  CurrencyUnit currency();

  /** The measures whose demand must be known to price it. */
  List<Measure> measures();

  /** A price a month of what is held. */
  sealed interface Held extends Charge {}

  /** A charge for units held of a measure. */
  sealed interface Counted extends Held {
    Measure measure();

    UnitRule rule();

    /** The most units this charge has a price for; empty if there is no end. */
    OptionalInt mostUnits();

    @Override
    default List<Measure> measures() {
      return List.of(measure());
    }
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
      Band.check(bands);
    }

    @Override
    public CurrencyUnit currency() {
      return bands.getFirst().unitPrice().currency();
    }

    @Override
    public OptionalInt mostUnits() {
      return bands.getLast().end();
    }
  }

  /** A price for the account, whatever is used. */
  record Flat(String name, UnitPrice price) implements Held {
    public Flat {
      checkName(name);
      requireNonNull(price);
    }

    @Override
    public CurrencyUnit currency() {
      return price.currency();
    }

    @Override
    public List<Measure> measures() {
      return List.of();
    }
  }

  /**
   * A price paid once for a plan, when first taken, and never again on renewal or return.
   *
   * @param each the measure it is paid for each unit of, then for the highest number so far; empty:
   *     once for the account
   */
  record OneOff(String name, UnitPrice price, Optional<Measure> each) implements Charge {
    public OneOff {
      checkName(name);
      checkNotByTheMonth(name, price);
      requireNonNull(each);
    }

    @Override
    public CurrencyUnit currency() {
      return price.currency();
    }

    @Override
    public List<Measure> measures() {
      return each.map(List::of).orElse(List.of());
    }
  }

  /**
   * What is used above an allowance, in started blocks, billed for the month whatever the term.
   *
   * @param included the allowance that costs nothing extra
   * @param block units sold together; above 0
   * @param price of a block
   */
  record Usage(String name, Measure measure, Included included, BigDecimal block, UnitPrice price)
      implements Charge {
    public Usage {
      checkName(name);
      requireNonNull(measure);
      requireNonNull(included);
      checkNotByTheMonth(name, price);
      if (block.signum() <= 0 || block.compareTo(BigDecimal.valueOf(1_000_000_000)) > 0) {
        throw new IllegalArgumentException(
            "A block of "
                + measure.label()
                + " lies above 0 and at most at 1,000,000,000; found "
                + block.toPlainString()
                + ".");
      }
    }

    @Override
    public CurrencyUnit currency() {
      return price.currency();
    }

    @Override
    public List<Measure> measures() {
      return included.perSeat().signum() == 0
          ? List.of(measure)
          : List.of(measure, included.seats());
    }
  }

  /**
   * What the maker keeps of payments that pass through the tool: payments × (average value × share
   * + fixed), billed for the month.
   *
   * @param share of the value as a fraction, 0 to 1: 0.0265 is 2.65 %
   * @param fixed for each payment
   */
  record PaymentFee(String name, Measure payments, BigDecimal share, UnitPrice fixed)
      implements Charge {
    public PaymentFee {
      checkName(name);
      requireNonNull(payments);
      checkNotByTheMonth(name, fixed);
      if (share.signum() < 0 || share.compareTo(BigDecimal.ONE) > 0) {
        throw new IllegalArgumentException(
            "A share of each payment lies between 0 and 100 %; found "
                + share.movePointRight(2).toPlainString()
                + " %.");
      }
    }

    @Override
    public CurrencyUnit currency() {
      return fixed.currency();
    }

    @Override
    public List<Measure> measures() {
      return List.of(payments);
    }
  }

  /** What it is a price of; not what an allowance of it goes by. */
  default List<Measure> counts() {
    return this instanceof Usage usage ? List.of(usage.measure()) : measures();
  }

  /** Whether it says that nothing is charged, however much there is. */
  default boolean isNothing() {
    return switch (this) {
      case PerUnit p -> p.price().isFree();
      case Banded b ->
          b.mostUnits().isEmpty()
              && b.bands().stream()
                  .allMatch(band -> band.unitPrice().isFree() && band.flatPrice().isFree());
      case Flat f -> f.price().isFree();
      case OneOff o -> o.price().isFree();
      case Usage u -> u.price().isFree();
      case PaymentFee f -> f.share().signum() == 0 && f.fixed().isFree();
    };
  }

  /** This charge at so much of its list price; shares of payments stay as they are. */
  default Charge times(BigDecimal part) {
    return switch (this) {
      case PerUnit p -> new PerUnit(p.name(), p.measure(), p.price().times(part), p.rule());
      case Banded b ->
          new Banded(
              b.name(),
              b.measure(),
              b.mode(),
              b.bands().stream()
                  .map(band ->
                      new Band(
                          band.upTo(), band.unitPrice().times(part), band.flatPrice().times(part)))
                  .toList(),
              b.rule());
      case Flat f -> new Flat(f.name(), f.price().times(part));
      case OneOff o -> new OneOff(o.name(), o.price().times(part), o.each());
      case Usage u ->
          new Usage(u.name(), u.measure(), u.included(), u.block(), u.price().times(part));
      case PaymentFee f -> new PaymentFee(f.name(), f.payments(), f.share(), f.fixed().times(part));
    };
  }

  private static void checkNotByTheMonth(String name, UnitPrice price) {
    if (price.months() != 1) {
      throw new IllegalArgumentException(
          "\""
              + name
              + "\" is paid once or by use, so it has no price "
              + price.period()
              + ". Write the amount alone.");
    }
  }

  private static void checkName(String name) {
    if (name.isBlank()) {
      throw new IllegalArgumentException("A charge needs a name, as on the price page.");
    }
  }
}
