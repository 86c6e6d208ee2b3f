package tertulia.core.finding;

import java.util.List;
import java.util.Optional;
import org.joda.money.Money;
import tertulia.core.evaluation.ValueForMoney;
import tertulia.core.firmness.NearestUpset;
import tertulia.core.firmness.StabilityRange;
import tertulia.core.sensitivity.Condition;
import tertulia.core.sensitivity.FindOut;
import tertulia.core.sensitivity.ScenarioGrid;
import tertulia.core.sensitivity.Tried;

/** What is said of how firm an answer is, and who should take which. Tools are named by ids. */
public sealed interface Advice {
  /**
   * How firm the lead is.
   *
   * @param ahead by the middle of the totals, or for certain by cost; empty if nobody is, or
   *     several are level
   * @param mayPass who could be first for all that is known, or those that are level; nobody: the
   *     lead is certain
   * @param turned of the single changes tried so many put somebody else first for certain
   * @param tried so many single changes were tried
   * @param share of all weightings in which it is first, 0 to 1; empty without totals
   * @param within what turns it within what is planned or at the table already
   */
  record Firmness(
      Grade grade,
      Optional<String> ahead,
      List<String> mayPass,
      int turned,
      int tried,
      Optional<Double> share,
      List<Within> within)
      implements Advice {
    public Firmness {
      mayPass = List.copyOf(mayPass);
      within = List.copyOf(within);
    }
  }

  /** How firm a lead is. */
  enum Grade {
    /** There is nobody to compare. */
    ALONE,
    /** Nobody leads for certain. */
    OPEN,
    /**
     * Somebody leads, and another would within the people planned, if growth came out otherwise or
     * one view were left out, or in more than a third of all weightings.
     */
    NOT_FIRM,
    /** Not so, but some change that was tried puts somebody else first. */
    HOLDS,
    /** Nothing that was tried puts anybody else first, and few weightings do. */
    FIRM
  }

  /** What turns a lead without anything being given up. */
  enum Within {
    PEOPLE_PLANNED,
    GROWTH,
    A_VIEW,
    WEIGHTS
  }

  /**
   * When to take a contender.
   *
   * @param leads whether it leads as it is read
   * @param when the fewest conditions that tell it from the others; of the leader what it relies on
   * @param saves what it would save over the whole period against the leader as it is read, if a
   *     must were given up; empty if it is no such condition, or it would not
   * @param othersBySize whether at some number of people another leads for certain
   */
  record Take(
      String tool, boolean leads, List<Condition> when, Optional<Money> saves, boolean othersBySize)
      implements Advice {
    public Take {
      when = List.copyOf(when);
    }
  }

  /**
   * Who leads for certain at which numbers of people, each read by the cost a head: those that are
   * planned, and from half the fewest of them to twice the most.
   *
   * @param ranges in the order of the people; a contender may have several
   * @param gaps whether at some of these numbers nobody does
   */
  record BySize(List<Range> ranges, boolean gaps) implements Advice {
    public BySize {
      ranges = List.copyOf(ranges);
    }

    /** Whom one would take for so many people. */
    public record Range(String tool, Condition.Between people) {}
  }

  /** Contenders that lead under nothing that was tried. */
  record Never(List<String> tools, Tried tried) implements Advice {
    public Never {
      tools = List.copyOf(tools);
    }
  }

  /** What to find out first, as its answer could change most. */
  record Next(FindOut what) implements Advice {}

  /** Another than the one that is ahead by the table's weights is first in more weightings. */
  record MoreOften(String ahead, double share, String other, double othersShare)
      implements Advice {}

  /**
   * Taken by itself, the size under discussion puts another first than the whole period does.
   *
   * @param whole who leads over the whole period
   * @param now who leads at so many people
   */
  record AtThisSize(String whole, String now, int people) implements Advice {}

  /** The weight with the least room, the leader ahead. */
  record Tightest(String leader, StabilityRange room) implements Advice {}

  /** How little would have to change for somebody else to be level. */
  record Nearest(NearestUpset upset, List<NearestUpset.Move> moves) implements Advice {
    public Nearest {
      moves = List.copyOf(moves);
    }
  }

  /** So many of so many at the table have weighed; what is said rests on them alone. */
  record Weighed(int so, int of) implements Advice {}

  /**
   * Which of what was combined changes who is first when it alone changes.
   *
   * @param axes none: nothing does
   */
  record Mattering(List<ScenarioGrid.Axis> axes) implements Advice {
    public Mattering {
      axes = List.copyOf(axes);
    }
  }

  /** Others are worth as much or more and cost no more, one of both for certain better. */
  record Beaten(String tool, List<String> by) implements Advice {
    public Beaten {
      by = List.copyOf(by);
    }
  }

  /** What more worth costs from one contender to the next dearer that is not beaten. */
  record MoreWorth(ValueForMoney.StepUp step) implements Advice {}

  /**
   * For what a choice holds: where it stays first around what is read.
   *
   * @param first whether it is first as it is read, at least by the middle of the totals, and with
   *     nobody level
   * @param certain whether it is first whatever is not known
   * @param people headcounts in a row around today's at which it leads for certain, taken by
   *     themselves; empty if it does not at today's, or nobody is there
   * @param rooms of the weights that put another first somewhere; none if it is not first by totals
   */
  record HoldsFor(
      String tool,
      boolean first,
      boolean certain,
      Optional<Condition.Between> people,
      List<StabilityRange> rooms)
      implements Advice {
    public HoldsFor {
      rooms = List.copyOf(rooms);
    }
  }
}
