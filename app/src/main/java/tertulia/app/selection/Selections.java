package tertulia.app.selection;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tertulia.app.catalogue.Catalogue;
import tertulia.app.exchange.Brief;
import tertulia.app.exchange.DocumentFormat;
import tertulia.app.exchange.Faults;
import tertulia.app.exchange.Json;
import tertulia.app.exchange.Limits;
import tertulia.app.exchange.Memo;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.exchange.SelectionReader;
import tertulia.app.exchange.ToolSheet;
import tertulia.app.growth.GrowthPlans;
import tertulia.app.people.SignedIn;
import tertulia.app.web.Conflict;
import tertulia.app.web.NotFound;
import tertulia.core.evaluation.Selection;

/** Selections: loading, changing, weighing, marking. */
@Service
public class Selections {
  private static final DocumentFormat<Brief> BRIEF =
      new DocumentFormat<>("selection", Brief.class, List.of());

  private static final Memo<SelectionFile, Selection> READ = new Memo<>(16);
  private final Rows.Selections selections;
  private final Rows.Contenders contenders;
  private final Rows.Members members;
  private final Rows.Weights weights;
  private final Rows.Marks marks;
  private final Catalogue catalogue;
  private final GrowthPlans growth;
  private final NarrowingLog log;
  private final Entrance entrance;

  Selections(
      Rows.Selections selections,
      Rows.Contenders contenders,
      Rows.Members members,
      Rows.Weights weights,
      Rows.Marks marks,
      Catalogue catalogue,
      GrowthPlans growth,
      NarrowingLog log,
      Entrance entrance) {
    this.log = log;
    this.entrance = entrance;
    this.selections = selections;
    this.contenders = contenders;
    this.members = members;
    this.weights = weights;
    this.marks = marks;
    this.catalogue = catalogue;
    this.growth = growth;
  }

  /** A line of the list of selections. */
  public record Listed(
      long id, String title, String purpose, long contenders, long members, boolean decided) {}

  /**
   * Every selection that whoever is signed in may open, newest first; four queries whatever their
   * number.
   */
  @Transactional(readOnly = true)
  public List<Listed> all() {
    List<SelectionRow> rows = admitted();
    List<Long> ids = rows.stream().map(row -> Objects.requireNonNull(row.id)).toList();
    Map<Long, Long> tools =
        contenders.findBySelectionIdInAndSetAsideIsNull(ids).stream()
            .collect(Collectors.groupingBy(row -> row.selectionId, Collectors.counting()));
    Map<Long, Long> people =
        members.findBySelectionIdIn(ids).stream()
            .collect(Collectors.groupingBy(row -> row.selectionId, Collectors.counting()));
    return rows.stream()
        .map(row ->
            new Listed(
                Objects.requireNonNull(row.id),
                row.title,
                brief(row).purpose(),
                tools.getOrDefault(row.id, 0L),
                people.getOrDefault(row.id, 0L),
                row.decided))
        .toList();
  }

  /**
   * One selection whole.
   *
   * @throws NotFound if there is none
   */
  @Transactional(readOnly = true)
  public Table load(long id) {
    return load(id, catalogue.today());
  }

  /** As {@link #load(long)}, with the price pages as they held on a day. */
  @Transactional(readOnly = true)
  public Table load(long id, LocalDate day) {
    SelectionRow row = row(id);
    Brief brief = growth.followedBy(brief(row), row.decided);
    List<SelectionFile.ContenderPart> tools = contenderParts(id, day);
    List<MemberRow> seated = members.findBySelectionIdOrderById(id);
    List<SelectionFile.MemberPart> panel = panel(seated, brief, tools);
    SelectionFile file =
        new SelectionFile(
            SelectionFile.FORMAT,
            SelectionFile.VERSION,
            brief,
            tools,
            panel,
            null,
            log.of(id),
            null);
    List<Table.Seat> seats =
        seated.stream()
            .map(m -> new Table.Seat(Objects.requireNonNull(m.id), m.accountId, m.name, m.share))
            .toList();
    return new Table(id, row.version, row.decided, file, stored(file), seats);
  }

  /** The title of a selection. */
  @Transactional(readOnly = true)
  public String title(long id) {
    return row(id).title;
  }

