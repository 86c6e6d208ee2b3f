package tertulia.app.catalogue;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
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
    return preview(contents(file));
  }

  private Preview preview(Contents contents) {
    return contents.refusals().isEmpty()
        ? new Preview(
            contents.reading(), contents.tools().stream().map(this::line).toList(), List.of())
        : Preview.refused(contents.reading(), contents.refusals());
  }

  /**
   * Takes the file.
   *
   * @return what it did; with refusals, nothing was stored
   */
  @Transactional
  public int take(byte[] file, String by) {
    Contents contents = contents(file);
    Preview preview = preview(contents);
    if (!preview.isTakeable()) {
      return 0;
    }
    int taken = 0;
    for (int i = 0; i < contents.tools().size(); i++) {
      if (preview.tools().get(i).standing() != Preview.Standing.UNCHANGED) {
        take(contents.tools().get(i), by);
        taken++;
      }
    }
    return taken;
  }

  private void take(Offered tool, String by) {
    ToolSheet newest = tool.newest();
    boolean isNew = catalogue.find(newest.id()).isEmpty();
    tool.undated()
        .ifPresent(sheet -> {
          if (isNew) {
            catalogue.addAs(sheet, by);
          } else {
            catalogue.change(sheet.id(), sheet, catalogue.today(), by);
          }
        });
    if (!tool.pages().isEmpty()) {
      catalogue.takePages(newest.id(), tool.pages());
      catalogue.archive(newest.id(), tool.archived());
    }
  }

  private Preview.Line line(Offered tool) {
    ToolSheet newest = tool.newest();
    Optional<Catalogue.Stored> known = catalogue.find(newest.id());
    if (known.isEmpty()) {
      return new Preview.Line(
          tool.where(), newest.id(), newest.name(), Preview.Standing.NEW, List.of());
    }
    List<SheetCells.Change> changes = new ArrayList<>();
    tool.undated()
        .filter(sheet -> !sheet.equals(ToolForms.inPageOrder(known.get().sheet())))
        .ifPresent(sheet -> changes.addAll(changes("", known.get().sheet(), sheet)));
    if (!tool.pages().isEmpty()) {
      changes.addAll(pages(tool, known.get()));
    }
    return new Preview.Line(
        tool.where(),
        newest.id(),
        newest.name(),
        changes.isEmpty() ? Preview.Standing.UNCHANGED : Preview.Standing.CHANGED,
        changes);
  }

  private List<SheetCells.Change> pages(Offered tool, Catalogue.Stored known) {
    List<SheetCells.Change> changes = new ArrayList<>();
    Map<LocalDate, ToolSheet> stored = new LinkedHashMap<>();
    catalogue
        .history(known.sheet().id())
        .forEach(edition -> stored.put(edition.validFrom(), edition.sheet()));
    tool.pages()
        .forEach((day, page) -> {
          ToolSheet before = stored.get(day);
          if (before == null) {
            changes.add(SheetCells.Change.of("Price page from " + day, "", "new"));
          } else if (!before.equals(page.tool())) {
            changes.addAll(changes("From " + day + ": ", before, page.tool()));
          }
        });
    if (tool.archived() != known.archived()) {
      changes.add(
          SheetCells.Change.of(
              "Archived", known.archived() ? "yes" : "no", tool.archived() ? "yes" : "no"));
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
