package tertulia.app.selection;

import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.people.SignedIn;
import tertulia.core.evaluation.Selection;
import tertulia.core.scoring.Member;

/**
 * One selection as stored, with everybody's weights and marks.
 *
 * @param version the version its brief was read at
 * @param seats who sits at the table, in the order of the panel's members
 */
public record Table(
    long id,
    long version,
    boolean decided,
    SelectionFile file,
    Selection selection,
    List<Seat> seats,
    PutAway putAway) {

  /** Somebody at the table; without an account if read from a file. */
  public record Seat(long memberId, @Nullable Long accountId, String name, int share) {}

  /** The seated member who is signed in; empty if this person has not weighed or marked yet. */
  public Optional<Member> member(SignedIn person) {
    for (int i = 0; i < seats.size(); i++) {
      if (Objects.equals(seats.get(i).accountId(), person.id())) {
        return Optional.of(selection.panel().members().get(i));
      }
    }
    return Optional.empty();
  }
}
