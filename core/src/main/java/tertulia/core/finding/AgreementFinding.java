package tertulia.core.finding;

import java.math.BigDecimal;
import java.util.List;

/** What is said of where people agree. */
public sealed interface AgreementFinding extends Finding {
  /**
   * How far people's own rankings agree.
   *
   * @param w Kendall's W, 0 to 1
   * @param firsts contenders that are first in somebody's own ranking, each once
   */
  record RankingsAgree(Degree degree, BigDecimal w, List<String> firsts)
      implements AgreementFinding {
    public RankingsAgree {
      firsts = List.copyOf(firsts);
    }

    /** How far, in three steps. */
    public enum Degree {
      /** W of 0.7 or more. */
      WELL,
      /** W of 0.3 or more. */
      IN_PART,
      /** Less. */
      HARDLY
    }
  }

  /** Another would be ahead without one person's view. */
  record ViewTurns(String person, String without, String shared) implements AgreementFinding {}
}
