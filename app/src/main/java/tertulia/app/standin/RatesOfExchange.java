package tertulia.app.standin;

import java.time.LocalDate;
import java.util.List;
import tertulia.core.money.ExchangeRate;

/** Where published rates of exchange come from. */
public interface RatesOfExchange {
  /** Every rate published on or before {@code day}. */
  List<ExchangeRate> published(LocalDate day);

  /** Who publishes them, as the reader is told. */
  String source();
}
