package tertulia.app.selection;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import org.jspecify.annotations.Nullable;

/** Storage of a tool's place at the table. */
@Entity
@Table(name = "contender")
class ContenderRow {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  @Nullable Long id;

  long selectionId;
  long toolId;
  int place;
  @Nullable String setAside;

  /** Plans that are set aside, as a document; null: none. */
  @Nullable String plansAside;

  /** What of it is not needed, as a document; null: nobody has said. */
  @Nullable String notNeeded;

  /** Hours it takes, as a document; null: nobody has said. */
  @Nullable String effort;

  /** Whether it is what is in use, kept as it is. */
  boolean asToday;

  /** Of tools in use, whether they stay or go with it, as a document; null: nobody has said. */
  @Nullable String inUse;

  @Version long version;
}
