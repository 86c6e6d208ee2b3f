package tertulia.core.evaluation;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Supplier;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;
import tertulia.core.billing.Leaving;
import tertulia.core.billing.UnitsNeeded;
import tertulia.core.billing.View;
import tertulia.core.fit.Conflicts;
import tertulia.core.fit.Fit;
import tertulia.core.fit.Importance;
import tertulia.core.fit.Need;
import tertulia.core.fit.Offering;
import tertulia.core.fit.Reason;
import tertulia.core.fit.Room;
import tertulia.core.fit.Verdict;
import tertulia.core.growth.Measure;
import tertulia.core.growth.People;
import tertulia.core.labour.Effort;
import tertulia.core.labour.Labour;
import tertulia.core.labour.PeopleTime;
import tertulia.core.labour.Takes;
import tertulia.core.money.Rounding;
import tertulia.core.path.CostByHeadcount;
import tertulia.core.path.Market;
import tertulia.core.path.Option;
import tertulia.core.path.Outcome;
import tertulia.core.path.PlanMonths;
import tertulia.core.path.PlanNeeded;
import tertulia.core.path.Stay;
import tertulia.core.path.SteadyCost;
import tertulia.core.path.Terms;
import tertulia.core.path.Way;
import tertulia.core.path.Ways;
import tertulia.core.path.WholeStaff;
import tertulia.core.pricing.PlanPrices;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Totals;
import tertulia.core.scoring.Value;
import tertulia.core.working.Working;

/** One selection under one "what if", computed out. */
public final class Evaluation {
  private final Selection selection;
  private final WhatIf whatIf;
  private final Market market;
  private final List<People> planned;
  private final List<UnitsNeeded> months;
  private final People people;
  private final Map<String, Outcome<SteadyCost>> steady = new LinkedHashMap<>();
  private final Map<String, Outcome<Stay>> stays;
  private final Map<String, Ways> ways;
  private final Map<String, Ways> scored;
  private final Map<String, Ways> monthly;
  private final List<Criterion> criteria;
  private final Map<String, Map<String, Value>> values;
  private final Optional<Totals> totals;
  private final Once<CostByHeadcount> sweep;
  private final Once<NeedCosts> needCosts;

  private Evaluation(Selection selection, WhatIf whatIf) {
    this.selection = selection;
    this.whatIf = whatIf;
    this.market =
        new Market(
            new Fit(selection.needs()),
            whatIf
                .light()
                .map(share -> Light.demands(selection.demands(), share))
                .orElse(selection.demands()),
            selection.currency(),
            selection.rates(),
            selection.asOf(),
            whatIf.terms(),
            selection.averagePayment(),
            selection.horizon().months());
    List<People> byMonth = new ArrayList<>();
    for (int m = 0; m < selection.horizon().months(); m++) {
      byMonth.add(People.planned(selection.groups(), selection.horizon(), m, whatIf.scenario()));
    }
    this.planned = List.copyOf(byMonth);
    this.months = List.copyOf(UnitsNeeded.byMonth(market.demands(), planned));
    this.people = people(whatIf.moment());
    this.stays = new LinkedHashMap<>();
    this.ways = new ConcurrentHashMap<>();
    this.scored = new LinkedHashMap<>();
    this.monthly = new ConcurrentHashMap<>();
    for (Contender contender : selection.contenders()) {
      List<Offering> offerings = contender.offerings();
      stays.put(contender.id(), stay(offerings, whatIf.view()));
      scored.put(contender.id(), way(contender.id(), View.SPREAD, leaving(), market));
    }
    if (whatIf.view() == View.SPREAD) {
      ways.putAll(scored);
    }
    this.criteria = liveCriteria();
    this.values = new LinkedHashMap<>();
    this.totals = computeTotals();
    this.sweep = new Once<>(this::sweep);
    this.needCosts = new Once<>(() -> NeedCosts.of(this));
    findSteady();
  }

