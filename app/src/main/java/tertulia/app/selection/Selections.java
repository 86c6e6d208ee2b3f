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
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tertulia.app.catalogue.Catalogue;
import tertulia.app.exchange.Brief;
import tertulia.app.exchange.Json;
import tertulia.app.exchange.Limits;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.exchange.WeighingReader;
import tertulia.app.growth.GrowthPlans;
import tertulia.app.people.SignedIn;
import tertulia.app.web.Conflict;
import tertulia.app.web.NotFound;
import tertulia.core.scoring.Better;
import tertulia.core.scoring.Mark;
import tertulia.core.scoring.Settled;

/** Selections: loading, changing, weighing, marking. */
@Service
public class Selections {
  private final Rows.Selections selections;
  private final Rows.Contenders contenders;
  private final Rows.Members members;
  private final Tables tables;
  private final Rows.Weights weights;
  private final Rows.Marks marks;
  private final Rows.Numbers numbers;
  private final Rows.Preferences preferences;
  private final Rows.Pairs pairs;
  private final Rows.SettledMarks settled;
  private final Catalogue catalogue;
  private final GrowthPlans growth;
  private final NarrowingLog log;
  private final Entrance entrance;

  Selections(
      Rows.Selections selections,
      Rows.Contenders contenders,
      Rows.Members members,
      Tables tables,
      Rows.Weights weights,
      Rows.Marks marks,
      Rows.Numbers numbers,
      Rows.Preferences preferences,
      Rows.Pairs pairs,
      Rows.SettledMarks settled,
      Catalogue catalogue,
      GrowthPlans growth,
      NarrowingLog log,
      Entrance entrance) {
    this.log = log;
    this.entrance = entrance;
    this.selections = selections;
    this.contenders = contenders;
    this.members = members;
    this.tables = tables;
    this.weights = weights;
    this.marks = marks;
    this.numbers = numbers;
    this.preferences = preferences;
    this.pairs = pairs;
    this.settled = settled;
    this.catalogue = catalogue;
    this.growth = growth;
  }

  /**
   * One selection whole.
   *
   * @throws NotFound if there is none that whoever is signed in may open
   */
  @Transactional(readOnly = true)
  public Table load(long id) {
    return load(id, catalogue.today());
  }

  /** As {@link #load(long)}, with the price pages as they held on a day. */
  @Transactional(readOnly = true)
  public Table load(long id, LocalDate day) {
    return tables.of(List.of(row(id)), day).getFirst();
  }

  /** The name of a selection. */
  public record Titled(long id, String title) {}

  /** Those at hand that whoever is signed in may open, newest first. */
  @Transactional(readOnly = true)
  public List<Titled> titles() {
    return admitted().stream()
        .filter(row -> row.putAway == null)
        .map(row -> new Titled(Objects.requireNonNull(row.id), row.title))
        .toList();
  }

