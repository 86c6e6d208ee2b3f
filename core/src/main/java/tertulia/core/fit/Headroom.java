package tertulia.core.fit;

import static java.util.Objects.requireNonNull;

import java.math.BigDecimal;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import tertulia.core.billing.UnitsNeeded;
import tertulia.core.growth.Measure;
import tertulia.core.pricing.Allowance;
import tertulia.core.pricing.Charge;
import tertulia.core.pricing.Holding;
import tertulia.core.pricing.Included;
import tertulia.core.pricing.Owned;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.PriceList;
import tertulia.core.pricing.SeatRange;
import tertulia.core.working.Derivation;
import tertulia.core.working.Provenance;
import tertulia.core.working.Quantity;

/**
 * How much of one measure a plan lets its buyer use, beside what is used, month by month.
 *
 * @param used what is needed, by plan month
 * @param source where the bound comes from
 * @param outside so much more is to be had outside; 0 if none is
 */
public record Headroom(
    Measure measure, Bound bound, List<BigDecimal> used, Provenance source, BigDecimal outside) {
  /** Of a measure of which no more is to be had outside. */
  public Headroom(Measure measure, Bound bound, List<BigDecimal> used, Provenance source) {
    this(measure, bound, used, source, BigDecimal.ZERO);
  }

  /** This room with what is to be had outside. */
  public Headroom with(List<QuantityCover> covers) {
    return covers.stream()
        .filter(cover -> cover.measure().equals(measure))
        .findFirst()
        .map(cover -> new Headroom(measure, bound, used, source, cover.upTo()))
        .orElse(this);
  }

  public Headroom {
    requireNonNull(outside);
    requireNonNull(measure);
    requireNonNull(bound);
    requireNonNull(source);
    used = List.copyOf(used);
  }

  /** Where use ends, or begins to cost more. */
  public sealed interface Bound {
    /**
     * More than this cannot be used.
     *
     * @param most by plan month; an allowance for each seat grows with the seats
     * @param rule what the allowance is made of; empty for a cap of the plan
     */
    record UpTo(List<BigDecimal> most, Optional<Included> rule) implements Bound {
      public UpTo {
        most = List.copyOf(most);
      }
    }

    /** What is beyond this is paid for. */
    record Charged(List<BigDecimal> included, Included rule) implements Bound {
      public Charged {
        included = List.copyOf(included);
      }
    }

    /** There is no end. */
    record Endless() implements Bound {}

    /**
     * The page does not say whether it is for the account or for each seat.
     *
     * @param least the fewer of both readings, by plan month
     * @param most the more of both; empty if seats are not stated
     * @param rule as on the page
     */
    record AccountOrSeat(
        List<BigDecimal> least, Optional<List<BigDecimal>> most, Allowance.Limit.AccountOrSeat rule)
        implements Bound {
      public AccountOrSeat {
        least = List.copyOf(least);
        most = most.map(List::copyOf);
      }

      private boolean suffices(List<BigDecimal> used, BigDecimal outside) {
        return IntStream.range(0, used.size())
            .allMatch(m -> used.get(m).compareTo(least.get(m).add(outside)) <= 0);
      }
    }

    /**
     * Nobody has confirmed how much it is.
     *
     * @param seatsOnly whether the page says it for each seat, and seats are not stated
     */
    record Unknown(boolean seatsOnly) implements Bound {}

    /**
     * The page says nothing of it for this plan.
     *
     * @param sister the plan of the tool of which the page speaks of it; empty: of none
     */
    record Silent(Optional<String> sister) implements Bound {}
  }

  /**
   * The room a plan leaves under one of its lists.
   *
   * @param months units needed, month after month
   * @param first the calendar month of the first of them
   * @return empty if no demand was stated for the measure, or it counts people and the plan says
   *     nothing of them
   */
  public static Optional<Headroom> of(
      Offering offering,
      PriceList list,
      Measure measure,
      List<UnitsNeeded> months,
      YearMonth first) {
    return months.isEmpty() || months.getFirst().amount(measure).isEmpty()
        ? Optional.empty()
        : new Finder(offering, list, measure, months, first).find();
  }

  /** How what is used stands to what there is. */
  public enum State {
    /** There is no end. */
    ENDLESS,
    /** Nobody has confirmed how much there is. */
    NOT_CONFIRMED,
    /** The page says nothing of it for this plan. */
    NOT_SAID,
    /** It lasts, or what is beyond is paid for. */
    CHARGED,
    /** What is beyond it, or all of it where it is not known, is had outside, now or later. */
    COVERED,
    /** It lasts all through. */
    LASTS,
    /** It is enough now and not in some later month. */
    RUNS_OUT,
    /** More is used now than there is. */
    OVER;

    /** Whether it is enough all through; empty if that is not known. */
    public Optional<Boolean> isEnough() {
      return switch (this) {
        case ENDLESS, CHARGED, COVERED, LASTS -> Optional.of(true);
        case RUNS_OUT, OVER -> Optional.of(false);
        case NOT_CONFIRMED, NOT_SAID -> Optional.empty();
      };
    }
  }

  /**
   * How it stands in the first of these months, and in those of the whole plan.
   *
   * @param months the same room over all plan months
   */
  public State state(Headroom months) {
    return switch (bound) {
      case Bound.Endless endless -> State.ENDLESS;
      case Bound.Unknown unknown ->
          !unknown.seatsOnly() && isCovered(months) ? State.COVERED : State.NOT_CONFIRMED;
      case Bound.Silent silent ->
          silent.sister().isPresent() && isCovered(months) ? State.COVERED : State.NOT_SAID;
      case Bound.Charged charged -> State.CHARGED;
      case Bound.AccountOrSeat open -> {
        if (isBeyond(0)) {
          yield State.OVER;
        }
        if (months.ends().isPresent()) {
          yield State.RUNS_OUT;
        }
        yield suffices(months, BigDecimal.ZERO)
            ? State.LASTS
            : suffices(months, outside) ? State.COVERED : State.NOT_CONFIRMED;
      }
      case Bound.UpTo upTo -> {
        if (isBeyond(0)) {
          yield State.OVER;
        }
        if (months.ends().isPresent()) {
          yield State.RUNS_OUT;
        }
        boolean within = runsOut().isEmpty() && months.runsOut().isEmpty();
        yield within ? State.LASTS : State.COVERED;
      }
    };
  }

  /**
   * Whether the fewer of both readings, with what is to be had outside, is enough in all months.
   */
  private boolean suffices(Headroom months, BigDecimal more) {
    return bound instanceof Bound.AccountOrSeat now
        && months.bound instanceof Bound.AccountOrSeat later
        && now.suffices(used, more)
        && later.suffices(months.used, more);
  }

  /** Whether all that is used is to be had outside, in all months. */
  private boolean isCovered(Headroom months) {
    return outside.signum() > 0 && isWithin(months, outside);
  }

  private boolean isWithin(Headroom months, BigDecimal most) {
    return Stream.of(used, months.used)
        .flatMap(List::stream)
        .allMatch(units -> units.compareTo(most) <= 0);
  }

  /** Whether more is used in a month than there is, with what is to be had outside. */
  private boolean isBeyond(int m) {
    return most(m).filter(most -> used.get(m).compareTo(most.add(outside)) > 0).isPresent();
  }

  private record Finder(
      Offering offering,
      PriceList list,
      Measure measure,
      List<UnitsNeeded> months,
      YearMonth first) {
    Optional<Headroom> find() {
      Plan plan = offering.plan();
      List<OptionalInt> caps = IntStream.range(0, months.size()).mapToObj(this::cap).toList();
      if (caps.getFirst().isPresent()) {
        List<BigDecimal> all =
            caps.stream().map(cap -> BigDecimal.valueOf(cap.getAsInt())).toList();
        return room(new Bound.UpTo(all, Optional.empty()), plan.source());
      }
      Optional<Charge.Usage> usage =
          list.charges().stream()
              .filter(Charge.Usage.class::isInstance)
              .map(Charge.Usage.class::cast)
              .filter(charge -> charge.measure().equals(measure))
              .findFirst();
      if (usage.isPresent()) {
        Included rule = usage.get().included();
        return amounts(rule).flatMap(most -> room(new Bound.Charged(most, rule), plan.source()));
      }
      Optional<Allowance> allowance =
          plan.allowances().stream().filter(a -> a.measure().equals(measure)).findFirst();
      if (allowance.isPresent()) {
        return room(bound(allowance.get()), allowance.get().source());
      }
      boolean counted = list.measures().contains(measure);
      return counted || measure.isPeople()
          ? Optional.empty()
          : room(
              new Bound.Silent(Optional.ofNullable(offering.spoken().get(measure))), plan.source());
    }

    private Optional<Headroom> room(Bound bound, Provenance source) {
      List<BigDecimal> used =
          months.stream().map(units -> units.amount(measure).orElseThrow()).toList();
      return Optional.of(new Headroom(measure, bound, used, source));
    }

    private Bound bound(Allowance allowance) {
      return switch (allowance.limit()) {
        case Allowance.Limit.Unlimited unlimited -> new Bound.Endless();
        case Allowance.Limit.Unknown unknown -> new Bound.Unknown(false);
        case Allowance.Limit.AccountOrSeat open -> {
          Optional<List<BigDecimal>> seats = amounts(open.forEachSeat());
          yield new Bound.AccountOrSeat(
              seats
                  .map(all -> all.stream().map(open.most()::min).toList())
                  .orElseGet(() -> Collections.nCopies(months.size(), open.most())),
              seats.map(all -> all.stream().map(open.most()::max).toList()),
              open);
        }
        case Allowance.Limit.Hard hard ->
            amounts(hard.most())
                .<Bound>map(most -> new Bound.UpTo(most, Optional.of(hard.most())))
                .orElseGet(() -> new Bound.Unknown(true));
      };
    }

    private Holding holding(int m) {
      return offering.holding(list, first.plusMonths(m));
    }

    /** What an allowance comes to month by month; empty if it goes by seats nobody stated. */
    private Optional<List<BigDecimal>> amounts(Included rule) {
      boolean bySeat = rule.perSeat().signum() > 0;
      List<BigDecimal> amounts = new ArrayList<>();
      for (int m = 0; m < months.size(); m++) {
        OptionalInt seats = months.get(m).of(rule.seats());
        if (bySeat && seats.isEmpty()) {
          return Optional.empty();
        }
        amounts.add(rule.of(bySeat ? holding(m).seats(rule.seats(), seats.getAsInt()) : 0));
      }
      return Optional.of(amounts);
    }

    /** The most units that the plan's cap and its closed bands let one need in a month. */
    private OptionalInt cap(int m) {
      IntStream ends =
          list.charges().stream()
              .filter(Charge.Counted.class::isInstance)
              .map(Charge.Counted.class::cast)
              .filter(counted -> counted.measure().equals(measure))
              .filter(counted -> counted.mostUnits().isPresent())
              .mapToInt(counted -> mostNeeded(holding(m), counted, counted.mostUnits().getAsInt()));
      SeatRange range = offering.plan().range();
      IntStream own = range.measure().equals(measure) ? range.cap().stream() : IntStream.empty();
      return IntStream.concat(ends, own).min();
    }

    /** The largest need for which no more than {@code end} units are paid for; 0 if none. */
    private static int mostNeeded(Holding holding, Charge.Counted counted, int end) {
      int owned = holding.owned().map(Owned::units).orElse(0);
      int needed = end + counted.rule().included() + owned;
      while (needed > 0 && holding.units(counted, needed) > end) {
        needed--;
      }
      return needed;
    }
  }

  /**
   * How much there is in a month; empty if there is no end, or it is not known. Where the page does
   * not say whether for the account or for each seat, it is the fewer of both if that is enough,
   * and the more if it is not.
   */
  public Optional<BigDecimal> most(int m) {
    return switch (bound) {
      case Bound.UpTo upTo -> Optional.of(upTo.most().get(m));
      case Bound.AccountOrSeat open ->
          used.get(m).compareTo(open.least().get(m)) <= 0
              ? Optional.of(open.least().get(m))
              : open.most().map(most -> most.get(m));
      case Bound.Charged charged -> Optional.of(charged.included().get(m));
      case Bound.Endless endless -> Optional.empty();
      case Bound.Unknown unknown -> Optional.empty();
      case Bound.Silent silent -> Optional.empty();
    };
  }

  /**
   * What is left in the first month, as its working.
   *
   * @param plan the plan's label
   * @param need the working of what is used
   */
  public Derivation explain(String plan, Derivation need) {
    String label = measure.label() + " left by " + plan;
    return switch (bound) {
      case Bound.UpTo upTo ->
          left(label, upTo.most().getFirst(), upTo.rule().map(Included::words), need);
      case Bound.AccountOrSeat open ->
          new Derivation.Missing(
              label,
              "there are " + open.rule().words() + "; the page does not say which",
              List.of(need));
      case Bound.Charged charged ->
          left(
              label,
              charged.included().getFirst(),
              Optional.of(charged.rule().words() + "; what is beyond is paid for"),
              need);
      case Bound.Endless endless ->
          new Derivation.Stated(label, "there is no end", Optional.of(source), List.of(need));
      case Bound.Unknown unknown ->
          new Derivation.Missing(
              label, "nobody has confirmed how much the plan allows", List.of(need));
      case Bound.Silent silent ->
          new Derivation.Missing(
              label,
              silent
                  .sister()
                  .map(sister ->
                      "the page says nothing of it for this plan, but it does for " + sister)
                  .orElse("the page says nothing of it"),
              List.of(need));
    };
  }

  private Derivation left(String label, BigDecimal most, Optional<String> rule, Derivation need) {
    Quantity all = measure.quantity(most);
    Derivation allowed =
        rule.<Derivation>map(words ->
                new Derivation.Derived(
                    "what the plan has",
                    all,
                    words,
                    List.of(new Derivation.Entered("as on the page", all, Optional.of(source)))))
            .orElseGet(() -> new Derivation.Entered("the plan's cap", all, Optional.of(source)));
    return new Derivation.Derived(
        label,
        measure.quantity(most.subtract(used.getFirst())),
        "what the plan has less what is needed",
        List.of(allowed, need));
  }

  /**
   * The first plan month in which more is used than there is with what is to be had outside; empty
   * if there is none, as known.
   */
  public OptionalInt ends() {
    return IntStream.range(0, used.size()).filter(this::isBeyond).findFirst();
  }

  /** The first plan month in which more is used than there is; empty if there is none, as known. */
  public OptionalInt runsOut() {
    return IntStream.range(0, used.size())
        .filter(m -> most(m).filter(most -> used.get(m).compareTo(most) > 0).isPresent())
        .findFirst();
  }
}
