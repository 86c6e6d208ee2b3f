package tertulia.app.growth;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Lob;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

/** Storage of the growth plan; there is one. */
@Entity
@Table(name = "growth_plan")
class GrowthRow {
  static final long ONLY = 1;

  @Id long id = ONLY;
  @Lob String plan = "";

  /** The version of the format in which {@link #plan} and {@link #replaced} are written. */
  int format;

  @Lob @Nullable String replaced;
  String notedBy = "";
  Instant notedAt = Instant.EPOCH;
  @Version long version;
}
