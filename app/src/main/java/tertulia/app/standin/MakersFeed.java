package tertulia.app.standin;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** Where makers announce that their prices change. */
public interface MakersFeed {
  /** Everything announced on or before {@code day}, oldest first. */
  List<Announcement> announced(LocalDate day);

  /** Who says so, as the reader is told; empty if nothing is connected. */
  String source();

  /** Whether anything is connected. */
  default boolean isConnected() {
    return !source().isEmpty();
  }

  /**
   * A maker's announcement.
   *
   * @param id stays the same for ever
   * @param tool id of the tool
   * @param on when it was announced
   * @param holdsFrom the day from which the new prices hold
   * @param words what the maker says
   */
  record Announcement(
      String id, String tool, LocalDate on, LocalDate holdsFrom, String words, List<Edit> edits) {
    public Announcement {
      edits = List.copyOf(edits);
    }
  }

  /**
   * One price that changes.
   *
   * @param plan id of the plan
   * @param term months committed, and whether paid up front
   * @param charge name of the charge, of the plan or of one of its add-ons
   * @param before the price so far, as the maker states it
   * @param after null: the charge is no longer sold
   */
  record Edit(String plan, String term, String charge, String before, @Nullable String after) {}
}
