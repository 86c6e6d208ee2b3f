package tertulia.core.evaluation;

import static java.util.Objects.requireNonNull;

import java.util.List;
import tertulia.core.billing.EarlyTerminationPolicy;
import tertulia.core.fit.QuantityCover;
import tertulia.core.labour.Labour;

/**
 * How the buyer works.
 *
 * @param leaving what becomes of a committed term that is left early
 * @param labour what people's time costs
 * @param covers where the buyer gets more of a quantity than a plan allows, at most one a measure
 */
public record BuyingPolicy(
    EarlyTerminationPolicy leaving, Labour labour, List<QuantityCover> covers) {
  /** Left terms are credited; nothing is said of people's time. */
  public static final BuyingPolicy STANDARD =
      new BuyingPolicy(EarlyTerminationPolicy.CREDITED, Labour.UNSTATED);

  public BuyingPolicy {
    requireNonNull(leaving);
    requireNonNull(labour);
    covers = List.copyOf(covers);
    long measures = covers.stream().map(QuantityCover::measure).distinct().count();
    if (measures < covers.size()) {
      throw new IllegalArgumentException(
          "A quantity is covered outside by one thing. Put two of them together.");
    }
  }

  /** Nothing is had elsewhere. */
  public BuyingPolicy(EarlyTerminationPolicy leaving, Labour labour) {
    this(leaving, labour, List.of());
  }
}
