package tertulia.app.catalogue;

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
      case ToolSheet.FlatPart flat when high instanceof ToolSheet.FlatPart h ->
          range(flat.price(), h.price());
      case ToolSheet.PerUnitPart unit when high instanceof ToolSheet.PerUnitPart h ->
          range(unit.price(), h.price());
      case ToolSheet.BandedPart banded when high instanceof ToolSheet.BandedPart h ->
          String.join("\n", BandText.lines(banded, h));
      case ToolSheet.OneOffPart once when high instanceof ToolSheet.OneOffPart h ->
          range(once.price(), h.price());
      case ToolSheet.UsagePart usage when high instanceof ToolSheet.UsagePart h ->
          range(usage.price(), h.price());
      case ToolSheet.PaymentFeePart fee when high instanceof ToolSheet.PaymentFeePart h ->
          range(fee.percent(), h.percent()) + " % + " + range(fee.fixed(), h.fixed());
      case ToolSheet.ChargePart other ->
          throw new IllegalArgumentException(
              "\"" + other.name() + "\" is priced in two ways at the two ends of a range.");
    };
  }

  static String range(String low, String high) {
    return low.equals(high) ? low : low + " to " + high;
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
