package tertulia.core.finding;

import java.math.BigDecimal;
import java.util.List;
import tertulia.core.scoring.Interval;

/** What is said of totals. */
public sealed interface ScoreFinding extends Finding {
  /** Nobody leads: there are no weights, or no contender is ranked. */
  record NoTotals(boolean anybodyRanked) implements ScoreFinding {}

  /** A contender leads whatever the unknown values are. */
  record Leads(String tool, Interval total) implements ScoreFinding {}

  /** Contenders share the lead for certain. */
  record LevelLead(List<String> tools, BigDecimal total) implements ScoreFinding {
    public LevelLead {
      tools = List.copyOf(tools);
    }
  }

  /**
   * A contender is ahead by the middle of its total, and could come as low as a place.
   *
   * @param open criteria of which a value that matters is only known within bounds
   */
  record OpenLead(String tool, Interval total, int worst, List<String> open)
      implements ScoreFinding {
    public OpenLead {
      open = List.copyOf(open);
    }
  }

  /**
   * Costs that differ are worth the same, as they lie outside the scale of a criterion.
   *
   * @param end 0 if they are worth nothing, 1 if they are worth all
   * @param worst a cost a month that would be worth 0 and hold all contenders
   * @param best one that would be worth 1
   */
  record OutsideScale(
      String criterion, List<String> tools, int end, BigDecimal worst, BigDecimal best)
      implements ScoreFinding {
    public OutsideScale {
      tools = List.copyOf(tools);
    }
  }

  /**
   * What each contender is worth under a criterion that is worked out, the most first by the middle
   * of what it can be; those that are out are left out.
   */
  record WorthUnder(String criterion, List<Worth> worths) implements ScoreFinding {
    public WorthUnder {
      worths = List.copyOf(worths);
    }

    /** 0 to 1. */
    public record Worth(String tool, Interval value) {}
  }

  /**
   * A criterion that people mark seems to count what another works out.
   *
   * @param judged name of the one that is marked
   * @param measured name of the one that is worked out
   * @param cost whether that is the cost; else it is coverage
   */
  record CountedTwice(String judged, String measured, boolean cost) implements ScoreFinding {}

  /**
   * A scale of cost that nobody has stated; it moves when contenders come and go.
   *
   * @param worst a month, worth 0
   * @param best a month, worth 1
   */
  record GuessedScale(String criterion, BigDecimal worst, BigDecimal best)
      implements ScoreFinding {}
}
