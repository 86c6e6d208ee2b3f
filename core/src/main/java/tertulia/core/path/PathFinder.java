package tertulia.core.path;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;
import tertulia.core.billing.BilledTerm;
import tertulia.core.billing.Biller;
import tertulia.core.billing.CostTiming;
import tertulia.core.billing.EarlyTerminationPolicy;
import tertulia.core.billing.History;
import tertulia.core.billing.Invoice;
import tertulia.core.billing.Ledger;
import tertulia.core.billing.MinimumYear;
import tertulia.core.billing.Purchase;
import tertulia.core.billing.RunMonths;
import tertulia.core.billing.UnitsNeeded;
import tertulia.core.deadline.Deadline;
import tertulia.core.money.ExchangeRate;
import tertulia.core.pricing.ExternalCover;
import tertulia.core.pricing.Offer;
import tertulia.core.time.MonthSpan;

/**
 * Finds the cheapest path through options, month by month: from each place a way can stand at,
 * every term that can begin there. What a term costs depends on what came before only through its
 * {@link History}, so of the ways that stand at the same place with the same history the best goes
 * on (Bellman 1957). Ways that differ in nothing but what a year of a yearly minimum has been
 * charged so far are held against each other too: what one was charged more, the other can be asked
 * for later, but no more, so the dearer one by more than that is dropped. Amounts are exact minor
 * units.
 */
final class PathFinder {
  /**
   * Terms that are put to a way at most, to find the cheapest; some seconds of work. What takes
   * more has no figure, and says why.
   */
  private static final int MOST_STEPS = 1_200_000;

  private final List<Option> options;
  private final boolean[][] qualifies;
  private final Setting setting;
  private final List<Offer> offers;

  /** By option the one that stands for it in states. */
  private final int[] standing;

  /** By option and first month, as far as it was asked for. */
  private final int[][] leaves;

  /** By option what is covered outside, month by month. */
  private final List<List<List<ExternalCover>>> outside;

  private final List<Optional<PlainTerms>> plain;
  private final Map<Start, Billed> billed = new HashMap<>();
  private @Nullable Standing best;
  private int steps;

  /**
   * What holds for every way.
   *
   * @param changing what one change of plan costs in people's time, in the reporting currency
   * @param past what was bought in months that are over
   */
  record Setting(
      Market market,
      List<UnitsNeeded> months,
      tertulia.core.money.PriceRise rise,
      tertulia.core.time.Horizon horizon,
      CostTiming view,
      EarlyTerminationPolicy leaving,
      Money changing,
      Past past) {
    /** With nothing bought before. */
    Setting(
        Market market,
        List<UnitsNeeded> months,
        tertulia.core.money.PriceRise rise,
        tertulia.core.time.Horizon horizon,
        CostTiming view,
        EarlyTerminationPolicy leaving,
        Money changing) {
      this(market, months, rise, horizon, view, leaving, changing, Past.NONE);
    }
  }

  /** Where a way stands; {@code last} stands for the option before, −1 at the start. */
  private record State(int month, int last, History history) {}

  private record Start(int option, int month, History history) {}

  /**
   * A term billed as if nothing had run on its plan before.
   *
   * @param minor what it comes to in the view without what a yearly minimum asks for
   */
  private record Billed(BilledTerm term, long minor) {}

  /** What one more term comes to, and what the next has to know. */
  private record Reached(long minor, History after) {}

  /**
   * A way up to a place.
   *
   * @param minor what it has cost
   * @param option its last option; −1 at the start
   * @param before the way up to where that began; null at the start
   */
  private record Standing(
      State state, long minor, int changes, int terms, int option, @Nullable Standing before) {
    /** Negative if this is better: cheaper, fewer changes, fewer terms, catalogue order. */
    int compareTo(Standing other) {
      int by = Long.compare(minor, other.minor);
      return by != 0 ? by : compareTies(other);
    }

    private int compareTies(Standing other) {
      int by = Integer.compare(changes, other.changes);
      by = by != 0 ? by : Integer.compare(terms, other.terms);
      return by != 0 ? by : Arrays.compare(route(), other.route());
    }

    int[] route() {
      int[] route = new int[terms];
      Standing at = this;
      for (int t = terms - 1; t >= 0; t--) {
        route[t] = at.option;
        at = java.util.Objects.requireNonNull(at.before);
      }
      return route;
    }
  }

