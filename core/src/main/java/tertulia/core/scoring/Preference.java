package tertulia.core.scoring;

import static java.util.Objects.requireNonNull;

/**
 * One criterion matters so many times as much as another, to one person.
 *
 * @param more id of the criterion that matters more; either at 1
 * @param less id of the other
 * @param times 1 (equally) to 9, the scale of Saaty 1980
 */
public record Preference(String more, String less, int times) {
  public static final int MOST = 9;

  public Preference {
    requireNonNull(more);
    requireNonNull(less);
    if (more.equals(less)) {
      throw new IllegalArgumentException(
          "A criterion is compared with another, not with itself: \"" + more + "\".");
    }
    if (times < 1 || times > MOST) {
      throw new IllegalArgumentException(
          "One matters 1 to 9 times as much as another; found " + times + ".");
    }
  }

  /** Whether it compares these two, in either order. */
  public boolean isBetween(String one, String other) {
    return more.equals(one) && less.equals(other) || more.equals(other) && less.equals(one);
  }

  /** How many times as much one of its two matters as the other. */
  double of(String criterion) {
    return more.equals(criterion) ? times : 1.0 / times;
  }
}
