package tertulia.app.contenders;

import java.util.List;
import tertulia.app.workspace.Cell;

/**
 * All plans of all contenders side by side, as their pages have them: contenders as columns of
 * columns.
 *
 * @param contenders over the columns of their plans
 * @param plans in the order asked for, within their contender
 * @param rows lines of the table
 * @param says what the table says, the first sentence its answer
 * @param axis the scale of the pictures, as SVG
 */
record PlanTable(
    List<Head> contenders, List<Column> plans, List<Line> rows, List<String> says, String axis) {
  private static final int PAGE = 1130;
  private static final int DIGIT = 10;
  private static final int MOST_ABREAST = 16;

  /** Whether a column would be narrower than its price if all were to stand on one page. */
  public boolean isWide() {
    int longest =
        rows.stream()
            .filter(row -> row.look().equals("big"))
            .flatMap(row -> row.cells().stream())
            .filter(span -> !span.cell().why().isEmpty())
            .mapToInt(span -> span.cell().text().length())
            .max()
            .orElse(0);
    return plans.size() > MOST_ABREAST || (longest + 1) * DIGIT * plans.size() > PAGE;
  }

  /**
   * A contender over its plans.
   *
   * @param place from 0
   * @param mark its mark as SVG
   * @param note which of its plans are set aside, and that its prices are old; may be empty
   * @param old whether they are
   * @param anyPlan whether it is read on any of its plans
   */
  record Head(
      int place,
      String slug,
      String name,
      String mark,
      int columns,
      String note,
      boolean old,
      boolean anyPlan) {}

  /**
   * A plan.
   *
   * @param contender place of its contender
   * @param chosen whether its contender is read on it by choice
   * @param read whether its contender is on it now, chosen or not
   * @param first whether it is the first of its contender
   * @param picture its cost a head by how many people there are, as SVG
   */
  record Column(
      int contender,
      String slug,
      String id,
      String name,
      boolean chosen,
      boolean read,
      boolean first,
      String picture) {}

  /** A line; {@code look} as in a row of the bench. */
  record Line(Cell label, List<Span> cells, String look) {}

  /**
   * A cell over one plan, or over all of a contender.
   *
   * @param parts more than one thing that is said there; then the cell says nothing itself
   */
  record Span(Cell cell, int columns, int contender, boolean first, List<Part> parts) {}

  /**
   * What is said of one plan within a cell over all of them.
   *
   * @param rest what is folded away; may be empty
   */
  record Part(String plan, String text, String rest) {}
}
