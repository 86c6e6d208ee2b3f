package tertulia.app.growth;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Lob;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

/** Storage of what was counted by hand; there is one table of it, as JSON. */
@Entity
@Table(name = "headcounts")
class HeadcountsRow {
  static final long ONLY = 1;

  @Id long id = ONLY;
  @Lob String counts = "{\"counts\":[]}";

  /** The version of the format in which {@link #counts} and {@link #replaced} are written. */
  int format = 1;

  @Lob @Nullable String replaced;
  String notedBy = "";
  Instant notedAt = Instant.EPOCH;
  @Version long version;
}
