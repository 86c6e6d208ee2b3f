package tertulia.app.catalogue;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tertulia.app.exchange.CatalogueFile;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.DocumentFormat;
import tertulia.app.exchange.Faults;
import tertulia.app.exchange.Json;
import tertulia.app.exchange.Limits;
import tertulia.app.exchange.ToolReader;
import tertulia.app.exchange.ToolSheet;
import tertulia.app.web.Conflict;
import tertulia.app.web.NotFound;
import tertulia.core.deadline.OnceEach;
import tertulia.core.growth.Measure;

/** The tools the organisation knows of, each with the history of its price page. */
@Service
public class Catalogue {
  static final DocumentFormat<ToolSheet> PAGE =
      new DocumentFormat<>("price page", ToolSheet.class, List.of());

  /** What stands behind /catalogue/ already. */
  private static final List<String> ADDRESSES = List.of("new", "import", "check", "freshness");

  private static final OnceEach<Written, ToolSheet> READ = new OnceEach<>("the price pages", 400);
  private final ToolRows rows;
  private final VersionRows versions;
  private final Clock clock;
  private final ApplicationEventPublisher events;

  /** Tools read before, by id. */
  private final Map<Long, Known> read = new ConcurrentHashMap<>();

  Catalogue(ToolRows rows, VersionRows versions, Clock clock, ApplicationEventPublisher events) {
    this.events = events;
    this.rows = rows;
    this.versions = versions;
    this.clock = clock;
  }

  /** A page as it is stored. */
  private record Written(String sheet, int format) {}

  /**
   * A stored tool with the version it was read at.
   *
   * @param sheet the page in force on the day that was asked for; if none has begun, only the name
   */
  public record Stored(long id, long version, boolean archived, ToolSheet sheet) {}

  /** A tool as it is from a day on until the day before another; without end if that is null. */
  private record Known(Stored stored, LocalDate from, @Nullable LocalDate until) {
    boolean holds(ToolRows.Head head, LocalDate day) {
      return stored.version() == head.version()
          && !day.isBefore(from)
          && (until == null || day.isBefore(until));
    }
  }

  /**
   * A price page as it held from a day on.
   *
   * @param by who wrote it down; empty if nobody is on record
   * @param canUndo whether the last change of it can be taken back
   */
  public record Edition(
      LocalDate validFrom, String by, Instant at, ToolSheet sheet, boolean canUndo) {}

  /**
   * What became of a tool.
   *
   * @param version the tool's now
   * @param changed whether anything was written
   */
  public record Change(long version, boolean changed) {}

  /** Every tool by name, archived ones included; one query unless something changed. */
  @Transactional(readOnly = true)
  public List<Stored> everything() {
    LocalDate today = today();
    List<ToolRows.Head> heads = rows.heads();
    List<ToolRows.Head> changed = heads.stream().filter(head -> !isKnown(head, today)).toList();
    if (!changed.isEmpty()) {
      remember(changed, today);
    }
    return heads.stream()
        .map(head -> Objects.requireNonNull(read.get(head.id())).stored())
        .sorted(
            Comparator.comparing((Stored tool) -> tool.sheet().name().toLowerCase(Locale.ROOT))
                .thenComparing(Stored::id))
        .toList();
  }

  private boolean isKnown(ToolRows.Head head, LocalDate day) {
    Known known = read.get(head.id());
    return known != null && known.holds(head, day);
  }

  private void remember(List<ToolRows.Head> heads, LocalDate day) {
    List<Long> ids = heads.stream().map(ToolRows.Head::id).toList();
    Map<Long, PageDays> days = days(ids);
    Map<Long, ToolSheet> sheets = sheets(ids, day);
    for (ToolRows.Head head : heads) {
      PageDays own = Objects.requireNonNull(days.get(head.id()));
      Stored stored =
          new Stored(
              head.id(),
              head.version(),
              head.archived(),
              Objects.requireNonNull(sheets.get(head.id())));
      read.put(
          head.id(),
          new Known(stored, own.inForce(day).orElse(LocalDate.MIN), own.next(day).orElse(null)));
    }
  }

  private Map<Long, PageDays> days(Collection<Long> ids) {
    Map<Long, List<LocalDate>> byTool = new HashMap<>();
    versions
        .days(ids)
        .forEach(page ->
            byTool.computeIfAbsent(page.toolId(), id -> new ArrayList<>()).add(page.from()));
    Map<Long, PageDays> days = new HashMap<>();
    byTool.forEach((id, all) -> days.put(id, PageDays.of(all)));
    return days;
  }

  /** Every tool that is not archived, by name. */
  public List<Stored> all() {
    return everything().stream().filter(tool -> !tool.archived()).toList();
  }

  /** A tool as it is today. */
  @Transactional(readOnly = true)
  public Optional<Stored> find(String slug) {
    return find(slug, today());
  }

