package tertulia.app.catalogue;

import tertulia.app.exchange.PriceText;
import tertulia.app.exchange.ToolSheet;

/** One charge of a document as it is typed into a cell of the form. */
final class ChargeTexts {
  private ChargeTexts() {}

  /** The measure a line counts; seats where nothing is counted. */
  static String measure(ToolSheet.ChargePart charge) {
    return switch (charge) {
      case ToolSheet.FlatPart flat -> "seats";
      case ToolSheet.PerUnitPart unit -> unit.measure();
      case ToolSheet.BandedPart banded -> banded.measure();
      case ToolSheet.OneOffPart once -> once.each() == null ? "seats" : once.each();
      case ToolSheet.UsagePart usage -> usage.measure();
      case ToolSheet.PaymentFeePart fee -> fee.measure();
    };
  }

  /** A price as typed. */
  static String price(PriceLine.Price price) {
    return switch (price) {
      case PriceLine.Price.Charged charged -> price(charged.low(), charged.high());
      case PriceLine.Price.Minimum minimum -> minimum.amount();
    };
  }

  /**
   * The price as typed: a number, bands one a line, or "2.65 % + 0.18"; with another end each
   * number that differs is a range, like "8 to 14".
   *
   * @throws IllegalArgumentException if the ends are not priced in the same way
   */
  static String price(ToolSheet.ChargePart low, ToolSheet.ChargePart high) {
    return switch (low) {
      case ToolSheet.FlatPart flat -> range(flat.price(), alike(flat, high).price());
      case ToolSheet.PerUnitPart unit -> range(unit.price(), alike(unit, high).price());
      case ToolSheet.BandedPart banded ->
          String.join("\n", BandText.lines(banded, alike(banded, high)));
      case ToolSheet.OneOffPart once -> range(once.price(), alike(once, high).price());
      case ToolSheet.UsagePart usage -> range(usage.price(), alike(usage, high).price());
      case ToolSheet.PaymentFeePart fee ->
          range(fee.percent(), alike(fee, high).percent())
              + " % + "
              + range(fee.fixed(), alike(fee, high).fixed());
    };
  }

  /**
   * The high end of a range, priced as the low one is.
   *
   * @throws IllegalArgumentException if it is not
   */
  @SuppressWarnings("unchecked")
  static <T extends ToolSheet.ChargePart> T alike(T low, ToolSheet.ChargePart high) {
    if (low.getClass() != high.getClass()) {
      throw new IllegalArgumentException(
          "\"" + low.name() + "\" is priced in two ways at the two ends of a range.");
    }
    return (T) high;
  }

  static String range(String low, String high) {
    return PriceText.range(low, high);
  }

  /** How units are counted. */
  static ChargePlaces.Rule rule(ToolSheet.ChargePart charge) {
    return switch (charge) {
      case ToolSheet.FlatPart flat -> ChargePlaces.Rule.NONE;
      case ToolSheet.PerUnitPart unit -> rule(unit.minimum(), unit.pack(), unit.included());
      case ToolSheet.BandedPart banded -> rule(banded.minimum(), banded.pack(), banded.included());
      case ToolSheet.OneOffPart once -> ChargePlaces.Rule.NONE;
      case ToolSheet.UsagePart usage ->
          new ChargePlaces.Rule(
              "",
              usage.block(),
              new IncludedText(usage.perAccount(), usage.perSeat(), usage.seats()).text());
      case ToolSheet.PaymentFeePart fee -> ChargePlaces.Rule.NONE;
    };
  }

  private static ChargePlaces.Rule rule(int minimum, int pack, int included) {
    return new ChargePlaces.Rule(
        minimum == 0 ? "" : "" + minimum,
        pack == 1 ? "" : "" + pack,
        included == 0 ? "" : "" + included);
  }
}