  /**
   * The ids of the selections in which a tool is at the table, set aside or not, and which whoever
   * is signed in may open.
   */
  @Transactional(readOnly = true)
  public List<Long> with(String slug) {
    List<Long> ids =
        contenders.findByToolId(catalogue.get(slug).id()).stream()
            .map(row -> row.selectionId)
            .toList();
    return selections.findAllById(ids).stream()
        .filter(entrance::admits)
        .map(row -> Objects.requireNonNull(row.id))
        .sorted()
        .toList();
  }

  /**
   * The ids of the open selections whose people follow the growth plan, and which whoever is signed
   * in may open.
   */
  @Transactional(readOnly = true)
  public List<Long> following() {
    return admitted().stream()
        .filter(row -> !row.decided && brief(row).follows())
        .map(row -> Objects.requireNonNull(row.id))
        .toList();
  }

  private static Brief brief(SelectionRow row) {
    return asked(row.brief, row.format);
  }

  /** A brief as it was stored at some time, in the format of that time. */
  public static Brief asked(String stored, int format) {
    return BRIEF.read(stored, format);
  }

  /** What a table would be with another price page of one of its tools. */
  public static Selection replacing(Table table, ToolSheet sheet) {
    SelectionFile file = table.file();
    return stored(
        file.among(
            file.contenders().stream()
                .map(part ->
                    part.tool().id().equals(sheet.id())
                        ? new SelectionFile.ContenderPart(sheet, part.setAside(), part.effort())
                        : part)
                .toList()));
  }

  private static Selection stored(SelectionFile file) {
    return READ.get(file, Selections::read);
  }

  private static Selection read(SelectionFile file) {
    Faults faults = new Faults();
    return new SelectionReader(faults)
        .read(file)
        .orElseThrow(
            () -> new IllegalStateException("The store holds no selection: " + faults.all()));
  }

  private List<SelectionFile.ContenderPart> contenderParts(long id, LocalDate day) {
    List<ContenderRow> rows = contenders.findBySelectionIdOrderByPlace(id);
    Map<Long, ToolSheet> sheets = catalogue.sheets(rows.stream().map(c -> c.toolId).toList(), day);
    return rows.stream()
        .map(c ->
            new SelectionFile.ContenderPart(
                Objects.requireNonNull(sheets.get(c.toolId)),
                c.setAside,
                c.effort == null ? null : Json.stored(c.effort, SelectionFile.EffortPart.class)))
        .toList();
  }

  /** Weights and marks of criteria and contenders that are not there any more are left out. */
  private List<SelectionFile.MemberPart> panel(
      List<MemberRow> seated, Brief brief, List<SelectionFile.ContenderPart> tools) {
    Set<String> criteria =
        brief.criteria().stream().map(Brief.CriterionPart::id).collect(Collectors.toSet());
    Set<String> slugs = tools.stream().map(c -> c.tool().id()).collect(Collectors.toSet());
    List<Long> ids = seated.stream().map(m -> Objects.requireNonNull(m.id)).toList();
    Map<Long, Map<String, Integer>> points = new HashMap<>();
    for (WeightRow w : weights.findByMemberIdIn(ids)) {
      if (criteria.contains(w.criterion)) {
        points
            .computeIfAbsent(w.memberId, m -> new java.util.TreeMap<>())
            .put(w.criterion, w.points);
      }
    }
    Map<Long, List<SelectionFile.MarkPart>> given = new HashMap<>();
    for (MarkRow m : marks.findByMemberIdIn(ids)) {
      if (criteria.contains(m.criterion) && slugs.contains(m.contender)) {
        given
            .computeIfAbsent(m.memberId, k -> new ArrayList<>())
            .add(new SelectionFile.MarkPart(m.criterion, m.contender, m.points, m.note));
      }
    }
    return seated.stream()
        .map(m ->
            new SelectionFile.MemberPart(
                m.name,
                m.share,
                points.getOrDefault(m.id, Map.of()),
                given.getOrDefault(m.id, List.of())))
        .toList();
  }

  /** Stores a new selection with its first person at the table. */
  @Transactional
  public long create(Brief brief, SignedIn person) {
    SelectionRow row = new SelectionRow();
    write(row, brief);
    long id = Objects.requireNonNull(selections.save(row).id);
    seat(id, person);
    return id;
  }

  /**
   * Replaces a brief.
   *
   * @throws Conflict if it is not at {@code version} any more, or the selection is decided
   */
  @Transactional
  public void changeBrief(long id, long version, Brief brief) {
    SelectionRow row = open(id);
    if (row.version != version) {
      throw new Conflict(
          "Somebody else changed this selection while you were editing. Your entries are still"
              + " here; save again to replace theirs.");
    }
    write(row, brief);
  }