  /** The same for other people under discussion: what does not depend on them is shared. */
  private Evaluation(Evaluation other, WhatIf.Moment moment) {
    this.selection = other.selection;
    this.whatIf = other.whatIf.at(moment);
    this.market = other.market;
    this.planned = other.planned;
    this.months = other.months;
    this.people = people(moment);
    this.stays = other.stays;
    this.ways = other.ways;
    this.scored = other.scored;
    this.monthly = other.monthly;
    this.criteria = other.criteria;
    this.values = other.values;
    this.totals = other.totals;
    this.sweep = other.sweep;
    this.needCosts = other.needCosts;
    findSteady();
  }

  private People people(WhatIf.Moment moment) {
    return switch (moment) {
      case WhatIf.Moment.Month month -> planned.get(month.m());
      case WhatIf.Moment.Headcount headcount -> today().scaledTo(headcount.people());
    };
  }

  private void findSteady() {
    for (Contender contender : selection.contenders()) {
      steady.put(contender.id(), SteadyCost.cheapest(contender.offerings(), market, people));
    }
  }

  /** Something that is computed when it is first asked for, and once. */
  private static final class Once<T> {
    private final Supplier<T> supplier;
    private @Nullable T value;

    Once(Supplier<T> supplier) {
      this.supplier = supplier;
    }

    synchronized T get() {
      T known = value;
      if (known == null) {
        known = supplier.get();
        value = known;
      }
      return known;
    }
  }

  /** Computes a selection out. */
  public static Evaluation of(Selection selection, WhatIf whatIf) {
    return new Evaluation(selection, whatIf);
  }

  /** This selection under the same "what if" for other people under discussion. */
  public Evaluation at(WhatIf.Moment moment) {
    return moment.equals(whatIf.moment()) ? this : new Evaluation(this, moment);
  }

  private Outcome<Stay> stay(List<Offering> offerings, View view) {
    return Stay.cheapest(offerings, market, months, selection.rise(), selection.horizon(), view);
  }

  /** Coverage is dropped if there is no should-need; the weights are renormalised without it. */
  private List<Criterion> liveCriteria() {
    boolean shoulds =
        selection.needs().stream().anyMatch(n -> n.importance() instanceof Importance.Should);
    return selection.criteria().stream()
        .filter(c -> shoulds || !(c.kind() instanceof Criterion.Coverage))
        .toList();
  }

  private Optional<Totals> computeTotals() {
    Valuation valuation = new Valuation(selection, whatIf.basis(), this::takes);
    for (Contender contender : feasible()) {
      Map<String, Value> own = new LinkedHashMap<>();
      for (Criterion criterion : criteria) {
        own.put(criterion.id(), valuation.value(contender, criterion, scored(contender)));
      }
      values.put(contender.id(), own);
    }
    Map<String, Working> workings = new LinkedHashMap<>();
    criteria.forEach(c -> workings.put(c.id(), selection.panel().explainWeight(c, criteria)));
    return selection
        .panel()
        .groupWeights(criteria)
        .filter(weights -> !values.isEmpty())
        .map(weights -> new Totals(criteria, weights, workings, values));
  }

  /** Scores rest on the spread view, whichever is read. */
  private Ways scored(Contender contender) {
    return java.util.Objects.requireNonNull(scored.get(contender.id()));
  }

  public Selection selection() {
    return selection;
  }

  public WhatIf whatIf() {
    return whatIf;
  }

  public Market market() {
    return market;
  }

  /**
   * The people whose shares hold for costs by headcount: those of the first plan month in which
   * there is anybody.
   */
  public People today() {
    return planned.stream()
        .filter(people -> people.total() > 0)
        .findFirst()
        .orElseGet(planned::getFirst);
  }

  /** The planned people by month, in the scenario. */
  public List<People> planned() {
    return List.copyOf(planned);
  }

  /** The units needed by month, in the scenario. */
  public List<UnitsNeeded> months() {
    return List.copyOf(months);
  }

  /** The people under discussion. */
  public People people() {
    return people;
  }

  /** The steady monthly cost of a contender for the people under discussion. */
  public Outcome<SteadyCost> steady(String contender) {
    return java.util.Objects.requireNonNull(steady.get(contender));
  }

