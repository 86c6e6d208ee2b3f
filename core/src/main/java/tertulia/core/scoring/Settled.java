package tertulia.core.scoring;

import static java.util.Objects.requireNonNull;

import java.math.BigDecimal;

/**
 * A mark that the table settled together; it counts in place of what each gave, which stays.
 *
 * @param points 0 to 10
 * @param reason why, in a sentence; not empty
 */
public record Settled(String criterion, String contender, BigDecimal points, String reason) {
  public Settled {
    requireNonNull(criterion);
    requireNonNull(contender);
    if (points.signum() < 0 || points.compareTo(BigDecimal.TEN) > 0) {
      throw new IllegalArgumentException(
          "A mark lies between 0 and 10; found " + points.toPlainString() + ".");
    }
    if (reason.isBlank()) {
      throw new IllegalArgumentException(
          "Say why the panel agrees on this mark; the reason stays beside it.");
    }
  }
}
