package tertulia.core.sensitivity;

import static java.util.Objects.requireNonNull;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tertulia.core.evaluation.BuyingPolicy;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.Selection;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.growth.Scenario;
import tertulia.core.labour.Labour;
import tertulia.core.money.ExchangeRate;
import tertulia.core.money.ExchangeRates;
import tertulia.core.money.PriceRise;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Interval;
import tertulia.core.scoring.Member;
import tertulia.core.scoring.Totals;

/**
 * How far one assumption moves the totals from one end to the other, with all else as it is read.
 *
 * @param moved whose total it moves most
 * @param one end of the assumption
 * @param other end of it
 */
public record TornadoBar(Assumption assumption, String moved, End one, End other) {
  private static final BigDecimal TENTH = new BigDecimal("0.1");
  private static final BigDecimal QUARTER = new BigDecimal("0.25");
  private static final PriceRise SOME_RISE = new PriceRise(new BigDecimal("0.05"));

  public TornadoBar {
    requireNonNull(assumption);
    requireNonNull(moved);
    requireNonNull(one);
    requireNonNull(other);
  }

  /**
   * What comes of one end of an assumption.
   *
   * @param totals empty if nobody does what is needed there
   */
  public record End(Optional<Totals> totals) {
    /** Who leads there for certain. */
    public Optional<String> leader() {
      return totals.flatMap(Lead::of);
    }

    private Optional<BigDecimal> total(String tool) {
      return totals.filter(t -> t.values().containsKey(tool)).map(t -> t.total(tool).midpoint());
    }
  }

  /** The total that moves at the one end, at the middle of what it can be; empty if it is out. */
  public Optional<BigDecimal> low() {
    return one.total(moved);
  }

  /** The same at the other end. */
  public Optional<BigDecimal> high() {
    return other.total(moved);
  }

  /** By how much it moves that total, 0 to 1; one that is out at an end counts as nothing there. */
  public BigDecimal width() {
    return high().orElse(BigDecimal.ZERO).subtract(low().orElse(BigDecimal.ZERO)).abs();
  }

  /** Whether who leads is not the same at both ends. */
  public boolean turns() {
    return !one.leader().equals(other.leader());
  }

  /** What is assumed, with its two ends. */
  public sealed interface Assumption {
    /** How many people there are, a tenth fewer and a tenth more all through; steps stay. */
    record Headcount() implements Assumption {}

    /** How growth comes out: the least of the scenarios, and the most. */
    record Growth(Scenario least, Scenario most) implements Assumption {}

    /** How list prices rise: not at all, and twice as stated, or 5 % a year; a fall as stated. */
    record Rise(PriceRise least, PriceRise most) implements Assumption {}

    /** Rates of exchange, a tenth lower and a tenth higher. */
    record Rates() implements Assumption {}

    /** What an hour of work costs, a quarter less and a quarter more. */
    record Hour() implements Assumption {}

    /** What a contender is worth under a criterion of which not all is known. */
    record Worth(String tool, Criterion criterion) implements Assumption {}

    /** Whether a contender has something that must be there. */
    record Has(Otherwise.Confirmed fact) implements Assumption {}

    /** The view of one person: counted, and left out. */
    record OneView(Member member) implements Assumption {}
  }

  /** Every assumption that moves a total, what moves most first; none without totals. */
  public static List<TornadoBar> all(Evaluation read) {
    Optional<Totals> totals = read.scores().totals();
    if (totals.isEmpty()) {
      return List.of();
    }
    List<TornadoBar> all = new ArrayList<>();
    Ends ends = new Ends(all);
    people(read, ends);
    growth(read, ends);
    rise(read, ends);
    rates(read, ends);
    hour(read, ends);
    for (String tool : totals.get().values().keySet()) {
      for (Criterion criterion : totals.get().criteria()) {
        Interval open = totals.get().value(tool, criterion).interval();
        if (!open.isExact()) {
          ends.add(
              new Assumption.Worth(tool, criterion),
              Optional.of(
                  TakeIf.known(totals.get(), tool, criterion, Interval.exactly(open.low()))),
              Optional.of(
                  TakeIf.known(totals.get(), tool, criterion, Interval.exactly(open.high()))));
        }
      }
    }
    for (Otherwise otherwise : Otherwise.all(read)) {
      if (otherwise instanceof Otherwise.Confirmed fact) {
        ends.add(
            new Assumption.Has(fact),
            totals(new Otherwise.Confirmed(fact.tool(), fact.capability(), false).of(read)),
            totals(fact.of(read)));
      }
    }
    read.withoutEach()
        .forEach((member, without) ->
            ends.add(new Assumption.OneView(member), totals, Optional.of(without)));
    return all.stream()
        .sorted(Comparator.comparing(TornadoBar::width, Comparator.reverseOrder()))
        .toList();
  }

