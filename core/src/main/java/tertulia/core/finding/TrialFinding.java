package tertulia.core.finding;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import tertulia.core.fit.Answer;
import tertulia.core.fit.Capability;
import tertulia.core.trial.Trial;
import tertulia.core.trial.Trials;

/** What is said of what was tried by hand. */
public sealed interface TrialFinding extends Finding {
  /** Nobody has said what to try. */
  record NoTasks() implements TrialFinding {}

  /** These contenders are not tried by anybody. */
  record NotTried(List<String> tools) implements TrialFinding {
    public NotTried {
      tools = List.copyOf(tools);
    }
  }

  /**
   * How a contender fared with the tasks.
   *
   * @param minutes the median time of a task; empty if not every task was done by the clock
   */
  record Tried(String tool, Trials.Tally tally, Optional<BigDecimal> minutes, Trial.Stage stage)
      implements TrialFinding {}

  /**
   * What a task shows of a fact; everybody who tried it fared alike.
   *
   * @param plan id of the plan that was tried
   * @param known what is known of the plan now
   * @param shown what the task shows: yes or no
   * @param by who tried it last
   */
  record TriedFact(
      String tool,
      String plan,
      Capability capability,
      Answer known,
      Answer shown,
      String by,
      LocalDate on)
      implements TrialFinding {
    /** Whether it shows the contrary of what is known. */
    public boolean isContrary() {
      return known == Answer.YES && shown == Answer.NO || known == Answer.NO && shown == Answer.YES;
    }
  }
}
