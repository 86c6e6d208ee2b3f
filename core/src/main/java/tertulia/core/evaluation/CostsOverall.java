package tertulia.core.evaluation;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.IntFunction;
import java.util.stream.IntStream;
import org.joda.money.Money;
import tertulia.core.billing.CostTiming;
import tertulia.core.billing.EarlyTerminationPolicy;
import tertulia.core.billing.UnitsNeeded;
import tertulia.core.deadline.Once;
import tertulia.core.deadline.OnceEach;
import tertulia.core.fit.Fit;
import tertulia.core.fit.Need;
import tertulia.core.fit.Offering;
import tertulia.core.fit.Reason;
import tertulia.core.growth.Measure;
import tertulia.core.growth.People;
import tertulia.core.inuse.InUse;
import tertulia.core.inuse.Together;
import tertulia.core.labour.Labour;
import tertulia.core.labour.PeopleTime;
import tertulia.core.labour.StaffEffort;
import tertulia.core.labour.StaffTime;
import tertulia.core.path.BaseAndPeakWay;
import tertulia.core.path.CostByHeadcount;
import tertulia.core.path.FixedPlan;
import tertulia.core.path.Market;
import tertulia.core.path.Option;
import tertulia.core.path.Outcome;
import tertulia.core.path.Past;
import tertulia.core.path.PlanMonths;
import tertulia.core.path.PlanNeeded;
import tertulia.core.path.PlanPath;
import tertulia.core.path.PlanPaths;
import tertulia.core.path.Split;
import tertulia.core.path.Terms;
import tertulia.core.pricing.PriceList;
import tertulia.core.scoring.Criterion;

/**
 * What the contenders of a selection cost over the plan months, and which of their plans do in
 * them. Nothing of it depends on the people under discussion.
 */
public final class CostsOverall {
  private final Selection selection;
  private final WhatIf whatIf;
  private final Market market;
  private final List<People> planned;
  private final List<UnitsNeeded> months;
  private final OnceEach<String, Outcome<FixedPlan>> stays =
      new OnceEach<>("the cheapest plan kept");
  private final OwnWays own;
  private final OnceEach<String, Optional<BaseAndPeakWay>> mixes = new OnceEach<>("base and peak");
  private final OnceEach<String, Optional<Split>> splits = new OnceEach<>("who is on which plan");
  private final OnceEach<String, PlanPaths> ways = new OnceEach<>("the paths through the plans");
  private final OnceEach<String, PlanPaths> spread = new OnceEach<>("the paths through the plans");
  private final OnceEach<String, PlanPaths> monthly =
      new OnceEach<>("the paths without a commitment");
  private final OnceEach<Asked, Optional<Amount>> without = new OnceEach<>("what each must costs");
  private final OnceEach<String, List<PlanMonths>> planMonths =
      new OnceEach<>("each plan month by month");
  private final UseCosts inUse;
  private final OnceEach<String, Boolean> failing = new OnceEach<>("whether what is in use does");
  private final OnceEach<Integer, CostByHeadcount> sweeps = new OnceEach<>("the cost by headcount");
  private final OnceEach<Asked, PlanPaths> shared;
  private final Once<CostsOverall> ifConfirmed =
      new Once<>("the costs if confirmed", this::confident);
  private final Once<ShouldCosts> shouldCosts =
      new Once<>("what each should costs", () -> ShouldCosts.of(this));
  private final Once<NeedCosts> needCosts =
      new Once<>("what each must costs", () -> NeedCosts.of(this));

  private CostsOverall(
      Selection selection,
      WhatIf whatIf,
      Market market,
      List<People> planned,
      OnceEach<Asked, PlanPaths> shared) {
    this.selection = selection;
    this.whatIf = whatIf;
    this.market = market;
    this.planned = List.copyOf(planned);
    this.months = List.copyOf(UnitsNeeded.byMonth(market.demands(), planned));
    this.shared = shared;
    this.inUse = new UseCosts(selection, market, planned);
    this.own = new OwnWays(selection, planned, months);
  }

