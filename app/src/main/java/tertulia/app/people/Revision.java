package tertulia.app.people;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Clock;
import org.hibernate.envers.RevisionEntity;
import org.hibernate.envers.RevisionListener;
import org.hibernate.envers.RevisionNumber;
import org.hibernate.envers.RevisionTimestamp;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;

/** One change of stored facts: when, and by whom. */
@Entity
@Table(name = "revinfo")
@RevisionEntity(Revision.Author.class)
class Revision {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  @RevisionNumber
  @Nullable Integer rev;

  @RevisionTimestamp
  @Column(name = "revtstmp")
  long at;

  @Nullable String person;

  /** Puts down who is signed in, and when by the clock that everything else goes by. */
  static class Author implements RevisionListener {
    private final Clock clock;

    Author(Clock clock) {
      this.clock = clock;
    }

    @Override
    public void newRevision(Object revision) {
      Authentication who = SecurityContextHolder.getContext().getAuthentication();
      Revision made = (Revision) revision;
      made.person = who == null ? null : who.getName();
      made.at = clock.millis();
    }
  }
}
