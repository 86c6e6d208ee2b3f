package tertulia.app.growth;

import java.time.YearMonth;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tertulia.app.exchange.Brief;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.CsvTable;
import tertulia.app.exchange.Faults;
import tertulia.app.exchange.GrowthPlan;
import tertulia.app.standin.StaffDirectory;
import tertulia.core.growth.Scenario;

/** Headcounts as a table: a line for each month, a column for each group. */
final class GrowthCsv {
  private static final String MONTH = "month";
  private static final int MOST_GROUPS = 50;
  private static final int MOST_COUNTED = 600;

  private GrowthCsv() {}

  /** The headcounts of a plan in a scenario, dated changes included. */
  static String write(GrowthPlan.Read plan, Scenario scenario) {
    List<String> header = new ArrayList<>(List.of(MONTH));
    plan.groups().forEach(group -> header.add(group.name()));
    List<List<String>> rows = new ArrayList<>();
    for (int m = 0; m < plan.horizon().months(); m++) {
      int month = m;
      List<String> row = new ArrayList<>(List.of(plan.horizon().month(m).toString()));
      plan.groups()
          .forEach(group -> row.add("" + group.headcount(plan.horizon(), month, scenario)));
      rows.add(row);
    }
    return CsvTable.write(header, rows);
  }

  /**
   * The plan a table describes: every group listed month by month, with the ids that groups of the
   * same names had. All or nothing; faults are named by line.
   *
   * @param before the plan until now, for ids and scenarios
   */
  static Optional<GrowthPlan> read(byte[] bytes, Optional<GrowthPlan> before, Faults faults) {
    Optional<CsvTable> table = faults.at("File", () -> CsvTable.read(bytes));
    if (table.isEmpty()) {
      return Optional.empty();
    }
    List<String> header = table.get().written();
    if (!isHeaded(header, faults)) {
      return Optional.empty();
    }
    if (header.size() > MOST_GROUPS + 1) {
      faults.add("Line 1", "There are more than " + MOST_GROUPS + " groups. Join some of them.");
      return Optional.empty();
    }
    List<List<Integer>> values = new ArrayList<>();
    header.forEach(name -> values.add(new ArrayList<>()));
    List<YearMonth> months = new ArrayList<>();
    table.get().rows().forEach(row -> row(row, header, months, values, faults));
    if (months.isEmpty() || months.size() > 120) {
      faults.add("File", "There are " + months.size() + " months; a plan has 1 to 120.");
    }
    if (!faults.isEmpty()) {
      return Optional.empty();
    }
    return Optional.of(
        new GrowthPlan(
            months.getFirst().toString(),
            months.size(),
            groups(header, values, before),
            before.map(GrowthPlan::scenarios).orElse(null)));
  }

