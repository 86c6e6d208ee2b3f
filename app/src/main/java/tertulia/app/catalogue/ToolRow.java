package tertulia.app.catalogue;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import org.jspecify.annotations.Nullable;

/** Storage of a tool; what it is called and costs stands in its pages. */
@Entity
@Table(name = "tool")
class ToolRow {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  @Nullable Long id;

  String slug = "";

  /**
   * Counts the changes of its pages, so that whoever edits one of them sees the others' changes.
   */
  int changes;

  boolean archived;
  @Version long version;
}