  private PathFinder(
      List<Option> options,
      boolean[][] qualifies,
      Setting setting,
      List<Offer> offers,
      List<List<List<ExternalCover>>> outside,
      boolean inWholeNumbers) {
    this.options = options;
    this.qualifies = qualifies;
    this.setting = setting;
    this.offers = offers;
    this.standing =
        java.util.stream.IntStream.range(0, options.size())
            .map(option -> standsFor(options, option))
            .toArray();
    this.leaves = new int[options.size()][setting.horizon().months()];
    this.outside = outside;
    this.plain =
        java.util.stream.IntStream.range(0, options.size())
            .mapToObj(option ->
                inWholeNumbers
                        && offers.isEmpty()
                        && outside.get(option).stream().allMatch(List::isEmpty)
                    ? PlainTerms.of(
                        options.get(option),
                        setting,
                        setting.market().rate(options.get(option).list()))
                    : Optional.<PlainTerms>empty())
            .toList();
  }

  /**
   * The cheapest way over every permitted combination of offers; on equality the one with fewer
   * changes of plan, then fewer terms, then in catalogue order.
   *
   * @param qualifies by option and month; in every month some option must
   */
  static PlanPath cheapest(List<Option> options, boolean[][] qualifies, Setting setting) {
    return cheapest(options, qualifies, setting, MOST_STEPS);
  }

  /**
   * As above.
   *
   * @throws TooManyPaths if it takes more steps than {@code most}
   */
  static PlanPath cheapest(List<Option> options, boolean[][] qualifies, Setting setting, int most) {
    List<List<List<ExternalCover>>> outside =
        options.stream()
            .map(option ->
                option.outside(setting.market().fit(), setting.months(), setting.horizon()))
            .toList();
    try {
      return cheapest(options, qualifies, setting, outside, true, most);
    } catch (ArithmeticException e) {
      // finer parts of a cent than whole numbers hold: what it comes to need not be too large
      return cheapest(options, qualifies, setting, outside, false, most);
    }
  }

  private static PlanPath cheapest(
      List<Option> options,
      boolean[][] qualifies,
      Setting setting,
      List<List<List<ExternalCover>>> outside,
      boolean inWholeNumbers,
      int most) {
    PathFinder best = null;
    int steps = 0;
    for (List<Offer> combination : OfferChoice.combinations(offersOf(options))) {
      PathFinder finder =
          new PathFinder(options, qualifies, setting, combination, outside, inWholeNumbers);
      finder.search(most - steps);
      steps += finder.steps;
      if (best == null || finder.best().minor() < best.best().minor() || finder.isSimpler(best)) {
        best = finder;
      }
    }
    return java.util.Objects.requireNonNull(best).way();
  }

  /** Those of all pages that were in force. */
  private static List<Offer> offersOf(List<Option> options) {
    return options.stream().flatMap(o -> o.offering().offers().stream()).distinct().toList();
  }

  private boolean isSimpler(PathFinder other) {
    Standing mine = best();
    Standing theirs = other.best();
    return mine.minor() == theirs.minor()
        && (mine.changes() < theirs.changes()
            || mine.changes() == theirs.changes() && mine.terms() < theirs.terms());
  }

  private Standing best() {
    return java.util.Objects.requireNonNull(best, "some option qualifies in every month");
  }

  private int months() {
    return setting.horizon().months();
  }

  /**
   * Finds the cheapest path.
   *
   * @param most steps that may be taken for it
   * @throws TooManyPaths if that is not enough
   */
  private void search(int most) {
    List<Map<State, List<Standing>>> byMonth = new ArrayList<>();
    for (int m = 0; m <= months(); m++) {
      byMonth.add(new LinkedHashMap<>());
    }
    State start = new State(0, -1, History.NONE);
    byMonth.getFirst().put(start, List.of(new Standing(start, 0, 0, 0, -1, null)));
    for (int m = 0; m < months(); m++) {
      for (List<Standing> alike : byMonth.get(m).values()) {
        for (Standing standing : alike) {
          if (steps > most) {
            throw new TooManyPaths();
          }
          Deadline.check(this::work);
          goOn(standing, byMonth);
        }
      }
      byMonth.get(m).clear();
    }
    for (List<Standing> alike : byMonth.getLast().values()) {
      for (Standing standing : alike) {
        Standing ended = ended(standing);
        if (best == null || ended.compareTo(best) < 0) {
          best = ended;
        }
      }
    }
  }

  private String work() {
    return "the cheapest path through "
        + options.size()
        + " plans and terms over "
        + months()
        + " months, the first being "
        + options.getFirst().label();
  }

  private Standing ended(Standing way) {
    return new Standing(
        way.state(),
        way.minor() + within(closing(way.state())),
        way.changes(),
        way.terms(),
        way.option(),
        way.before());
  }

