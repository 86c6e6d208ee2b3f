package tertulia.core.fit;

import java.math.BigDecimal;
import java.time.YearMonth;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import tertulia.core.billing.UnitsNeeded;
import tertulia.core.growth.Measure;
import tertulia.core.pricing.AddOn;
import tertulia.core.pricing.Allowance;
import tertulia.core.pricing.Charge;
import tertulia.core.pricing.ExternalCover;
import tertulia.core.pricing.Included;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.PriceList;
import tertulia.core.time.Horizon;

/**
 * Judges plans against needs and demand.
 *
 * @param quantities whether what is used beside people has to fit what a plan allows
 * @param covers where more of a quantity is to be had, at most one for each measure
 * @param standing how facts and allowances that are not known are read
 */
public record Fit(
    List<Need> needs, boolean quantities, List<QuantityCover> covers, Standing standing) {
  /** How what is not known is read. */
  public enum Standing {
    /** It does not qualify until somebody confirms it. */
    CONFIRMED,
    /** As if all of it turned out well; what is out for certain stays out. */
    IF_CONFIRMED
  }

  /** Nothing is asked of a plan but that it takes in the people: what its price tag answers. */
  public static final Fit NOTHING_ASKED = new Fit(List.of(), false, List.of());

  private static final DateTimeFormatter MONTH =
      DateTimeFormatter.ofPattern("MMM uuuu", Locale.ENGLISH);

  public Fit {
    needs = List.copyOf(needs);
    covers = List.copyOf(covers);
  }

  /** Judges by what is confirmed. */
  public Fit(List<Need> needs, boolean quantities, List<QuantityCover> covers) {
    this(needs, quantities, covers, Standing.CONFIRMED);
  }

  /** Judges against these needs and everything that is used, by what is confirmed. */
  public Fit(List<Need> needs) {
    this(needs, true, List.of());
  }

  /** Judges against other needs. */
  public Fit asking(List<Need> others) {
    return new Fit(others, quantities, covers, standing);
  }

  /** Judges as if every fact and allowance that is not known turned out well. */
  public Fit ifConfirmed() {
    return new Fit(needs, quantities, covers, Standing.IF_CONFIRMED);
  }

  /** Whether what is not known is read as if it turned out well. */
  public boolean isConfident() {
    return standing == Standing.IF_CONFIRMED;
  }

  /** What counts of the reasons found. */
  private Verdict verdict(List<Reason> reasons) {
    return Verdict.of(isConfident() ? reasons.stream().filter(Reason::excludes).toList() : reasons);
  }

  /** Where more of a measure is to be had; empty: nowhere. */
  private Optional<QuantityCover> cover(Measure measure) {
    return covers.stream().filter(cover -> cover.measure().equals(measure)).findFirst();
  }

  /**
   * The verdict on a plan and one of its price lists for the demand of one month.
   *
   * @param list null: the price is on request, and the plan is judged by what else is known of it
   */
  public Verdict at(
      Offering offering, @Nullable PriceList list, UnitsNeeded units, YearMonth month) {
    List<Reason> reasons = new ArrayList<>(musts(offering, list));
    laterMusts(offering, list, need -> need.begins().isInForce(month, units.people()))
        .forEach(reasons::add);
    for (Limit limit : limits(offering, list)) {
      limit.check(units, month, Optional.empty()).ifPresent(reasons::add);
    }
    reasons.addAll(silences(offering, list, units));
    return verdict(reasons);
  }

  /** The verdict over all months; a limit is named with the first month in which it is passed. */
  public Verdict over(
      Offering offering, @Nullable PriceList list, List<UnitsNeeded> months, Horizon horizon) {
    List<Reason> reasons = new ArrayList<>(musts(offering, list));
    laterMusts(
            offering,
            list,
            need ->
                IntStream.range(0, months.size())
                    .anyMatch(
                        m -> need.begins().isInForce(horizon.month(m), months.get(m).people())))
        .forEach(reasons::add);
    for (Limit limit : limits(offering, list)) {
      for (int m = 0; m < months.size(); m++) {
        Optional<Reason> reason =
            limit.check(
                months.get(m), horizon.month(m), Optional.of(horizon.month(m).format(MONTH)));
        if (reason.isPresent()) {
          reasons.add(reason.get());
          break;
        }
      }
    }
    months.stream()
        .flatMap(units -> silences(offering, list, units).stream())
        .distinct()
        .forEach(reasons::add);
    return verdict(reasons);
  }

  /** Where a plan is silent on something used that another plan of its tool speaks of. */
  private List<Reason> silences(Offering offering, @Nullable PriceList list, UnitsNeeded units) {
    List<Reason> reasons = new ArrayList<>();
    if (quantities) {
      offering
          .spoken()
          .forEach((measure, sister) -> {
            if (isUsed(measure, units)
                && !says(offering.plan(), list, measure)
                && !isCovered(measure, units)) {
              reasons.add(new Reason.Silent(measure, sister));
            }
          });
    }
    return reasons;
  }

  /** The musts that begin later. */
  public List<Need> later() {
    return needs.stream().filter(need -> !need.isAtOnce()).toList();
  }

  /** Whether the verdict on a plan can hang on anything beside its own caps. */
  public boolean judgesUse(Offering offering, PriceList list) {
    return !later().isEmpty()
        || quantities
            && (offering.plan().allowances().stream()
                    .anyMatch(a -> !(a.limit() instanceof Allowance.Limit.Unlimited))
                || offering.spoken().keySet().stream()
                    .anyMatch(
                        measure -> !measure.isPeople() && !says(offering.plan(), list, measure)));
  }

  /** Whether all that is used of a measure is to be had outside, whatever a plan allows. */
  private boolean isCovered(Measure measure, UnitsNeeded units) {
    return cover(measure)
        .filter(
            c -> units.amount(measure).filter(used -> c.bridges(used, BigDecimal.ZERO)).isPresent())
        .isPresent();
  }

  private static boolean isUsed(Measure measure, UnitsNeeded units) {
    return !measure.isPeople()
        && units.amount(measure).filter(amount -> amount.signum() > 0).isPresent();
  }

  /** Whether a plan charges for, allows or caps a measure, under whatever term. */
  private static boolean says(Plan plan, @Nullable PriceList list, Measure measure) {
    return plan.allowances().stream().anyMatch(a -> a.measure().equals(measure))
        || (plan.range().cap().isPresent() && plan.range().measure().equals(measure))
        || (list != null && plan.charged().stream().anyMatch(any -> any.counts(measure)));
  }

  /**
   * What nobody has said yet and might change the verdict on a plan; it does not change it.
   *
   * @param demands what people have stated a demand for
   * @param units of one month
   */
  public List<Question> questions(
      Offering offering,
      @Nullable PriceList list,
      Collection<Measure> demands,
      UnitsNeeded units,
      YearMonth month) {
    List<Question> questions = new ArrayList<>();
    for (Limit limit : limits(offering, list)) {
      limit.question(units, month).filter(q -> !questions.contains(q)).ifPresent(questions::add);
    }
    for (Measure measure : demands) {
      if (quantities
          && isUsed(measure, units)
          && !offering.spoken().containsKey(measure)
          && !says(offering.plan(), list, measure)) {
        questions.add(new Question.NothingSaid(measure, offering.plan().name()));
      }
    }
    return questions;
  }

  /** What the musts that begin later say of a plan, of those in force. */
  private Stream<Reason> laterMusts(
      Offering offering, @Nullable PriceList list, Predicate<Need> inForce) {
    return later().stream()
        .filter(inForce)
        .flatMap(need -> later(need, offering.fact(need.capability()), list).stream())
        .filter(reason -> reason.excludes() || !isConfident());
  }

  /** By an add-on it is there only where that is taken. */
  private static Optional<Reason> later(Need need, Fact fact, @Nullable PriceList list) {
    Importance.Must must = (Importance.Must) need.importance();
    if (!fact.answer().isSoldApart() || list == null) {
      return must(need, must, fact, list);
    }
    return list.addOn(fact.addOn())
            .filter(addOn -> list.charges().containsAll(addOn.charges()))
            .isPresent()
        ? Optional.empty()
        : Optional.of(new Reason.AddOnNotTaken(need, fact));
  }

  /** What the musts that count at once say of a plan, whatever its prices. */
  public List<Reason> musts(Offering offering) {
    return musts(offering, null);
  }

  /** As above, with the add-ons a list sells. */
  public List<Reason> musts(Offering offering, @Nullable PriceList list) {
    List<Reason> reasons = new ArrayList<>();
    for (Need need : needs) {
      if (need.importance() instanceof Importance.Must must
          && need.outside().isEmpty()
          && need.isAtOnce()) {
        must(need, must, offering.fact(need.capability()), list)
            .filter(reason -> reason.excludes() || !isConfident())
            .ifPresent(reasons::add);
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
      case BY_ADD_ON, THROUGH_CONNECTOR ->
          list == null || list.addOn(fact.addOn()).isPresent()
              ? Optional.empty()
              : Optional.of(new Reason.AddOnNotSold(need, fact, list.term().words()));
      case BY_HAND ->
          need.byHandIsEnough()
              ? Optional.empty()
              : Optional.of(new Reason.MustMissing(need, fact));
      case NO -> Optional.of(new Reason.MustMissing(need, fact));
      case UNKNOWN -> Optional.of(new Reason.MustUnknown(need, fact.count()));
    };
  }

  /** The add-ons that the musts require at once, each once, in the list's order. */
  public List<AddOn> required(Offering offering, PriceList list) {
    return required(offering, list, Need::isAtOnce);
  }

  /** As above, with those that musts require later. */
  public List<AddOn> requiredInAll(Offering offering, PriceList list) {
    return required(offering, list, need -> true);
  }

  private List<AddOn> required(Offering offering, PriceList list, Predicate<Need> counted) {
    if (list.addOns().isEmpty()) {
      return List.of();
    }
    List<String> names =
        needs.stream()
            .filter(need -> need.importance() instanceof Importance.Must)
            .filter(counted)
            .map(need -> offering.fact(need.capability()))
            .filter(fact -> fact.answer().isSoldApart())
            .map(Fact::addOn)
            .toList();
    return list.addOns().stream().filter(addOn -> names.contains(addOn.name())).toList();
  }

  /**
   * What of the needs is covered outside with this plan: each need that has a cover and that the
   * plan, with the add-ons the musts require, does not meet.
   */
  public List<ExternalCover> outside(Offering offering, PriceList list) {
    if (needs.stream().noneMatch(need -> need.outside().isPresent())) {
      return List.of();
    }
    List<String> taken = required(offering, list).stream().map(AddOn::name).toList();
    List<ExternalCover> outside = new ArrayList<>();
    for (Need need : needs) {
      Fact fact = offering.fact(need.capability());
      boolean open = isConfident() && fact.answer() == Answer.UNKNOWN;
      if (!open && need.isLackedBy(fact, taken.contains(fact.addOn()))) {
        need.outside().ifPresent(outside::add);
      }
    }
    return outside;
  }

  /**
   * What quantities are covered outside in a month: those of which more is used than the plan is
   * known to allow, where no charge of the plan pays for more.
   */
  public List<ExternalCover> quantitiesOutside(
      Offering offering, PriceList list, UnitsNeeded units, YearMonth month) {
    List<QuantityCover> used =
        covers.stream().filter(cover -> isUsed(cover.measure(), units)).toList();
    if (used.isEmpty()) {
      return List.of();
    }
    List<Limit> limits = limits(offering, list);
    return used.stream()
        .filter(cover ->
            allowed(offering, list, limits, cover.measure(), units, month)
                .filter(
                    allowed -> cover.bridges(units.amount(cover.measure()).orElseThrow(), allowed))
                .isPresent())
        .map(QuantityCover::outside)
        .toList();
  }

  /**
   * How much of a measure a plan is known to allow; empty if nothing bounds it, as far as known.
   */
  private Optional<BigDecimal> allowed(
      Offering offering,
      PriceList list,
      List<Limit> limits,
      Measure measure,
      UnitsNeeded units,
      YearMonth month) {
    Optional<Use> use =
        limits.stream()
            .filter(limit -> limit.measure().equals(measure))
            .filter(Use.class::isInstance)
            .map(Use.class::cast)
            .findFirst();
    if (use.isPresent()) {
      return use.get().allowed(units, month, standing);
    }
    return !isConfident()
            && offering.spoken().containsKey(measure)
            && !says(offering.plan(), list, measure)
        ? Optional.of(BigDecimal.ZERO)
        : Optional.empty();
  }

  /** The plan's own cap, the ends of closed last bands, and its allowances. */
  private List<Limit> limits(Offering offering, @Nullable PriceList list) {
    Plan plan = offering.plan();
    List<Limit> limits = new ArrayList<>();
    plan.range()
        .cap()
        .ifPresent(most -> limits.add(new Cap(offering, list, plan.range().measure(), null, most)));
    if (list != null) {
      for (Charge charge : list.charges()) {
        if (charge instanceof Charge.Counted counted) {
          counted
              .mostUnits()
              .ifPresent(
                  end -> limits.add(new Cap(offering, list, counted.measure(), counted, end)));
        }
      }
    }
    for (Allowance allowance : plan.allowances()) {
      if (list == null || !plan.sellsUsageOf(allowance.measure())) {
        limits.add(new Use(offering, list, allowance, cover(allowance.measure())));
      }
    }
    return quantities
        ? limits
        : limits.stream().filter(limit -> limit.measure().isPeople()).toList();
  }

  /** Something that ends at so many units. */
  private sealed interface Limit {
    Measure measure();

    /** Why the plan does not do for these units; empty if it does, or if nobody stated them. */
    Optional<Reason> check(UnitsNeeded needed, YearMonth month, Optional<String> since);

    /** What nobody has stated and the limit depends on. */
    Optional<Question> question(UnitsNeeded needed, YearMonth month);
  }

  private record Cap(
      Offering offering,
      @Nullable PriceList list,
      Measure measure,
      Charge.@Nullable Counted banded,
      int most)
      implements Limit {
    @Override
    public Optional<Reason> check(UnitsNeeded needed, YearMonth month, Optional<String> since) {
      OptionalInt units = needed.of(measure);
      if (units.isEmpty()) {
        return Optional.empty();
      }
      int counted =
          banded == null || list == null
              ? units.getAsInt()
              : offering.holding(list, month).units(banded, units.getAsInt());
      return counted > most
          ? Optional.of(new Reason.OverCap(measure, counted, most, since))
          : Optional.empty();
    }

    @Override
    public Optional<Question> question(UnitsNeeded needed, YearMonth month) {
      return needed.of(measure).isPresent()
          ? Optional.empty()
          : Optional.of(
              new Question.UseUnstated(
                  measure, offering.plan().name(), String.format(Locale.ROOT, "%,d", most)));
    }
  }

  /** An allowance matters only if somebody stated a demand for its measure. */
  private record Use(
      Offering offering,
      @Nullable PriceList list,
      Allowance allowance,
      Optional<QuantityCover> cover)
      implements Limit {
    @Override
    public Measure measure() {
      return allowance.measure();
    }

    @Override
    public Optional<Reason> check(UnitsNeeded needed, YearMonth month, Optional<String> since) {
      Optional<BigDecimal> units =
          needed.amount(allowance.measure()).filter(amount -> amount.signum() > 0);
      if (units.isEmpty()) {
        return Optional.empty();
      }
      return switch (allowance.limit()) {
        case Allowance.Limit.Unlimited unlimited -> Optional.empty();
        case Allowance.Limit.Unknown unknown ->
            bridged(units.get(), BigDecimal.ZERO)
                ? Optional.empty()
                : Optional.of(new Reason.AllowanceUnknown(allowance.measure()));
        case Allowance.Limit.AccountOrSeat open ->
            accountOrSeat(open, units.get(), needed, month, since);
        case Allowance.Limit.Hard hard ->
            most(hard.most(), needed, month)
                .filter(most -> isBeyond(units.get(), most))
                .map(most -> over(units.get(), most, since));
      };
    }

    /** The fewer of both readings does for certain; more than the more does not. */
    private Optional<Reason> accountOrSeat(
        Allowance.Limit.AccountOrSeat open,
        BigDecimal units,
        UnitsNeeded needed,
        YearMonth month,
        Optional<String> since) {
      if (!isBeyond(units, least(open, needed, month))) {
        return Optional.empty();
      }
      Optional<BigDecimal> seats = most(open.forEachSeat(), needed, month);
      Optional<BigDecimal> most = seats.map(open.most()::max);
      return most.filter(m -> isBeyond(units, m)).isPresent()
          ? most.map(m -> over(units, m, since))
          : Optional.of(new Reason.AccountOrSeat(measure(), units, open.most(), seats));
    }

    private BigDecimal least(
        Allowance.Limit.AccountOrSeat open, UnitsNeeded needed, YearMonth month) {
      return most(open.forEachSeat(), needed, month).map(open.most()::min).orElse(open.most());
    }

    private boolean isBeyond(BigDecimal used, BigDecimal most) {
      return used.compareTo(most) > 0 && !bridged(used, most);
    }

    private Reason over(BigDecimal used, BigDecimal most, Optional<String> since) {
      return new Reason.OverAllowance(
          measure(), used, most, cover.map(QuantityCover::upTo).orElse(BigDecimal.ZERO), since);
    }

    private boolean bridged(BigDecimal used, BigDecimal most) {
      return cover.filter(c -> c.bridges(used, most)).isPresent();
    }

    /** How much the plan allows; empty if there is no end, or seats are not stated. */
    Optional<BigDecimal> allowed(UnitsNeeded needed, YearMonth month, Standing standing) {
      boolean confident = standing == Standing.IF_CONFIRMED;
      return switch (allowance.limit()) {
        case Allowance.Limit.Unlimited unlimited -> Optional.empty();
        case Allowance.Limit.Unknown unknown ->
            confident ? Optional.empty() : Optional.of(BigDecimal.ZERO);
        case Allowance.Limit.AccountOrSeat open ->
            confident
                ? most(open.forEachSeat(), needed, month).map(open.most()::max)
                : Optional.of(least(open, needed, month));
        case Allowance.Limit.Hard hard -> most(hard.most(), needed, month);
      };
    }

    /** How much is allowed; empty if it goes by seats that nobody stated. */
    private Optional<BigDecimal> most(Included rule, UnitsNeeded needed, YearMonth month) {
      if (rule.perSeat().signum() == 0) {
        return Optional.of(rule.of(0));
      }
      OptionalInt demand = needed.of(rule.seats());
      if (demand.isEmpty()) {
        return Optional.empty();
      }
      return Optional.of(
          rule.of(
              list == null
                  ? demand.getAsInt()
                  : offering.holding(list, month).seats(rule.seats(), demand.getAsInt())));
    }

    @Override
    public Optional<Question> question(UnitsNeeded needed, YearMonth month) {
      return switch (allowance.limit()) {
        case Allowance.Limit.Hard hard ->
            question(hard.most().words(), hard.most().perAccount(), hard.most(), needed, month);
        case Allowance.Limit.AccountOrSeat open ->
            question(open.words(), open.most(), open.forEachSeat(), needed, month);
        case Allowance.Limit.Unlimited unlimited -> Optional.empty();
        case Allowance.Limit.Unknown unknown -> Optional.empty();
      };
    }

    private Optional<Question> question(
        String words, BigDecimal certain, Included rule, UnitsNeeded needed, YearMonth month) {
      Optional<BigDecimal> units = needed.amount(measure());
      if (units.isEmpty()) {
        return Optional.of(new Question.UseUnstated(measure(), offering.plan().name(), words));
      }
      boolean open = units.get().compareTo(certain) > 0 && most(rule, needed, month).isEmpty();
      return open
          ? Optional.of(new Question.SeatsUnstated(measure(), rule.seats(), offering.plan().name()))
          : Optional.empty();
    }
  }
}
