package tertulia.core.trial;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * A contender that is tried by hand.
 *
 * @param plan id of the plan it gives; null: nobody has said which
 * @param first first day
 * @param last last day, not before the first; null: it has no end
 * @param terms as the maker states them, such as "three clients, no end"; may be empty
 * @param people who tries it
 * @param results at most one for each task and person
 */
public record Trial(
    String contender,
    @Nullable String plan,
    LocalDate first,
    @Nullable LocalDate last,
    String terms,
    List<String> people,
    List<Result> results) {
  public Trial {
    requireNonNull(contender);
    requireNonNull(first);
    requireNonNull(terms);
    people = List.copyOf(people);
    results = List.copyOf(results);
    if (last != null && last.isBefore(first)) {
      throw new IllegalArgumentException(
          "The trial ends on " + last + " and begins on " + first + ". Swap the two days.");
    }
  }

  public Optional<String> ofPlan() {
    return Optional.ofNullable(plan);
  }

  public Optional<LocalDate> ends() {
    return Optional.ofNullable(last);
  }

  /**
   * How one person fared with one task.
   *
   * @param minutes how long it took, 0 to 10,000; null: nobody looked at the clock
   * @param note may be empty
   */
  public record Result(
      String task,
      String by,
      Completion outcome,
      @Nullable Integer minutes,
      String note,
      LocalDate on) {
    /** Longest time, in minutes: a week of days and nights. */
    public static final int LONGEST = 10_000;

    public Result {
      requireNonNull(task);
      requireNonNull(by);
      requireNonNull(outcome);
      requireNonNull(note);
      requireNonNull(on);
      if (minutes != null && (minutes < 0 || minutes > LONGEST)) {
        throw new IllegalArgumentException(
            "The minutes lie between 0 and 10,000; found " + minutes + ".");
      }
    }

    public Optional<Integer> took() {
      return Optional.ofNullable(minutes);
    }
  }

  /** Whether somebody could do what they tried. */
  public enum Completion {
    DONE("done"),
    NOT_DONE("not done");

    private final String words;

    Completion(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }
  }

  /** How far a trial is on a day. */
  public sealed interface Stage {
    /** It begins in so many days. */
    record Ahead(long days) implements Stage {}

    /**
     * It runs.
     *
     * @param daysLeft after this day, 0 on the last; empty: it has no end
     */
    record Running(Optional<Long> daysLeft) implements Stage {}

    /** Its last day was so many days ago. */
    record Over(long days) implements Stage {}
  }

  /** How far it is on a day. */
  public Stage on(LocalDate day) {
    if (day.isBefore(first)) {
      return new Stage.Ahead(ChronoUnit.DAYS.between(day, first));
    }
    if (last != null && day.isAfter(last)) {
      return new Stage.Over(ChronoUnit.DAYS.between(last, day));
    }
    return new Stage.Running(ends().map(end -> ChronoUnit.DAYS.between(day, end)));
  }

  /** The tasks that nobody has tried. */
  public List<Task> untried(List<Task> tasks) {
    return tasks.stream()
        .filter(task -> results.stream().noneMatch(r -> r.task().equals(task.id())))
        .toList();
  }

  /** The tasks that somebody has not tried. */
  public List<Task> left(List<Task> tasks, String person) {
    return tasks.stream()
        .filter(task ->
            results.stream().noneMatch(r -> r.task().equals(task.id()) && r.by().equals(person)))
        .toList();
  }
}
