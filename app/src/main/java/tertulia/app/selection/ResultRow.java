package tertulia.app.selection;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/** Storage of how somebody fared with a task. */
@Entity
@Table(name = "trial_result")
class ResultRow {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  @Nullable Long id;

  long selectionId;
  String contender = "";
  String task = "";
  String author = "";
  String outcome = "";
  @Nullable Integer minutes;
  String note = "";
  LocalDate triedOn = LocalDate.EPOCH;
  @Version long version;
}
