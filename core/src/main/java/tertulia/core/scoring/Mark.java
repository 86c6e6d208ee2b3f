package tertulia.core.scoring;

import java.math.BigDecimal;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * One person's mark for one contender under one judged criterion.
 *
 * @param points 0 to 10; null: the person cannot judge
 * @param note why, in the person's words; may be empty
 */
public record Mark(@Nullable BigDecimal points, String note) {
  public Mark {
    if (points != null && (points.signum() < 0 || points.compareTo(BigDecimal.TEN) > 0)) {
      throw new IllegalArgumentException(
          "A mark lies between 0 and 10; found " + points.toPlainString() + ".");
    }
  }

  public static Mark of(int points) {
    return new Mark(BigDecimal.valueOf(points), "");
  }

  public Optional<BigDecimal> given() {
    return Optional.ofNullable(points);
  }
}
