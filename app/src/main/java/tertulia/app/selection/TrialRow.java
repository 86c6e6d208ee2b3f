package tertulia.app.selection;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/** Storage of the trial of a contender. */
@Entity
@Table(name = "trial")
class TrialRow {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  @Nullable Long id;

  long selectionId;
  String contender = "";
  @Nullable String plan;
  LocalDate firstDay = LocalDate.EPOCH;
  @Nullable LocalDate lastDay;
  String terms = "";

  /** Names, one a line. */
  String people = "";

  @Version long version;
}
