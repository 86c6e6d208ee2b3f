package tertulia.app.store;

import com.zaxxer.hikari.SQLExceptionOverride;
import java.sql.SQLException;
import java.util.Set;

/**
 * A connection to a store that closed itself, as it does when the disk does not take a write, is of
 * no use any more: the next one opens the store anew, so that nobody has to start the server again.
 */
public final class ClosedStore implements SQLExceptionOverride {
  /** H2's codes: input or output failed, the database is closed, or called while closing. */
  private static final Set<Integer> CODES = Set.of(90028, 90031, 90098, 90121);

  @java.lang.Override
  public Override adjudicate(SQLException e) {
    return CODES.contains(e.getErrorCode()) ? Override.MUST_EVICT : Override.CONTINUE_EVICT;
  }
}
