package tertulia.app.pricechange;

import java.time.Clock;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tertulia.app.catalogue.Catalogue;
import tertulia.app.catalogue.SheetCells;
import tertulia.app.decision.Decisions;
import tertulia.app.display.Dates;
import tertulia.app.exchange.ToolSheet;
import tertulia.app.selection.Selections;
import tertulia.app.standin.MakersFeed;
import tertulia.app.standin.MakersFeed.Announcement;
import tertulia.app.web.Conflict;
import tertulia.app.web.NotFound;

/** What makers announce: proposals with old and new, taken over or passed by. */
@Service
class PriceChanges {
  private final MakersFeed feed;
  private final AnswerRow.All answers;
  private final Catalogue catalogue;
  private final Selections selections;
  private final Decisions decisions;
  private final Clock clock;

  PriceChanges(
      MakersFeed feed,
      AnswerRow.All answers,
      Catalogue catalogue,
      Selections selections,
      Decisions decisions,
      Clock clock) {
    this.feed = feed;
    this.answers = answers;
    this.catalogue = catalogue;
    this.selections = selections;
    this.decisions = decisions;
    this.clock = clock;
  }

  /**
   * An announcement that nobody has answered yet.
   *
   * @param changes what would change on the page
   * @param troubles what does not match the page here, in sentences
   */
  record Proposal(
      String id,
      String tool,
      String slug,
      String announced,
      String holdsFrom,
      String words,
      List<SheetCells.Change> changes,
      List<String> troubles,
      List<Effect> effects) {}

  /** An announcement that was answered. */
  record Answered(String tool, String words, String answer) {}

  /** How many announcements wait for an answer. */
  @Transactional(readOnly = true)
  long waiting() {
    Map<String, AnswerRow> answered = answered();
    return known().stream().filter(a -> !answered.containsKey(a.id())).count();
  }

  /** Announcements of tools in the catalogue, newest first. */
  private List<Announcement> known() {
    Set<String> here =
        catalogue.everything().stream().map(tool -> tool.sheet().id()).collect(Collectors.toSet());
    return feed.announced(catalogue.today()).stream()
        .filter(a -> here.contains(a.tool()))
        .sorted(Comparator.comparing(Announcement::on).reversed())
        .toList();
  }

  private Map<String, AnswerRow> answered() {
    Map<String, AnswerRow> byId = new HashMap<>();
    answers.findAll().forEach(row -> byId.put(row.changeId, row));
    return byId;
  }

  @Transactional(readOnly = true)
  List<Proposal> proposals() {
    Map<String, AnswerRow> answered = answered();
    return known().stream().filter(a -> !answered.containsKey(a.id())).map(this::proposal).toList();
  }

  private Proposal proposal(Announcement announcement) {
    Catalogue.Stored stored = catalogue.get(announcement.tool());
    AnnouncedPage page = AnnouncedPage.of(stored.sheet(), announcement);
    List<String> troubles = new ArrayList<>();
    page.notFound()
        .forEach(edit ->
            troubles.add(
                "The page here has no charge \""
                    + edit.charge()
                    + "\" with one price under that term; change it by hand."));
    page.otherwise()
        .forEach(edit ->
            troubles.add(
                "The maker says "
                    + edit.charge()
                    + " cost "
                    + edit.before()
                    + " so far; the page here says otherwise."));
    return new Proposal(
        announcement.id(),
        stored.sheet().name(),
        announcement.tool(),
        Dates.day(announcement.on()),
        Dates.day(announcement.holdsFrom()),
        announcement.words(),
        SheetCells.changes(stored.sheet(), page.sheet()),
        troubles,
        Effect.of(stored.sheet(), page.sheet(), selections, decisions));
  }

  /**
   * The page as a maker announces it.
   *
   * @throws NotFound if nothing of that id was announced
   */
  @Transactional(readOnly = true)
  ToolSheet announced(String id) {
    Announcement announcement = find(id);
    return AnnouncedPage.of(catalogue.get(announcement.tool()).sheet(), announcement).sheet();
  }

  private Announcement find(String id) {
    return known().stream()
        .filter(a -> a.id().equals(id))
        .findFirst()
        .orElseThrow(() -> new NotFound("announced change \"" + id + "\""));
  }

  @Transactional(readOnly = true)
  List<Answered> past() {
    Map<String, AnswerRow> answered = answered();
    return known().stream()
        .flatMap(a -> Optional.ofNullable(answered.get(a.id())).map(row -> past(a, row)).stream())
        .toList();
  }

  private Answered past(Announcement announcement, AnswerRow row) {
    return new Answered(
        catalogue.get(announcement.tool()).sheet().name(),
        announcement.words(),
        (row.taken ? "taken over by " : "passed over by ")
            + row.answeredBy
            + ", "
            + Dates.day(row.answeredAt, ZoneId.systemDefault()));
  }

  /**
   * Answers an announcement. Taken over, its prices make a new page from the day they hold.
   *
   * @throws NotFound if there is none
   * @throws Conflict if it was answered before
   */
  @Transactional
  void answer(String id, boolean take, String by) {
    Announcement announcement = find(id);
    if (answers.existsById(id)) {
      throw new Conflict("Somebody answered this change already.");
    }
    if (take) {
      AnnouncedPage page =
          AnnouncedPage.of(catalogue.get(announcement.tool()).sheet(), announcement);
      catalogue.change(announcement.tool(), page.sheet(), announcement.holdsFrom(), by);
    }
    AnswerRow row = new AnswerRow();
    row.changeId = id;
    row.taken = take;
    row.answeredBy = by;
    row.answeredAt = clock.instant();
    answers.save(row);
  }
}
