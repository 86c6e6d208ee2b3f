package tertulia.core.evaluation;

import static java.util.Objects.requireNonNull;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Supplier;
import java.util.stream.IntStream;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;
import tertulia.core.billing.Leaving;
import tertulia.core.billing.UnitsNeeded;
import tertulia.core.billing.View;
import tertulia.core.fit.Conflicts;
import tertulia.core.fit.Fit;
import tertulia.core.fit.Need;
import tertulia.core.fit.Offering;
import tertulia.core.fit.Question;
import tertulia.core.fit.Reason;
import tertulia.core.fit.Room;
import tertulia.core.fit.Verdict;
import tertulia.core.growth.Demand;
import tertulia.core.growth.Measure;
import tertulia.core.growth.People;
import tertulia.core.labour.Effort;
import tertulia.core.labour.Labour;
import tertulia.core.labour.PeopleTime;
import tertulia.core.labour.Takes;
import tertulia.core.money.Rounding;
import tertulia.core.path.CostByHeadcount;
import tertulia.core.path.CostByQuantity;
import tertulia.core.path.Dimension;
import tertulia.core.path.Market;
import tertulia.core.path.Occasion;
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
import tertulia.core.pricing.PriceList;
import tertulia.core.scoring.Criterion;

/**
 * What the contenders of a selection cost and which of their plans do, under one "what if".
 * Nobody's weights and marks enter: whatever they become, these stay.
 */
public final class Costs {
  private final Selection selection;
  private final WhatIf whatIf;
  private final Whole whole;
  private final People people;
  private final Occasion occasion;
  private final Map<String, Outcome<SteadyCost>> steady = new LinkedHashMap<>();

  /** What does not depend on the people under discussion. */
  private static final class Whole {
    private final Market market;
    private final List<People> planned;
    private final List<UnitsNeeded> months;
    private final Map<String, Outcome<Stay>> stays = new ConcurrentHashMap<>();
    private final Map<String, Ways> ways = new ConcurrentHashMap<>();
    private final Map<String, Ways> spread = new ConcurrentHashMap<>();
    private final Map<String, Ways> monthly = new ConcurrentHashMap<>();
    private final Map<Asked, Optional<Amount>> without = new ConcurrentHashMap<>();
    private final Map<String, List<PlanMonths>> planMonths = new ConcurrentHashMap<>();
    private final Map<Integer, CostByHeadcount> sweeps = new ConcurrentHashMap<>();
    private final Map<Asked, Ways> shared;
    private @Nullable NeedCosts needCosts;

    /**
     * @param shared ways in the spread view by what needs make of a contender's plans, for this and
     *     for all that differ from it in needs and facts only
     */
    Whole(Market market, List<People> planned, Map<Asked, Ways> shared) {
      this.shared = shared;
      this.market = market;
      this.planned = List.copyOf(planned);
      this.months = List.copyOf(UnitsNeeded.byMonth(market.demands(), planned));
    }

    synchronized NeedCosts needCosts(Supplier<NeedCosts> find) {
      NeedCosts known = needCosts;
      if (known == null) {
        known = find.get();
        needCosts = known;
      }
      return known;
    }
  }

  /** What some needs make of a contender's plans; alike, they lead to the same way. */
  private record Asked(Contender contender, List<Object> options) {}

  private Costs(Selection selection, WhatIf whatIf, Whole whole) {
    this.selection = selection;
    this.whatIf = whatIf;
    this.whole = whole;
    this.people =
        switch (whatIf.moment()) {
          case WhatIf.Moment.Month month -> whole.planned.get(month.m());
          case WhatIf.Moment.Headcount headcount -> today().scaledTo(headcount.people());
        };
    this.occasion =
        switch (whatIf.moment()) {
          case WhatIf.Moment.Month month -> new Occasion(whole.months.get(month.m()), month.m());
          case WhatIf.Moment.Headcount headcount ->
              whole.market.occasion(people, headcount.month());
        };
    for (Contender contender : selection.contenders()) {
      steady.put(
          contender.id(), SteadyCost.cheapest(contender.offerings(), whole.market, occasion));
    }
  }

