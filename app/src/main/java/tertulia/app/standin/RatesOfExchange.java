package tertulia.app.standin;

import java.time.LocalDate;
import java.util.List;
import tertulia.core.money.ExchangeRate;

/** Where published rates of exchange come from. */
public interface RatesOfExchange {
  /** Every rate published on or before {@code day}. */
  List<ExchangeRate> published(LocalDate day);

  /** Who says so, as the reader is told; empty if nothing is connected. */
  String source();

  /** Whether anything is connected. */
  default boolean isConnected() {
    return !source().isEmpty();
  }
}
