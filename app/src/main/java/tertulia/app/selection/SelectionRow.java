package tertulia.app.selection;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Lob;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import org.hibernate.envers.Audited;
import org.jspecify.annotations.Nullable;

/** Storage of a selection: its brief as one document. */
@Entity
@Table(name = "selection")
@Audited
class SelectionRow {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  @Nullable Long id;

  String title = "";
  @Lob String brief = "";

  /** The version of the format in which {@link #brief} is written. */
  int format;

  boolean decided;
  @Version long version;
}