  /**
   * Computes what a selection costs.
   *
   * @param selection its panel and criteria are not looked at
   */
  public static Costs of(Selection selection, WhatIf whatIf) {
    Map<Measure, Demand> needed =
        whatIf
            .light()
            .map(share -> Light.demands(selection.demands(), share))
            .orElse(selection.demands());
    Market market =
        new Market(
            new Fit(selection.needs(), true, selection.practice().covers()),
            whatIf.stated().map(stated -> stated.in(needed)).orElse(needed),
            selection.currency(),
            selection.rates(),
            selection.asOf(),
            whatIf.terms(),
            whatIf.averagePayment().or(selection::averagePayment),
            selection.horizon());
    List<People> planned = new ArrayList<>();
    for (int m = 0; m < selection.horizon().months(); m++) {
      planned.add(People.planned(selection.groups(), selection.horizon(), m, whatIf.scenario()));
    }
    return new Costs(selection, whatIf, new Whole(market, planned, new ConcurrentHashMap<>()));
  }

  /** These costs for other people under discussion: what does not depend on them is shared. */
  public Costs at(WhatIf.Moment moment) {
    return moment.equals(whatIf.moment()) ? this : new Costs(selection, whatIf.at(moment), whole);
  }

  /**
   * These costs if something else were needed, or known of a contender: those for which that makes
   * no difference keep their ways.
   *
   * @param other differs in needs, in facts of contenders and in what is judged at most
   */
  public Costs asking(Selection other) {
    return new Costs(
        other,
        whatIf,
        new Whole(
            whole.market.asking(whole.market.fit().asking(other.needs())),
            whole.planned,
            whole.shared));
  }

  public Selection selection() {
    return selection;
  }

  public WhatIf whatIf() {
    return whatIf;
  }

  public Market market() {
    return whole.market;
  }

  /**
   * The people whose shares hold for costs by headcount: those of the first plan month in which
   * there is anybody.
   */
  public People today() {
    return whole.planned.stream()
        .filter(people -> people.total() > 0)
        .findFirst()
        .orElseGet(whole.planned::getFirst);
  }

  /** The planned people by month, in the scenario. */
  public List<People> planned() {
    return whole.planned;
  }

  /** The units needed by month, in the scenario. */
  public List<UnitsNeeded> months() {
    return whole.months;
  }

  /** The people under discussion. */
  public People people() {
    return people;
  }

  /** What they need, and in which plan month. */
  public Occasion occasion() {
    return occasion;
  }

  private java.time.YearMonth month() {
    return selection.horizon().month(occasion.month());
  }

  /** The steady monthly cost of a contender for the people under discussion. */
  public Outcome<SteadyCost> steady(String contender) {
    return requireNonNull(steady.get(contender), contender);
  }

  /** The cheapest plan and term of a contender kept over the horizon, in the view read. */
  public Outcome<Stay> stay(String contender) {
    return whole.stays.computeIfAbsent(
        contender,
        id ->
            Stay.cheapest(
                selection.contender(id).offerings(),
                whole.market,
                whole.months,
                selection.rise(),
                selection.horizon(),
                whatIf.view()));
  }

  /** The cheapest way through a contender's plans, in the view read. */
  public Ways way(String contender) {
    return whatIf.view() == View.SPREAD
        ? spread(contender)
        : whole.ways.computeIfAbsent(
            contender, id -> way(id, whatIf.view(), leaving(), whole.market));
  }

  /** What becomes of committed terms that are left early. */
  public Leaving leaving() {
    return selection.practice().leaving();
  }

  /** The people's time a contender takes along its best way in the view read. */
  public Takes takes(String contender) {
    return takes(contender, way(contender));
  }

  /** The people's time a contender takes along a way. */
  Takes takes(String contender, Ways along) {
    Labour labour = selection.practice().labour();
    Optional<Effort> effort = selection.contender(contender).takes();
    List<Integer> changes =
        along instanceof Ways.Found found ? found.best().changesOfPlan() : List.of();
    return PeopleTime.missing(effort, labour)
        .<Takes>map(Takes.Unknown::new)
        .orElseGet(() ->
            new Takes.Known(
                PeopleTime.of(
                    effort.orElseThrow(), labour, seats(), changes, selection.currency())));
  }

