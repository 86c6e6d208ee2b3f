package tertulia.app.catalogue;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tertulia.app.exchange.CatalogueFile;
import tertulia.app.exchange.CsvTable;
import tertulia.app.exchange.Fault;
import tertulia.app.exchange.ToolSheet;

/** Takes price pages from files: first what it would do, then all of it or nothing. */
@Service
public class Imports {
  private final Catalogue catalogue;

  Imports(Catalogue catalogue) {
    this.catalogue = catalogue;
  }

  /** A tool as it stands in a file; the day of a page is empty where the file says none. */
  private record Offered(
      String where,
      boolean archived,
      Map<LocalDate, CatalogueFile.Page> pages,
      Optional<ToolSheet> undated) {
    ToolSheet newest() {
      return undated.orElseGet(() -> new ArrayList<>(pages.values()).getLast().tool());
    }
  }

  private record Contents(String reading, List<Offered> tools, List<Refusal> refusals) {}

  /** What taking the file would do; nothing is stored. */
  @Transactional(readOnly = true)
  Preview preview(byte[] file) {
    return preview(contents(file), known());
  }

  /** What is stored, by id; the newest page that holds today stands in the catalogue's list. */
  private record Known(Catalogue.Stored stored, CatalogueFile.Entry entry) {}

  private Map<String, Known> known() {
    Map<String, Known> known = new HashMap<>();
    List<Catalogue.Stored> stored = catalogue.everything();
    List<CatalogueFile.Entry> entries = catalogue.entries();
    for (int i = 0; i < stored.size(); i++) {
      known.put(stored.get(i).sheet().id(), new Known(stored.get(i), entries.get(i)));
    }
    return known;
  }

  private static Preview preview(Contents contents, Map<String, Known> known) {
    return contents.refusals().isEmpty()
        ? new Preview(
            contents.reading(),
            contents.tools().stream()
                .map(tool -> line(tool, Optional.ofNullable(known.get(tool.newest().id()))))
                .toList(),
            List.of())
        : Preview.refused(contents.reading(), contents.refusals());
  }

  /**
   * Takes the file.
   *
   * @return how many tools were added or changed; with refusals nothing is stored
   */
  @Transactional
  public int take(byte[] file, String by) {
    Contents contents = contents(file);
    Map<String, Known> known = known();
    Preview preview = preview(contents, known);
    if (!preview.isTakeable()) {
      return 0;
    }
    int taken = 0;
    for (int i = 0; i < contents.tools().size(); i++) {
      if (preview.tools().get(i).standing() != Preview.Standing.UNCHANGED) {
        Offered tool = contents.tools().get(i);
        take(tool, known.containsKey(tool.newest().id()), by);
        taken++;
      }
    }
    return taken;
  }

  /** A page without a day holds from today, or from when its oldest price was read if it is new. */
  private void take(Offered tool, boolean isKnown, String by) {
    String id = tool.newest().id();
    tool.undated()
        .ifPresent(sheet -> {
          LocalDate day = isKnown ? catalogue.today() : catalogue.firstDay(sheet);
          catalogue.takePages(id, Map.of(day, new CatalogueFile.Page(day.toString(), by, sheet)));
        });
    if (!tool.pages().isEmpty()) {
      catalogue.takePages(id, tool.pages());
      catalogue.archive(id, tool.archived());
    }
  }

  private static Preview.Line line(Offered tool, Optional<Known> known) {
    ToolSheet newest = tool.newest();
    List<SheetCells.Change> changes = known.map(stored -> changes(tool, stored)).orElse(List.of());
    Preview.Standing standing =
        known.isEmpty()
            ? Preview.Standing.NEW
            : changes.isEmpty() ? Preview.Standing.UNCHANGED : Preview.Standing.CHANGED;
    return new Preview.Line(tool.where(), newest.id(), newest.name(), standing, changes);
  }

  private static List<SheetCells.Change> changes(Offered tool, Known known) {
    List<SheetCells.Change> changes = new ArrayList<>();
    ToolSheet stored = known.stored().sheet();
    tool.undated()
        .filter(sheet -> !sheet.equals(ToolForms.inPageOrder(stored)))
        .ifPresent(sheet -> changes.addAll(changes("", stored, sheet)));
    if (tool.pages().isEmpty()) {
      return changes;
    }
    Map<String, ToolSheet> pages = new HashMap<>();
    known.entry().pages().forEach(page -> pages.put(page.holdsFrom(), page.tool()));
    tool.pages()
        .forEach((day, page) -> {
          ToolSheet before = pages.get(day.toString());
          if (before == null) {
            changes.add(SheetCells.Change.of("Price page from " + day, "", "new"));
          } else if (!before.equals(page.tool())) {
            changes.addAll(changes("From " + day + ": ", before, page.tool()));
          }
        });
    if (tool.archived() != known.stored().archived()) {
      changes.add(
          SheetCells.Change.of(
              "Archived",
              known.stored().archived() ? "yes" : "no",
              tool.archived() ? "yes" : "no"));
    }
    return changes;
  }

  /** What differs; at least that something does, such as the order of lines. */
  private static List<SheetCells.Change> changes(String at, ToolSheet before, ToolSheet after) {
    List<SheetCells.Change> found = SheetCells.changes(before, after);
    return found.isEmpty()
        ? List.of(SheetCells.Change.of(at + "Order of plans or lines", "as it is", "changed"))
        : found.stream().map(change -> change.under(at)).toList();
  }

  private static Contents contents(byte[] file) {
    return looksLikeJson(file) ? json(file) : csv(file);
  }

  private static boolean looksLikeJson(byte[] file) {
    String start = new String(file, 0, Math.min(file.length, 200), StandardCharsets.UTF_8);
    return start.replace("\uFEFF", "").stripLeading().startsWith("{");
  }

  private static Contents json(byte[] file) {
    return switch (CatalogueFile.read(file)) {
      case CatalogueFile.Read.Refused refused ->
          new Contents("JSON", List.of(), refused.faults().stream().map(Imports::refusal).toList());
      case CatalogueFile.Read.Accepted accepted -> {
        List<Offered> tools = new ArrayList<>();
        for (CatalogueFile.Entry entry : accepted.file().tools()) {
          Map<LocalDate, CatalogueFile.Page> pages = new LinkedHashMap<>();
          entry.pages().forEach(page -> pages.put(LocalDate.parse(page.holdsFrom()), page));
          tools.add(
              new Offered(
                  "tool " + (tools.size() + 1), entry.isArchived(), pages, Optional.empty()));
        }
        yield new Contents("JSON, with history", tools, List.of());
      }
    };
  }

  private static Refusal refusal(Fault fault) {
    return new Refusal(fault.at().isEmpty() ? "the file" : fault.at(), "", fault.message());
  }

  private static Contents csv(byte[] file) {
    CsvTable table;
    try {
      table = CsvTable.read(file);
    } catch (IllegalArgumentException e) {
      return new Contents(
          "CSV", List.of(), List.of(new Refusal("the file", "", String.valueOf(e.getMessage()))));
    }
    CsvReader.Sheets sheets = CsvReader.read(table);
    List<Offered> tools = new ArrayList<>();
    for (int i = 0; i < sheets.sheets().size(); i++) {
      tools.add(
          new Offered(
              "row " + sheets.rows().get(i), false, Map.of(), Optional.of(sheets.sheets().get(i))));
    }
    String reading =
        "CSV, "
            + table.encoding()
            + ", separated by "
            + table.separator().words()
            + (sheets.decimalComma() ? ", decimal comma" : ", decimal point");
    return new Contents(reading, tools, sheets.refusals());
  }
}
