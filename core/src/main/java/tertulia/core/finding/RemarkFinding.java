package tertulia.core.finding;

import java.util.List;

/** What is said of what people asked and said. */
public sealed interface RemarkFinding extends Finding {
  /**
   * Remarks that nobody has closed.
   *
   * @param remarks 1 or more
   * @param steps where they are, in the order of the steps
   */
  record OpenRemarks(int remarks, List<Stage> steps) implements RemarkFinding {
    public OpenRemarks {
      steps = List.copyOf(steps);
    }
  }

  /** So many remarks on how something is judged wait until the reader's own view is handed in. */
  record KeptRemarks(int remarks) implements RemarkFinding {}
}
