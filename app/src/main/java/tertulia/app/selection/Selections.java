package tertulia.app.selection;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tertulia.app.act.Act;
import tertulia.app.act.Acts;
import tertulia.app.catalogue.Catalogue;
import tertulia.app.exchange.Brief;
import tertulia.app.exchange.Json;
import tertulia.app.exchange.Limits;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.exchange.ToolSheet;
import tertulia.app.growth.GrowthPlans;
import tertulia.app.inuse.ToolsInUse;
import tertulia.app.people.SignedIn;
import tertulia.app.people.UserAccounts;
import tertulia.app.web.Conflict;
import tertulia.app.web.NotFound;

/** Selections: found, asked, narrowed, put away. */
@Service
public class Selections {
  private final SelectionStore store;
  private final Rows.Selections selections;
  private final Rows.Contenders contenders;
  private final SelectionLoader tables;
  private final Seats seats;
  private final Catalogue catalogue;
  private final GrowthPlans growth;
  private final ToolsInUse inUse;
  private final NarrowingLog log;
  private final SelectionAccess entrance;
  private final UserAccounts people;
  private final Acts acts;

  Selections(
      SelectionStore store,
      Rows.Selections selections,
      Rows.Contenders contenders,
      SelectionLoader tables,
      Seats seats,
      Catalogue catalogue,
      GrowthPlans growth,
      ToolsInUse inUse,
      NarrowingLog log,
      SelectionAccess entrance,
      UserAccounts people,
      Acts acts) {
    this.people = people;
    this.acts = acts;
    this.store = store;
    this.selections = selections;
    this.contenders = contenders;
    this.tables = tables;
    this.seats = seats;
    this.catalogue = catalogue;
    this.growth = growth;
    this.inUse = inUse;
    this.log = log;
    this.entrance = entrance;
  }

  /**
   * One selection whole.
   *
   * @throws NotFound if there is none that whoever is signed in may open
   */
  @Transactional(readOnly = true)
  public LoadedSelection load(long id) {
    return load(id, catalogue.today());
  }

  /** As {@link #load(long)}, with the price pages as they held on a day. */
  @Transactional(readOnly = true)
  public LoadedSelection load(long id, LocalDate day) {
    return load(id, day, false);
  }

  /**
   * The question of a decided selection as it would be asked on a day: with the price pages in
   * force, and with the people of the growth plan if it followed one.
   */
  @Transactional(readOnly = true)
  public SelectionFile askedOn(long id, LocalDate day) {
    SelectionRow row = store.row(id);
    SelectionFile file = tables.of(List.of(row), day, false).getFirst().file().undecided();
    Brief brief = file.brief();
    return file.withBrief((row.followedGrowth ? growth.recounted(brief, day) : brief).asOf(day));
  }