  private void goOn(Standing way, List<Map<State, List<Standing>>> byMonth) {
    State state = way.state();
    for (int o = 0; o < options.size(); o++) {
      if (mayBegin(o, state.month())) {
        boolean changes = isChange(state, o);
        Reached step = step(state, o);
        steps++;
        long minor =
            way.minor()
                + step.minor()
                + (changes ? within(closing(state)) + setting.changing().getAmountMinorLong() : 0);
        State next = next(state, o, step.after());
        Standing further =
            new Standing(next, minor, way.changes() + (changes ? 1 : 0), way.terms() + 1, o, way);
        add(
            further,
            byMonth
                .get(next.month())
                .computeIfAbsent(
                    new State(next.month(), next.last(), next.history().uncharged()),
                    s -> new ArrayList<>(1)));
      }
    }
  }

  /** In a month that is over only what was begun in it; later what does and is sold. */
  private boolean mayBegin(int option, int month) {
    List<Option> begun = begunIn(month);
    return begun.isEmpty()
        ? qualifies[option][month] && options.get(option).plan().inForce().contains(month)
        : begun.contains(options.get(option));
  }

  private List<Option> begunIn(int month) {
    return setting.past().begunIn(month).map(term -> term.among(options)).orElse(List.of());
  }

  private void add(Standing way, List<Standing> alike) {
    for (Standing other : alike) {
      if (isNoWorse(other, way)) {
        return;
      }
    }
    alike.removeIf(other -> isNoWorse(way, other));
    alike.add(way);
  }

  /**
   * Whether the first stays ahead of the second however both go on. What a year of a yearly minimum
   * was charged less can be asked for at its end: that amount at most, and in another currency one
   * minor unit more for its rounding.
   */
  private boolean isNoWorse(Standing one, Standing other) {
    long less = other.state().history().chargedMinor() - one.state().history().chargedMinor();
    if (less <= 0) {
      return one.compareTo(other) <= 0;
    }
    Optional<ExchangeRate> rate = rate(one.state().last());
    Money owed = Money.ofMinor(options.get(one.state().last()).list().currency(), less);
    long most = rate.map(r -> r.convert(owed).getAmountMinorLong() + 2).orElse(less);
    long worst = Math.addExact(one.minor(), most);
    return worst < other.minor() || worst == other.minor() && one.compareTies(other) <= 0;
  }

  private boolean isChange(State state, int option) {
    return state.last() >= 0
        && !options.get(state.last()).plan().id().equals(options.get(option).plan().id());
  }

  private State next(State state, int option, History after) {
    return new State(Math.min(leave(option, state.month()), months()), standing[option], after);
  }

  /** The first option of the same plan and currency: what comes next does not depend on more. */
  private static int standsFor(List<Option> options, int option) {
    for (int o = 0; o < option; o++) {
      if (options.get(o).plan().id().equals(options.get(option).plan().id())
          && options.get(o).list().currency().equals(options.get(option).list().currency())) {
        return o;
      }
    }
    return option;
  }

  private int termEnd(int option, int start) {
    return start + options.get(option).list().term().monthsCommitted();
  }

  /** The first month of a term in which its plan does not qualify any more, or its end. */
  private int leave(int option, int start) {
    if (leaves[option][start] == 0) {
      leaves[option][start] = findLeave(option, start);
    }
    return leaves[option][start];
  }

  private int findLeave(int option, int start) {
    int end = termEnd(option, start);
    boolean begun = begunIn(start).contains(options.get(option));
    int over = begun ? setting.past().until() : 0;
    int meant = begun ? setting.past().begunIn(start).orElseThrow().end() : end;
    if (meant < over) {
      return meant;
    }
    for (int m = Math.max(start + 1, over); m < Math.min(end, months()); m++) {
      if (!qualifies[option][m]) {
        return m;
      }
    }
    return end;
  }

  /**
   * One more term: in whole numbers where they will do, else by its invoices. A plain option leaves
   * nothing to know for the next but that a run on a plan has ended.
   */
  private Reached step(State state, int option) {
    int start = state.month();
    return plain
        .get(option)
        .map(terms ->
            new Reached(
                terms.minor(start, termEnd(option, start), leave(option, start)),
                state.history().withoutRun()))
        .orElseGet(() -> carried(state, option));
  }

  /** The invoices do not depend on the run so far; only what a yearly minimum asks for does. */
  private Reached carried(State state, int option) {
    Billed term =
        this.billed.computeIfAbsent(
            new Start(option, state.month(), state.history().withoutRun()), this::billed);
    History after = term.term().after();
    Optional<RunMonths> run = term.term().run();
    if (run.isEmpty()) {
      return new Reached(term.minor(), after);
    }
    RunMonths.Carried carried = run.get().carry(state.history().run());
    return new Reached(term.minor() + within(carried.due()), after.on(carried.after()));
  }

