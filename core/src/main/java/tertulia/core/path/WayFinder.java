package tertulia.core.path;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;
import tertulia.core.billing.BilledTerm;
import tertulia.core.billing.Biller;
import tertulia.core.billing.History;
import tertulia.core.billing.Invoice;
import tertulia.core.billing.Leaving;
import tertulia.core.billing.Ledger;
import tertulia.core.billing.MinimumYear;
import tertulia.core.billing.Purchase;
import tertulia.core.billing.UnitsNeeded;
import tertulia.core.billing.View;
import tertulia.core.money.ExchangeRate;
import tertulia.core.pricing.Offer;
import tertulia.core.time.MonthSpan;

/**
 * Finds the cheapest way through options by looking from each month at every term that can begin
 * there. What a term costs depends on what came before only through its {@link History}, so the
 * best way on from a month, a plan and a history is found once (Bellman 1957). Amounts are exact
 * minor units.
 */
final class WayFinder {
  private final List<Option> options;
  private final boolean[][] qualifies;
  private final Setting setting;
  private final List<Offer> offers;

  /** By option the one that stands for it in states. */
  private final int[] standing;

  /** By option and first month, as far as it was asked for. */
  private final int[][] leaves;

  private final List<Optional<PlainTerms>> plain;
  private final Map<State, Onward> known = new HashMap<>();
  private final Map<Start, BilledTerm> billed = new HashMap<>();

  /**
   * What holds for every way.
   *
   * @param changing what one change of plan costs in people's time, in the reporting currency
   */
  record Setting(
      Market market,
      List<UnitsNeeded> months,
      tertulia.core.money.PriceRise rise,
      tertulia.core.time.Horizon horizon,
      View view,
      Leaving leaving,
      Money changing) {}

  /** Where a way stands; {@code last} stands for the option before, −1 at the start. */
  private record State(int month, int last, History history) {}

  private record Start(int option, int month, History history) {}

  /** The best way on from a state; {@code option} is −1 at the end. */
  private record Onward(long minor, int changes, int terms, int option) {
    boolean isBetterThan(@Nullable Onward other) {
      if (other == null) {
        return true;
      }
      if (minor != other.minor) {
        return minor < other.minor;
      }
      return changes != other.changes ? changes < other.changes : terms < other.terms;
    }
  }

  private WayFinder(
      List<Option> options, boolean[][] qualifies, Setting setting, List<Offer> offers) {
    this.options = options;
    this.qualifies = qualifies;
    this.setting = setting;
    this.offers = offers;
    this.standing =
        java.util.stream.IntStream.range(0, options.size())
            .map(option -> standsFor(options, option))
            .toArray();
    this.leaves = new int[options.size()][setting.horizon().months()];
    this.plain =
        options.stream()
            .map(option ->
                offers.isEmpty()
                    ? PlainTerms.of(option, setting, setting.market().rate(option.list()))
                    : Optional.<PlainTerms>empty())
            .toList();
  }

  /**
   * The cheapest way over every permitted combination of offers; on equality the one with fewer
   * changes of plan, then fewer terms, then in catalogue order.
   *
   * @param qualifies by option and month; in every month some option must
   */
  static Way cheapest(List<Option> options, boolean[][] qualifies, Setting setting) {
    WayFinder best = null;
    for (List<Offer> combination :
        OfferChoice.combinations(options.getFirst().offering().offers())) {
      WayFinder finder = new WayFinder(options, qualifies, setting, combination);
      if (best == null || finder.start().isBetterThan(best.start())) {
        best = finder;
      }
    }
    return java.util.Objects.requireNonNull(best).way();
  }

  private Onward start() {
    return best(new State(0, -1, History.NONE));
  }

  private int months() {
    return setting.horizon().months();
  }

  private Onward best(State state) {
    Onward found = known.get(state);
    if (found == null) {
      found = state.month() >= months() ? end(state) : choose(state);
      known.put(state, found);
    }
    return found;
  }

