package tertulia.core.finding;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import tertulia.core.evaluation.Selection;
import tertulia.core.scoring.Member;

/**
 * What there is to say of who has shown the others their view.
 *
 * @param seats in the order they sit
 * @param openedBy who let everybody see every view; empty: nobody did
 * @param ownFirst whether each sees the others' views only once their own is shown
 */
public record ViewFindings(List<Seat> seats, Optional<String> openedBy, boolean ownFirst) {
  public ViewFindings {
    seats = List.copyOf(seats);
  }

  /**
   * A seat as its reader knows it.
   *
   * @param handedIn when its view was shown; empty: not by a person's own act
   * @param shown whether the others may see its view
   * @param withheld whether its view is kept from the reader
   * @param changed names of the criteria under which something was entered after its view was shown
   */
  public record Seat(
      String name,
      Optional<LocalDate> handedIn,
      boolean shown,
      boolean withheld,
      List<String> changed) {
    public Seat {
      changed = List.copyOf(changed);
    }
  }

  /**
   * Whoever reads.
   *
   * @param seat empty without one
   * @param weighs whether they may weigh and mark
   * @param organises whether they organise the table
   * @param entered whether they have weighed or marked anything
   * @param marksLeft marks they have not given; 0 without a seat
   */
  public record Reader(
      Optional<Seat> seat, boolean weighs, boolean organises, boolean entered, int marksLeft) {}

  /** What is said to a reader; nothing if everybody may see everything and nobody wonders. */
  public List<ViewFinding> of(Reader reader) {
    List<ViewFinding> said = new ArrayList<>();
    openedBy.filter(by -> seats.size() > 1).map(ViewFinding.OpenedTable::new).ifPresent(said::add);
    if (!ownFirst) {
      said.addAll(changed());
      return said;
    }
    own(reader).ifPresent(said::add);
    List<String> missing = missing(reader);
    if (!missing.isEmpty()) {
      said.add(new ViewFinding.ViewsMissing(missing));
    }
    List<String> withheld = seats.stream().filter(Seat::withheld).map(Seat::name).toList();
    if (!withheld.isEmpty()) {
      said.add(new ViewFinding.ViewsLeftOut(withheld));
    }
    said.addAll(changed());
    return said;
  }

  /** Of each whose view the reader sees: what they entered once they could see others'. */
  private List<ViewFinding> changed() {
    return seats.stream()
        .filter(seat -> !seat.withheld() && !seat.changed().isEmpty())
        .flatMap(seat ->
            seat.handedIn().stream()
                .<ViewFinding>map(
                    day -> new ViewFinding.ChangedSince(seat.name(), day, seat.changed())))
        .toList();
  }

  private Optional<ViewFinding> own(Reader reader) {
    Optional<LocalDate> shown = reader.seat().flatMap(Seat::handedIn);
    if (shown.isPresent()) {
      return shown.map(ViewFinding.OwnViewShown::new);
    }
    if (seats.size() == 1 && reader.seat().isPresent()) {
      return Optional.of(new ViewFinding.AloneAtTheTable());
    }
    return reader.weighs()
        ? Optional.of(new ViewFinding.OwnViewFirst(reader.marksLeft()))
        : Optional.empty();
  }

  private List<String> missing(Reader reader) {
    return seats.stream()
        .filter(seat -> !Optional.of(seat).equals(reader.seat()) && !seat.shown())
        .map(Seat::name)
        .toList();
  }

  /** Whether a reader may show their view now: there is something to show. */
  public boolean handsIn(Reader reader) {
    return ownFirst
        && reader.weighs()
        && reader.entered()
        && reader.seat().filter(seat -> seat.handedIn().isEmpty()).isPresent();
  }

  /** Whether a reader may open the table now: some view is not shown. */
  public boolean opens(Reader reader) {
    boolean own = reader.seat().filter(seat -> seat.handedIn().isEmpty()).isPresent();
    return ownFirst && reader.organises() && (own || !missing(reader).isEmpty());
  }

  /** What a member is reminded of. */
  public static ViewFinding.ViewAskedFor asked(Selection selection, Member member, String by) {
    return new ViewFinding.ViewAskedFor(
        by,
        selection.title(),
        !Progress.hasWeighed(selection, member),
        Progress.marksLeft(selection, member));
  }
}
