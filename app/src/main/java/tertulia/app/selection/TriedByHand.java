package tertulia.app.selection;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tertulia.app.act.Act;
import tertulia.app.act.Acts;
import tertulia.app.catalogue.Catalogue;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.Limits;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.exchange.TrialsReader;
import tertulia.app.web.Conflict;
import tertulia.app.web.NotFound;
import tertulia.core.trial.Task;
import tertulia.core.trial.Trial;

/** What people try by hand: the tasks, the trials, and how it went. */
@Service
public class TriedByHand {
  private final SelectionStore store;
  private final Rows.Tasks tasks;
  private final Rows.TrialRows trials;
  private final Rows.Results results;
  private final Catalogue catalogue;
  private final Acts acts;

  TriedByHand(
      SelectionStore store,
      Rows.Tasks tasks,
      Rows.TrialRows trials,
      Rows.Results results,
      Catalogue catalogue,
      Acts acts) {
    this.catalogue = catalogue;
    this.acts = acts;
    this.store = store;
    this.tasks = tasks;
    this.trials = trials;
    this.results = results;
  }

  /** What was tried in one selection. */
  record Stored(List<TaskRow> tasks, List<TrialRow> trials, List<ResultRow> results) {
    /** What of it is of contenders and tasks that are there; null if nothing is. */
    SelectionFile.@Nullable TrialsPart part(Set<String> contenders) {
      if (tasks.isEmpty() && trials.isEmpty()) {
        return null;
      }
      Set<String> known = tasks.stream().map(task -> task.code).collect(Collectors.toSet());
      return new SelectionFile.TrialsPart(
          tasks.stream()
              .map(task -> new SelectionFile.TaskPart(task.code, task.words, task.why))
              .toList(),
          trials.stream()
              .filter(trial -> contenders.contains(trial.contender))
              .map(trial ->
                  new SelectionFile.TrialPart(
                      trial.contender,
                      trial.plan,
                      trial.firstDay.toString(),
                      trial.lastDay == null ? null : trial.lastDay.toString(),
                      trial.terms,
                      names(trial.people),
                      results.stream()
                          .filter(r -> r.contender.equals(trial.contender))
                          .filter(r -> known.contains(r.task))
                          .map(Stored::part)
                          .toList()))
              .toList());
    }

    private static SelectionFile.ResultPart part(ResultRow row) {
      return new SelectionFile.ResultPart(
          row.task, row.author, row.outcome, row.minutes, row.note, row.triedOn.toString());
    }

    private static List<String> names(String lines) {
      return lines.lines().filter(line -> !line.isBlank()).toList();
    }
  }

  /** What was tried, by selection; three queries whatever their number. */
  Map<Long, Stored> of(Collection<Long> selections) {
    Map<Long, List<TaskRow>> named =
        tasks.findBySelectionIdInOrderById(selections).stream()
            .collect(Collectors.groupingBy(row -> row.selectionId));
    Map<Long, List<TrialRow>> planned =
        trials.findBySelectionIdInOrderById(selections).stream()
            .collect(Collectors.groupingBy(row -> row.selectionId));
    Map<Long, List<ResultRow>> gone =
        results.findBySelectionIdInOrderById(selections).stream()
            .collect(Collectors.groupingBy(row -> row.selectionId));
    return selections.stream()
        .distinct()
        .collect(
            Collectors.toMap(
                id -> id,
                id ->
                    new Stored(
                        named.getOrDefault(id, List.of()),
                        planned.getOrDefault(id, List.of()),
                        gone.getOrDefault(id, List.of()))));
  }

  /**
   * Puts a task on the list; nothing happens if one for the same or in the same words is on it.
   *
   * @throws Conflict if as many are named as can be
   * @throws IllegalArgumentException if the words are none
   */
  @Transactional
  public void name(long id, String words, Task.From from) {
    store.open(id);
    List<TaskRow> all = tasks.findBySelectionIdInOrderById(List.of(id));
    String why = TrialsReader.code(from);
    if (all.stream()
        .anyMatch(row ->
            row.words.equalsIgnoreCase(words.strip()) || why != null && why.equals(row.why))) {
      return;
    }
    if (all.size() >= Limits.TASKS) {
      throw new Conflict(
          "At most " + Limits.TASKS + " tasks are tried, and so many are named. Remove one.");
    }
    Task task =
        new Task(
            Codes.unused(Codes.slug(words), all.stream().map(row -> row.code).toList()),
            Codes.text(words, Task.LONGEST),
            from);
    tasks.save(row(id, new SelectionFile.TaskPart(task.id(), task.words(), why)));
    acts.note(id, new Act.TaskNamed(task.words()));
  }

  private String tool(String slug) {
    return catalogue.find(slug).map(stored -> stored.sheet().name()).orElse(slug);
  }

  /**
   * Takes a task off the list.
   *
   * @throws Conflict if somebody has tried it
   */
  @Transactional
  public void drop(long id, String task) {
    store.open(id);
    if (results.existsBySelectionIdAndTask(id, task)) {
      throw new Conflict(
          "Somebody has tried this already. Take the results back first, or leave it on the list.");
    }
    tasks.findBySelectionIdInOrderById(List.of(id)).stream()
        .filter(row -> row.code.equals(task))
        .forEach(row -> {
          tasks.delete(row);
          acts.note(id, new Act.TaskDropped(row.words));
        });
  }

