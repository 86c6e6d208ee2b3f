package tertulia.core.evaluation;

import static java.util.Objects.requireNonNull;

import java.math.RoundingMode;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.joda.money.Money;
import tertulia.core.billing.UnitsNeeded;
import tertulia.core.fit.Conflicts;
import tertulia.core.fit.Fit;
import tertulia.core.fit.Headroom;
import tertulia.core.fit.Offering;
import tertulia.core.fit.Reason;
import tertulia.core.growth.Measure;
import tertulia.core.growth.People;
import tertulia.core.inuse.AsToday;
import tertulia.core.inuse.InUse;
import tertulia.core.labour.Labour;
import tertulia.core.labour.PeopleTime;
import tertulia.core.labour.StaffEffort;
import tertulia.core.path.EvaluationPoint;
import tertulia.core.path.Market;
import tertulia.core.path.Option;
import tertulia.core.path.OptionName;
import tertulia.core.path.Outcome;
import tertulia.core.path.PlanNeeded;
import tertulia.core.path.SteadyCost;
import tertulia.core.path.Terms;
import tertulia.core.path.WholeStaff;

/** What the contenders of a selection cost a month for the people under discussion. */
public final class CostsNow {
  private final Selection selection;
  private final WhatIf whatIf;
  private final CostsOverall overall;
  private final Market market;
  private final People people;
  private final EvaluationPoint occasion;
  private final Map<String, Outcome<SteadyCost>> steady = new LinkedHashMap<>();

  /** Nothing is shared with what other people would cost but what they are priced against. */
  CostsNow(
      Selection selection,
      WhatIf whatIf,
      CostsOverall overall,
      People people,
      EvaluationPoint occasion) {
    this.selection = selection;
    this.whatIf = whatIf;
    this.overall = overall;
    this.market = overall.market();
    this.people = people;
    this.occasion = occasion;
    for (Contender contender : selection.contenders()) {
      steady.put(contender.id(), steady(contender));
    }
  }

  private Outcome<SteadyCost> steady(Contender contender) {
    return overall
        .inUse()
        .kept(contender.id())
        .filter(use -> !overall.keptThoughItFails(contender.id()))
        .map(use ->
            SteadyCost.cheapest(
                contender.offerings(),
                overall.inUse().asToday(use).market().asking(Fit.NOTHING_ASKED),
                needed(use)))
        .orElseGet(() -> steadyOf(contender, market));
  }

  /** The best plan for all, or groups on their own plans where that counts and is less. */
  private Outcome<SteadyCost> ownSteady(Contender contender, Market priced) {
    Outcome<SteadyCost> all = SteadyCost.cheapest(contender.offerings(), priced, occasion);
    if (!priced.equals(market) || !overall.isSplitTaken(contender.id())) {
      return all;
    }
    return overall
        .split(contender.id())
        .map(split -> SteadyCost.less(all, split.steady(priced, this::occasion)))
        .orElse(all);
  }

  /** What the people under discussion need in a market. */
  private EvaluationPoint occasion(Market own) {
    return switch (whatIf.moment()) {
      case WhatIf.Moment.Month month ->
          new EvaluationPoint(
              UnitsNeeded.byMonth(own.demands(), overall.planned()).get(month.m()), month.m());
      case WhatIf.Moment.Headcount headcount -> own.lasting(people, headcount.month());
    };
  }

  /** Of several tools that are bought together the sum of the best of each. */
  private Outcome<SteadyCost> steadyOf(Contender contender, Market priced) {
    return SteadyCost.together(
        ownSteady(contender, priced),
        contender.boughtWith().stream()
            .map(other ->
                SteadyCost.cheapest(
                    other.offerings(),
                    priced.asking(CostsOverall.askedOf(other, priced.fit())),
                    occasion))
            .toList());
  }

  /** What the users of a tool in use need of it, of the people under discussion. */
  private EvaluationPoint needed(InUse use) {
    AsToday today = overall.inUse().asToday(use);
    return switch (whatIf.moment()) {
      case WhatIf.Moment.Month month ->
          new EvaluationPoint(today.needed().get(month.m()), month.m());
      case WhatIf.Moment.Headcount headcount -> today.market().lasting(people, headcount.month());
    };
  }

  /**
   * What stays in use beside a contender costs a month for the people under discussion, at list;
   * empty if it is not known.
   */
  public Optional<Money> staying(String contender) {
    Optional<Money> sum = Optional.of(Money.zero(selection.currency()));
    for (InUse use : overall.inUse().staying(contender)) {
      Optional<Money> own =
          SteadyCost.cheapest(
                      List.of(UseCosts.again(use)),
                      overall.inUse().asToday(use).market().asking(Fit.NOTHING_ASKED),
                      needed(use))
                  instanceof Outcome.Found<SteadyCost> found
              ? Optional.of(found.best().money())
              : Optional.empty();
      sum = sum.flatMap(money -> own.map(money::plus));
    }
    return sum;
  }

  /** What is to be added to a contender's own cost of a month before it is compared. */
  private Optional<Money> besides(String contender) {
    return steadyTime(contender).flatMap(time -> staying(contender).map(time::plus));
  }

  private java.time.YearMonth month() {
    return selection.horizon().month(occasion.owned());
  }

  /** The steady monthly cost of a contender for the people under discussion. */
  public Outcome<SteadyCost> steady(String contender) {
    return requireNonNull(steady.get(contender), contender);
  }

