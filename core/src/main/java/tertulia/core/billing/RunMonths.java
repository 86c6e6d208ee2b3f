package tertulia.core.billing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import tertulia.core.billing.History.Floor;
import tertulia.core.billing.History.Run;
import tertulia.core.money.ExchangeRate;

/**
 * What the months of a term add to a run on a plan with a yearly minimum. It does not depend on
 * what came before, and what came before does not depend on it: {@link #carry} brings the two
 * together.
 *
 * @param from the term's first month
 * @param charged by month of the term, spread, up to where it ends or was left
 * @param floor of a year that begins in the term; empty if the term has none
 */
public record RunMonths(
    String plan,
    int from,
    List<Money> charged,
    Optional<Floor> floor,
    CurrencyUnit currency,
    Optional<ExchangeRate> rate) {
  private static final int YEAR = 12;

  public RunMonths {
    charged = List.copyOf(charged);
  }

  /**
   * A run carried on.
   *
   * @param after the run as the next term finds it; empty if nothing of it is remembered
   * @param ended the years that end within the term
   * @param due what these lack of their minimum
   */
  public record Carried(Optional<Run> after, List<MinimumYear> ended, List<Invoice> due) {
    public Carried {
      ended = List.copyOf(ended);
      due = List.copyOf(due);
    }
  }

  /**
   * Carries a run on. It goes on if the term before was of the same plan. A year has the minimum of
   * the term that runs in its first month; one that begins with the next term is left to that, so
   * nothing of the run is remembered then.
   */
  public Carried carry(Optional<Run> before) {
    Run run =
        before
            .filter(r -> r.plan().equals(plan))
            .orElseGet(() -> Run.begun(plan, from, floor, currency));
    List<MinimumYear> ended = new ArrayList<>();
    List<Invoice> due = new ArrayList<>();
    int billed = 0;
    while (run.months() + charged.size() - billed >= YEAR) {
      int more = YEAR - run.months();
      run = run.plus(charged.subList(billed, billed + more));
      run.year().ifPresent(ended::add);
      run.missing(rate).ifPresent(due::add);
      run = Run.begun(plan, run.from() + YEAR, floor, currency);
      billed += more;
    }
    run = run.plus(charged.subList(billed, charged.size()));
    return new Carried(
        run.months() == 0 ? Optional.empty() : Optional.of(run.capped()), ended, due);
  }
}
