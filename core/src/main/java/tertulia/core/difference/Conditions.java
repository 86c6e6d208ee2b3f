package tertulia.core.difference;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import org.joda.money.Money;
import tertulia.core.decision.Proviso;
import tertulia.core.evaluation.Amount;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.fit.Answer;
import tertulia.core.fit.Capability;
import tertulia.core.fit.Offering;
import tertulia.core.growth.Group;
import tertulia.core.path.Option;
import tertulia.core.path.PlanPath;
import tertulia.core.path.PlanPaths;
import tertulia.core.path.SteadyCost;
import tertulia.core.pricing.PriceList;
import tertulia.core.scoring.Totals;
import tertulia.core.time.MonthSpan;

/**
 * How the conditions of a decision stand.
 *
 * @param then the question as it was when it was decided
 * @param now the question as it is, over the same months
 * @param choice id of the contender that was chosen
 * @param month the plan month of today; negative before the first, at least the number of months
 *     after the last
 */
public record Conditions(Evaluation then, Evaluation now, String choice, int month) {
  private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);

  /** What a test finds. */
  private enum Test {
    HOLDS,
    BROKEN,
    UNKNOWN
  }

  /** What a test finds, and by what. */
  private record Result(Test test, Optional<Standing.Found> found) {
    static Result of(boolean holds, Standing.Found found) {
      return new Result(holds ? Test.HOLDS : Test.BROKEN, Optional.of(found));
    }

    static Result unknown() {
      return new Result(Test.UNKNOWN, Optional.empty());
    }
  }

  /** What was on a day, for what is tested by the day. */
  public record Earlier(LocalDate day, Conditions conditions) {}

  /**
   * A condition and how it stands.
   *
   * @param before runs of plan months in which it was broken and that are over, in order
   */
  public record Watched(Proviso proviso, Standing standing, List<MonthSpan> before) {
    public Watched {
      before = List.copyOf(before);
    }
  }

  /**
   * How a condition stands today.
   *
   * @param today the day
   * @param history how things stood on earlier days on which something changed, in order; asked of
   *     only to say since when a condition that is tested by the day is broken
   */
  public Watched watch(Proviso proviso, LocalDate today, Supplier<List<Earlier>> history) {
    return switch (proviso) {
      case Proviso.ByMonth byMonth -> byMonth(byMonth);
      case Proviso.ByDay byDay -> new Watched(byDay, byDay(byDay, today, history), List.of());
    };
  }

  // by month

  private Watched byMonth(Proviso.ByMonth proviso) {
    int months = now.selection().horizon().months();
    if (month >= months) {
      return new Watched(proviso, new Standing.NotKnown(Standing.NotKnown.Why.OVER), List.of());
    }
    if (isOfNothing(proviso)) {
      return new Watched(proviso, new Standing.NotKnown(Standing.NotKnown.Why.SUBJECT), List.of());
    }
    List<Result> results = new ArrayList<>();
    for (int m = 0; m < months; m++) {
      results.add(in(proviso, m));
    }
    return new Watched(proviso, standing(results), over(results));
  }

  /** Of the month of today if it is one of the plan, else of the first one. */
  private Standing standing(List<Result> results) {
    int first = Math.max(0, month);
    Result today = results.get(first);
    if (today.test() == Test.UNKNOWN) {
      return new Standing.NotKnown(Standing.NotKnown.Why.COST);
    }
    if (month >= 0 && today.test() == Test.BROKEN) {
      int since = month;
      while (since > 0 && results.get(since - 1).test() == Test.BROKEN) {
        since--;
      }
      return new Standing.Broken(when(since), today.found());
    }
    for (int m = first; m < results.size(); m++) {
      if (results.get(m).test() == Test.BROKEN) {
        return new Standing.WillBreak(when(m), results.get(m).found());
      }
      if (results.get(m).test() == Test.UNKNOWN) {
        return new Standing.NotKnown(Standing.NotKnown.Why.COST);
      }
    }
    return new Standing.Holds(today.found());
  }

  /** Runs that ended before the month of today. */
  private List<MonthSpan> over(List<Result> results) {
    List<MonthSpan> runs = new ArrayList<>();
    int from = -1;
    for (int m = 0; m <= month; m++) {
      boolean broken = results.get(m).test() == Test.BROKEN;
      if (broken && from < 0) {
        from = m;
      } else if (!broken && from >= 0) {
        runs.add(new MonthSpan(from, m));
        from = -1;
      }
    }
    return runs;
  }

  private Standing.When when(int m) {
    return new Standing.When.Month(now.selection().horizon().month(m));
  }

  /** Whether it speaks of something that is not there any more. */
  private boolean isOfNothing(Proviso.ByMonth proviso) {
    return proviso instanceof Proviso.Number number
        && switch (number.counted()) {
          case Proviso.Counted.Everybody all -> false;
          case Proviso.Counted.OfGroup of -> group(of.group()).isEmpty();
          case Proviso.Counted.Needed needed ->
              !now.selection().demands().containsKey(needed.measure());
        };
  }

  private Optional<Group> group(String id) {
    return now.selection().groups().stream().filter(g -> g.id().equals(id)).findFirst();
  }

  private Result in(Proviso.ByMonth proviso, int m) {
    return switch (proviso) {
      case Proviso.Number number -> {
        BigDecimal counted = counted(number.counted(), m);
        yield Result.of(
            number.bound().holds(counted, BigDecimal.valueOf(number.limit())),
            new Standing.Found.Amount(counted));
      }
      case Proviso.MonthlyCost cost -> monthly(cost.limit(), m);
      case Proviso.SamePlan same -> plan(m);
    };
  }

  private BigDecimal counted(Proviso.Counted counted, int m) {
    return switch (counted) {
      case Proviso.Counted.Everybody all ->
          BigDecimal.valueOf(now.costs().overall().planned().get(m).total());
      case Proviso.Counted.OfGroup of ->
          BigDecimal.valueOf(
              now.costs().overall().planned().get(m).counts().getOrDefault(of.group(), 0));
      case Proviso.Counted.Needed needed ->
          BigDecimal.valueOf(now.costs().overall().months().get(m).of(needed.measure()).orElse(0));
    };
  }

  /** The choice's cost of one month, spread. */
  private Result monthly(BigDecimal limit, int m) {
    if (!(now.costs().overall().way(choice) instanceof PlanPaths.Found)) {
      return Result.unknown();
    }
    return now.costs()
        .overall()
        .runningBounds(choice)
        .map(sums -> {
          BigDecimal high = sums.get(m).high().getAmount();
          Optional<BigDecimal> low = sums.get(m).low().map(Money::getAmount);
          if (m > 0) {
            high = high.subtract(sums.get(m - 1).high().getAmount());
            Optional<BigDecimal> before = sums.get(m - 1).low().map(Money::getAmount);
            low = low.flatMap(sum -> before.map(sum::subtract));
          }
          return within(limit, low, high);
        })
        .orElseGet(Result::unknown);
  }

  /** An amount that lies on both sides of a limit says nothing. */
  private static Result within(BigDecimal limit, Optional<BigDecimal> low, BigDecimal high) {
    BigDecimal most = low.filter(l -> l.compareTo(high) > 0).orElse(high);
    BigDecimal least = low.filter(l -> l.compareTo(high) < 0).orElse(high);
    if (most.compareTo(limit) <= 0) {
      return Result.of(true, new Standing.Found.Amount(high));
    }
    return low.isPresent() && least.compareTo(limit) > 0
        ? Result.of(false, new Standing.Found.Amount(high))
        : Result.unknown();
  }

  /** Whether the plan of a month is the one that was chosen for it. */
  private Result plan(int m) {
    Optional<Option> was = option(then, m);
    Optional<Option> is = option(now, m);
    if (was.isEmpty() || is.isEmpty()) {
      return Result.unknown();
    }
    return Result.of(
        was.get().plan().id().equals(is.get().plan().id()),
        new Standing.Found.Plan(is.get().plan().name()));
  }

  private Optional<Option> option(Evaluation evaluation, int m) {
    return evaluation.costs().overall().way(choice) instanceof PlanPaths.Found found
        ? found.best().legs().stream()
            .filter(leg -> leg.months().contains(m))
            .map(PlanPath.Leg::option)
            .findFirst()
        : Optional.empty();
  }

  // by day

  private Standing byDay(Proviso.ByDay proviso, LocalDate today, Supplier<List<Earlier>> history) {
    if (proviso instanceof Proviso.Until until) {
      Standing.When after = new Standing.When.Day(until.day().plusDays(1));
      return today.isAfter(until.day())
          ? new Standing.Broken(after, Optional.empty())
          : new Standing.WillBreak(after, Optional.empty());
    }
    Result result = on(proviso);
    return switch (result.test()) {
      case HOLDS -> new Standing.Holds(result.found());
      case UNKNOWN -> new Standing.NotKnown(why(proviso));
      case BROKEN -> new Standing.Broken(since(proviso, today, history.get()), result.found());
    };
  }

  /** The first day of the run that today ends; empty if no earlier day is known. */
  private static Optional<Standing.When> since(
      Proviso.ByDay proviso, LocalDate today, List<Earlier> history) {
    if (history.isEmpty()) {
      return Optional.empty();
    }
    LocalDate since = today;
    for (Earlier earlier : history.reversed()) {
      if (earlier.conditions().on(proviso).test() != Test.BROKEN) {
        break;
      }
      since = earlier.day();
    }
    return Optional.of(new Standing.When.Day(since));
  }

  private Standing.NotKnown.Why why(Proviso.ByDay proviso) {
    return switch (proviso) {
      case Proviso.WholeCost cost -> Standing.NotKnown.Why.COST;
      case Proviso.PriceRisen risen -> Standing.NotKnown.Why.COST;
      case Proviso.StillHas has ->
          needed(has.capability()).isEmpty()
              ? Standing.NotKnown.Why.SUBJECT
              : Standing.NotKnown.Why.FACT;
      case Proviso.Leads leads -> Standing.NotKnown.Why.TOTALS;
      case Proviso.Until until -> Standing.NotKnown.Why.OVER;
    };
  }

  private Result on(Proviso.ByDay proviso) {
    return switch (proviso) {
      case Proviso.WholeCost cost -> whole(cost.limit());
      case Proviso.PriceRisen risen -> risen(risen.percent());
      case Proviso.StillHas has -> has(has.capability());
      case Proviso.Leads leads -> leads();
      case Proviso.Until until -> Result.unknown();
    };
  }

  private Result whole(BigDecimal limit) {
    Optional<Amount> total = now.costs().overall().totalBounds(choice);
    if (total.isPresent()) {
      return within(limit, total.get().low().map(Money::getAmount), total.get().high().getAmount());
    }
    Optional<Money> least = now.costs().overall().leastTotal(choice);
    return least
        .filter(money -> money.getAmount().compareTo(limit) > 0)
        .map(money -> Result.of(false, new Standing.Found.Amount(money.getAmount())))
        .orElseGet(Result::unknown);
  }

  /** By how much the plan and term of the first month have risen, for the units needed then. */
  private Result risen(BigDecimal percent) {
    Optional<Option> chosen = option(then, 0);
    if (chosen.isEmpty()) {
      return Result.unknown();
    }
    Optional<Contender> contender =
        now.selection().active().stream().filter(c -> c.id().equals(choice)).findFirst();
    Optional<Option> sold = contender.flatMap(c -> sold(c, chosen.get()));
    if (sold.isEmpty()) {
      return contender.isPresent() ? Result.of(false, new Standing.Found.Gone()) : Result.unknown();
    }
    Optional<Money> before = steady(then, chosen.get());
    Optional<Money> after = steady(now, sold.get());
    if (before.isEmpty() || after.isEmpty() || before.get().isZero() && after.get().isZero()) {
      return before.isPresent() && after.isPresent()
          ? Result.of(true, new Standing.Found.Amount(BigDecimal.ZERO))
          : Result.unknown();
    }
    if (before.get().isZero()) {
      return Result.of(false, new Standing.Found.Gone());
    }
    BigDecimal by =
        after
            .get()
            .getAmount()
            .multiply(HUNDRED)
            .divide(before.get().getAmount(), MathContext.DECIMAL128)
            .subtract(HUNDRED);
    return Result.of(
        by.compareTo(percent) <= 0,
        new Standing.Found.Amount(by.setScale(1, RoundingMode.HALF_UP)));
  }

  /** The same plan under the same term on today's page. */
  private Optional<Option> sold(Contender contender, Option chosen) {
    Optional<Offering> offering =
        contender.offerings().stream()
            .filter(o -> o.plan().id().equals(chosen.plan().id()))
            .findFirst();
    return offering.flatMap(o ->
        o.plan().charged().stream()
            .filter(list -> list.term().equals(chosen.list().term()))
            .findFirst()
            .map((PriceList list) ->
                Option.of(
                    o,
                    list.asking(then.costs().market().demands().keySet()),
                    then.costs().market().fit())));
  }

  /** What an option costs a month for the units of then, at the rates of its own day. */
  private Optional<Money> steady(Evaluation evaluation, Option option) {
    return SteadyCost.priced(option, evaluation.costs().market(), then.costs().occasion())
        .map(SteadyCost::money);
  }

  private Optional<Capability> needed(String capability) {
    return now.selection().needs().stream()
        .map(need -> need.capability())
        .filter(c -> c.id().equals(capability))
        .findFirst();
  }

  /** Whether the plan of today still has something. */
  private Result has(String capability) {
    Optional<Capability> needed = needed(capability);
    Optional<Option> option = option(now, Math.clamp(month, 0, months() - 1));
    if (needed.isEmpty() || option.isEmpty()) {
      return Result.unknown();
    }
    Answer answer = option.get().answer(needed.get());
    return switch (answer) {
      case YES, BY_ADD_ON, THROUGH_CONNECTOR -> new Result(Test.HOLDS, Optional.empty());
      case UNKNOWN -> Result.unknown();
      case PARTLY, BY_HAND, NO -> {
        boolean asThen =
            option(then, 0).map(was -> was.answer(needed.get()) == answer).orElse(false);
        yield asThen
            ? new Result(Test.HOLDS, Optional.empty())
            : Result.of(false, new Standing.Found.Gone());
      }
    };
  }

  private int months() {
    return now.selection().horizon().months();
  }

  /** Whether no other total can reach that of the choice. */
  private Result leads() {
    Optional<Totals> totals = now.scores().totals();
    if (totals.isEmpty()) {
      return Result.unknown();
    }
    Optional<Totals.Standing> own =
        totals.get().standings().stream().filter(s -> s.contender().equals(choice)).findFirst();
    Optional<String> first = totals.get().standings().stream().map(s -> s.contender()).findFirst();
    if (own.isEmpty()) {
      return first
          .map(id -> Result.of(false, new Standing.Found.Contender(id)))
          .orElseGet(Result::unknown);
    }
    Optional<String> passes =
        totals.get().standings().stream()
            .filter(s -> !s.contender().equals(choice))
            .filter(s -> !Totals.isAbove(own.get().total().low(), s.total().high()))
            .map(s -> s.contender())
            .findFirst();
    return passes
        .map(id -> Result.of(false, new Standing.Found.Contender(id)))
        .orElseGet(() -> new Result(Test.HOLDS, Optional.empty()));
  }
}
