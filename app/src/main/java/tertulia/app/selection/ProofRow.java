package tertulia.app.selection;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/** Storage of what a picture shows and who added it. */
@Entity
@Table(name = "proof")
class ProofRow {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  @Nullable Long id;

  long selectionId;
  String about = "";
  long accountId;
  String author = "";
  LocalDate addedOn = LocalDate.EPOCH;
  @Version long version;
}
