package tertulia.core.finding;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.testng.annotations.Test;
import tertulia.core.Generated;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Selection;
import tertulia.core.fit.Answer;
import tertulia.core.fit.Need;
import tertulia.core.pricing.Plan;
import tertulia.core.trial.Task;
import tertulia.core.trial.Trial;
import tertulia.core.trial.Trials;

/** What is said of what was tried. */
public class TrialFindingsTest extends GeneratedFindings {
  TrialFindingsTest() {
    super(TrialFinding.class);
  }

  private static Trials trials(Selection selection, Random random) {
    List<Task> tasks = new ArrayList<>();
    for (Need need : selection.needs()) {
      if (random.nextInt(3) > 0) {
        String id = need.capability().id();
        tasks.add(new Task("try-" + id, "Try " + id, new Task.From.OfNeed(id)));
      }
    }
    List<Trial> trials = new ArrayList<>();
    for (Contender contender : selection.active()) {
      if (random.nextInt(4) > 0) {
        List<Trial.Result> results = new ArrayList<>();
        for (Task task : tasks) {
          for (String by : List.of("One", "Two")) {
            if (random.nextInt(3) > 0) {
              results.add(
                  new Trial.Result(
                      task.id(),
                      by,
                      random.nextInt(3) == 0 ? Trial.Completion.NOT_DONE : Trial.Completion.DONE,
                      random.nextInt(4) == 0 ? null : random.nextInt(30),
                      "",
                      selection.asOf().minusDays(random.nextInt(20))));
            }
          }
        }
        List<Plan> plans = contender.tool().plans();
        trials.add(
            new Trial(
                contender.id(),
                random.nextInt(5) == 0 ? null : plans.get(random.nextInt(plans.size())).id(),
                selection.asOf().minusDays(20),
                random.nextInt(3) == 0 ? null : selection.asOf().plusDays(random.nextInt(9) - 4),
                "",
                List.of("One", "Two"),
                results));
      }
    }
    return new Trials(tasks, trials);
  }

  /** Counted anew from the results, one by one. */
  @Test(dataProvider = "seeds")
  public void whatIsSaidOfTrialsIsWhatWasTried(int seed) {
    Selection bare = Generated.selection(seed);
    Selection selection = bare.tried(trials(bare, new Random(seed)));
    Trials trials = selection.trials();
    TrialFindings findings = new TrialFindings(selection);
    BigDecimal before = BigDecimal.ONE;
    Set<String> said = new HashSet<>();
    for (TrialFinding finding : findings.all(selection.asOf())) {
      met(finding);
      switch (finding) {
        case TrialFinding.NoTasks none -> {
          assertTrue(trials.tasks().isEmpty());
          return;
        }
        case TrialFinding.NotTried not -> {
          assertTrue(not.tools().stream().allMatch(tool -> trials.of(tool).isEmpty()));
          said.addAll(not.tools());
        }
        case TrialFinding.Tried tried -> {
          int full = 0;
          int none = 0;
          int untried = 0;
          for (Task task : trials.tasks()) {
            Set<Trial.Completion> outcomes = new HashSet<>();
            trials.of(tried.tool()).orElseThrow().results().stream()
                .filter(r -> r.task().equals(task.id()))
                .forEach(r -> outcomes.add(r.outcome()));
            full += outcomes.equals(Set.of(Trial.Completion.DONE)) ? 1 : 0;
            none += outcomes.equals(Set.of(Trial.Completion.NOT_DONE)) ? 1 : 0;
            untried += outcomes.isEmpty() ? 1 : 0;
          }
          int partly = trials.tasks().size() - full - none - untried;
          assertEquals(tried.tally(), new Trials.Tally(full, partly, none, untried));
          assertEquals(tried.minutes(), trials.medianMinutes(tried.tool()));
          BigDecimal share = trials.shareDone(tried.tool()).orElseThrow().low();
          assertTrue(share.compareTo(before) <= 0, "the one with most done first");
          before = share;
          said.add(tried.tool());
        }
        case TrialFinding.TriedFact fact -> throw new AssertionError("said elsewhere");
      }
    }
    assertEquals(
        said, new HashSet<>(selection.active().stream().map(Contender::id).toList()), "of each");
    for (TrialFinding.TriedFact fact : findings.facts()) {
      met(fact);
      Contender contender = selection.contender(fact.tool());
      assertEquals(trials.of(fact.tool()).orElseThrow().plan(), fact.plan());
      assertEquals(
          contender.offerings().stream()
              .filter(o -> o.plan().id().equals(fact.plan()))
              .findFirst()
              .orElseThrow()
              .fact(fact.capability())
              .answer(),
          fact.known());
      List<Trial.Result> results =
          trials.of(fact.tool()).orElseThrow().results().stream()
              .filter(r -> r.task().equals("try-" + fact.capability().id()))
              .toList();
      assertTrue(
          !results.isEmpty()
              && results.stream()
                  .allMatch(
                      r -> (r.outcome() == Trial.Completion.DONE) == (fact.shown() == Answer.YES)));
      assertTrue(results.stream().noneMatch(r -> r.on().isAfter(fact.on())), "the last of them");
    }
  }
}
