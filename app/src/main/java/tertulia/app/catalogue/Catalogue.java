package tertulia.app.catalogue;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tertulia.app.exchange.CatalogueFile;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.Json;
import tertulia.app.exchange.Memo;
import tertulia.app.exchange.ToolSheet;
import tertulia.app.web.Conflict;
import tertulia.app.web.NotFound;

/** The tools the organisation knows of, each with the history of its price page. */
@Service
public class Catalogue {
  private static final Memo<String, ToolSheet> READ = new Memo<>(400);
  private final ToolRows rows;
  private final VersionRows versions;
  private final Clock clock;

  /** Sheets read before, by id; a row's version says whether they still hold. */
  private final Map<Long, Stored> read = new ConcurrentHashMap<>();

  Catalogue(ToolRows rows, VersionRows versions, Clock clock) {
    this.rows = rows;
    this.versions = versions;
    this.clock = clock;
  }

  /** A stored tool with the version it was read at; its sheet is the one in force today. */
  public record Stored(long id, long version, boolean archived, ToolSheet sheet) {}

  /**
   * A price page as it held from a day on.
   *
   * @param by who wrote it down; empty if nobody is on record
   * @param canUndo whether the last change of it can be taken back
   */
  public record Edition(
      LocalDate validFrom, String by, Instant at, ToolSheet sheet, boolean canUndo) {}

  /** Every tool by name, archived ones included; one query unless something changed. */
  @Transactional(readOnly = true)
  public List<Stored> everything() {
    List<ToolRows.Head> heads = rows.heads();
    List<Long> changed =
        heads.stream().filter(head -> !isRead(head)).map(ToolRows.Head::id).toList();
    if (!changed.isEmpty()) {
      rows.findAllById(changed)
          .forEach(row -> read.put(Objects.requireNonNull(row.id), stored(row)));
    }
    return heads.stream().map(head -> Objects.requireNonNull(read.get(head.id()))).toList();
  }

  private boolean isRead(ToolRows.Head head) {
    Stored known = read.get(head.id());
    return known != null && known.version() == head.version();
  }

  /** Every tool that is not archived, by name. */
  public List<Stored> all() {
    return everything().stream().filter(tool -> !tool.archived()).toList();
  }

  @Transactional(readOnly = true)
  public Optional<Stored> find(String slug) {
    return rows.findBySlug(slug).map(Catalogue::stored);
  }

  public Stored get(String slug) {
    return find(slug).orElseThrow(() -> new NotFound("tool \"" + slug + "\""));
  }

  /**
   * The sheets of some tools as they held on a day, by stored id. Of a tool not known then there is
   * only its name.
   */
  @Transactional(readOnly = true)
  public Map<Long, ToolSheet> sheets(Collection<Long> ids, LocalDate day) {
    Map<Long, ToolSheet> sheets = new HashMap<>();
    rows.findAllById(ids)
        .forEach(row -> sheets.put(Objects.requireNonNull(row.id), sheet(row.sheet).bare()));
    Map<Long, String> inForce = new HashMap<>();
    versions
        .findByToolIdInAndValidFromLessThanEqualOrderByValidFrom(ids, day)
        .forEach(version -> inForce.put(version.toolId, version.sheet));
    inForce.forEach((id, sheet) -> sheets.put(id, sheet(sheet)));
    return sheets;
  }

  /** The sheets in force today. */
  public Map<Long, ToolSheet> sheets(Collection<Long> ids) {
    return sheets(ids, today());
  }

  /** Names of every capability for which some plan has a fact, by its slug. */
  public Map<String, String> capabilities() {
    Map<String, String> names = new TreeMap<>();
    all().stream()
        .flatMap(tool -> tool.sheet().plans().stream())
        .flatMap(plan -> plan.facts().stream())
        .forEach(fact -> names.putIfAbsent(Codes.slug(fact.capability()), fact.capability()));
    return names;
  }

  /** Every work area some tool serves, in order. */
  public Set<String> areas() {
    return everything().stream()
        .flatMap(tool -> tool.sheet().areas().stream())
        .collect(Collectors.toCollection(TreeSet::new));
  }