  private static Optional<Totals> totals(Evaluation evaluation) {
    return evaluation.scores().totals();
  }

  /** Of a headcount that was typed there is nothing to assume. */
  private static void people(Evaluation read, Ends ends) {
    if (read.whatIf().moment() instanceof WhatIf.Moment.Month) {
      ends.add(
          new Assumption.Headcount(),
          totals(peopled(read, BigDecimal.ONE.subtract(TENTH))),
          totals(peopled(read, BigDecimal.ONE.add(TENTH))));
    }
  }

  private static Evaluation peopled(Evaluation read, BigDecimal factor) {
    return Evaluation.of(
        read.selection()
            .peopled(read.selection().groups().stream().map(g -> g.times(factor)).toList()),
        read.whatIf());
  }

  private static void growth(Evaluation read, Ends ends) {
    List<Scenario> scenarios =
        read.selection().scenarios().stream()
            .sorted(Comparator.comparing(Scenario::multiplier))
            .toList();
    ends.add(
        new Assumption.Growth(scenarios.getFirst(), scenarios.getLast()),
        totals(new Otherwise.Growth(scenarios.getFirst()).of(read)),
        totals(new Otherwise.Growth(scenarios.getLast()).of(read)));
  }

  private static void rise(Evaluation read, Ends ends) {
    PriceRise stated = read.selection().rise();
    PriceRise most =
        switch (stated.perYear().signum()) {
          case 0 -> SOME_RISE;
          case 1 -> new PriceRise(stated.perYear().multiply(BigDecimal.TWO).min(BigDecimal.TEN));
          default -> stated;
        };
    ends.add(
        new Assumption.Rise(PriceRise.NONE, most),
        totals(new Otherwise.Rise(PriceRise.NONE).of(read)),
        totals(new Otherwise.Rise(most).of(read)));
  }

  private static void rates(Evaluation read, Ends ends) {
    if (!read.selection().rates().published().isEmpty()) {
      ends.add(
          new Assumption.Rates(),
          totals(at(read, BigDecimal.ONE.subtract(TENTH))),
          totals(at(read, BigDecimal.ONE.add(TENTH))));
    }
  }

  private static Evaluation at(Evaluation read, BigDecimal factor) {
    return Evaluation.of(
        read.selection()
            .exchangedAt(
                new ExchangeRates(
                    read.selection().rates().published().stream()
                        .map(rate ->
                            new ExchangeRate(
                                rate.from(),
                                rate.to(),
                                rate.rate().multiply(factor),
                                rate.on(),
                                rate.source()))
                        .toList())),
        read.whatIf());
  }

  private static void hour(Evaluation read, Ends ends) {
    Selection selection = read.selection();
    if (read.whatIf().basis() == WhatIf.Basis.FULL
        && selection.practice().labour().hour().isPresent()) {
      ends.add(
          new Assumption.Hour(),
          totals(costing(read, BigDecimal.ONE.subtract(QUARTER))),
          totals(costing(read, BigDecimal.ONE.add(QUARTER))));
    }
  }

  private static Evaluation costing(Evaluation read, BigDecimal factor) {
    Labour labour = read.selection().practice().labour();
    return Evaluation.of(
        read.selection()
            .practising(
                new BuyingPolicy(
                    read.selection().practice().leaving(),
                    new Labour(
                        labour.hour().map(hour -> hour.multiply(factor).min(Labour.MOST)),
                        labour.changeHours(),
                        labour.oldTool()),
                    read.selection().practice().covers())),
        read.whatIf());
  }

  /** Takes the two ends of an assumption in, if they differ for anybody. */
  private record Ends(List<TornadoBar> all) {
    void add(Assumption assumption, Optional<Totals> low, Optional<Totals> high) {
      Map<String, TornadoBar> each = new LinkedHashMap<>();
      for (Optional<Totals> end : List.of(low, high)) {
        end.ifPresent(totals ->
            totals
                .values()
                .keySet()
                .forEach(
                    t -> each.put(t, new TornadoBar(assumption, t, new End(low), new End(high)))));
      }
      each.values().stream()
          .max(Comparator.comparing(TornadoBar::width))
          .filter(swing -> Totals.isAbove(swing.width(), BigDecimal.ZERO))
          .ifPresent(all::add);
    }
  }
}
