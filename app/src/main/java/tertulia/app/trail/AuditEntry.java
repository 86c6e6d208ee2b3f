package tertulia.app.trail;

import java.time.Instant;
import java.util.List;

/**
 * What somebody did in one go.
 *
 * @param revision number of the stored revision
 * @param who their name; "the program" if nobody was signed in
 * @param what in sentences without a full stop, in the order of the tables
 * @param undoable whether the question as it was before can be put back
 */
public record AuditEntry(
    int revision, Instant at, String who, List<String> what, boolean undoable) {
  public AuditEntry {
    what = List.copyOf(what);
  }
}
