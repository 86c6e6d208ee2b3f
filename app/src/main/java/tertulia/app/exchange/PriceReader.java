package tertulia.app.exchange;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import tertulia.core.growth.Measure;
import tertulia.core.money.UnitPrice;
import tertulia.core.pricing.AddOn;
import tertulia.core.pricing.Allowance;
import tertulia.core.pricing.Band;
import tertulia.core.pricing.BandMode;
import tertulia.core.pricing.BillingTerm;
import tertulia.core.pricing.Charge;
import tertulia.core.pricing.Included;
import tertulia.core.pricing.Offer;
import tertulia.core.pricing.Owned;
import tertulia.core.pricing.PlanPrices;
import tertulia.core.pricing.PriceList;
import tertulia.core.pricing.Tax;
import tertulia.core.pricing.UnitRule;

/** Turns the prices of a sheet into the core's; refuses with a sentence. */
final class PriceReader {
  private PriceReader() {}

  static PlanPrices prices(
      ToolSheet.@Nullable Basis basis, List<PriceList> lists, List<PriceList> high) {
    ToolSheet.Basis unsaid = lists.isEmpty() ? ToolSheet.Basis.ON_REQUEST : ToolSheet.Basis.LISTED;
    return switch (basis == null ? unsaid : basis) {
      case LISTED -> new PlanPrices.Listed(lists);
      case QUOTE -> new PlanPrices.Quoted(lists);
      case ASSUMED -> new PlanPrices.Assumed(lists, high);
      case FROM -> new PlanPrices.From(lists);
      case QUOTE_ENDED -> new PlanPrices.From(lists, PlanPrices.From.Because.QUOTE_ENDED);
      case BASE_NOT_PRICED -> new PlanPrices.From(lists, PlanPrices.From.Because.BASE_NOT_PRICED);
      case ON_REQUEST -> {
        if (!lists.isEmpty()) {
          throw new IllegalArgumentException(
              "The price is on request but prices are entered. Say whether they are a quote or"
                  + " assumed, or clear them.");
        }
        yield new PlanPrices.OnRequest();
      }
    };
  }

  /** Whether both ends of a range charge for the same things in the same order. */
  static boolean sameShape(List<ToolSheet.TermPart> low, List<ToolSheet.TermPart> high) {
    return low.stream()
        .map(PriceReader::shape)
        .toList()
        .equals(high.stream().map(PriceReader::shape).toList());
  }

  private static List<Object> shape(ToolSheet.TermPart term) {
    List<Object> shape = new ArrayList<>(List.of(term.monthsCommitted(), term.upFront()));
    term.charges().forEach(charge -> shape.add(shape(charge)));
    for (ToolSheet.AddOnPart addOn : term.addOns()) {
      shape.add(addOn.name());
      addOn.charges().forEach(charge -> shape.add(shape(charge)));
    }
    return shape;
  }

  private static String shape(ToolSheet.ChargePart charge) {
    int bands = charge instanceof ToolSheet.BandedPart banded ? banded.bands().size() : 0;
    return charge.getClass().getSimpleName() + " " + bands + " " + charge.name();
  }

  static PriceList list(ToolSheet.TermPart part, CurrencyUnit currency) {
    String minimum = part.yearlyMinimum();
    return new PriceList(
        new BillingTerm(
            part.monthsCommitted(),
            part.upFront() ? BillingTerm.Payment.UP_FRONT : BillingTerm.Payment.MONTHLY),
        currency,
        charges(part.charges(), currency),
        part.addOns().stream()
            .map(addOn -> new AddOn(name(addOn.name()), charges(addOn.charges(), currency)))
            .toList(),
        minimum == null ? Optional.empty() : Optional.of(price(currency, minimum)));
  }

  private static List<Charge> charges(List<ToolSheet.ChargePart> parts, CurrencyUnit currency) {
    return parts.stream().map(part -> charge(part, currency)).toList();
  }

