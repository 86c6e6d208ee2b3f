package tertulia.app.selection;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import org.jspecify.annotations.Nullable;

/** Storage of one member's mark; without points the member cannot judge. */
@Entity
@Table(name = "mark")
class MarkRow {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  @Nullable Long id;

  long memberId;
  String criterion = "";
  String contender = "";
  @Nullable String points;
  String note = "";

  /** The code of what it rests on; null: nobody has said. */
  @Nullable String acquaintance;

  String interest = "";
  @Version long version;
}