  private static void write(SelectionRow row, Brief brief) {
    row.title = brief.title();
    row.brief = Json.write(brief);
    row.format = BRIEF.version();
  }

  /** Brings a tool to the table, at the end; nothing happens if it sits there already. */
  @Transactional
  public void addContender(long id, String slug, String by) {
    open(id);
    Catalogue.Stored stored = catalogue.get(slug);
    long tool = stored.id();
    List<ContenderRow> rows = contenders.findBySelectionIdOrderByPlace(id);
    if (rows.stream().anyMatch(c -> c.toolId == tool)) {
      return;
    }
    if (rows.size() >= Limits.CONTENDERS) {
      throw new Conflict(
          "A table has at most "
              + Limits.CONTENDERS
              + " contenders. Set some aside in a second selection.");
    }
    ContenderRow row = new ContenderRow();
    row.selectionId = id;
    row.toolId = tool;
    row.place = rows.isEmpty() ? 0 : rows.getLast().place + 1;
    contenders.save(row);
    log.note(id, by, "brought", stored.sheet().name(), null);
  }

  /** Sets a contender aside for a reason that stays on record. */
  @Transactional
  public void setAside(long id, String slug, String reason, String by) {
    open(id);
    contender(id, slug).setAside = reason;
    log.note(id, by, "set-aside", name(slug), reason);
  }

  /** Brings back a contender that was set aside; nothing happens if it was not. */
  @Transactional
  public void bringBack(long id, String slug, String by) {
    open(id);
    ContenderRow row = contender(id, slug);
    if (row.setAside != null) {
      row.setAside = null;
      log.note(id, by, "back", name(slug), null);
    }
  }

  private String name(String slug) {
    return catalogue.get(slug).sheet().name();
  }

  /** Notes the hours contenders take, by id; empty: nobody has said. */
  @Transactional
  public void noteEfforts(long id, Map<String, Optional<SelectionFile.EffortPart>> efforts) {
    open(id);
    efforts.forEach(
        (slug, effort) -> contender(id, slug).effort = effort.map(Json::write).orElse(null));
  }

  /** Takes a contender off the table; its marks are kept for when it comes back. */
  @Transactional
  public void removeContender(long id, String slug, String by) {
    open(id);
    contenders.delete(contender(id, slug));
    log.note(id, by, "taken-off", name(slug), null);
  }

  private ContenderRow contender(long id, String slug) {
    return contenders
        .findBySelectionIdAndToolId(id, catalogue.get(slug).id())
        .orElseThrow(() -> new NotFound("contender \"" + slug + "\" in this selection"));
  }

  /** Puts down somebody's points for a criterion; a person who weighs takes a seat. */
  @Transactional
  public void weigh(long id, SignedIn person, String criterion, int points) {
    open(id);
    long member = seat(id, person);
    WeightRow row = weights.findByMemberIdAndCriterion(member, criterion).orElseGet(WeightRow::new);
    row.memberId = member;
    row.criterion = criterion;
    row.points = points;
    weights.save(row);
  }

  /**
   * Puts down somebody's mark.
   *
   * @param points "" takes the mark back, "x" says that the person cannot judge, else 0 to 10
   */
  @Transactional
  public void mark(long id, SignedIn person, String criterion, String contender, String points) {
    open(id);
    long member = seat(id, person);
    Optional<MarkRow> existing =
        marks.findByMemberIdAndCriterionAndContender(member, criterion, contender);
    if (points.isEmpty()) {
      existing.ifPresent(marks::delete);
      return;
    }
    MarkRow row = existing.orElseGet(MarkRow::new);
    row.memberId = member;
    row.criterion = criterion;
    row.contender = contender;
    row.points = points.equals("x") ? null : points;
    marks.save(row);
  }

  /** Changes how much each person's view counts; members of other selections are passed over. */
  @Transactional
  public void changeShares(long id, Map<Long, Integer> shares) {
    open(id);
    for (MemberRow member : members.findBySelectionIdOrderById(id)) {
      member.share = shares.getOrDefault(Objects.requireNonNull(member.id), member.share);
    }
  }

