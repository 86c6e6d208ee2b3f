package tertulia.app.selection;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/** Storage of a mark that the table settled together. */
@Entity
@Table(name = "settled_mark")
class SettledRow {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  @Nullable Long id;

  long selectionId;
  String criterion = "";
  String contender = "";
  String points = "";
  String reason = "";
  String notedBy = "";
  LocalDate notedOn = LocalDate.EPOCH;
  @Version long version;
}