  /** As before, perhaps read without what was said by somebody with an interest. */
  @Transactional(readOnly = true)
  public LoadedSelection load(long id, LocalDate day, boolean disinterested) {
    return tables.of(List.of(store.row(id)), day, disinterested).getFirst();
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
  public List<LoadedSelection> all(PutAway.Shown shown) {
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
    return store.row(id).title;
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
        .filter(row -> !row.decided && SelectionLoader.brief(row).follows())
        .map(row -> Objects.requireNonNull(row.id))
        .toList();
  }

  /** Stores a new selection with its first person at the table. */
  @Transactional
  public long create(Brief brief, SignedIn person) {
    SelectionRow row = new SelectionRow();
    write(row, brief);
    long id = Objects.requireNonNull(selections.save(row).id);
    acts.note(id, new Act.Begun(brief.title()));
    seats.seat(id, person);
    return id;
  }

  /**
   * Replaces a brief.
   *
   * @throws Conflict if it is not at {@code version} any more, or the selection is decided
   */
  @Transactional
  public void changeBrief(long id, long version, Brief brief) {
    SelectionRow row = store.open(id);
    if (row.version != version) {
      throw new Conflict(
          "Somebody else changed this selection while you were editing. Your entries are still"
              + " here; save again to replace theirs.");
    }
    change(row, brief);
  }

  /** Writes another question down, and what changed. */
  private void change(SelectionRow row, Brief brief) {
    List<String> lines = Act.QuestionChanged.between(SelectionLoader.brief(row), brief);
    if (!lines.isEmpty()) {
      acts.note(
          Objects.requireNonNull(row.id), new Act.QuestionChanged(row.brief, row.format, lines));
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
    SelectionRow row = store.open(id);
    Brief brief = SelectionLoader.brief(row);
    if (brief.needs().stream().anyMatch(need -> need.id().equals(part.id()))) {
      return;
    }
    if (brief.needs().size() >= Limits.NEEDS) {
      throw new Conflict("At most " + Limits.NEEDS + " needs are compared. Remove one first.");
    }
    List<Brief.NeedPart> needs = new ArrayList<>(brief.needs());
    needs.add(part);
    change(row, brief.withNeeds(needs));
  }

  static void write(SelectionRow row, Brief brief) {
    row.title = brief.title();
    row.brief = Json.write(brief);
    row.format = SelectionLoader.FORMAT.version();
  }

  /** Brings a tool to the table, at the end; nothing happens if it sits there already. */
  @Transactional
  public void addContender(long id, String slug, String by) {
    store.open(id);
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
    acts.note(id, new Act.ContenderAdded(stored.sheet().name()));
  }

  /**
   * Brings several tools to the table as one contender; the catalogue keeps what they are called
   * together.
   *
   * @throws IllegalArgumentException that says why they cannot be one
   */
  @Transactional
  public void addTogether(long id, List<String> slugs, String by) {
    List<String> tools = slugs.stream().filter(slug -> !slug.isBlank()).distinct().toList();
    if (tools.size() < 2 || tools.size() > ToolSheet.MOST_TOGETHER) {
      throw new IllegalArgumentException(
          "Choose 2 to "
              + ToolSheet.MOST_TOGETHER
              + " different tools that are bought together; found "
              + tools.size()
              + ".");
    }
    List<ToolSheet> sheets = tools.stream().map(slug -> catalogue.get(slug).sheet()).toList();
    sheets.stream()
        .filter(ToolSheet::setOfTools)
        .findFirst()
        .ifPresent(set -> {
          throw new IllegalArgumentException(
              set.name() + " is several tools already. Choose its tools one by one.");
        });
    String slug =
        catalogue.all().stream()
            .map(Catalogue.Stored::sheet)
            .filter(sheet -> sheet.together().equals(tools))
            .findFirst()
            .map(ToolSheet::id)
            .orElseGet(() -> catalogue.add(named(ToolSheet.set(sheets)), by));
    addContender(id, slug, by);
  }

  /** What is called by many long names is called by as much of them as a name may be long. */
  private static ToolSheet named(ToolSheet set) {
    return set.name().length() <= Limits.NAME
        ? set
        : set.withName(set.name().substring(0, Limits.NAME - 1) + "…");
  }

  /** Sets a contender aside for a reason that stays on record. */
  @Transactional
  public void setAside(long id, String slug, String reason, String by) {
    store.open(id);
    contender(id, slug).setAside = reason;
    log.note(id, by, "set-aside", name(slug), reason);
    acts.note(id, new Act.SetAside(name(slug), "", reason));
  }

  /** Brings back a contender that was set aside; nothing happens if it was not. */
  @Transactional
  public void bringBack(long id, String slug, String by) {
    store.open(id);
    ContenderRow row = contender(id, slug);
    if (row.setAside != null) {
      row.setAside = null;
      log.note(id, by, "back", name(slug), null);
      acts.note(id, new Act.BroughtBack(name(slug), ""));
    }
  }

  /**
   * Sets one plan of a contender aside for a reason that stays on record; its other plans are
   * compared.
   *
   * @throws NotFound if the tool has no such plan
   * @throws Conflict if it is the last that is compared
   */
  @Transactional
  public void setPlanAside(long id, String slug, String plan, String reason, String by) {
    store.open(id);
    ContenderRow row = contender(id, slug);
    String name = planName(slug, plan);
    PlansAside aside = PlansAside.stored(row.plansAside).with(plan, reason);
    boolean left =
        catalogue.get(slug).sheet().plans().stream().anyMatch(other -> !aside.has(other.id()));
    if (!left) {
      throw new Conflict(
          "“"
              + name
              + "” is the last plan of "
              + name(slug)
              + " that is compared. Set the whole tool aside, or bring another plan back first.");
    }
    row.plansAside = PlansAside.document(aside.plans());
    log.note(id, by, "set-aside", planOf(slug, name), reason);
    acts.note(id, new Act.SetAside(name(slug), name, reason));
  }

  /** Brings back a plan that was set aside; nothing happens if it was not. */
  @Transactional
  public void bringPlanBack(long id, String slug, String plan, String by) {
    store.open(id);
    ContenderRow row = contender(id, slug);
    PlansAside aside = PlansAside.stored(row.plansAside);
    if (aside.has(plan)) {
      row.plansAside = PlansAside.document(aside.without(plan).plans());
      log.note(id, by, "back", planOf(slug, planName(slug, plan)), null);
      acts.note(id, new Act.BroughtBack(name(slug), planName(slug, plan)));
    }
  }

  /**
   * Says that something of a contender is not needed.
   *
   * @throws Conflict if so much is said of it already that no more is kept
   */
  @Transactional
  public void notNeeded(long id, String slug, SelectionFile.NotNeededPart thing) {
    store.open(id);
    ContenderRow row = contender(id, slug);
    NotNeeded all = NotNeeded.stored(row.notNeeded).with(thing);
    if (all.things().size() > Limits.NOT_NEEDED) {
      throw new Conflict(
          "Of one contender up to " + Limits.NOT_NEEDED + " things can be marked as not needed.");
    }
    row.notNeeded = NotNeeded.document(all.things());
    acts.note(id, new Act.NotNeeded(name(slug), thing.capability(), thing.because()));
  }

  /** Takes it back; nothing happens if nobody said so. */
  @Transactional
  public void stillOpen(long id, String slug, String capability) {
    store.open(id);
    ContenderRow row = contender(id, slug);
    NotNeeded before = NotNeeded.stored(row.notNeeded);
    NotNeeded now = before.without(capability);
    if (!now.equals(before)) {
      row.notNeeded = NotNeeded.document(now.things());
      acts.note(id, new Act.LookedAtAgain(name(slug), capability));
    }
  }

  private String planName(String slug, String plan) {
    return catalogue.get(slug).sheet().plans().stream()
        .filter(part -> part.id().equals(plan))
        .findFirst()
        .map(ToolSheet.PlanPart::name)
        .orElseThrow(() -> new NotFound("plan \"" + plan + "\" of " + slug));
  }

  /** A plan as the log names it, as long as a name there may be. */
  private String planOf(String slug, String plan) {
    String words = name(slug) + ", plan " + plan;
    return words.codePointCount(0, words.length()) <= Limits.NAME
        ? words
        : words.substring(0, words.offsetByCodePoints(0, Limits.NAME - 1)) + "…";
  }

  private String name(String slug) {
    return catalogue.get(slug).sheet().name();
  }

  /** Notes the hours contenders take, by id; empty: nobody has said. */
  @Transactional
  public void noteEfforts(long id, Map<String, Optional<SelectionFile.EffortPart>> efforts) {
    store.open(id);
    efforts.forEach((slug, effort) -> {
      ContenderRow row = contender(id, slug);
      String noted = effort.map(Json::write).orElse(null);
      if (!Objects.equals(noted, row.effort)) {
        row.effort = noted;
        acts.note(id, new Act.HoursNoted(name(slug)));
      }
    });
  }

  /** Takes a contender off the table; its marks are kept for when it comes back. */
  @Transactional
  public void removeContender(long id, String slug, String by) {
    store.open(id);
    contenders.delete(contender(id, slug));
    log.note(id, by, "taken-off", name(slug), null);
    acts.note(id, new Act.ContenderRemoved(name(slug)));
  }

  private ContenderRow contender(long id, String slug) {
    return contenders
        .findBySelectionIdAndToolId(id, catalogue.get(slug).id())
        .orElseThrow(() -> new NotFound("contender \"" + slug + "\" in this selection"));
  }

  /** Closes a decided selection to every change; its people stay as they are now. */
  @Transactional
  public void close(long id) {
    SelectionRow row = store.open(id);
    Brief brief = inUse.followedBy(growth.followedBy(SelectionLoader.brief(row), false), false);
    row.followedGrowth = SelectionLoader.brief(row).follows();
    write(row, brief.following(false).withFollowsInUse(null));
    row.decided = true;
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
    store.hold(row);
    if (row.putAway != how) {
      acts.note(id, new Act.PutAway(kept(how)));
    }
    row.putAway = how;
    row.putAwayBy = how == null ? null : by;
    return row.title;
  }

  private static Act.Kept kept(PutAway.@Nullable How how) {
    if (how == null) {
      return Act.Kept.RESTORED;
    }
    return how == PutAway.How.DELETED ? Act.Kept.DELETED : Act.Kept.ARCHIVED;
  }

  /** Marks a selection as the sample. */
  @Transactional
  public void markSample(long id) {
    store.changing(id).sample = true;
  }

  /** Whether a contender at the table can be marked under a criterion; no mark is read for it. */
  @Transactional(readOnly = true)
  public boolean isMarked(long id, String criterion, String slug) {
    boolean judged =
        SelectionLoader.brief(store.row(id)).criteria().stream()
            .anyMatch(c -> c.id().equals(criterion) && c.kind().equals("judged"));
    return judged
        && catalogue
            .find(slug)
            .flatMap(tool -> contenders.findBySelectionIdAndToolId(id, tool.id()))
            .filter(row -> row.setAside == null)
            .isPresent();
  }

  /**
   * Holds a selection for a write until that is kept; whoever has a page of it open hears of it
   * then.
   */
  @Transactional
  public void changing(long id) {
    store.changing(id);
  }

  /** Whether there is a selection that whoever is signed in may open. */
  @Transactional(readOnly = true)
  public boolean isThere(long id) {
    return selections.findById(id).filter(entrance::admits).isPresent();
  }

  /** Whether an account that does not organise may open a selection. */
  @Transactional(readOnly = true)
  public boolean isOpenTo(long id, long account) {
    SelectionRow row = store.row(id);
    return row.openToAll || row.named.contains(account);
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
    SelectionRow row = store.row(id);
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
    SelectionRow row = store.changing(id);
    Conflict.unlessAt(version, row.version, "this selection");
    Act.Admitted admitted =
        new Act.Admitted(
            openToAll,
            openToAll != row.openToAll,
            names(named, row.named),
            names(row.named, named));
    if (admitted.changed() || !admitted.named().isEmpty() || !admitted.unnamed().isEmpty()) {
      acts.note(id, admitted);
    }
    row.openToAll = openToAll;
    row.named.clear();
    row.named.addAll(named);
  }

  /** Of the first accounts those that are not among the others, by name. */
  private List<String> names(Set<Long> accounts, Set<Long> others) {
    return people.all().stream()
        .filter(entry -> accounts.contains(entry.id()) && !others.contains(entry.id()))
        .map(UserAccounts.Entry::name)
        .toList();
  }

  /** Opens a selection to the people to whom another is open. */
  @Transactional
  public void admitAsIn(long other, long id) {
    SelectionRow like = store.row(other);
    SelectionRow row = store.changing(id);
    row.openToAll = like.openToAll;
    row.named.clear();
    row.named.addAll(like.named);
  }

  private List<SelectionRow> admitted() {
    return selections.findAllByOrderByIdDesc().stream().filter(entrance::admits).toList();
  }
}
