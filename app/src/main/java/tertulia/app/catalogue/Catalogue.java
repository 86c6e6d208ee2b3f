package tertulia.app.catalogue;

import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeMap;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.Json;
import tertulia.app.exchange.ToolSheet;
import tertulia.app.web.Conflict;
import tertulia.app.web.NotFound;

/** The tools the organisation knows of. */
@Service
public class Catalogue {
  private final ToolRows rows;

  Catalogue(ToolRows rows) {
    this.rows = rows;
  }

  /** A stored tool with the version it was read at. */
  public record Stored(long id, long version, ToolSheet sheet) {}

  /** Every tool by name. */
  @Transactional(readOnly = true)
  public List<Stored> all() {
    return rows.findAllByOrderByName().stream().map(Catalogue::stored).toList();
  }

  @Transactional(readOnly = true)
  public Optional<Stored> find(String slug) {
    return rows.findBySlug(slug).map(Catalogue::stored);
  }

  public Stored get(String slug) {
    return find(slug).orElseThrow(() -> new NotFound("tool \"" + slug + "\""));
  }

  /** The sheets of some tools by their stored id. */
  @Transactional(readOnly = true)
  public Map<Long, ToolSheet> sheets(Collection<Long> ids) {
    Map<Long, ToolSheet> sheets = new LinkedHashMap<>();
    rows.findAllById(ids).forEach(row -> sheets.put(row.id, sheet(row)));
    return sheets;
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

  /** Stores a new tool; its id is made from its name and returned. */
  @Transactional
  public String add(ToolSheet sheet) {
    String slug = Codes.unused(Codes.slug(sheet.name()), rows.slugs());
    ToolRow row = new ToolRow();
    row.slug = slug;
    write(row, withId(sheet, slug));
    rows.save(row);
    return slug;
  }

  /**
   * Stores a changed tool.
   *
   * @throws Conflict if it is not at {@code version} any more
   */
  @Transactional
  public void change(String slug, long version, ToolSheet sheet) {
    ToolRow row = rows.findBySlug(slug).orElseThrow(() -> new NotFound("tool \"" + slug + "\""));
    if (row.version != version) {
      throw new Conflict(
          "Somebody else changed "
              + row.name
              + " while you were editing. Your entries are still"
              + " here; save again to replace theirs.");
    }
    write(row, withId(sheet, slug));
  }

  /** The id of a stored tool that is exactly {@code sheet}, or of a new one made from it. */
  @Transactional
  public Stored sameOrNew(ToolSheet sheet) {
    Optional<Stored> same = find(sheet.id()).filter(stored -> stored.sheet().equals(sheet));
    return same.orElseGet(() -> get(add(sheet)));
  }

  private static void write(ToolRow row, ToolSheet sheet) {
    row.name = sheet.name();
    row.sheet = Json.write(sheet);
  }

  private static ToolSheet withId(ToolSheet sheet, String slug) {
    return new ToolSheet(slug, sheet.name(), sheet.maker(), sheet.plans(), sheet.ratings());
  }

  private static Stored stored(ToolRow row) {
    return new Stored(Objects.requireNonNull(row.id), row.version, sheet(row));
  }

  private static ToolSheet sheet(ToolRow row) {
    return Json.stored(row.sheet, ToolSheet.class);
  }
}
