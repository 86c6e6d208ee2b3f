package tertulia.app.demo;

import java.util.List;
import java.util.Map;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import tertulia.app.exchange.Brief;
import tertulia.app.exchange.ProvisoPart;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.exchange.ToolSheet;

/**
 * A selection of the demonstration; its tools are those of the catalogue.
 *
 * @param decision as it was agreed; null while the selection is open
 */
record Story(Seed selection, @Nullable Agreed decision) {

  /** What is chosen, among whom, by whom. */
  record Seed(Brief brief, List<Seat> contenders, List<SelectionFile.MemberPart> panel) {}

  /** A tool of the catalogue at the table. */
  record Seat(
      String tool,
      @Nullable String setAside,
      SelectionFile.@Nullable EffortPart effort,
      @Nullable List<SelectionFile.PlanAsidePart> plansAside,
      @Nullable List<SelectionFile.NotNeededPart> notNeeded,
      @Nullable Boolean asToday,
      @Nullable Map<String, String> inUse) {}

  /** What a maker announces, as somebody put it down. */
  record News(String tool, String on, String holdsFrom, String says, String by, ToolSheet sheet) {}

  /** A decision that was agreed before the demonstration begins. */
  record Agreed(
      String choice,
      String pagesOf,
      String proposedBy,
      String proposedAt,
      String signedBy,
      String signedAt,
      String reasons,
      String givenUp,
      String conditions,
      String lookAgain,
      String despite,
      List<ProvisoPart> holdsWhile) {}

  /** The selection as a portable file. */
  SelectionFile file(Function<String, ToolSheet> sheets) {
    return new SelectionFile(
        SelectionFile.FORMAT,
        SelectionFile.VERSION,
        selection.brief(),
        selection.contenders().stream()
            .map(seat ->
                new SelectionFile.ContenderPart(
                    sheets.apply(seat.tool()),
                    seat.setAside(),
                    seat.effort(),
                    seat.plansAside(),
                    seat.notNeeded(),
                    seat.asToday(),
                    seat.inUse()))
            .toList(),
        selection.panel(),
        null);
  }
}
