package tertulia.app.people;

import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface Invitations extends JpaRepository<Invitation, Long> {
  Optional<Invitation> findByWordHash(String wordHash);
}
