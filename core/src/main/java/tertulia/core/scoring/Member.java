package tertulia.core.scoring;

import static java.util.Objects.requireNonNull;

import java.math.BigDecimal;
import java.util.Map;

/**
 * One person at the table.
 *
 * @param share how much this person's view counts, 0 to 100; at 0 it is left out
 * @param weighing what this person says matters more
 * @param marks by criterion id and contender id
 * @param handedIn whether this person has shown the others their view
 */
public record Member(
    String id,
    String name,
    int share,
    Weighing weighing,
    Map<String, Map<String, Mark>> marks,
    boolean handedIn) {
  public Member {
    requireNonNull(id);
    requireNonNull(name);
    requireNonNull(weighing);
    marks = Map.copyOf(marks);
    if (share < 0 || share > 100) {
      throw new IllegalArgumentException(
          "A member's share lies between 0 and 100; found " + share + " for " + name + ".");
    }
  }

  /** Somebody who weighs by points and whose view everybody may see. */
  public Member(
      String id,
      String name,
      int share,
      Map<String, Integer> points,
      Map<String, Map<String, Mark>> marks) {
    this(id, name, share, new Weighing.Points(points), marks, true);
  }

  /** Whether this person's view is kept from the reader: then nothing of it is here. */
  public boolean isWithheld() {
    return weighing instanceof Weighing.Withheld;
  }

  /** What is left of it for a reader who may not see this person's view yet. */
  public Member withheld(boolean weighed, int marksLeft) {
    return new Member(
        id, name, share, new Weighing.Withheld(weighed, marksLeft), Map.of(), handedIn);
  }

  /** The share as a weight among members; see {@link Panel#shareOf}. */
  BigDecimal shareWeight() {
    return BigDecimal.valueOf(share);
  }
}