  /** Seats needed by month: those of the demand, or everybody if no seats are counted. */
  private List<Integer> seats() {
    List<Integer> seats = new ArrayList<>();
    for (int m = 0; m < whole.months.size(); m++) {
      seats.add(whole.months.get(m).of(Measure.SEATS).orElse(whole.planned.get(m).total()));
    }
    return seats;
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
    return total(contender, way(contender));
  }

  /** As above along any way of the contender. */
  Optional<Money> total(String contender, Ways along) {
    return along instanceof Ways.Found found
        ? total(contender, found, whatIf.view())
        : Optional.empty();
  }

  /** The total in the spread view, on which scores rest, with people's time if it is read. */
  public Optional<Money> spreadTotal(String contender) {
    return spread(contender) instanceof Ways.Found found
        ? total(contender, found, View.SPREAD)
        : Optional.empty();
  }

  private Optional<Money> total(String contender, Ways.Found along, View view) {
    Money subscription = along.best().ledger().total(view);
    return switch (whatIf.basis()) {
      case SUBSCRIPTION -> Optional.of(subscription);
      case FULL ->
          switch (takes(contender, along)) {
            case Takes.Known known -> Optional.of(subscription.plus(known.time().total()));
            case Takes.Unknown unknown -> Optional.empty();
          };
    };
  }

