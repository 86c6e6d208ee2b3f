package tertulia.app.people;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface Accounts extends JpaRepository<Account, Long> {
  Optional<Account> findBySignInName(String signInName);

  List<Account> findAllByOrderByDisplayName();

  long countByRole(Role role);
}
