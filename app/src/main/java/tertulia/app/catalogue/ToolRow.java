package tertulia.app.catalogue;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Lob;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import org.hibernate.envers.Audited;
import org.jspecify.annotations.Nullable;

/** Storage of a tool: its sheet in force as one document. */
@Entity
@Table(name = "tool")
@Audited
class ToolRow {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  @Nullable Long id;

  String slug = "";
  String name = "";
  @Lob String sheet = "";
  boolean archived;
  @Version long version;
}
