package tertulia.app.selection;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

/** Storage of one act by which a list of contenders became another; never changed. */
@Entity
@Table(name = "narrowing")
class NarrowingRow {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  @Nullable Long id;

  long selectionId;
  Instant notedAt = Instant.EPOCH;
  String notedBy = "";

  /** As {@link tertulia.app.exchange.SelectionFile.LogPart#what()} has it. */
  String what = "";

  String contender = "";
  @Nullable String reason;
}
