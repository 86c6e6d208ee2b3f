package tertulia.core.finding;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.joda.money.Money;
import tertulia.core.evaluation.Amount;
import tertulia.core.evaluation.HeadToHead.Apart;
import tertulia.core.evaluation.NeedCosts;
import tertulia.core.fit.Answer;
import tertulia.core.fit.Capability;
import tertulia.core.fit.Conflicts;
import tertulia.core.fit.Need;
import tertulia.core.fit.Reason;
import tertulia.core.growth.Scenario;
import tertulia.core.path.Dimension;
import tertulia.core.path.LeftOut;
import tertulia.core.scoring.Interval;
import tertulia.core.trial.Trial;
import tertulia.core.trial.Trials;

/**
 * Something the product says in a sentence, with the figures it rests on. Tools are named by their
 * ids, months by their plan month. Words are made of it in one place, and each kind is tested
 * against the evaluation on generated selections.
 */
public sealed interface Finding {
  /** What is said of cost. */
  sealed interface OfCost extends Finding {}

  /** What is said of fit. */
  sealed interface OfFit extends Finding {}

  /** What is said of totals. */
  sealed interface OfScores extends Finding {}

  /** What is said of what was tried by hand. */
  sealed interface OfTrial extends Finding {}

  /** What is said of a change. */
  sealed interface OfChange extends Finding {}

  /** What is said first of a selection, to somebody who was not there. */
  sealed interface OfAnswer extends Finding {}

  /** What keeps an answer from being settled, and can be put right. */
  sealed interface OfMissing extends Finding {
    /** Where it is put right. */
    Stage step();
  }

  /** What is said of who gains if they are believed. */
  sealed interface OfInterests extends Finding {}

  /** What is said of where people agree. */
  sealed interface OfAgreement extends Finding {}

  /** What is said of what people asked and said. */
  sealed interface OfRemarks extends Finding {}

  /** What is said of who has shown the others their view. */
  sealed interface OfViews extends Finding {}