  /**
   * How many people a table says there were. Months may be left out and cells empty; all or
   * nothing, faults are named by line.
   *
   * @param plan whose groups are meant
   * @param now the first month that is not over
   */
  static List<StaffDirectory.Count> counts(
      byte[] bytes, GrowthPlan plan, YearMonth now, Faults faults) {
    Optional<CsvTable> table = faults.at("File", () -> CsvTable.read(bytes));
    if (table.isEmpty() || !isHeaded(table.get().written(), faults)) {
      return List.of();
    }
    if (table.get().rows().size() > MOST_COUNTED) {
      faults.add(
          "File",
          "There are "
              + table.get().rows().size()
              + " months; up to "
              + MOST_COUNTED
              + " are kept. Leave the oldest out.");
      return List.of();
    }
    List<String> header = table.get().written();
    Map<Integer, String> ids = new HashMap<>();
    for (int i = 1; i < header.size(); i++) {
      int column = i;
      String name = header.get(i).strip();
      plan.groups().stream()
          .filter(group -> group.name().equals(name))
          .findFirst()
          .ifPresentOrElse(
              group -> ids.put(column, group.id()),
              () ->
                  faults.add(
                      "Line 1",
                      "The plan has no group \"" + name + "\". Name the columns as its groups."));
    }
    Map<YearMonth, Integer> seen = new HashMap<>();
    List<StaffDirectory.Count> counts = new ArrayList<>();
    for (CsvTable.Numbered row : table.get().rows()) {
      String at = "Line " + row.number();
      if (row.cells().size() != header.size()) {
        faults.add(at, cells(row, header));
        continue;
      }
      Optional<YearMonth> month =
          faults.at(at + ", month", () -> over(Codes.month(row.cells().getFirst()), now));
      if (month.isEmpty()) {
        continue;
      }
      Integer before = seen.putIfAbsent(month.get(), row.number());
      if (before != null) {
        faults.add(at + ", month", month.get() + " stands in line " + before + " already.");
      }
      ids.forEach((column, id) -> {
        String cell = row.cells().get(column);
        if (!cell.isBlank()) {
          faults
              .at(at + ", " + header.get(column), () -> people(cell))
              .ifPresent(people -> counts.add(new StaffDirectory.Count(id, month.get(), people)));
        }
      });
    }
    return counts;
  }

  private static YearMonth over(YearMonth month, YearMonth now) {
    if (!month.isBefore(now)) {
      throw new IllegalArgumentException(
          month + " is not over yet. What was counted ends with " + now.minusMonths(1) + ".");
    }
    return month;
  }

  private static boolean isHeaded(List<String> header, Faults faults) {
    if (header.size() < 2 || !header.getFirst().strip().equalsIgnoreCase(MONTH)) {
      faults.add(
          "Line 1",
          "The first column is called \""
              + (header.isEmpty() ? "" : header.getFirst())
              + "\". Call it \"month\", and each further column by a group’s name.");
      return false;
    }
    return true;
  }

  private static String cells(CsvTable.Numbered row, List<String> header) {
    return "There are " + row.cells().size() + " cells; the header has " + header.size() + ".";
  }

  private static void row(
      CsvTable.Numbered row,
      List<String> header,
      List<YearMonth> months,
      List<List<Integer>> values,
      Faults faults) {
    String at = "Line " + row.number();
    if (row.cells().size() != header.size()) {
      faults.add(at, cells(row, header));
      return;
    }
    faults
        .at(at + ", month", () -> Codes.month(row.cells().getFirst()))
        .ifPresent(month -> {
          if (!months.isEmpty() && !month.equals(months.getLast().plusMonths(1))) {
            faults.add(
                at + ", month",
                month + " does not follow " + months.getLast() + ". List every month once.");
          }
          months.add(month);
        });
    for (int i = 1; i < header.size(); i++) {
      int column = i;
      faults
          .at(at + ", " + header.get(i), () -> people(row.cells().get(column)))
          .ifPresent(people -> values.get(column).add(people));
    }
  }

  private static int people(String cell) {
    int people = Codes.whole(cell);
    if (people < 0 || people > 1_000_000) {
      throw new IllegalArgumentException(
          "A headcount lies between 0 and 1,000,000; found " + people + ".");
    }
    return people;
  }

  private static List<Brief.GroupPart> groups(
      List<String> header, List<List<Integer>> values, Optional<GrowthPlan> before) {
    List<Brief.GroupPart> groups = new ArrayList<>();
    List<String> ids = new ArrayList<>();
    for (int i = 1; i < header.size(); i++) {
      String name = header.get(i).strip();
      String id =
          before.stream()
              .flatMap(plan -> plan.groups().stream())
              .filter(group -> group.name().equals(name))
              .map(Brief.GroupPart::id)
              .findFirst()
              .orElseGet(() -> Codes.unused(Codes.slug(name), ids));
      ids.add(id);
      groups.add(
          new Brief.GroupPart(id, name, "listed", null, null, null, values.get(i), List.of()));
    }
    return groups;
  }
}
