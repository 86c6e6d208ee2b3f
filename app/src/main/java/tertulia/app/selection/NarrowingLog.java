package tertulia.app.selection;

import java.time.Clock;
import java.time.temporal.ChronoUnit;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.Limits;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.web.Conflict;

/** Writes down how lists of contenders were narrowed; what is written is never changed. */
@Component
class NarrowingLog {
  private final Rows.Narrowings rows;
  private final Clock clock;

  NarrowingLog(Rows.Narrowings rows, Clock clock) {
    this.rows = rows;
    this.clock = clock;
  }

  /** The acts on selections' lists by selection, oldest first; nothing for one without any. */
  Map<Long, List<SelectionFile.LogPart>> of(Collection<Long> selections) {
    return rows.findBySelectionIdInOrderById(selections).stream()
        .collect(
            Collectors.groupingBy(
                row -> row.selectionId,
                Collectors.mapping(
                    row ->
                        new SelectionFile.LogPart(
                            row.notedAt.toString(),
                            row.notedBy,
                            row.what,
                            row.contender,
                            row.reason),
                    Collectors.toList())));
  }

  /**
   * Notes what somebody did just now.
   *
   * @param what as {@link SelectionFile.LogPart#what()} has it
   * @param reason why it was set aside; null otherwise
   */
  void note(long selection, String by, String what, String tool, @Nullable String reason) {
    String now = clock.instant().truncatedTo(ChronoUnit.SECONDS).toString();
    note(selection, new SelectionFile.LogPart(now, by, what, tool, reason));
  }

  /**
   * Notes what was done elsewhere or before.
   *
   * @throws Conflict if as much is noted already as is kept
   */
  void note(long selection, SelectionFile.LogPart part) {
    if (rows.countBySelectionId(selection) >= Limits.ACTS) {
      throw new Conflict(
          "The list of this selection was changed "
              + Limits.ACTS
              + " times, and no more is kept. Take its file and begin again from it with an empty"
              + " log.");
    }
    NarrowingRow row = new NarrowingRow();
    row.selectionId = selection;
    row.notedAt = Codes.instant(part.at());
    row.notedBy = part.who();
    row.what = part.what();
    row.contender = part.contender();
    row.reason = part.reason();
    rows.save(row);
  }
}
