package tertulia.core.trial;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import tertulia.core.trial.Trial.Completion;
import tertulia.core.trial.Trial.Result;

/**
 * The tasks of a selection, the same for all contenders so that like is compared with like, and the
 * trials.
 *
 * @param trials at most one for each contender
 */
public record Trials(List<Task> tasks, List<Trial> trials) {
  /** Nothing is tried. */
  public static final Trials NONE = new Trials(List.of(), List.of());

  private static final BigDecimal TWO = BigDecimal.valueOf(2);

  public Trials {
    tasks = List.copyOf(tasks);
    trials = List.copyOf(trials);
    if (tasks.stream().map(Task::id).distinct().count() < tasks.size()) {
      throw new IllegalArgumentException("Two tasks have the same id.");
    }
    if (trials.stream().map(Trial::contender).distinct().count() < trials.size()) {
      throw new IllegalArgumentException("A contender has two trials.");
    }
  }

  /** The trial of a contender; empty if there is none. */
  public Optional<Trial> of(String contender) {
    return trials.stream().filter(t -> t.contender().equals(contender)).findFirst();
  }

  /** The results of one task with a contender, in the order in which they were written down. */
  public List<Result> results(Task task, String contender) {
    return of(contender).stream()
        .flatMap(trial -> trial.results().stream())
        .filter(result -> result.task().equals(task.id()))
        .toList();
  }

  /**
   * How a contender fared with all tasks.
   *
   * @param done tasks that everybody who tried them could do
   * @param partly tasks that some could do and some not
   * @param notDone tasks that nobody could do who tried
   * @param untried tasks that nobody has tried
   */
  public record Tally(int done, int partly, int notDone, int untried) {
    public int tasks() {
      return done + partly + notDone + untried;
    }

    public boolean isComplete() {
      return untried == 0;
    }
  }

  /** How a contender fared. */
  public Tally tally(String contender) {
    int[] counts = new int[4];
    for (Task task : tasks) {
      List<Result> results = results(task, contender);
      long did = results.stream().filter(r -> r.outcome() == Completion.DONE).count();
      counts[results.isEmpty() ? 3 : did == results.size() ? 0 : did == 0 ? 2 : 1]++;
    }
    return new Tally(counts[0], counts[1], counts[2], counts[3]);
  }

  /**
   * The share of the tasks that were done: the mean over the tasks of the share of people who could
   * do them. A task that nobody has tried counts 0 at the low end and 1 at the high end.
   *
   * @param low from 0 to 1
   * @param high from low to 1
   */
  public record Share(BigDecimal low, BigDecimal high) {}

  /** The share done; empty without tasks. */
  public Optional<Share> shareDone(String contender) {
    if (tasks.isEmpty()) {
      return Optional.empty();
    }
    BigDecimal low = BigDecimal.ZERO;
    int untried = 0;
    for (Task task : tasks) {
      List<Result> results = results(task, contender);
      if (results.isEmpty()) {
        untried++;
      } else {
        long did = results.stream().filter(r -> r.outcome() == Completion.DONE).count();
        low =
            low.add(
                BigDecimal.valueOf(did)
                    .divide(BigDecimal.valueOf(results.size()), MathContext.DECIMAL128));
      }
    }
    BigDecimal all = BigDecimal.valueOf(tasks.size());
    return Optional.of(
        new Share(
            low.divide(all, MathContext.DECIMAL128),
            low.add(BigDecimal.valueOf(untried)).divide(all, MathContext.DECIMAL128)));
  }

  /** The tasks of which nobody knows how long they take with a contender. */
  public List<Task> untimed(String contender) {
    return tasks.stream().filter(task -> minutes(task, contender).isEmpty()).toList();
  }

  /** The median of the minutes of those who did a task and looked at the clock; empty if nobody. */
  public Optional<BigDecimal> minutes(Task task, String contender) {
    return median(
        results(task, contender).stream()
            .filter(r -> r.outcome() == Completion.DONE)
            .flatMap(r -> r.took().stream())
            .map(BigDecimal::valueOf)
            .toList());
  }

  /**
   * The median over the tasks of {@link #minutes(Task, String)}, in minutes; empty without tasks,
   * or while there is one that nobody did by the clock: a tool with which the long ones were not
   * done would look quick.
   */
  public Optional<BigDecimal> medianMinutes(String contender) {
    List<BigDecimal> each = new ArrayList<>();
    for (Task task : tasks) {
      minutes(task, contender).ifPresent(each::add);
    }
    return each.size() < tasks.size() ? Optional.empty() : median(each);
  }

  private static Optional<BigDecimal> median(List<BigDecimal> numbers) {
    if (numbers.isEmpty()) {
      return Optional.empty();
    }
    List<BigDecimal> sorted = numbers.stream().sorted().toList();
    int half = sorted.size() / 2;
    return Optional.of(
        sorted.size() % 2 == 1
            ? sorted.get(half)
            : sorted.get(half - 1).add(sorted.get(half)).divide(TWO, MathContext.DECIMAL128));
  }
}
