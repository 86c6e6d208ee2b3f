package tertulia.app.exchange;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.IntStream;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;
import tertulia.core.billing.CostTiming;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.fit.Question;
import tertulia.core.growth.People;
import tertulia.core.inuse.Together;
import tertulia.core.path.CostByHeadcount;
import tertulia.core.path.FixedPlan;
import tertulia.core.path.Outcome;
import tertulia.core.path.PlanPath;
import tertulia.core.path.PlanPaths;
import tertulia.core.path.SteadyCost;
import tertulia.core.scoring.Interval;
import tertulia.core.scoring.Totals;

/**
 * The results of one selection as written to files; money and scores are text.
 *
 * @param firmness null where it was not asked for, or in what was written before it was
 * @param side who wins where and why, the answer by size, and what is open; null as above
 * @param interests what is left of the lead without what people with an interest said; null: nobody
 *     did, or it was written before that was asked
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record Results(
    String title,
    String currency,
    String start,
    List<Integer> people,
    @Nullable Map<String, String> weights,
    List<ContenderResult> contenders,
    List<LeadResult> cheapestByHeadcount,
    @Nullable FirmnessResult firmness,
    @Nullable String interests,
    @Nullable SideResult side) {
  private static final int SCORE_DECIMALS = 6;
  private static final int READ_DECIMALS = 3;

  /**
   * One contender; what is not known is absent; options left out and why are in "notCounted".
   *
   * @param horizon the cheapest path through its plans; months and what is committed are its
   * @param kept the cheapest single plan and term kept all the time
   * @param open what nobody has said yet and might change which plan is needed; null: nothing
   * @param inUse of the month, the horizon and the months, what is in use beside it; null: nothing
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record ContenderResult(
      String id,
      String name,
      @Nullable String setAside,
      @Nullable CostResult firstMonth,
      @Nullable CostResult horizon,
      @Nullable CostResult kept,
      @Nullable List<String> months,
      @Nullable String committedPastHorizon,
      List<String> notCounted,
      @Nullable List<String> open,
      @Nullable ScoreResult total,
      @Nullable UseResult inUse) {

    private ContenderResult figures() {
      return new ContenderResult(
          id,
          name,
          setAside,
          figure(firstMonth),
          figure(horizon),
          figure(kept),
          months,
          committedPastHorizon,
          List.of(),
          null,
          total,
          inUse);
    }

    private static @Nullable CostResult figure(@Nullable CostResult cost) {
      return cost == null
          ? null
          : new CostResult("", cost.amount(), cost.atMost(), cost.low(), cost.boughtOnce(), null);
    }
  }

  /**
   * What of a contender's cost over the horizon is its own, and what is in use beside it.
   *
   * @param own null: not known
   * @param stays what stays in use comes to; null: not known
   * @param owed what is still owed of what goes
   * @param staying names of the tools that stay
   * @param going names of the tools that go
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record UseResult(
      @Nullable String own,
      @Nullable String stays,
      String owed,
      List<String> staying,
      List<String> going,
      boolean asToday) {}

  /**
   * A figure with the plan and term it belongs to.
   *
   * @param amount null if only the least is known
   * @param low the figure if every assumed price were at its low end, and every "from" price at the
   *     least it begins at; null if that makes no difference
   * @param boughtOnce of a month's figure the share of what is bought once; null if there is none
   * @param reads the figure as it is to be read, with "at most" or both ends and the currency; null
   *     in what was written before it was said
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record CostResult(
      String option,
      @Nullable String amount,
      boolean atMost,
      @Nullable String low,
      @Nullable String boughtOnce,
      @Nullable String reads) {
    /**
     * The amount as it is to be read: "at most" or "at least" before a bound, both ends of a range.
     */
    public String words() {
      if (amount == null) {
        return "at least " + (low == null ? "0" : grouped(low));
      }
      if (atMost) {
        return "at most " + grouped(amount);
      }
      return low == null || low.equals(amount)
          ? grouped(amount)
          : grouped(low) + " to " + grouped(amount);
    }
  }

  /** A total from 0 to 1 with its ends and ranks. */
  public record ScoreResult(String low, String high, int bestRank, int worstRank, long wins) {
    /** Both ends, or the one figure, with three decimals as on the screen. */
    public String words() {
      return low.equals(high) ? read(low) : read(low) + " to " + read(high);
    }

    private static String read(String score) {
      return new BigDecimal(score).setScale(READ_DECIMALS, RoundingMode.HALF_UP).toPlainString();
    }
  }

  /** From so many people on this contender is cheapest; nobody if absent. */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record LeadResult(int from, @Nullable String contender) {}

  /**
   * How firm the results are, and who should take which.
   *
   * @param grade alone, open, not-firm, holds or firm
   * @param says the same in a sentence
   * @param firstIn of all weightings the share in which each is first, by contender; null without
   *     totals
   * @param takeIf for each contender when to take it
   * @param bySize who leads at which numbers of people, in a sentence; null: nobody for certain, or
   *     it was written before it was said
   * @param holdsFor for how many people and which weights the one that is ahead stays so, in a
   *     sentence; null: nobody is ahead, or it was written before it was said
   * @param never contenders that lead under nothing that was tried; null: there is none
   * @param findOut what to find out next, in a sentence; null: no answer would change anything
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record FirmnessResult(
      String grade,
      String says,
      @Nullable Map<String, String> firstIn,
      List<TakeResult> takeIf,
      @Nullable String bySize,
      @Nullable String holdsFor,
      @Nullable List<String> never,
      @Nullable String findOut,
      List<RoomResult> rooms) {}

  /**
   * When to take a contender.
   *
   * @param says in a sentence
   * @param conditions all that were found, each by itself
   */
  public record TakeResult(String contender, String says, List<String> conditions) {}

  /**
   * The contenders side by side.
   *
   * @param says what the score card says first
   * @param card a line for each criterion, and for each need that tells them apart
   * @param contenders where each wins and comes last, and what it lacks
   * @param bySize the answer for one person, a small team, a large one, the fewest and the most
   * @param ifConfirmed what contenders would cost if what is open turned out well; null: nothing
   *     that is open would make one cheaper
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record SideResult(
      List<String> says,
      List<CardResult> card,
      List<SidesResult> contenders,
      List<SizeResult> bySize,
      @Nullable List<ConfirmResult> ifConfirmed) {}

  /**
   * A line of the score card.
   *
   * @param weight of a criterion, 0 to 1, or the importance of a need; null: nobody has set weights
   * @param ahead ids of those that win, are level, or meet it best
   * @param margin such as "clear"; empty for a need
   * @param why in somebody's words or from the figures
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record CardResult(
      String name,
      @Nullable String meaning,
      @Nullable String weight,
      List<String> ahead,
      String margin,
      List<String> why) {}

  /** Where a contender wins and comes last, what it lacks, and who would take it when. */
  public record SidesResult(
      String contender,
      List<String> wins,
      List<String> last,
      List<String> lacks,
      List<String> opinions) {}

  /**
   * The answer for so many people.
   *
   * @param leads the id of who leads in every case; null: nobody does
   * @param ahead the id of who is ahead by the middle of the totals; null without totals
   * @param cheapest ids
   * @param costs by contender, a month, with the plan; absent where there is none
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record SizeResult(
      int people,
      @Nullable String leads,
      @Nullable String ahead,
      List<String> cheapest,
      Map<String, CostResult> costs) {}

  /** What a contender would cost, a month and in all, and what has to be confirmed for it. */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record ConfirmResult(
      String contender, @Nullable String monthly, @Nullable String horizon, List<String> open) {}

  /** Between which weights the leader stays ahead, and who takes over; null: nobody does. */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record RoomResult(
      String criterion,
      String from,
      @Nullable List<String> below,
      String to,
      @Nullable List<String> above) {}

  /** The results under the standard "what if": first month, growth as expected, any term. */
  public static Results of(Evaluation evaluation) {
    CostByHeadcount costs = evaluation.costs().curves().costByHeadcount();
    return new Results(
        evaluation.selection().title(),
        evaluation.selection().currency().getCode(),
        evaluation.selection().horizon().start().toString(),
        evaluation.costs().overall().planned().stream().map(People::total).toList(),
        evaluation.scores().weights().map(Results::weights).orElse(null),
        evaluation.selection().contenders().stream().map(c -> contender(evaluation, c)).toList(),
        costs.leads().stream()
            .map(lead -> new LeadResult(lead.n(), lead.tool().orElse(null)))
            .toList(),
        null,
        null,
        null);
  }

  /** The same with how firm they are. */
  public Results knowing(@Nullable FirmnessResult firm) {
    return new Results(
        title,
        currency,
        start,
        people,
        weights,
        contenders,
        cheapestByHeadcount,
        firm,
        interests,
        side);
  }

  /** The same with who wins where and why, the answer by size, and what is open. */
  public Results beside(@Nullable SideResult other) {
    return new Results(
        title,
        currency,
        start,
        people,
        weights,
        contenders,
        cheapestByHeadcount,
        firmness,
        interests,
        other);
  }

  /** The same with what is left of the lead without what people with an interest said. */
  public Results interested(@Nullable String sentence) {
    return new Results(
        title,
        currency,
        start,
        people,
        weights,
        contenders,
        cheapestByHeadcount,
        firmness,
        sentence,
        side);
  }

  /** As {@link #of(Evaluation)} for a selection. */
  public static Results of(tertulia.core.evaluation.Selection selection) {
    return of(Evaluation.of(selection, WhatIf.START));
  }

  /** The figures alone: no sentence and no name of an option, which a release may word anew. */
  public Results figures() {
    return new Results(
        title,
        currency,
        start,
        people,
        weights,
        contenders.stream().map(ContenderResult::figures).toList(),
        cheapestByHeadcount,
        null,
        null,
        null);
  }

  private static Map<String, String> weights(Map<String, BigDecimal> given) {
    Map<String, String> weights = new LinkedHashMap<>();
    given.forEach((criterion, weight) -> weights.put(criterion, score(weight)));
    return weights;
  }

  private static ContenderResult contender(Evaluation evaluation, Contender contender) {
    String id = contender.id();
    List<String> notCounted = new ArrayList<>();
    contender.tool().plans().stream()
        .filter(plan -> contender.plansAside().containsKey(plan.id()))
        .map(plan ->
            plan.name() + ": set aside, " + contender.plansAside().getOrDefault(plan.id(), ""))
        .forEach(notCounted::add);
    Optional<FixedPlan> stay = found(evaluation.costs().overall().stay(id), notCounted);
    CostTiming view = evaluation.whatIf().view();
    Optional<PlanPath> way =
        evaluation.costs().overall().way(id) instanceof PlanPaths.Found found
            ? Optional.of(found.best())
            : Optional.empty();
    return new ContenderResult(
        id,
        contender.tool().name(),
        contender.setAside().orElse(null),
        firstMonth(evaluation, id),
        horizon(
            evaluation.costs().overall().way(id), evaluation.costs().overall().together(id), view),
        stay.map(s ->
                cost(
                    s.label(),
                    s.ledger().total(view),
                    evaluation.costs().overall().stay(id),
                    kept -> kept.ledger().total(view)))
            .orElseGet(() ->
                atLeast(
                    evaluation.costs().overall().stay(id),
                    FixedPlan::label,
                    kept -> kept.ledger().total(view))),
        way.flatMap(w -> months(w, evaluation.costs().overall().together(id), view)).orElse(null),
        way.map(w -> amount(w.ledger().pastHorizon(view))).orElse(null),
        notCounted,
        questions(evaluation, id),
        evaluation.scores().totals().flatMap(t -> total(t, id)).orElse(null),
        inUse(evaluation, contender, view));
  }

  /** With what stays in use beside it. */
  private static @Nullable CostResult firstMonth(Evaluation evaluation, String id) {
    Outcome<SteadyCost> outcome = evaluation.costs().now().steady(id);
    Optional<Money> stays = evaluation.costs().now().staying(id);
    Money known = stays.orElse(Money.zero(evaluation.selection().currency()));
    if (!(outcome instanceof Outcome.Found<SteadyCost> found)) {
      return atLeast(outcome, SteadyCost::label, cost -> cost.money().plus(known));
    }
    return stays.isPresent()
        ? cost(
            found.best().label(),
            found.best().money().plus(known),
            found.isAtMost(),
            found.low().map(low -> low.money().plus(known)),
            Optional.of(found.best().boughtOnce()))
        : atLeast(found.best().label(), found.low().orElse(found.best()).money());
  }

  /** With what stays in use beside it and what is still owed. */
  private static @Nullable CostResult horizon(PlanPaths ways, Together beside, CostTiming view) {
    Optional<Money> more = beside.total(view);
    Money known = more.orElseGet(() -> beside.least(view));
    return switch (ways) {
      case PlanPaths.Found found when more.isPresent() ->
          cost(
              found.best().label(),
              found.best().ledger().total(view).plus(known),
              found.isAtMost(),
              found.low().map(low -> low.ledger().total(view).plus(known)),
              Optional.empty());
      case PlanPaths.Found found ->
          atLeast(
              found.best().label(),
              found.low().orElse(found.best()).ledger().total(view).plus(known));
      case PlanPaths.Gap gap ->
          gap.low()
              .map(low -> atLeast(low.label(), low.ledger().total(view).plus(known)))
              .orElse(null);
    };
  }

  private static Optional<List<String>> months(PlanPath way, Together beside, CostTiming view) {
    List<Money> own = way.ledger().months(view);
    return beside
        .byMonth(view)
        .map(more ->
            IntStream.range(0, own.size())
                .mapToObj(m -> amount(own.get(m).plus(more.get(m))))
                .toList());
  }

  private static @Nullable UseResult inUse(
      Evaluation evaluation, Contender contender, CostTiming view) {
    Together beside = evaluation.costs().overall().together(contender.id());
    if (beside.isNothing() && !contender.asToday()) {
      return null;
    }
    return new UseResult(
        evaluation.costs().overall().way(contender.id()) instanceof PlanPaths.Found found
            ? amount(found.best().ledger().total(view))
            : null,
        beside.staying(view).map(Results::amount).orElse(null),
        amount(beside.owed(view)),
        beside.stays().stream().map(use -> use.use().name()).toList(),
        beside.goes().stream().map(use -> use.use().name()).toList(),
        contender.asToday());
  }

  private static @Nullable List<String> questions(Evaluation evaluation, String contender) {
    List<String> open =
        evaluation.costs().questions(contender).stream().map(Question::sentence).toList();
    return open.isEmpty() ? null : open;
  }

  private static <C> Optional<C> found(Outcome<C> outcome, List<String> notCounted) {
    outcome
        .passedOver()
        .forEach((option, verdict) ->
            verdict.reasons().forEach(r -> notCounted.add(option.label() + ": " + r.sentence())));
    return switch (outcome) {
      case Outcome.Found<C> found -> {
        found.leftOut().forEach(left -> notCounted.add(left.words()));
        yield Optional.of(found.best());
      }
      case Outcome.NoPlan<C> none -> Optional.empty();
      case Outcome.Unpriced<C> unpriced -> {
        unpriced.leftOut().forEach(left -> notCounted.add(left.words()));
        yield Optional.empty();
      }
    };
  }

  private static <C> CostResult cost(
      String label, Money amount, Outcome<C> outcome, Function<C, Money> money) {
    boolean atMost = outcome instanceof Outcome.Found<C> found && found.isAtMost();
    Optional<Money> low =
        outcome instanceof Outcome.Found<C> found ? found.low().map(money) : Optional.empty();
    return cost(label, amount, atMost, low, Optional.empty());
  }

  private static <C> @Nullable CostResult atLeast(
      Outcome<C> outcome, Function<C, String> label, Function<C, Money> money) {
    return outcome instanceof Outcome.Unpriced<C> unpriced
        ? unpriced.low().map(low -> atLeast(label.apply(low), money.apply(low))).orElse(null)
        : null;
  }

  private static CostResult atLeast(String option, Money low) {
    return new CostResult(
        option,
        null,
        false,
        amount(low),
        null,
        "at least " + amount(low) + " " + low.getCurrencyUnit());
  }

  private static CostResult cost(
      String option, Money amount, boolean atMost, Optional<Money> low, Optional<Money> once) {
    CostResult bare =
        new CostResult(
            option,
            amount(amount),
            atMost,
            low.map(Results::amount).orElse(null),
            once.filter(Money::isPositive).map(Results::amount).orElse(null),
            null);
    return new CostResult(
        bare.option(),
        bare.amount(),
        bare.atMost(),
        bare.low(),
        bare.boughtOnce(),
        bare.words() + " " + amount.getCurrencyUnit());
  }

  private static Optional<ScoreResult> total(Totals totals, String contender) {
    return totals.standings().stream()
        .filter(s -> s.contender().equals(contender))
        .findFirst()
        .map(s -> {
          Interval total = s.total();
          return new ScoreResult(
              score(total.low()),
              score(total.high()),
              s.bestRank(),
              s.worstRank(),
              totals.wins(contender));
        });
  }

  /** An amount as it is written to a file: all its decimals, nothing between thousands. */
  public static String amount(Money money) {
    return money.getAmount().toPlainString();
  }

  /** A written amount as it is read: 38088.00 as 38,088.00. */
  public static String grouped(String written) {
    BigDecimal amount = new BigDecimal(written);
    return String.format(Locale.ROOT, "%,." + Math.max(0, amount.scale()) + "f", amount);
  }

  /** A score as it is written to a file. */
  public static String score(BigDecimal score) {
    return score.setScale(SCORE_DECIMALS, RoundingMode.HALF_UP).toPlainString();
  }
}
