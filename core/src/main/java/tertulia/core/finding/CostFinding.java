package tertulia.core.finding;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.joda.money.Money;
import tertulia.core.evaluation.Amount;
import tertulia.core.evaluation.HeadToHead.Apart;
import tertulia.core.fit.Reason;
import tertulia.core.growth.Measure;
import tertulia.core.path.Dimension;
import tertulia.core.path.LeftOut;
import tertulia.core.path.OptionName;
import tertulia.core.pricing.Unsaid;

/** What is said of cost. */
public sealed interface CostFinding extends Finding {
  /**
   * Who is cheapest in the month under discussion and who over the whole period.
   *
   * @param now cheapest now; empty if nobody has a figure
   * @param whole the cheapest over the whole period; more than one if they are level
   * @param apart what is certain of the money between {@code now} and the first of them over the
   *     period; empty if {@code now} is one of them, or is empty
   * @param paysFrom the first plan month from which its running sum stays below that of every rival
   *     with a total; empty if it has no rival, they are level to the end, or a total is a bound
   * @param open who may yet be cheaper, now or over the whole period, as what they cost is only
   *     known within bounds or not at all
   */
  record WholePeriod(
      Optional<String> now,
      List<String> whole,
      Optional<Apart> apart,
      Optional<Integer> paysFrom,
      List<String> open)
      implements CostFinding {
    public WholePeriod {
      whole = List.copyOf(whole);
      open = List.copyOf(open);
    }

    /** Whether today's cheapest is not the cheapest in the long run. */
    public boolean differs() {
      return now.isPresent() && !whole.isEmpty() && !whole.contains(now.get());
    }
  }

  /**
   * What the only tool costs that has a plan that serves; there is nothing to compare it with.
   *
   * @param month in the month under discussion; empty if unknown
   * @param whole over the whole period; empty if unknown; not both are
   * @param others contenders of which no plan serves; empty if there is no other contender
   * @param toConfirm those of them of which one would if what is not known were confirmed
   * @param most no plan of theirs serves for any headcount up to this; 0 if there are none
   */
  record OnlyOne(
      String tool,
      Optional<Amount> month,
      Optional<Amount> whole,
      List<String> others,
      List<String> toConfirm,
      int most)
      implements CostFinding {
    public OnlyOne {
      others = List.copyOf(others);
      toConfirm = List.copyOf(toConfirm);
    }

    /** The others of which nothing that could be confirmed would make a plan serve. */
    public List<String> out() {
      return others.stream().filter(tool -> !toConfirm.contains(tool)).toList();
    }
  }

  /** Nobody has a figure at any headcount. */
  record NobodyHasAFigure() implements CostFinding {}

  /**
   * Who is cheapest for which headcounts, in order and without a gap.
   *
   * @param most the highest headcount looked at
   */
  record CheapestByHeadcount(List<Stretch> stretches, int most) implements CostFinding {
    public CheapestByHeadcount {
      stretches = List.copyOf(stretches);
    }

    /**
     * Headcounts in a row.
     *
     * @param tool the cheapest; empty: nobody has a figure
     * @param level others that cost the same somewhere in it
     * @param open others that may cost less somewhere in it, as what they cost is only known within
     *     bounds or not at all
     */
    public record Stretch(
        int from, int to, Optional<String> tool, List<String> level, List<String> open) {
      public Stretch {
        level = List.copyOf(level);
        open = List.copyOf(open);
      }
    }

    /** All who may yet be cheaper somewhere. */
    public List<String> open() {
      return stretches.stream().flatMap(stretch -> stretch.open().stream()).distinct().toList();
    }
  }

  /**
   * From {@code n} people on {@code now} is cheaper than {@code before}, for this cause.
   *
   * @param certain whether it is at {@code n} whatever a figure comes to within its bounds
   */
  record LeadChange(int n, String before, String now, Cause cause, boolean certain)
      implements CostFinding {}

  /** Why an order changes between n − 1 and n people. */
  sealed interface Cause {
    /** The dearer one leaves a plan that does not do any more. */
    record LeavesPlan(String tool, OptionName option, List<Reason> reasons) implements Cause {
      public LeavesPlan {
        reasons = List.copyOf(reasons);
      }
    }

    /** The cheaper one takes another plan or term. */
    record TakesPlan(String tool, OptionName option) implements Cause {}

    /** The dearer one costs so much more with the n-th person, as a band, pack or block begins. */
    record Jumps(String tool, Money by) implements Cause {}

    /** The cheaper one costs so much less with the n-th person, as bands can. */
    record Falls(String tool, Money by) implements Cause {}

    /** The cheaper one grows less with the n-th person: by {@code less} against {@code more}. */
    record GrowsLess(Money less, Money more) implements Cause {}