  /** A tool with the page in force on a day. */
  @Transactional(readOnly = true)
  public Optional<Stored> find(String slug, LocalDate day) {
    return rows.findBySlug(slug).map(row -> stored(row, day));
  }

  public Stored get(String slug) {
    return get(slug, today());
  }

  public Stored get(String slug, LocalDate day) {
    return find(slug, day).orElseThrow(() -> new NotFound("tool \"" + slug + "\""));
  }

  private Stored stored(ToolRow row, LocalDate day) {
    long id = Objects.requireNonNull(row.id);
    return new Stored(
        id, row.version, row.archived, Objects.requireNonNull(sheets(List.of(id), day).get(id)));
  }

  /** The days from which the pages of a tool hold. */
  @Transactional(readOnly = true)
  public PageDays days(String slug) {
    long id = Objects.requireNonNull(row(slug).id);
    return Objects.requireNonNull(days(List.of(id)).get(id));
  }

  private ToolRow row(String slug) {
    return rows.findBySlug(slug).orElseThrow(() -> new NotFound("tool \"" + slug + "\""));
  }

  /**
   * The sheets of some tools in force on a day, by stored id. Of a tool of which no page has begun
   * there is only its name.
   */
  @Transactional(readOnly = true)
  public Map<Long, ToolSheet> sheets(Collection<Long> ids, LocalDate day) {
    if (ids.isEmpty()) {
      return Map.of();
    }
    Map<Long, Map<LocalDate, Long>> pages = new HashMap<>();
    versions
        .days(ids)
        .forEach(page ->
            pages
                .computeIfAbsent(page.toolId(), id -> new HashMap<>())
                .put(page.from(), page.id()));
    Set<Long> begun = new HashSet<>();
    List<Long> wanted = new ArrayList<>();
    pages.forEach((id, own) -> {
      PageDays days = PageDays.of(own.keySet());
      if (days.inForce(day).isPresent()) {
        begun.add(id);
      }
      wanted.add(own.get(days.inForce(day).orElseGet(days::first)));
    });
    Map<Long, ToolSheet> sheets = new HashMap<>();
    versions
        .pages(wanted)
        .forEach(page -> {
          ToolSheet sheet = sheet(page.sheet(), page.format());
          sheets.put(page.toolId(), begun.contains(page.toolId()) ? sheet : sheet.bare());
        });
    return sheets;
  }

  /**
   * The sheets of some tools in force on a day, by the tool's id; nothing of a tool that is not
   * there.
   */
  @Transactional(readOnly = true)
  public Map<String, ToolSheet> pages(Collection<String> slugs, LocalDate day) {
    if (slugs.isEmpty()) {
      return Map.of();
    }
    List<Long> ids =
        everything().stream()
            .filter(tool -> slugs.contains(tool.sheet().id()))
            .map(Stored::id)
            .toList();
    return sheets(ids, day).values().stream().collect(Collectors.toMap(ToolSheet::id, s -> s));
  }

  /** The sheets in force today. */
  public Map<Long, ToolSheet> sheets(Collection<Long> ids) {
    return sheets(ids, today());
  }

  /**
   * Names of the capabilities that price pages state, in order.
   *
   * @param ofAreas of the tools that serve one of some work areas
   */
  public record Capabilities(List<String> all, List<String> ofAreas) {}

  /** What price pages state, and what those of tools for some work areas state. */
  public Capabilities capabilities(Collection<String> areas) {
    List<Stored> tools = all();
    return new Capabilities(
        stated(tools.stream()),
        stated(tools.stream().filter(tool -> !Collections.disjoint(tool.sheet().areas(), areas))));
  }

  /** The measures of one's own that some page counts, the first by name. */
  @Transactional(readOnly = true)
  public List<Measure> ownMeasures() {
    return all().stream()
        .flatMap(tool -> tool.sheet().measures())
        .distinct()
        .map(Codes::measure)
        .filter(Measure::isOwn)
        .sorted(Comparator.comparing(Measure::label).thenComparing(Measure::id))
        .limit(Limits.OFFERED)
        .toList();
  }

