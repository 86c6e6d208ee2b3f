package tertulia.app.selection;

import org.springframework.stereotype.Service;
import tertulia.app.web.Conflict;
import tertulia.app.web.NotFound;

/** Finds the row of a selection for whoever is signed in. */
@Service
class SelectionStore {
  private final Rows.Selections selections;
  private final Entrance entrance;

  SelectionStore(Rows.Selections selections, Entrance entrance) {
    this.selections = selections;
    this.entrance = entrance;
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
   * A selection to be changed.
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
    return row;
  }
}