  /**
   * Begins a trial, or changes it. What is so already is not changed again.
   *
   * @param trial its results are not looked at
   * @param read the stamp of the trial that was read; empty: there was none
   * @throws Conflict if it is another by now
   */
  @Transactional
  public void plan(long id, Trial trial, String read) {
    store.open(id);
    Optional<TrialRow> before = trials.findBySelectionIdAndContender(id, trial.contender());
    String now = before.map(row -> stamp(trial(row))).orElse("");
    if (now.equals(stamp(trial))) {
      return;
    }
    if (!now.equals(read)) {
      throw new Conflict("Somebody changed this trial after you opened this page.");
    }
    TrialRow row = before.orElseGet(TrialRow::new);
    row.selectionId = id;
    row.contender = trial.contender();
    row.plan = trial.plan();
    row.firstDay = trial.first();
    row.lastDay = trial.ends().orElse(null);
    row.terms = Codes.text(trial.terms(), Limits.TERMS_OF_TRIAL);
    row.people = String.join("\n", trial.people());
    trials.save(row);
    acts.note(id, new Act.TrialPlanned(tool(trial.contender()), row.firstDay, row.lastDay));
  }

  private static Trial trial(TrialRow row) {
    return new Trial(
        row.contender,
        row.plan,
        row.firstDay,
        row.lastDay,
        row.terms,
        row.people.lines().toList(),
        List.of());
  }

  /** What tells one plan of a trial from another, whatever came of it. */
  public static String stamp(Trial trial) {
    String all =
        String.join(
            "\n",
            String.valueOf(trial.plan()),
            trial.first().toString(),
            trial.ends().map(LocalDate::toString).orElse(""),
            trial.terms(),
            String.join("\n", trial.people()));
    return UUID.nameUUIDFromBytes(all.getBytes(StandardCharsets.UTF_8)).toString();
  }

  /**
   * Puts down how somebody fared; what the same person put down of the task before is replaced.
   *
   * @throws NotFound if the contender is not tried, or there is no such task
   */
  @Transactional
  public void note(long id, String contender, Trial.Result result) {
    store.open(id);
    if (trials.findBySelectionIdAndContender(id, contender).isEmpty()) {
      throw new NotFound("trial of this contender any more");
    }
    if (!tasks.existsBySelectionIdAndCode(id, result.task())) {
      throw new NotFound("task like this any more");
    }
    Optional<ResultRow> before = result(id, contender, result.task(), result.by());
    if (before.isEmpty()
        && results.countBySelectionIdAndContender(id, contender) >= Limits.RESULTS) {
      throw new Conflict(
          "At most "
              + Limits.RESULTS
              + " results are kept of one contender, and there are so many.");
    }
    ResultRow row = before.orElseGet(ResultRow::new);
    String was = fared(before);
    fill(row, id, contender, result);
    results.save(row);
    tried(id, contender, result.task(), result.by(), was, fared(Optional.of(row)));
  }

  /** Takes back what somebody put down; nothing happens if it was nothing. */
  @Transactional
  public void takeBack(long id, String contender, String task, String by) {
    store.open(id);
    result(id, contender, task, by)
        .ifPresent(row -> {
          results.delete(row);
          tried(id, contender, task, by, fared(Optional.of(row)), "");
        });
  }

  private void tried(long id, String contender, String task, String by, String was, String now) {
    String words =
        tasks.findBySelectionIdInOrderById(List.of(id)).stream()
            .filter(row -> row.code.equals(task))
            .findFirst()
            .map(row -> row.words)
            .orElse(task);
    acts.note(id, new Act.Tried(tool(contender), by, words, was, now));
  }

  /** Such as "done, 2 min"; empty if nothing was put down. */
  private static String fared(Optional<ResultRow> result) {
    return result
        .map(row ->
            Codes.oneOf(Trial.Completion.class, row.outcome).words()
                + (row.minutes == null ? "" : ", " + row.minutes + " min"))
        .orElse("");
  }

  private Optional<ResultRow> result(long id, String contender, String task, String by) {
    return results.findBySelectionIdAndContenderAndTaskAndAuthor(id, contender, task, by);
  }

  private static void fill(ResultRow row, long id, String contender, Trial.Result result) {
    row.selectionId = id;
    row.contender = contender;
    row.task = result.task();
    row.author = result.by();
    row.outcome = Codes.code(result.outcome());
    row.minutes = result.minutes();
    row.note = Codes.text(result.note(), Limits.NOTE);
    row.triedOn = result.on();
  }

  private static TaskRow row(long id, SelectionFile.TaskPart part) {
    TaskRow row = new TaskRow();
    row.selectionId = id;
    row.code = part.id();
    row.words = part.words();
    row.why = part.from();
    return row;
  }

  /**
   * Keeps what came in a file.
   *
   * @param slugs the ids of the tools here by those in the file
   */
  void take(long id, SelectionFile.TrialsPart part, Map<String, String> slugs) {
    part.tasks().forEach(task -> tasks.save(row(id, task)));
    for (SelectionFile.TrialPart trial : part.trials()) {
      String contender = Objects.requireNonNull(slugs.get(trial.contender()));
      TrialRow row = new TrialRow();
      row.selectionId = id;
      row.contender = contender;
      row.plan = trial.plan();
      row.firstDay = LocalDate.parse(trial.first());
      row.lastDay = trial.last() == null ? null : LocalDate.parse(trial.last());
      row.terms = trial.terms();
      row.people = String.join("\n", trial.people());
      trials.save(row);
      for (SelectionFile.ResultPart result : trial.results()) {
        ResultRow kept = new ResultRow();
        fill(
            kept,
            id,
            contender,
            new Trial.Result(
                result.task(),
                result.by(),
                Codes.oneOf(Trial.Completion.class, result.outcome()),
                result.minutes(),
                result.note(),
                LocalDate.parse(result.on())));
        results.save(kept);
      }
    }
  }
}
