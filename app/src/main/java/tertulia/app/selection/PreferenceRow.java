package tertulia.app.selection;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import org.jspecify.annotations.Nullable;

/**
 * Storage of how one member compares two criteria, whose ids stand in their order; {@code times}
 * below 0 says that the other matters so many times as much as the one.
 */
@Entity
@Table(name = "preference")
class PreferenceRow {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  @Nullable Long id;

  long memberId;
  String one = "";
  String other = "";
  int times;
  @Version long version;
}
