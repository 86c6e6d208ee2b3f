package tertulia.app.selection;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

/** Storage of a remark or of an answer to one; without an account if it came in a file. */
@Entity
@Table(name = "remark")
class RemarkRow {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  @Nullable Long id;

  long selectionId;

  /** The remark that this answers; null: it is a remark. */
  @Nullable Long answers;

  String about = "";
  String kind = "";
  String text = "";
  @Nullable Long accountId;
  String author = "";
  Instant saidAt = Instant.EPOCH;

  /** A word that no other remark of the selection has, so that what is sent twice is kept once. */
  String once = "";

  @Nullable String closedBy;
  @Nullable Instant closedAt;
  @Version long version;
}
