package tertulia.app.catalogue;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Lob;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/** Storage of a price page as it holds from a day on. */
@Entity
@Table(name = "tool_version")
class VersionRow {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  @Nullable Long id;

  long toolId;
  LocalDate validFrom = LocalDate.EPOCH;
  @Lob String sheet = "";

  /** The version of the format in which {@link #sheet} and {@link #replaced} are written. */
  int format;

  /** What stood here before the last change, so that it can be undone. */
  @Lob @Nullable String replaced;

  String notedBy = "";
  Instant notedAt = Instant.EPOCH;
  @Version long version;
}
