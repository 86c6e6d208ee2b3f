package tertulia.app.act;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Lob;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.hibernate.annotations.Immutable;
import org.jspecify.annotations.Nullable;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

/** Storage of an act; it is written once. */
@Entity
@Immutable
@Table(name = "act")
class ActRow {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  @Nullable Long id;

  long selectionId;
  Instant doneAt = Instant.EPOCH;

  /** Null: the program itself, or somebody whose account is not known any more. */
  @Nullable Long accountId;

  String person = "";
  String kind = "";

  /** The member whose view it tells of; null: none's. */
  @Nullable Long viewOf;

  @Lob String document = "";

  interface All extends JpaRepository<ActRow, Long> {
    @Query(
        "select a from ActRow a where a.selectionId = :selection and (a.viewOf is null or a.viewOf"
            + " not in :withheld) order by a.id desc")
    List<ActRow> newest(long selection, Collection<Long> withheld, Limit most);

    @Query(
        "select a from ActRow a where a.selectionId = :selection and a.doneAt > :moment and"
            + " (a.accountId is null or a.accountId <> :account) and (a.viewOf is null or a.viewOf"
            + " not in :withheld) order by a.id desc")
    List<ActRow> since(
        long selection, Instant moment, long account, Collection<Long> withheld, Limit most);

    Optional<ActRow> findByIdAndSelectionId(long id, long selectionId);
  }
}