  /** The price pages of a tool, oldest first. */
  @Transactional(readOnly = true)
  public List<Edition> history(String slug) {
    long id = get(slug).id();
    return versions.findByToolIdOrderByValidFrom(id).stream().map(Catalogue::edition).toList();
  }

  /**
   * Stores a new tool; its id is made from its name and returned. Its page holds from the day its
   * oldest price was read.
   */
  @Transactional
  public String add(ToolSheet sheet, String by) {
    String slug = Codes.unused(Codes.slug(sheet.name()), rows.slugs());
    ToolRow row = new ToolRow();
    row.slug = slug;
    row.name = sheet.name();
    row.sheet = Json.write(sheet.withId(slug));
    rows.save(row);
    write(begun(Objects.requireNonNull(row.id), firstDay(sheet)), row.sheet, by);
    return slug;
  }

  /** The day its oldest price was read; today at the latest. */
  LocalDate firstDay(ToolSheet sheet) {
    LocalDate today = today();
    return sheet.plans().stream()
        .map(plan -> LocalDate.parse(plan.source().asOf()))
        .filter(day -> day.isBefore(today))
        .min(Comparator.naturalOrder())
        .orElse(today);
  }

  /**
   * Stores a changed tool: a new price page from {@code from} on, or the one that begins on that
   * day as it should have been. A page that changes nothing is not stored.
   *
   * @throws Conflict if the tool is not at {@code version} any more
   */
  @Transactional
  public void change(String slug, long version, ToolSheet sheet, LocalDate from, String by) {
    ToolRow row = rows.findBySlug(slug).orElseThrow(() -> new NotFound("tool \"" + slug + "\""));
    if (row.version != version) {
      throw new Conflict(
          "Somebody else changed "
              + row.name
              + " while you were editing. Your entries are still"
              + " here; save again to replace theirs.");
    }
    change(row, sheet, from, by);
  }

  /** As above, whatever the version. */
  @Transactional
  public void change(String slug, ToolSheet sheet, LocalDate from, String by) {
    change(
        rows.findBySlug(slug).orElseThrow(() -> new NotFound("tool \"" + slug + "\"")),
        sheet,
        from,
        by);
  }

  private void change(ToolRow row, ToolSheet sheet, LocalDate from, String by) {
    String text = Json.write(sheet.withId(row.slug));
    long id = Objects.requireNonNull(row.id);
    VersionRow page = versions.findByToolIdAndValidFrom(id, from).orElseGet(() -> begun(id, from));
    if (page.sheet.equals(text)) {
      return;
    }
    page.replaced = page.id == null ? null : page.sheet;
    write(page, text, by);
    bringIntoForce(row);
  }

  private void write(VersionRow page, String sheet, String by) {
    page.sheet = sheet;
    page.notedBy = by;
    page.notedAt = clock.instant();
    versions.saveAndFlush(page);
  }

  /** The page in force today stands in the tool's row; before the first, the first. */
  private void bringIntoForce(ToolRow row) {
    List<VersionRow> pages = versions.findByToolIdOrderByValidFrom(Objects.requireNonNull(row.id));
    VersionRow inForce =
        pages.stream()
            .filter(page -> !page.validFrom.isAfter(today()))
            .reduce((earlier, later) -> later)
            .orElseGet(pages::getFirst);
    row.sheet = inForce.sheet;
    row.name = sheet(row.sheet).name();
    rows.saveAndFlush(row);
  }

  /**
   * Takes back the last change of the page that begins on a day: what it replaced is there again,
   * or the page is gone if it replaced nothing.
   *
   * @throws NotFound if there is nothing to take back
   */
  @Transactional
  public void undo(String slug, LocalDate from) {
    ToolRow row = rows.findBySlug(slug).orElseThrow(() -> new NotFound("tool \"" + slug + "\""));
    List<VersionRow> pages = versions.findByToolIdOrderByValidFrom(Objects.requireNonNull(row.id));
    VersionRow page =
        pages.stream()
            .filter(p -> p.validFrom.equals(from))
            .findFirst()
            .orElseThrow(() -> new NotFound("price page from " + from));
    if (page.replaced != null) {
      page.sheet = page.replaced;
      page.replaced = null;
      versions.saveAndFlush(page);
    } else if (pages.size() > 1) {
      versions.delete(page);
      versions.flush();
    } else {
      throw new NotFound("earlier price page");
    }
    bringIntoForce(row);
  }

