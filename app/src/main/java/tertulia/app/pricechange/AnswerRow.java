package tertulia.app.pricechange;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import org.springframework.data.jpa.repository.JpaRepository;

/** Storage of what was answered to an announcement. */
@Entity
@Table(name = "feed_answer")
class AnswerRow {
  @Id String changeId = "";
  boolean taken;
  String answeredBy = "";
  Instant answeredAt = Instant.EPOCH;
  @Version long version;

  /** All answers. */
  interface All extends JpaRepository<AnswerRow, String> {}
}
