package tertulia.app.need;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.joda.money.CurrencyUnit;
import tertulia.app.exchange.Brief;
import tertulia.app.standin.RatesOfExchange;
import tertulia.core.evaluation.Selection;
import tertulia.core.money.ExchangeRate;
import tertulia.core.money.ExchangeRates;

/**
 * The published rates a selection needs, the latest on or before its date.
 *
 * @param missing pairs for which none is published
 */
record PublishedRates(List<ExchangeRate> found, List<String> missing) {

  /** For every currency a contender is priced in, there and back. */
  static PublishedRates of(Selection selection, RatesOfExchange source) {
    ExchangeRates published = new ExchangeRates(source.published(selection.asOf()));
    Set<CurrencyUnit> currencies = new TreeSet<>();
    selection.contenders().stream()
        .flatMap(c -> c.tool().plans().stream())
        .flatMap(plan -> plan.charged().stream())
        .forEach(list -> currencies.add(list.currency()));
    currencies.remove(selection.currency());
    List<ExchangeRate> found = new ArrayList<>();
    List<String> missing = new ArrayList<>();
    for (CurrencyUnit currency : currencies) {
      Optional<ExchangeRate> rate =
          published.latest(currency, selection.currency(), selection.asOf());
      rate.ifPresentOrElse(found::add, () -> missing.add(currency + " to " + selection.currency()));
      published.latest(selection.currency(), currency, selection.asOf()).ifPresent(found::add);
    }
    return new PublishedRates(found, missing);
  }

  List<Brief.RatePart> parts() {
    return found.stream()
        .map(rate ->
            new Brief.RatePart(
                rate.from().getCode(),
                rate.to().getCode(),
                rate.rate().toPlainString(),
                rate.on().toString(),
                rate.source()))
        .toList();
  }

  /** What was taken and what is not published. */
  String words() {
    String taken =
        found.isEmpty()
            ? "No contender is priced in another currency for which a rate is published."
            : found.size() + (found.size() == 1 ? " rate is" : " rates are") + " taken.";
    return missing.isEmpty()
        ? taken
        : taken + " There is no rate " + String.join(", ", missing) + "; enter one by hand.";
  }
}
