package tertulia.app.trail;

import java.time.Instant;
import java.util.List;

/**
 * What somebody did within a minute.
 *
 * @param at when they began
 * @param who their name; "the program" if nobody was signed in
 * @param what in the order in which it was done
 */
public record TrailEntry(Instant at, String who, List<Line> what) {
  public TrailEntry {
    what = List.copyOf(what);
  }

  /**
   * One thing.
   *
   * @param act its number
   * @param text without a full stop
   * @param undoable whether the question as it was before can be put back; of several lines of an
   *     act the first
   */
  public record Line(long act, String text, boolean undoable) {}
}