    /** The other had no figure before. */
    record HasAFigure() implements Cause {}
  }

  /**
   * Whether, and at which headcounts, the cheapest changes between the fewest and most planned.
   *
   * @param open who may cost less than the cheapest at one of these headcounts
   */
  record WithinPlan(int fewest, int most, List<Integer> changes, List<String> open)
      implements CostFinding {
    public WithinPlan {
      changes = List.copyOf(changes);
      open = List.copyOf(open);
    }
  }

  /**
   * A tool costs nothing, bought once or owned included, up to so many people.
   *
   * @param ends whether that many are the last; else they are the most that were looked at
   * @param doesUntil the last plan month with no more people than that; empty if there are more
   *     from the start
   * @param always whether that is the whole plan
   */
  record FreeUpTo(
      String tool, int people, boolean ends, Optional<Integer> doesUntil, boolean always)
      implements CostFinding {}

  /**
   * Some units of a tool are paid for, but not to the end of the plan: the months until then cost
   * less, and what so many people cost for good does not.
   *
   * @param until the last day paid for
   */
  record OwnedForAWhile(String tool, int units, Measure measure, LocalDate until)
      implements CostFinding {}

  /** For a staff of so many a tool's price for everybody is cheaper from so many named on. */
  record WholeStaffPays(String tool, int staff, int named) implements CostFinding {}

  /**
   * One tool has cost less than another from a plan month on to the end, and did not before.
   *
   * @param month above 0
   */
  record PaysFrom(String tool, String rival, int month) implements CostFinding {}

  /**
   * A tool has cost less than the one in use until now would have, from a plan month on to the end.
   *
   * @param month 0: from the start
   */
  record BeatsOldTool(String tool, int month) implements CostFinding {}

  /** Tools that over the whole period cost as much as the one in use until now, or more. */
  record OldToolCostsNoMore(List<String> tools) implements CostFinding {
    public OldToolCostsNoMore {
      tools = List.copyOf(tools);
    }
  }

  /**
   * Taking the committed terms of a tool's cheapest path has cost less than paying it by the month
   * from a plan month on to the end.
   *
   * @param month 0: from the start
   */
  record CommitmentPays(String tool, int month) implements CostFinding {}

  /** Nobody has a figure however much of something there is, up to so much. */
  record NobodyHasAFigureBy(Dimension dimension, long most) implements CostFinding {}

  /**
   * Who is cheapest for how much of something, with the people under discussion.
   *
   * @param step how exactly the ends of the stretches are known, in units of the measure or of the
   *     reporting currency
   * @param stretches counted in the same
   */
  record CheapestByQuantity(
      Dimension dimension, int step, List<CheapestByHeadcount.Stretch> stretches, long most)
      implements CostFinding {
    public CheapestByQuantity {
      stretches = List.copyOf(stretches);
    }
  }

  /**
   * A tool has a plan for now and none for all months.
   *
   * @param month the first plan month for which it has none
   * @param option what it is on now
   * @param reasons why that does not do then
   */
  record NoWay(String tool, int month, OptionName option, List<Reason> reasons)
      implements CostFinding {
    public NoWay {
      reasons = List.copyOf(reasons);
    }
  }

  /** Prices of some are without a commitment, of others with one. */
  record MixedTerms(List<String> monthly, List<String> committed) implements CostFinding {
    public MixedTerms {
      monthly = List.copyOf(monthly);
      committed = List.copyOf(committed);
    }

    /** Those who are fewer, so that they can be made like the others; of as many the monthly. */
    public List<String> fewer() {
      return committed.size() < monthly.size() ? committed : monthly;
    }
  }

  /** A price was written down long before the newest beside it. */
  record OlderPrice(String tool, LocalDate asOf, LocalDate newest) implements CostFinding {}

  /**
   * A figure rests on prices of which the page leaves something open.
   *
   * @param open at least one
   */
  record NotSaid(String tool, List<Unsaid> open) implements CostFinding {
    public NotSaid {
      open = List.copyOf(open);
    }
  }

  /** A larger number of units would cost less than those needed now. */
  record FallingBand(String tool, int units, String term) implements CostFinding {}

  /**
   * A cheaper plan of a tool is out only because so many are needed.
   *
   * @param plan its name
   * @param people the most people who would still fit; 0: nobody would
   */
  record BeyondCap(String tool, String plan, Reason.OverCap over, int people)
      implements CostFinding {}

  /** A figure is an upper bound because of what was left out. */
  record AtMost(String tool, List<LeftOut> because) implements CostFinding {
    public AtMost {
      because = List.copyOf(because);
    }
  }
}
