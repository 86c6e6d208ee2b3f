package tertulia.core.money;

import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;

/** Published rates of exchange. Rates are never inverted and never chained. */
public record ExchangeRates(List<ExchangeRate> published) {
  public static final ExchangeRates NONE = new ExchangeRates(List.of());

  public ExchangeRates {
    published = List.copyOf(published);
  }

  /** The latest rate for the pair on or before {@code date}; empty if there is none. */
  public Optional<ExchangeRate> latest(CurrencyUnit from, CurrencyUnit to, LocalDate date) {
    return published.stream()
        .filter(r -> r.from().equals(from) && r.to().equals(to) && !r.on().isAfter(date))
        .max(Comparator.comparing(ExchangeRate::on));
  }
}
