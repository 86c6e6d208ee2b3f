package tertulia.app.weighing;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import tertulia.app.display.Dates;
import tertulia.app.selection.Table;
import tertulia.app.workspace.Workspace;
import tertulia.core.finding.Progress;

/**
 * Who has shown the others their view, as the reader may know it.
 *
 * @param says sentences; none if everybody may see everything and nobody wonders
 * @param handsIn whether the reader may show theirs now
 * @param opens whether the reader may open the table now
 */
record ViewsView(List<String> says, boolean handsIn, boolean opens) {
  static ViewsView of(Workspace.Session session) {
    Table table = session.table();
    List<String> says = new ArrayList<>();
    if (table.openedBy() != null && !table.openedBy().isEmpty() && table.seats().size() > 1) {
      says.add("Everybody sees every view: " + table.openedBy() + " opened the table.");
    }
    if (!table.isOwnViewFirst()) {
      return new ViewsView(says, false, false);
    }
    Optional<Table.Seat> own = table.seat(session.person());
    boolean weighs = session.person().weighs();
    Optional<LocalDate> shown = own.map(Table.Seat::handedIn);
    List<String> others =
        table.seats().stream()
            .filter(seat -> !seat.equals(own.orElse(null)) && !seat.isShown())
            .map(Table.Seat::name)
            .toList();
    if (shown.isPresent()) {
      says.add("You handed in your view on " + Dates.day(shown.get()) + ".");
    } else if (table.seats().size() == 1 && own.isPresent()) {
      says.add("Only you have a seat. Others see what you weigh and mark once you hand it in.");
    } else if (weighs) {
      says.add(
          "Own view first: what others weigh and mark you see once you have handed in yours, so"
              + " that the first voice does not lead the rest.");
      left(session, own).ifPresent(says::add);
    }
    if (!others.isEmpty()) {
      says.add("Not handed in yet: " + String.join(", ", others) + ".");
    }
    if (!table.withheld().isEmpty()) {
      says.add("Not in these figures: " + String.join(", ", table.withheld()) + ".");
    }
    return new ViewsView(
        says,
        weighs && own.isPresent() && shown.isEmpty(),
        session.person().organises() && (!others.isEmpty() || shown.isEmpty() && own.isPresent()));
  }

  private static Optional<String> left(Workspace.Session session, Optional<Table.Seat> own) {
    if (own.isEmpty()) {
      return Optional.empty();
    }
    return session
        .table()
        .member(session.person())
        .map(member -> Progress.marksLeft(session.table().selection(), member))
        .filter(left -> left > 0)
        .map(left -> left == 1 ? "One mark is still open." : left + " marks are still open.");
  }
}