  /** The cheapest plan and term of a contender kept over the horizon, in the view read. */
  public Outcome<Stay> stay(String contender) {
    return java.util.Objects.requireNonNull(stays.get(contender));
  }

  /** The cheapest way through a contender's plans, in the view read. */
  public Ways way(String contender) {
    return ways.computeIfAbsent(contender, id -> way(id, whatIf.view(), leaving(), market));
  }

  /** What becomes of committed terms that are left early. */
  public Leaving leaving() {
    return selection.practice().leaving();
  }

  /** The people's time a contender takes along its best way. */
  public Takes takes(String contender) {
    Labour labour = selection.practice().labour();
    Optional<Effort> effort = selection.contender(contender).takes();
    return PeopleTime.missing(effort, labour)
        .<Takes>map(Takes.Unknown::new)
        .orElseGet(() ->
            new Takes.Known(
                PeopleTime.of(
                    effort.orElseThrow(),
                    labour,
                    seats(),
                    changesOfPlan(contender),
                    selection.currency())));
  }

  /** Seats needed by month: those of the demand, or everybody if no seats are counted. */
  private List<Integer> seats() {
    List<Integer> seats = new ArrayList<>();
    for (int m = 0; m < months.size(); m++) {
      seats.add(months.get(m).of(Measure.SEATS).orElse(planned.get(m).total()));
    }
    return seats;
  }

  private List<Integer> changesOfPlan(String contender) {
    return way(contender) instanceof Ways.Found found ? found.best().changesOfPlan() : List.of();
  }

  /**
   * What people look after and do by hand in a month, if full cost is read; nothing if the
   * subscription is; empty if it is not known.
   */
  public Optional<Money> steadyTime(String contender) {
    if (whatIf.basis() == WhatIf.Basis.SUBSCRIPTION) {
      return Optional.of(Money.zero(selection.currency()));
    }
    Labour labour = selection.practice().labour();
    Optional<Effort> effort = selection.contender(contender).takes();
    return PeopleTime.missing(effort, labour).isPresent()
        ? Optional.empty()
        : effort.map(e -> PeopleTime.steady(e, labour, selection.currency()));
  }

  /**
   * The cost of a contender over the horizon as it is read: the best way, and people's time if full
   * cost is read. Empty if it is not known or there is none.
   */
  public Optional<Money> total(String contender) {
    if (!(way(contender) instanceof Ways.Found found)) {
      return Optional.empty();
    }
    Money subscription = found.best().ledger().total(whatIf.view());
    return switch (whatIf.basis()) {
      case SUBSCRIPTION -> Optional.of(subscription);
      case FULL ->
          switch (takes(contender)) {
            case Takes.Known known -> Optional.of(subscription.plus(known.time().total()));
            case Takes.Unknown unknown -> Optional.empty();
          };
    };
  }

  /** What one change of plan costs in people's time; nothing if nobody has said. */
  private Money changing() {
    Labour labour = selection.practice().labour();
    return Rounding.toMinorUnit(
        labour.hour().orElse(BigDecimal.ZERO).multiply(labour.changeHours()), selection.currency());
  }

  /** As {@link #way(String)}, under some terms only. */
  public Ways wayUnder(String contender, Terms terms) {
    return way(contender, whatIf.view(), leaving(), market.allowing(terms));
  }

  /** As {@link #way(String)}, if nothing were credited for terms that are left. */
  Ways wayIfLost(String contender) {
    return way(contender, whatIf.view(), Leaving.LOST, market);
  }

  /** As {@link #way(String)}, without any commitment. */
  public Ways wayAllMonthly(String contender) {
    return monthly.computeIfAbsent(contender, id -> wayUnder(id, Terms.MONTHLY));
  }

  private Ways way(String contender, View view, Leaving leaving, Market offered) {
    return Ways.through(
        selection.contender(contender).offerings(),
        offered,
        months,
        selection.rise(),
        selection.horizon(),
        view,
        leaving,
        changing());
  }

  /**
   * Why a way leaves one option for another.
   *
   * @param month the first plan month under the next option
   * @param reasons why the option before does not qualify any more; none if the next is just
   *     cheaper
   */
  public record Turn(int month, List<Reason> reasons) {}

