package tertulia.core.sensitivity;

import java.time.LocalDate;
import java.time.YearMonth;
import java.time.temporal.ChronoUnit;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.joda.money.Money;
import tertulia.core.billing.Ledger;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Costs;
import tertulia.core.evaluation.CostsOverall;
import tertulia.core.evaluation.Selection;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.inuse.AsToday;
import tertulia.core.inuse.Together;
import tertulia.core.path.PlanPaths;
import tertulia.core.pricing.InForce;
import tertulia.core.pricing.Offer;
import tertulia.core.pricing.Tool;

/**
 * What it costs to begin with a contender later, over the same months: until then everything stays
 * as it is, from then on the contender, and what is still owed of what it replaces.
 *
 * @param beside what is in use: what the contender replaces, and what stays whenever it begins
 */
public record Beginning(Selection selection, WhatIf whatIf, String contender, Together beside) {
  /** Months by which a beginning is put off at most, unless a day is named. */
  public static final int MOST_MONTHS = 12;

  public Beginning {
    selection.contender(contender);
  }

  /**
   * Begun in a month.
   *
   * @param month the plan month, 0: at once
   * @param day on which the tool is taken: of those that cost the same the first
   * @param offers names of those used that may be used on some days only
   * @param cost over all plan months; empty: not known
   */
  public record Begun(int month, LocalDate day, List<String> offers, Optional<Money> cost) {
    public Begun {
      offers = List.copyOf(offers);
    }
  }

  /** What a contender itself costs from a day on. */
  private record Own(LocalDate day, List<String> offers, Optional<Money> cost) {}

  /**
   * Begun in a plan month, on the best of its days: offers are tested on the day of beginning, and
   * days before the selection's are over.
   *
   * @param month from 0 to the last
   */
  public Begun in(int month) {
    Own best =
        days(month).stream()
            .map(day -> own(month, day))
            .reduce((a, b) -> isLess(b.cost(), a.cost()) ? b : a)
            .orElseThrow();
    return begun(month, best);
  }

  /**
   * Begun on a day.
   *
   * @throws IllegalArgumentException if it is not within the plan
   */
  public Begun on(LocalDate day) {
    int month = (int) selection.horizon().start().until(YearMonth.from(day), ChronoUnit.MONTHS);
    if (month < 0 || month >= selection.horizon().months()) {
      throw new IllegalArgumentException(
          "The plan runs from "
              + selection.horizon().start()
              + " to "
              + selection.horizon().month(selection.horizon().months() - 1)
              + "; "
              + day
              + " is not in it. Choose another day.");
    }
    return begun(month, own(month, day));
  }

  private Begun begun(int month, Own own) {
    Optional<Money> staying = beside.staying(whatIf.view());
    Optional<Money> sum = own.cost().flatMap(cost -> staying.map(cost::plus));
    for (AsToday use : beside.goes()) {
      Optional<Ledger> before = use.until(month);
      sum = sum.flatMap(money -> before.map(due -> money.plus(due.total(whatIf.view()))));
    }
    return new Begun(month, own.day(), own.offers(), sum);
  }

  /**
   * The days of a month that can differ: the first there is, and those on which an offer begins.
   */
  private List<LocalDate> days(int month) {
    YearMonth in = selection.horizon().month(month);
    LocalDate today = selection.asOf();
    LocalDate first = YearMonth.from(today).equals(in) ? today : in.atDay(1);
    return Stream.concat(
            Stream.of(first),
            offers()
                .flatMap(offer -> offer.when().beginsIn(in).stream())
                .filter(day -> day.isAfter(first)))
        .distinct()
        .sorted()
        .toList();
  }

  /** The offers of every tool of the contender. */
  private Stream<Offer> offers() {
    Contender asked = selection.contender(contender);
    return Stream.concat(
            Stream.of(asked.tool()), asked.boughtWith().stream().map(Contender.With::tool))
        .flatMap(tool -> tool.offers().stream());
  }

  private static boolean isLess(Optional<Money> one, Optional<Money> other) {
    return one.isPresent() && (other.isEmpty() || one.get().isLessThan(other.get()));
  }

  /** At once and by each month after that, as far as the plan goes. */
  public List<Begun> each() {
    return IntStream.rangeClosed(0, Math.min(MOST_MONTHS, selection.horizon().months() - 1))
        .mapToObj(this::in)
        .toList();
  }

  /** The cheapest, the earliest of several; empty if none has a figure. */
  public Optional<Begun> cheapest() {
    return each().stream()
        .filter(begun -> begun.cost().isPresent())
        .min(Comparator.comparing(begun -> begun.cost().orElseThrow()));
  }

