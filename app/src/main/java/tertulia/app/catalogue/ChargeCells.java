package tertulia.app.catalogue;

import java.util.ArrayList;
import java.util.List;
import tertulia.app.exchange.ToolSheet;

/** One charge of a sheet as its line and cell in the form. */
final class ChargeCells {
  private ChargeCells() {}

  /** The kind of line a charge stands in. */
  static String kind(ToolSheet.ChargePart charge) {
    return switch (charge) {
      case ToolSheet.FlatPart flat -> "flat";
      case ToolSheet.PerUnitPart unit -> "per-unit";
      case ToolSheet.BandedPart banded -> "banded-" + banded.mode();
      case ToolSheet.OneOffPart once -> once.each() == null ? "one-off" : "one-off-each";
      case ToolSheet.UsagePart usage -> "usage";
      case ToolSheet.PaymentFeePart fee -> "payment-fee";
    };
  }

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
          bands(banded.bands(), h.bands());
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

  private static String range(String low, String high) {
    return low.equals(high) ? low : low + " to " + high;
  }

  private static String bands(List<ToolSheet.BandPart> low, List<ToolSheet.BandPart> high) {
    List<String> lines = new ArrayList<>();
    for (int i = 0; i < low.size(); i++) {
      ToolSheet.BandPart band = low.get(i);
      ToolSheet.BandPart top = high.get(Math.min(i, high.size() - 1));
      lines.add(
          (band.upTo() == null ? "more" : "" + band.upTo())
              + " "
              + range(band.each(), top.each())
              + (band.flat().equals("0") && top.flat().equals("0")
                  ? ""
                  : " " + range(band.flat(), top.flat())));
    }
    return String.join("\n", lines);
  }

  /** Kinds of line whose price is, as a rule, the same whatever the term. */
  static final List<String> ANY_TERM =
      List.of("one-off", "one-off-each", "usage", "payment-fee", "yearly-minimum");

  /** How units are counted, in a cell without prices. */
  static ToolForm.ChargeCell rule(ToolSheet.ChargePart charge) {
    return switch (charge) {
      case ToolSheet.FlatPart flat -> new ToolForm.ChargeCell();
      case ToolSheet.PerUnitPart unit -> rule(unit.minimum(), unit.pack(), unit.included());
      case ToolSheet.BandedPart banded -> rule(banded.minimum(), banded.pack(), banded.included());
      case ToolSheet.OneOffPart once -> new ToolForm.ChargeCell();
      case ToolSheet.UsagePart usage -> {
        ToolForm.ChargeCell cell = new ToolForm.ChargeCell();
        cell.pack = usage.block();
        cell.included = new IncludedText(usage.perAccount(), usage.perSeat(), usage.seats()).text();
        yield cell;
      }
      case ToolSheet.PaymentFeePart fee -> new ToolForm.ChargeCell();
    };
  }

  private static ToolForm.ChargeCell rule(int minimum, int pack, int included) {
    ToolForm.ChargeCell cell = new ToolForm.ChargeCell();
    cell.minimum = minimum == 0 ? "" : "" + minimum;
    cell.pack = pack == 1 ? "" : "" + pack;
    cell.included = included == 0 ? "" : "" + included;
    return cell;
  }
}
