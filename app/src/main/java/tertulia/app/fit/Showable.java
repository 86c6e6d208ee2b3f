package tertulia.app.fit;

import java.util.List;
import tertulia.app.selection.Proof;
import tertulia.app.workspace.Session;

/**
 * A fact beside which somebody may put a picture.
 *
 * @param code what the picture is said to be about
 */
record Showable(String code, String words) {
  /** Those of everybody who is at the table; none while nothing is needed. */
  static List<Showable> of(Session session) {
    return session.columns().stream()
        .flatMap(contender ->
            session.table().selection().needs().stream()
                .map(need ->
                    new Showable(
                        Proof.ofFact(need.capability().id(), contender.id()),
                        contender.tool().name() + " · " + need.capability().name())))
        .toList();
  }
}
