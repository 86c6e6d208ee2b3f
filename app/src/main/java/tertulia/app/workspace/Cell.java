package tertulia.app.workspace;

import java.util.List;
import tertulia.app.selection.Proof;

/**
 * One cell of the table.
 *
 * @param text what it says
 * @param why address of its working; empty for entered facts
 * @param look extra class for its look: "", "best", "missing", "old"
 * @param note smaller text below
 * @param id id of the element, for updates in place; empty if it is not updated alone
 * @param confirm address that confirms an old fact as of today; empty if there is nothing to
 * @param pictures that show it
 */
public record Cell(
    String text,
    String why,
    String look,
    String note,
    String id,
    String confirm,
    List<Proof> pictures) {
  /** An entered fact. */
  public static Cell fact(String text) {
    return new Cell(text, "", "", "", "", "", List.of());
  }

  /** A computed figure with the address of its working. */
  public static Cell figure(String text, String why) {
    return new Cell(text, why, "", "", "", "", List.of());
  }

  public static Cell missing(String text, String why) {
    return new Cell(text, why, "missing", "", "", "", List.of());
  }

  public Cell looking(String other) {
    return new Cell(text, why, other, note, id, confirm, pictures);
  }

  public Cell noting(String other) {
    return new Cell(text, why, look, other, id, confirm, pictures);
  }

  public Cell named(String other) {
    return new Cell(text, why, look, note, other, confirm, pictures);
  }

  public Cell confirmable(String address) {
    return new Cell(text, why, look, note, id, address, pictures);
  }

  public Cell showing(List<Proof> others) {
    return new Cell(text, why, look, note, id, confirm, others);
  }
}
