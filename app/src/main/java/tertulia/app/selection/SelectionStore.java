package tertulia.app.selection;

import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import tertulia.app.web.Conflict;
import tertulia.app.web.NotFound;

/** Finds the row of a selection for whoever is signed in. */
@Service
class SelectionStore {
  private final Rows.Selections selections;
  private final Entrance entrance;
  private final ApplicationEventPublisher events;

  SelectionStore(Rows.Selections selections, Entrance entrance, ApplicationEventPublisher events) {
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
    SelectionRow row = row(id);
    if (row.decided) {
      throw new Conflict(
          "This selection is decided and signed off; it does not change any more. Take its file"
              + " and read it in again to look at the question anew.");
    }
    changing(id);
    return row;
  }

  /** Lets it be known, once it is kept, that something of a selection has changed. */
  void changing(long id) {
    events.publishEvent(new SelectionChanged(id));
  }
}
