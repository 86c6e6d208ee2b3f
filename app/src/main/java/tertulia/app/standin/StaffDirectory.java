package tertulia.app.standin;

import java.time.YearMonth;
import java.util.List;

/** Where it is known how many people there really were. */
public interface StaffDirectory {
  /** So many people were in a group in a month. */
  record Count(String group, YearMonth month, int people) {}

  /** Every count of months before {@code month}, by group and month. */
  List<Count> countedBefore(YearMonth month);

  /** Who says so, as the reader is told; empty if nothing is connected. */
  String source();

  /** Whether anything is connected. */
  default boolean isConnected() {
    return !source().isEmpty();
  }
}
