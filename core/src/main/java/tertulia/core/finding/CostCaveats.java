package tertulia.core.finding;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.joda.money.Money;
import tertulia.core.billing.InvoiceLine;
import tertulia.core.evaluation.Amount;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Costs;
import tertulia.core.fit.Offering;
import tertulia.core.fit.Reason;
import tertulia.core.growth.Measure;
import tertulia.core.path.LeftOut;
import tertulia.core.path.OptionName;
import tertulia.core.path.Outcome;
import tertulia.core.path.SteadyCost;
import tertulia.core.pricing.Unsaid;

/** What to mind when figures of cost stand side by side: terms, dates, bounds, bands and caps. */
public record CostCaveats(Costs costs) {
  /** Prices written down further apart than this are not of one time. */
  private static final long DAYS_APART = 90;

  /**
   * Some prices without a commitment beside others with one; empty if all are alike. A price whose
   * term the page does not say is on neither side.
   */
  public Optional<CostFinding.MixedTerms> mixedTerms() {
    List<String> monthly = new ArrayList<>();
    List<String> committed = new ArrayList<>();
    for (Contender contender : costs.selection().active()) {
      costs
          .now()
          .best(contender.id())
          .filter(cost -> open(cost).noneMatch(open -> open.kind() == Unsaid.Kind.TERM))
          .ifPresent(cost ->
              (cost.option().list().term().isCommitted() ? committed : monthly)
                  .add(contender.id()));
    }
    return monthly.isEmpty() || committed.isEmpty()
        ? Optional.empty()
        : Optional.of(new CostFinding.MixedTerms(monthly, committed));
  }

  /** A price that is not of the time of the newest of the others; empty if it is. */
  public Optional<CostFinding.OlderPrice> olderPrice(String tool) {
    return costs
        .now()
        .best(tool)
        .map(CostCaveats::asOf)
        .flatMap(asOf -> {
          LocalDate newest =
              costs.selection().active().stream()
                  .flatMap(contender -> costs.now().best(contender.id()).stream())
                  .map(CostCaveats::asOf)
                  .max(Comparator.naturalOrder())
                  .orElseThrow();
          return ChronoUnit.DAYS.between(asOf, newest) > DAYS_APART
              ? Optional.of(new CostFinding.OlderPrice(tool, asOf, newest))
              : Optional.empty();
        });
  }

  /**
   * What the page of a tool leaves open of the prices its figure now is made of; empty: nothing.
   */
  public Optional<CostFinding.NotSaid> notSaid(String tool) {
    return costs
        .now()
        .best(tool)
        .map(cost -> new CostFinding.NotSaid(tool, open(cost).toList()))
        .filter(found -> !found.open().isEmpty());
  }

  private static Stream<Unsaid> open(SteadyCost cost) {
    return cost.option().plan().unsaid(cost.option().list().term()).stream();
  }

  private static LocalDate asOf(SteadyCost cost) {
    return cost.option().plan().source().asOf();
  }

  /** A number of units a little above those needed that would cost less. */
  public Optional<CostFinding.FallingBand> fallingBand(String tool) {
    return costs
        .now()
        .best(tool)
        .flatMap(cost ->
            cost.lines().stream()
                .filter(InvoiceLine.Held.class::isInstance)
                .flatMapToInt(line -> ((InvoiceLine.Held) line).cheaperWithMore().stream())
                .boxed()
                .findFirst()
                .map(units ->
                    new CostFinding.FallingBand(tool, units, cost.option().list().term().words())));
  }

  /** Why a tool's figure is only an upper bound; empty if it is not. */
  public Optional<CostFinding.AtMost> atMost(String tool) {
    return costs.now().steady(tool) instanceof Outcome.Found<SteadyCost> found && found.isAtMost()
        ? Optional.of(
            new CostFinding.AtMost(
                tool, found.leftOut().stream().filter(LeftOut::mayBeCheaper).toList()))
        : Optional.empty();
  }

  /** The first plan of a tool that would be cheaper and is out for nothing but a cap. */
  public Optional<CostFinding.BeyondCap> beyondCap(String tool) {
    if (costs.now().best(tool).isEmpty()) {
      return Optional.empty();
    }
    for (Offering offering : costs.selection().contender(tool).offerings()) {
      List<Reason> reasons =
          costs.now().against(tool).getOrDefault(OptionName.of(offering.plan()), List.of());
      if (reasons.size() == 1 && reasons.getFirst() instanceof Reason.OverCap over) {
        boolean cheaper =
            costs
                .now()
                .planAlone(offering)
                .filter(cost -> !mayBeNoMoreThan(tool, cost.money()))
                .isPresent();
        if (cheaper) {
          return Optional.of(
              new CostFinding.BeyondCap(tool, offering.plan().name(), over, peopleFor(over)));
        }
      }
    }
    return Optional.empty();
  }

  /** Whether what a tool costs now may be no more than so much. */
  private boolean mayBeNoMoreThan(String tool, Money money) {
    return costs
        .now()
        .steadyBounds(tool)
        .flatMap(Amount::low)
        .filter(low -> low.isGreaterThan(money))
        .isEmpty();
  }

  /** The most people who still fit under a cap, in today's shares; 0 if nobody does. */
  private int peopleFor(Reason.OverCap over) {
    Measure measure = over.measure();
    int month = costs.occasion().month();
    return IntStream.iterate(costs.people().total() - 1, n -> n > 0, n -> n - 1)
        .filter(n ->
            costs
                    .market()
                    .occasion(costs.overall().today().scaledTo(n), month)
                    .units()
                    .of(measure)
                    .orElse(0)
                <= over.most())
        .findFirst()
        .orElse(0);
  }
}
