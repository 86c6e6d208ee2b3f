package tertulia.app.selection;

import java.time.LocalDate;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.people.SignedIn;
import tertulia.core.evaluation.Selection;
import tertulia.core.remark.Remark;
import tertulia.core.scoring.Member;

/**
 * One selection as stored, with everybody's weights and marks.
 *
 * @param version the version its brief was read at
 * @param selection what is read, perhaps without what somebody with an interest said
 * @param entered with all that was entered
 * @param seats who sits at the table, in the order of the panel's members
 * @param remarks what was said at it and the reader may read, oldest first
 * @param remarksKept how many remarks there are that the reader may not read yet
 * @param proofs pictures the reader may see, oldest first
 * @param openedBy who let everybody see everybody's view; null: each sees their own first
 */
public record LoadedSelection(
    long id,
    long version,
    boolean decided,
    SelectionFile file,
    Selection selection,
    Selection entered,
    List<Seat> seats,
    List<Remark> remarks,
    int remarksKept,
    List<Proof> proofs,
    @Nullable String openedBy,
    PutAway putAway) {

  /**
   * Somebody at the table; without an account if read from a file.
   *
   * @param competence what this person knows about; may be empty
   */
  public record Seat(
      long memberId,
      @Nullable Long accountId,
      String name,
      int share,
      @Nullable LocalDate handedIn,
      String competence) {
    /** Whether the others may see this view once they have handed in theirs. */
    public boolean isShown() {
      return handedIn != null || accountId == null;
    }
  }

  /** The pictures beside one thing that the reader may see. */
  public List<Proof> proofs(String about) {
    return proofs.stream().filter(proof -> proof.about().equals(about)).toList();
  }

  /** What somebody at the table knows about; empty if nobody has said. */
  public String competence(String name) {
    return seats.stream()
        .filter(seat -> seat.name().equals(name))
        .map(Seat::competence)
        .findFirst()
        .orElse("");
  }

  /** Whether each sees only their own view until it is handed in. */
  public boolean isOwnViewFirst() {
    return openedBy == null && !decided && !seats.isEmpty();
  }

  /** Those whose view the reader may not see yet. */
  public List<String> withheld() {
    return selection.panel().members().stream()
        .filter(Member::isWithheld)
        .map(Member::name)
        .toList();
  }

  /** The seat of whoever is signed in; empty if this person has none. */
  public Optional<Seat> seat(SignedIn person) {
    return seats.stream().filter(s -> Objects.equals(s.accountId(), person.id())).findFirst();
  }

  /** What the person who is signed in entered; empty without a seat. */
  public Optional<SelectionFile.MemberPart> part(SignedIn person) {
    for (int i = 0; i < seats.size(); i++) {
      if (Objects.equals(seats.get(i).accountId(), person.id())) {
        return Optional.of(file.panel().get(i));
      }
    }
    return Optional.empty();
  }

  /** The seated member who is signed in; empty if this person has not weighed or marked yet. */
  public Optional<Member> member(SignedIn person) {
    for (int i = 0; i < seats.size(); i++) {
      if (Objects.equals(seats.get(i).accountId(), person.id())) {
        return Optional.of(entered.panel().members().get(i));
      }
    }
    return Optional.empty();
  }
}