  /** The cheapest that serves the people under discussion; empty if a contender has no figure. */
  public Optional<SteadyCost> best(String contender) {
    return steady(contender) instanceof Outcome.Found<SteadyCost> found
        ? Optional.of(found.best())
        : Optional.empty();
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
    Optional<StaffEffort> effort = selection.contender(contender).takes();
    ByHand byHand = overall.byHand(contender, optionNow(contender));
    return PeopleTime.missing(effort, labour).or(byHand::missing).isPresent()
        ? Optional.empty()
        : effort.map(e -> PeopleTime.steady(e, labour, byHand.lines(), selection.currency()));
  }

  /** Active contenders with a figure for the people under discussion, cheapest first. */
  public List<String> orderByCost() {
    Map<String, Money> costs = new LinkedHashMap<>();
    for (Contender contender : selection.active()) {
      best(contender.id())
          .ifPresent(best ->
              besides(contender.id())
                  .ifPresent(more -> costs.put(contender.id(), best.money().plus(more))));
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
    return best(contender).map(SteadyCost::option).or(() -> lastPriced(contender));
  }

  private Optional<Option> lastPriced(String contender) {
    return selection.contender(contender).offerings().stream()
        .filter(offering -> !offering.plan().charged().isEmpty())
        .reduce((first, last) -> last)
        .map(offering -> Option.of(offering, offering.plan().charged().getFirst(), market.fit()));
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
   * What a contender costs a month for the people under discussion, as it is read, with what stays
   * in use beside it; empty if there is no figure.
   */
  public Optional<Amount> monthly(String contender) {
    return steadyBounds(contender).flatMap(amount -> besides(contender).map(amount::plus));
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
            Amount.of(found.isAtMost(), found.low().map(SteadyCost::money), found.best().money()))
        : Optional.empty();
  }

  /**
   * The least a contender without a figure costs a month for the people under discussion, as it is
   * read; empty if not even that is known, or it has a figure.
   */
  public Optional<Money> leastMonthly(String contender) {
    Optional<Money> least =
        switch (steady(contender)) {
          case Outcome.Unpriced<SteadyCost> unpriced -> unpriced.low().map(SteadyCost::money);
          case Outcome.Found<SteadyCost> found ->
              staying(contender).isPresent() || found.isAtMost()
                  ? Optional.empty()
                  : Optional.of(found.low().orElse(found.best()).money());
          case Outcome.NoPlan<SteadyCost> none -> Optional.empty();
        };
    Money stays = staying(contender).orElse(Money.zero(selection.currency()));
    return least.flatMap(own -> steadyTime(contender).map(time -> own.plus(time).plus(stays)));
  }

  /**
   * The steady monthly cost of one plan under its cheapest allowed term, whether or not it would
   * do; empty if it has no figure.
   */
  public Optional<SteadyCost> planAlone(Offering offering) {
    return SteadyCost.cheapestTerm(offering, market, occasion);
  }

  /** As above, under some of the terms that are allowed only. */
  public Optional<SteadyCost> planAlone(Offering offering, Terms terms) {
    return SteadyCost.cheapestTerm(offering, market.allowing(terms), occasion);
  }

  /**
   * The least a plan by itself costs a month, by the prices of which only that is known; empty if
   * it has none.
   */
  Optional<SteadyCost> leastAlone(Offering offering) {
    return SteadyCost.least(offering, market, occasion);
  }

  /** The steady monthly cost of a contender if nothing were needed of it. */
  public Outcome<SteadyCost> withoutNeeds(String contender) {
    return steadyOf(selection.contender(contender), market.asking(Fit.NOTHING_ASKED));
  }

  /** The same for the people under discussion, as one month. */
  public Optional<Headroom> roomNow(String contender, Measure measure) {
    return optionNow(contender)
        .flatMap(option ->
            Headroom.of(
                option.offering(), option.list(), measure, List.of(occasion.units()), month()))
        .map(room -> room.with(selection.practice().covers()));
  }

  /**
   * The room a contender's plan of {@link #optionNow} leaves for a measure over the plan months;
   * empty as {@link Headroom#of} has it.
   */
  public Optional<Headroom> room(String contender, Measure measure) {
    return optionNow(contender)
        .flatMap(option ->
            Headroom.of(
                option.offering(),
                option.list(),
                measure,
                overall.months(),
                selection.horizon().month(0)))
        .map(room -> room.with(selection.practice().covers()));
  }

  /** What speaks against each plan of a contender for the people under discussion. */
  public Map<OptionName, List<Reason>> against(String contender) {
    return PlanNeeded.against(selection.contender(contender).offerings(), market, occasion);
  }

  /** What speaks against one plan for the people under discussion, whichever are read. */
  public List<Reason> against(Offering offering) {
    return PlanNeeded.against(List.of(offering), market, occasion)
        .getOrDefault(OptionName.of(offering.plan()), List.of());
  }

  /**
   * Which requirements together leave a contender without a plan for the people under discussion;
   * no sets if some plan does.
   */
  public Conflicts conflicts(String contender) {
    return Conflicts.of(
        against(contender).entrySet().stream()
            .map(plan -> new Conflicts.Failed(plan.getKey().plan(), plan.getValue()))
            .toList());
  }

  /** A price for the whole staff of a contender beside one for named seats. */
  public Optional<WholeStaff> wholeStaff(String contender) {
    return WholeStaff.of(selection.contender(contender).offerings(), market, people, occasion);
  }
}
