package tertulia.core.fit;

import java.math.BigDecimal;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalInt;
import org.jspecify.annotations.Nullable;
import tertulia.core.billing.UnitsNeeded;
import tertulia.core.growth.Measure;
import tertulia.core.pricing.AddOn;
import tertulia.core.pricing.Allowance;
import tertulia.core.pricing.Charge;
import tertulia.core.pricing.Outside;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.PriceList;
import tertulia.core.time.Horizon;

/** Judges plans against needs and demand. */
public record Fit(List<Need> needs) {
  private static final DateTimeFormatter MONTH =
      DateTimeFormatter.ofPattern("MMM uuuu", Locale.ENGLISH);

  public Fit {
    needs = List.copyOf(needs);
  }

  /** The verdict on a plan and one of its price lists for the demand of one moment. */
  public Verdict at(Offering offering, PriceList list, UnitsNeeded units) {
    List<Reason> reasons = new ArrayList<>(musts(offering, list));
    limits(offering.plan(), list)
        .forEach(limit -> limit.check(units, Optional.empty()).ifPresent(reasons::add));
    return Verdict.of(reasons);
  }

  /** The verdict over all months; a limit is named with the first month in which it is passed. */
  public Verdict over(
      Offering offering, PriceList list, List<UnitsNeeded> months, Horizon horizon) {
    List<Reason> reasons = new ArrayList<>(musts(offering, list));
    for (Limit limit : limits(offering.plan(), list)) {
      for (int m = 0; m < months.size(); m++) {
        Optional<Reason> reason =
            limit.check(months.get(m), Optional.of(horizon.month(m).format(MONTH)));
        if (reason.isPresent()) {
          reasons.add(reason.get());
          break;
        }
      }
    }
    return Verdict.of(reasons);
  }

  /** What the musts alone say of a plan, whatever its prices. */
  public List<Reason> musts(Offering offering) {
    return musts(offering, null);
  }

  /** As above, with the add-ons a list sells. */
  public List<Reason> musts(Offering offering, @Nullable PriceList list) {
    List<Reason> reasons = new ArrayList<>();
    for (Need need : needs) {
      if (need.importance() instanceof Importance.Must must && need.outside().isEmpty()) {
        must(need, must, offering.fact(need.capability()), list).ifPresent(reasons::add);
      }
    }
    return reasons;
  }

  private static Optional<Reason> must(
      Need need, Importance.Must must, Fact fact, @Nullable PriceList list) {
    return switch (fact.answer()) {
      case YES -> Optional.empty();
      case PARTLY ->
          must.partlyIsEnough()
              ? Optional.empty()
              : Optional.of(new Reason.MustMissing(need, fact));
      case BY_ADD_ON ->
          list == null || list.addOn(fact.addOn()).isPresent()
              ? Optional.empty()
              : Optional.of(new Reason.AddOnNotSold(need, fact.addOn(), list.term().words()));
      case NO -> Optional.of(new Reason.MustMissing(need, fact));
      case UNKNOWN -> Optional.of(new Reason.MustUnknown(need));
    };
  }

  /** The add-ons of a list that the musts require, each once, in the list's order. */
  public List<AddOn> required(Offering offering, PriceList list) {
    List<String> names =
        needs.stream()
            .filter(need -> need.importance() instanceof Importance.Must)
            .map(need -> offering.fact(need.capability()))
            .filter(fact -> fact.answer() == Answer.BY_ADD_ON)
            .map(Fact::addOn)
            .toList();
    return list.addOns().stream().filter(addOn -> names.contains(addOn.name())).toList();
  }

  /**
   * What of the needs is covered outside with this plan: each need that has a cover and that the
   * plan, with the add-ons the musts require, does not meet.
   */
  public List<Outside> outside(Offering offering, PriceList list) {
    List<String> taken = required(offering, list).stream().map(AddOn::name).toList();
    List<Outside> outside = new ArrayList<>();
    for (Need need : needs) {
      Fact fact = offering.fact(need.capability());
      if (need.isLackedBy(fact, taken.contains(fact.addOn()))) {
        need.outside().ifPresent(outside::add);
      }
    }
    return outside;
  }

  /** The plan's own cap, the ends of closed last bands, and its allowances. */
  private static List<Limit> limits(Plan plan, PriceList list) {
    List<Limit> limits = new ArrayList<>();
    plan.range()
        .cap()
        .ifPresent(most -> limits.add(new Cap(plan, plan.range().measure(), null, most)));
    for (Charge charge : list.charges()) {
      if (charge instanceof Charge.Counted counted) {
        OptionalInt most = counted.mostUnits();
        most.ifPresent(end -> limits.add(new Cap(plan, counted.measure(), counted, end)));
      }
    }
    for (Allowance allowance : plan.allowances()) {
      if (!list.sellsUsageOf(allowance.measure())) {
        limits.add(new Use(plan, list, allowance));
      }
    }
    return limits;
  }

  /** Something that ends at so many units. */
  private sealed interface Limit {
    Optional<Reason> check(UnitsNeeded needed, Optional<String> since);
  }

  private record Cap(Plan plan, Measure measure, Charge.@Nullable Counted banded, int most)
      implements Limit {
    @Override
    public Optional<Reason> check(UnitsNeeded needed, Optional<String> since) {
      OptionalInt units = needed.of(measure);
      if (units.isEmpty()) {
        return Optional.of(new Reason.DemandUnknown(measure));
      }
      int counted = banded == null ? units.getAsInt() : plan.paidUnits(banded, units.getAsInt());
      return counted > most
          ? Optional.of(new Reason.OverCap(measure, counted, most, since))
          : Optional.empty();
    }
  }

  /** An allowance matters only if somebody stated a demand for its measure. */
  private record Use(Plan plan, PriceList list, Allowance allowance) implements Limit {
    @Override
    public Optional<Reason> check(UnitsNeeded needed, Optional<String> since) {
      Optional<BigDecimal> units = needed.amount(allowance.measure());
      if (units.isEmpty()) {
        return Optional.empty();
      }
      return switch (allowance.limit()) {
        case Allowance.Limit.Unlimited unlimited -> Optional.empty();
        case Allowance.Limit.Unknown unknown ->
            Optional.of(new Reason.AllowanceUnknown(allowance.measure()));
        case Allowance.Limit.Hard hard -> check(hard, units.get(), needed, since);
      };
    }

    private Optional<Reason> check(
        Allowance.Limit.Hard hard, BigDecimal units, UnitsNeeded needed, Optional<String> since) {
      Measure seats = hard.most().seats();
      boolean bySeat = hard.most().perSeat().signum() > 0;
      OptionalInt demand = needed.of(seats);
      if (bySeat && demand.isEmpty()) {
        return Optional.of(new Reason.DemandUnknown(seats));
      }
      BigDecimal most = hard.most().of(bySeat ? list.seats(plan, seats, demand.getAsInt()) : 0);
      return units.compareTo(most) > 0
          ? Optional.of(new Reason.OverAllowance(allowance.measure(), units, most, since))
          : Optional.empty();
    }
  }
}
