package tertulia.app.workbook;

import static tertulia.app.workbook.Rounded.exact;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalInt;
import tertulia.core.money.UnitPrice;
import tertulia.core.path.Option;
import tertulia.core.pricing.Band;
import tertulia.core.pricing.BandMode;
import tertulia.core.pricing.Charge;
import tertulia.core.pricing.Offer;
import tertulia.core.pricing.Reductions;

/**
 * Formulas for the prices of one tool's charges; list prices are inputs.
 *
 * @param tool the tool's name, in the labels of inputs
 * @param rise the cell of the yearly rise of list prices
 */
record Prices(Inputs inputs, String tool, String rise) {
  private String label(Option option, String charge, String part) {
    return tool + ", " + option.label() + ", " + charge + ": " + part;
  }

  private static String source(Option option) {
    return "as of "
        + option.plan().source().asOf()
        + ", "
        + option.plan().source().ground().words();
  }

  /** A list price in force after so many yearly rises. */
  String inForce(Option option, String charge, String part, UnitPrice list, int years) {
    String cell =
        inputs.of(
            label(option, charge, stated(part, list) + ", " + list.currency()),
            list.stated(),
            source(option));
    String stated =
        years == 0 ? cell : "ROUND(ROUND(" + cell + "*(1+" + rise + ")^" + years + ",10),4)";
    return list.months() == 1 ? stated : "(" + stated + "/" + list.months() + ")";
  }

  private static String stated(String part, UnitPrice list) {
    return list.months() == 1 ? part : part.replace(" a month", "") + " " + list.period();
  }

  String number(Option option, String charge, String part, BigDecimal value) {
    return inputs.of(label(option, charge, part), value, source(option));
  }

  String number(Option option, String charge, String part, int value) {
    return number(option, charge, part, BigDecimal.valueOf(value));
  }

  /** The price a month of {@code units} units held. */
  String monthly(Option option, Charge.Held charge, String units, int years) {
    return switch (charge) {
      case Charge.Flat flat ->
          inForce(option, flat.name(), "price a month", flat.price(), years)
              + "*MIN("
              + units
              + ",1)";
      case Charge.PerUnit perUnit ->
          inForce(option, perUnit.name(), "price each", perUnit.price(), years) + "*" + units;
      case Charge.Banded banded -> banded(option, banded, units, years);
    };
  }

  private String banded(Option option, Charge.Banded charge, String units, int years) {
    List<String> slices = new ArrayList<>();
    StringBuilder whole = new StringBuilder("IF(" + units + "=0,0,");
    String before = "0";
    int depth = 1;
    for (int i = 0; i < charge.bands().size(); i++) {
      Band band = charge.bands().get(i);
      String name = "band " + (i + 1);
      String each = inForce(option, charge.name(), name + " each", band.unitPrice(), years);
      String flat = inForce(option, charge.name(), name + " flat", band.flatPrice(), years);
      OptionalInt end = band.end();
      if (end.isEmpty()) {
        slices.add(
            "IF(" + units + ">" + before + ",(" + units + "-" + before + ")*" + each + "+" + flat
                + ",0)");
        whole.append(units).append('*').append(each).append('+').append(flat);
      } else {
        String last = number(option, charge.name(), name + " up to", end.getAsInt());
        slices.add(
            "IF(" + units + ">" + before + ",(MIN(" + units + "," + last + ")-" + before + ")*"
                + each + "+" + flat + ",0)");
        whole
            .append("IF(")
            .append(units)
            .append("<=")
            .append(last)
            .append(',')
            .append(units)
            .append('*')
            .append(each)
            .append('+')
            .append(flat)
            .append(',');
        depth++;
        before = last;
        if (i == charge.bands().size() - 1) {
          whole.append("NA()");
        }
      }
    }
    whole.append(")".repeat(depth));
    return charge.mode() == BandMode.SLICED
        ? "(" + String.join("+", slices) + ")"
        : whole.toString();
  }

  /** What offers leave of a price. */
  String after(Reductions reductions, String price, String units) {
    String left = price;
    for (Offer offer : reductions.inForce()) {
      String label = tool + ", offer " + offer.name();
      left =
          switch (offer.benefit()) {
            case Offer.Benefit.Free free -> "0";
            case Offer.Benefit.Fixed fixed ->
                "MIN("
                    + left
                    + ","
                    + inputs.of(label + ": fixed price", fixed.price().amount(), offer.words())
                    + "*"
                    + units
                    + ")";
            case Offer.Benefit.Percent percent ->
                "("
                    + left
                    + ")*(1-"
                    + inputs.of(label + ": part off", percent.off(), offer.words())
                    + ")";
            case Offer.Benefit.AmountOff amount -> left;
          };
    }
    return left;
  }

  /** An amount without the tax that list prices of a plan hold. */
  String untaxed(Option option, String amount) {
    return option.plan().tax().isIncluded()
        ? "("
            + amount
            + ")/(1+"
            + inputs.of(
                tool + ", " + option.plan().name() + ": tax held in its prices",
                option.plan().tax().included(),
                "as a fraction")
            + ")"
        : amount;
  }

  /** Units to pay for at a demand if nothing is owned: the least, what is included and packs. */
  String paid(Option option, Charge.Counted charge, String demand) {
    String included = number(option, charge.name(), "included", charge.rule().included());
    boolean ranged =
        option.plan().range().measure().equals(charge.measure())
            && option.plan().range().least() > 0;
    String needed =
        ranged
            ? "MAX("
                + number(option, charge.name(), "sold from", option.plan().range().least())
                + ","
                + demand
                + ")"
            : demand;
    String units =
        "MAX("
            + number(option, charge.name(), "least", charge.rule().minimum())
            + ","
            + needed
            + "-"
            + included
            + ",0)";
    return charge.rule().pack() == 1
        ? units
        : "CEILING("
            + units
            + ","
            + number(option, charge.name(), "pack", charge.rule().pack())
            + ")";
  }

  /** Blocks begun above what is included. */
  String blocks(Option option, Charge.Usage usage, String demand, String seats) {
    String included =
        number(option, usage.name(), "included for the account", usage.included().perAccount());
    if (usage.included().perSeat().signum() > 0) {
      included +=
          "-"
              + number(option, usage.name(), "included for a seat", usage.included().perSeat())
              + "*"
              + seats;
    }
    return "ROUNDUP("
        + exact(
            "MAX(0,"
                + demand
                + "-"
                + included
                + ")/"
                + number(option, usage.name(), "block", usage.block()))
        + ",0)";
  }
}