  private static List<String> stated(Stream<Stored> tools) {
    Map<String, String> names = new TreeMap<>();
    tools
        .flatMap(tool -> tool.sheet().plans().stream())
        .flatMap(plan -> plan.facts().stream())
        .forEach(fact -> names.putIfAbsent(Codes.slug(fact.capability()), fact.capability()));
    return List.copyOf(names.values());
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
    ToolRow row = new ToolRow();
    List<String> taken = new ArrayList<>(rows.slugs());
    taken.addAll(ADDRESSES);
    row.slug = Codes.unused(Codes.slug(sheet.name()), taken);
    rows.saveAndFlush(row);
    write(row, begun(row, firstDay(sheet)), sheet, by);
    return row.slug;
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
   * @throws Conflict if any page of the tool was changed since {@code version}
   */
  @Transactional
  public Change change(String slug, long version, ToolSheet sheet, LocalDate from, String by) {
    ToolRow row = row(slug);
    if (row.version != version) {
      throw new Conflict(
          "Somebody else changed "
              + stored(row, from).sheet().name()
              + " while you were editing. Your entries are still"
              + " here; save again to replace theirs.");
    }
    return change(row, sheet, from, by);
  }

  /** Makes a page that holds from a day on of the one in force on that day. */
  @Transactional
  public Change revise(String slug, LocalDate from, UnaryOperator<ToolSheet> revision, String by) {
    ToolRow row = row(slug);
    return change(row, revision.apply(stored(row, from).sheet()), from, by);
  }

  private Change change(ToolRow row, ToolSheet sheet, LocalDate from, String by) {
    long before = row.version;
    long id = Objects.requireNonNull(row.id);
    write(
        row,
        versions.findByToolIdAndValidFrom(id, from).orElseGet(() -> begun(row, from)),
        sheet,
        by);
    return new Change(row.version, row.version != before);
  }

  /** Writes a page, unless it stands there already. What cannot be read again is not written. */
  private void write(ToolRow row, VersionRow page, ToolSheet sheet, String by) {
    ToolSheet own = sheet.withId(row.slug);
    if (page.id != null && sheet(page.sheet, page.format).equals(own)) {
      return;
    }
    Faults faults = new Faults();
    new ToolReader(faults).tool("", own);
    if (!faults.isEmpty()) {
      throw new Conflict(
          "This page of "
              + sheet.name()
              + " could not be read again, so it is not stored: "
              + faults.all().getFirst().message());
    }
    page.replaced =
        page.id == null ? null : Json.write(sheet(page.sheet, page.format).withId(row.slug));
    page.sheet = Json.write(own);
    page.format = PAGE.version();
    page.notedBy = by;
    page.notedAt = clock.instant();
    versions.saveAndFlush(page);
    touch(row);
  }

  private void touch(ToolRow row) {
    row.changes++;
    rows.saveAndFlush(row);
    events.publishEvent(new PagesChanged());
  }

  /**
   * Takes back the last change of the page that begins on a day: what it replaced is there again,
   * or the page is gone if it replaced nothing.
   *
   * @throws NotFound if there is nothing to take back
   * @throws Conflict if any page of the tool was changed since {@code version}, be it by this
   */
  @Transactional
  public void undo(String slug, long version, LocalDate from) {
    ToolRow row = row(slug);
    if (row.version != version) {
      throw new Conflict(
          "The pages of "
              + stored(row, from).sheet().name()
              + " have changed since, or this was undone already. Look at them again.");
    }
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
    touch(row);
  }

  /**
   * Takes price pages with their days; a tool that is not known is added under the id.
   *
   * @param pages by the day they hold from, oldest first; at least one
   */
  @Transactional
  public void takePages(String slug, Map<LocalDate, CatalogueFile.Page> pages) {
    ToolRow row =
        rows.findBySlug(slug)
            .orElseGet(() -> {
              ToolRow begun = new ToolRow();
              begun.slug = slug;
              return rows.saveAndFlush(begun);
            });
    pages.forEach((day, page) -> change(row, page.tool(), day, page.by()));
  }

  private static VersionRow begun(ToolRow row, LocalDate day) {
    VersionRow version = new VersionRow();
    version.toolId = Objects.requireNonNull(row.id);
    version.validFrom = day;
    return version;
  }

  /** Every tool with all its price pages, archived ones included, by name. */
  @Transactional(readOnly = true)
  public List<CatalogueFile.Entry> entries() {
    List<Stored> tools = everything();
    Map<Long, List<CatalogueFile.Page>> pages = new HashMap<>();
    versions
        .pages(
            versions.days(tools.stream().map(Stored::id).toList()).stream()
                .map(VersionRows.Dated::id)
                .toList())
        .forEach(page ->
            pages
                .computeIfAbsent(page.toolId(), id -> new ArrayList<>())
                .add(
                    new CatalogueFile.Page(
                        page.from().toString(), page.by(), sheet(page.sheet(), page.format()))));
    return tools.stream()
        .map(tool ->
            new CatalogueFile.Entry(
                tool.archived() ? true : null, Objects.requireNonNull(pages.get(tool.id()))))
        .toList();
  }

  /** Takes a tool out of the list, or back into it; selections keep what they have. */
  @Transactional
  public void archive(String slug, boolean archived) {
    row(slug).archived = archived;
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

  private static Edition edition(VersionRow row) {
    return new Edition(
        row.validFrom,
        row.notedBy,
        row.notedAt,
        sheet(row.sheet, row.format),
        row.replaced != null);
  }

  private static ToolSheet sheet(String json, int format) {
    return READ.get(
        new Written(json, format), written -> PAGE.read(written.sheet(), written.format()));
  }
}
