package tertulia.core.inuse;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import tertulia.core.billing.CostTiming;

/**
 * What is to be paid beside a contender: what stays in use, and what is still owed of what goes.
 *
 * @param stays tools that stay, as they cost today
 * @param goes tools that go
 * @param months how many the plan has
 */
public record Together(List<AsToday> stays, List<AsToday> goes, CurrencyUnit currency, int months) {
  public Together {
    stays = List.copyOf(stays);
    goes = List.copyOf(goes);
  }

  /** Whether there is nothing beside it. */
  public boolean isNothing() {
    return stays.isEmpty() && goes.isEmpty();
  }

  /** What stays comes to over all months; empty if one of them has no figure. */
  public Optional<Money> staying(CostTiming view) {
    Optional<Money> sum = Optional.of(Money.zero(currency));
    for (AsToday use : stays) {
      Optional<Money> own = use.total(view);
      sum = sum.flatMap(money -> own.map(money::plus));
    }
    return sum;
  }

  /** What is still owed of what goes. */
  public Money owed(CostTiming view) {
    return sum(goes.stream().map(use -> use.owed().total(view)).toList());
  }

  /** Both; empty if one of those that stay has no figure. */
  public Optional<Money> total(CostTiming view) {
    return staying(view).map(owed(view)::plus);
  }

  /** What is known of both: of what stays without a figure what is due until its term ends. */
  public Money least(CostTiming view) {
    return owed(view).plus(sum(stays.stream().map(use -> use.least(view)).toList()));
  }

  /** Both by month; empty as {@link #total}. */
  public Optional<List<Money>> byMonth(CostTiming view) {
    return stays.stream().allMatch(use -> use.after().isPresent())
        ? Optional.of(byMonth(view, use -> use.months(view).orElseThrow()))
        : Optional.empty();
  }

  /** What is known of both by month, as {@link #least}. */
  public List<Money> leastByMonth(CostTiming view) {
    return byMonth(view, use -> use.months(view).orElseGet(() -> use.paid().months(view)));
  }

  private List<Money> byMonth(CostTiming view, Function<AsToday, List<Money>> staying) {
    List<List<Money>> all = new ArrayList<>();
    stays.forEach(use -> all.add(staying.apply(use)));
    goes.forEach(use -> all.add(use.owed().months(view)));
    List<Money> sums = new ArrayList<>();
    for (int m = 0; m < months; m++) {
      int month = m;
      sums.add(sum(all.stream().map(one -> one.get(month)).toList()));
    }
    return sums;
  }

  private Money sum(List<Money> amounts) {
    return amounts.stream().reduce(Money.zero(currency), Money::plus);
  }
}