  /** Whether it pays to wait. */
  public sealed interface Advice {
    /** To begin at once costs the least. */
    record AtOnce(Money cost) implements Advice {}

    /**
     * To begin later costs less.
     *
     * @param best the cheapest beginning, the earliest of several
     * @param cost then
     * @param less than if it is begun at once, above 0
     */
    record Later(int best, Money cost, Money less) implements Advice {}

    /**
     * Each month of waiting costs less: what is in use is cheaper as long as was tried.
     *
     * @param last the last month tried
     * @param cost if it is begun then
     * @param less than if it is begun at once, above 0
     */
    record LaterStillLess(int last, Money cost, Money less) implements Advice {}

    /**
     * As {@link LaterStillLess}, but it does not fall all the way: one month is a good one, and it
     * takes long until waiting makes it less again.
     *
     * @param best the good month
     * @param cost if it is begun then
     * @param less than if it is begun at once, above 0
     * @param again the first month after it in which it is less still
     */
    record LaterAndLessAgain(int best, Money cost, Money less, int again) implements Advice {}

    /** What it costs if begun at once is not known. */
    record NotKnown() implements Advice {}
  }

  /** Whether it pays to wait, of the beginnings that have a figure. */
  public Advice advice() {
    return advice(each());
  }

  /**
   * As above, of beginnings that were worked out.
   *
   * @param each as {@link #each()} has them
   */
  public Advice advice(List<Begun> each) {
    Optional<Money> atOnce = each.getFirst().cost();
    if (atOnce.isEmpty()) {
      return new Advice.NotKnown();
    }
    Begun best =
        each.stream()
            .filter(begun -> begun.cost().isPresent())
            .min(Comparator.comparing(begun -> begun.cost().orElseThrow()))
            .orElseThrow();
    Money cost = best.cost().orElseThrow();
    if (best.month() > 0 && best.month() == each.getLast().month()) {
      return dip(each, atOnce.get())
          .orElseGet(() -> new Advice.LaterStillLess(best.month(), cost, atOnce.get().minus(cost)));
    }
    return best.month() == 0
        ? new Advice.AtOnce(cost)
        : new Advice.Later(best.month(), cost, atOnce.get().minus(cost));
  }

  /** The cheapest month after which it first costs more; empty if none is less than at once. */
  private static Optional<Advice> dip(List<Begun> each, Money atOnce) {
    return IntStream.range(1, each.size() - 1)
        .filter(i -> isLess(each.get(i).cost(), Optional.of(atOnce)))
        .filter(i -> isLess(each.get(i).cost(), each.get(i + 1).cost()))
        .boxed()
        .min(Comparator.comparing(i -> each.get(i).cost().orElseThrow()))
        .map(i -> {
          Money cost = each.get(i).cost().orElseThrow();
          int again =
              IntStream.range(i + 1, each.size())
                  .filter(j -> isLess(each.get(j).cost(), Optional.of(cost)))
                  .findFirst()
                  .orElseThrow();
          return new Advice.LaterAndLessAgain(i, cost, atOnce.minus(cost), again);
        });
  }

  /**
   * The contender's own cost if it is taken on a day of a month; its list prices rise as if the
   * plan had begun.
   */
  private Own own(int month, LocalDate day) {
    Contender from = from(selection.contender(contender), month, day);
    Selection later = selection.among(List.of(from)).unjudged().from(month, whatIf.scenario());
    CostsOverall costs = Costs.of(later, whatIf.at(new WhatIf.Moment.Month(0))).overall();
    return new Own(day, dated(costs), costs.own(contender));
  }

  /** Of the offers used those that may be used on some days only. */
  private List<String> dated(CostsOverall costs) {
    List<String> dated =
        offers()
            .filter(offer -> offer.when().from() != null || offer.when().until() != null)
            .map(Offer::name)
            .toList();
    return costs.way(contender) instanceof PlanPaths.Found found
        ? found.best().offers().stream().map(Offer::name).filter(dated::contains).toList()
        : List.of();
  }

  private static Contender from(Contender contender, int month, LocalDate day) {
    return contender
        .with()
        .tool(from(contender.tool(), month, day))
        .boughtWith(
            contender.boughtWith().stream()
                .map(other ->
                    new Contender.With(
                        from(other.tool(), month, day), other.facts(), other.asked()))
                .toList())
        .build();
  }

  private static Tool from(Tool tool, int month, LocalDate day) {
    InForce since = new InForce(-month, InForce.LAST, Optional.empty());
    return tool.with()
        .plans(tool.plans().stream().map(plan -> plan.in(since)).toList())
        .offers(
            tool.offers().stream()
                .filter(offer -> offer.when().isOn(day))
                .map(Offer::onAnyDay)
                .toList())
        .build();
  }
}