  /**
   * What a selection costs.
   *
   * @param whatIf its moment is not looked at
   * @param market what is priced against
   */
  static CostsOverall of(Selection selection, WhatIf whatIf, Market market) {
    List<People> planned = new ArrayList<>();
    for (int m = 0; m < selection.horizon().months(); m++) {
      planned.add(People.planned(selection.groups(), selection.horizon(), m, whatIf.scenario()));
    }
    return new CostsOverall(
        selection, whatIf, market, planned, new OnceEach<>("the paths through the plans"));
  }

  /** As {@link Costs#asking}: contenders for which it makes no difference keep their ways. */
  CostsOverall asking(Selection other) {
    return new CostsOverall(
        other, whatIf, market.asking(market.fit().asking(other.needs())), planned, shared);
  }

  /** As {@link Costs#ifConfirmed}, found once whoever is under discussion. */
  CostsOverall ifConfirmed() {
    return ifConfirmed.get();
  }

  private CostsOverall confident() {
    return new CostsOverall(
        selection,
        whatIf,
        market.asking(market.fit().ifConfirmed()),
        planned,
        new OnceEach<>("the paths if confirmed"));
  }

  Market market() {
    return market;
  }

  /** The planned people by month, in the scenario. */
  public List<People> planned() {
    return planned;
  }

  /** The units needed by month, in the scenario. */
  public List<UnitsNeeded> months() {
    return months;
  }

  /** What each should and could would cost if it were a must. */
  public ShouldCosts shouldCosts() {
    return shouldCosts.get();
  }

  /** What each must costs. */
  public NeedCosts needCosts() {
    return needCosts.get();
  }

  /** The sweep of a month, found once. */
  CostByHeadcount swept(int month, IntFunction<CostByHeadcount> sweep) {
    return sweeps.get(month, sweep::apply);
  }

  WhatIf whatIf() {
    return whatIf;
  }

  Selection selection() {
    return selection;
  }

  /** What some needs make of a contender's plans; alike, they lead to the same way. */
  private record Asked(Contender contender, List<Object> options) {}

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

  /** The highest headcount planned in any month. */
  public int highestPlanned() {
    return planned.stream().mapToInt(People::total).max().orElse(0);
  }

  public int lowestPlanned() {
    return planned.stream().mapToInt(People::total).min().orElse(0);
  }

  /** The cheapest plan and term of a contender kept over the horizon, in the view read. */
  public Outcome<FixedPlan> stay(String contender) {
    return stays.get(
        contender,
        id -> {
          Contender asked = selection.contender(id);
          return FixedPlan.together(
              kept(asked.offerings(), market),
              asked.boughtWith().stream()
                  .map(
                      other -> kept(other.offerings(), market.asking(askedOf(other, market.fit()))))
                  .toList());
        });
  }

  private Outcome<FixedPlan> kept(List<Offering> offerings, Market offered) {
    return FixedPlan.cheapest(
        offerings, offered, months, selection.rise(), selection.horizon(), whatIf.view());
  }

  /** The cheapest way through a contender's plans, in the view read. */
  public PlanPaths way(String contender) {
    return whatIf.view() == CostTiming.SPREAD
        ? spread(contender)
        : ways.get(contender, id -> way(id, whatIf.view(), leaving(), market));
  }

  /** What becomes of committed terms that are left early. */
  public EarlyTerminationPolicy leaving() {
    return selection.practice().leaving();
  }

  /** The people's time a contender takes along its cheapest path in the view read. */
  public StaffTime takes(String contender) {
    return takes(contender, way(contender));
  }

