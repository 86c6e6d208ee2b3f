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
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tertulia.app.catalogue.Catalogue;
import tertulia.app.catalogue.CheckedPage;
import tertulia.app.catalogue.MakersNews;
import tertulia.app.catalogue.SheetCells;
import tertulia.app.decision.Decisions;
import tertulia.app.display.Dates;
import tertulia.app.exchange.ToolSheet;
import tertulia.app.selection.Selections;
import tertulia.app.standin.MakersFeed;
import tertulia.app.web.Conflict;
import tertulia.app.web.NotFound;

/** What makers announce: proposals with old and new, taken over or passed by. */
@Service
public class PriceChanges {
  private static final String OVERTAKEN =
      "The page here has changed since this was put down, and applying it would undo that. Put it"
          + " down again on the page as it is now, and pass this one over.";

  private final MakersFeed feed;
  private final MakersNews news;
  private final AnswerRow.All answers;
  private final Catalogue catalogue;
  private final Selections selections;
  private final Decisions decisions;
  private final Clock clock;

  PriceChanges(
      MakersFeed feed,
      MakersNews news,
      AnswerRow.All answers,
      Catalogue catalogue,
      Selections selections,
      Decisions decisions,
      Clock clock) {
    this.feed = feed;
    this.news = news;
    this.answers = answers;
    this.catalogue = catalogue;
    this.selections = selections;
    this.decisions = decisions;
    this.clock = clock;
  }

  /**
   * An announcement that nobody has answered yet.
   *
   * @param teller who told us, in words
   * @param changes what would change on the page
   * @param troubles what does not match the page here, in sentences
   * @param takeable whether it can be taken over
   */
  record Proposal(
      String id,
      String tool,
      String slug,
      String announced,
      String holdsFrom,
      String words,
      String teller,
      List<SheetCells.Change> changes,
      List<String> troubles,
      boolean takeable,
      List<Effect> effects) {}

  /** An announcement that was answered. */
  record Answered(String tool, String words, String answer) {}

  /** Who announces, as the reader is told; empty if no feed is connected. */
  String source() {
    return feed.source();
  }

  /** How many announcements wait for an answer. */
  @Transactional(readOnly = true)
  public long waiting() {
    Map<String, AnswerRow> answered = answered();
    return known().stream().filter(a -> !answered.containsKey(a.id())).count();
  }

  /** Announcements of tools in the catalogue, newest first. */
  private List<VendorAnnouncement> known() {
    Set<String> here =
        catalogue.everything().stream().map(tool -> tool.sheet().id()).collect(Collectors.toSet());
    return Stream.<VendorAnnouncement>concat(
            feed.announced(catalogue.today()).stream()
                .map(announcement -> new VendorAnnouncement.ByFeed(announcement, feed.source())),
            news.all().stream().map(VendorAnnouncement.ByHand::new))
        .filter(told -> here.contains(told.tool()))
        .sorted(Comparator.comparing(VendorAnnouncement::on).reversed())
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

  private Proposal proposal(VendorAnnouncement announcement) {
    Announced announced = announced(announcement);
    List<String> troubles = new ArrayList<>();
    announced
        .page()
        .notFound()
        .forEach(edit ->
            troubles.add(
                "The page here has no charge \""
                    + edit.charge()
                    + "\" with one price under that term; change it by hand."));
    announced
        .page()
        .otherwise()
        .forEach(edit ->
            troubles.add(
                "The vendor says "
                    + edit.charge()
                    + " cost "
                    + edit.before()
                    + " so far; the page here says otherwise."));
    announced
        .checked()
        .faults()
        .forEach(fault -> troubles.add("It cannot be taken over as it is: " + fault));
    boolean overtaken = announcement.isOvertaken(announced.before());
    if (overtaken) {
      troubles.add(OVERTAKEN);
    }
    catalogue.days(announcement.tool()).after(announcement.holdsFrom()).stream()
        .map(Dates::day)
        .forEach(day ->
            troubles.add("Another page holds from " + day + " on; it is not changed by this one."));
    return new Proposal(
        announcement.id(),
        announced.before().name(),
        announcement.tool(),
        Dates.day(announcement.on()),
        Dates.day(announcement.holdsFrom()),
        announcement.words(),
        announcement.teller(),
        SheetCells.changes(announced.before(), announced.after()),
        troubles,
        !overtaken && announced.checked().sheet().isPresent(),
        Effect.of(announced.before(), announced.after(), selections, decisions));
  }

  /**
   * An announcement beside the page it changes.
   *
   * @param before the page in force on the day from which the new prices hold
   * @param checked the announced page as it would be stored, or why it cannot be
   */
  private record Announced(ToolSheet before, AnnouncedPage page, CheckedPage checked) {
    /** The page as announced; as it stands so far if it cannot be stored. */
    ToolSheet after() {
      return checked.sheet().orElse(before);
    }
  }

  private Announced announced(VendorAnnouncement announcement) {
    ToolSheet before = catalogue.get(announcement.tool(), announcement.holdsFrom()).sheet();
    AnnouncedPage page = announcement.page(before);
    return new Announced(before, page, CheckedPage.of(page.sheet()));
  }

  /**
   * The page as a maker announces it.
   *
   * @throws NotFound if nothing of that id was announced
   */
  @Transactional(readOnly = true)
  ToolSheet announced(String id) {
    return announced(find(id)).after();
  }

  private VendorAnnouncement find(String id) {
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

  private Answered past(VendorAnnouncement announcement, AnswerRow row) {
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
    VendorAnnouncement announcement = find(id);
    if (answers.existsById(id)) {
      throw new Conflict("Somebody answered this change already.");
    }
    if (take) {
      catalogue.revise(
          announcement.tool(),
          announcement.holdsFrom(),
          before -> {
            if (announcement.isOvertaken(before)) {
              throw new Conflict(OVERTAKEN);
            }
            return takeable(CheckedPage.of(announcement.page(before).sheet()));
          },
          announcement.writtenBy(by));
    }
    announcement.answered(news);
    AnswerRow row = new AnswerRow();
    row.changeId = id;
    row.taken = take;
    row.answeredBy = by;
    row.answeredAt = clock.instant();
    answers.saveAndFlush(row);
  }

  private static ToolSheet takeable(CheckedPage page) {
    return page.sheet()
        .orElseThrow(() ->
            new Conflict(
                "This announcement cannot be taken over as it is: "
                    + String.join(" ", page.faults())
                    + " Change the page by hand."));
  }
}
