package tertulia.app.selection;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import org.jspecify.annotations.Nullable;

/** Storage of a task that is tried with every contender. */
@Entity
@Table(name = "trial_task")
class TaskRow {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  @Nullable Long id;

  long selectionId;
  String code = "";
  String words = "";

  /** What it is tried for, as files have it; null: somebody thought of it. */
  @Nullable String why;

  @Version long version;
}
