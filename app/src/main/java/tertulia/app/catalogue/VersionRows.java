package tertulia.app.catalogue;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface VersionRows extends JpaRepository<VersionRow, Long> {
  List<VersionRow> findByToolIdOrderByValidFrom(long toolId);

  List<VersionRow> findByToolIdInOrderByValidFrom(Collection<Long> toolIds);

  Optional<VersionRow> findByToolIdAndValidFrom(long toolId, LocalDate validFrom);

  List<VersionRow> findByToolIdInAndValidFromLessThanEqualOrderByValidFrom(
      Collection<Long> toolIds, LocalDate day);
}
