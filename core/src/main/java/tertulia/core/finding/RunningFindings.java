package tertulia.core.finding;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.joda.money.Money;
import tertulia.core.evaluation.Amount;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Costs;

/** What there is to say of sums that run over the months: from when what pays. */
public record RunningFindings(Costs costs) {
  /**
   * The first month from which one running sum stays below another; past the end: it never does.
   */
  static int staysBelow(List<Money> mine, List<Money> theirs) {
    int from = mine.size();
    while (from > 0 && mine.get(from - 1).isLessThan(theirs.get(from - 1))) {
      from--;
    }
    return from;
  }

  /**
   * Where running sums cross for good: for each two tools with exact totals, from when the one that
   * costs less in the end has cost less; earliest first. Two that never cross are not named.
   */
  public List<CostFinding.PaysFrom> crossings() {
    List<String> exact =
        costs.selection().active().stream()
            .map(Contender::id)
            .filter(id -> costs.overall().totalBounds(id).filter(Amount::isExact).isPresent())
            .toList();
    List<CostFinding.PaysFrom> crossings = new ArrayList<>();
    for (String tool : exact) {
      for (String rival : exact) {
        List<Money> mine = costs.overall().running(tool).orElseThrow();
        int from = staysBelow(mine, costs.overall().running(rival).orElseThrow());
        if (from > 0 && from < mine.size()) {
          crossings.add(new CostFinding.PaysFrom(tool, rival, from));
        }
      }
    }
    crossings.sort(Comparator.comparingInt(CostFinding.PaysFrom::month));
    return crossings;
  }

  /**
   * Which tools with exact totals pay against the old one, and from when; empty if none is known.
   */
  public List<CostFinding> againstOldTool() {
    Optional<List<Money>> stated = costs.overall().runningOfOldTool();
    if (stated.isEmpty()) {
      return List.of();
    }
    List<Money> old = stated.get();
    List<CostFinding> findings = new ArrayList<>();
    List<String> never = new ArrayList<>();
    for (Contender contender : costs.selection().active()) {
      if (costs.overall().totalBounds(contender.id()).filter(Amount::isExact).isPresent()) {
        int from = staysBelow(costs.overall().running(contender.id()).orElseThrow(), old);
        if (from < old.size()) {
          findings.add(new CostFinding.BeatsOldTool(contender.id(), from));
        } else {
          never.add(contender.id());
        }
      }
    }
    if (!never.isEmpty()) {
      findings.add(new CostFinding.OldToolCostsNoMore(never));
    }
    return findings;
  }

  /** From when the committed terms of best ways pay against paying by the month. */
  public List<CostFinding.CommitmentPays> commitments() {
    List<CostFinding.CommitmentPays> pays = new ArrayList<>();
    for (Contender contender : costs.selection().active()) {
      Optional<List<Money>> best = costs.overall().running(contender.id());
      Optional<List<Money>> monthly = costs.overall().runningAllMonthly(contender.id());
      boolean exact =
          costs.overall().totalBounds(contender.id()).filter(Amount::isExact).isPresent();
      if (exact && best.isPresent() && monthly.isPresent()) {
        int from = staysBelow(best.get(), monthly.get());
        if (from < best.get().size()) {
          pays.add(new CostFinding.CommitmentPays(contender.id(), from));
        }
      }
    }
    return pays;
  }
}
