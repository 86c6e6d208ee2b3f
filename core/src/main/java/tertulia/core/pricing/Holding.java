package tertulia.core.pricing;

import static java.util.Objects.requireNonNull;

import java.time.YearMonth;
import java.util.Optional;
import tertulia.core.growth.Measure;

/**
 * What of one plan under one of its lists has to be paid for in one month, beside what is owned
 * then. Whoever bills, judges or sweeps asks here, so that owning counts everywhere alike.
 *
 * @param owned what is paid for already in that month; nothing if it is of another plan
 */
public record Holding(Plan plan, PriceList list, Optional<Owned> owned) {
  public Holding {
    requireNonNull(plan);
    requireNonNull(list);
    owned = owned.filter(o -> o.plan().equals(plan.id()));
  }

  /** The holding in {@code month}: what is owned counts as long as it is paid for. */
  public static Holding in(Plan plan, PriceList list, Optional<Owned> owned, YearMonth month) {
    return new Holding(plan, list, owned.filter(o -> o.holdsIn(month)));
  }

  /** Accounts to pay for, 0 or 1: that of an owned plan is paid, those of its add-ons are not. */
  public int accounts(Charge.Flat flat) {
    return owned.isPresent() && !list.isOfAddOn(flat) ? 0 : 1;
  }

  /**
   * Units to pay for at a demand. Owned units count towards the minimum and the pack: with a
   * minimum of 12, 10 needed and 4 owned, 8 are paid for.
   */
  public int units(Charge.Counted counted, int demand) {
    return Math.max(0, plan.paidUnits(counted, demand) - ownedFor(counted));
  }

  /** Units owned of what a charge counts; 0 for an add-on. */
  public int ownedFor(Charge.Counted counted) {
    return list.isOfAddOn(counted) ? 0 : owned(counted.measure());
  }

  private int owned(Measure measure) {
    return owned.filter(o -> o.measure().equals(measure)).map(Owned::units).orElse(0);
  }

  /**
   * Units that count for an allowance or a one-off: those paid for, those of a minimum or a pack
   * too, those included, and those owned as far as they are needed; what is needed if nothing is
   * charged for them.
   */
  public int seats(Measure measure, int demand) {
    return list.charges().stream()
        .filter(Charge.Counted.class::isInstance)
        .map(Charge.Counted.class::cast)
        .filter(counted -> counted.measure().equals(measure))
        .findFirst()
        .map(counted -> {
          int included = counted.rule().included();
          int needed = Math.max(0, demand - included);
          return units(counted, demand) + included + Math.min(ownedFor(counted), needed);
        })
        .orElse(demand);
  }

  /** Units of a one-off that owning has paid for; 1 for an account, 0 if it is not owned. */
  public int oncePaid(Charge.OneOff charge) {
    if (owned.isEmpty() || list.isOfAddOn(charge)) {
      return 0;
    }
    return charge.each().map(this::owned).orElse(1);
  }
}
