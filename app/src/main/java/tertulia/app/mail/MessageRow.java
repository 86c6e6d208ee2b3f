package tertulia.app.mail;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.data.jpa.repository.JpaRepository;

/** Storage of a message that went out. */
@Entity
@Table(name = "outbox_message")
class MessageRow {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  @Nullable Long id;

  long accountId;
  String recipient = "";
  String subject = "";
  String body = "";
  String link = "";

  /** Null if it is about no selection. */
  @Nullable Long selectionId;

  String sentBy = "";
  Instant sentAt = Instant.EPOCH;
  String once = "";
  @Version long version;

  interface All extends JpaRepository<MessageRow, Long> {
    boolean existsByOnce(String once);

    List<MessageRow> findTop200ByOrderByIdDesc();

    List<MessageRow> findTop200ByAccountIdOrderByIdDesc(long accountId);
  }
}
