package tertulia.core.pricing;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import tertulia.core.growth.Measure;
import tertulia.core.money.UnitPrice;

/**
 * The charges of a plan under one billing term, all in one currency, as prices a month.
 *
 * @param addOns sold beside the plan under this term
 * @param yearlyMinimum what a year on the plan costs at least; empty: nothing is said
 */
public record PriceList(
    BillingTerm term,
    CurrencyUnit currency,
    List<Charge> charges,
    List<AddOn> addOns,
    Optional<UnitPrice> yearlyMinimum) {
  public PriceList {
    charges = List.copyOf(charges);
    addOns = List.copyOf(addOns);
    Stream.concat(charges.stream(), addOns.stream().flatMap(a -> a.charges().stream()))
        .forEach(charge -> checkCurrency("Charge", charge.name(), charge.currency(), currency));
    yearlyMinimum.ifPresent(
        least -> checkCurrency("The", "yearly minimum", least.currency(), currency));
    if (addOns.stream().map(AddOn::name).distinct().count() < addOns.size()) {
      throw new IllegalArgumentException("Two add-ons of a plan have the same name.");
    }
  }

  /** Charges only. */
  public PriceList(BillingTerm term, CurrencyUnit currency, List<Charge> charges) {
    this(term, currency, charges, List.of(), Optional.empty());
  }

  /** This list with some of its add-ons turned on. */
  public PriceList with(List<AddOn> taken) {
    if (taken.isEmpty()) {
      return this;
    }
    List<Charge> all = new ArrayList<>(charges);
    taken.forEach(addOn -> all.addAll(addOn.charges()));
    return new PriceList(term, currency, all, addOns, yearlyMinimum);
  }

  /**
   * This list without what costs nothing of measures of which no demand is stated: 0 times anything
   * is 0.
   */
  public PriceList asking(Set<Measure> stated) {
    List<Charge> needed =
        charges.stream()
            .filter(charge -> !charge.isNothing() || stated.containsAll(charge.measures()))
            .toList();
    return needed.size() == charges.size()
        ? this
        : new PriceList(term, currency, needed, addOns, yearlyMinimum);
  }

  public Optional<AddOn> addOn(String name) {
    return addOns.stream().filter(addOn -> addOn.name().equals(name)).findFirst();
  }

  /** This list at so much of every list price. */
  PriceList times(java.math.BigDecimal part) {
    return new PriceList(
        term,
        currency,
        times(charges, part),
        addOns.stream().map(a -> new AddOn(a.name(), times(a.charges(), part))).toList(),
        yearlyMinimum.map(least -> least.times(part)));
  }

  private static List<Charge> times(List<Charge> charges, java.math.BigDecimal part) {
    return charges.stream().map(charge -> charge.times(part)).toList();
  }

  /** The measures whose demand must be known to price the charges, each once. */
  public List<Measure> measures() {
    Set<Measure> measures = new LinkedHashSet<>();
    charges.forEach(charge -> measures.addAll(charge.measures()));
    return List.copyOf(measures);
  }

  /**
   * Whether the list says what such a charge costs: one of the same kind that counts the same, or,
   * where nothing is counted, one of the same name or the only one of its kind.
   */
  boolean speaksOf(Charge other) {
    return charges.stream()
        .anyMatch(own ->
            switch (own) {
              case Charge.Counted counted ->
                  other.measures().contains(counted.measure()) && !(other instanceof Charge.OneOff);
              case Charge.Usage usage ->
                  other.measures().contains(usage.measure()) && !(other instanceof Charge.OneOff);
              case Charge.PaymentFee fee -> other instanceof Charge.PaymentFee;
              case Charge.Flat flat ->
                  other instanceof Charge.Flat
                      && (flat.name().equals(other.name()) || hasOne(Charge.Flat.class));
              case Charge.OneOff once ->
                  other instanceof Charge.OneOff
                      && (once.name().equals(other.name())
                          || !once.each().isEmpty() && once.measures().equals(other.measures()));
            });
  }

  private boolean hasOne(Class<? extends Charge> kind) {
    return charges.stream().filter(kind::isInstance).count() == 1;
  }

  /** Whether a charge is a price of a measure. */
  public boolean counts(Measure measure) {
    return charges.stream().anyMatch(charge -> charge.counts().contains(measure));
  }

  /** Whether use of {@code measure} above its allowance can be paid for. */
  public boolean sellsUsageOf(Measure measure) {
    return charges.stream()
        .anyMatch(c -> c instanceof Charge.Usage usage && usage.measure().equals(measure));
  }

  /** Whether a charge belongs to one of the add-ons and not to the plan itself. */
  boolean isOfAddOn(Charge charge) {
    return addOns.stream().anyMatch(addOn -> addOn.charges().contains(charge));
  }

  private static void checkCurrency(
      String what, String name, CurrencyUnit found, CurrencyUnit wanted) {
    if (!found.equals(wanted)) {
      throw new IllegalArgumentException(
          what
              + " \""
              + name
              + "\" is in "
              + found
              + " but the price list is in "
              + wanted
              + ". One price list has one currency.");
    }
  }
}
