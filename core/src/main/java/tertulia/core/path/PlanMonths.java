package tertulia.core.path;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import tertulia.core.billing.UnitsNeeded;
import tertulia.core.fit.Offering;
import tertulia.core.fit.Reason;
import tertulia.core.fit.Verdict;
import tertulia.core.time.MonthSpan;

/**
 * What is said of one plan month by month, under the term against which least speaks.
 *
 * @param plan whatever its term
 * @param stretches months in a row with the same verdict for the same reasons, from the first plan
 *     month to the last
 */
public record PlanMonths(OptionName plan, List<Stretch> stretches) {
  public PlanMonths {
    stretches = List.copyOf(stretches);
  }

  /** Months with one verdict; its reasons carry the figures of the first of them. */
  public record Stretch(MonthSpan months, Verdict verdict) {}

  /** Every plan of a tool, in the maker's order. */
  public static List<PlanMonths> of(
      List<Offering> offerings, Market market, List<UnitsNeeded> months) {
    Map<OptionName, List<Verdict>> byPlan = new LinkedHashMap<>();
    for (int m = 0; m < months.size(); m++) {
      PlanNeeded.against(offerings, market, new EvaluationPoint(months.get(m), m))
          .forEach((plan, reasons) ->
              byPlan.computeIfAbsent(plan, p -> new ArrayList<>()).add(Verdict.of(reasons)));
    }
    List<PlanMonths> all = new ArrayList<>();
    byPlan.forEach((plan, verdicts) -> all.add(new PlanMonths(plan, stretches(verdicts))));
    return all;
  }

  private static List<Stretch> stretches(List<Verdict> verdicts) {
    List<Stretch> stretches = new ArrayList<>();
    int from = 0;
    for (int m = 1; m <= verdicts.size(); m++) {
      if (m == verdicts.size() || !alike(verdicts.get(from), verdicts.get(m))) {
        stretches.add(new Stretch(new MonthSpan(from, m), verdicts.get(from)));
        from = m;
      }
    }
    return stretches;
  }

  private static boolean alike(Verdict one, Verdict other) {
    return one.getClass().equals(other.getClass())
        && one.reasons().stream()
            .map(Reason::requirement)
            .toList()
            .equals(other.reasons().stream().map(Reason::requirement).toList());
  }
}
