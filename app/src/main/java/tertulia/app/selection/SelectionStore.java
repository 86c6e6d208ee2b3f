package tertulia.app.selection;

import jakarta.persistence.EntityManager;
import jakarta.persistence.LockModeType;
import java.util.Objects;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import tertulia.app.web.Conflict;
import tertulia.app.web.NotFound;

/** Finds the row of a selection for whoever is signed in. */
@Service
class SelectionStore {
  private final Rows.Selections selections;
  private final SelectionAccess entrance;
  private final ApplicationEventPublisher events;
  private final EntityManager entities;

  SelectionStore(
      Rows.Selections selections,
      SelectionAccess entrance,
      ApplicationEventPublisher events,
      EntityManager entities) {
    this.entities = entities;
    this.selections = selections;
    this.entrance = entrance;
    this.events = events;
  }

  /**
   * A selection.
   *
   * @throws NotFound if there is none that whoever is signed in may open
   */
  SelectionRow row(long id) {
    return selections
        .findById(id)
        .filter(entrance::admits)
        .orElseThrow(() -> new NotFound("selection " + id));
  }

  /**
   * A selection to be changed; whoever has a page of it open hears of it once that is kept.
   *
   * @throws NotFound if there is none that whoever is signed in may open
   * @throws Conflict if it is decided
   */
  SelectionRow open(long id) {
    SelectionRow row = changing(id);
    if (row.decided) {
      throw new Conflict(
          "This selection is decided and signed, so it no longer changes. Ask the question again"
              + " under Decision, or download it and import it as a new one.");
    }
    return row;
  }

  /**
   * A selection of which something is to be changed, decided or not. Writes to one selection follow
   * one another: whoever writes holds it until that is kept, so that a mark is either in what is
   * signed or refused. Whoever has a page of it open hears of it once it is kept.
   *
   * @throws NotFound if there is none that whoever is signed in may open
   */
  SelectionRow changing(long id) {
    SelectionRow row = row(id);
    hold(row);
    return row;
  }

  /** As {@link #changing} for a row that was found, deleted or not. */
  void hold(SelectionRow row) {
    // refused if somebody changed the row since it was read in this transaction
    entities.lock(row, LockModeType.PESSIMISTIC_WRITE);
    events.publishEvent(new SelectionChanged(Objects.requireNonNull(row.id)));
  }
}
