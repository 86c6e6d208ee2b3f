package tertulia.core.working;

import java.util.Comparator;

/** Why one of two sources of the same fact is in force. */
public enum Precedence {
  STRONGER_GROUND,
  NEWER,
  FIRST_LISTED;

  /** The one in force first; sources that are equal keep the order in which they are listed. */
  public static final Comparator<Provenance> ORDER =
      Comparator.comparing((Provenance source) -> source.ground().rank())
          .thenComparing(Provenance::asOf, Comparator.reverseOrder());

  /** Why {@code first}, which is listed before {@code second} or goes before it, is in force. */
  public static Precedence of(Provenance first, Provenance second) {
    if (first.ground().rank() != second.ground().rank()) {
      return STRONGER_GROUND;
    }
    return first.asOf().equals(second.asOf()) ? FIRST_LISTED : NEWER;
  }
}
