package tertulia.app.growth;

import java.time.Clock;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tertulia.app.display.Dates;
import tertulia.app.exchange.DocumentFormat;
import tertulia.app.exchange.Json;
import tertulia.app.standin.StaffDirectory;
import tertulia.app.web.Conflict;

/** How many people there really were: what a file said, and what a staff directory says. */
@Service
class Headcounts {
  private static final DocumentFormat<Register> TABLE =
      new DocumentFormat<>("table of headcounts", Register.class, List.of());

  private static final long NONE = -1;
  private static final String WHAT = "what was counted";

  private final HeadcountsRows rows;
  private final StaffDirectory directory;
  private final Clock clock;

  Headcounts(HeadcountsRows rows, StaffDirectory directory, Clock clock) {
    this.rows = rows;
    this.directory = directory;
    this.clock = clock;
  }

  /** Counts as they are stored. */
  record Register(List<Entry> counts) {}

  /** A count as it is stored. */
  record Entry(String group, String month, int people) {}

  /**
   * What is known.
   *
   * @param counts of months before this one; of two for one group and month the file's
   * @param source who says so; empty if nobody does
   * @param canUndo whether the last file can be taken back
   * @param version of what files said; −1 if none was read
   */
  record Known(List<StaffDirectory.Count> counts, String source, boolean canUndo, long version) {}

  @Transactional(readOnly = true)
  public Known known() {
    YearMonth now = YearMonth.now(clock);
    Map<List<Object>, StaffDirectory.Count> counts = new LinkedHashMap<>();
    List<String> sources = new ArrayList<>();
    if (directory.isConnected()) {
      sources.add("the " + directory.source());
      directory.countedBefore(now).forEach(c -> counts.put(List.of(c.group(), c.month()), c));
    }
    Optional<HeadcountsRow> row = rows.findById(HeadcountsRow.ONLY);
    List<StaffDirectory.Count> read = row.map(Headcounts::counts).orElse(List.of());
    if (!read.isEmpty()) {
      HeadcountsRow from = row.orElseThrow();
      sources.add(
          "a table that "
              + from.notedBy
              + " imported on "
              + Dates.day(LocalDate.ofInstant(from.notedAt, clock.getZone())));
      read.stream()
          .filter(c -> c.month().isBefore(now))
          .forEach(c -> counts.put(List.of(c.group(), c.month()), c));
    }
    return new Known(
        List.copyOf(counts.values()),
        String.join(" and ", sources),
        row.map(stored -> stored.replaced != null).orElse(false),
        row.map(stored -> stored.version).orElse(NONE));
  }

  private static List<StaffDirectory.Count> counts(HeadcountsRow row) {
    return TABLE.read(row.counts, row.format).counts().stream()
        .map(e -> new StaffDirectory.Count(e.group(), YearMonth.parse(e.month()), e.people()))
        .toList();
  }

  /**
   * Puts counts in the place of those read before.
   *
   * @param version as known when they were looked at
   * @throws Conflict if others were read since
   */
  @Transactional
  public void replace(long version, List<StaffDirectory.Count> counts, String by) {
    Optional<HeadcountsRow> stored = rows.findById(HeadcountsRow.ONLY);
    Conflict.unlessAt(version, stored.map(r -> r.version).orElse(NONE), WHAT);
    HeadcountsRow row = stored.orElseGet(HeadcountsRow::new);
    row.replaced = Json.write(TABLE.read(row.counts, row.format));
    row.counts =
        Json.write(
            new Register(
                counts.stream()
                    .map(c -> new Entry(c.group(), c.month().toString(), c.people()))
                    .toList()));
    row.format = TABLE.version();
    note(row, by);
    rows.save(row);
  }

  /**
   * Takes the last file back; doing it again brings it back.
   *
   * @param version as known when it was looked at
   * @throws Conflict if another was read since, or there is nothing to take back
   */
  @Transactional
  public void undo(long version, String by) {
    HeadcountsRow row =
        rows.findById(HeadcountsRow.ONLY)
            .filter(stored -> stored.replaced != null)
            .orElseThrow(() -> new Conflict("There are no headcounts to undo."));
    Conflict.unlessAt(version, row.version, WHAT);
    String before = Objects.requireNonNull(row.replaced);
    row.replaced = row.counts;
    row.counts = before;
    note(row, by);
  }

  private void note(HeadcountsRow row, String by) {
    row.notedBy = by;
    row.notedAt = clock.instant();
  }
}
