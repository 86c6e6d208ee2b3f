package tertulia.core.finding;

import java.util.ArrayList;
import java.util.List;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Costs;
import tertulia.core.fit.Conflicts;

/** What there is to say of fit. */
public record FitFindings(Costs costs) {
  /** Musts that count only together, then what leaves a tool without a plan. */
  public List<Finding.OfFit> all() {
    List<Finding.OfFit> all = new ArrayList<>();
    costs
        .needCosts()
        .together()
        .forEach((tool, groups) ->
            groups.forEach(
                group -> all.add(new Finding.OnlyTogether(tool, group.needs(), group.effect()))));
    for (Contender contender : costs.selection().active()) {
      Conflicts conflicts = costs.conflicts(contender.id());
      if (!conflicts.smallest().isEmpty()) {
        all.add(new Finding.NoPlan(contender.id(), costs.people().total(), conflicts));
      }
    }
    return all;
  }
}
