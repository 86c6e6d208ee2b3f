package tertulia.core.path;

import java.util.List;
import java.util.Optional;
import org.joda.money.Money;
import tertulia.core.billing.Biller;
import tertulia.core.billing.Ledger;
import tertulia.core.billing.UnitsNeeded;
import tertulia.core.billing.View;
import tertulia.core.fit.Fit;
import tertulia.core.fit.Offering;
import tertulia.core.fit.Verdict;
import tertulia.core.money.PriceRise;
import tertulia.core.pricing.PriceList;
import tertulia.core.time.Horizon;

/** One plan and term kept over the whole horizon, with its invoices. */
public record Stay(Option option, Ledger ledger) {

  /**
   * The cheapest single plan and term of a tool that qualifies in all months, in the view being
   * read.
   *
   * @param months units needed by plan month
   */
  public static Outcome<Stay> cheapest(
      List<Offering> offerings,
      Market market,
      List<UnitsNeeded> months,
      PriceRise rise,
      Horizon horizon,
      View view) {
    return new Chooser<Stay>(market) {
      @Override
      Verdict verdict(Fit fit, Option option) {
        return fit.over(option.offering(), option.list(), months, horizon);
      }

      @Override
      Optional<String> whyUnpriced(PriceList list) {
        return market.whyUnpriced(list, months.getFirst());
      }

      @Override
      Stay price(Option option) {
        return new Stay(
            option,
            Biller.bill(
                option.plan(), option.list(), months, rise, horizon, market.rate(option.list())));
      }

      @Override
      Money money(Stay stay) {
        return stay.ledger().total(view);
      }
    }.choose(offerings, stay -> false);
  }
}
