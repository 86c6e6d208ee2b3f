package tertulia.app.selection;

import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tertulia.app.act.Act;
import tertulia.app.act.Acts;
import tertulia.app.catalogue.Catalogue;
import tertulia.app.exchange.Limits;
import tertulia.app.people.SignedIn;
import tertulia.app.web.Conflict;
import tertulia.app.web.NotFound;

/** Pictures beside marks, results and facts. */
@Service
public class Proofs {
  private final SelectionStore store;
  private final Rows.ProofRows rows;
  private final Rows.Pictures pictures;
  private final Rows.Members members;
  private final SelectionAccess entrance;
  private final Catalogue catalogue;
  private final SubjectNames names;
  private final Acts acts;

  Proofs(
      SelectionStore store,
      Rows.ProofRows rows,
      Rows.Pictures pictures,
      Rows.Members members,
      SelectionAccess entrance,
      Catalogue catalogue,
      SubjectNames names,
      Acts acts) {
    this.names = names;
    this.acts = acts;
    this.store = store;
    this.rows = rows;
    this.pictures = pictures;
    this.members = members;
    this.entrance = entrance;
    this.catalogue = catalogue;
  }

  /** The pictures of selections, by selection and oldest first, without their bytes. */
  Map<Long, List<ProofRow>> of(Collection<Long> selections) {
    return rows.findBySelectionIdInOrderById(selections).stream()
        .collect(Collectors.groupingBy(row -> row.selectionId));
  }

  /** Those that one person may see. */
  static List<Proof> seen(List<ProofRow> all, Collection<Long> kept) {
    return all.stream()
        .filter(row -> !proof(row).isJudged() || !kept.contains(row.accountId))
        .map(Proofs::proof)
        .toList();
  }

  private static Proof proof(ProofRow row) {
    return new Proof(Objects.requireNonNull(row.id), row.about, row.author, row.addedOn);
  }

  /**
   * Keeps somebody's picture; the one they had beside the same is replaced.
   *
   * @throws Conflict if as many are kept as can be, or the selection is decided
   */
  @Transactional
  public void keep(long id, SignedIn person, String about, Picture picture) {
    store.open(id);
    Optional<ProofRow> before = rows.findBySelectionIdAndAboutAndAccountId(id, about, person.id());
    if (before.isEmpty() && rows.countBySelectionId(id) >= Limits.PROOFS) {
      throw new Conflict(
          "At most "
              + Limits.PROOFS
              + " pictures are kept for a selection, and there are so many. Remove one first.");
    }
    ProofRow row = before.orElseGet(ProofRow::new);
    row.selectionId = id;
    row.about = about;
    row.accountId = person.id();
    row.author = person.name();
    row.addedOn = catalogue.today();
    PictureRow kept = new PictureRow();
    kept.proofId = Objects.requireNonNull(rows.saveAndFlush(row).id);
    kept.type = picture.type();
    kept.bytes = picture.bytes();
    pictures.save(kept);
    pictured(id, person, row, before.isPresent() ? Act.Picture.REPLACED : Act.Picture.ADDED);
  }

  /** Takes somebody's own picture away; nothing happens if there is none. */
  @Transactional
  public void drop(long id, SignedIn person, String about) {
    store.open(id);
    rows.findBySelectionIdAndAboutAndAccountId(id, about, person.id())
        .ifPresent(row -> {
          pictures.deleteById(Objects.requireNonNull(row.id));
          rows.delete(row);
          pictured(id, person, row, Act.Picture.REMOVED);
        });
  }

  private void pictured(long id, SignedIn person, ProofRow row, Act.Picture how) {
    acts.note(
        id,
        names.viewOf(id, person.id(), proof(row).isJudged()),
        new Act.Pictured(how, names.beside(id, row.about)));
  }

  /**
   * A picture that whoever is signed in may see.
   *
   * @throws NotFound if there is none
   */
  @Transactional(readOnly = true)
  public Picture picture(long id, long proof) {
    SelectionRow row = store.row(id);
    List<MemberRow> seated = members.findBySelectionIdOrderById(id);
    VisibilityPolicy sight = VisibilityPolicy.of(row, seated, entrance.visitor());
    List<Long> kept =
        seated.stream()
            .filter(member -> !sight.sees(member))
            .map(member -> member.accountId)
            .filter(Objects::nonNull)
            .toList();
    return rows.findById(proof)
        .filter(found -> found.selectionId == id && !seen(List.of(found), kept).isEmpty())
        .flatMap(found -> pictures.findById(proof))
        .map(found -> new Picture(found.type, found.bytes))
        .orElseThrow(() -> new NotFound("picture " + proof + " in this selection"));
  }
}
