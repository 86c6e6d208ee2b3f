package tertulia.app.selection;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Lob;
import jakarta.persistence.Table;

/** Storage of what somebody had entered when they showed their view to the others. */
@Entity
@Table(name = "first_view")
class FirstViewRow {
  @Id long memberId;

  /** What was entered under what, as JSON. */
  @Lob String entries = "";
}