  /** The turns of a way, in order. */
  public List<Turn> turns(Way way) {
    List<Turn> turns = new ArrayList<>();
    List<Way.Leg> stretches = way.stretches();
    for (int i = 1; i < stretches.size(); i++) {
      Option before = stretches.get(i - 1).option();
      int m = stretches.get(i).months().from();
      turns.add(
          new Turn(m, market.fit().at(before.offering(), before.list(), months.get(m)).reasons()));
    }
    return turns;
  }

  /** The criteria that count: coverage is left out if there is nothing to cover. */
  public List<Criterion> criteria() {
    return criteria;
  }

  /**
   * The value of a feasible contender under a criterion that counts, whether or not anybody has
   * given weights; empty for a contender that is not feasible.
   */
  public Optional<Value> value(String contender, Criterion criterion) {
    return Optional.ofNullable(values.get(contender)).map(own -> own.get(criterion.id()));
  }

  /** Totals of the feasible contenders; empty if there are none or nobody has given weights. */
  public Optional<Totals> totals() {
    return totals;
  }

  /**
   * Contenders that are ranked: not set aside, and with some plan that qualifies in every month.
   * Those without a price are in, with an unknown cost.
   */
  public List<Contender> feasible() {
    return selection.active().stream()
        .filter(c -> !(scored(c) instanceof Ways.Gap gap) || gap.isUnpriced())
        .toList();
  }

  /** Active contenders with a figure for the people under discussion, cheapest first. */
  public List<String> orderByCost() {
    Map<String, Money> costs = new LinkedHashMap<>();
    for (Contender contender : selection.active()) {
      if (steady(contender.id()) instanceof Outcome.Found<SteadyCost> found) {
        steadyTime(contender.id())
            .ifPresent(time -> costs.put(contender.id(), found.best().money().plus(time)));
      }
    }
    return costs.entrySet().stream()
        .sorted(Comparator.comparing(Map.Entry::getValue))
        .map(Map.Entry::getKey)
        .toList();
  }

  /**
   * What a contender would be on for the people under discussion; its last plan under its first
   * term if none would do; empty if it lists no prices.
   */
  public Optional<Option> optionNow(String contender) {
    if (steady(contender) instanceof Outcome.Found<SteadyCost> found) {
      return Optional.of(found.best().option());
    }
    return selection.contender(contender).offerings().stream()
        .filter(offering -> !offering.plan().lists(PlanPrices.End.HIGH).isEmpty())
        .reduce((first, last) -> last)
        .map(offering ->
            Option.of(
                offering, offering.plan().lists(PlanPrices.End.HIGH).getFirst(), market.fit()));
  }

  /** What a contender costs a month for the people under discussion, as it is read. */
  Optional<Money> monthly(String contender) {
    return steady(contender) instanceof Outcome.Found<SteadyCost> found
        ? steadyTime(contender).map(found.best().money()::plus)
        : Optional.empty();
  }

  /**
   * The steady monthly cost of one plan under its cheapest allowed term, whether or not it would
   * do; empty if it has no figure.
   */
  public Optional<SteadyCost> planAlone(Offering offering) {
    return SteadyCost.cheapestTerm(offering, market, market.units(people));
  }

  /** The steady monthly cost of a contender if nothing were needed of it. */
  public Outcome<SteadyCost> withoutNeeds(String contender) {
    return SteadyCost.cheapest(
        selection.contender(contender).offerings(), market.asking(new Fit(List.of())), people);
  }

  /**
   * The room a contender's plan of {@link #optionNow} leaves for a measure over the plan months;
   * empty as {@link Room#of} has it.
   */
  public Optional<Room> room(String contender, Measure measure) {
    return optionNow(contender)
        .flatMap(option -> Room.of(option.offering(), option.list(), measure, months));
  }

  /** The same for the people under discussion, as one month. */
  public Optional<Room> roomNow(String contender, Measure measure) {
    return optionNow(contender)
        .flatMap(option ->
            Room.of(option.offering(), option.list(), measure, List.of(market.units(people))));
  }

