package tertulia.app.people;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;

/** Storage of a link by which a person sets their password; an account has one at most. */
@Entity
class Invitation {
  @Id long accountId;

  /** SHA-256 of the word in the link; the word itself is not kept. */
  String wordHash = "";

  Instant expiresAt = Instant.EPOCH;
}
