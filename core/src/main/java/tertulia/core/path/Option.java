package tertulia.core.path;

import java.time.YearMonth;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.joda.money.Money;
import tertulia.core.billing.UnitsNeeded;
import tertulia.core.fit.Answer;
import tertulia.core.fit.Capability;
import tertulia.core.fit.Fact;
import tertulia.core.fit.Fit;
import tertulia.core.fit.Offering;
import tertulia.core.pricing.AddOn;
import tertulia.core.pricing.ExternalCover;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.PriceList;
import tertulia.core.time.Horizon;

/**
 * A plan under one of its terms.
 *
 * @param list with the charges of the add-ons taken
 * @param addOns names of the add-ons taken, because a must requires them
 * @param outside what is covered outside in every month, because the plan does not have it
 */
public record Option(
    Offering offering, PriceList list, List<String> addOns, List<ExternalCover> outside) {
  public Option {
    outside = List.copyOf(outside);
    addOns = List.copyOf(addOns);
  }

  /** {@code list} with the add-ons the musts require, and what is covered outside. */
  public static Option of(Offering offering, PriceList list, Fit fit) {
    List<AddOn> taken = fit.required(offering, list);
    return new Option(
        offering,
        list.with(taken),
        taken.stream().map(AddOn::name).toList(),
        fit.outside(offering, list));
  }

  /** As above, with the add-ons that musts require later, too. */
  static Option ofAll(Offering offering, PriceList list, Fit fit) {
    List<AddOn> taken = fit.requiredInAll(offering, list);
    return new Option(
        offering,
        list.with(taken),
        taken.stream().map(AddOn::name).toList(),
        fit.outside(offering, list));
  }

  public Plan plan() {
    return offering.plan();
  }

  /**
   * What the plan says of a capability: by an add-on, or through a connector, is a yes if that one
   * is taken, else a no.
   */
  public Answer answer(Capability capability) {
    Fact fact = offering.fact(capability);
    return !fact.answer().isSoldApart()
        ? fact.answer()
        : addOns.contains(fact.addOn()) ? Answer.YES : Answer.NO;
  }

  /**
   * What is covered outside in a month: what the plan does not have, and what it has too little of.
   */
  List<ExternalCover> outside(Fit fit, UnitsNeeded units, YearMonth month) {
    List<ExternalCover> quantities = fit.quantitiesOutside(offering, list, units, month);
    return quantities.isEmpty()
        ? outside
        : Stream.concat(outside.stream(), quantities.stream()).toList();
  }

  /** The same month after month. */
  List<List<ExternalCover>> outside(Fit fit, List<UnitsNeeded> months, Horizon horizon) {
    if (fit.covers().isEmpty()) {
      return Collections.nCopies(months.size(), outside);
    }
    return IntStream.range(0, months.size())
        .mapToObj(m -> outside(fit, months.get(m), horizon.month(m)))
        .toList();
  }

  /** What that costs a month; empty if nothing is covered outside. */
  static Optional<Money> monthly(List<ExternalCover> outside) {
    return outside.stream().map(ExternalCover::monthly).reduce(Money::plus);
  }

  public OptionName name() {
    return new OptionName(plan().id(), plan().name(), addOns, Optional.of(list.term()));
  }

  /** As {@link OptionName#label}. */
  public String label() {
    return name().label();
  }
}
