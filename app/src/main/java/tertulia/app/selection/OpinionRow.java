package tertulia.app.selection;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import org.jspecify.annotations.Nullable;

/** Storage of when a member would take a contender. */
@Entity
@Table(name = "opinion")
class OpinionRow {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  @Nullable Long id;

  long memberId;
  String contender = "";
  String words = "";
  @Version long version;
}
