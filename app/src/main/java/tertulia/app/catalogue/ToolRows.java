package tertulia.app.catalogue;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface ToolRows extends JpaRepository<ToolRow, Long> {
  Optional<ToolRow> findBySlug(String slug);

  @Query("select t.slug from ToolRow t")
  List<String> slugs();

  /** What is enough to know whether a tool changed. */
  record Head(long id, long version, boolean archived) {}

  @Query(
      "select new tertulia.app.catalogue.ToolRows$Head(t.id, t.version, t.archived) from ToolRow t"
          + " order by t.id")
  List<Head> heads();
}
