package tertulia.core.fit;

import static java.util.Objects.requireNonNull;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.IntStream;
import tertulia.core.billing.UnitsNeeded;
import tertulia.core.growth.Measure;
import tertulia.core.pricing.Allowance;
import tertulia.core.pricing.Charge;
import tertulia.core.pricing.Included;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.PriceList;
import tertulia.core.working.Provenance;
import tertulia.core.working.Quantity;
import tertulia.core.working.Working;

/**
 * How much of one measure a plan lets its buyer use, beside what is used, month by month.
 *
 * @param used what is needed, by plan month
 * @param source where the bound comes from
 */
public record Room(Measure measure, Bound bound, List<BigDecimal> used, Provenance source) {
  public Room {
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

    /** Nobody has confirmed how much it is. */
    record Unknown() implements Bound {}
  }

  /**
   * The room a plan leaves under one of its lists.
   *
   * @return empty if no demand was stated for the measure, or the plan neither counts nor bounds it
   */
  public static Optional<Room> of(
      Offering offering, PriceList list, Measure measure, List<UnitsNeeded> months) {
    if (months.isEmpty() || months.getFirst().amount(measure).isEmpty()) {
      return Optional.empty();
    }
    Plan plan = offering.plan();
    List<BigDecimal> used =
        months.stream().map(units -> units.amount(measure).orElseThrow()).toList();
    OptionalInt cap = cap(plan, list, measure);
    if (cap.isPresent()) {
      BigDecimal most = BigDecimal.valueOf(cap.getAsInt());
      List<BigDecimal> all = months.stream().map(m -> most).toList();
      return Optional.of(
          new Room(measure, new Bound.UpTo(all, Optional.empty()), used, plan.source()));
    }
    Optional<Charge.Usage> usage =
        list.charges().stream()
            .filter(Charge.Usage.class::isInstance)
            .map(Charge.Usage.class::cast)
            .filter(charge -> charge.measure().equals(measure))
            .findFirst();
    if (usage.isPresent()) {
      Included rule = usage.get().included();
      return amounts(rule, plan, list, months)
          .map(most -> new Room(measure, new Bound.Charged(most, rule), used, plan.source()));
    }
    return plan.allowances().stream()
        .filter(allowance -> allowance.measure().equals(measure))
        .findFirst()
        .map(allowance ->
            new Room(measure, bound(allowance, plan, list, months), used, allowance.source()));
  }

  private static Bound bound(
      Allowance allowance, Plan plan, PriceList list, List<UnitsNeeded> months) {
    return switch (allowance.limit()) {
      case Allowance.Limit.Unlimited unlimited -> new Bound.Endless();
      case Allowance.Limit.Unknown unknown -> new Bound.Unknown();
      case Allowance.Limit.Hard hard ->
          amounts(hard.most(), plan, list, months)
              .<Bound>map(most -> new Bound.UpTo(most, Optional.of(hard.most())))
              .orElseGet(Bound.Unknown::new);
    };
  }

  /** What an allowance comes to month by month; empty if it goes by seats nobody stated. */
  private static Optional<List<BigDecimal>> amounts(
      Included rule, Plan plan, PriceList list, List<UnitsNeeded> months) {
    boolean bySeat = rule.perSeat().signum() > 0;
    List<BigDecimal> amounts = new ArrayList<>();
    for (UnitsNeeded units : months) {
      OptionalInt seats = units.of(rule.seats());
      if (bySeat && seats.isEmpty()) {
        return Optional.empty();
      }
      amounts.add(rule.of(bySeat ? list.seats(plan, rule.seats(), seats.getAsInt()) : 0));
    }
    return Optional.of(amounts);
  }

  /** The most units of a measure that the plan's cap and its closed bands let one need. */
  private static OptionalInt cap(Plan plan, PriceList list, Measure measure) {
    IntStream ends =
        list.charges().stream()
            .filter(Charge.Counted.class::isInstance)
            .map(Charge.Counted.class::cast)
            .filter(counted -> counted.measure().equals(measure))
            .filter(counted -> counted.mostUnits().isPresent())
            .mapToInt(counted -> mostNeeded(plan, counted, counted.mostUnits().getAsInt()));
    IntStream own =
        plan.range().measure().equals(measure) ? plan.range().cap().stream() : IntStream.empty();
    return IntStream.concat(ends, own).min();
  }

  /** The largest need for which no more than {@code end} units are paid for; 0 if there is none. */
  private static int mostNeeded(Plan plan, Charge.Counted counted, int end) {
    int needed = end + counted.rule().included();
    while (needed > 0 && plan.paidUnits(counted, needed) > end) {
      needed--;
    }
    return needed;
  }

  /** How much there is in a month; empty if there is no end, or it is not known. */
  public Optional<BigDecimal> most(int m) {
    return switch (bound) {
      case Bound.UpTo upTo -> Optional.of(upTo.most().get(m));
      case Bound.Charged charged -> Optional.of(charged.included().get(m));
      case Bound.Endless endless -> Optional.empty();
      case Bound.Unknown unknown -> Optional.empty();
    };
  }

  /**
   * What is left in the first month, as its working.
   *
   * @param plan the plan's label
   * @param need the working of what is used
   */
  public Working explain(String plan, Working need) {
    String label = measure.label() + " left by " + plan;
    return switch (bound) {
      case Bound.UpTo upTo ->
          left(label, upTo.most().getFirst(), upTo.rule().map(Included::words), need);
      case Bound.Charged charged ->
          left(
              label,
              charged.included().getFirst(),
              Optional.of(charged.rule().words() + "; what is beyond is paid for"),
              need);
      case Bound.Endless endless ->
          new Working.Stated(label, "there is no end", Optional.of(source), List.of(need));
      case Bound.Unknown unknown ->
          new Working.Missing(
              label, "nobody has confirmed how much the plan allows", List.of(need));
    };
  }

  private Working left(String label, BigDecimal most, Optional<String> rule, Working need) {
    Quantity all = new Quantity(most, measure.label());
    Working allowed =
        rule.<Working>map(words ->
                new Working.Derived(
                    "what the plan has",
                    all,
                    words,
                    List.of(new Working.Entered("as on the page", all, Optional.of(source)))))
            .orElseGet(() -> new Working.Entered("the plan's cap", all, Optional.of(source)));
    return new Working.Derived(
        label,
        new Quantity(most.subtract(used.getFirst()), measure.label()),
        "what the plan has less what is needed",
        List.of(allowed, need));
  }

  /** The first plan month in which more is used than there is; empty if there is none, as known. */
  public OptionalInt runsOut() {
    return IntStream.range(0, used.size())
        .filter(m -> most(m).filter(most -> used.get(m).compareTo(most) > 0).isPresent())
        .findFirst();
  }
}
