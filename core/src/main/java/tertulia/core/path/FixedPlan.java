package tertulia.core.path;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;
import tertulia.core.billing.CostTiming;
import tertulia.core.billing.Ledger;
import tertulia.core.billing.Purchase;
import tertulia.core.billing.UnitsNeeded;
import tertulia.core.fit.Fit;
import tertulia.core.fit.Offering;
import tertulia.core.fit.Verdict;
import tertulia.core.money.PriceRise;
import tertulia.core.pricing.Offer;
import tertulia.core.pricing.PriceList;
import tertulia.core.time.Horizon;

/**
 * One plan and term kept over the whole horizon, with its invoices.
 *
 * @param offers those used, in the tool's order
 * @param refusedOffers why others are not, by name
 * @param alongside what is kept together with it; its invoices are in the ledger
 */
public record FixedPlan(
    Option option,
    Ledger ledger,
    List<Offer> offers,
    Map<String, String> refusedOffers,
    List<FixedPlan> alongside) {
  public FixedPlan {
    offers = List.copyOf(offers);
    alongside = List.copyOf(alongside);
  }

  /** What is kept, such as "Crew, monthly", with what is kept together with it after a plus. */
  public String label() {
    return Stream.concat(
            Stream.of(option.label()), alongside.stream().map(other -> other.option().label()))
        .collect(Collectors.joining(" + "));
  }

  /**
   * Several that are kept together: their sum, or the first that has no figure.
   *
   * @param others of other tools
   */
  public static Outcome<FixedPlan> together(
      Outcome<FixedPlan> first, List<Outcome<FixedPlan>> others) {
    return Outcome.together(first, others, FixedPlan::with);
  }

  private FixedPlan with(List<FixedPlan> others) {
    return new FixedPlan(
        option,
        Ledger.of(
            Stream.concat(Stream.of(ledger), others.stream().map(FixedPlan::ledger)).toList()),
        offers,
        refusedOffers,
        others);
  }

  /**
   * The cheapest single plan and term of a tool that qualifies in all months, in the view being
   * read.
   *
   * @param months units needed by plan month
   */
  public static Outcome<FixedPlan> cheapest(
      List<Offering> offerings,
      Market market,
      List<UnitsNeeded> months,
      PriceRise rise,
      Horizon horizon,
      CostTiming view) {
    return new Chooser<FixedPlan>(market) {
      @Override
      Verdict verdict(Fit fit, Offering offering, @Nullable PriceList list) {
        return fit.over(offering, list, months, horizon);
      }

      @Override
      UnitsNeeded stated() {
        return months.getFirst();
      }

      @Override
      FixedPlan price(Option option) {
        Purchase purchase =
            new Purchase(
                option.plan(),
                option.list(),
                months,
                rise,
                horizon,
                market.averagePayment(option.list()),
                List.of(),
                option.offering().owned(),
                option.outside(market.fit(), months, horizon));
        OfferChoice choice =
            OfferChoice.cheapest(
                purchase,
                option.offering().offers(),
                option.offering().owned().isPresent(),
                market.rate(option.list()),
                view);
        return new FixedPlan(option, choice.ledger(), choice.used(), choice.refused(), List.of());
      }

      @Override
      Money money(FixedPlan stay) {
        return stay.ledger().total(view);
      }

      @Override
      Option option(FixedPlan stay) {
        return stay.option();
      }
    }.choose(Candidates.of(offerings, market), stay -> false);
  }
}