  /** The people's time a contender takes along a way. */
  StaffTime takes(String contender, PlanPaths along) {
    Labour labour = selection.practice().labour();
    Optional<StaffEffort> effort = selection.contender(contender).takes();
    List<Integer> changes =
        along instanceof PlanPaths.Found found ? found.best().changesOfPlan() : List.of();
    ByHand byHand = byHand(contender, along);
    return PeopleTime.missing(effort, labour)
        .or(byHand::missing)
        .<StaffTime>map(StaffTime.Unknown::new)
        .orElseGet(() ->
            new StaffTime.Known(
                PeopleTime.of(
                    effort.orElseThrow(),
                    labour,
                    seats(),
                    changes,
                    byHand.lines(),
                    selection.currency())));
  }

  /** What is done by hand along a way, where the buyer accepts that. */
  public ByHand byHand(String contender, PlanPaths along) {
    return ByHand.of(
        selection.needs(),
        months.size(),
        (need, month) ->
            need.begins().isInForce(selection.horizon().month(month), planned.get(month).total())
                    && along instanceof PlanPaths.Found found
                ? plansOf(contender, need).orElseGet(() -> optionsIn(found.best(), month))
                : List.of());
  }

  private static List<Option> optionsIn(PlanPath way, int month) {
    return way.legs().stream()
        .filter(leg -> leg.months().contains(month))
        .map(PlanPath.Leg::option)
        .toList();
  }

  /** The same in a month on one option: of what counts at once. */
  ByHand byHand(String contender, Optional<Option> option) {
    return ByHand.of(
        selection.needs(),
        1,
        (need, month) ->
            need.isAtOnce()
                ? plansOf(contender, need).orElseGet(() -> option.stream().toList())
                : List.of());
  }

  /** Seats needed by month: those of the demand, or everybody if no seats are counted. */
  private List<Integer> seats() {
    List<Integer> seats = new ArrayList<>();
    for (int m = 0; m < months.size(); m++) {
      seats.add(months.get(m).of(Measure.SEATS).orElse(planned.get(m).total()));
    }
    return seats;
  }

  /**
   * The cost of a contender over the horizon as it is read: the cheapest path, and people's time if
   * full cost is read. Empty if it is not known or there is none.
   */
  public Optional<Money> total(String contender) {
    return total(contender, way(contender));
  }

  /** As above along any way of the contender. */
  Optional<Money> total(String contender, PlanPaths along) {
    return along instanceof PlanPaths.Found found
        ? total(contender, found, whatIf.view())
        : Optional.empty();
  }

  /** The total in the spread view, on which scores rest, with people's time if it is read. */
  public Optional<Money> spreadTotal(String contender) {
    return spread(contender) instanceof PlanPaths.Found found
        ? total(contender, found, CostTiming.SPREAD)
        : Optional.empty();
  }

  private Optional<Money> total(String contender, PlanPaths.Found along, CostTiming view) {
    Optional<Money> beside = together(contender).total(view);
    return own(contender, along, view).flatMap(own -> beside.map(own::plus));
  }

  /**
   * What a contender itself costs over the horizon, without what is in use beside it; empty if it
   * is not known.
   */
  public Optional<Money> own(String contender) {
    return way(contender) instanceof PlanPaths.Found found
        ? own(contender, found, whatIf.view())
        : Optional.empty();
  }

  private Optional<Money> own(String contender, PlanPaths.Found along, CostTiming view) {
    Money subscription = along.best().ledger().total(view);
    return switch (whatIf.basis()) {
      case SUBSCRIPTION -> Optional.of(subscription);
      case FULL ->
          switch (takes(contender, along)) {
            case StaffTime.Known known -> Optional.of(subscription.plus(known.time().total()));
            case StaffTime.Unknown unknown -> Optional.empty();
          };
    };
  }

  /** The least a contender without a total costs over the horizon, as it is read; as above. */
  public Optional<Money> leastTotal(String contender) {
    Optional<PlanPaths.Found> least =
        switch (way(contender)) {
          case PlanPaths.Gap gap -> gap.low().map(CostsOverall::alone);
          case PlanPaths.Found found ->
              total(contender).isPresent()
                  ? Optional.empty()
                  : Optional.of(found.low().map(CostsOverall::alone).orElse(found));
        };
    return least
        .filter(way -> !way.isAtMost())
        .flatMap(way -> own(contender, way, whatIf.view()))
        .map(own -> own.plus(together(contender).least(whatIf.view())));
  }

