package tertulia.core.difference;

import java.math.BigDecimal;
import java.time.YearMonth;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.joda.money.Money;
import tertulia.core.deadline.Once;
import tertulia.core.evaluation.Amount;
import tertulia.core.evaluation.Costs;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.Selection;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.scoring.Interval;
import tertulia.core.scoring.Totals;

/** What became of the contenders of a question since it was asked, and by what. */
public final class Differences {
  private static final BigDecimal HALF = new BigDecimal("0.5");

  private final ThenAndNow question;
  private final Costs planned;
  private final Set<Cause> changed;
  private final Once<Evaluation> then = new Once<>("the question as it was", this::asItWas);
  private final Once<Evaluation> now =
      new Once<>("the question as it is", () -> evaluated(changed()));
  private final Once<Map<String, Of>> contenders =
      new Once<>("what changed, cause by cause", this::divided);
  private final Once<Costs> anew = new Once<>("what each would cost from today on", this::anew);

  private Differences(ThenAndNow question, Costs planned) {
    this.question = question;
    this.planned = planned;
    this.changed = java.util.Collections.unmodifiableSet(question.changed());
  }

  /**
   * Between a question as it was and as it is. Little is computed before it is asked for.
   *
   * @param today the month from which today's price pages are in force
   */
  public static Differences between(Selection then, Selection now, YearMonth today) {
    return between(then, now, today, Map.of());
  }

  /**
   * As above, where today's page of some contenders is in force since an earlier month.
   *
   * @param since that month, by contender
   */
  public static Differences between(
      Selection then, Selection now, YearMonth today, Map<String, YearMonth> since) {
    Costs planned = Costs.of(then.unjudged(), WhatIf.START);
    return new Differences(ThenAndNow.of(then, now, today, since, planned), planned);
  }

  /**
   * What became of a contender.
   *
   * @param cost over the plan months, by the figure read: of a range its upper end; empty if there
   *     is no figure then or none now
   * @param total score, by the middle of what is known; empty if there is none then or none now
   */
  public record Of(String contender, Optional<Division> cost, Optional<Division> total) {}

  public ThenAndNow question() {
    return question;
  }

  /** What is not as it was; some of it may make no difference. */
  public Set<Cause> changed() {
    return changed;
  }

  /** By contender, in the order of then; those compared in both. */
  public List<Of> contenders() {
    return List.copyOf(contenders.get().values());
  }

  /** As above of one of them; empty if it is not compared in both. */
  public Optional<Of> of(String contender) {
    return Optional.ofNullable(contenders.get().get(contender));
  }

  /** As it was, by today's rules of calculation. */
  public Evaluation then() {
    return then.get();
  }

  /** As it is, over the months of then. */
  public Evaluation now() {
    return changed.isEmpty() ? then() : now.get();
  }

  /**
   * What it was planned to cost is worked out already, unless somebody is not compared any more.
   */
  private Evaluation asItWas() {
    Set<Cause> nothing = EnumSet.noneOf(Cause.class);
    return question.onlyThen().isEmpty()
        ? Evaluation.of(question.with(nothing), planned)
        : evaluated(nothing);
  }

  private Evaluation evaluated(Set<Cause> causes) {
    return Evaluation.of(question.with(causes), WhatIf.START);
  }

  /** Two to the power of the causes that changed, 64 evaluations at most; they are not kept. */
  private Map<String, Of> divided() {
    Mixtures mixtures = new Mixtures();
    Map<String, Of> all = new LinkedHashMap<>();
    for (String id : question.both()) {
      all.put(
          id,
          new Of(
              id,
              Division.of(
                  changed,
                  causes -> mixtures.with(causes).costs().overall().total(id).map(Money::getAmount),
                  question.then().currency().getDecimalPlaces()),
              Division.of(
                  changed,
                  causes ->
                      mixtures
                          .with(causes)
                          .scores()
                          .totals()
                          .filter(totals -> totals.values().containsKey(id))
                          .map(totals -> middle(totals, id)),
                  Totals.DECIMALS)));
    }
    return all;
  }

  /** The question with some causes as they are now and the others as they were. */
  private final class Mixtures {
    private final Map<Set<Cause>, Costs> costs = new HashMap<>();
    private final Map<Set<Cause>, Evaluation> evaluations = new HashMap<>();

    Evaluation with(Set<Cause> causes) {
      if (causes.isEmpty()) {
        return then();
      }
      return causes.equals(changed)
          ? now()
          : evaluations.computeIfAbsent(Set.copyOf(causes), this::mixed);
    }

    private Evaluation mixed(Set<Cause> causes) {
      Set<Cause> priced = EnumSet.noneOf(Cause.class);
      causes.stream().filter(Cause::isOfCosts).forEach(priced::add);
      Selection mixed = question.with(causes);
      return Evaluation.of(
          mixed,
          costs.computeIfAbsent(
              Set.copyOf(priced), key -> Costs.of(question.with(priced), WhatIf.START)));
    }
  }

  /** The middle of a total. */
  private static BigDecimal middle(Totals totals, String contender) {
    Interval total = totals.total(contender);
    return total.low().add(total.high()).multiply(HALF);
  }

  /** Whether what a contender costs is one figure, then and now. */
  public boolean isExact(String contender) {
    return isExact(then(), contender) && isExact(now(), contender);
  }

  private static boolean isExact(Evaluation evaluation, String contender) {
    return evaluation.costs().overall().totalBounds(contender).filter(Amount::isExact).isPresent();
  }

  /**
   * The contenders from today on, as if each was begun today, by today's price pages; empty if the
   * plan has not begun yet or is over.
   */
  public Optional<Costs> begunToday() {
    int month = question.month();
    return month == 0 || month == question.then().horizon().months()
        ? Optional.empty()
        : Optional.of(anew.get());
  }

  private Costs anew() {
    Selection today =
        question
            .with(changed)
            .among(question.both().stream().map(question.now()::contender).toList());
    return Costs.of(today.from(question.month(), WhatIf.START.scenario()), WhatIf.START);
  }

  /**
   * What a contender costs in the months from today on, of what it costs over all; empty if there
   * is no figure.
   */
  public Optional<Money> left(String contender) {
    int month = question.month();
    return now()
        .costs()
        .overall()
        .running(contender)
        .map(sums -> month == 0 ? sums.getLast() : sums.getLast().minus(sums.get(month - 1)));
  }
}
