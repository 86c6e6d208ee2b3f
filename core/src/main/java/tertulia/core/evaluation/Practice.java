package tertulia.core.evaluation;

import static java.util.Objects.requireNonNull;

import tertulia.core.billing.Leaving;
import tertulia.core.labour.Labour;

/**
 * How the buyer works.
 *
 * @param leaving what becomes of a committed term that is left early
 * @param labour what people's time costs
 */
public record Practice(Leaving leaving, Labour labour) {
  /** Left terms are credited; nothing is said of people's time. */
  public static final Practice STANDARD = new Practice(Leaving.CREDITED, Labour.UNSTATED);

  public Practice {
    requireNonNull(leaving);
    requireNonNull(labour);
  }
}