  /** What is in use beside a contender: what stays, and what of the rest is still owed. */
  public Together together(String contender) {
    return inUse.together(contender);
  }

  /** What is in use, and what it costs beside the contenders. */
  public UseCosts inUse() {
    return inUse;
  }

  /**
   * Whether a contender is what is in use, kept as it is, and does not meet the needs in some
   * month: it has a cost all the same, and is not ranked.
   */
  public boolean keptThoughItFails(String contender) {
    return inUse.kept(contender).isPresent()
        && failing.get(
            contender,
            id ->
                through(id, CostTiming.SPREAD, leaving(), market) instanceof PlanPaths.Gap gap
                    && !gap.isUnpriced());
  }

  /** As {@link #total(String)}, with both ends of it. */
  public Optional<Amount> totalBounds(String contender) {
    return bounds(contender, way(contender));
  }

  private Optional<Amount> bounds(String contender, PlanPaths ways) {
    return ways instanceof PlanPaths.Found found
        ? total(contender, ways)
            .map(read -> {
              Money subscription = found.best().ledger().total(whatIf.view());
              return Amount.of(
                      found.isAtMost(),
                      found.low().map(low -> low.ledger().total(whatIf.view())),
                      subscription)
                  .plus(read.minus(subscription));
            })
        : Optional.empty();
  }

  /**
   * What a contender has cost by the end of each plan month, as it is read: running sums in the
   * view, with people's time if full cost is read. Empty if its total is not known.
   */
  public Optional<List<Money>> running(String contender) {
    return running(contender, way(contender));
  }

  /**
   * As {@link #running(String)}, with both ends; empty if not even the least is known. Where only
   * the least is, that is both ends and {@link #total} is empty.
   */
  public Optional<List<Amount>> runningBounds(String contender) {
    return switch (way(contender)) {
      case PlanPaths.Found found -> {
        Optional<List<Money>> low = found.low().flatMap(least -> running(contender, alone(least)));
        if (together(contender).total(whatIf.view()).isEmpty()) {
          yield least(contender, found.low().map(CostsOverall::alone).orElse(found));
        }
        yield running(contender, found)
            .map(high ->
                IntStream.range(0, high.size())
                    .mapToObj(m ->
                        Amount.between(
                            found.isAtMost(), low.map(least -> least.get(m)), high.get(m)))
                    .toList());
      }
      case PlanPaths.Gap gap -> gap.low().flatMap(least -> least(contender, alone(least)));
    };
  }

  private Optional<List<Amount>> least(String contender, PlanPaths.Found along) {
    return along.isAtMost()
        ? Optional.empty()
        : running(contender, along, together(contender).leastByMonth(whatIf.view()))
            .map(least -> least.stream().map(Amount::exactly).toList());
  }

  private static PlanPaths.Found alone(PlanPath way) {
    return new PlanPaths.Found(way, List.of(), Optional.empty());
  }

  /** What the tool in use until now would cost by the end of each month; empty if not stated. */
  public Optional<List<Money>> runningOfOldTool() {
    return selection
        .practice()
        .labour()
        .oldTool()
        .map(month ->
            IntStream.rangeClosed(1, selection.horizon().months())
                .mapToObj(months ->
                    Money.of(
                        selection.currency(),
                        month.multiply(BigDecimal.valueOf(months)),
                        RoundingMode.HALF_UP))
                .toList());
  }

  /** As above along any way of the contender. */
  Optional<List<Money>> running(String contender, PlanPaths along) {
    return along instanceof PlanPaths.Found found
        ? together(contender)
            .byMonth(whatIf.view())
            .flatMap(beside -> running(contender, found, beside))
        : Optional.empty();
  }