  private Billed billed(Start start) {
    BilledTerm term = bill(start);
    long asked = term.run().map(run -> within(run.carry(Optional.empty()).due())).orElse(0L);
    return new Billed(term, minor(term.invoices()) - asked);
  }

  /** What counts within the horizon of invoices that ask for a minimum, in the view. */
  private long within(List<Invoice> invoices) {
    long sum = 0;
    for (Invoice invoice : invoices) {
      long amount = invoice.reported().getAmountMinorLong();
      MonthSpan covers = invoice.covers();
      sum +=
          switch (setting.view()) {
            case CASH -> invoice.due() < months() ? amount : 0;
            case SPREAD ->
                PlainTerms.first(
                    amount,
                    covers.months(),
                    Math.clamp(months() - covers.from(), 0, covers.months()));
          };
    }
    return sum;
  }

  private BilledTerm bill(Start start) {
    return Biller.bill(
        purchase(start.option()),
        new MonthSpan(start.month(), termEnd(start.option(), start.month())),
        leave(start.option(), start.month()),
        setting.leaving(),
        start.history(),
        rate(start.option()));
  }

  /** Of the offers used those that the option permits. */
  private Purchase purchase(int place) {
    Option option = options.get(place);
    Purchase plain =
        new Purchase(
            option.plan(),
            option.list(),
            setting.months(),
            setting.rise(),
            setting.horizon(),
            setting.market().averagePayment(option.list()),
            List.of(),
            option.offering().owned(),
            outside.get(place));
    Offer.Buyer buyer = plain.buyer(option.offering().owned().isPresent());
    return plain.with(
        offers.stream()
            .filter(option.offering().offers()::contains)
            .filter(offer -> offer.refusal(buyer).isEmpty())
            .filter(offer -> OfferChoice.otherCurrency(offer, plain).isEmpty())
            .toList());
  }

  private Optional<ExchangeRate> rate(int option) {
    return setting.market().rate(options.get(option).list());
  }

  /** What an unfinished year of the run that ends here owes. */
  private List<Invoice> closing(State state) {
    return state.last() < 0
        ? List.of()
        : state.history().close(rate(state.last()), months()).stream().toList();
  }

  private long minor(List<Invoice> invoices) {
    return new Ledger(setting.horizon(), reporting(), invoices, List.of())
        .total(setting.view())
        .getAmountMinorLong();
  }

  private CurrencyUnit reporting() {
    return setting.market().reporting();
  }

  private PlanPath way() {
    List<Integer> route = Arrays.stream(best().route()).boxed().toList();
    return along(route, used(route));
  }

  /** Of the offers those without which the route would cost something else. */
  private List<Offer> used(List<Integer> route) {
    Money total = along(route, offers).ledger().total(setting.view());
    return offers.stream().filter(offer -> !total.equals(without(offer, route))).toList();
  }

  private Money without(Offer offer, List<Integer> route) {
    List<Offer> others = offers.stream().filter(other -> !other.equals(offer)).toList();
    return new PathFinder(options, qualifies, setting, others, outside, true)
        .along(route, others)
        .ledger()
        .total(setting.view());
  }

  private PlanPath along(List<Integer> route, List<Offer> named) {
    List<PlanPath.Leg> legs = new ArrayList<>();
    List<BilledTerm> terms = new ArrayList<>();
    List<Invoice> closed = new ArrayList<>();
    List<MinimumYear> minimums = new ArrayList<>();
    State state = new State(0, -1, History.NONE);
    int changes = 0;
    for (int option : route) {
      if (isChange(state, option)) {
        closed.addAll(closing(state));
        state.history().closingYear(months()).ifPresent(minimums::add);
        changes++;
      }
      BilledTerm term = bill(new Start(option, state.month(), state.history()));
      State next = next(state, option, step(state, option).after());
      terms.add(term);
      minimums.addAll(term.minimums());
      legs.add(
          new PlanPath.Leg(
              options.get(option),
              new MonthSpan(state.month(), next.month()),
              termEnd(option, state.month()),
              purchase(option).offers(),
              term.invoices()));
      state = next;
    }
    closed.addAll(closing(state));
    state.history().closingYear(months()).ifPresent(minimums::add);
    return new PlanPath(
        legs,
        Biller.ledger(setting.horizon(), reporting(), terms, closed),
        named,
        minimums,
        setting.changing().multipliedBy(changes));
  }
}
