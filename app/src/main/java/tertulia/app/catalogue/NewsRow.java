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
import org.springframework.data.jpa.repository.JpaRepository;

/** Storage of what a maker announces. */
@Entity
@Table(name = "maker_news")
class NewsRow {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  @Nullable Long id;

  String tool = "";
  LocalDate announcedOn = LocalDate.EPOCH;
  LocalDate holdsFrom = LocalDate.EPOCH;
  String says = "";
  @Lob String base = "";
  @Lob String sheet = "";

  /** The version of the format in which {@link #base} and {@link #sheet} are written. */
  int format;

  /** A digest of all of it while it waits for an answer. */
  @Nullable String waiting;

  String notedBy = "";
  Instant notedAt = Instant.EPOCH;
  @Version long version;

  /** All of it. */
  interface All extends JpaRepository<NewsRow, Long> {
    boolean existsByWaiting(String digest);

    long countByWaitingNotNull();
  }
}