  /** What is said of a plan of growth, whatever the selection. */
  sealed interface OfGrowth extends Finding {}

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
      implements OfCost {
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
      implements OfCost {
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
  record NobodyHasAFigure() implements OfCost {}

  /**
   * Who is cheapest for which headcounts, in order and without a gap.
   *
   * @param most the highest headcount looked at
   */
  record CheapestByHeadcount(List<Stretch> stretches, int most) implements OfCost {
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
      implements OfCost {}

  /** Why an order changes between n − 1 and n people. */
  sealed interface Cause {
    /** The dearer one leaves a plan that does not do any more. */
    record LeavesPlan(String tool, String option, List<Reason> reasons) implements Cause {
      public LeavesPlan {
        reasons = List.copyOf(reasons);
      }
    }

    /** The cheaper one takes another plan or term. */
    record TakesPlan(String tool, String option) implements Cause {}

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
      implements OfCost {
    public WithinPlan {
      changes = List.copyOf(changes);
      open = List.copyOf(open);
    }
  }

  /**
   * A tool costs nothing, bought once or owned included, up to so many people.
   *
   * @param doesUntil the last plan month with no more people than that; empty if there are more
   *     from the start
   * @param always whether that is the whole plan
   */
  record FreeUpTo(String tool, int people, Optional<Integer> doesUntil, boolean always)
      implements OfCost {}

  /** For a staff of so many a tool's price for everybody is cheaper from so many named on. */
  record WholeStaffPays(String tool, int staff, int named) implements OfCost {}

  /**
   * One tool has cost less than another from a plan month on to the end, and did not before.
   *
   * @param month above 0
   */
  record PaysFrom(String tool, String rival, int month) implements OfCost {}

  /**
   * A tool has cost less than the one in use until now would have, from a plan month on to the end.
   *
   * @param month 0: from the start
   */
  record BeatsOldTool(String tool, int month) implements OfCost {}

  /** Tools that over the whole period cost as much as the one in use until now, or more. */
  record OldToolCostsNoMore(List<String> tools) implements OfCost {
    public OldToolCostsNoMore {
      tools = List.copyOf(tools);
    }
  }

  /**
   * Taking the committed terms of a tool's best way has cost less than paying it by the month from
   * a plan month on to the end.
   *
   * @param month 0: from the start
   */
  record CommitmentPays(String tool, int month) implements OfCost {}

  /**
   * Who is cheapest for how much of something, with the people under discussion.
   *
   * @param step how exactly the ends of the stretches are known, in units of the measure or of the
   *     reporting currency
   * @param stretches counted in the same
   */
  record CheapestByQuantity(
      Dimension dimension, int step, List<CheapestByHeadcount.Stretch> stretches, long most)
      implements OfCost {
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
  record NoWay(String tool, int month, String option, List<Reason> reasons) implements OfCost {
    public NoWay {
      reasons = List.copyOf(reasons);
    }
  }

  /** Prices of some are without a commitment, of others with one. */
  record MixedTerms(List<String> monthly, List<String> committed) implements OfCost {
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
  record OlderPrice(String tool, LocalDate asOf, LocalDate newest) implements OfCost {}

  /** A larger number of units would cost less than those needed now. */
  record FallingBand(String tool, int units, String term) implements OfCost {}

  /**
   * A cheaper plan of a tool is out only because so many are needed.
   *
   * @param option the plan's name
   * @param people the most people who would still fit; 0: nobody would
   */
  record BeyondCap(String tool, String option, Reason.OverCap over, int people) implements OfCost {}

  /** A figure is an upper bound because of what was left out. */
  record AtMost(String tool, List<LeftOut> because) implements OfCost {
    public AtMost {
      because = List.copyOf(because);
    }
  }

  /** Musts that each change nothing alone and something together. */
  record OnlyTogether(String tool, List<Need> needs, NeedCosts.Effect effect) implements OfFit {
    public OnlyTogether {
      needs = List.copyOf(needs);
    }
  }

  /**
   * The plan at the head of a tool's column is not the first that would do, but a cheaper one.
   *
   * @param first name of the first plan that would do
   * @param taken the plan and term the head reads
   * @param cost its steady cost a month
   */
  record NotTheFirst(String tool, String first, String taken, Amount cost) implements OfFit {}

  /** Nothing of a tool would do for so many people. */
  record NoPlan(String tool, int people, Conflicts conflicts) implements OfFit {}

  /** None of a tool's plans would do for so many people. */
  record NoPlanDoes(String tool, int people) implements OfFit {}

  /**
   * The first of a tool's plans, in the maker's order, that would do for so many people.
   *
   * @param isFirst whether it is the first of all
   */
  record FirstThatDoes(String tool, String plan, int people, boolean isFirst) implements OfFit {}

  /** A plan before it will not do, for these reasons. */
  record WillNotDo(String tool, String plan, List<Reason> reasons) implements OfFit {
    public WillNotDo {
      reasons = List.copyOf(reasons);
    }
  }

  /**
   * What the plan after the first that does would bring.
   *
   * @param gains needs it meets better
   * @param more what it costs more a month, negative if less; empty if that is not known
   * @param assumed whether that is between the high ends of assumed prices
   * @param beyond what it has besides that nobody asked for
   */
  record NextBrings(
      String tool,
      String plan,
      List<Need> gains,
      Optional<Money> more,
      boolean assumed,
      List<Capability> beyond)
      implements OfFit {
    public NextBrings {
      gains = List.copyOf(gains);
      beyond = List.copyOf(beyond);
    }
  }

  /**
   * What a change does to who is cheapest for the people under discussion, and to the lead.
   *
   * @param cheapestBefore all with the least figure; empty if nobody had one
   * @param cheapest the same afterwards
   */
  record OrderAfter(
      List<String> cheapestBefore, List<String> cheapest, OfScores leadBefore, OfScores lead)
      implements OfChange {
    public OrderAfter {
      cheapestBefore = List.copyOf(cheapestBefore);
      cheapest = List.copyOf(cheapest);
    }

    public boolean cheapestChanges() {
      return !cheapestBefore.equals(cheapest);
    }

    /** Whether others lead, or the same more or less surely. */
    public boolean leadChanges() {
      return !ahead(leadBefore).equals(ahead(lead)) || leadBefore.getClass() != lead.getClass();
    }

    /** Whether there is neither a cheapest nor a lead, before and afterwards. */
    public boolean isNothing() {
      return cheapestBefore.isEmpty()
          && cheapest.isEmpty()
          && ahead(leadBefore).isEmpty()
          && ahead(lead).isEmpty();
    }

    /** Who is ahead; nobody if there are no totals. */
    public static List<String> ahead(OfScores lead) {
      return switch (lead) {
        case NoTotals none -> List.of();
        case Leads leads -> List.of(leads.tool());
        case LevelLead level -> level.tools();
        case OpenLead open -> List.of(open.tool());
        case OutsideScale outside -> throw new IllegalArgumentException("no lead: " + outside);
        case CountedTwice twice -> throw new IllegalArgumentException("no lead: " + twice);
        case GuessedScale guess -> throw new IllegalArgumentException("no lead: " + guess);
        case WorthUnder worth -> throw new IllegalArgumentException("no lead: " + worth);
      };
    }
  }

  /** How many people there will be in the last month of the plan, by scenario. */
  record PeopleInTheEnd(int month, List<If> ends) implements OfGrowth {
    public PeopleInTheEnd {
      ends = List.copyOf(ends);
    }

    /** So many if growth comes out like this. */
    public record If(Scenario scenario, int people) {}
  }

  /** The most people at a time, as expected, and the first month with so many. */
  record MostPeople(int people, int month) implements OfGrowth {}

  /** Nobody leads: there are no weights, or no contender is ranked. */
  record NoTotals(boolean anybodyRanked) implements OfScores {}

  /** A contender leads whatever the unknown values are. */
  record Leads(String tool, Interval total) implements OfScores {}

  /** Contenders share the lead for certain. */
  record LevelLead(List<String> tools, BigDecimal total) implements OfScores {
    public LevelLead {
      tools = List.copyOf(tools);
    }
  }

  /**
   * A contender is ahead by the middle of its total, and could come as low as a place.
   *
   * @param open criteria of which a value that matters is only known within bounds
   */
  record OpenLead(String tool, Interval total, int worst, List<String> open) implements OfScores {
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
      implements OfScores {
    public OutsideScale {
      tools = List.copyOf(tools);
    }
  }

  /**
   * What each contender is worth under a criterion that is worked out, the most first by the middle
   * of what it can be; those that are out are left out.
   */
  record WorthUnder(String criterion, List<Worth> worths) implements OfScores {
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
  record CountedTwice(String judged, String measured, boolean cost) implements OfScores {}

  /**
   * A scale of cost that nobody has stated; it moves when contenders come and go.
   *
   * @param worst a month, worth 0
   * @param best a month, worth 1
   */
  record GuessedScale(String criterion, BigDecimal worst, BigDecimal best) implements OfScores {}

  /** Nobody has said what to try. */
  record NoTasks() implements OfTrial {}

  /** These contenders are not tried by anybody. */
  record NotTried(List<String> tools) implements OfTrial {
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
      implements OfTrial {}

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
      implements OfTrial {
    /** Whether it shows the contrary of what is known. */
    public boolean isContrary() {
      return known == Answer.YES && shown == Answer.NO || known == Answer.NO && shown == Answer.YES;
    }
  }

  /** Nobody has been brought to be compared, or all are set aside. */
  record NobodyCompared() implements OfAnswer {}

  /**
   * None of the contenders has a plan for all people and months.
   *
   * @param toConfirm those that may have one, if facts were confirmed
   */
  record NobodyDoes(List<String> toConfirm) implements OfAnswer {
    public NobodyDoes {
      toConfirm = List.copyOf(toConfirm);
    }
  }

  /** Some have a plan for all people and months, and none of them has a figure. */
  record NobodyHasATotal(List<String> tools) implements OfAnswer {
    public NobodyHasATotal {
      tools = List.copyOf(tools);
    }
  }

  /**
   * One contender does what is needed, and no other for certain: nothing is compared.
   *
   * @param alone whether there is no other contender
   */
  record OnlyOneDoes(String tool, boolean alone) implements OfAnswer {}

  /**
   * Nobody has weighed yet; so much is known: who costs least over the whole period.
   *
   * @param tools more than one if they cost the same
   * @param now whether each is also the cheapest now
   * @param open who may cost less, now or over the whole period
   */
  record CheapestThatDoes(List<String> tools, boolean now, List<String> open) implements OfAnswer {
    public CheapestThatDoes {
      tools = List.copyOf(tools);
      open = List.copyOf(open);
    }
  }

  /**
   * Who is ahead by the totals.
   *
   * @param tools more than one if they are level for certain
   * @param mayPass who could be first for all that is known; nobody: the lead is certain
   * @param cost where it stands by cost; of those that are level the first
   * @param open who may cost less than it, as what they cost is not known well enough
   */
  record Ahead(List<String> tools, List<String> mayPass, Cheapness cost, List<String> open)
      implements OfAnswer {
    public Ahead {
      tools = List.copyOf(tools);
      mayPass = List.copyOf(mayPass);
      open = List.copyOf(open);
    }

    public boolean isCertain() {
      return mayPass.isEmpty();
    }
  }

  /**
   * What has become of a decision.
   *
   * @param first who is first today, by totals or else by cost; more than one if they are level
   * @param stands whether the choice is among them
   */
  record DecisionToday(List<String> first, boolean stands) implements OfAnswer {
    public DecisionToday {
      first = List.copyOf(first);
    }
  }

  /**
   * Who does what is needed, for all people and months.
   *
   * @param toConfirm those that may, if facts were confirmed
   * @param not those that do not, whatever is confirmed
   */
  record WhoDoes(List<String> doing, List<String> toConfirm, List<String> not) implements OfAnswer {
    public WhoDoes {
      doing = List.copyOf(doing);
      toConfirm = List.copyOf(toConfirm);
      not = List.copyOf(not);
    }
  }

  /** Where somebody stands by cost. */
  enum Cheapness {
    NOW_AND_WHOLE,
    WHOLE,
    NOW,
    NEITHER,
    NOT_KNOWN
  }

  /** Nothing says yet what counts. */
  record NoCriteria() implements OfMissing {
    @Override
    public Stage step() {
      return Stage.WEIGHTS;
    }
  }

  /** People at the table who have given no weights; nobody at the table: the list is empty. */
  record NotWeighed(List<String> members) implements OfMissing {
    public NotWeighed {
      members = List.copyOf(members);
    }

    @Override
    public Stage step() {
      return Stage.WEIGHTS;
    }
  }

  /**
   * Views that count in no figure, as the reader may not see them yet.
   *
   * @param members whose they are; each is among those who have handed in or not
   * @param handedIn those of them who wait for the reader's own view
   */
  record ViewsWithheld(List<String> members, List<String> handedIn) implements OfMissing {
    public ViewsWithheld {
      members = List.copyOf(members);
      handedIn = List.copyOf(handedIn);
    }

    @Override
    public Stage step() {
      return Stage.MARKS;
    }
  }

  /** Somebody at the table has marks left to give. */
  record NotMarked(String member, int left, int of) implements OfMissing {
    @Override
    public Stage step() {
      return Stage.MARKS;
    }
  }

  /** A contender's value under a criterion that counts is not known. */
  record ValueOpen(String tool, String criterion, Stage step) implements OfMissing {}

  /** A contender has no plan that is sure to do, and would have one if facts were confirmed. */
  record ToConfirm(String tool) implements OfMissing {
    @Override
    public Stage step() {
      return Stage.FIT;
    }
  }

  /** A contender does and has no figure, as a price is not known. */
  record NoPrice(String tool) implements OfMissing {
    @Override
    public Stage step() {
      return Stage.COST;
    }
  }

  /** Things nobody has said of a contender that might change which plan it needs. */
  record OpenQuestions(String tool, int questions) implements OfMissing {
    @Override
    public Stage step() {
      return Stage.CONTENDERS;
    }
  }

  /** The price a contender is judged by is older than prices should be. */
  record OldPrice(String tool, LocalDate asOf) implements OfMissing {
    @Override
    public Stage step() {
      return Stage.COST;
    }
  }

  /**
   * Remarks that nobody has closed.
   *
   * @param remarks 1 or more
   * @param steps where they are, in the order of the steps
   */
  record OpenRemarks(int remarks, List<Stage> steps) implements OfRemarks {
    public OpenRemarks {
      steps = List.copyOf(steps);
    }
  }

  /** So many remarks on how something is judged wait until the reader's own view is handed in. */
  record KeptRemarks(int remarks) implements OfRemarks {}

  /**
   * What is left of the lead without what people with an interest said.
   *
   * @param facts that are left out
   * @param ratings that are left out
   * @param marks that are left out
   * @param with who is ahead by the middle of the totals with it; empty without totals
   * @param without who is without it
   */
  record WithoutInterested(
      int facts, int ratings, int marks, Optional<Lead> with, Optional<Lead> without)
      implements OfInterests {
    /**
     * Who is ahead.
     *
     * @param by of the second, by the middle of both totals, 0 or more; empty: there is no second
     */
    public record Lead(String tool, Optional<BigDecimal> by) {}
  }

  /** Everybody sees every view, as somebody opened the table. */
  record OpenedTable(String by) implements OfViews {}

  /** The reader has shown the others their view. */
  record OwnViewShown(LocalDate on) implements OfViews {}

  /** The reader sits alone at the table. */
  record AloneAtTheTable() implements OfViews {}

  /**
   * What others judge is kept from the reader until they have shown their own view.
   *
   * @param marksLeft marks the reader has not given
   */
  record OwnViewFirst(int marksLeft) implements OfViews {}

  /** Others who have not shown their view yet, in the order they sit. */
  record ViewsMissing(List<String> people) implements OfViews {
    public ViewsMissing {
      people = List.copyOf(people);
    }
  }

  /** Others whose view is not in the figures the reader sees. */
  record ViewsLeftOut(List<String> people) implements OfViews {
    public ViewsLeftOut {
      people = List.copyOf(people);
    }
  }

  /**
   * Somebody waits for the view of somebody else, who has this left to do before they show it.
   *
   * @param selection its title
   * @param weights whether weights are missing
   * @param marks marks that are missing
   */
  record ViewAskedFor(String by, String selection, boolean weights, int marks) implements OfViews {}

  /**
   * How far people's own rankings agree.
   *
   * @param w Kendall's W, 0 to 1
   * @param firsts contenders that are first in somebody's own ranking, each once
   */
  record RankingsAgree(Degree degree, BigDecimal w, List<String> firsts) implements OfAgreement {
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
  record ViewTurns(String person, String without, String shared) implements OfAgreement {}
}
