package tertulia.core.finding;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Costs;
import tertulia.core.fit.Conflicts;
import tertulia.core.fit.Offering;
import tertulia.core.fit.Reason;
import tertulia.core.path.Option;
import tertulia.core.path.OptionName;
import tertulia.core.path.Outcome;
import tertulia.core.path.SteadyCost;

/** What there is to say of fit. */
public record FitFindings(Costs costs) {
  /** Musts that count only together, then what leaves a tool without a plan. */
  public List<FitFinding> all() {
    List<FitFinding> all = new ArrayList<>();
    costs
        .overall()
        .needCosts()
        .together()
        .forEach((tool, groups) ->
            groups.forEach(group ->
                all.add(new FitFinding.OnlyTogether(tool, group.needs(), group.effect()))));
    for (Contender contender : costs.selection().active()) {
      notTheFirst(contender).ifPresent(all::add);
      Conflicts conflicts = costs.now().conflicts(contender.id());
      if (!conflicts.smallest().isEmpty()) {
        boolean toConfirm =
            costs.now().steady(contender.id()) instanceof Outcome.NoPlan<SteadyCost> none
                && none.isUnconfirmed();
        all.add(
            new FitFinding.NoPlan(contender.id(), costs.people().total(), conflicts, toConfirm));
      }
    }
    return all;
  }

  /** Whether the plan taken for its price stands behind another that would do too. */
  public Optional<FitFinding.NotTheFirst> notTheFirst(Contender contender) {
    if (!(costs.now().steady(contender.id()) instanceof Outcome.Found<SteadyCost> found)) {
      return Optional.empty();
    }
    Map<OptionName, List<Reason>> against = costs.now().against(contender.id());
    Option taken = found.best().option();
    return contender.offerings().stream()
        .map(Offering::plan)
        .filter(plan -> against.getOrDefault(OptionName.of(plan), List.of()).isEmpty())
        .findFirst()
        .filter(first -> !first.id().equals(taken.plan().id()))
        .map(first ->
            new FitFinding.NotTheFirst(
                contender.id(),
                first.name(),
                taken.label(),
                costs.now().steadyBounds(contender.id()).orElseThrow()));
  }
}
