package tertulia.core.fit;

import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalInt;
import tertulia.core.billing.UnitsNeeded;
import tertulia.core.growth.Measure;
import tertulia.core.pricing.Charge;
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
    List<Reason> reasons = new ArrayList<>(musts(offering));
    caps(offering.plan(), list)
        .forEach(cap -> cap.check(units, Optional.empty()).ifPresent(reasons::add));
    return Verdict.of(reasons);
  }

  /** The verdict over all months; a cap is named with the first month in which it is passed. */
  public Verdict over(
      Offering offering, PriceList list, List<UnitsNeeded> months, Horizon horizon) {
    List<Reason> reasons = new ArrayList<>(musts(offering));
    for (Cap cap : caps(offering.plan(), list)) {
      for (int m = 0; m < months.size(); m++) {
        Optional<Reason> reason =
            cap.check(months.get(m), Optional.of(horizon.month(m).format(MONTH)));
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
    List<Reason> reasons = new ArrayList<>();
    for (Need need : needs) {
      if (need.importance() instanceof Importance.Must must) {
        must(need, must, offering.fact(need.capability())).ifPresent(reasons::add);
      }
    }
    return reasons;
  }

  private static Optional<Reason> must(Need need, Importance.Must must, Fact fact) {
    return switch (fact.answer()) {
      case YES -> Optional.empty();
      case PARTLY ->
          must.partlyIsEnough()
              ? Optional.empty()
              : Optional.of(new Reason.MustMissing(need, fact));
      case NO -> Optional.of(new Reason.MustMissing(need, fact));
      case UNKNOWN -> Optional.of(new Reason.MustUnknown(need));
    };
  }

  /** The plan's own cap and the ends of closed last bands. */
  private static List<Cap> caps(Plan plan, PriceList list) {
    List<Cap> caps = new ArrayList<>();
    plan.range()
        .cap()
        .ifPresent(most -> caps.add(new Cap(plan, plan.range().measure(), null, most)));
    for (Charge charge : list.charges()) {
      switch (charge) {
        case Charge.Flat flat -> {}
        case Charge.Counted counted -> {
          OptionalInt most = counted.mostUnits();
          most.ifPresent(end -> caps.add(new Cap(plan, counted.measure(), counted, end)));
        }
      }
    }
    return caps;
  }

  private record Cap(
      Plan plan,
      Measure measure,
      Charge.@org.jspecify.annotations.Nullable Counted banded,
      int most) {
    Optional<Reason> check(UnitsNeeded needed, Optional<String> since) {
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
}