  /**
   * Takes price pages with their days; a tool that is not known is added under the id.
   *
   * @param pages by the day they hold from, oldest first; at least one
   */
  @Transactional
  public void takePages(String slug, Map<LocalDate, CatalogueFile.Page> pages) {
    ToolRow row = rows.findBySlug(slug).orElseGet(() -> begun(slug, pages));
    long id = Objects.requireNonNull(row.id);
    pages.forEach((day, page) -> {
      VersionRow version =
          versions.findByToolIdAndValidFrom(id, day).orElseGet(() -> begun(id, day));
      String text = Json.write(page.tool().withId(slug));
      if (!version.sheet.equals(text)) {
        version.replaced = version.id == null ? null : version.sheet;
        write(version, text, page.by());
      }
    });
    bringIntoForce(row);
  }

  private ToolRow begun(String slug, Map<LocalDate, CatalogueFile.Page> pages) {
    ToolSheet sheet = pages.values().iterator().next().tool();
    ToolRow row = new ToolRow();
    row.slug = slug;
    row.name = sheet.name();
    row.sheet = Json.write(sheet);
    return rows.save(row);
  }

  private static VersionRow begun(long id, LocalDate day) {
    VersionRow version = new VersionRow();
    version.toolId = id;
    version.validFrom = day;
    return version;
  }

  /** Every tool with all its price pages, archived ones included, by name. */
  @Transactional(readOnly = true)
  public List<CatalogueFile.Entry> entries() {
    List<Stored> tools = everything();
    Map<Long, List<CatalogueFile.Page>> pages = new HashMap<>();
    versions
        .findByToolIdInOrderByValidFrom(tools.stream().map(Stored::id).toList())
        .forEach(row ->
            pages
                .computeIfAbsent(row.toolId, id -> new ArrayList<>())
                .add(
                    new CatalogueFile.Page(
                        row.validFrom.toString(), row.notedBy, sheet(row.sheet))));
    return tools.stream()
        .map(tool ->
            new CatalogueFile.Entry(
                tool.archived() ? true : null, Objects.requireNonNull(pages.get(tool.id()))))
        .toList();
  }

  /** Takes a tool out of the list, or back into it; selections keep what they have. */
  @Transactional
  public void archive(String slug, boolean archived) {
    rows.findBySlug(slug).orElseThrow(() -> new NotFound("tool \"" + slug + "\"")).archived =
        archived;
  }

  /** The id of a stored tool that is exactly {@code sheet}, or of a new one made from it. */
  @Transactional
  public Stored sameOrNew(ToolSheet sheet, String by) {
    Optional<Stored> same = find(sheet.id()).filter(stored -> stored.sheet().equals(sheet));
    return same.orElseGet(() -> get(add(sheet, by)));
  }

  /** Today by the workspace's clock. */
  public LocalDate today() {
    return LocalDate.now(clock);
  }

  /** Everything at once as it is handed out: the sheets in force, archived tools left out. */
  public List<ToolSheet> sheets() {
    List<ToolSheet> sheets = new ArrayList<>();
    all().forEach(tool -> sheets.add(tool.sheet()));
    return sheets;
  }

  private static Stored stored(ToolRow row) {
    return new Stored(Objects.requireNonNull(row.id), row.version, row.archived, sheet(row.sheet));
  }

  private static Edition edition(VersionRow row) {
    return new Edition(
        row.validFrom, row.notedBy, row.notedAt, sheet(row.sheet), row.replaced != null);
  }

  private static ToolSheet sheet(@Nullable String json) {
    return READ.get(Objects.requireNonNull(json), text -> Json.stored(text, ToolSheet.class));
  }
}
