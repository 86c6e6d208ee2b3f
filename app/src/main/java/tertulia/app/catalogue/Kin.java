package tertulia.app.catalogue;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import tertulia.app.exchange.ToolSheet;

/**
 * Tools that belong together, as a page names them.
 *
 * @param contains what a suite holds
 * @param together tools that are bought together under its name
 * @param within suites that hold it, and names under which it is bought together with others
 */
record Kin(List<Named> contains, List<Named> together, List<Named> within) {
  /**
   * A tool.
   *
   * @param id empty: the catalogue has no such tool
   */
  record Named(String name, String id) {}

  static Kin of(ToolSheet sheet, List<ToolSheet> all) {
    return new Kin(
        sheet.contains().stream()
            .map(name -> new Named(name, named(name, all).map(ToolSheet::id).orElse("")))
            .toList(),
        sheet.together().stream()
            .flatMap(id -> all.stream().filter(other -> other.id().equals(id)))
            .map(other -> new Named(other.name(), other.id()))
            .toList(),
        all.stream()
            .filter(other ->
                other.together().contains(sheet.id())
                    || other.contains().stream().anyMatch(name -> isCalled(sheet, name)))
            .map(other -> new Named(other.name(), other.id()))
            .toList());
  }

  /** The name of a tool by its id; the id itself if the catalogue has no such tool. */
  static String nameOf(String id, List<ToolSheet> all) {
    return all.stream()
        .filter(sheet -> sheet.id().equals(id))
        .map(ToolSheet::name)
        .findFirst()
        .orElse(id);
  }

  /**
   * What is wrong with what a suite holds: a name that the catalogue does not have. Names that
   * stood there before stay.
   *
   * @param before as the page was; null: it is new
   */
  static Optional<String> unknown(
      ToolSheet sheet, @org.jspecify.annotations.Nullable ToolSheet before, List<ToolSheet> all) {
    return sheet.contains().stream()
        .filter(name -> before == null || !before.contains().contains(name))
        .filter(name -> named(name, all).isEmpty())
        .findFirst()
        .map(name -> sentence(name, all));
  }

  private static String sentence(String name, List<ToolSheet> all) {
    String begins = begin(name);
    List<String> like =
        all.stream()
            .map(ToolSheet::name)
            .filter(other -> begin(other).equals(begins))
            .limit(3)
            .toList();
    return "The catalogue has no tool “"
        + name
        + "”. "
        + (like.isEmpty()
            ? "Add it first, or leave it out."
            : "Did you mean "
                + String.join(" or ", like)
                + "? Else add it first, or leave it out.");
  }

  private static String begin(String name) {
    String plain = name.strip().toLowerCase(Locale.ROOT);
    return plain.substring(0, Math.min(3, plain.length()));
  }

  private static Optional<ToolSheet> named(String name, List<ToolSheet> all) {
    return all.stream().filter(sheet -> isCalled(sheet, name)).findFirst();
  }

  private static boolean isCalled(ToolSheet sheet, String name) {
    return sheet.name().strip().equalsIgnoreCase(name.strip());
  }
}
