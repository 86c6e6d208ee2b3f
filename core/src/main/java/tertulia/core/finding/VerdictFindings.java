package tertulia.core.finding;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import tertulia.core.difference.Conditions;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.path.PlanPaths;
import tertulia.core.scoring.Totals;
import tertulia.core.trial.Trial;

/** Whether a choice goes against its own figures, before it is agreed. */
public final class VerdictFindings {
  private final Evaluation evaluation;

  public VerdictFindings(Evaluation evaluation) {
    this.evaluation = evaluation;
  }

  /**
   * What speaks against a choice, what weighs most first.
   *
   * @param choice a contender that is compared
   * @param daysFresh prices older than this are old
   */
  public List<VerdictFinding> against(String choice, LocalDate today, int daysFresh) {
    List<VerdictFinding> against = new ArrayList<>();
    path(choice).ifPresent(against::add);
    Optional<Totals> totals = evaluation.scores().totals();
    if (totals.isEmpty()) {
      against.add(new VerdictFinding.NoTotals());
    } else {
      standing(choice, totals.get()).ifPresent(against::add);
    }
    List<MissingFinding> missing = new AnswerFindings(evaluation).missing(today, daysFresh);
    viewsMissing(missing).ifPresent(against::add);
    missing.stream()
        .filter(MissingFinding.OldPrice.class::isInstance)
        .map(MissingFinding.OldPrice.class::cast)
        .filter(old -> old.tool().equals(choice))
        .map(old -> new VerdictFinding.OldFacts(choice, old.asOf()))
        .forEach(against::add);
    evaluation.selection().trials().trials().stream()
        .filter(trial -> trial.contender().equals(choice) && trial.results().isEmpty())
        .map((Trial trial) -> new VerdictFinding.NotTried(choice))
        .forEach(against::add);
    return against;
  }

  /** Conditions of a decision that do not hold as it is made. */
  public static List<VerdictFinding> broken(List<Conditions.Watched> watched) {
    return watched.stream()
        .filter(one -> one.standing().isBroken())
        .<VerdictFinding>map(one -> new VerdictFinding.ConditionBroken(one.proviso()))
        .toList();
  }

  /** Why there is no way through all months of which the cost is known; empty if there is one. */
  private Optional<VerdictFinding> path(String choice) {
    return switch (evaluation.costs().overall().way(choice)) {
      case PlanPaths.Found found -> Optional.empty();
      case PlanPaths.Gap gap when gap.isUnpriced() ->
          Optional.of(new VerdictFinding.CostUnknown(choice));
      case PlanPaths.Gap gap when gap.isUnconfirmed() ->
          Optional.of(new VerdictFinding.MustsUnconfirmed(choice));
      case PlanPaths.Gap gap -> Optional.of(new VerdictFinding.MustsUnmet(choice));
    };
  }

  private static Optional<VerdictFinding> standing(String choice, Totals totals) {
    if (!totals.values().containsKey(choice)) {
      return Optional.of(new VerdictFinding.NotRanked(choice));
    }
    Totals.Standing first = totals.standings().getFirst();
    Totals.Standing own =
        totals.standings().stream()
            .filter(s -> s.contender().equals(choice))
            .findFirst()
            .orElseThrow();
    if (Totals.isAbove(first.total().midpoint(), own.total().midpoint())) {
      return Optional.of(
          new VerdictFinding.NotAhead(
              choice,
              first.contender(),
              new Totals.Apart(first.total().midpoint(), own.total().midpoint())));
    }
    List<String> mayPass =
        totals.standings().stream()
            .filter(s -> !s.contender().equals(choice))
            .filter(s -> Totals.isAbove(s.total().high(), own.total().low()))
            .map(Totals.Standing::contender)
            .toList();
    return mayPass.isEmpty()
        ? Optional.empty()
        : Optional.of(new VerdictFinding.NotForCertain(choice, mayPass));
  }

  private static Optional<VerdictFinding> viewsMissing(List<MissingFinding> missing) {
    List<String> people = new ArrayList<>();
    for (MissingFinding finding : missing) {
      if (finding instanceof MissingFinding.NotWeighed not) {
        people.addAll(not.members());
      } else if (finding instanceof MissingFinding.NotMarked not) {
        people.add(not.member());
      }
    }
    List<String> each = people.stream().distinct().toList();
    return each.isEmpty() ? Optional.empty() : Optional.of(new VerdictFinding.ViewsMissing(each));
  }
}
