package tertulia.app.catalogue;

import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;

/**
 * What taking a file would do.
 *
 * @param reading how the file was read, such as "CSV, UTF-8, separated by semicolons, decimal
 *     comma"
 * @param tools one line a tool
 * @param refusals why nothing can be taken; empty if it can
 */
record Preview(String reading, List<Line> tools, List<Refusal> refusals) {
  /** What would become of a tool. */
  enum Standing {
    NEW("new"),
    CHANGED("changed"),
    UNCHANGED("unchanged");

    private final String words;

    Standing(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }
  }

  /**
   * One tool.
   *
   * @param where such as "row 12"
   * @param changes what would change of a known tool
   */
  record Line(
      String where, String slug, String name, Standing standing, List<SheetCells.Change> changes) {}

  static Preview refused(String reading, List<Refusal> refusals) {
    return new Preview(reading, List.of(), refusals);
  }

  /** Whether there is anything to take. */
  public boolean isTakeable() {
    return refusals.isEmpty()
        && tools.stream().anyMatch(line -> line.standing() != Standing.UNCHANGED);
  }

  /** Such as "3 new, 1 changed, 16 unchanged". */
  public String summary() {
    return Arrays.stream(Standing.values())
        .map(standing ->
            tools.stream().filter(line -> line.standing() == standing).count()
                + " "
                + standing.words())
        .collect(Collectors.joining(", "));
  }
}
