package tertulia.app.workbook;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.growth.Measure;
import tertulia.core.path.Option;
import tertulia.core.path.PlanPath;
import tertulia.core.pricing.Charge;
import tertulia.core.pricing.Holding;
import tertulia.core.pricing.Owned;

/** The rows of units to pay for, month by month, each written when it is first asked for. */
final class UnitsBlock {
  private final Evaluation evaluation;
  private final String tool;
  private final Sheet sheet;
  private final Prices prices;
  private final Demands demands;
  private final Inputs inputs;
  private final int first;
  private final Map<String, Integer> rows = new HashMap<>();
  private int row;

  /**
   * @param first row of the block
   */
  UnitsBlock(
      Evaluation evaluation,
      String tool,
      Sheet sheet,
      Prices prices,
      Demands demands,
      Inputs inputs,
      int first) {
    this.evaluation = evaluation;
    this.tool = tool;
    this.sheet = sheet;
    this.prices = prices;
    this.demands = demands;
    this.inputs = inputs;
    this.first = first;
    this.row = first;
  }

  /** Writes what stands above them, and answers with the row after the last of them. */
  int end() {
    if (row > first) {
      sheet.heading(first - 1, 0, "Units, month by month");
    }
    return row;
  }

  /** Units held in a month of a term: the most needed so far in it. */
  String held(PlanPath.Leg leg, Charge.Held charge, int m) {
    return switch (charge) {
      case Charge.Flat flat -> {
        boolean paid = false;
        for (int k = leg.months().from(); k <= m; k++) {
          paid |= holding(leg.option(), k).accounts(flat) > 0;
        }
        yield paid ? "1" : "0";
      }
      case Charge.Counted counted ->
          "MAX("
              + Sheet.across(
                  unitRow(leg.option(), counted),
                  Columns.month(leg.months().from()),
                  Columns.month(m))
              + ")";
    };
  }

  /** The row of units to pay for, written when it is first asked for. */
  private int unitRow(Option option, Charge.Counted charge) {
    return rows.computeIfAbsent(
        key(option, charge),
        k -> {
          int at = row++;
          sheet.text(at, 4, option.label());
          sheet.text(at, 5, charge.name() + ", units to pay for");
          for (int m = 0; m < evaluation.selection().horizon().months(); m++) {
            sheet.count(
                at,
                Columns.month(m),
                unitsToPay(option, charge, demands.whole(charge.measure(), m), m));
          }
          return at;
        });
  }

  /** Seats that count for an allowance in a month, as a cell. */
  String seatsThatCount(Option option, Measure measure, int m) {
    return Sheet.at(seatRow(option, measure), Columns.month(m));
  }

  private int seatRow(Option option, Measure measure) {
    return rows.computeIfAbsent(
        option.label() + "\nseats\n" + measure.id(),
        k -> {
          int at = row++;
          sheet.text(at, 4, option.label());
          sheet.text(at, 5, measure.label() + " that count");
          for (int m = 0; m < evaluation.selection().horizon().months(); m++) {
            sheet.count(at, Columns.month(m), seats(option, measure, m));
          }
          return at;
        });
  }

  private String unitsToPay(Option option, Charge.Counted charge, String demand, int m) {
    String all = prices.paid(option, charge, demand);
    return ownedUnits(option, charge, m)
        .map(owned -> "MAX(0," + all + "-" + owned + ")")
        .orElse(all);
  }

  /** Seats that count for an allowance or a one-off in a month. */
  private String seats(Option option, Measure measure, int m) {
    String demand = demands.whole(measure, m);
    Optional<Charge.Counted> counted =
        option.list().charges().stream()
            .filter(Charge.Counted.class::isInstance)
            .map(Charge.Counted.class::cast)
            .filter(charge -> charge.measure().equals(measure))
            .findFirst();
    if (counted.isEmpty()) {
      return demand;
    }
    String included =
        prices.number(option, counted.get().name(), "included", counted.get().rule().included());
    String held = unitsToPay(option, counted.get(), demand, m) + "+" + included;
    return ownedUnits(option, counted.get(), m)
        .map(owned -> held + "+MIN(" + owned + ",MAX(0," + demand + "-" + included + "))")
        .orElse(held);
  }

  /** Units owned of a charge in a month, as a cell; empty if there are none. */
  private Optional<String> ownedUnits(Option option, Charge.Counted charge, int m) {
    return holding(option, m).ownedFor(charge) == 0
        ? Optional.empty()
        : owned(option, m).map(o -> inputs.of(tool + ", owned already", o.units(), ""));
  }

  private Optional<Owned> owned(Option option, int m) {
    return option
        .offering()
        .owned()
        .filter(o -> o.plan().equals(option.plan().id()))
        .filter(o -> o.holdsIn(evaluation.selection().horizon().month(m)));
  }

  /** Units owned at the start; 0 if none. */
  int ownedAtStart(Option option) {
    return owned(option, 0).map(Owned::units).orElse(0);
  }

  Holding holding(Option option, int m) {
    return option.offering().holding(option.list(), evaluation.selection().horizon().month(m));
  }

  /** Units of a one-off in a month. */
  String once(Option option, Charge.OneOff charge, int m) {
    return charge.each().map(measure -> seatsThatCount(option, measure, m)).orElse("1");
  }

  private static String key(Option option, Charge charge) {
    return option.label() + "\n" + charge.name();
  }
}
