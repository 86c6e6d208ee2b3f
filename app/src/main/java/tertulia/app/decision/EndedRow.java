package tertulia.app.decision;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.data.jpa.repository.JpaRepository;
import tertulia.app.exchange.SelectionFile;

/** Storage of a proposal that did not come to a signature; it is never changed. */
@Entity
@Table(name = "decision_ended")
class EndedRow {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  @Nullable Long id;

  long selectionId;
  String what = "";
  String choice = "";
  String planOption = "";
  String reasons = "";
  String givenUp = "";
  String proposedBy = "";
  Instant proposedAt = Instant.EPOCH;
  String endedBy = "";
  Instant endedAt = Instant.EPOCH;
  String reason = "";

  interface All extends JpaRepository<EndedRow, Long> {
    List<EndedRow> findBySelectionIdOrderById(long selectionId);

    long countBySelectionId(long selectionId);
  }

  static EndedRow of(long selectionId, SelectionFile.EndedPart part) {
    EndedRow row = new EndedRow();
    row.selectionId = selectionId;
    row.what = part.what();
    row.choice = part.choice();
    row.planOption = part.option();
    row.reasons = part.reasons();
    row.givenUp = part.givenUp();
    row.proposedBy = part.proposedBy();
    row.proposedAt = Instant.parse(part.proposedAt());
    row.endedBy = part.by();
    row.endedAt = Instant.parse(part.at());
    row.reason = part.reason();
    return row;
  }

  SelectionFile.EndedPart part() {
    return new SelectionFile.EndedPart(
        choice,
        planOption,
        reasons,
        givenUp,
        proposedBy,
        proposedAt.toString(),
        what,
        endedBy,
        endedAt.toString(),
        reason);
  }
}
