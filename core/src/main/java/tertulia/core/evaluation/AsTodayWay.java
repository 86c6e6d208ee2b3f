package tertulia.core.evaluation;

import java.util.List;
import java.util.Optional;
import org.joda.money.Money;
import tertulia.core.billing.Ledger;
import tertulia.core.fit.Fit;
import tertulia.core.fit.Offering;
import tertulia.core.inuse.AsToday;
import tertulia.core.path.Option;
import tertulia.core.path.PlanPath;
import tertulia.core.path.PlanPaths;
import tertulia.core.pricing.PriceList;
import tertulia.core.time.MonthSpan;

/**
 * The one way of a tool that is kept as it is used today: the same plan under the same term,
 * whether or not it meets the needs.
 */
final class AsTodayWay {
  private AsTodayWay() {}

  /** Empty if it has no figure. */
  static Optional<PlanPaths> of(AsToday use, List<Offering> offerings) {
    Optional<Offering> offering =
        offerings.stream().filter(o -> o.plan().id().equals(use.use().plan().id())).findFirst();
    Optional<PriceList> list = use.listed().or(use::asPaid);
    return use.ledger()
        .flatMap(ledger ->
            offering.flatMap(
                on -> list.map(by -> through(Option.of(on, by, Fit.NOTHING_ASKED), ledger))));
  }

  private static PlanPaths through(Option option, Ledger ledger) {
    int months = ledger.horizon().months();
    PlanPath.Leg leg =
        new PlanPath.Leg(option, new MonthSpan(0, months), months, List.of(), ledger.invoices());
    return new PlanPaths.Found(
        new PlanPath(List.of(leg), ledger, List.of(), List.of(), Money.zero(ledger.currency())),
        List.of(),
        Optional.empty());
  }
}
