package tertulia.app.catalogue;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Objects;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.util.DigestUtils;
import tertulia.app.exchange.Json;
import tertulia.app.exchange.ToolSheet;
import tertulia.app.web.Conflict;

/** What makers announce, as people here put it down. It changes nothing by itself. */
@Service
public class MakersNews {
  /** More would not be answered. */
  private static final int MOST = 50;

  private final NewsRow.All rows;
  private final Catalogue catalogue;
  private final Clock clock;

  MakersNews(NewsRow.All rows, Catalogue catalogue, Clock clock) {
    this.rows = rows;
    this.catalogue = catalogue;
    this.clock = clock;
  }

  /**
   * An announcement.
   *
   * @param tool id of the tool
   * @param on when it was announced
   * @param holdsFrom the day from which the page holds
   * @param says what the maker says
   * @param base the page that held on that day when it was put down
   * @param sheet the page as it will be
   * @param by who put it down
   */
  public record News(
      long id,
      String tool,
      LocalDate on,
      LocalDate holdsFrom,
      String says,
      ToolSheet base,
      ToolSheet sheet,
      String by) {}

  /** Everything that was put down, oldest first. */
  @Transactional(readOnly = true)
  public List<News> all() {
    return rows.findAll().stream().map(MakersNews::read).toList();
  }

  private static News read(NewsRow row) {
    return new News(
        Objects.requireNonNull(row.id),
        row.tool,
        row.announcedOn,
        row.holdsFrom,
        row.says,
        Catalogue.PAGE.read(row.base, row.format),
        Catalogue.PAGE.read(row.sheet, row.format),
        row.notedBy);
  }

  /** The plans whose prices or limits are announced were read on the day of the announcement. */
  private static ToolSheet dated(ToolSheet sheet, ToolSheet before, LocalDate on) {
    return sheet.withPlans(
        sheet.plans().stream()
            .map(plan ->
                before.plans().stream().anyMatch(old -> sellsAs(plan, old))
                    ? plan
                    : plan.withSource(plan.source().confirmedOn(on.toString())))
            .toList());
  }

  /** Whether two plans differ in facts at most. */
  private static boolean sellsAs(ToolSheet.PlanPart plan, ToolSheet.PlanPart old) {
    return plan.withSource(old.source()).withFacts(old.facts()).equals(old);
  }

  /**
   * Puts an announcement down. The same sent twice waits once.
   *
   * @param version of the tool's pages when it was begun
   * @throws Conflict if somebody changed the page since, if the page would be as it is, or if too
   *     much waits
   */
  @Transactional
  public void put(
      String tool,
      long version,
      LocalDate on,
      LocalDate holdsFrom,
      String says,
      ToolSheet sheet,
      String by) {
    Catalogue.Stored held = catalogue.get(tool, holdsFrom);
    if (held.version() != version) {
      throw new Conflict(
          "Somebody changed the page of "
              + held.sheet().name()
              + " while you were writing. What you wrote is still here; look at theirs and send it"
              + " again.");
    }
    ToolSheet announced = dated(sheet.withId(tool), held.sheet(), on);
    if (announced.equals(held.sheet())) {
      throw new Conflict("Nothing on the page would change. Enter what changes.");
    }
    String base = Json.write(held.sheet());
    String page = Json.write(announced);
    String digest =
        DigestUtils.md5DigestAsHex(
            String.join("\n", tool, "" + on, "" + holdsFrom, says, base, page)
                .getBytes(StandardCharsets.UTF_8));
    if (rows.existsByWaiting(digest)) {
      return;
    }
    if (rows.countByWaitingNotNull() >= MOST) {
      throw new Conflict("At most " + MOST + " announcements wait. Answer some of them first.");
    }
    NewsRow row = new NewsRow();
    row.tool = tool;
    row.announcedOn = on;
    row.holdsFrom = holdsFrom;
    row.says = says;
    row.base = base;
    row.sheet = page;
    row.waiting = digest;
    row.format = Catalogue.PAGE.version();
    row.notedBy = by;
    row.notedAt = clock.instant();
    rows.saveAndFlush(row);
  }

  /** It waits no longer. */
  @Transactional
  public void answered(long id) {
    rows.findById(id)
        .ifPresent(row -> {
          row.waiting = null;
          rows.save(row);
        });
  }
}
