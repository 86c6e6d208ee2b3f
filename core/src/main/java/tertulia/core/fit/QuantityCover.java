package tertulia.core.fit;

import static java.util.Objects.requireNonNull;

import java.math.BigDecimal;
import tertulia.core.growth.Measure;
import tertulia.core.pricing.ExternalCover;

/**
 * Where the buyer gets what goes beyond a plan's allowance, or all of it where it is not known that
 * the plan allows any. It is paid for in the months in which it is needed.
 *
 * @param upTo units beyond the allowance, above 0, at most 1,000,000
 * @param outside what it is and costs a month
 */
public record QuantityCover(Measure measure, BigDecimal upTo, ExternalCover outside) {
  private static final BigDecimal MOST = BigDecimal.valueOf(1_000_000);

  public QuantityCover {
    requireNonNull(outside);
    if (measure.isPeople()) {
      throw new IllegalArgumentException(
          "People have a seat or none: " + measure.label() + " cannot be covered outside.");
    }
    if (upTo.signum() <= 0 || upTo.compareTo(MOST) > 0) {
      throw new IllegalArgumentException(
          "Up to how many "
              + measure.label()
              + " are covered outside? Write a number above 0, at most 1,000,000; found "
              + upTo.toPlainString()
              + ".");
    }
  }

  /** Whether it makes up for what is used beyond what a plan allows. */
  boolean bridges(BigDecimal used, BigDecimal allowed) {
    return used.compareTo(allowed) > 0 && used.compareTo(allowed.add(upTo)) <= 0;
  }
}
