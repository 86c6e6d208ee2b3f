package tertulia.core.inuse;

import java.util.List;
import java.util.Optional;
import org.joda.money.Money;

/**
 * A contender with what is in use: its own cost, what stays and what is still owed of what goes.
 *
 * @param own over all months; empty: not known
 * @param stays tools that stay, as they cost today
 * @param goes tools that go
 */
public record Together(Optional<Money> own, List<AsToday> stays, List<AsToday> goes) {
  public Together {
    stays = List.copyOf(stays);
    goes = List.copyOf(goes);
  }

  /** What stays comes to; empty if one of them has no figure. */
  public Optional<Money> staying() {
    return stays.stream().map(AsToday::total).reduce(Together::plus).orElseGet(this::nothing);
  }

  /** What is still owed of what goes. */
  public Optional<Money> owed() {
    return goes.stream().map(AsToday::stillOwed).reduce(Money::plus).or(this::nothing);
  }

  /** All of it; empty if a part has no figure. */
  public Optional<Money> sum() {
    return plus(plus(own, staying()), owed());
  }

  private Optional<Money> nothing() {
    return own.map(money -> Money.zero(money.getCurrencyUnit()));
  }

  private static Optional<Money> plus(Optional<Money> one, Optional<Money> other) {
    return one.flatMap(money -> other.map(money::plus));
  }
}
