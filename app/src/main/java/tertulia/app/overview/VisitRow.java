package tertulia.app.overview;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.data.jpa.repository.JpaRepository;

/** When somebody looked at a selection last, and when before that. */
@Entity
@Table(name = "visit")
class VisitRow {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  @Nullable Long id;

  long selectionId;
  long accountId;
  Instant seenAt = Instant.EPOCH;

  /** The end of the visit before this one; null: this is the first. */
  @Nullable Instant beforeAt;

  interface All extends JpaRepository<VisitRow, Long> {
    Optional<VisitRow> findBySelectionIdAndAccountId(long selectionId, long accountId);
  }
}
