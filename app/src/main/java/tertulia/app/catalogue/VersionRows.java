package tertulia.app.catalogue;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface VersionRows extends JpaRepository<VersionRow, Long> {
  List<VersionRow> findByToolIdOrderByValidFrom(long toolId);

  Optional<VersionRow> findByToolIdAndValidFrom(long toolId, LocalDate validFrom);

  /** From which day a page holds. */
  record Dated(long id, long toolId, LocalDate from) {}

  @Query(
      "select new tertulia.app.catalogue.VersionRows$Dated(v.id, v.toolId, v.validFrom) from"
          + " VersionRow v where v.toolId in :tools order by v.validFrom")
  List<Dated> days(Collection<Long> tools);

  /** A page without what it replaced. */
  record Page(long toolId, LocalDate from, String by, String sheet, int format) {}

  @Query(
      "select new tertulia.app.catalogue.VersionRows$Page(v.toolId, v.validFrom, v.notedBy,"
          + " v.sheet, v.format) from VersionRow v where v.id in :ids order by v.validFrom")
  List<Page> pages(Collection<Long> ids);
}
