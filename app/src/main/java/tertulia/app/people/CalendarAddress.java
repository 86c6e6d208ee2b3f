package tertulia.app.people;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

/** Storage of an address that a calendar reads; an account has one at most. */
@Entity
class CalendarAddress {
  @Id long accountId;

  /** SHA-256 of the word in the address; the word itself is not kept. */
  String wordHash = "";

  interface All extends JpaRepository<CalendarAddress, Long> {
    Optional<CalendarAddress> findByWordHash(String wordHash);
  }
}
