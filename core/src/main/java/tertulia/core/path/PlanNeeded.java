package tertulia.core.path;

import java.time.YearMonth;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tertulia.core.billing.UnitsNeeded;
import tertulia.core.fit.Offering;
import tertulia.core.fit.Reason;
import tertulia.core.fit.Verdict;
import tertulia.core.path.Candidates.Candidate;
import tertulia.core.time.MonthSpan;

/**
 * The first plan in the maker's order that would do, month by month.
 *
 * @param plan whatever its term; empty where none does
 * @param months the months in a row in which it is the first that does
 * @param stops why it does not do in the month after; none at the end of the plan months, or if an
 *     earlier plan does again
 */
public record PlanNeeded(Optional<OptionName> plan, MonthSpan months, List<Reason> stops) {
  public PlanNeeded {
    stops = List.copyOf(stops);
  }

  /** The plans needed over the months, one stretch after the other. */
  public static List<PlanNeeded> over(
      List<Offering> offerings, Market market, List<UnitsNeeded> months) {
    List<Candidate> candidates = Candidates.of(offerings, market).high();
    List<PlanNeeded> stretches = new ArrayList<>();
    int from = 0;
    Optional<OptionName> before =
        months.isEmpty() ? Optional.empty() : first(candidates, market, months, 0);
    for (int m = 1; m <= months.size(); m++) {
      Optional<OptionName> now =
          m == months.size() ? Optional.empty() : first(candidates, market, months, m);
      if (m == months.size() || !now.equals(before)) {
        List<Reason> stops =
            m == months.size() || before.isEmpty()
                ? List.of()
                : reasons(candidates, market, new EvaluationPoint(months.get(m), m))
                    .getOrDefault(before.get(), List.of());
        stretches.add(new PlanNeeded(before, new MonthSpan(from, m), stops));
        from = m;
        before = now;
      }
    }
    return stretches;
  }

  private static Optional<OptionName> first(
      List<Candidate> candidates, Market market, List<UnitsNeeded> months, int m) {
    EvaluationPoint occasion = new EvaluationPoint(months.get(m), m);
    return candidates.stream()
        .filter(candidate -> verdict(candidate, market, occasion).qualifies())
        .findFirst()
        .map(PlanNeeded::plan);
  }

  private static OptionName plan(Candidate candidate) {
    return switch (candidate) {
      case Candidate.Offered offered -> OptionName.of(offered.option().plan());
      case Candidate.Begins begins -> OptionName.of(begins.option().plan());
      case Candidate.OnRequest onRequest -> OptionName.of(onRequest.offering().plan());
      case Candidate.Out out -> out.name().ofAnyTerm();
    };
  }

  private static Verdict verdict(Candidate candidate, Market market, EvaluationPoint occasion) {
    YearMonth month = market.horizon().month(occasion.month());
    return switch (candidate) {
      case Candidate.Offered offered ->
          market
              .fit()
              .at(offered.option().offering(), offered.option().list(), occasion.units(), month);
      case Candidate.Begins begins ->
          market
              .fit()
              .at(begins.option().offering(), begins.option().list(), occasion.units(), month);
      case Candidate.OnRequest onRequest ->
          market.fit().at(onRequest.offering(), null, occasion.units(), month);
      case Candidate.Out out -> out.verdict();
    };
  }

  /** What speaks against each plan: that of its term with the fewest reasons. */
  public static Map<OptionName, List<Reason>> against(
      List<Offering> offerings, Market market, EvaluationPoint occasion) {
    return reasons(Candidates.of(offerings, market).high(), market, occasion);
  }

  private static Map<OptionName, List<Reason>> reasons(
      List<Candidate> candidates, Market market, EvaluationPoint occasion) {
    Map<OptionName, List<Reason>> reasons = new LinkedHashMap<>();
    for (Candidate candidate : candidates) {
      reasons.merge(
          plan(candidate),
          verdict(candidate, market, occasion).reasons(),
          (a, b) -> b.size() < a.size() ? b : a);
    }
    return reasons;
  }
}
