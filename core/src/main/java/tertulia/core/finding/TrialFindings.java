package tertulia.core.finding;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Selection;
import tertulia.core.fit.Answer;
import tertulia.core.fit.Capability;
import tertulia.core.fit.Fact;
import tertulia.core.fit.Importance;
import tertulia.core.fit.Need;
import tertulia.core.fit.Offering;
import tertulia.core.scoring.Criterion;
import tertulia.core.trial.Task;
import tertulia.core.trial.Trial;
import tertulia.core.trial.Trial.Result;
import tertulia.core.trial.Trials;
import tertulia.core.working.Ground;

/** What there is to say of what was tried by hand. */
public final class TrialFindings {
  private final Selection selection;
  private final Trials trials;

  public TrialFindings(Selection selection) {
    this.selection = selection;
    this.trials = selection.trials();
  }

  /** How those fared that are tried, the one with most done first, and who is not tried. */
  public List<TrialFinding> all(LocalDate today) {
    if (trials.tasks().isEmpty()) {
      return List.of(new TrialFinding.NoTasks());
    }
    List<Contender> tried =
        selection.active().stream()
            .filter(c -> trials.of(c.id()).isPresent())
            .sorted(Comparator.comparing(this::done).reversed())
            .toList();
    List<TrialFinding> findings = new ArrayList<>();
    for (Contender contender : tried) {
      findings.add(
          new TrialFinding.Tried(
              contender.id(),
              trials.tally(contender.id()),
              trials.medianMinutes(contender.id()),
              trials.of(contender.id()).orElseThrow().on(today)));
    }
    List<String> not =
        selection.active().stream()
            .map(Contender::id)
            .filter(id -> trials.of(id).isEmpty())
            .toList();
    if (!not.isEmpty()) {
      findings.add(new TrialFinding.NotTried(not));
    }
    return findings;
  }

  private BigDecimal done(Contender contender) {
    return trials.shareDone(contender.id()).map(Trials.Share::low).orElse(BigDecimal.ZERO);
  }

  /** What the tasks for needs show of the plans tried, as far as it is not known from trying. */
  public List<TrialFinding.TriedFact> facts() {
    List<TrialFinding.TriedFact> facts = new ArrayList<>();
    for (Contender contender : selection.active()) {
      for (Task task : trials.tasks()) {
        fact(contender, task).ifPresent(facts::add);
      }
    }
    return facts;
  }

  /** What one task shows; empty if nothing, or people fared differently. */
  public Optional<TrialFinding.TriedFact> fact(Contender contender, Task task) {
    Optional<Trial> trial = trials.of(contender.id());
    if (!(task.from() instanceof Task.From.OfNeed from) || trial.flatMap(Trial::ofPlan).isEmpty()) {
      return Optional.empty();
    }
    String plan = trial.flatMap(Trial::ofPlan).orElseThrow();
    Optional<Offering> offering =
        contender.offerings().stream().filter(o -> o.plan().id().equals(plan)).findFirst();
    Optional<Capability> capability =
        selection.needs().stream()
            .map(Need::capability)
            .filter(c -> c.id().equals(from.need()))
            .findFirst();
    List<Result> results = trials.results(task, contender.id());
    if (offering.isEmpty()
        || capability.isEmpty()
        || results.isEmpty()
        || results.stream().map(Result::outcome).distinct().count() > 1) {
      return Optional.empty();
    }
    Result last = results.stream().max(Comparator.comparing(Result::on)).orElseThrow();
    Answer shown = last.outcome() == Trial.Completion.DONE ? Answer.YES : Answer.NO;
    Fact known = offering.get().fact(capability.get());
    boolean said =
        known.answer() == shown
            && known.source().ground() == Ground.TRIED_BY_HAND
            && !known.source().asOf().isBefore(last.on());
    return said
        ? Optional.empty()
        : Optional.of(
            new TrialFinding.TriedFact(
                contender.id(),
                plan,
                capability.get(),
                known.answer(),
                shown,
                last.by(),
                last.on()));
  }

  /** What may be tried and is not yet: every must, and everything people mark. */
  public List<Task.From> proposals() {
    List<Task.From> proposals = new ArrayList<>();
    for (Need need : selection.needs()) {
      if (need.importance() instanceof Importance.Must) {
        proposals.add(new Task.From.OfNeed(need.capability().id()));
      }
    }
    for (Criterion criterion : selection.criteria()) {
      if (criterion.kind() instanceof Criterion.Judged) {
        proposals.add(new Task.From.OfCriterion(criterion.id()));
      }
    }
    List<Task.From> named = trials.tasks().stream().map(Task::from).toList();
    return proposals.stream().filter(from -> !named.contains(from)).toList();
  }
}
