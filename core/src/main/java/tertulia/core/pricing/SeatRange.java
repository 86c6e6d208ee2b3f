package tertulia.core.pricing;

import static java.util.Objects.requireNonNull;

import java.util.OptionalInt;
import org.jspecify.annotations.Nullable;
import tertulia.core.growth.Measure;

/**
 * The units a plan is sold for. The lower end is a minimum to pay for, the upper end a cap.
 *
 * @param least 0 to 1,000,000
 * @param most null: no cap
 */
public record SeatRange(Measure measure, int least, @Nullable Integer most) {
  public static final SeatRange ANY = new SeatRange(Measure.SEATS, 0, null);

  public SeatRange {
    requireNonNull(measure);
    if (least < 0 || least > 1_000_000) {
      throw new IllegalArgumentException(
          "The least number of "
              + measure.label()
              + " lies between 0 and 1,000,000; found "
              + least
              + ".");
    }
    if (most != null && (most < 1 || most < least || most > 1_000_000)) {
      throw new IllegalArgumentException(
          "The most "
              + measure.label()
              + " of a plan is at least 1 and not below the least ("
              + least
              + "); found "
              + most
              + ". Leave it empty if there is no cap.");
    }
  }

  public OptionalInt cap() {
    return most == null ? OptionalInt.empty() : OptionalInt.of(most);
  }
}