  private Optional<List<Money>> running(
      String contender, PlanPaths.Found found, List<Money> beside) {
    if (own(contender, found, whatIf.view()).isEmpty()) {
      return Optional.empty();
    }
    List<Money> months = new ArrayList<>(found.best().ledger().months(whatIf.view()));
    for (int m = 0; m < months.size(); m++) {
      months.set(m, months.get(m).plus(beside.get(m)));
    }
    if (whatIf.basis() == WhatIf.Basis.FULL
        && takes(contender, found) instanceof StaffTime.Known known) {
      known
          .time()
          .lines()
          .forEach(line -> months.set(line.month(), months.get(line.month()).plus(line.money())));
    }
    for (int m = 1; m < months.size(); m++) {
      months.set(m, months.get(m - 1).plus(months.get(m)));
    }
    return Optional.of(List.copyOf(months));
  }

  /** As {@link #running(String)} if nothing were committed. */
  public Optional<List<Money>> runningAllMonthly(String contender) {
    return running(contender, wayAllMonthly(contender));
  }

  /** Why an option does not do in a plan month; none if it does. */
  public List<Reason> reasonsIn(Option option, int m) {
    return market
        .fit()
        .at(option.offering(), option.list(), months.get(m), selection.horizon().month(m))
        .reasons();
  }

  /**
   * The total of a contender, as it is read, if some needs were given up. Needs that make no
   * difference to any of its plans lead to the same way, which is found once.
   */
  Optional<Amount> totalWithout(String contender, Set<Need> needs) {
    Fit others = without(needs);
    return without.get(
        asked(selection.contender(contender), others),
        asked ->
            bounds(contender, way(contender, whatIf.view(), leaving(), market.asking(others))));
  }

  private static Asked asked(Contender contender, Fit needs) {
    List<Object> options = new ArrayList<>(needs.later());
    addOptions(options, contender.offerings(), needs);
    if (OwnWays.isSplitCounted(contender, needs)) {
      // a plan that lacks another must may be the plan of some groups, so each must matters
      options.add(needs.needs());
    }
    contender
        .boughtWith()
        .forEach(other -> addOptions(options, other.offerings(), askedOf(other, needs)));
    return new Asked(contender, options);
  }

  private static void addOptions(List<Object> options, List<Offering> offerings, Fit needs) {
    for (Offering offering : offerings) {
      options.add(needs.musts(offering).isEmpty());
      for (PriceList list : offering.plan().charged()) {
        Option option = Option.of(offering, list, needs);
        options.add(needs.musts(offering, list).isEmpty());
        options.add(option.addOns());
        options.add(option.outside());
      }
    }
  }

  /** What of the needs a tool has to meet that is bought together with another. */
  static Fit askedOf(Contender.With other, Fit needs) {
    return needs.asking(
        needs.needs().stream()
            .filter(need -> other.asked().contains(need.capability().id()))
            .toList());
  }

  private Fit without(Set<Need> needs) {
    return market
        .fit()
        .asking(selection.needs().stream().filter(need -> !needs.contains(need)).toList());
  }

  /** The cheapest path in the spread view, on which scores rest whichever view is read. */
  PlanPaths spread(String contender) {
    return spread.get(
        contender,
        id ->
            shared.get(
                asked(selection.contender(id), market.fit()),
                asked -> way(id, CostTiming.SPREAD, leaving(), market)));
  }

  /** The cheapest path of a contender if some needs were given up, in the view read. */
  PlanPaths wayWithout(String contender, Set<Need> needs) {
    return way(contender, whatIf.view(), leaving(), market.asking(without(needs)));
  }

  /** The cheapest path of a contender if a need that is none were a must, in the view read. */
  PlanPaths wayWith(String contender, Need must) {
    List<Need> needs =
        selection.needs().stream()
            .map(need -> need.capability().equals(must.capability()) ? must : need)
            .toList();
    return way(contender, whatIf.view(), leaving(), market.asking(market.fit().asking(needs)));
  }