  /**
   * What a contender has cost by the end of each plan month, as it is read: running sums in the
   * view, with people's time if full cost is read. Empty if its total is not known.
   */
  public Optional<List<Money>> running(String contender) {
    return running(contender, way(contender));
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
  Optional<List<Money>> running(String contender, Ways along) {
    if (!(along instanceof Ways.Found found) || total(contender, along).isEmpty()) {
      return Optional.empty();
    }
    List<Money> months = new ArrayList<>(found.best().ledger().months(whatIf.view()));
    if (whatIf.basis() == WhatIf.Basis.FULL
        && takes(contender, found) instanceof Takes.Known known) {
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

  /** Why an option does not do in a plan month; none if it does. */
  public List<Reason> reasonsIn(Option option, int m) {
    return whole
        .market
        .fit()
        .at(option.offering(), option.list(), whole.months.get(m), selection.horizon().month(m))
        .reasons();
  }

  /**
   * The total of a contender, as it is read, if some needs were given up. Needs that make no
   * difference to any of its plans lead to the same way, which is found once.
   */
  Optional<Amount> totalWithout(String contender, Set<Need> needs) {
    Fit others = without(needs);
    return whole.without.computeIfAbsent(
        asked(selection.contender(contender), others),
        asked ->
            bounds(
                contender, way(contender, whatIf.view(), leaving(), whole.market.asking(others))));
  }

  private static Asked asked(Contender contender, Fit needs) {
    List<Object> options = new ArrayList<>();
    for (Offering offering : contender.offerings()) {
      options.add(needs.musts(offering).isEmpty());
      for (PriceList list : offering.plan().charged()) {
        Option option = Option.of(offering, list, needs);
        options.add(needs.musts(offering, list).isEmpty());
        options.add(option.addOns());
        options.add(option.outside());
      }
    }
    return new Asked(contender, options);
  }

  private Fit without(Set<Need> needs) {
    return whole
        .market
        .fit()
        .asking(selection.needs().stream().filter(need -> !needs.contains(need)).toList());
  }

  /** The best way in the spread view, on which scores rest whichever view is read. */
  Ways spread(String contender) {
    return whole.spread.computeIfAbsent(
        contender,
        id ->
            whole.shared.computeIfAbsent(
                asked(selection.contender(id), whole.market.fit()),
                asked -> way(id, View.SPREAD, leaving(), whole.market)));
  }

  /**
   * A first guess of a scale for what the contenders cost a month; empty if fewer than two cost
   * different amounts that are known.
   */
  public Optional<Criterion.Cost> guessedScale() {
    return Valuation.guess(this);
  }

  /** What one change of plan costs in people's time; nothing if nobody has said. */
  private Money changing() {
    Labour labour = selection.practice().labour();
    return Rounding.toMinorUnit(
        labour.hour().orElse(BigDecimal.ZERO).multiply(labour.changeHours()), selection.currency());
  }

  /** As {@link #way(String)}, under some terms only. */
  public Ways wayUnder(String contender, Terms terms) {
    return way(contender, whatIf.view(), leaving(), whole.market.allowing(terms));
  }

  /** As {@link #way(String)}, if nothing were credited for terms that are left. */
  Ways wayIfLost(String contender) {
    return way(contender, whatIf.view(), Leaving.LOST, whole.market);
  }

  /** As {@link #way(String)}, without any commitment. */
  public Ways wayAllMonthly(String contender) {
    return whole.monthly.computeIfAbsent(contender, id -> wayUnder(id, Terms.MONTHLY));
  }

  private Ways way(String contender, View view, Leaving leaving, Market offered) {
    return Ways.through(
        selection.contender(contender).offerings(),
        offered,
        whole.months,
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
        .filter(c -> !(spread(c.id()) instanceof Ways.Gap gap) || gap.isUnpriced())
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
        .filter(offering -> !offering.plan().charged().isEmpty())
        .reduce((first, last) -> last)
        .map(offering ->
            Option.of(offering, offering.plan().charged().getFirst(), whole.market.fit()));
  }

  /**
   * The plan whose facts answer for a contender: the one of {@link #optionNow}, or the last of
   * those without a price; empty if it has no plans.
   */
  public Optional<Offering> offeringNow(String contender) {
    List<Offering> all = selection.contender(contender).offerings();
    return optionNow(contender)
        .map(Option::offering)
        .or(() -> all.isEmpty() ? Optional.empty() : Optional.of(all.getLast()));
  }

  /**
   * What a contender costs a month for the people under discussion, as it is read; empty if there
   * is no figure.
   */
  public Optional<Amount> monthly(String contender) {
    return steadyBounds(contender).flatMap(amount -> steadyTime(contender).map(amount::plus));
  }

  /**
   * What a contender costs for each of the people under discussion over so many months, rounded
   * half-up; empty if that is not known, or there are no people.
   *
   * @param months 1 or 12
   */
  public Optional<Amount> perHead(String contender, int months) {
    int all = people.total();
    return all == 0
        ? Optional.empty()
        : monthly(contender)
            .map(amount ->
                new Amount(
                    amount.low().map(low -> perHead(low, months, all)),
                    perHead(amount.high(), months, all)));
  }

  /**
   * The least a contender without a figure costs for each of the people under discussion, as {@link
   * #perHead}; empty if not even that is known, or it has a figure.
   */
  public Optional<Money> leastPerHead(String contender, int months) {
    int all = people.total();
    return all == 0
        ? Optional.empty()
        : leastMonthly(contender).map(least -> perHead(least, months, all));
  }

  private static Money perHead(Money monthly, int months, int people) {
    return monthly.multipliedBy(months).dividedBy(people, RoundingMode.HALF_UP);
  }

  /** What a contender's subscription costs a month for these people; empty if without a figure. */
  public Optional<Amount> steadyBounds(String contender) {
    return steady(contender) instanceof Outcome.Found<SteadyCost> found
        ? Optional.of(
            amount(found.isAtMost(), found.low().map(SteadyCost::money), found.best().money()))
        : Optional.empty();
  }

  /**
   * The least a contender without a figure costs a month for the people under discussion, as it is
   * read; empty if not even that is known, or it has a figure.
   */
  public Optional<Money> leastMonthly(String contender) {
    return steady(contender) instanceof Outcome.Unpriced<SteadyCost> unpriced
        ? unpriced.low().flatMap(low -> steadyTime(contender).map(time -> low.money().plus(time)))
        : Optional.empty();
  }

  /** The least a contender without a total costs over the horizon, as it is read; as above. */
  public Optional<Money> leastTotal(String contender) {
    return way(contender) instanceof Ways.Gap gap
        ? gap.low()
            .flatMap(low ->
                total(contender, new Ways.Found(low, List.of(), Optional.empty()), whatIf.view()))
        : Optional.empty();
  }

  /** As {@link #total(String)}, with both ends of it. */
  public Optional<Amount> totalBounds(String contender) {
    return bounds(contender, way(contender));
  }

  private Optional<Amount> bounds(String contender, Ways ways) {
    return ways instanceof Ways.Found found
        ? total(contender, ways)
            .map(read -> {
              Money subscription = found.best().ledger().total(whatIf.view());
              return amount(
                      found.isAtMost(),
                      found.low().map(low -> low.ledger().total(whatIf.view())),
                      subscription)
                  .plus(read.minus(subscription));
            })
        : Optional.empty();
  }

  private static Amount amount(boolean atMost, Optional<Money> low, Money high) {
    return atMost
        ? new Amount(Optional.empty(), high)
        : new Amount(low.or(() -> Optional.of(high)), high);
  }

  /**
   * The steady monthly cost of one plan under its cheapest allowed term, whether or not it would
   * do; empty if it has no figure.
   */
  public Optional<SteadyCost> planAlone(Offering offering) {
    return SteadyCost.cheapestTerm(offering, whole.market, occasion);
  }

  /** The steady monthly cost of a contender if nothing were needed of it. */
  public Outcome<SteadyCost> withoutNeeds(String contender) {
    return SteadyCost.cheapest(
        selection.contender(contender).offerings(),
        whole.market.asking(Fit.NOTHING_ASKED),
        occasion);
  }

  /**
   * The room a contender's plan of {@link #optionNow} leaves for a measure over the plan months;
   * empty as {@link Room#of} has it.
   */
  public Optional<Room> room(String contender, Measure measure) {
    return optionNow(contender)
        .flatMap(option ->
            Room.of(
                option.offering(),
                option.list(),
                measure,
                whole.months,
                selection.horizon().month(0)))
        .map(room -> room.with(selection.practice().covers()));
  }

  /** The same for the people under discussion, as one month. */
  public Optional<Room> roomNow(String contender, Measure measure) {
    return optionNow(contender)
        .flatMap(option ->
            Room.of(option.offering(), option.list(), measure, List.of(occasion.units()), month()))
        .map(room -> room.with(selection.practice().covers()));
  }

  /** How a contender meets a need with what it would be on for the people under discussion. */
  public Met met(String contender, Need need) {
    return Met.of(this, selection.contender(contender), need);
  }

  /** Some contenders side by side, in this order. */
  public Comparison comparison(List<Contender> contenders) {
    return Comparison.of(this, contenders);
  }

  /** Some contenders by some needs, whether or not anybody stated them. */
  public Comparison.OfNeeds comparison(List<Contender> contenders, List<Need> needs) {
    return Comparison.of(this, contenders, needs);
  }

  /** The highest headcount planned in any month. */
  public int highestPlanned() {
    return whole.planned.stream().mapToInt(People::total).max().orElse(0);
  }

  public int lowestPlanned() {
    return whole.planned.stream().mapToInt(People::total).min().orElse(0);
  }

  /** The best way of a contender if some needs were given up, in the view read. */
  Ways wayWithout(String contender, Set<Need> needs) {
    return way(contender, whatIf.view(), leaving(), whole.market.asking(without(needs)));
  }

  /**
   * What nobody has said yet of a contender and might change which plan it needs: of the plan it
   * would be on, and of those its best way takes.
   */
  public List<Question> questions(String contender) {
    List<Question> questions = new ArrayList<>();
    List<Option> options = new ArrayList<>();
    optionNow(contender).ifPresent(options::add);
    if (way(contender) instanceof Ways.Found found) {
      found.best().legs().forEach(leg -> options.add(leg.option()));
    }
    options.stream()
        .distinct()
        .flatMap(option ->
            whole
                .market
                .fit()
                .questions(
                    option.offering(),
                    option.list(),
                    whole.market.demands().keySet(),
                    occasion.units(),
                    month())
                .stream())
        .filter(question -> questions.stream().noneMatch(question::isAnsweredWith))
        .forEach(questions::add);
    return questions;
  }

  /** What each must costs. */
  public NeedCosts needCosts() {
    return whole.needCosts(() -> NeedCosts.of(this));
  }

  /** The first plan of a contender that would do, month by month. */
  public List<PlanNeeded> plansNeeded(String contender) {
    return PlanNeeded.over(selection.contender(contender).offerings(), whole.market, whole.months);
  }

  /** What is said of every plan of a contender, month by month. */
  public List<PlanMonths> planMonths(String contender) {
    List<Offering> offerings = selection.contender(contender).offerings();
    return whole.planMonths.computeIfAbsent(
        contender, id -> List.copyOf(PlanMonths.of(offerings, whole.market, whole.months)));
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
    return PlanNeeded.against(selection.contender(contender).offerings(), whole.market, occasion);
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
        whole.market,
        whole.months,
        selection.rise(),
        selection.horizon(),
        whatIf.view(),
        leaving(),
        changing());
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

  /** A price for the whole staff of a contender beside one for named seats. */
  public Optional<WholeStaff> wholeStaff(String contender) {
    return WholeStaff.of(
        selection.contender(contender).offerings(), whole.market, people, occasion);
  }

  /** As {@link #running(String)} if nothing were committed. */
  public Optional<List<Money>> runningAllMonthly(String contender) {
    return running(contender, wayAllMonthly(contender));
  }

  /** Why an option of a contender does not qualify for so many people; none if it does. */
  public List<Reason> reasonsAt(String contender, String option, int people) {
    Outcome<SteadyCost> outcome =
        SteadyCost.cheapest(
            selection.contender(contender).offerings(),
            whole.market,
            whole.market.occasion(today().scaledTo(people), occasion.month()));
    return Optional.ofNullable(outcome.passedOver().get(option))
        .map(Verdict::reasons)
        .orElse(List.of());
  }

  /** Cost by headcount of the active contenders; with steady people's time if full cost is read. */
  public CostByHeadcount costByHeadcount() {
    return whole.sweeps.computeIfAbsent(sweptMonth(), this::sweep);
  }

  /**
   * Cost by how much there is of something, for the people under discussion; with steady people's
   * time if full cost is read. Empty if more is needed of something than can be counted.
   */
  public Optional<CostByQuantity> costBy(Dimension dimension) {
    long highest =
        switch (dimension) {
          case Dimension.Quantity quantity -> most(quantity.measure());
          case Dimension.AveragePayment payment ->
              whole.market.averagePayment().map(Costs::wholeUnits).orElse(0L);
        };
    return CostByQuantity.sweep(
            offerings(), whole.market, people, dimension, occasion.month(), highest)
        .map(swept -> new CostByQuantity(dimension, swept.step(), withTime(swept.points())));
  }

  /** The most that is needed of a measure in any month, in whole units. */
  private long most(Measure measure) {
    Demand needed = whole.market.demands().get(measure);
    return needed == null
        ? 0
        : whole.planned.stream()
            .map(people -> needed.units(measure, people))
            .max(Comparator.naturalOrder())
            .map(Costs::wholeUnits)
            .orElse(0L);
  }

  private static long wholeUnits(BigDecimal quantity) {
    return quantity.setScale(0, RoundingMode.CEILING).longValueExact();
  }

  /** The month of the sweep: any other leads to the same if nothing is owned and nothing kept. */
  private int sweptMonth() {
    boolean matters =
        selection.contenders().stream().anyMatch(c -> c.tool().owned().isPresent())
            || whole.market.demands().keySet().stream()
                .anyMatch(measure -> measure.nature() == Measure.Nature.SUM);
    return matters ? occasion.month() : 0;
  }

  private CostByHeadcount sweep(int month) {
    return withTime(
        CostByHeadcount.sweep(
            offerings(), whole.market, today(), month, CostByHeadcount.reach(highestPlanned())));
  }

  /** The offerings of the active contenders. */
  private Map<String, List<Offering>> offerings() {
    Map<String, List<Offering>> tools = new LinkedHashMap<>();
    selection.active().forEach(c -> tools.put(c.id(), c.offerings()));
    return tools;
  }

  /** A sweep with steady people's time, if full cost is read. */
  private CostByHeadcount withTime(CostByHeadcount subscription) {
    if (whatIf.basis() == WhatIf.Basis.SUBSCRIPTION) {
      return subscription;
    }
    Map<String, Optional<Money>> time = new LinkedHashMap<>();
    selection.active().forEach(c -> time.put(c.id(), steadyTime(c.id())));
    return subscription.adding(time);
  }
}
