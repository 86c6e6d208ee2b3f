package tertulia.app.weighing;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import tertulia.app.display.ViewWords;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.selection.LoadedSelection;
import tertulia.app.workspace.Session;
import tertulia.core.finding.Progress;
import tertulia.core.finding.ViewFindings;
import tertulia.core.scoring.Criterion;

/**
 * Who has shown the others their view, as the reader may know it, and who changed it afterwards.
 *
 * @param says sentences; none if everybody may see everything and nobody wonders
 * @param handsIn whether the reader may show theirs now
 * @param opens whether the reader may open the table now
 */
record ViewsView(List<String> says, boolean handsIn, boolean opens) {
  static ViewsView of(Session session, Map<Long, Set<String>> changed) {
    LoadedSelection table = session.table();
    List<ViewFindings.Seat> seats =
        IntStream.range(0, table.seats().size())
            .mapToObj(i ->
                seat(table, i, changed.getOrDefault(table.seats().get(i).memberId(), Set.of())))
            .toList();
    ViewFindings findings =
        new ViewFindings(
            seats,
            Optional.ofNullable(table.openedBy()).filter(by -> !by.isEmpty()),
            table.isOwnViewFirst());
    ViewFindings.Reader reader =
        new ViewFindings.Reader(
            table.seat(session.person()).map(seat -> seats.get(table.seats().indexOf(seat))),
            session.person().weighs(),
            session.person().organises(),
            table.part(session.person()).filter(SelectionFile.MemberPart::anything).isPresent(),
            table
                .member(session.person())
                .map(member -> Progress.marksLeft(table.selection(), member))
                .orElse(0));
    return new ViewsView(
        findings.of(reader).stream().map(ViewWords::of).toList(),
        findings.handsIn(reader),
        findings.opens(reader));
  }

  private static ViewFindings.Seat seat(LoadedSelection table, int place, Set<String> changed) {
    LoadedSelection.Seat seat = table.seats().get(place);
    return new ViewFindings.Seat(
        seat.name(),
        Optional.ofNullable(seat.handedIn()),
        seat.isShown(),
        table.selection().panel().members().get(place).isWithheld(),
        table.selection().criteria().stream()
            .filter(criterion -> changed.contains(criterion.id()))
            .map(Criterion::name)
            .toList());
  }
}
