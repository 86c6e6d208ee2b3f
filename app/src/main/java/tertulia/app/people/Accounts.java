package tertulia.app.people;

import jakarta.persistence.LockModeType;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;

interface Accounts extends JpaRepository<Account, Long> {
  Optional<Account> findBySignInName(String signInName);

  List<Account> findAllByOrderByDisplayName();

  /** All accounts, which nobody else changes until the transaction is over. */
  @Lock(LockModeType.PESSIMISTIC_WRITE)
  @Query("select a from Account a order by a.id")
  List<Account> lockAll();
}