  private Onward end(State state) {
    return new Onward(minor(closing(state)), 0, 0, -1);
  }

  private Onward choose(State state) {
    Onward best = null;
    for (int o = 0; o < options.size(); o++) {
      if (qualifies[o][state.month()]) {
        Onward onward = best(next(state, o));
        boolean changes = isChange(state, o);
        long minor =
            onward.minor()
                + minor(state, o)
                + (changes ? minor(closing(state)) + setting.changing().getAmountMinorLong() : 0);
        Onward plan =
            new Onward(minor, onward.changes() + (changes ? 1 : 0), onward.terms() + 1, o);
        if (plan.isBetterThan(best)) {
          best = plan;
        }
      }
    }
    return java.util.Objects.requireNonNull(best, "some option qualifies in every month");
  }

  private boolean isChange(State state, int option) {
    return state.last() >= 0
        && !options.get(state.last()).plan().id().equals(options.get(option).plan().id());
  }

  private State next(State state, int option) {
    return new State(
        Math.min(leave(option, state.month()), months()), standing[option], after(state, option));
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
    for (int m = start + 1; m < Math.min(end, months()); m++) {
      if (!qualifies[option][m]) {
        return m;
      }
    }
    return end;
  }

  /** What a term comes to: in whole numbers where they will do, else by its invoices. */
  private long minor(State state, int option) {
    int start = state.month();
    return plain
        .get(option)
        .map(terms -> terms.minor(start, termEnd(option, start), leave(option, start)))
        .orElseGet(() -> minor(bill(state, option).invoices()));
  }

  /** A plain option leaves nothing to know for the next but that a run on a plan has ended. */
  private History after(State state, int option) {
    return plain.get(option).isPresent()
        ? state.history().withoutRun()
        : bill(state, option).after();
  }

  private BilledTerm bill(State state, int option) {
    return billed.computeIfAbsent(new Start(option, state.month(), state.history()), this::bill);
  }

  private BilledTerm bill(Start start) {
    return Biller.bill(
        purchase(options.get(start.option())),
        new MonthSpan(start.month(), termEnd(start.option(), start.month())),
        leave(start.option(), start.month()),
        setting.leaving(),
        start.history(),
        rate(start.option()));
  }

  /** Of the offers used those that the option permits. */
  private Purchase purchase(Option option) {
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
            option.outside());
    Offer.Buyer buyer = plain.buyer(option.offering().owned().isPresent());
    return plain.with(
        offers.stream()
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

  private Way way() {
    List<Integer> route = new ArrayList<>();
    for (State state = new State(0, -1, History.NONE); state.month() < months(); ) {
      int option = best(state).option();
      route.add(option);
      state = next(state, option);
    }
    return along(route, used(route));
  }

  /** Of the offers those without which the route would cost something else. */
  private List<Offer> used(List<Integer> route) {
    Money total = along(route, offers).ledger().total(setting.view());
    return offers.stream().filter(offer -> !total.equals(without(offer, route))).toList();
  }

  private Money without(Offer offer, List<Integer> route) {
    List<Offer> others = offers.stream().filter(other -> !other.equals(offer)).toList();
    return new WayFinder(options, qualifies, setting, others)
        .along(route, others)
        .ledger()
        .total(setting.view());
  }

  private Way along(List<Integer> route, List<Offer> named) {
    List<Way.Leg> legs = new ArrayList<>();
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
      State next = next(state, option);
      BilledTerm term = bill(state, option);
      terms.add(term);
      minimums.addAll(term.minimums());
      legs.add(
          new Way.Leg(
              options.get(option),
              new MonthSpan(state.month(), next.month()),
              termEnd(option, state.month()),
              purchase(options.get(option)).offers(),
              term.invoices()));
      state = next;
    }
    closed.addAll(closing(state));
    state.history().closingYear(months()).ifPresent(minimums::add);
    return new Way(
        legs,
        Biller.ledger(setting.horizon(), reporting(), terms, closed),
        named,
        minimums,
        setting.changing().multipliedBy(changes));
  }
}
