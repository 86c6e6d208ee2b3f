package tertulia.app.people;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Version;
import org.jspecify.annotations.Nullable;

/** Storage of somebody who can sign in. */
@Entity
class Account {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  @Nullable Long id;

  String signInName = "";
  String displayName = "";
  String passwordHash = "";

  @Enumerated(EnumType.STRING)
  Role role = Role.READER;

  /** Whether the person may not sign in any more. */
  boolean disabled;

  @Version long version;

  SignedIn signedIn() {
    return new SignedIn(
        java.util.Objects.requireNonNull(id), signInName, displayName, passwordHash, role);
  }
}
