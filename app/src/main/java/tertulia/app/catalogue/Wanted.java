package tertulia.app.catalogue;

import java.util.List;

/** What a selection asks of its tools, so that a page written for it asks for that first. */
public interface Wanted {
  /** Nothing in particular. */
  Asked NOTHING = new Asked(List.of(), List.of(), List.of(), List.of());

  /**
   * What a selection asks.
   *
   * @param capabilities names of the capabilities that are needed
   * @param counts those of them of which so many are needed
   * @param measures ids of the measures of which somebody says how many are needed, or that
   *     contenders charge or limit; people are not among them
   * @param areas work areas that the tools compared share
   */
  record Asked(
      List<String> capabilities, List<String> counts, List<String> measures, List<String> areas) {}

  /**
   * Brings a tool that was written down for a selection to its table.
   *
   * @throws tertulia.app.web.Conflict if the table is full, or what was asked is decided
   * @throws tertulia.app.web.NotFound if whoever is signed in may not open it or there is none
   */
  void bring(long selection, String slug, String by);

  /** What it asks; nothing if whoever is signed in may not open it or there is none. */
  Asked by(long selection);
}
