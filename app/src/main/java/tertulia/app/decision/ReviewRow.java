package tertulia.app.decision;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.springframework.data.jpa.repository.JpaRepository;
import tertulia.core.decision.Proposal;
import tertulia.core.decision.Review;
import tertulia.core.decision.Signatory;

/** Storage of what came of looking again; it is never changed. */
@Entity
@Table(name = "review")
class ReviewRow {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  @Nullable Long id;

  long selectionId;
  String note = "";

  /** When to look again next; null if it is asked again elsewhere. */
  @Nullable LocalDate lookAgain;

  /** The selection in which it is asked again; null if it still holds. */
  @Nullable Long successor;

  String reviewedBy = "";
  String reviewedByAccount = "";
  Instant reviewedAt = Instant.EPOCH;

  interface All extends JpaRepository<ReviewRow, Long> {
    List<ReviewRow> findBySelectionIdInOrderById(Collection<Long> selectionIds);
  }

  static ReviewRow of(long selectionId, Review review) {
    ReviewRow row = new ReviewRow();
    row.selectionId = selectionId;
    row.reviewedBy = review.by().person();
    row.reviewedByAccount = review.by().by().account();
    row.reviewedAt = review.by().at();
    switch (review) {
      case Review.StillHolds holds -> {
        row.note = holds.note();
        row.lookAgain = holds.again();
      }
      case Review.AskedAgain asked -> row.successor = asked.successor();
    }
    return row;
  }

  /** The core's review. */
  Review toCore() {
    Proposal.Act by = new Proposal.Act(new Signatory(reviewedBy, reviewedByAccount), reviewedAt);
    Long elsewhere = successor;
    return elsewhere == null
        ? new Review.StillHolds(by, note, Objects.requireNonNull(lookAgain))
        : new Review.AskedAgain(by, elsewhere);
  }
}
