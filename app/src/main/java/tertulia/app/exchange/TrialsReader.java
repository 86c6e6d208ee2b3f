package tertulia.app.exchange;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import tertulia.core.trial.Task;
import tertulia.core.trial.Trial;
import tertulia.core.trial.Trials;

/** Reads what was tried by hand, every fault under its place. */
public final class TrialsReader {
  private static final String NEED = "need/";
  private static final String CRITERION = "criterion/";
  private final Faults faults;

  TrialsReader(Faults faults) {
    this.faults = faults;
  }

  /** Why a task is tried, from how it is written. */
  public static Task.From from(@Nullable String written) {
    if (written == null) {
      return new Task.From.Own();
    }
    if (written.startsWith(NEED)) {
      return new Task.From.OfNeed(written.substring(NEED.length()));
    }
    if (written.startsWith(CRITERION)) {
      return new Task.From.OfCriterion(written.substring(CRITERION.length()));
    }
    throw new IllegalArgumentException(
        "\"" + Codes.shortened(written) + "\" is neither need/ID nor criterion/ID.");
  }

  /** As it is written; null: somebody thought of it. */
  public static @Nullable String code(Task.From from) {
    return switch (from) {
      case Task.From.OfNeed need -> NEED + need.need();
      case Task.From.OfCriterion criterion -> CRITERION + criterion.criterion();
      case Task.From.Own own -> null;
    };
  }

  Trials read(SelectionFile.TrialsPart part, List<String> contenders) {
    List<Task> tasks = new ArrayList<>();
    for (int i = 0; i < part.tasks().size(); i++) {
      SelectionFile.TaskPart task = part.tasks().get(i);
      faults
          .at(
              "/trials/tasks/" + i,
              () -> new Task(task.id(), Codes.text(task.words(), Task.LONGEST), from(task.from())))
          .ifPresent(tasks::add);
    }
    List<String> ids = tasks.stream().map(Task::id).toList();
    List<Trial> trials = new ArrayList<>();
    for (int i = 0; i < part.trials().size(); i++) {
      SelectionFile.TrialPart trial = part.trials().get(i);
      String at = "/trials/trials/" + i;
      List<Trial.Result> results = new ArrayList<>();
      for (int j = 0; j < trial.results().size(); j++) {
        SelectionFile.ResultPart result = trial.results().get(j);
        faults.at(at + "/results/" + j, () -> result(result, ids)).ifPresent(results::add);
      }
      faults.at(at, () -> trial(trial, results, contenders)).ifPresent(trials::add);
    }
    return faults.at("/trials", () -> new Trials(tasks, trials)).orElse(Trials.NONE);
  }

  private static Trial trial(
      SelectionFile.TrialPart part, List<Trial.Result> results, List<String> contenders) {
    SelectionReader.checkKnown("contender", part.contender(), contenders);
    checkOnce(results);
    return new Trial(
        part.contender(),
        part.plan(),
        Codes.day(part.first()),
        part.last() == null ? null : Codes.day(part.last()),
        Codes.text(part.terms(), Limits.TERMS_OF_TRIAL),
        part.people().stream().map(p -> Codes.text(p, BriefReader.LONGEST_NAME)).toList(),
        results);
  }

  private static void checkOnce(List<Trial.Result> results) {
    Stream<List<String>> each = results.stream().map(r -> List.of(r.task(), r.by()));
    if (each.distinct().count() < results.size()) {
      throw new IllegalArgumentException("Somebody has two results of one task. Keep the last.");
    }
  }

  private static Trial.Result result(SelectionFile.ResultPart part, List<String> tasks) {
    SelectionReader.checkKnown("task", part.task(), tasks);
    return new Trial.Result(
        part.task(),
        Codes.text(part.by(), BriefReader.LONGEST_NAME),
        Codes.oneOf(Trial.Completion.class, part.outcome()),
        part.minutes(),
        Codes.text(part.note(), Limits.NOTE),
        Codes.day(part.on()));
  }

  /** Why a task may be tried, if the selection still has it. */
  public static Optional<String> named(Task.From from, Brief brief) {
    return switch (from) {
      case Task.From.OfNeed need ->
          brief.needs().stream()
              .filter(n -> n.id().equals(need.need()))
              .map(Brief.NeedPart::name)
              .findFirst();
      case Task.From.OfCriterion criterion ->
          brief.criteria().stream()
              .filter(c -> Objects.equals(c.id(), criterion.criterion()))
              .map(Brief.CriterionPart::name)
              .findFirst();
      case Task.From.Own own -> Optional.empty();
    };
  }
}
