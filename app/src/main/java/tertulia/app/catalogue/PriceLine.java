package tertulia.app.catalogue;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import tertulia.app.exchange.TermCode;
import tertulia.app.exchange.ToolSheet;

/**
 * What all plans of a document ask for the same thing: one line of its price page, typed.
 *
 * @param cells for each plan its prices by the code of a term, or {@link ToolForm#ANY_TERM} where
 *     one price holds for all; without prices where the plan does not ask for it
 */
record PriceLine(ChargePlaces.Of of, List<Map<String, Price>> cells) {

  /** One price. */
  sealed interface Price {
    /** What a charge asks at both ends of an assumed range; the same twice if it is known. */
    record Charged(ToolSheet.ChargePart low, ToolSheet.ChargePart high) implements Price {}

    /** At least so much a year. */
    record Minimum(String amount) implements Price {}
  }

  ChargeKind kind() {
    return of.kind();
  }

  /** How units are counted in the cell of a plan. */
  ChargePlaces.Rule rule(int plan) {
    return cells.get(plan).values().stream()
        .findFirst()
        .map(PriceLine::rule)
        .orElse(ChargePlaces.Rule.NONE);
  }

  private static ChargePlaces.Rule rule(Price price) {
    return price instanceof Price.Charged charged
        ? ChargeTexts.rule(charged.low())
        : ChargePlaces.Rule.NONE;
  }

  /** The lines of a document, in the order in which its plans first ask for them. */
  static List<PriceLine> of(ToolSheet sheet) {
    Arrangement arrangement = new Arrangement(sheet.plans().size());
    for (int p = 0; p < sheet.plans().size(); p++) {
      arrangement.plan(p, sheet.plans().get(p));
    }
    return List.copyOf(arrangement.lines);
  }

  private static final class Arrangement {
    private final ChargePlaces places = new ChargePlaces();
    private final List<PriceLine> lines = new ArrayList<>();
    private final int plans;

    Arrangement(int plans) {
      this.plans = plans;
    }

    void plan(int p, ToolSheet.PlanPart plan) {
      for (int t = 0; t < plan.prices().size(); t++) {
        term(
            p,
            plan.prices().get(t),
            t < plan.highPrices().size() ? plan.highPrices().get(t) : plan.prices().get(t));
      }
      lines.forEach(line -> joinTerms(line, p, plan.prices().size()));
    }

    private void term(int p, ToolSheet.TermPart low, ToolSheet.TermPart high) {
      String code = TermCode.of(low.monthsCommitted(), low.upFront()).code();
      charges(p, code, "", low.charges(), high.charges());
      for (int a = 0; a < low.addOns().size(); a++) {
        ToolSheet.AddOnPart addOn = low.addOns().get(a);
        charges(p, code, addOn.name(), addOn.charges(), high.addOns().get(a).charges());
      }
      if (low.yearlyMinimum() != null) {
        put(
            new ChargePlaces.Of(ChargeKind.YEARLY_MINIMUM, "seats", "Yearly minimum", ""),
            p,
            code,
            new Price.Minimum(low.yearlyMinimum()));
      }
    }

    private void charges(
        int p,
        String code,
        String addOn,
        List<ToolSheet.ChargePart> low,
        List<ToolSheet.ChargePart> high) {
      for (int c = 0; c < low.size(); c++) {
        ToolSheet.ChargePart charge = low.get(c);
        put(
            new ChargePlaces.Of(
                ChargeKind.of(charge), ChargeTexts.measure(charge), charge.name(), addOn),
            p,
            code,
            new Price.Charged(charge, high.get(c)));
      }
    }

    private void put(ChargePlaces.Of of, int p, String code, Price price) {
      int place = places.place(of, p, code, rule(price));
      if (place == lines.size()) {
        List<Map<String, Price>> cells = new ArrayList<>();
        for (int i = 0; i < plans; i++) {
          cells.add(new LinkedHashMap<>());
        }
        lines.add(new PriceLine(of, cells));
      }
      lines.get(place).cells.get(p).put(code, price);
    }

    /** What costs the same under every term, and is billed whatever the term, is said once. */
    private static void joinTerms(PriceLine line, int p, int terms) {
      Map<String, Price> cell = line.cells.get(p);
      if (line.kind().isWhateverTheTerm()
          && terms > 0
          && cell.size() == terms
          && cell.values().stream().distinct().count() == 1) {
        @Nullable Price price = cell.values().iterator().next();
        cell.clear();
        cell.put(ToolForm.ANY_TERM, price);
      }
    }
  }
}
