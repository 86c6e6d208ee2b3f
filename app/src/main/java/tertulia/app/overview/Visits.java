package tertulia.app.overview;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Who looked at which selection when, so that it can be said what changed since. */
@Service
class Visits {
  /** Looking again after so long is another visit. */
  private static final Duration APART = Duration.ofMinutes(30);

  /** Within a visit it is written down again no sooner than after this. */
  private static final Duration SELDOM = Duration.ofMinutes(5);

  private final VisitRow.All rows;
  private final Clock clock;

  Visits(VisitRow.All rows, Clock clock) {
    this.rows = rows;
    this.clock = clock;
  }

  /** Notes that somebody looks; when they had looked before this visit, if they had. */
  @Transactional
  Optional<Instant> note(long selection, long account) {
    Instant now = clock.instant();
    Optional<VisitRow> stored = rows.findBySelectionIdAndAccountId(selection, account);
    VisitRow row = stored.orElseGet(VisitRow::new);
    if (stored.isEmpty()) {
      row.selectionId = selection;
      row.accountId = account;
      row.seenAt = now;
      rows.save(row);
    } else if (row.seenAt.plus(APART).isBefore(now)) {
      row.beforeAt = row.seenAt;
      row.seenAt = now;
    } else if (row.seenAt.plus(SELDOM).isBefore(now)) {
      row.seenAt = now;
    }
    return Optional.ofNullable(row.beforeAt);
  }
}