  /** One charge of a sheet. */
  static Charge charge(ToolSheet.ChargePart part, CurrencyUnit currency) {
    String name = name(part.name());
    return switch (part) {
      case ToolSheet.FlatPart flat -> new Charge.Flat(name, price(currency, flat.price()));
      case ToolSheet.PerUnitPart unit ->
          new Charge.PerUnit(
              name,
              Codes.measure(unit.measure()),
              price(currency, unit.price()),
              new UnitRule(unit.minimum(), unit.pack(), unit.included()));
      case ToolSheet.BandedPart banded ->
          new Charge.Banded(
              name,
              Codes.measure(banded.measure()),
              Codes.oneOf(BandMode.class, banded.mode()),
              banded.bands().stream()
                  .map(
                      b -> new Band(b.upTo(), price(currency, b.each()), price(currency, b.flat())))
                  .toList(),
              new UnitRule(banded.minimum(), banded.pack(), banded.included()));
      case ToolSheet.OneOffPart once ->
          new Charge.OneOff(
              name,
              price(currency, once.price()),
              Optional.ofNullable(once.each()).map(Codes::measure));
      case ToolSheet.UsagePart usage ->
          new Charge.Usage(
              name,
              Codes.measure(usage.measure()),
              included(usage.perAccount(), usage.perSeat(), usage.seats()),
              Codes.decimal(usage.block()),
              price(currency, usage.price()));
      case ToolSheet.PaymentFeePart fee ->
          new Charge.PaymentFee(
              name,
              Codes.measure(fee.measure()),
              Codes.decimal(fee.percent()).movePointLeft(2),
              price(currency, fee.fixed()));
    };
  }

  static Included included(String perAccount, String perSeat, String seats) {
    return new Included(Codes.decimal(perAccount), Codes.decimal(perSeat), Codes.measure(seats));
  }

  static Tax tax(@Nullable String percent) {
    return percent == null ? Tax.NOT_INCLUDED : new Tax(Codes.decimal(percent).movePointLeft(2));
  }

  static Allowance allowance(ToolSheet.AllowancePart part) {
    Measure measure = Codes.measure(part.measure());
    Allowance.Limit limit =
        switch (part.kind()) {
          case UP_TO ->
              new Allowance.Limit.Hard(included(part.perAccount(), part.perSeat(), part.seats()));
          case ACCOUNT_OR_SEAT ->
              new Allowance.Limit.AccountOrSeat(
                  Codes.decimal(part.perAccount()), Codes.measure(part.seats()));
          case UNLIMITED -> new Allowance.Limit.Unlimited();
          case UNKNOWN -> new Allowance.Limit.Unknown();
        };
    return new Allowance(measure, limit, ToolReader.source(part.source()));
  }

  static Offer offer(ToolSheet.OfferPart part) {
    ToolReader.source(part.source());
    return new Offer(
        name(part.name()),
        benefit(part),
        part.months(),
        new Offer.Conditions(
            Set.copyOf(part.plans()),
            terms(part.terms()),
            part.newBuyersOnly(),
            day(part.from()),
            day(part.until()),
            part.leastSeats(),
            part.comesBack()),
        part.group(),
        Set.copyOf(part.charges()));
  }

  private static Offer.Benefit benefit(ToolSheet.OfferPart part) {
    return switch (part.benefit()) {
      case FREE -> new Offer.Benefit.Free();
      case PERCENT -> new Offer.Benefit.Percent(Codes.decimal(value(part)).movePointLeft(2));
      case FIXED -> new Offer.Benefit.Fixed(money(part));
      case AMOUNT_OFF ->
          new Offer.Benefit.AmountOff(money(part), part.invoices() == null ? 1 : part.invoices());
    };
  }

  private static UnitPrice money(ToolSheet.OfferPart part) {
    String currency = part.currency();
    if (currency == null) {
      throw new IllegalArgumentException(
          "Offer \"" + part.name() + "\" states an amount without its currency. Add it.");
    }
    return price(Codes.currency(currency), value(part));
  }

  private static String value(ToolSheet.OfferPart part) {
    String value = part.value();
    if (value == null) {
      throw new IllegalArgumentException(
          "Offer \"" + part.name() + "\" does not say how much. Enter the price or percents.");
    }
    return value;
  }

  private static Set<BillingTerm> terms(List<String> codes) {
    Set<BillingTerm> terms = new HashSet<>();
    codes.forEach(code -> terms.add(TermCode.of(code).term()));
    return terms;
  }

  private static @Nullable LocalDate day(@Nullable String text) {
    return text == null ? null : Codes.day(text);
  }

  static Owned owned(ToolSheet.OwnedPart part) {
    ToolReader.source(part.source());
    return new Owned(
        part.plan(), Codes.measure(part.measure()), part.units(), Codes.day(part.until()));
  }

  static UnitPrice price(CurrencyUnit currency, String amount) {
    return PriceText.of(amount).in(currency);
  }

  private static String name(String name) {
    return Codes.text(name, BriefReader.LONGEST_NAME);
  }
}