  /**
   * Two contenders against each other.
   *
   * @throws IllegalArgumentException if there is no such contender, or both are the same
   */
  public HeadToHead headToHead(String left, String right) {
    selection.contender(left);
    selection.contender(right);
    if (left.equals(right)) {
      throw new IllegalArgumentException("One contender cannot be set against itself: " + left);
    }
    return HeadToHead.of(this, left, right);
  }

  /** The highest headcount planned in any month. */
  public int highestPlanned() {
    return planned.stream().mapToInt(People::total).max().orElse(0);
  }

  public int lowestPlanned() {
    return planned.stream().mapToInt(People::total).min().orElse(0);
  }

  /** The best way of a contender if some needs were given up, in the view read. */
  Ways wayWithout(String contender, Set<Need> needs) {
    Fit others = new Fit(selection.needs().stream().filter(need -> !needs.contains(need)).toList());
    return way(contender, whatIf.view(), leaving(), market.asking(others));
  }

  /** What each must costs. */
  public NeedCosts needCosts() {
    return needCosts.get();
  }

  /** The first plan of a contender that would do, month by month. */
  public List<PlanNeeded> plansNeeded(String contender) {
    return PlanNeeded.over(selection.contender(contender).offerings(), market, months);
  }

  /** What is said of every plan of a contender, month by month. */
  public List<PlanMonths> planMonths(String contender) {
    return PlanMonths.of(selection.contender(contender).offerings(), market, months);
  }

  /**
   * Which requirements together leave a contender without a plan for the people under discussion;
   * no sets if some plan does.
   */
  public Conflicts conflicts(String contender) {
    return Conflicts.of(against(contender));
  }

  /** What speaks against each plan of a contender for the people under discussion, by its name. */
  public Map<String, List<Reason>> against(String contender) {
    return PlanNeeded.against(
        selection.contender(contender).offerings(), market, market.units(people));
  }

  /**
   * What would make a contender the cheapest of the active ones; none if it is, or nothing would.
   */
  public List<Remedy> remedies(String contender) {
    return new Remedies(this).of(contender);
  }

  /** The best way of a contender at so much of every list price, in the view read. */
  Ways wayAt(String contender, BigDecimal part) {
    return Ways.through(
        selection.contender(contender).offerings().stream().map(o -> o.times(part)).toList(),
        market,
        months,
        selection.rise(),
        selection.horizon(),
        whatIf.view(),
        leaving(),
        changing());
  }

  /** A price for the whole staff of a contender beside one for named seats. */
  public Optional<WholeStaff> wholeStaff(String contender) {
    return WholeStaff.of(selection.contender(contender).offerings(), market, people);
  }

  /** Why an option of a contender does not qualify for so many people; none if it does. */
  public List<Reason> reasonsAt(String contender, String option, int people) {
    Outcome<SteadyCost> outcome =
        SteadyCost.cheapest(
            selection.contender(contender).offerings(), market, today().scaledTo(people));
    return Optional.ofNullable(outcome.passedOver().get(option))
        .map(Verdict::reasons)
        .orElse(List.of());
  }

  /** Cost by headcount of the active contenders; with steady people's time if full cost is read. */
  public CostByHeadcount costByHeadcount() {
    return sweep.get();
  }

  private CostByHeadcount sweep() {
    Map<String, List<Offering>> tools = new LinkedHashMap<>();
    selection.active().forEach(c -> tools.put(c.id(), c.offerings()));
    CostByHeadcount subscription =
        CostByHeadcount.sweep(tools, market, today(), CostByHeadcount.reach(highestPlanned()));
    if (whatIf.basis() == WhatIf.Basis.SUBSCRIPTION) {
      return subscription;
    }
    Map<String, Optional<Money>> time = new LinkedHashMap<>();
    tools.keySet().forEach(id -> time.put(id, steadyTime(id)));
    return subscription.adding(time);
  }

  /** The answer to "why" for a figure. */
  public Working explain(Figure figure) {
    return new Explanation(this).of(figure);
  }
}