  private long seat(long id, SignedIn person) {
    MemberRow row =
        members.findBySelectionIdAndAccountId(id, person.id()).orElseGet(MemberRow::new);
    if (row.id == null) {
      if (members.countBySelectionId(id) >= Limits.MEMBERS) {
        throw new Conflict(
            "At most "
                + Limits.MEMBERS
                + " people weigh and mark in one selection, and so many do already. Ask one of them"
                + " to speak for you.");
      }
      row.selectionId = id;
      row.accountId = person.id();
      row.name = person.name();
      members.save(row);
    }
    return Objects.requireNonNull(row.id);
  }

  /** Closes a decided selection to every change; its people stay as they are now. */
  @Transactional
  public void close(long id) {
    SelectionRow row = open(id);
    Brief brief = growth.followedBy(brief(row), false);
    write(row, brief.following(false));
    row.decided = true;
  }

  /** Stores a file that was read: its tools, table, weights and marks; all or nothing. */
  @Transactional
  public long take(SelectionFile file, String by) {
    SelectionRow row = new SelectionRow();
    write(row, file.brief());
    long id = Objects.requireNonNull(selections.save(row).id);
    Map<String, String> slugs = new HashMap<>();
    int place = 0;
    for (SelectionFile.ContenderPart part : file.contenders()) {
      Catalogue.Stored tool = catalogue.sameOrNew(part.tool(), by);
      slugs.put(part.tool().id(), tool.sheet().id());
      ContenderRow contender = new ContenderRow();
      contender.selectionId = id;
      contender.toolId = tool.id();
      contender.place = place++;
      contender.setAside = part.setAside();
      contender.effort = part.effort() == null ? null : Json.write(part.effort());
      contenders.save(contender);
    }
    file.panel().forEach(member -> take(id, member, slugs));
    file.narrowing().forEach(part -> log.note(id, part));
    return id;
  }

  private void take(long id, SelectionFile.MemberPart part, Map<String, String> slugs) {
    MemberRow member = new MemberRow();
    member.selectionId = id;
    member.name = part.name();
    member.share = part.share();
    long memberId = Objects.requireNonNull(members.save(member).id);
    part.points()
        .forEach((criterion, points) -> {
          WeightRow row = new WeightRow();
          row.memberId = memberId;
          row.criterion = criterion;
          row.points = points;
          weights.save(row);
        });
    for (SelectionFile.MarkPart mark : part.marks()) {
      MarkRow row = new MarkRow();
      row.memberId = memberId;
      row.criterion = mark.criterion();
      row.contender = Objects.requireNonNull(slugs.get(mark.contender()));
      row.points = mark.points();
      row.note = mark.note();
      marks.save(row);
    }
  }

  /** Gives a seat that came from a file to the person with the account. */
  @Transactional
  public void claimSeat(long id, String name, long accountId) {
    members.findBySelectionIdOrderById(id).stream()
        .filter(m -> m.accountId == null && m.name.equals(name))
        .findFirst()
        .ifPresent(m -> m.accountId = accountId);
  }

  /** Whether there is a selection that whoever is signed in may open. */
  @Transactional(readOnly = true)
  public boolean isThere(long id) {
    return selections.findById(id).filter(entrance::admits).isPresent();
  }

  /**
   * Who may open a selection.
   *
   * @param named accounts of those who may if it is not open to all
   * @param version that of the selection
   */
  record Admission(boolean openToAll, Set<Long> named, long version) {}

  @Transactional(readOnly = true)
  Admission admission(long id) {
    SelectionRow row = row(id);
    return new Admission(row.openToAll, Set.copyOf(row.named), row.version);
  }

  /**
   * Opens a selection to all, or to the people named; a decided one too.
   *
   * @param version that was read
   * @throws Conflict if somebody changed the selection since
   */
  @Transactional
  void admit(long id, long version, boolean openToAll, Set<Long> named) {
    SelectionRow row = row(id);
    Conflict.unlessAt(version, row.version, "this selection");
    row.openToAll = openToAll;
    row.named.clear();
    row.named.addAll(named);
  }

  private List<SelectionRow> admitted() {
    return selections.findAllByOrderByIdDesc().stream().filter(entrance::admits).toList();
  }

  private SelectionRow row(long id) {
    return selections
        .findById(id)
        .filter(entrance::admits)
        .orElseThrow(() -> new NotFound("selection " + id));
  }

  private SelectionRow open(long id) {
    SelectionRow row = row(id);
    if (row.decided) {
      throw new Conflict(
          "This selection is decided and signed off; it does not change any more. Take its file"
              + " and read it in again to look at the question anew.");
    }
    return row;
  }
}