  /**
   * Every selection whole that whoever is signed in may open, newest first; as many queries
   * whatever their number.
   */
  @Transactional(readOnly = true)
  public List<Table> all(PutAway.Shown shown) {
    return tables.of(
        selections.findAllByOrderByIdDesc().stream()
            .filter(row -> PutAway.shown(row.putAway, shown))
            .filter(entrance::isOpenTo)
            .toList(),
        catalogue.today());
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
        .filter(row -> !row.decided && Tables.brief(row).follows())
        .map(row -> Objects.requireNonNull(row.id))
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

  /**
   * Asks for something more; nothing happens if it is asked for already.
   *
   * @throws Conflict if as much is asked for as can be, or the selection is decided
   */
  @Transactional
  public void ask(long id, Brief.NeedPart part) {
    SelectionRow row = open(id);
    Brief brief = Tables.brief(row);
    if (brief.needs().stream().anyMatch(need -> need.id().equals(part.id()))) {
      return;
    }
    if (brief.needs().size() >= Limits.NEEDS) {
      throw new Conflict("At most " + Limits.NEEDS + " needs are compared. Take one away first.");
    }
    List<Brief.NeedPart> needs = new ArrayList<>(brief.needs());
    needs.add(part);
    write(row, brief.needing(needs));
  }

  private static void write(SelectionRow row, Brief brief) {
    row.title = brief.title();
    row.brief = Json.write(brief);
    row.format = Tables.FORMAT.version();
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

  /** Chooses the way in which somebody weighs; what was entered in another is kept. */
  @Transactional
  public void weighBy(long id, SignedIn person, WeighingReader.Way way) {
    open(id);
    member(id, person).weighsBy = way.code();
  }

  /**
   * Puts down somebody's number for a criterion by swing or in an order.
   *
   * @param number null takes it back
   */
  @Transactional
  public void number(
      long id,
      SignedIn person,
      WeighingReader.Way way,
      String criterion,
      @Nullable Integer number) {
    open(id);
    long member = seat(id, person);
    Optional<NumberRow> existing =
        numbers.findByMemberIdAndMethodAndCriterion(member, way.code(), criterion);
    if (number == null) {
      existing.ifPresent(numbers::delete);
      return;
    }
    NumberRow row = existing.orElseGet(NumberRow::new);
    row.memberId = member;
    row.method = way.code();
    row.criterion = criterion;
    row.number = number;
    numbers.save(row);
  }

  /**
   * Puts down how somebody compares two criteria.
   *
   * @param times how many times as much {@code one} matters; below 0 the other does; 0 takes it
   *     back
   */
  @Transactional
  public void compare(long id, SignedIn person, String one, String other, int times) {
    open(id);
    long member = seat(id, person);
    boolean inOrder = one.compareTo(other) < 0;
    String first = inOrder ? one : other;
    String second = inOrder ? other : one;
    Optional<PreferenceRow> existing =
        preferences.findByMemberIdAndOneAndOther(member, first, second);
    if (times == 0) {
      existing.ifPresent(preferences::delete);
      return;
    }
    PreferenceRow row = existing.orElseGet(PreferenceRow::new);
    row.memberId = member;
    row.one = first;
    row.other = second;
    row.times = inOrder || Math.abs(times) == 1 ? times : -times;
    preferences.save(row);
  }

  /**
   * Puts down which of two contenders somebody finds better under a criterion, and why.
   *
   * @param much null takes it back
   */
  @Transactional
  public void better(
      long id,
      SignedIn person,
      String criterion,
      String better,
      String than,
      Better.@Nullable Much much,
      String note) {
    open(id);
    long member = seat(id, person);
    boolean inOrder = better.compareTo(than) < 0;
    String one = inOrder ? better : than;
    String other = inOrder ? than : better;
    Optional<PairRow> existing =
        pairs.findByMemberIdAndCriterionAndOneAndOther(member, criterion, one, other);
    if (much == null) {
      existing.ifPresent(pairs::delete);
      return;
    }
    PairRow row = existing.orElseGet(PairRow::new);
    row.memberId = member;
    row.criterion = criterion;
    row.one = one;
    row.other = other;
    row.better = inOrder ? much.ordinal() : -much.ordinal();
    row.note = note;
    pairs.save(row);
  }

  /**
   * Puts down a mark that the table settled together.
   *
   * @param mark its points are whole
   * @throws Conflict if somebody has not handed in their view and the table is not open
   */
  @Transactional
  public void settle(long id, Settled mark, String by) {
    SelectionRow row = open(id);
    List<String> toCome =
        row.openedBy != null
            ? List.of()
            : members.findBySelectionIdOrderById(id).stream()
                .filter(member -> !Sight.isIn(member))
                .map(member -> member.name)
                .toList();
    if (toCome.size() > 1 || toCome.size() == 1 && members.countBySelectionId(id) > 1) {
      throw new Conflict(
          "Nothing is settled together before everybody has handed in their view; not yet: "
              + String.join(", ", toCome)
              + ". Wait for them, or open the table.");
    }
    SettledRow stored =
        settled
            .findBySelectionIdAndCriterionAndContender(id, mark.criterion(), mark.contender())
            .orElseGet(SettledRow::new);
    stored.selectionId = id;
    stored.criterion = mark.criterion();
    stored.contender = mark.contender();
    stored.points = mark.points().toPlainString();
    stored.reason = mark.reason();
    stored.notedBy = by;
    stored.notedOn = catalogue.today();
    settled.save(stored);
  }

  /** Takes back what the table settled; each one's mark counts again. */
  @Transactional
  public void unsettle(long id, String criterion, String contender) {
    open(id);
    settled
        .findBySelectionIdAndCriterionAndContender(id, criterion, contender)
        .ifPresent(settled::delete);
  }

  /** Shows the others somebody's view, and somebody those of the others. */
  @Transactional
  public void handIn(long id, SignedIn person) {
    open(id);
    MemberRow row = member(id, person);
    if (row.handedIn == null) {
      row.handedIn = catalogue.today();
    }
  }

  /** The seats whose views whoever is signed in may not see yet. */
  @Transactional(readOnly = true)
  public Set<Long> withheld(long id) {
    List<MemberRow> seated = members.findBySelectionIdOrderById(id);
    Sight sight = Sight.of(row(id), seated, entrance.visitor());
    return seated.stream()
        .filter(member -> !sight.sees(member))
        .map(member -> Objects.requireNonNull(member.id))
        .collect(Collectors.toSet());
  }

  /** Lets everybody see everybody's view; nothing happens if they may already. */
  @Transactional
  public void openTable(long id, String by) {
    SelectionRow row = open(id);
    if (row.openedBy == null) {
      row.openedBy = by;
    }
  }

  private MemberRow member(long id, SignedIn person) {
    long seat = seat(id, person);
    return members.findById(seat).orElseThrow();
  }

  /** Puts down somebody's marks under a criterion together; what was said of others stays. */
  @Transactional
  public void markAll(long id, SignedIn person, String criterion, Map<String, Integer> given) {
    given.forEach((contender, points) -> mark(id, person, criterion, contender, "" + points));
  }

  /**
   * Says why somebody gave a mark; nothing happens if they gave none.
   *
   * @param ground the code of what it rests on; null: not said
   */
  @Transactional
  public void reason(
      long id,
      SignedIn person,
      String criterion,
      String contender,
      String note,
      Mark.@Nullable Acquaintance ground,
      String interest) {
    open(id);
    marks
        .findByMemberIdAndCriterionAndContender(seat(id, person), criterion, contender)
        .ifPresent(row -> {
          row.note = note;
          row.acquaintance = ground == null ? null : WeighingReader.code(ground);
          row.interest = interest;
        });
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

  /**
   * Gives somebody a seat before they weigh or mark, and lets them in if only those named may open
   * the selection; nothing happens if they have one.
   */
  @Transactional
  public void invite(long id, long accountId, String name) {
    SelectionRow row = open(id);
    if (members.findBySelectionIdAndAccountId(id, accountId).isEmpty()) {
      checkRoom(id);
      MemberRow member = new MemberRow();
      member.selectionId = id;
      member.accountId = accountId;
      member.name = name;
      members.save(member);
    }
    if (!row.openToAll) {
      row.named.add(accountId);
    }
  }

  /**
   * Takes a seat away from somebody who has entered nothing.
   *
   * @throws Conflict if they have
   */
  @Transactional
  public void uninvite(long id, long memberId) {
    open(id);
    members
        .findById(memberId)
        .filter(member -> member.selectionId == id)
        .ifPresent(member -> {
          List<Long> own = List.of(memberId);
          boolean anything =
              !weights.findByMemberIdIn(own).isEmpty()
                  || !numbers.findByMemberIdIn(own).isEmpty()
                  || !preferences.findByMemberIdIn(own).isEmpty()
                  || !pairs.findByMemberIdIn(own).isEmpty()
                  || !marks.findByMemberIdIn(own).isEmpty();
          if (anything) {
            throw new Conflict(
                member.name
                    + " has weighed or marked already. Give that view a share of 0 to leave it"
                    + " out.");
          }
          members.delete(member);
        });
  }

  private void checkRoom(long id) {
    if (members.countBySelectionId(id) >= Limits.MEMBERS) {
      throw new Conflict(
          "At most "
              + Limits.MEMBERS
              + " people weigh and mark in one selection, and so many do already. Ask one of them"
              + " to speak for you.");
    }
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
      checkRoom(id);
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
    Brief brief = growth.followedBy(Tables.brief(row), false);
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
    for (SelectionFile.SettledPart part : file.agreed()) {
      SettledRow mark = new SettledRow();
      mark.selectionId = id;
      mark.criterion = part.criterion();
      mark.contender = Objects.requireNonNull(slugs.get(part.contender()));
      mark.points = part.points();
      mark.reason = part.reason();
      mark.notedBy = part.by();
      mark.notedOn = LocalDate.parse(part.on());
      settled.save(mark);
    }
    return id;
  }

  private void take(long id, SelectionFile.MemberPart part, Map<String, String> slugs) {
    MemberRow member = new MemberRow();
    member.selectionId = id;
    member.name = part.name();
    member.share = part.share();
    boolean withheld = SelectionFile.MemberPart.WITHHELD.equals(part.weighsBy());
    member.weighsBy = part.weighsBy() == null || withheld ? "points" : part.weighsBy();
    boolean judged =
        !part.points().isEmpty() || !part.otherWays().isEmpty() || !part.marks().isEmpty();
    member.handedIn = judged && part.shown() ? catalogue.today() : null;
    long memberId = Objects.requireNonNull(members.save(member).id);
    part.points()
        .forEach((criterion, points) -> {
          WeightRow row = new WeightRow();
          row.memberId = memberId;
          row.criterion = criterion;
          row.points = points;
          weights.save(row);
        });
    part.otherWays().forEach(way -> take(memberId, way));
    part.compared().forEach(pair -> take(memberId, pair, slugs));
    for (SelectionFile.MarkPart mark : part.marks()) {
      MarkRow row = new MarkRow();
      row.memberId = memberId;
      row.criterion = mark.criterion();
      row.contender = Objects.requireNonNull(slugs.get(mark.contender()));
      row.points = mark.points();
      row.note = mark.note();
      row.acquaintance = mark.ground();
      row.interest = mark.interest() == null ? "" : mark.interest();
      marks.save(row);
    }
  }

  private void take(long member, SelectionFile.PairPart part, Map<String, String> slugs) {
    Better pair = WeighingReader.better(part);
    String better = Objects.requireNonNull(slugs.get(pair.better()));
    String than = Objects.requireNonNull(slugs.get(pair.than()));
    boolean inOrder = better.compareTo(than) < 0;
    PairRow row = new PairRow();
    row.memberId = member;
    row.criterion = part.criterion();
    row.one = inOrder ? better : than;
    row.other = inOrder ? than : better;
    row.better = inOrder ? pair.much().ordinal() : -pair.much().ordinal();
    row.note = part.note();
    pairs.save(row);
  }

  private void take(long member, SelectionFile.WeighingPart part) {
    switch (part) {
      case SelectionFile.SwingPart swing -> take(member, WeighingReader.Way.SWING, swing.worth());
      case SelectionFile.RankOrderPart order ->
          take(member, WeighingReader.Way.RANK_ORDER, order.ranks());
      case SelectionFile.ComparedPart compared ->
          compared
              .pairs()
              .forEach(pair -> {
                boolean inOrder = pair.more().compareTo(pair.less()) < 0;
                PreferenceRow row = new PreferenceRow();
                row.memberId = member;
                row.one = inOrder ? pair.more() : pair.less();
                row.other = inOrder ? pair.less() : pair.more();
                row.times = inOrder || pair.times() == 1 ? pair.times() : -pair.times();
                preferences.save(row);
              });
    }
  }

  private void take(long member, WeighingReader.Way way, Map<String, Integer> given) {
    given.forEach((criterion, number) -> {
      NumberRow row = new NumberRow();
      row.memberId = member;
      row.method = way.code();
      row.criterion = criterion;
      row.number = number;
      numbers.save(row);
    });
  }

  /** Gives a seat that came from a file to the person with the account. */
  @Transactional
  public void claimSeat(long id, String name, long accountId) {
    members.findBySelectionIdOrderById(id).stream()
        .filter(m -> m.accountId == null && m.name.equals(name))
        .findFirst()
        .ifPresent(m -> m.accountId = accountId);
  }

  /**
   * Puts a selection away, or back where everybody looks; nothing else about it changes.
   *
   * @param how null: back
   * @return its title
   * @throws NotFound if there is none that whoever is signed in may open
   */
  @Transactional
  public String putAway(long id, PutAway.@Nullable How how, String by) {
    SelectionRow row =
        selections
            .findById(id)
            .filter(entrance::isOpenTo)
            .orElseThrow(() -> new NotFound("selection " + id));
    row.putAway = how;
    row.putAwayBy = how == null ? null : by;
    return row.title;
  }

  /** Marks a selection as the sample. */
  @Transactional
  public void markSample(long id) {
    row(id).sample = true;
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
