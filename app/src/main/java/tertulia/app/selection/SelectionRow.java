package tertulia.app.selection;

import jakarta.persistence.CollectionTable;
import jakarta.persistence.Column;
import jakarta.persistence.ElementCollection;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.Lob;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.util.HashSet;
import java.util.Set;
import org.hibernate.annotations.BatchSize;
import org.jspecify.annotations.Nullable;

/** Storage of a selection: its brief as one document. */
@Entity
@Table(name = "selection")
class SelectionRow {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  @Nullable Long id;

  String title = "";
  @Lob String brief = "";

  /** The version of the format in which {@link #brief} is written. */
  int format;

  boolean decided;

  /** Whether its people were those of the growth plan until it was decided. */
  boolean followedGrowth;

  /** Whether everybody with an account may open it, or only those named and organisers. */
  boolean openToAll = true;

  /** Accounts of the people named; a change of them is a change of the selection. */
  @ElementCollection
  @CollectionTable(name = "selection_person", joinColumns = @JoinColumn(name = "selection_id"))
  @Column(name = "account_id")
  @BatchSize(size = 50)
  Set<Long> named = new HashSet<>();

  /** Where it is put away; null: at hand. */
  @Enumerated(EnumType.STRING)
  PutAway.@Nullable How putAway;

  @Nullable String putAwayBy;

  /** Whether it is the sample a newcomer asked for. */
  boolean sample;

  /**
   * Who let everybody see everybody's view, empty for nobody in particular; null: each sees only
   * their own until it is handed in.
   */
  @Nullable String openedBy;

  @Version long version;
}
