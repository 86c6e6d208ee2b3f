package tertulia.app.fit;

import java.util.ArrayList;
import java.util.List;
import tertulia.app.display.Figures;
import tertulia.app.workspace.Cell;
import tertulia.app.workspace.Row;
import tertulia.app.workspace.Session;
import tertulia.core.fit.Importance;
import tertulia.core.fit.Need;
import tertulia.core.growth.Measure;

/** Rows that set needs against contenders. */
public final class NeedRows {
  private NeedRows() {}

  /** Units needed of each measure by the people under discussion. */
  public static List<Cell> demand(Session session) {
    List<Cell> cells = new ArrayList<>();
    for (Measure measure : session.table().selection().demands().keySet()) {
      int units = session.evaluation().costs().occasion().units().of(measure).orElseThrow();
      cells.add(
          Cell.figure(
              Figures.counted(units, measure), session.why("units", "measure", measure.id())));
    }
    return cells;
  }

  /** For each need the answer of the plan each contender would need; or its last if none fits. */
  public static List<Row> needs(Session session) {
    List<Row> rows = new ArrayList<>();
    for (Need need : session.table().selection().needs()) {
      rows.add(
          new Row(
              Cell.fact(need.capability().name()).noting(ComparisonRows.importance(need)),
              session.columns().stream().map(c -> NeedCell.of(session, c, need)).toList(),
              need.importance() instanceof Importance.Must ? "must" : ""));
    }
    return rows;
  }
}
