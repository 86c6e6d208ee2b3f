package tertulia.app.catalogue;

import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.TreeSet;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import tertulia.app.display.Dates;
import tertulia.app.exchange.ToolSheet;

/**
 * The catalogue as it is listed: what matches, a page of it.
 *
 * @param total how many match
 * @param first place of the first line shown, counted from 1
 * @param previous number of the page before; −1: there is none
 * @param next number of the next page; 0: there is none
 * @param areas every work area there is
 * @param anything whether there is any tool at all
 */
record Listing(
    List<Line> lines,
    int total,
    int first,
    int previous,
    int next,
    List<String> areas,
    boolean anything) {
  static final int PAGE = 50;

  /**
   * A line of the list.
   *
   * @param plans names with a comma
   * @param asOf day of its oldest fact
   * @param old whether that is older than the workspace wants
   * @param asked whether something about it may be a slip and is not confirmed
   * @param suite names of the tools it holds; empty for a single tool
   */
  record Line(
      String slug,
      String name,
      String maker,
      String areas,
      String plans,
      String asOf,
      boolean old,
      boolean asked,
      String currencies,
      String suite,
      boolean owned,
      boolean archived) {}

  /**
   * What is asked for.
   *
   * @param words all must occur in name, maker, plans, areas or capabilities
   * @param area empty: any
   * @param show "all", "old", "asked" or "archived"
   */
  record Query(String words, String area, String show, int page) {}

  /** Every matching tool. */
  static Listing of(
      List<Catalogue.Stored> tools,
      Query query,
      Predicate<LocalDate> isOld,
      Predicate<ToolSheet> isAsked) {
    List<Catalogue.Stored> matching =
        tools.stream()
            .filter(tool -> tool.archived() == query.show().equals("archived"))
            .filter(tool -> query.area().isEmpty() || tool.sheet().areas().contains(query.area()))
            .filter(tool -> matches(tool.sheet(), query.words()))
            .filter(tool -> !query.show().equals("old") || isOld(tool.sheet(), isOld))
            .filter(tool -> !query.show().equals("asked") || isAsked.test(tool.sheet()))
            .toList();
    int pages = Math.max(1, Math.ceilDiv(matching.size(), PAGE));
    // an address may name any page; beyond the last one is the last one
    int page = Math.clamp(query.page(), 0, pages - 1);
    int from = page * PAGE;
    int to = Math.min(matching.size(), from + PAGE);
    return new Listing(
        matching.subList(from, to).stream().map(tool -> line(tool, isOld, isAsked)).toList(),
        matching.size(),
        from + 1,
        page - 1,
        to < matching.size() ? page + 1 : 0,
        List.copyOf(
            tools.stream()
                .flatMap(tool -> tool.sheet().areas().stream())
                .collect(Collectors.toCollection(TreeSet::new))),
        !tools.isEmpty());
  }

  private static Optional<LocalDate> oldest(ToolSheet sheet) {
    return sheet.sources().map(source -> LocalDate.parse(source.asOf())).min(LocalDate::compareTo);
  }

  private static boolean isOld(ToolSheet sheet, Predicate<LocalDate> isOld) {
    return oldest(sheet).filter(isOld).isPresent();
  }

  private static boolean matches(ToolSheet sheet, String words) {
    if (words.isBlank()) {
      return true;
    }
    String text =
        Stream.of(
                Stream.of(sheet.name(), sheet.maker()),
                sheet.areas().stream(),
                sheet.plans().stream().map(ToolSheet.PlanPart::name),
                sheet.plans().stream()
                    .flatMap(plan -> plan.facts().stream())
                    .map(ToolSheet.FactPart::capability))
            .flatMap(s -> s)
            .collect(Collectors.joining("\n"))
            .toLowerCase(Locale.ROOT);
    return Stream.of(words.toLowerCase(Locale.ROOT).strip().split("\\s+")).allMatch(text::contains);
  }

  private static Line line(
      Catalogue.Stored tool, Predicate<LocalDate> isOld, Predicate<ToolSheet> isAsked) {
    ToolSheet sheet = tool.sheet();
    Optional<LocalDate> oldest = oldest(sheet);
    return new Line(
        sheet.id(),
        sheet.name(),
        sheet.maker(),
        String.join(", ", sheet.areas()),
        sheet.plans().stream().map(ToolSheet.PlanPart::name).collect(Collectors.joining(", ")),
        oldest.map(Dates::day).orElse("—"),
        oldest.filter(isOld).isPresent(),
        isAsked.test(sheet),
        sheet.plans().stream()
            .map(ToolSheet.PlanPart::currency)
            .distinct()
            .collect(Collectors.joining(", ")),
        String.join(", ", sheet.contains()),
        sheet.owned() != null,
        tool.archived());
  }
}
