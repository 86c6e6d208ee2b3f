package tertulia.app.selection;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import org.jspecify.annotations.Nullable;

/** Storage of one member's points for one criterion. */
@Entity
@Table(name = "weight")
class WeightRow {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  @Nullable Long id;

  long memberId;
  String criterion = "";
  int points;
  @Version long version;
}
