package tertulia.app.catalogue;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface ToolRows extends JpaRepository<ToolRow, Long> {
  Optional<ToolRow> findBySlug(String slug);

  List<ToolRow> findAllByOrderByName();

  @Query("select t.slug from ToolRow t")
  List<String> slugs();
}
