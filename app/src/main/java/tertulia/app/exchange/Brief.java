package tertulia.app.exchange;

import com.fasterxml.jackson.annotation.JsonInclude;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import tertulia.core.growth.Group;
import tertulia.core.growth.Growth;
import tertulia.core.growth.Step;

/**
 * What a selection is about, as written in files and storage: need, people, demand, criteria.
 * Decimals are text so that no reader turns them into binary fractions; months are yyyy-mm.
 *
 * @param averagePayment average value of a payment that passes through the tool; null: not known
 * @param scenarios how growth may come out; null: low, as expected, high
 * @param practice how terms are left and what people's time costs; null: credited, not stated
 * @param followsGrowth true: in a workspace the groups are those of its growth plan with the same
 *     ids; null: they are the selection's own
 * @param inUse tools that are in use already and are part of the question; null: none
 * @param followsInUse true: in a workspace they are those that are in use there; null: they are the
 *     selection's own
 * @param leftOut ids of tools in use in the workspace that are no part of the question; null: none
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
@RecordBuilder
public record Brief(
    String title,
    String purpose,
    String asOf,
    String start,
    int months,
    String currency,
    String priceRisePercent,
    List<GroupPart> groups,
    List<DemandPart> demand,
    @Nullable String averagePayment,
    List<NeedPart> needs,
    List<CriterionPart> criteria,
    List<RatePart> rates,
    @Nullable List<ScenarioPart> scenarios,
    @Nullable PracticePart practice,
    @Nullable Boolean followsGrowth,
    @Nullable List<InUsePart> inUse,
    @Nullable Boolean followsInUse,
    @Nullable List<String> leftOut)
    implements BriefBuilder.With {

  /** A brief with the standard scenarios, nothing said of people's time, and groups of its own. */
  public Brief(
      String title,
      String purpose,
      String asOf,
      String start,
      int months,
      String currency,
      String priceRisePercent,
      List<GroupPart> groups,
      List<DemandPart> demand,
      @Nullable String averagePayment,
      List<NeedPart> needs,
      List<CriterionPart> criteria,
      List<RatePart> rates) {
    this(
        title,
        purpose,
        asOf,
        start,
        months,
        currency,
        priceRisePercent,
        groups,
        demand,
        averagePayment,
        needs,
        criteria,
        rates,
        null,
        null,
        null,
        null,
        null,
        null);
  }

  /** Tools in use that are part of the question. */
  public List<InUsePart> used() {
    return inUse == null ? List.of() : inUse;
  }

  /** Whether they are those that are in use in the workspace. */
  public boolean followsUse() {
    return Boolean.TRUE.equals(followsInUse);
  }

  /** Tools in use that somebody left out of the question. */
  public List<String> unasked() {
    return leftOut == null ? List.of() : leftOut;
  }

  /** This brief as of another day. */
  public Brief asOf(LocalDate day) {
    return withAsOf(day.toString());
  }

  /** Whether the groups are those of the workspace's growth plan. */
  public boolean follows() {
    return Boolean.TRUE.equals(followsGrowth);
  }

  /** This brief with other people. */
  public Brief with(List<GroupPart> others, @Nullable List<ScenarioPart> otherScenarios) {
    return withGroups(others).withScenarios(otherScenarios);
  }

  /** This brief without what is needed for each head of groups that are not there. */
  public Brief withoutOtherRates() {
    List<String> ids = groups.stream().map(GroupPart::id).toList();
    List<DemandPart> kept = demand.stream().map(part -> part.only(ids)).toList();
    return withDemand(kept);
  }

  /** What each head of a group needs one of, unless somebody says otherwise. */
  public static final List<String> ONE_EACH = List.of("seats", "whole-staff");

  /** This brief with a seat and a place on the staff for each head of some of its groups. */
  public Brief seating(List<String> some) {
    List<DemandPart> seated =
        demand.stream()
            .map(part -> {
              if (!ONE_EACH.contains(part.measure()) || part.perHead().isEmpty()) {
                return part;
              }
              Map<String, String> rates = new LinkedHashMap<>(part.perHead());
              some.forEach(group -> rates.putIfAbsent(group, "1"));
              return part.per(rates);
            })
            .toList();
    return some.isEmpty() ? this : withDemand(seated);
  }

  /** This brief with one unit of a measure for each head of some of its groups. */
  public Brief oneEach(String measure, List<String> some) {
    if (some.isEmpty()) {
      return this;
    }
    List<DemandPart> counted = new ArrayList<>(demand);
    if (demand.stream().noneMatch(part -> part.measure().equals(measure))) {
      counted.add(new DemandPart(measure, "0", Map.of()));
    }
    counted.replaceAll(part -> {
      Map<String, String> rates = new LinkedHashMap<>(part.perHead());
      some.forEach(group -> rates.putIfAbsent(group, "1"));
      return part.measure().equals(measure) ? part.per(rates) : part;
    });
    return withDemand(counted);
  }

  /** This brief with one unit of everything that is counted for each head of every group. */
  public Brief oneForEachHead() {
    Map<String, String> each = new LinkedHashMap<>();
    groups.forEach(group -> each.put(group.id(), "1"));
    List<DemandPart> one =
        demand.stream().map(part -> new DemandPart(part.measure(), part.fixed(), each)).toList();
    return withDemand(one);
  }

  /** This brief with people that follow the workspace's growth plan, or stay as they are now. */
  public Brief following(boolean follow) {
    return withFollowsGrowth(follow ? Boolean.TRUE : null);
  }

  /**
   * A group of people; method is hires, percent or listed, and only its own figure is there.
   *
   * @param since the month from which growth counts; null: the plan's start
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record GroupPart(
      String id,
      String name,
      String method,
      @Nullable Integer start,
      @Nullable String perMonth,
      @Nullable String percentPerYear,
      @Nullable List<Integer> values,
      List<StepPart> steps,
      @Nullable String since) {
    /** A group whose growth counts from the plan's start. */
    public GroupPart(
        String id,
        String name,
        String method,
        @Nullable Integer start,
        @Nullable String perMonth,
        @Nullable String percentPerYear,
        @Nullable List<Integer> values,
        List<StepPart> steps) {
      this(id, name, method, start, perMonth, percentPerYear, values, steps, null);
    }

    /** A group as it is written. */
    public static GroupPart of(Group group) {
      List<StepPart> steps = group.steps().stream().map(StepPart::of).toList();
      String since = group.start().map(Object::toString).orElse(null);
      return switch (group.growth()) {
        case Growth.Hires hires ->
            new GroupPart(
                group.id(),
                group.name(),
                "hires",
                hires.start(),
                hires.perMonth().toPlainString(),
                null,
                null,
                steps,
                since);
        case Growth.Percent percent ->
            new GroupPart(
                group.id(),
                group.name(),
                "percent",
                percent.start(),
                null,
                percent.perYear().movePointRight(2).stripTrailingZeros().toPlainString(),
                null,
                steps,
                since);
        case Growth.Listed listed ->
            new GroupPart(
                group.id(),
                group.name(),
                "listed",
                null,
                null,
                null,
                listed.values(),
                steps,
                since);
      };
    }
  }

  /**
   * A dated change of headcount.
   *
   * @param onlyIn id of the one scenario in which it happens; null: in all
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record StepPart(
      String label,
      String from,
      @Nullable String until,
      int change,
      boolean everyYear,
      @Nullable String onlyIn) {
    /** A step in every scenario. */
    public StepPart(
        String label, String from, @Nullable String until, int change, boolean everyYear) {
      this(label, from, until, change, everyYear, null);
    }

    static StepPart of(Step step) {
      return new StepPart(
          step.label(),
          step.from().toString(),
          step.end().map(Object::toString).orElse(null),
          step.change(),
          step.everyYear(),
          step.onlyIn());
    }
  }

  /** How growth may come out: so much of it. */
  public record ScenarioPart(String id, String name, String multiplier) {}

  /**
   * How the buyer works.
   *
   * @param leaving credited or lost
   * @param hour cost of an hour of work in the brief's currency; null: not stated
   * @param changeHours hours for a change of plan
   * @param oldTool cost a month of the tool in use until now; null: not stated
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record PracticePart(
      String leaving, @Nullable String hour, String changeHours, @Nullable String oldTool) {}

  /**
   * How many units of a measure are needed.
   *
   * @param perHead by group
   * @param habits of groups of which it is known how often, how long and by whom; null: of none
   * @param stock of what adds up, what is there at the start; null: nothing
   * @param outside where more is to be had than a plan allows; null: nowhere
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record DemandPart(
      String measure,
      String fixed,
      Map<String, String> perHead,
      @Nullable Map<String, HabitPart> habits,
      @Nullable String stock,
      @Nullable MoreOutsidePart outside) {
    public DemandPart(String measure, String fixed, Map<String, String> perHead) {
      this(measure, fixed, perHead, null, null, null);
    }

    DemandPart only(List<String> groups) {
      Map<String, HabitPart> kept = kept(byHabit(), groups);
      return new DemandPart(
          measure, fixed, kept(perHead, groups), kept.isEmpty() ? null : kept, stock, outside);
    }

    DemandPart per(Map<String, String> rates) {
      return new DemandPart(measure, fixed, rates, habits, stock, outside);
    }

    private static <T> Map<String, T> kept(Map<String, T> all, List<String> groups) {
      Map<String, T> kept = new LinkedHashMap<>(all);
      kept.keySet().retainAll(groups);
      return kept;
    }

    /** The habits by group. */
    public Map<String, HabitPart> byHabit() {
      return habits == null ? Map.of() : habits;
    }
  }

  /**
   * Up to so many units beyond what a plan allows, and what that costs a month in the brief's
   * currency.
   */
  public record MoreOutsidePart(String by, String upTo, String monthly) {}

  /**
   * So many times, each so long, by a share of a group.
   *
   * @param every workday, week, month or year
   * @param length units each time
   * @param share from 0 to 1
   */
  public record HabitPart(String times, String every, String length, String share) {}

  /**
   * A capability and how much it matters: must, should or could.
   *
   * @param capability its name; of a condition the one thing asked for, such as EU, or "at least 40
   *     languages"
   * @param condition countries, data-places, platforms, languages or count; null: it is a
   *     capability
   * @param outside how it is covered where a plan does not have it; null: it is not
   * @param askedBy who asked for it; null: nobody said
   * @param why the reason given; null: none
   * @param fromMonth the month from which a must counts; null: at once, or by people
   * @param fromPeople so many people from which a must counts; null: at once, or by month
   * @param forGroups ids of the groups that need it, of a must; null: everybody does
   * @param byHandIsEnough whether people may do it by hand, which costs their time; null: no
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record NeedPart(
      String capability,
      String importance,
      @Nullable Integer weight,
      boolean partlyIsEnough,
      @Nullable String condition,
      @Nullable OutsidePart outside,
      @Nullable String askedBy,
      @Nullable String why,
      @Nullable String fromMonth,
      @Nullable Integer fromPeople,
      @Nullable List<String> forGroups,
      @Nullable Boolean byHandIsEnough) {
    /** Whether people may do it by hand. */
    public boolean acceptsByHand() {
      return Boolean.TRUE.equals(byHandIsEnough);
    }

    /** What is enough of it, with a comma before each; empty: only all of it is. */
    public String enough() {
      return (partlyIsEnough ? ", partly is enough" : "")
          + (acceptsByHand() ? ", by hand is enough" : "");
    }

    /** The groups that need it; none: everybody does. */
    public List<String> groups() {
      return forGroups == null ? List.of() : forGroups;
    }

    /** A need that counts at once. */
    public NeedPart(
        String capability,
        String importance,
        @Nullable Integer weight,
        boolean partlyIsEnough,
        @Nullable String condition,
        @Nullable OutsidePart outside,
        @Nullable String askedBy,
        @Nullable String why) {
      this(
          capability,
          importance,
          weight,
          partlyIsEnough,
          condition,
          outside,
          askedBy,
          why,
          null,
          null,
          null,
          null);
    }

    /** When it begins, as it is typed; empty: at once. */
    public String begins() {
      return fromMonth != null ? fromMonth : fromPeople != null ? fromPeople + " people" : "";
    }

    /** A capability that a plan has to have by itself. */
    public NeedPart(
        String capability, String importance, @Nullable Integer weight, boolean partlyIsEnough) {
      this(capability, importance, weight, partlyIsEnough, null, null, null, null);
    }

    /** What it is known by: no two needs of a brief have the same. */
    public String id() {
      return Codes.slug((condition == null ? "" : condition + " ") + capability);
    }

    /** Whether at least or at most so many of something are asked for. */
    public boolean asksHowMany() {
      return COUNT.equals(condition) && !capability.isEmpty();
    }

    /**
     * Name of what a plan's facts say of it; empty for a condition, which is one of the whole tool.
     */
    public Optional<String> ofPlan() {
      return asksHowMany()
          ? TypedCount.asked(capability).map(TypedCount.Asked::what)
          : condition == null ? Optional.of(capability) : Optional.empty();
    }

    /** What it is called, such as "Single sign-on" or "Keeps data in EU". */
    public String name() {
      if (asksHowMany()) {
        return capability.substring(0, 1).toUpperCase(Locale.ROOT) + capability.substring(1);
      }
      return condition == null ? capability : CONDITIONS.get(condition) + " " + capability;
    }
  }

  /** The condition that there are at least or at most so many of something. */
  public static final String COUNT = "count";

  /** The conditions that can be needs, with the words that go before what is asked for. */
  public static final Map<String, String> CONDITIONS = conditions();

  private static Map<String, String> conditions() {
    Map<String, String> words = new LinkedHashMap<>();
    words.put("countries", "Sold in");
    words.put("data-places", "Keeps data in");
    words.put("platforms", "Runs on");
    words.put("languages", "Speaks");
    words.put(COUNT, "At least or at most so many");
    return java.util.Collections.unmodifiableMap(words);
  }

  /** What covers a need outside, and what that costs a month in the brief's currency. */
  public record OutsidePart(String by, String monthly) {}

  /**
   * A criterion of kind judged, cost, coverage, ratings or measured with the figures of its kind.
   *
   * @param number what is measured, as {@link MeasuredNumber} has it
   * @param heading under which it stands with others; null: by itself
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record CriterionPart(
      String id,
      String name,
      String kind,
      @Nullable String worst,
      @Nullable String best,
      @Nullable String prior,
      @Nullable String strength,
      @Nullable String meaning,
      @Nullable String number,
      @Nullable String heading) {
    /** A criterion of which nobody has said more than its name. */
    public CriterionPart(
        String id,
        String name,
        String kind,
        @Nullable String worst,
        @Nullable String best,
        @Nullable String prior,
        @Nullable String strength) {
      this(id, name, kind, worst, best, prior, strength, null, null, null);
    }
  }

  /** A rate of exchange: one unit of from costs rate units of to. */
  public record RatePart(String from, String to, String rate, String on, String source) {}
}