  /** As {@link #totalBounds} along any way of the contender. */
  Optional<Amount> boundsOf(String contender, PlanPaths along) {
    return bounds(contender, along);
  }

  /** As {@link #way(String)}, under some terms only. */
  public PlanPaths wayUnder(String contender, Terms terms) {
    return way(contender, whatIf.view(), leaving(), market.allowing(terms));
  }

  /** As {@link #way(String)}, if nothing were credited for terms that are left. */
  PlanPaths wayIfLost(String contender) {
    return way(contender, whatIf.view(), EarlyTerminationPolicy.LOST, market);
  }

  /** As {@link #way(String)}, without any commitment. */
  public PlanPaths wayAllMonthly(String contender) {
    return monthly.get(contender, id -> wayUnder(id, Terms.MONTHLY));
  }

  /** The cheapest path of a contender at so much of every list price, in the view read. */
  PlanPaths wayAt(String contender, BigDecimal part) {
    Contender at = selection.contender(contender).times(part).withPast(Past.NONE);
    return through(at, whatIf.view(), leaving(), market);
  }

  private PlanPaths way(
      String contender, CostTiming view, EarlyTerminationPolicy leaving, Market offered) {
    Optional<InUse> kept = inUse.kept(contender);
    if (kept.isPresent()) {
      return AsTodayWay.of(inUse.asToday(kept.get()), selection.contender(contender).offerings())
          .orElseGet(() -> through(contender, view, leaving, offered.asking(Fit.NOTHING_ASKED)));
    }
    return through(contender, view, leaving, offered);
  }

  private PlanPaths through(
      String contender, CostTiming view, EarlyTerminationPolicy leaving, Market offered) {
    return through(selection.contender(contender), view, leaving, offered);
  }

  /** The best way of a contender; of several tools that are bought together the best of each. */
  private PlanPaths through(
      Contender contender, CostTiming view, EarlyTerminationPolicy leaving, Market offered) {
    return PlanPaths.together(
        own.best(contender, view, leaving, offered),
        contender.boughtWith().stream()
            .map(other ->
                own.forAll(
                    other.offerings(),
                    Past.NONE,
                    view,
                    leaving,
                    offered.asking(askedOf(other, offered.fit()))))
            .toList());
  }

  /**
   * What is needed all year on a committed term and the rest by the month, in the view read, as it
   * counts or would count if the vendor let terms stand side by side; empty if the vendor does not,
   * no plan can be mixed so, or it is no less than the best way under one term at a time, or than
   * what counts.
   */
  public Optional<BaseAndPeakWay> baseAndPeak(String contender) {
    return mixes.get(
        contender,
        id -> {
          Contender asked = selection.contender(id);
          boolean asks =
              switch (asked.tool().sideBySide().terms()) {
                case YES -> isMixTaken(id);
                case NOT_SAID -> inUse.kept(id).isEmpty();
                case NO -> false;
              };
          return asks
              ? own.mixed(asked, whatIf.view(), market)
                  .filter(mixed -> OwnWays.isLess(OwnWays.of(mixed), wayForAll(id), whatIf.view()))
              : Optional.empty();
        });
  }

  /**
   * Groups of a contender on plans of their own, in the view read, as it counts or would count if
   * the vendor let plans stand side by side; empty if the vendor does not, nobody needs what others
   * do not and it is not confirmed, or it is no less than the best way for all.
   */
  public Optional<Split> split(String contender) {
    return splits.get(
        contender,
        id -> {
          Contender asked = selection.contender(id);
          boolean asks =
              switch (asked.tool().sideBySide().plans()) {
                case YES -> true;
                case NO -> false;
                case NOT_SAID -> OwnWays.hasMustsOfGroups(market.fit());
              };
          return asks && inUse.kept(id).isEmpty()
              ? own.split(asked, whatIf.view(), leaving(), market)
                  .filter(split -> OwnWays.isLess(split.paths(), wayForAll(id), whatIf.view()))
              : Optional.empty();
        });
  }

