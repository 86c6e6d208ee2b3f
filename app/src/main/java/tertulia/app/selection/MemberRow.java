package tertulia.app.selection;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/** Storage of somebody at the table; without an account if read from a file. */
@Entity
@Table(name = "panel_member")
class MemberRow {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  @Nullable Long id;

  long selectionId;
  @Nullable Long accountId;
  String name = "";
  int share = 1;

  /** What this person knows about, in words; may be empty. */
  String competence = "";

  /** The code of the way in which this person weighs. */
  String weighsBy = "points";

  /** When this person showed the others their view; null: not yet. */
  @Nullable LocalDate handedIn;

  @Version long version;
}
