package tertulia.core;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.math.MathContext;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import org.testng.annotations.Test;
import tertulia.core.trial.Task;
import tertulia.core.trial.Trial;
import tertulia.core.trial.Trial.Completion;
import tertulia.core.trial.Trial.Result;
import tertulia.core.trial.Trials;

/** What was tried by hand, counted; on generated trials against counting cell by cell. */
public class TrialsTest {
  private static final LocalDate DAY = LocalDate.of(2026, 11, 24);

  private static Task task(int n) {
    return new Task("t" + n, "Task " + n, new Task.From.Own());
  }

  private static Result result(int task, String by, Completion outcome, Integer minutes) {
    return new Result("t" + task, by, outcome, minutes, "", DAY);
  }

  private static Trials trials(int tasks, Result... results) {
    return new Trials(
        IntStream.range(0, tasks).mapToObj(TrialsTest::task).toList(),
        List.of(new Trial("a", null, DAY, null, "", List.of(), List.of(results))));
  }

  @Test
  public void aTaskThatNobodyTriedIsNeitherDoneNorNot() {
    Trials trials =
        trials(
            3,
            result(0, "Ilse", Completion.DONE, 4),
            result(0, "Odile", Completion.NOT_DONE, null),
            result(1, "Ilse", Completion.DONE, 10));
    assertEquals(trials.tally("a"), new Trials.Tally(1, 1, 0, 1));
    Trials.Share share = trials.shareDone("a").orElseThrow();
    assertEquals(share.low(), new BigDecimal("0.5"));
    assertEquals(share.high().round(new MathContext(6)), new BigDecimal("0.833333"));
    assertEquals(trials.medianMinutes("a"), Optional.empty(), "one has no time yet");
    assertEquals(trials.untimed("a"), List.of(task(2)));
    assertEquals(trials.tally("b"), new Trials.Tally(0, 0, 0, 3), "nor with whom nobody tries");
    assertEquals(Trials.NONE.shareDone("a"), Optional.empty());
    assertEquals(Trials.NONE.medianMinutes("a"), Optional.empty());
  }

  @Test
  public void theTimeOfATaskIsTheMedianOfThoseWhoDidIt() {
    Trials trials =
        trials(
            2,
            result(0, "Ilse", Completion.DONE, 4),
            result(0, "Odile", Completion.DONE, 7),
            result(0, "Joren", Completion.NOT_DONE, 60),
            result(1, "Ilse", Completion.DONE, 1),
            result(1, "Odile", Completion.DONE, 2),
            result(1, "Joren", Completion.DONE, 90));
    assertEquals(trials.minutes(task(0), "a"), Optional.of(new BigDecimal("5.5")));
    assertEquals(trials.minutes(task(1), "a"), Optional.of(new BigDecimal("2")));
    assertEquals(trials.medianMinutes("a"), Optional.of(new BigDecimal("3.75")));
  }

  @Test
  public void aTrialBeginsRunsAndEnds() {
    Trial trial = new Trial("a", null, DAY, DAY.plusDays(2), "", List.of(), List.of());
    assertEquals(trial.on(DAY.minusDays(3)), new Trial.Stage.Ahead(3));
    assertEquals(trial.on(DAY), new Trial.Stage.Running(Optional.of(2L)));
    assertEquals(trial.on(DAY.plusDays(2)), new Trial.Stage.Running(Optional.of(0L)));
    assertEquals(trial.on(DAY.plusDays(3)), new Trial.Stage.Over(1));
    assertEquals(
        new Trial("a", null, DAY, null, "", List.of(), List.of()).on(DAY.plusYears(9)),
        new Trial.Stage.Running(Optional.empty()));
    try {
      new Trial("a", null, DAY, DAY.minusDays(1), "", List.of(), List.of());
    } catch (IllegalArgumentException e) {
      assertEquals(
          e.getMessage(),
          "The trial ends on 2026-11-23 and begins on 2026-11-24. Swap the two days.");
      return;
    }
    throw new AssertionError("taken");
  }

  @Test
  public void whatIsOutOfBoundsIsRefused() {
    assertThrows(IllegalArgumentException.class, () -> result(0, "Ilse", Completion.DONE, -1));
    assertThrows(IllegalArgumentException.class, () -> result(0, "Ilse", Completion.DONE, 10_001));
    assertThrows(IllegalArgumentException.class, () -> new Task("t", " ", new Task.From.Own()));
    assertThrows(
        IllegalArgumentException.class,
        () -> new Task("t", "x".repeat(Task.LONGEST + 1), new Task.From.Own()));
    assertThrows(
        IllegalArgumentException.class, () -> new Trials(List.of(task(1), task(1)), List.of()));
  }

  /** A second way: a table of tasks by people, counted cell by cell, in doubles. */
  @Test
  public void generatedTrialsCountAsATableDoes() {
    Random random = new Random(14);
    int known = 0;
    for (int round = 0; round < 500; round++) {
      int tasks = 1 + random.nextInt(6);
      int people = 1 + random.nextInt(4);
      Integer[][] minutes = new Integer[tasks][people];
      int[][] went = new int[tasks][people];
      List<Result> results = new ArrayList<>();
      for (int t = 0; t < tasks; t++) {
        for (int p = 0; p < people; p++) {
          went[t][p] = random.nextInt(5) == 0 ? 0 : random.nextInt(6) == 0 ? -1 : 1;
          minutes[t][p] = random.nextInt(6) == 0 ? null : random.nextInt(50);
          if (went[t][p] != 0) {
            Completion outcome = went[t][p] > 0 ? Completion.DONE : Completion.NOT_DONE;
            results.add(result(t, "p" + p, outcome, minutes[t][p]));
          }
        }
      }
      Trials trials = trials(tasks, results.toArray(Result[]::new));
      double low = 0;
      double high = 0;
      List<Double> times = new ArrayList<>();
      for (int t = 0; t < tasks; t++) {
        int tried = 0;
        int done = 0;
        List<Double> took = new ArrayList<>();
        for (int p = 0; p < people; p++) {
          tried += went[t][p] == 0 ? 0 : 1;
          done += went[t][p] > 0 ? 1 : 0;
          if (went[t][p] > 0 && minutes[t][p] != null) {
            took.add((double) minutes[t][p]);
          }
        }
        low += tried == 0 ? 0 : (double) done / tried;
        high += tried == 0 ? 1 : (double) done / tried;
        if (!took.isEmpty()) {
          times.add(middle(took));
        }
      }
      Trials.Share share = trials.shareDone("a").orElseThrow();
      assertEquals(share.low().doubleValue(), low / tasks, 1e-12);
      assertEquals(share.high().doubleValue(), high / tasks, 1e-12);
      Optional<BigDecimal> median = trials.medianMinutes("a");
      assertEquals(median.isPresent(), times.size() == tasks);
      if (median.isPresent()) {
        known++;
        assertEquals(median.get().doubleValue(), middle(times), 1e-12);
      }
    }
    assertTrue(known > 100 && known < 450, known + " of 500 had a median");
  }

  private static double middle(List<Double> numbers) {
    double[] sorted = numbers.stream().mapToDouble(x -> x).sorted().toArray();
    int n = sorted.length;
    return (sorted[(n - 1) / 2] + sorted[n / 2]) / 2;
  }
}