  /** Whether {@link #split} is what a contender costs. */
  public boolean isSplitTaken(String contender) {
    return isAlongside(contender, PlanPath.Alongside.Kind.GROUPS);
  }

  /** Whether {@link #baseAndPeak} is what a contender costs. */
  public boolean isMixTaken(String contender) {
    return isAlongside(contender, PlanPath.Alongside.Kind.TERM);
  }

  private boolean isAlongside(String contender, PlanPath.Alongside.Kind kind) {
    return way(contender) instanceof PlanPaths.Found found
        && found.best().alongside().stream().anyMatch(other -> other.isOf(kind));
  }

  /**
   * What the groups that need something are on, one for each plan, the one that has least of it
   * first; empty if everybody needs it, or nobody is on a plan of their own.
   */
  public Optional<List<Option>> plansOf(String contender, Need need) {
    if (need.groups().isEmpty() || !isSplitTaken(contender)) {
      return Optional.empty();
    }
    return split(contender)
        .map(split ->
            split.shares().stream()
                .filter(
                    share -> share.groups().stream().anyMatch(g -> need.groups().contains(g.id())))
                .map(share -> share.paths().best().legs().getFirst().option())
                .sorted(
                    Comparator.comparing(
                        option -> option.answer(need.capability()).ordinal(),
                        Comparator.reverseOrder()))
                .toList())
        .filter(options -> !options.isEmpty());
  }

  /** The best way of a contender's own plans on which everybody is on the same. */
  public PlanPaths wayForAll(String contender) {
    Contender asked = selection.contender(contender);
    return own.forAll(asked.offerings(), asked.past(), whatIf.view(), leaving(), market);
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
  public List<Turn> turns(PlanPath way) {
    List<Turn> turns = new ArrayList<>();
    List<PlanPath.Leg> stretches = way.stretches();
    for (int i = 1; i < stretches.size(); i++) {
      Option before = stretches.get(i - 1).option();
      int m = stretches.get(i).months().from();
      turns.add(new Turn(m, reasonsIn(before, m)));
    }
    return turns;
  }

  /**
   * Contenders that are ranked: not set aside, and with some plan that qualifies in every month.
   * Those without a price are in, with an unknown cost.
   */
  public List<Contender> feasible() {
    return selection.active().stream()
        .filter(c -> !keptThoughItFails(c.id()))
        .filter(c -> !(spread(c.id()) instanceof PlanPaths.Gap gap) || gap.isUnpriced())
        .toList();
  }

  /**
   * A first guess of a scale for what the contenders cost a month; empty if fewer than two cost
   * different amounts that are known.
   */
  public Optional<Criterion.Cost> guessedScale() {
    return Valuation.guess(this);
  }

  /** The scale on which a criterion reads cost; empty if it is none, or nothing makes one yet. */
  public Optional<Criterion.Cost> scale(Criterion criterion) {
    return switch (criterion.kind()) {
      case Criterion.Cost stated -> Optional.of(stated);
      case Criterion.CostAsFound found -> guessedScale();
      case Criterion.Judged other -> Optional.empty();
      case Criterion.Coverage other -> Optional.empty();
      case Criterion.Ratings other -> Optional.empty();
      case Criterion.Measured other -> Optional.empty();
    };
  }

  /** The first plan of a contender that would do, month by month. */
  public List<PlanNeeded> plansNeeded(String contender) {
    return PlanNeeded.over(selection.contender(contender).offerings(), market, months);
  }

  /** What is said of every plan of a contender, month by month. */
  public List<PlanMonths> planMonths(String contender) {
    List<Offering> offerings = selection.contender(contender).offerings();
    return planMonths.get(contender, id -> List.copyOf(PlanMonths.of(offerings, market, months)));
  }
}
