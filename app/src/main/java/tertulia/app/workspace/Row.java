package tertulia.app.workspace;

import java.util.List;

/**
 * One row of the table: a label and a cell for each contender.
 *
 * @param label what the row is about; a figure if it can be asked "why"
 * @param look extra class: "", "big", "must"
 */
public record Row(Cell label, List<Cell> cells, String look) {
  public static Row of(String label, List<Cell> cells) {
    return new Row(Cell.fact(label), cells, "");
  }
}
