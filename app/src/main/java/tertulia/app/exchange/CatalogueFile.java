package tertulia.app.exchange;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Price pages and facts of many tools with their history; described by
 * docs/formats/catalogue-1.schema.json.
 */
public record CatalogueFile(String format, int version, List<Entry> tools) {
  public static final String FORMAT = "tertulia-catalogue";
  public static final int VERSION = 1;

  private static final EnforcedSchema SCHEMA = EnforcedSchema.named("catalogue-1");

  public CatalogueFile {
    tools = List.copyOf(tools);
  }

  public static CatalogueFile of(List<Entry> tools) {
    return new CatalogueFile(FORMAT, VERSION, tools);
  }

  /**
   * A tool.
   *
   * @param archived true if it is kept out of the list; null: it is not
   * @param pages its price pages, oldest first; at least one
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record Entry(@Nullable Boolean archived, List<Page> pages) {
    public Entry {
      pages = List.copyOf(pages);
    }

    public String id() {
      return pages.getLast().tool().id();
    }

    public boolean isArchived() {
      return Boolean.TRUE.equals(archived);
    }
  }

  /** A price page as it held from a day on, and who wrote it down. */
  public record Page(String holdsFrom, String by, ToolSheet tool) {}

  /** What became of a file. */
  public sealed interface Read {
    /** The file holds a catalogue. */
    record Accepted(CatalogueFile file) implements Read {}

    /** The file was refused. Nothing of it was stored. */
    record Refused(List<Fault> faults) implements Read {}
  }

  public String write() {
    return Json.write(this);
  }

  /** Reads a file: size, JSON, schema, then the rules of the core. All or nothing. */
  public static Read read(byte[] bytes) {
    JsonFile<CatalogueFile> file =
        JsonFile.read(bytes, FORMAT, VERSION, "catalogue", SCHEMA, CatalogueFile.class);
    return file.value()
        .map(CatalogueFile::accepted)
        .orElseGet(() -> new Read.Refused(file.faults()));
  }

  /** What of a price page goes beyond what a file may hold; empty if nothing does. */
  public static Optional<Fault> beyond(ToolSheet sheet) {
    return SCHEMA.beyond(
        of(List.of(new Entry(null, List.of(new Page("2026-01-01", "somebody", sheet))))));
  }

  private static Read accepted(CatalogueFile file) {
    Faults faults = new Faults();
    Set<String> ids = new HashSet<>();
    for (int t = 0; t < file.tools().size(); t++) {
      String at = "/tools/" + t;
      if (!ids.add(file.tools().get(t).id())) {
        faults.add(
            at, "Another tool has the id \"" + file.tools().get(t).id() + "\" too. Change one.");
      }
      check(at + "/pages", file.tools().get(t).pages(), faults);
    }
    return faults.isEmpty() ? new Read.Accepted(file) : new Read.Refused(faults.all());
  }

  private static void check(String at, List<Page> pages, Faults faults) {
    List<LocalDate> days = new ArrayList<>();
    for (int p = 0; p < pages.size(); p++) {
      Page page = pages.get(p);
      String here = at + "/" + p;
      faults.at(here + "/holdsFrom", () -> Codes.day(page.holdsFrom())).ifPresent(days::add);
      new ToolReader(faults).tool(here + "/tool", page.tool());
      if (!page.tool().id().equals(pages.getLast().tool().id())) {
        faults.add(here + "/tool/id", "All pages of a tool have one id; found two.");
      }
    }
    for (int i = 1; i < days.size(); i++) {
      if (!days.get(i - 1).isBefore(days.get(i))) {
        faults.add(at + "/" + i, "Pages stand oldest first, each from a day of its own.");
      }
    }
  }
}
