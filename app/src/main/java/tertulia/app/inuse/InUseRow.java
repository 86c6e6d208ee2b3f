package tertulia.app.inuse;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Lob;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import org.jspecify.annotations.Nullable;
import org.springframework.data.jpa.repository.JpaRepository;

/** Storage of what is in use; there is one. */
@Entity
@Table(name = "in_use")
class InUseRow {
  static final long ONLY = 1;

  /** All rows. */
  interface All extends JpaRepository<InUseRow, Long> {}

  @Id long id = ONLY;
  @Lob String document = "";

  /** The version of the format in which {@link #document} is written. */
  int format;

  @Lob @Nullable String replaced;
  String notedBy = "";
  Instant notedAt = Instant.EPOCH;
  @Version long version;
}
